import { useDrag } from '@use-gesture/react';
import { Suspense, useEffect, useMemo, useState } from 'react';
import type { HalfOfDay } from '../../core/house/houseJob.ts';
import type { RoundDone, RoundJob, RoundPlace, RoundView } from '../../contracts/house/roundView.ts';
import { dropWaiting } from '../../device/waiting.ts';
import { counted, shortDay, spokenDay } from '../../ui/format.ts';
import { useView } from '../../ui/kit/data.ts';
import { Empty } from '../../ui/kit/Empty.tsx';
import { later } from '../../ui/kit/later.tsx';
import { useLive } from '../../ui/kit/useLive.ts';
import { minutesWords } from '../../ui/minutes.ts';
import { useWaiting } from '../../ui/useWaiting.ts';
import { WORDS } from '../../words/en/house/round.ts';
import { planRound, waterWork } from './chooseJobs.ts';
import { RoundJobLine } from './RoundJobLine.tsx';
import { RoundPlaceCard } from './RoundPlaceCard.tsx';
import { useRoundSettings } from './roundSettings.ts';
import type { PlaceWater } from '../../contracts/watering/water.ts';
import { WaterCard } from '../watering/WaterCard.tsx';
import { RoundTime } from './RoundTime.tsx';
import { titleOf, useRoundLog } from './useRoundLog.ts';

const readPanel = () => import('./JobPanel.tsx');
const JobPanel = later(() => readPanel().then((m) => m.JobPanel));
/** After the page is drawn, and before anybody walks out of the network, the panel is there as well. */
const SOON_ms = 1_000;
/** From this hour on the evening's half is walked. Common practice, no source. */
const EVENING_min = 15 * 60;
/** A clock that ran longer was forgotten, and one that ran shorter was no work. */
const TIMED_min = { least: 0.2, most: 480 } as const;

/** Today's work, place by place in walking order: one tap logs it, the panel changes number or date first. */
export function Round({ initial, search }: { readonly initial: RoundView; readonly search: string }) {
  const { view, refresh } = useView<RoundView>(`/api/house/round${search}`, initial);
  const [settings, change] = useRoundSettings(view.today);
  const [open, setOpen] = useState<string | null>(null);
  const [at, setAt] = useState<number | null>(null);
  useLive('/api/house/live', () => void refresh());
  useEffect(() => {
    const timer = setTimeout(() => void readPanel(), SOON_ms);
    return () => clearTimeout(timer);
  }, []);

  function timed(job: RoundJob): number | null {
    const { timing } = settings;
    if (timing?.key !== job.key || job.kind === 'pot') return null;
    change({ timing: null });
    const minutes = (Date.now() - timing.at_ms) / 60_000;
    return minutes >= TIMED_min.least && minutes <= TIMED_min.most ? Math.round(minutes * 10) / 10 : null;
  }
  const { done, message, busy, away, log, undo, give } = useRoundLog(view.today, timed, refresh);
  const onLog: typeof log = async (job, line, said) => {
    const wrong = await log(job, line, said);
    // Another that was opened meanwhile stays open.
    if (wrong === null) setOpen((now) => (now === job.key ? null : now));
    return wrong;
  };

  // What waits on this device is done, though the application does not know yet: on this page, or on one that was closed since.
  const waiting = useWaiting().filter(({ job, refused }) => job !== null && refused === null);
  const kept = new Map(waiting.map((entry) => [entry.job!, entry]));
  const half: HalfOfDay = settings.half ?? (view.minute >= EVENING_min ? 'evening' : 'morning');
  const inHalf = (job: RoundJob) => job.half === null || job.half === half;
  const doneKeys = [...kept.keys(), ...away].join(' ');
  const open_jobs = useMemo(() => {
    const done = new Set(doneKeys.split(' '));
    return view.places.flatMap((place) => place.jobs).filter((job) => !done.has(job.key));
  }, [view, doneKeys]);
  const jobs = useMemo(() => open_jobs.filter((job) => job.half === null || job.half === half), [open_jobs, half]);
  const { minutes, here } = settings;
  const water = useMemo(
    () => waterWork(view.places.filter((place) => watersNow(place.water, half))),
    [view.places, half],
  );
  const plan = useMemo(() => planRound(view, [...jobs, ...water], minutes, here), [view, jobs, water, minutes, here]);
  const left = new Set(plan.left);
  // As the strip on every page counts them: of both halves of the day.
  const late = open_jobs.filter((job) => job.late_days > 0).length;
  const counting = open_jobs.filter(({ kind }) => kind !== 'heat-look').length;
  const opened = jobs.find((job) => job.key === open) ?? null;
  /** With little time only water that was chosen is given. */
  const watersToday = ({ water }: RoundPlace): boolean =>
    watersNow(water, half) && (minutes === null || (water!.work !== null && !left.has(water!.work.key)));
  const walk = view.places
    .map((place) => ({
      place,
      jobs: place.jobs.filter((job) => !kept.has(job.key) && !away.has(job.key) && inHalf(job) && !left.has(job.key)),
      // What has just gone out is told as done, not as kept as well.
      kept: place.jobs.flatMap((job) =>
        kept.has(job.key) && !done.some((one) => one.job.key === job.key) ? [{ job, entry: kept.get(job.key)! }] : [],
      ),
      done: done.filter(({ job }) => job.placeId === place.id),
    }))
    .filter(
      ({ place, ...of }) =>
        of.jobs.length > 0 ||
        of.kept.length > 0 ||
        of.done.length > 0 ||
        (settings.minutes === null && place.orders.some((order) => order.half === half)) ||
        watersToday(place),
    );
  // On a phone: the place in hand, at first the first with work.
  const first = Math.max(
    0,
    walk.findIndex((one) => one.jobs.length > 0),
  );
  const shown = Math.min(at ?? first, Math.max(0, walk.length - 1));
  const go = (by: number) => {
    setAt(Math.min(walk.length - 1, Math.max(0, shown + by)));
    window.scrollTo({ top: 0 });
  };
  const swipe = useDrag(
    ({ swipe: [x] }) => {
      if (x !== 0 && settings.onePlace) go(-x);
    },
    { axis: 'x', pointer: { touch: true } },
  );
  const person = (id: number | null | undefined) => view.people.find((one) => one.id === id) ?? null;
  const panel = (job: RoundJob, where: string) => (
    <Suspense fallback={null}>
      <JobPanel
        key={`${where} ${job.key}`}
        job={job}
        today={view.today}
        people={view.people}
        timing={settings.timing?.key === job.key ? settings.timing.at_ms : null}
        onTime={(at_ms) => change({ timing: at_ms === null ? null : { key: job.key, at_ms } })}
        onGive={(id, name) => void give(job, id, name)}
        onLog={(line, said) => onLog(job, line, said)}
      />
    </Suspense>
  );

  return (
    <div className="grid grid-cols-1 gap-6 min-[1000px]:grid-cols-[minmax(0,1fr)_430px]">
      <div>
        <div className="flex flex-wrap items-baseline gap-x-4">
          <h1>{WORDS.todaysRound}</h1>
          <p className="text-ink2">
            <span className="min-[380.1px]:hidden">{WORDS.dayAnd(shortDay(view.today))}</span>
            {counting > 0 ? counted(counting, WORDS.job) : water.length > 0 ? WORDS.onlyWater : WORDS.nothingDue}
            {late > 0 && WORDS.late(late)}
          </p>
          <span className="no-print ml-auto flex gap-4 max-[700px]:hidden">
            <a href="/house/scan">{WORDS.scan}</a>
            <a href="/house/jobs">{WORDS.jobsOfTheHouse}</a>
            <a href="/house/walk">{WORDS.walkingOrder}</a>
            <a href="/house/paper">{WORDS.printOnPaper}</a>
          </span>
        </div>
        {jobs.length + water.length > 0 && (
          <RoundTime
            view={view}
            settings={settings}
            half={half}
            plan={plan}
            jobs={jobs}
            water={water}
            onChange={change}
          />
        )}
        <p role="status" aria-live="polite" className={message ? 'note-bar my-2' : 'sr-only'}>
          {message}
        </p>
        <div {...swipe()} className="touch-pan-y">
          {walk.map(({ place, ...of }, i) => (
            <RoundPlaceCard
              key={place.id}
              place={place}
              unit={view.unit}
              half={half}
              nth={i + 1}
              of={walk.length}
              aside={settings.onePlace && i !== shown}
            >
              <ul>
                {of.jobs.map((job) => (
                  <RoundJobLine
                    key={job.key}
                    job={job}
                    today={view.today}
                    busy={busy === job.key}
                    open={open === job.key}
                    choosing={settings.minutes !== null}
                    timing={settings.timing?.key === job.key}
                    person={person(plan.personOf.get(job.key)) ?? person(job.holder)}
                    onOpen={() => setOpen(open === job.key ? null : job.key)}
                    onLog={(line, said) => void onLog(job, line, said)}
                  >
                    {open === job.key && <div className="mt-3 min-[1000px]:hidden">{panel(job, 'narrow')}</div>}
                  </RoundJobLine>
                ))}
                {of.kept.map(({ job, entry }) => (
                  <DoneLine
                    key={entry.key}
                    job={job}
                    said={WORDS.keptHere}
                    onUndo={() => void dropWaiting(entry.key)}
                  />
                ))}
                {of.done.map((item, n) => (
                  <DoneLine
                    key={`${item.job.key} ${n}`}
                    job={item.job}
                    said={item.said}
                    onUndo={() => void undo(item)}
                  />
                ))}
              </ul>
              {watersToday(place) && (
                <WaterCard
                  place={place}
                  water={place.water!}
                  today={view.today}
                  minute={view.minute}
                  refresh={refresh}
                />
              )}
            </RoundPlaceCard>
          ))}
        </div>
        {walk.length > 1 && (
          <nav className="no-print mt-4 flex gap-2 min-[700px]:hidden" aria-label={WORDS.placesOfTheWalk}>
            {settings.onePlace ? (
              <>
                <button type="button" className="btn min-h-12 flex-1" disabled={shown === 0} onClick={() => go(-1)}>
                  {WORDS.placeBefore}
                </button>
                <button
                  type="button"
                  className="btn min-h-12 flex-1"
                  disabled={shown >= walk.length - 1}
                  onClick={() => go(1)}
                >
                  {walk[shown + 1] ? WORDS.nextPlaceIs(walk[shown + 1]!.place.name) : WORDS.nextPlace}
                </button>
              </>
            ) : null}
            <button
              type="button"
              className="btn min-h-12"
              aria-pressed={!settings.onePlace}
              onClick={() => change({ onePlace: !settings.onePlace })}
            >
              {WORDS.allPlaces}
            </button>
          </nav>
        )}
        <DoneToday done={view.done} people={view.people} />
        <p className="no-print mt-4 flex flex-wrap gap-x-5 min-[700px]:hidden [&>a]:inline-flex [&>a]:min-h-12 [&>a]:items-center">
          <a href="/house/jobs">{WORDS.jobsOfTheHouse}</a>
          <a href="/house/walk">{WORDS.walkingOrder}</a>
          <a href="/house/paper">{WORDS.printOnPaper}</a>
        </p>
        {open_jobs.length + water.length === 0 && done.length === 0 && kept.size === 0 && (
          <Empty drawing="tray">
            <h2>{WORDS.nothingWaitsToday}</h2>
            <p className="mt-1">
              {WORDS.workComesFromTheBatches(
                <a key="1" href="/batch/new">
                  {WORDS.makeABatch}
                </a>,
                <a key="2" href="/plan/season">
                  {WORDS.season}
                </a>,
              )}
            </p>
          </Empty>
        )}
      </div>
      <aside className="hidden min-[1000px]:block" aria-label={WORDS.theJobInHand}>
        <div className="sticky top-4">
          {opened ? panel(opened, 'wide') : <Hint jobs={jobs} ahead={view.ahead} today={view.today} />}
        </div>
      </aside>
    </div>
  );
}

/** Water is seen to in the morning; later in the day only what would go dry, or may. */
const watersNow = (water: PlaceWater | null, half: HalfOfDay): boolean =>
  water !== null &&
  water.trays.some(({ want, again }) => half === 'morning' || want === 'now' || want === 'look' || again !== null);

/** What was done today, from whatever device, folded away. */
function DoneToday({ done, people }: Pick<RoundView, 'done' | 'people'>) {
  if (done.length === 0) return null;
  const who = ({ by }: RoundDone) => people.find(({ id }) => id === by);
  return (
    <details className="no-print mt-5 max-w-3xl">
      <summary className="link-btn inline-flex min-h-12 items-center">{WORDS.doneToday(done.length)}</summary>
      <ul>
        {done.map((one) => (
          <li key={one.key} className="border-b border-line py-1.5 text-ink2">
            {one.words}
            {who(one) && WORDS.by(who(one)!.initials)}
          </li>
        ))}
      </ul>
    </details>
  );
}

/** A job that is done, struck out, with the way back. */
function DoneLine(props: { readonly job: RoundJob; readonly said: string; readonly onUndo: () => void }) {
  const { job, said, onUndo } = props;
  return (
    <li className="flex items-center gap-4 border-b border-line py-2 text-ink3">
      <span className="num w-14 text-right text-xl">{job.trays > 0 ? job.trays : ''}</span>
      <span className="flex-1">
        <s>{titleOf(job)}</s> <span className="font-semibold">{said}</span>
      </span>
      <button type="button" className="btn no-print min-h-12" onClick={onUndo}>
        {WORDS.undo}
      </button>
    </li>
  );
}

function Hint({ jobs, ahead, today }: { readonly jobs: readonly RoundJob[] } & Pick<RoundView, 'ahead' | 'today'>) {
  const trays = jobs.reduce((sum, job) => sum + job.trays, 0);
  const most = Math.max(1, ...ahead.map((day) => day.minutes));
  return (
    <div className="card text-ink2">
      <p>
        {WORDS.traysToTouchToday(
          <span key="3" className="num text-3xl text-ink">
            {trays}
          </span>,
        )}
      </p>
      <p className="mt-2">{WORDS.thePlumButtonLogsA}</p>
      <h2 className="mt-5 text-ink">{WORDS.theWeekAhead}</h2>
      <table className="plain-table mt-1">
        <thead className="sr-only">
          <tr>
            <th>{WORDS.day}</th>
            <th>{WORDS.jobs}</th>
            <th>{WORDS.traysAndTime}</th>
          </tr>
        </thead>
        <tbody>
          {ahead.map((day) => (
            <tr key={day.day}>
              <td className="w-26 text-ink">{spokenDay(day.day, today)}</td>
              <td className="r w-16">{counted(day.jobs, WORDS.job)}</td>
              <td>
                <span className="flex items-center gap-2">
                  <svg width="40" height="10" className="shrink-0" aria-hidden="true">
                    <rect width={(40 * day.minutes) / most} height="10" rx="1" className="fill-ink3" />
                  </svg>
                  {WORDS.traysInTime(counted(day.trays, WORDS.tray), minutesWords(day.minutes))}
                  {day.water_min >= 1 && WORDS.ofItWater(minutesWords(day.water_min))}
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-4 text-[0.92rem]">{WORDS.waterAndElectricityLiftLeads}</p>
    </div>
  );
}
