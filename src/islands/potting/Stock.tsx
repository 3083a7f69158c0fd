import { useEffect, useMemo, useState } from 'react';
import type { Person } from '../../core/house/people.ts';
import { STOCK_KINDS, STOCK_WORDS } from '../../core/potting/stock.ts';
import { measureFromShown } from '../../core/units/measure.ts';
import type { StockLine } from '../../contracts/potting/potting.ts';
import { Field } from '../../ui/Field.tsx';
import { shortDay } from '../../ui/format.ts';
import { house, money, unitOf } from '../../ui/house.ts';
import { useView, useWrite } from '../../ui/kit/data.ts';
import { DataTable, type TableColumn, type TableRow } from '../../ui/kit/DataTable.tsx';
import { Dialog } from '../../ui/kit/Dialog.tsx';
import { figureOr } from '../../ui/kit/fields.ts';
import { sayHere } from '../../ui/kit/said.ts';
import { WrittenBy } from '../../ui/PersonMark.tsx';
import { amountWords } from './words.ts';
import { WORDS } from '../../words/en/potting/stock.ts';

interface Props {
  readonly initial: { readonly lines: readonly StockLine[]; readonly today: number; readonly weeks: number };
  readonly people: readonly Person[];
}

const COLUMNS: readonly TableColumn[] = [
  { name: WORDS.thing },
  { name: WORDS.kind, isChoice: true },
  { name: WORDS.onHand, isRight: true },
  { name: WORDS.needed, isRight: true },
  { name: WORDS.least, isRight: true },
  { name: WORDS.toBuy, isRight: true },
  { name: WORDS.usedIn4Weeks, isRight: true },
  { name: WORDS.state, isChoice: true },
];

function rowOf(line: StockLine): TableRow {
  const amount = (value: number) => ({ text: value > 0 ? amountWords(value, line.unit) : '', sort: value });
  const buy = line.packs === null ? line.buy : line.pack;
  const packs = line.packs === null ? '' : `${line.packs} × `;
  const state = line.check ? WORDS.belowNothingCountIt : line.counted ? '' : WORDS.neverCounted;
  return {
    id: String(line.id),
    cells: [
      { text: line.name },
      { text: STOCK_WORDS[line.kind], sort: STOCK_KINDS.indexOf(line.kind) },
      { text: amountWords(line.have, line.unit), sort: line.have },
      amount(line.need),
      amount(line.least),
      { text: line.buy > 0 ? packs + amountWords(buy, line.unit) : '', sort: line.buy },
      amount(line.used),
      state === '' ? { text: '' } : { text: state, tag: line.check ? 'bad' : 'plain' },
    ],
  };
}

/** What is on hand, what the coming weeks take, and what to buy; a count or a delivery in two taps. */
export function Stock({ initial, people }: Props) {
  const { view } = useView<Props['initial']>('/api/potting/stock', initial);
  const { lines, weeks } = view;
  const [open, setOpen] = useState<number | null>(null);
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const rows = useMemo(() => lines.map(rowOf), [lines]);
  const buys = lines.filter((l) => l.buy > 0);
  const cost = buys.reduce((sum, l) => sum + (l.packs ?? 0) * (l.price ?? 0), 0);
  const chosen = lines.find((line) => line.id === open);

  return (
    <div data-ready={ready}>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <h1>{WORDS.stock}</h1>
        <p className="text-ink2">
          {buys.length === 0
            ? WORDS.enoughForTheComingWeeks(weeks)
            : WORDS.toBuyForTheComing(buys.length, weeks, money(cost))}
        </p>
        <span className="no-print ml-auto flex gap-2">
          <a className="btn" href="/potting/things">
            {WORDS.thingsInTheBook}
          </a>
          <a className="btn" href="/api/potting/shopping.csv">
            {WORDS.shoppingListCsv}
          </a>
          <button type="button" className="btn" onClick={() => print()}>
            {WORDS.print}
          </button>
        </span>
      </div>
      <p className="mt-1 mb-3 max-w-[75ch] text-ink2">
        {WORDS.sessionsTakePotsTraysLabels(
          weeks,
          <a key="1" href="/potting/house">
            {WORDS.howWePot}
          </a>,
        )}
      </p>
      <DataTable
        label={WORDS.stock}
        file="stock"
        columns={COLUMNS}
        rows={rows}
        action={({ id, cells }) => (
          <button
            type="button"
            className="btn small whitespace-nowrap"
            aria-label={WORDS.countOrAdd(cells[0]?.text ?? '')}
            onClick={() => setOpen(Number(id))}
          >
            {WORDS.countAdd}
          </button>
        )}
      />
      <Dialog open={chosen !== undefined} onOpenChange={(next) => !next && setOpen(null)} title={chosen?.name ?? ''}>
        {chosen && (
          <Move
            key={chosen.id}
            people={people}
            line={chosen}
            onDone={(words) => {
              setOpen(null);
              sayHere({ words });
            }}
          />
        )}
      </Dialog>
    </div>
  );
}

function Move({
  line,
  people,
  onDone,
}: {
  readonly line: StockLine;
  readonly people: readonly Person[];
  readonly onDone: (words: string) => void;
}) {
  const [amount, setAmount] = useState('');
  const [wrong, setWrong] = useState('');
  const { mutate, error } = useWrite('POST', '/api/potting/stock');
  function log(kind: 'count' | 'in' | 'used'): void {
    const figure = figureOr(amount, (n) => n);
    if (typeof figure !== 'number') return setWrong(WORDS.typeHowMuch);
    setWrong('');
    const kept = line.unit === 'L' ? measureFromShown(figure, 'L', house().lengthUnit) : figure;
    const words = { count: WORDS.counted(figure), in: WORDS.cameIn(figure), used: WORDS.used(figure) }[kind];
    mutate({ itemId: line.id, kind, amount: kept, note: '' }, { onSuccess: () => onDone(`${line.name}: ${words}.`) });
  }
  return (
    <form
      noValidate
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        log('count');
      }}
    >
      <Field
        id="stock-amount"
        label={line.unit === 'pieces' ? WORDS.pieces : line.unit === 'L' ? unitOf('L') : line.unit}
        inputMode="decimal"
        value={amount}
        error={wrong || (error?.message ?? undefined)}
        onValue={setAmount}
      />
      <div className="flex flex-wrap gap-2">
        <button type="submit" className="btn solid">
          {WORDS.thatIsWhatThereIs}
        </button>
        <button type="button" className="btn" onClick={() => log('in')}>
          {WORDS.cameIn2}
        </button>
        <button type="button" className="btn" onClick={() => log('used')}>
          {WORDS.used2}
        </button>
      </div>
      <ul className="text-[0.9rem] text-ink2">
        {line.last.map((m, i) => (
          <li key={i}>
            {shortDay(m.day)} {m.kind} {amountWords(m.amount, line.unit)}{' '}
            <WrittenBy person={people.find((one) => one.id === m.authorId)} />
          </li>
        ))}
      </ul>
    </form>
  );
}
