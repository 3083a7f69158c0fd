import {
  flexRender,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  useReactTable,
  type ColumnDef,
  type ColumnFiltersState,
  type SortingState,
  type VisibilityState,
} from '@tanstack/react-table';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp, Columns3, Download } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useEffect, useId, useMemo, useRef, useState, type ReactNode } from 'react';
import { TABLE } from '../../words/en/table.ts';
import { counted } from '../format.ts';
import { WORDS } from '../../words/en/ui/dataTable.ts';

/** A cell: its words, what it is sorted by where that is otherwise, and where it leads. */
export interface TableCell {
  readonly text: string;
  readonly sort?: number | string;
  readonly href?: string;
  readonly tag?: 'bad' | 'plain';
}

export interface TableColumn {
  readonly name: string;
  readonly isRight?: boolean;
  /** Offered as a choice of its values over the table. */
  readonly isChoice?: boolean;
}

export interface TableRow {
  readonly id: string;
  readonly isStruck?: boolean;
  readonly cells: readonly TableCell[];
}

interface DataTableProps {
  readonly label: string;
  readonly columns: readonly TableColumn[];
  readonly rows: readonly TableRow[];
  /** Name of the file what is shown is saved under. */
  readonly file: string;
  /** At the end of each row. */
  readonly action?: (row: TableRow) => ReactNode;
}

/** More rows than this are drawn only where they are looked at. */
const MOST_DRAWN = 150;
const ROW_px = 41;
/** Values of a column offered as a choice. */
const MOST_CHOICES = 60;

/** Puts figures in their order and words in that of the language, figures within them counted. */
const inOrder = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });
const compare = (a: TableCell, b: TableCell): number => {
  const [x, y] = [a.sort ?? a.text, b.sort ?? b.text];
  if (typeof x === 'number' && typeof y === 'number') return x - y;
  // What is empty comes last.
  if (x === '' || y === '') return x === y ? 0 : x === '' ? 1 : -1;
  return inOrder.compare(String(x), String(y));
};

/** A table that is searched, filtered, sorted and shortened to the columns wanted; what is shown can be saved as CSV. */
export function DataTable({ label, columns, rows, file, action }: DataTableProps) {
  const id = useId();
  const [text, setText] = useState('');
  const [filters, setFilters] = useState<ColumnFiltersState>([]);
  const [sorting, setSorting] = useState<SortingState>([]);
  const [visible, setVisible] = useState<VisibilityState>({});
  const defs = useMemo(
    () =>
      columns.map(({ name }, i): ColumnDef<TableRow, TableCell> => ({
        id: String(i),
        header: name,
        accessorFn: (row) => row.cells[i] ?? { text: '' },
        sortingFn: (a, b, column) => compare(a.getValue(column), b.getValue(column)),
        filterFn: (row, column, wanted) => row.getValue<TableCell>(column).text === wanted,
        cell: (cell) => <Cell cell={cell.getValue()} />,
      })),
    [columns],
  );
  const table = useReactTable({
    data: rows as TableRow[],
    columns: defs,
    state: { globalFilter: text, columnFilters: filters, sorting, columnVisibility: visible },
    onColumnFiltersChange: setFilters,
    onSortingChange: setSorting,
    sortDescFirst: false,
    onColumnVisibilityChange: setVisible,
    getRowId: (row) => row.id,
    globalFilterFn: (row, column, wanted: string) =>
      row.getValue<TableCell>(column).text.toLowerCase().includes(wanted.trim().toLowerCase()),
    getColumnCanGlobalFilter: () => true,
    getCoreRowModel: getCoreRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  const shown = table.getRowModel().rows;
  const choices = columns.flatMap((column, i) => {
    if (!column.isChoice) return [];
    const values = [...new Set(rows.map(({ cells }) => cells[i]?.text ?? ''))].filter((value) => value !== '');
    return values.length < 2 || values.length > MOST_CHOICES
      ? []
      : [{ i, name: column.name, values: values.sort(inOrder.compare) }];
  });

  async function save(): Promise<void> {
    const { default: Papa } = await import('papaparse');
    const wanted = table.getVisibleLeafColumns();
    const csv = Papa.unparse(
      {
        fields: wanted.map((column) => columns[Number(column.id)]!.name),
        data: shown.map((row) => wanted.map((column) => row.getValue<TableCell>(column.id).text)),
      },
      { newline: '\r\n', escapeFormulae: true },
    );
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([csv], { type: 'text/csv' }));
    link.download = `${file}.csv`;
    link.click();
    URL.revokeObjectURL(link.href);
  }

  return (
    <div>
      <div className="no-print flex flex-wrap items-end gap-3">
        <div className="field w-56">
          <label htmlFor={`${id}find`}>{TABLE.find}</label>
          <input id={`${id}find`} className="input" value={text} onChange={(e) => setText(e.target.value)} />
        </div>
        {choices.map(({ i, name, values }) => (
          <div key={i} className="field w-44">
            <label htmlFor={`${id}${i}`}>{name}</label>
            <select
              id={`${id}${i}`}
              className="input"
              value={(table.getColumn(String(i))!.getFilterValue() as string | undefined) ?? ''}
              onChange={(e) => table.getColumn(String(i))!.setFilterValue(e.target.value || undefined)}
            >
              <option value="">{TABLE.all}</option>
              {values.map((value) => (
                <option key={value}>{value}</option>
              ))}
            </select>
          </div>
        ))}
        <span className="ml-auto flex gap-2">
          <Popover.Root>
            <Popover.Trigger className="btn gap-2">
              <Columns3 size={18} aria-hidden="true" /> {TABLE.columns}
            </Popover.Trigger>
            <Popover.Portal>
              <Popover.Content className="kit-pop" align="end" sideOffset={6} aria-label={TABLE.columns}>
                {table.getAllLeafColumns().map((column) => (
                  <label key={column.id} className="flex min-h-11 items-center gap-2">
                    <input
                      type="checkbox"
                      className="size-5 accent-plum"
                      checked={column.getIsVisible()}
                      onChange={column.getToggleVisibilityHandler()}
                    />
                    {columns[Number(column.id)]!.name}
                  </label>
                ))}
              </Popover.Content>
            </Popover.Portal>
          </Popover.Root>
          <button type="button" className="btn gap-2" onClick={() => void save()}>
            <Download size={18} aria-hidden="true" /> {TABLE.csv}
          </button>
        </span>
      </div>
      <p className="mt-1 text-[0.92rem] text-ink2" aria-live="polite">
        {shown.length === rows.length ? counted(rows.length, WORDS.row) : TABLE.someOf(shown.length, rows.length)}
      </p>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={label}>
        <table className="plain-table mid" aria-rowcount={shown.length + 1}>
          <thead>
            {table.getHeaderGroups().map((group) => (
              <tr key={group.id}>
                {group.headers.map((header) => {
                  const way = header.column.getIsSorted();
                  return (
                    <th
                      key={header.id}
                      aria-sort={way === 'asc' ? 'ascending' : way === 'desc' ? 'descending' : 'none'}
                      className={columns[Number(header.column.id)]!.isRight ? 'r' : ''}
                    >
                      <button
                        type="button"
                        className="inline-flex min-h-8 cursor-pointer items-center gap-1 font-semibold"
                        onClick={header.column.getToggleSortingHandler()}
                      >
                        {flexRender(header.column.columnDef.header, header.getContext())}
                        {way === 'asc' && <ArrowUp size={14} aria-hidden="true" />}
                        {way === 'desc' && <ArrowDown size={14} aria-hidden="true" />}
                      </button>
                    </th>
                  );
                })}
                {action && (
                  <th>
                    <span className="sr-only">{TABLE.actions}</span>
                  </th>
                )}
              </tr>
            ))}
          </thead>
          <Body count={shown.length} columns={table.getVisibleLeafColumns().length + (action ? 1 : 0)}>
            {(i) => {
              const row = shown[i]!;
              return (
                <tr
                  key={row.id}
                  aria-rowindex={i + 2}
                  className={row.original.isStruck ? 'text-ink3 line-through' : ''}
                >
                  {row.getVisibleCells().map((cell) => (
                    <td key={cell.id} className={columns[Number(cell.column.id)]!.isRight ? 'r' : ''}>
                      {flexRender(cell.column.columnDef.cell, cell.getContext())}
                    </td>
                  ))}
                  {action && <td className="kit-action r">{action(row.original)}</td>}
                </tr>
              );
            }}
          </Body>
        </table>
        {shown.length === 0 && <p className="py-4">{rows.length === 0 ? TABLE.empty : TABLE.none}</p>}
      </div>
    </div>
  );
}

/** All rows, or of many only those on the screen, the others' room kept by two empty rows. */
function Body(props: {
  readonly count: number;
  readonly columns: number;
  readonly children: (i: number) => ReactNode;
}) {
  const { count, columns, children } = props;
  const body = useRef<HTMLTableSectionElement>(null);
  const [top, setTop] = useState(0);
  useEffect(() => {
    const place = () => setTop((body.current?.getBoundingClientRect().top ?? 0) + window.scrollY);
    place();
    window.addEventListener('resize', place);
    return () => window.removeEventListener('resize', place);
  }, []);
  // The server, and the browser's first drawing, have the first rows.
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const many = count > MOST_DRAWN;
  const rows = useWindowVirtualizer({
    count,
    estimateSize: () => ROW_px,
    overscan: 20,
    scrollMargin: top,
    enabled: many,
  });
  if (!many || !ready)
    return <tbody ref={body}>{Array.from({ length: Math.min(count, MOST_DRAWN) }, (_, i) => children(i))}</tbody>;
  const items = rows.getVirtualItems();
  const before = items.length === 0 ? 0 : items[0]!.start - top;
  const after = items.length === 0 ? 0 : rows.getTotalSize() - (items.at(-1)!.end - top);
  return (
    <tbody ref={body}>
      {before > 0 && <Gap height_px={before} columns={columns} />}
      {items.map(({ index }) => children(index))}
      {after > 0 && <Gap height_px={after} columns={columns} />}
    </tbody>
  );
}

function Gap({ height_px, columns }: { readonly height_px: number; readonly columns: number }) {
  return (
    <tr aria-hidden="true">
      <td colSpan={columns} style={{ height: height_px, padding: 0 }} />
    </tr>
  );
}

function Cell({ cell }: { readonly cell: TableCell }) {
  const words = cell.href ? <a href={cell.href}>{cell.text}</a> : cell.text;
  return cell.tag ? <span className={`tag ${cell.tag === 'bad' ? 'bad' : ''}`}>{words}</span> : words;
}
