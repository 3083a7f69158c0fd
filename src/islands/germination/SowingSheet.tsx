import { Empty } from '../../ui/kit/Empty.tsx';
import type { SowingLine } from '../../contracts/germination/sowingLine.ts';
import { volume } from '../../ui/house.ts';
import { useEffect, useRef, useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { LABEL_SHEETS } from '../../core/batch/labelSheets.ts';
import { shownLength, type LengthUnit } from '../../core/units/length.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { counted, degrees, longDay, shortDay } from '../../ui/format.ts';
import { postLine } from '../../ui/logPost.ts';
import { dayNow } from '../../ui/today.ts';
import { WORDS } from '../../words/en/germination/sowingSheet.ts';

interface Props {
  readonly lines: readonly SowingLine[];
  readonly today: number;
  readonly unit: 'C' | 'F';
  readonly lengthUnit: LengthUnit;
}

const LIGHT = { light: WORDS.inLight, dark: WORDS.inTheDark, neutral: WORDS.covered } as const;

/** The week's sowing by chamber: one tap a tray as it is sown, labels, and a sheet to print. */
export function SowingSheet({ lines, today, unit, lengthUnit }: Props) {
  const [done, setDone] = useState<Readonly<Record<number, number>>>({});
  const keep = `crook-sown-${today}`;
  const [logged, setLogged] = useState<readonly number[]>([]);
  const [chosen, setChosen] = useState<readonly number[]>(lines.map((l) => l.id));
  const [sheet, setSheet] = useState('a4-24');
  const [skip, setSkip] = useState('0');
  const [said, setSaid] = useState('');
  const [ready, setReady] = useState(false);
  const keys = useRef(new Map<number, string>());
  // Trays tapped but not yet written stay on this device: a reload or a flat battery loses no tap.
  useEffect(() => {
    let kept: unknown = {};
    try {
      kept = JSON.parse(localStorage.getItem(keep) ?? '{}');
    } catch {
      localStorage.removeItem(keep);
    }
    const ids = new Map(lines.map((l) => [String(l.id), l.trays]));
    const mine = Object.entries(kept ?? {}).filter(([id, n]) => typeof n === 'number' && n < (ids.get(id) ?? 0));
    setDone(Object.fromEntries(mine) as Record<number, number>);
    setReady(true);
  }, [keep, lines]);
  useEffect(() => {
    if (ready) localStorage.setItem(keep, JSON.stringify(done));
  }, [keep, ready, done]);
  const chambers = [...new Set(lines.map((l) => l.placeId))];
  const trays = lines.filter((l) => chosen.includes(l.id)).reduce((sum, l) => sum + l.trays, 0);

  async function tap(line: SowingLine): Promise<void> {
    const n = (done[line.id] ?? 0) + 1;
    if (n > line.trays || logged.includes(line.id)) return;
    setDone({ ...done, [line.id]: n });
    if (n < line.trays) return;
    await write(line, line.cells);
  }

  /** The last tray, or "that is all": what was sown goes into the log once, whatever is tapped again. */
  async function write(line: SowingLine, cells: number): Promise<void> {
    const key = keys.current.get(line.id) ?? freshKey();
    keys.current.set(line.id, key);
    const answer = await postLine(line.id, {
      idempotencyKey: key,
      kind: 'sown',
      day: isoFromDay(dayNow(today)),
      count: cells,
    });
    if (answer.kind === 'problem' || answer.kind === 'offline') {
      setDone((now) => ({ ...now, [line.id]: Math.max(0, (now[line.id] ?? 1) - 1) }));
      keys.current.delete(line.id);
      return setSaid(trouble(answer));
    }
    setLogged((now) => [...now, line.id]);
    setSaid(WORDS.sown(line.name, cells, answer.kind === 'kept' ? WORDS.keptOnThisDeviceUntil : 'logged'));
  }

  return (
    <div data-ready={ready}>
      <div className="flex flex-wrap items-end gap-3">
        <div>
          <h1>{WORDS.sowingSheet}</h1>
          <p className="text-ink2">
            {WORDS.andTheWeekToCome(
              longDay(today),
              counted(lines.length, WORDS.batch, WORDS.batches),
              counted(
                lines.reduce((sum, l) => sum + l.trays, 0),
                WORDS.tray,
              ),
              volume(Math.ceil(lines.reduce((sum, l) => sum + l.litres, 0))),
            )}
          </p>
        </div>
        {lines.length > 0 && (
          <div className="no-print ml-auto flex flex-wrap items-end gap-2">
            <label className="field">
              <span className="label">{WORDS.labelsOn}</span>
              <select className="input" value={sheet} onChange={(e) => setSheet(e.target.value)}>
                {LABEL_SHEETS.map((s) => (
                  <option key={s.key} value={s.key}>
                    {s.name}
                  </option>
                ))}
              </select>
            </label>
            <label className="field">
              <span className="label">{WORDS.usedAlready}</span>
              <input
                className="input w-20"
                inputMode="numeric"
                value={skip}
                onChange={(e) => setSkip(e.target.value.replace(/\D/g, ''))}
              />
            </label>
            <a
              className="btn solid"
              aria-disabled={chosen.length === 0}
              href={
                chosen.length === 0
                  ? undefined
                  : `/api/batch/labels.pdf?batches=${chosen.join(',')}&sheet=${sheet}&skip=${skip || 0}`
              }
            >
              {WORDS.pdf(counted(trays, WORDS.label2))}
            </a>
            <button type="button" className="btn" onClick={() => print()}>
              {WORDS.printTheSheet}
            </button>
          </div>
        )}
      </div>
      <p role="status" aria-live="polite" className={said ? 'note-bar my-2' : 'sr-only'}>
        {said}
      </p>
      {lines.length === 0 && (
        <Empty drawing="tray">
          <p>{WORDS.nothingIsToBeSown}</p>
        </Empty>
      )}
      {chambers.map((placeId) => {
        const here = lines.filter((l) => l.placeId === placeId);
        const { place, place_C } = here[0]!;
        return (
          <section key={placeId} className="mt-5">
            <h2>
              {place}
              {place_C !== null && <span className="font-normal text-ink2">{WORDS.byDay(degrees(place_C, unit))}</span>}
            </h2>
            <ul>
              {here.map((line) => {
                const n = logged.includes(line.id) ? line.trays : (done[line.id] ?? 0);
                return (
                  <li
                    key={line.id}
                    className="to-tick grid grid-cols-[auto_1fr] items-center gap-x-4 border-b border-line py-2 min-[800px]:grid-cols-[auto_64px_1fr_auto]"
                  >
                    <input
                      type="checkbox"
                      className="no-print size-5 accent-plum"
                      aria-label={WORDS.label(line.name)}
                      checked={chosen.includes(line.id)}
                      onChange={(e) =>
                        setChosen(e.target.checked ? [...chosen, line.id] : chosen.filter((c) => c !== line.id))
                      }
                    />
                    <span className="num text-3xl max-[800px]:hidden" aria-hidden="true">
                      {line.trays}
                    </span>
                    <div>
                      <p className="font-semibold">
                        <a href={`/batch/${line.id}`}>{line.name}</a> <span className="num text-ink2">{line.code}</span>
                        {line.dueOn < today && <span className="tag bad ml-2">{WORDS.late(today - line.dueOn)}</span>}
                        {line.dueOn > today && (
                          <span className="ml-2 font-normal text-ink2">{WORDS.on(shortDay(line.dueOn))}</span>
                        )}
                      </p>
                      <p className="text-ink2">
                        {WORDS.inOf(
                          line.cells,
                          counted(line.trays, WORDS.tray),
                          line.perTray,
                          line.container,
                          line.lot && WORDS.lot(line.lot),
                          LIGHT[line.light],
                          line.light !== 'light' &&
                            WORDS.deep(Math.round(shownLength(line.depth_mm, lengthUnit) * 10) / 10, lengthUnit),
                          <a className="no-print" key="1" href={`/batch/${line.id}/seeds`}>
                            {WORDS.howMany}
                          </a>,
                        )}
                      </p>
                    </div>
                    <div className="no-print col-span-2 flex gap-2 py-1 min-[800px]:col-span-1">
                      <button
                        type="button"
                        className="btn min-h-12 min-w-40"
                        disabled={n >= line.trays}
                        onClick={() => void tap(line)}
                      >
                        {n >= line.trays ? WORDS.sown2 : n === 0 ? WORDS.aTrayIsSown : WORDS.ofSown(n, line.trays)}
                      </button>
                      {n > 0 && n < line.trays && (
                        <button
                          type="button"
                          className="btn"
                          onClick={() => void write(line, Math.min(line.cells, n * line.perTray))}
                        >
                          {WORDS.thatIsAll}
                        </button>
                      )}
                    </div>
                  </li>
                );
              })}
            </ul>
          </section>
        );
      })}
    </div>
  );
}
