import { measureFromShown } from '../../core/units/measure.ts';
import { house, money, unitOf } from '../../ui/house.ts';
import { useEffect, useRef, useState } from 'react';
import { STOCK_KINDS, STOCK_WORDS } from '../../core/potting/stock.ts';
import type { StockLine } from '../../contracts/potting/potting.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import type { Person } from '../../core/house/people.ts';
import { WrittenBy } from '../../ui/PersonMark.tsx';
import { shortDay } from '../../ui/format.ts';
import { amountWords } from './words.ts';
import { WORDS } from '../../words/en/potting/stock.ts';

interface Props {
  readonly initial: { readonly lines: readonly StockLine[]; readonly today: number; readonly weeks: number };
  readonly people: readonly Person[];
}

/** What is on hand, what the coming weeks take, and what to buy; a count or a delivery in two taps. */
export function Stock({ initial, people }: Props) {
  const [lines, setLines] = useState(initial.lines);
  const [open, setOpen] = useState<number | null>(null);
  const [said, setSaid] = useState('');
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const kinds = STOCK_KINDS.filter((kind) => lines.some((l) => l.kind === kind));
  const buys = lines.filter((l) => l.buy > 0);
  const cost = buys.reduce((sum, l) => sum + (l.packs ?? 0) * (l.price ?? 0), 0);

  return (
    <div data-ready={ready} data-typing>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <h1>{WORDS.stock}</h1>
        <p className="text-ink2">
          {buys.length === 0
            ? WORDS.enoughForTheComingWeeks(initial.weeks)
            : WORDS.toBuyForTheComing(buys.length, initial.weeks, money(cost))}
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
      <p role="status" aria-live="polite" className={said ? 'note-bar my-2' : 'sr-only'}>
        {said}
      </p>
      {kinds.map((kind) => (
        <section key={kind} className="mt-4">
          <h2 className="border-b-2 border-ink pb-1 first-letter:uppercase">{STOCK_WORDS[kind]}</h2>
          <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={WORDS.stockOf(STOCK_WORDS[kind])}>
            <table className="plain-table min-[900px]:table-fixed">
              <thead>
                <tr>
                  <th className="w-[30%]">{WORDS.thing}</th>
                  <th className="r">{WORDS.onHand}</th>
                  <th className="r">{WORDS.needed}</th>
                  <th className="r">{WORDS.least}</th>
                  <th className="r">{WORDS.toBuy}</th>
                  <th className="r">{WORDS.usedIn4Weeks}</th>
                  <th className="no-print w-36">
                    <span className="sr-only">{WORDS.log}</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {lines
                  .filter((l) => l.kind === kind)
                  .map((line) => (
                    <tr key={line.id}>
                      <td>
                        {line.name}
                        {line.check && <span className="tag bad ml-2">{WORDS.belowNothingCountIt}</span>}
                        {!line.counted && !line.check && <span className="ml-2 text-ink2">{WORDS.neverCounted}</span>}
                      </td>
                      <td className="r num">{amountWords(line.have, line.unit)}</td>
                      <td className="r">{line.need > 0 ? amountWords(line.need, line.unit) : ''}</td>
                      <td className="r text-ink2">{line.least > 0 ? amountWords(line.least, line.unit) : ''}</td>
                      <td className="r">
                        {line.buy > 0 && (
                          <span className="font-bold">
                            {line.packs !== null
                              ? `${line.packs} × ${amountWords(line.pack, line.unit)}`
                              : amountWords(line.buy, line.unit)}
                          </span>
                        )}
                      </td>
                      <td className="r text-ink2">{line.used > 0 ? amountWords(line.used, line.unit) : ''}</td>
                      <td className="no-print">
                        <button
                          type="button"
                          className="btn w-full"
                          aria-expanded={open === line.id}
                          aria-label={WORDS.countOrAdd(line.name)}
                          onClick={() => setOpen(open === line.id ? null : line.id)}
                        >
                          {WORDS.countAdd}
                        </button>
                        {open === line.id && (
                          <Move
                            people={people}
                            line={line}
                            onDone={(fresh, words) => {
                              setLines(fresh);
                              setSaid(words);
                              setOpen(null);
                            }}
                          />
                        )}
                      </td>
                    </tr>
                  ))}
              </tbody>
            </table>
          </div>
        </section>
      ))}
      <p className="mt-4 max-w-[75ch] text-ink2">
        {WORDS.sessionsTakePotsTraysLabels(
          initial.weeks,
          <a key="1" href="/potting/house">
            {WORDS.howWePot}
          </a>,
        )}
      </p>
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
  readonly onDone: (lines: readonly StockLine[], words: string) => void;
}) {
  const [amount, setAmount] = useState('');
  const [message, setMessage] = useState('');
  const key = useRef(freshKey());
  async function write(kind: 'count' | 'in' | 'used'): Promise<void> {
    const figure = amount.trim() === '' ? NaN : Number(amount.replace(',', '.'));
    if (!Number.isFinite(figure)) return setMessage(WORDS.typeHowMuch);
    const answer = await writeNow<{ lines: StockLine[] }>('POST', '/api/potting/stock', {
      idempotencyKey: key.current,
      itemId: line.id,
      kind,
      amount: line.unit === 'L' ? measureFromShown(figure, 'L', house().lengthUnit) : figure,
      note: '',
    });
    if (answer.kind === 'done') {
      const words = { count: WORDS.counted(figure), in: WORDS.cameIn(figure), used: WORDS.used(figure) }[kind];
      onDone(answer.value.lines, `${line.name}: ${words}.`);
    } else {
      if (answer.kind === 'problem') key.current = freshKey();
      setMessage(trouble(answer));
    }
  }
  return (
    <div className="mt-2 flex flex-col gap-1.5">
      <label className="field">
        <span className="label">
          {line.unit === 'pieces' ? WORDS.pieces : line.unit === 'L' ? unitOf('L') : line.unit}
        </span>
        <input
          className="input"
          inputMode="decimal"
          autoFocus
          value={amount}
          onChange={(e) => setAmount(e.target.value)}
        />
      </label>
      <button type="button" className="btn solid" onClick={() => void write('count')}>
        {WORDS.thatIsWhatThereIs}
      </button>
      <button type="button" className="btn" onClick={() => void write('in')}>
        {WORDS.cameIn2}
      </button>
      <button type="button" className="btn" onClick={() => void write('used')}>
        {WORDS.used2}
      </button>
      {message && (
        <p role="alert" className="err">
          {message}
        </p>
      )}
      <ul className="text-[0.85rem] text-ink2">
        {line.last.map((m, i) => (
          <li key={i}>
            {shortDay(m.day)} {m.kind} {amountWords(m.amount, line.unit)}{' '}
            <WrittenBy person={people.find((one) => one.id === m.authorId)} />
          </li>
        ))}
      </ul>
    </div>
  );
}
