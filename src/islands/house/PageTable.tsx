import { lazy, Suspense, useEffect, useState } from 'react';
import type { TableCell, TableColumn, TableRow } from '../../ui/kit/DataTable.tsx';

// The table stands on the page already: what searches it comes when there is time.
const DataTable = lazy(() => import('../../ui/kit/DataTable.tsx').then((m) => ({ default: m.DataTable })));

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
    // The table with what it scrolls in.
    const scroller = table.closest<HTMLElement>('.overflow-x-auto') ?? table;
    const take = () => setRead(readTable(table, wanted.split('\n')));
    take();
    // Until then the table of the page stands.
    void import('../../ui/kit/DataTable.tsx').then(() => (scroller.hidden = true));
    const watch = new MutationObserver(take);
    watch.observe(table, { childList: true, subtree: true, characterData: true });
    return () => {
      watch.disconnect();
      scroller.hidden = false;
    };
  }, [id, wanted]);
  return (
    read && (
      <Suspense fallback={null}>
        <DataTable label={label} file={file} columns={read.columns} rows={read.rows} />
      </Suspense>
    )
  );
}
