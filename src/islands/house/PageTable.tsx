import { later } from '../../ui/kit/later.tsx';
import { Suspense, useEffect, useLayoutEffect, useState } from 'react';
import type { TableCell, TableColumn, TableRow } from '../../ui/kit/DataTable.tsx';

// The table stands on the page already: what searches it comes when there is time.
const DataTable = later(() => import('../../ui/kit/DataTable.tsx').then((m) => m.DataTable));

interface Props {
  /** The table the page was drawn with; it is taken over. */
  readonly table: string;
  readonly label: string;
  readonly file: string;
  /** Names of columns offered as a choice of their values. */
  readonly choices?: readonly string[];
}

interface Read {
  readonly columns: readonly TableColumn[];
  readonly rows: readonly TableRow[];
}

/** What a cell of the page says: its words, its link, and what it is sorted by (data-sort). */
function cellOf(cell: HTMLTableCellElement): TableCell {
  const link = cell.querySelector('a');
  const tag = cell.querySelector('.tag');
  const { sort } = cell.dataset;
  const text = (cell.textContent ?? '').replaceAll(/\s+/g, ' ').trim();
  const figure = sort === undefined ? Number(text.replace(/[,%]/g, '')) : Number(sort);
  return {
    text,
    ...(sort !== undefined
      ? { sort: Number.isNaN(figure) ? sort : figure }
      : text !== '' && !Number.isNaN(figure)
        ? { sort: figure }
        : {}),
    ...(link ? { href: link.getAttribute('href') ?? '' } : {}),
    ...(tag ? { tag: tag.classList.contains('bad') ? ('bad' as const) : ('plain' as const) } : {}),
  };
}

function readTable(table: HTMLTableElement, choices: readonly string[]): Read {
  const columns = [...(table.tHead?.rows[0]?.cells ?? [])].map(({ textContent, classList }) => {
    const name = (textContent ?? '').trim();
    return { name, isRight: classList.contains('r'), isChoice: choices.includes(name) };
  });
  const rows = [...(table.tBodies[0]?.rows ?? [])].map((row, i) => ({
    id: row.id || String(i),
    isStruck: row.classList.contains('line-through'),
    cells: [...row.cells].map(cellOf),
  }));
  return { columns, rows };
}

/**
 * A table the server drew, to be searched and sorted: read from the page, so that it costs nothing to send twice and is there
 * without script as well. What the page freshens is read again.
 */
export function PageTable({ table: id, label, file, choices = [] }: Props) {
  const [read, setRead] = useState<Read | null>(null);
  const wanted = choices.join('\n');
  useEffect(() => {
    const table = document.getElementById(id) as HTMLTableElement | null;
    if (!table) return;
    const take = () => setRead(readTable(table, wanted.split('\n')));
    take();
    const watch = new MutationObserver(take);
    watch.observe(table, { childList: true, subtree: true, characterData: true });
    return () => watch.disconnect();
  }, [id, wanted]);
  return (
    // The room of the search is kept from the start: nothing moves under a finger when it comes.
    <div className="min-h-[6.2rem]">
      {read && (
        <Suspense fallback={null}>
          <InPlaceOf table={id} />
          <DataTable label={label} file={file} columns={read.columns} rows={read.rows} />
        </Suspense>
      )}
    </div>
  );
}

/** Hides the page's own table in the very moment the other one is drawn. */
function InPlaceOf({ table: id }: { readonly table: string }) {
  useLayoutEffect(() => {
    const table = document.getElementById(id);
    // With what it scrolls in.
    const own = table?.closest<HTMLElement>('.overflow-x-auto') ?? table;
    if (!own) return;
    own.hidden = true;
    return () => {
      own.hidden = false;
    };
  }, [id]);
  return null;
}
