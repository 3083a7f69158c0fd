import { saidOf } from '../../words/en/codes.ts';
import { DateField } from '../../ui/kit/DateField.tsx';
import { area as areaOf, difference } from '../../ui/house.ts';
import { useEffect, useState } from 'react';
import { isoFromDay, requireDay, dayFromIso } from '../../core/calendar/dayNumber.ts';
import { GATE_MODES, type GateKey, type GateMode } from '../../core/planting/gates.ts';
import { ground_m2 } from '../../core/planting/spacing.ts';
import type { BatchOdds } from '../../core/planting/odds.ts';
import type { GateView, PlantLine, PlantView } from '../../contracts/hardening/hardenViews.ts';
import { ExplanationText } from '../../ui/ExplanationText.tsx';
import { counted, shortDay, expectedWords, spokenDay } from '../../ui/format.ts';
import type { LogLine } from '../../contracts/batch/batches.ts';
import { tryOdds } from './tryOdds.ts';
import { WORDS } from '../../words/en/planting/batchGates.ts';

interface Props {
  readonly line: PlantLine;
  readonly view: PlantView;
  readonly open: boolean;
  readonly onOpen: () => void;
  readonly onLog: (line: Omit<LogLine, 'idempotencyKey' | 'day'>, words: string) => Promise<string | null>;
  readonly onChange: (body: Record<string, unknown>, words: string) => void;
}

const percent = (frac: number) => `${Math.round(100 * frac)}%`;
const STATE = { pass: WORDS.passes, wait: WORDS.waits, fail: WORDS.fails, unknown: WORDS.notKnown } as const;

/** A gate as a post with its bar: up when it passes, half when it waits, down when it fails; always with its word. */
function Post({ gate, today }: { readonly gate: GateView; readonly today: number }) {
  const off = gate.mode === 'off';
  const bar = { pass: 'M4 15L11 1', wait: 'M4 15L20 8', fail: 'M4 15H23', unknown: 'M4 15L20 8' }[gate.state];
  return (
    <div className={`min-w-0 ${off ? 'opacity-60' : ''}`}>
      <p className="flex items-center gap-1">
        <svg width="24" height="20" aria-hidden="true" className="flex-none">
          <rect x="1" y="12" width="6" height="8" className="fill-ink" />
          <path
            d={bar}
            className={
              gate.state === 'fail' && !off ? 'stroke-brick' : gate.state === 'pass' ? 'stroke-ink' : 'stroke-ink3'
            }
            strokeWidth="3"
            strokeDasharray={gate.state === 'unknown' ? '3 3' : undefined}
            fill="none"
          />
        </svg>
        <span className={`num text-lg min-[1400px]:text-xl ${gate.state === 'fail' && !off ? 'text-brick' : ''}`}>
          {gate.figure}
        </span>
      </p>
      <p className="text-[0.85rem] leading-tight">
        <span className="font-semibold">{gate.name}</span> {off ? WORDS.off : STATE[gate.state]}
        {gate.mode === 'advisory' && <span className="block text-ink2">{WORDS.advisory}</span>}
        {!off && gate.state !== 'pass' && gate.first?.p50 != null && gate.first.p50 > today && (
          <span className="block text-ink2">{WORDS.likely(shortDay(gate.first.p50))}</span>
        )}
      </p>
    </div>
  );
}

/** A mark for each gate that counts, low where it does not pass; read out as a sum. */
function GateMarks({ gates }: { readonly gates: readonly GateView[] }) {
  const counting = gates.filter((gate) => gate.mode !== 'off');
  const passing = counting.filter((gate) => gate.state === 'pass').length;
  return (
    <svg
      width={counting.length * 7}
      height="14"
      role="img"
      aria-label={WORDS.ofGatesPass(passing, counting.length)}
      className="mr-1 inline-block align-[-2px]"
    >
      {counting.map((gate, i) => (
        <rect
          key={gate.key}
          x={i * 7}
          y={gate.state === 'pass' ? 1 : 10}
          width="4"
          height={gate.state === 'pass' ? 13 : 4}
          className={gate.state === 'pass' ? 'fill-ink' : gate.state === 'fail' ? 'fill-brick' : 'fill-ink3'}
        />
      ))}
    </svg>
  );
}

/** One batch in a line, with the one thing that holds it; opened with its gates and every figure, what waiting costs, ways out, and planting. */
export function BatchGates(props: Props) {
  const { line, view, open, onOpen } = props;
  const { today } = view;
  return (
    <article className="border-b border-line py-3" aria-label={line.name}>
      <div className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-5 gap-y-1 min-[900px]:grid-cols-[minmax(0,1.1fr)_minmax(0,1.5fr)_minmax(0,1fr)_auto]">
        <div>
          <button
            type="button"
            className="num min-h-8 cursor-pointer text-left text-[1.1rem] leading-tight"
            aria-expanded={open}
            onClick={onOpen}
          >
            {line.name}
          </button>
          <p className="text-[0.9rem] text-ink2">
            {counted(line.plants, WORDS.plant3)}, {counted(line.trays, WORDS.tray)}
            {line.coverId === null ? '' : WORDS.under(line.coverName)}
          </p>
        </div>
        <p
          className={`max-[899px]:order-3 max-[899px]:col-span-2 ${line.verdict === 'not' ? 'font-semibold text-brick' : ''}`}
        >
          <GateMarks gates={line.gates} /> {line.by}
        </p>
        <div className="max-[899px]:order-4 max-[899px]:col-span-2">
          <p>{expectedWords(line.expectedOn, today)}</p>
          <p className={`text-[0.9rem] ${line.unlikely ? 'font-semibold text-brick' : 'text-ink2'}`}>
            {WORDS.askedFor(
              spokenDay(line.transplantOn, today),
              line.unlikely && WORDS.inTimeInOfSprings(percent(line.inTime_frac!)),
            )}
          </p>
        </div>
        <button
          type="button"
          className={`btn ${line.verdict === 'plant' ? 'solid' : ''}`}
          onClick={onOpen}
          aria-label={`${open ? WORDS.close : line.verdict === 'plant' ? WORDS.plant : WORDS.open} ${line.name}`}
        >
          {open ? WORDS.close : line.verdict === 'plant' ? WORDS.plant2 : WORDS.open}
        </button>
      </div>
      {open && <Opened {...props} />}
    </article>
  );
}

function Opened({ line, view, onLog, onChange }: Props) {
  const { today, unit } = view;
  return (
    <>
      <div className="mt-3 grid grid-cols-2 gap-x-2 gap-y-2 min-[560px]:grid-cols-4 min-[820px]:grid-cols-8">
        {line.gates.map((gate) => (
          <Post key={gate.key} gate={gate} today={today} />
        ))}
      </div>
      <div className="mt-3 grid grid-cols-1 gap-6 min-[1000px]:grid-cols-[minmax(0,1fr)_380px]">
        <div className="min-w-0 overflow-x-auto">
          <table className="plain-table">
            <thead>
              <tr>
                <th>{WORDS.gate}</th>
                <th>{WORDS.now}</th>
                <th>{WORDS.firstLikelyDay}</th>
                <th>{WORDS.howItCounts}</th>
              </tr>
            </thead>
            <tbody>
              {line.gates.map((gate) => (
                <tr key={gate.key}>
                  <td className="font-semibold">{gate.name}</td>
                  <td>
                    <details>
                      <summary>{gate.words}</summary>
                      <ExplanationText explanation={gate.explanation} unit={unit} />
                    </details>
                  </td>
                  <td>{firstWords(gate, today)}</td>
                  <td>
                    <select
                      className="input w-32"
                      aria-label={WORDS.howCountsFor(gate.name, line.name)}
                      value={gate.mode}
                      onChange={(e) =>
                        onChange(
                          { gates: modesWith(line, gate.key, e.target.value as GateMode) },
                          WORDS.isNow(line.name, gate.name.toLowerCase(), e.target.value),
                        )
                      }
                    >
                      {GATE_MODES.map((m) => (
                        <option key={m} value={m}>
                          {saidOf(m)}
                        </option>
                      ))}
                    </select>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <h3 className="mt-4">{WORDS.whatWaitingCosts}</h3>
          <ul className="text-[0.95rem]">
            {line.out?.p50 != null && (
              <li>
                {WORDS.likelyOutInTimeIn(
                  shortDay(line.out.p50),
                  line.out.p90 !== line.out.p50
                    ? WORDS.byInNineSpringsOf(line.out.p90 === null ? WORDS.laterThanCanBeSeen : shortDay(line.out.p90))
                    : '',
                  percent(line.inTime_frac!),
                )}
              </li>
            )}
            {line.frost_frac !== null && (
              <li>
                {WORDS.aNightThatHurtsIt(percent(line.frost_frac), line.coverId === null ? '' : WORDS.coverCounted)}
              </li>
            )}
            <li>
              {line.overAgeOn === null
                ? WORDS.notOverAgeInSight
                : line.overAgeOn <= today
                  ? WORDS.overAgeSinceRootBound(shortDay(line.overAgeOn), counted(line.plants, WORDS.plant3))
                  : WORDS.overAgeFromFromNow(
                      shortDay(line.overAgeOn),
                      counted(line.overAgeOn - today, WORDS.day),
                      counted(line.plants, WORDS.plant3),
                    )}
            </li>
            <li>
              {line.slots > 0 ? WORDS.holdsTraySpacesIn(line.slots, line.placeName) : WORDS.holdsNoRoom}
              {line.placeOverOn === null
                ? WORDS.itsPlaceHasRoomFor
                : WORDS.whichIsOverItsRoom(shortDay(line.placeOverOn))}
            </li>
          </ul>
          {line.offers.length > 0 && (
            <>
              <h3 className="mt-4">{WORDS.waysOut}</h3>
              <ul>
                {line.offers.map((o) => (
                  <li key={o.words} className="flex flex-wrap items-center gap-3 py-1">
                    <span>{o.words.charAt(0).toUpperCase() + o.words.slice(1)}.</span>
                    <button
                      type="button"
                      className="btn"
                      onClick={() =>
                        onChange(
                          o.transplantOn === null
                            ? { coverId: o.coverId }
                            : { transplantOn: isoFromDay(o.transplantOn) },
                          WORDS.changed(line.name),
                        )
                      }
                    >
                      {WORDS.doThat}
                    </button>
                  </li>
                ))}
              </ul>
            </>
          )}
          <TryDate line={line} view={view} onChange={onChange} />
        </div>
        <PlantForm line={line} view={view} onLog={onLog} />
      </div>
    </>
  );
}

function modesWith(line: PlantLine, key: GateKey, mode: GateMode): Partial<Record<GateKey, GateMode>> {
  return Object.fromEntries(line.gates.map((g) => [g.key, g.key === key ? mode : g.mode]));
}

function firstWords(gate: GateView, today: number): string {
  if (gate.state === 'pass') return WORDS.today;
  const { first } = gate;
  if (!first) return '';
  if (first.p50 === null)
    return first.p10 === null ? WORDS.beyondWhatCanBeSeen : WORDS.fromInOneSpringOf(shortDay(first.p10));
  if (first.p50 <= today) return WORDS.anyDayNow;
  const range =
    first.p10 === first.p90
      ? ''
      : WORDS.toInEightOfTen(
          first.p10! <= today ? 'now' : shortDay(first.p10!),
          first.p90 === null ? 'later' : shortDay(first.p90),
        );
  return `${shortDay(first.p50)}${range}`;
}

/** Another date or cover tried over the same springs, in a thread of the page's own. */
function TryDate({ line, view, onChange }: Pick<Props, 'line' | 'view' | 'onChange'>) {
  const [date, setDate] = useState(isoFromDay(line.transplantOn));
  const [coverId, setCoverId] = useState(line.coverId);
  const [odds, setOdds] = useState<BatchOdds | null>(null);
  const day = dayFromIso(date);
  const moved = day !== line.transplantOn || coverId !== line.coverId;
  useEffect(() => {
    if (!moved || day === null) return;
    let current = true;
    const NONE = { safe_K: 0, warm_K: 0, soil_K: 0 };
    const [was, now] = [line.coverId, coverId].map((id) => view.covers.find((c) => c.id === id) ?? NONE) as [
      typeof NONE,
      typeof NONE,
    ];
    const cover =
      coverId === line.coverId
        ? null
        : { was, now, outFrom: line.outFromBy.find((o) => o.coverId === coverId)?.day ?? null };
    void tryOdds(line.batchId, day - line.transplantOn, cover).then((found) => {
      if (current) setOdds(found);
    });
    return () => {
      current = false;
    };
  }, [moved, day, coverId, line, view.covers]);
  return (
    <div className="mt-4">
      <h3>{WORDS.tryAnotherDateOrCover}</h3>
      <div className="mt-1 flex flex-wrap items-end gap-3">
        <DateField id={`try-on-${line.batchId}`} label={WORDS.outOn} value={date} onValue={setDate} />
        <label className="field">
          <span className="label">{WORDS.under2}</span>
          <select
            className="input w-56"
            value={coverId ?? ''}
            onChange={(e) => setCoverId(e.target.value === '' ? null : Number(e.target.value))}
          >
            <option value="">{WORDS.noCover}</option>
            {view.covers.map((c) => (
              <option key={c.id} value={c.id}>
                {WORDS.safely(c.name, difference(c.safe_K))}
              </option>
            ))}
          </select>
        </label>
        {moved && day !== null && (
          <button
            type="button"
            className="btn solid"
            onClick={() =>
              onChange(
                {
                  ...(day !== line.transplantOn ? { transplantOn: date } : {}),
                  ...(coverId !== line.coverId ? { coverId } : {}),
                },
                `${line.name}: ${day !== line.transplantOn ? WORDS.plannedFor(shortDay(requireDay(date))) : WORDS.anotherCover}.`,
              )
            }
          >
            {WORDS.planItSo}
          </button>
        )}
      </div>
      <p className="mt-1 text-[0.92rem] text-ink2">
        {WORDS.firstDayAtTheRisk(
          line.outFromBy
            .map(
              (o) =>
                `${o.name.toLowerCase()} ${o.day === null ? WORDS.neverThisSpring : o.fromStart ? WORDS.atAnyTime : shortDay(o.day)}${o.sooner_days && !o.fromStart ? WORDS.earlier(counted(o.sooner_days, WORDS.day)) : ''}`,
            )
            .join(', '),
        )}
      </p>
      {moved && odds && (
        <p className="mt-1" aria-live="polite">
          {WORDS.soInTimeInOf(
            <b key="1">{percent(odds.inTime_frac)}</b>,
            line.inTime_frac === null ? '' : WORDS.now2(percent(line.inTime_frac)),
            <b key="2">{percent(odds.frost_frac)}</b>,
            line.frost_frac === null ? '' : WORDS.now3(percent(line.frost_frac)),
          )}
        </p>
      )}
    </div>
  );
}

/** Planting: how many, how far apart, under what, where. */
function PlantForm({ line, view, onLog }: Pick<Props, 'line' | 'view' | 'onLog'>) {
  const scale = view.lengthUnit === 'in' ? 2.54 : 1;
  const shown = (cm: number) => String(Math.round((10 * cm) / scale) / 10);
  const [count, setCount] = useState(String(line.plants));
  const [plant, setPlant] = useState(shown(line.spacing.plant_cm));
  const [row, setRow] = useState(shown(line.spacing.row_cm));
  const [coverId, setCoverId] = useState(line.coverId);
  const [bed, setBed] = useState('');
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState('');
  const figure = (text: string) => Number(text.replace(',', '.'));
  const against = line.verdict !== 'plant';
  const area = ground_m2(figure(count) || 0, {
    plant_cm: figure(plant) * scale || 0,
    row_cm: figure(row) * scale || 0,
  });
  const cover = view.covers.find((c) => c.id === coverId);
  const field = (label: string, value: string, set: (v: string) => void) => (
    <label className="field">
      <span className="label">{label}</span>
      <input className="input" inputMode="decimal" value={value} onChange={(e) => set(e.target.value)} />
    </label>
  );
  return (
    <form
      className="card self-start"
      data-typing
      onSubmit={(e) => {
        e.preventDefault();
        const n = figure(count);
        if (!Number.isInteger(n) || n < 1) return setProblem(WORDS.howManyWentOutA);
        if (against && reason.trim() === '') return setProblem(WORDS.aGateSpeaksAgainstIt);
        setProblem('');
        void onLog(
          {
            kind: 'planted-out',
            count: n,
            cause: against ? WORDS.ownDecision : '',
            note: reason.trim(),
            planting: { coverId, plant_cm: figure(plant) * scale, row_cm: figure(row) * scale, bed: bed.trim() },
          },
          WORDS.plantedOut(line.name, n),
        ).then((trouble) => trouble && setProblem(trouble));
      }}
    >
      <h3>{WORDS.plantedOutToday}</h3>
      <div className="mt-2 grid grid-cols-3 gap-2">
        {field(WORDS.plants, count, setCount)}
        {field(WORDS.apart(view.lengthUnit), plant, setPlant)}
        {field(WORDS.rows(view.lengthUnit), row, setRow)}
      </div>
      <p className="mt-1">
        {WORDS.ofGround(
          <span key="3" className="num text-xl">
            {areaOf(area)}
          </span>,
          cover ? WORDS.hasFree(cover.name, areaOf(cover.free_m2)) : '',
          cover && cover.free_m2 < area ? (
            <b key="4" className="text-brick">
              {WORDS.tooLittle}
            </b>
          ) : (
            ''
          ),
        )}
      </p>
      <div className="mt-2 grid grid-cols-2 gap-2">
        <label className="field">
          <span className="label">{WORDS.under2}</span>
          <select
            className="input"
            value={coverId ?? ''}
            onChange={(e) => setCoverId(e.target.value === '' ? null : Number(e.target.value))}
          >
            <option value="">{WORDS.noCover}</option>
            {view.covers.map((c) => (
              <option key={c.id} value={c.id}>
                {c.name}
              </option>
            ))}
          </select>
        </label>
        <label className="field">
          <span className="label">{WORDS.bedOrField}</span>
          <input className="input" value={bed} maxLength={80} onChange={(e) => setBed(e.target.value)} />
        </label>
      </div>
      {against && (
        <label className="field mt-2">
          <span className="label">{WORDS.whyAllTheSame}</span>
          <input className="input" value={reason} maxLength={400} onChange={(e) => setReason(e.target.value)} />
        </label>
      )}
      {problem && (
        <p role="alert" className="err mt-2 font-semibold text-brick">
          {problem}
        </p>
      )}
      <button type="submit" className={`btn mt-3 w-full ${against ? '' : 'solid'}`}>
        {WORDS.plantedOut2}
      </button>
    </form>
  );
}
