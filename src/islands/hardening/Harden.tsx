import { Empty } from '../../ui/kit/Empty.tsx';
import { useEffect, useRef, useState } from 'react';
import { readNow, useView, writeNow } from '../../ui/kit/data.ts';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { ladderAhead, type Decision } from '../../core/hardening/ladder.ts';
import type { BatchOdds } from '../../core/planting/odds.ts';
import type { HardenView, LadderView } from '../../contracts/hardening/hardenViews.ts';
import type { SpringsSent } from '../../contracts/planting/springs.ts';
import { startOdds, type OddsClient } from '../../workers/odds.client.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { counted, shortDay, spokenDay } from '../../ui/format.ts';
import type { LogLine } from '../../contracts/batch/batches.ts';
import { postLine } from '../../ui/logPost.ts';
import { sayLogged } from '../../ui/logged.ts';
import { ForecastAge, SkyCell } from '../weather/SkyRow.tsx';
import { LadderPanel } from './LadderPanel.tsx';
import { LadderRow, RowWords } from './LadderRow.tsx';
import { saidOf } from '../../words/en/codes.ts';
import { dayNow } from '../../ui/today.ts';
import { WORDS } from '../../words/en/hardening/harden.ts';

const DAYS = 10;
/** Columns of the grid: the batch, and the ten days. */
const GRID =
  'grid grid-cols-[126px_minmax(0,1fr)] min-[700px]:grid-cols-[190px_minmax(0,1fr)] min-[1000px]:grid-cols-[210px_minmax(0,1fr)]';
/** In the hand only the first five days are in sight. */
const PLOT = 'relative w-[200%] min-[700px]:w-full';

interface Trial {
  readonly batchId: number;
  readonly until: number;
  readonly decisions: readonly Decision[];
}

/** All ladders against the coming ten days: what each does today and why, drag or keys to hold one. */
export function Harden({ initial }: { readonly initial: HardenView }) {
  const { view, refresh: again } = useView<HardenView>('/api/hardening', initial);
  const [chosenId, setChosenId] = useState<number | null>(() => firstOf(initial)?.batchId ?? null);
  const [trial, setTrial] = useState<Trial | null>(null);
  const [odds, setOdds] = useState<BatchOdds | null>(null);
  const [said, setSaid] = useState('');
  const [busy, setBusy] = useState(false);
  const [ready, setReady] = useState(false);
  const client = useRef<Promise<OddsClient | null> | null>(null);
  const asked = useRef(0);
  useEffect(() => {
    setReady(true);
    return () => void client.current?.then((c) => c?.close());
  }, []);

  const { today, unit, ladders, forecast, coming } = view;
  const chosen = ladders.find((l) => l.batchId === chosenId) ?? null;
  const on = ladders.filter((l) => l.startsOn === null);
  const soon = ladders.filter((l) => l.startsOn !== null);

  function tryHold(ladder: LadderView, until: number | null): void {
    if (until === null) {
      setTrial(null);
      setOdds(null);
      return;
    }
    const days = coming.filter((d) => d.day >= (ladder.startsOn ?? today));
    const decisions = ladderAhead(ladder.rules, ladder.start, days, ladder.restsUntil, until);
    setTrial({ batchId: ladder.batchId, until, decisions });
    void foresee(ladder.batchId, until);
  }

  /** Odds with the hold, over the same springs as the server's. */
  async function foresee(batchId: number, until: number): Promise<void> {
    const n = ++asked.current;
    client.current ??= readNow<SpringsSent>('/api/planting/springs').then((answer) =>
      answer.kind === 'done' ? startOdds(answer.value) : null,
    );
    const c = await client.current;
    const task = c?.tasks.get(batchId);
    if (!c || !task || n !== asked.current) return;
    const [found] = await c.odds([{ ...task, hardenFrom: Math.max(task.hardenFrom, until) }]);
    if (n === asked.current) setOdds(found ?? null);
  }

  async function refresh(): Promise<void> {
    await again();
    client.current = null;
  }

  async function log(ladder: LadderView, line: Omit<LogLine, 'idempotencyKey' | 'day'>, words: string): Promise<void> {
    if (busy) return;
    setBusy(true);
    const answer = await postLine(
      ladder.batchId,
      { idempotencyKey: freshKey(), day: isoFromDay(dayNow(today)), ...line },
      { name: ladder.name },
    );
    setBusy(false);
    if (answer.kind === 'problem' || answer.kind === 'offline') return setSaid(trouble(answer));
    setSaid('');
    sayLogged(`${ladder.name}: ${words}`, ladder.batchId, isoFromDay(today), answer, refresh);
    setTrial(null);
    setOdds(null);
    if (answer.kind === 'done') await refresh();
  }
  const keep = (ladder: LadderView, until: number) =>
    log(
      ladder,
      { kind: 'held', cause: 'rung', count: Math.max(0, until - today) },
      until > today ? WORDS.heldUntil(shortDay(until)) : WORDS.goesOnAgain,
    );

  async function programme(ladder: LadderView, programmeId: number): Promise<void> {
    const answer = await writeNow('PATCH', `/api/batch/${ladder.batchId}`, { version: ladder.version, programmeId });
    setSaid(answer.kind === 'done' ? WORDS.goesByAnotherProgrammeNow(ladder.name) : trouble(answer));
    await refresh();
  }

  const panelOf = (ladder: LadderView) => (
    <LadderPanel
      key={ladder.batchId}
      ladder={ladder}
      today={today}
      unit={unit}
      programmes={view.programmes}
      trial={trial?.batchId === ladder.batchId ? trial : null}
      trialOdds={odds?.batchId === ladder.batchId ? odds : null}
      busy={busy}
      onTry={(until) => tryHold(ladder, until)}
      onKeep={(until) => void keep(ladder, until)}
      onLog={(line, words) => void log(ladder, line, words)}
      onProgramme={(id) => void programme(ladder, id)}
    />
  );

  const says = { go: 0, hold: 0, back: 0 };
  for (const l of on) if (l.say) says[l.say]++;
  const summary = [
    says.go && WORDS.go(says.go),
    says.hold && WORDS.hold(says.hold),
    says.back && WORDS.back(says.back),
  ].filter(Boolean);
  return (
    <div data-ready={ready}>
      <div className="flex flex-wrap items-baseline gap-x-5">
        <h1>{WORDS.harden}</h1>
        <p className="text-ink2">
          {on.length === 0
            ? WORDS.nothingIsBeingHardened
            : WORDS.today(counted(on.length, WORDS.batch, WORDS.batches), summary.join(', ') || WORDS.nothingKnown)}
          {soon.length > 0 && WORDS.withinTenDays(counted(soon.length, WORDS.more)).replace('mores', 'more')}
        </p>
      </div>
      <p role="status" aria-live="polite" className={said ? 'note-bar my-2' : 'sr-only'}>
        {said}
      </p>
      <ForecastAge forecast={forecast} />
      <div className="mt-3 grid grid-cols-1 gap-6 min-[1000px]:grid-cols-[minmax(0,1fr)_360px]">
        <div
          className="min-w-0 overflow-x-auto"
          tabIndex={0}
          role="region"
          aria-label={WORDS.laddersAgainstTheComingDays}
        >
          <div className="min-[700px]:min-w-[760px]">
            <div className={`${GRID} border-b-2 border-ink pb-1`}>
              <p className="self-end text-[0.88rem] font-semibold text-ink2 max-[700px]:invisible">
                {WORDS.dayAboveNightBelowOn}
              </p>
              <div className="overflow-hidden">
                <div className={`${PLOT} grid grid-cols-10`}>
                  {Array.from({ length: DAYS }, (_, i) => {
                    const day = forecast?.days.find((d) => d.day === today + i);
                    return day ? (
                      <SkyCell key={i} day={day} today={today} unit={unit} />
                    ) : (
                      <p key={i} className="text-[0.85rem] text-ink2">
                        {WORDS.notTold}
                      </p>
                    );
                  })}
                </div>
              </div>
            </div>
            {[...on, ...soon].map((ladder) => {
              const mine = trial?.batchId === ladder.batchId ? trial : null;
              return (
                <div key={ladder.batchId} className={`${GRID} border-b border-line`}>
                  <button
                    type="button"
                    className={`cursor-pointer py-1.5 pr-2 text-left leading-tight ${ladder.batchId === chosenId ? 'border-l-4 border-plum pl-2' : ''}`}
                    aria-pressed={ladder.batchId === chosenId}
                    onClick={() => setChosenId(ladder.batchId)}
                  >
                    <span className="num block text-[1.02rem]">
                      {ladder.trays} <span className="font-normal">{ladder.name}</span>
                    </span>
                    <span className="line-clamp-3 text-[0.85rem] text-ink2">{rowWords(ladder, today)}</span>
                  </button>
                  <div className="overflow-hidden">
                    <div className={PLOT}>
                      <LadderRow
                        ladder={ladder}
                        today={today}
                        days={DAYS}
                        chosen={ladder.batchId === chosenId}
                        decisions={mine?.decisions ?? null}
                        trialUntil={mine?.until ?? null}
                        onChoose={() => setChosenId(ladder.batchId)}
                        onTry={(until) => tryHold(ladder, until)}
                        onKeep={() => mine && void keep(ladder, mine.until)}
                      />
                      <RowWords ladder={ladder} today={today} days={DAYS} decisions={mine?.decisions ?? null} />
                    </div>
                  </div>
                  {ladder.batchId === chosenId && (
                    <div className="col-span-2 py-2 min-[1000px]:hidden">{panelOf(ladder)}</div>
                  )}
                </div>
              );
            })}
            {ladders.length === 0 && (
              <Empty drawing="bench">
                <p>
                  {WORDS.noBatchIsBeingHardened(
                    <a key="1" href="/plan/season">
                      {WORDS.season}
                    </a>,
                  )}
                </p>
              </Empty>
            )}
          </div>
          <p className="mt-2 text-[0.88rem] text-ink2">{WORDS.stairsClimbToHardenedDrag}</p>
        </div>
        <aside aria-label={WORDS.theBatchChosen}>
          {chosen && <div className="hidden min-[1000px]:block">{panelOf(chosen)}</div>}
          <Carry view={view} />
        </aside>
      </div>
    </div>
  );
}

/** The batch that needs a decision first: one set back, one that goes back, one that holds. */
function firstOf({ ladders }: HardenView): LadderView | null {
  const open = ladders.filter((l) => l.startsOn === null && !l.loggedToday);
  return (
    open.find((l) => l.setBackTo !== null) ??
    open.find((l) => l.say === 'back') ??
    open.find((l) => l.say === 'hold') ??
    open[0] ??
    ladders[0] ??
    null
  );
}

function rowWords(ladder: LadderView, today: number): string {
  if (ladder.startsOn !== null) return WORDS.begins(spokenDay(ladder.startsOn, today), ladder.programme.toLowerCase());
  if (ladder.hardened) return 'hardened';
  if (ladder.setBackTo !== null) return WORDS.setBackToStep(ladder.setBackTo);
  if (ladder.loggedToday) return WORDS.stepDoneForToday(ladder.rung);
  return ladder.say === 'go' ? ladder.today : `${saidOf(ladder.say ?? '')}: ${ladder.why}`;
}

/** What is carried today, by the hour. */
function Carry({ view }: { readonly view: HardenView }) {
  if (view.carry.length === 0) return null;
  const minutes = view.carry.reduce((sum, line) => sum + line.minutes, 0);
  return (
    <section className="mt-5">
      <h2>{WORDS.toCarryToday}</h2>
      <table className="plain-table mt-1">
        <thead>
          <tr>
            <th>{WORDS.hour}</th>
            <th className="r">{WORDS.trays}</th>
            <th>{WORDS.what}</th>
            <th className="r">{WORDS.min}</th>
          </tr>
        </thead>
        <tbody>
          {view.carry.map((line, i) => (
            <tr key={i}>
              <td className="to-tick num text-lg">{line.hour}:00</td>
              <td className="r num">{line.trays}</td>
              <td>
                {line.words}
                <span className="block text-[0.85rem] text-ink2">{line.names.join(', ')}</span>
              </td>
              <td className="r">{Math.round(line.minutes)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-[0.88rem] text-ink2">{WORDS.minutesInAllLiftWith(Math.round(minutes))}</p>
    </section>
  );
}
