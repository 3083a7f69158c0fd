import { later } from '../../ui/kit/later.tsx';
import { Empty } from '../../ui/kit/Empty.tsx';
import { ChevronDown } from 'lucide-react';
import { Suspense, useEffect, useRef, useState } from 'react';
import { useView } from '../../ui/kit/data.ts';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { RoundJob, RoundPlace, RoundView } from '../../contracts/house/roundView.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { counted, dayNight, spokenDay } from '../../ui/format.ts';
import type { LogLine } from '../../contracts/batch/batches.ts';
import { dropWaiting } from '../../device/waiting.ts';
import { postLine } from '../../ui/logPost.ts';
import { dayNow } from '../../ui/today.ts';
import { useWaiting } from '../../ui/useWaiting.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import { WORDS } from '../../words/en/house/round.ts';

const readPanel = () => import('./JobPanel.tsx');
const JobPanel = later(() => readPanel().then((m) => m.JobPanel));
/** After the page is drawn, and before anybody walks out of the network, the panel is there as well. */
const SOON_ms = 1_000;

/** A job that was logged in this sitting, so that it can be undone. */
interface Done {
  readonly job: RoundJob;
  readonly placeId: number | null;
  readonly said: string;
  readonly eventId: number;
}

/** Today's work, place by place in walking order: one tap logs it, the panel changes number or date first. */
export function Round({ initial, search }: { readonly initial: RoundView; readonly search: string }) {
  const { view, refresh } = useView<RoundView>(`/api/house/round${search}`, initial);
  const [open, setOpen] = useState<string | null>(null);
  const [done, setDone] = useState<readonly Done[]>([]);
  const [message, setMessage] = useState('');
  const [busy, setBusy] = useState<string | null>(null);
  const sending = useRef(new Set<string>());
  useEffect(() => {
    const timer = setTimeout(() => void readPanel(), SOON_ms);
    return () => clearTimeout(timer);
  }, []);

  async function log(job: RoundJob, line: Omit<LogLine, 'idempotencyKey'>, said: string): Promise<string | null> {
    // A second tap while the first is on its way is not a second line.
    if (sending.current.has(job.key)) return null;
    sending.current.add(job.key);
    setBusy(job.key);
    const answer = await postLine(
      job.batchId,
      { idempotencyKey: freshKey(), ...line },
      { name: job.name, job: job.key },
    );
    sending.current.delete(job.key);
    setBusy(null);
    if (answer.kind === 'problem' || answer.kind === 'offline') {
      setMessage(trouble(answer));
      return trouble(answer);
    }
    setOpen(null);
    setMessage(`${job.name}: ${said}.`);
    // What is kept is drawn from what waits.
    if (answer.kind === 'kept') return null;
    setDone((list) => [...list, { job, placeId: job.placeId, said, eventId: answer.value.eventId }]);
    await refresh();
    return null;
  }

  async function undo(item: Done): Promise<void> {
    const line = {
      kind: 'withdrawn' as const,
      day: isoFromDay(dayNow(view.today)),
      correctsId: item.eventId,
      note: WORDS.undoneOnTheRound,
    };
    const answer = await postLine(item.job.batchId, {
      idempotencyKey: freshKey(),
      ...line,
    });
    if (answer.kind !== 'done') {
      setMessage(answer.kind === 'kept' ? WORDS.undoIsKeptOnThis : trouble(answer));
      return;
    }
    setDone((list) => list.filter((d) => d !== item));
    setMessage(WORDS.undone(item.job.name));
    await refresh();
  }

  // What waits on this device is done, though the application does not know yet: on this page, or on one that was closed since.
  const waiting = useWaiting().filter(({ job, refused }) => job !== null && refused === null);
  const kept = new Map(waiting.map((entry) => [entry.job!, entry]));
  const jobs = view.places.flatMap((place) => place.jobs).filter((job) => !kept.has(job.key));
  const late = jobs.filter((job) => job.late_days > 0).length;
  const opened = jobs.find((job) => job.key === open) ?? null;

  return (
    <div className="grid grid-cols-1 gap-6 min-[1000px]:grid-cols-[minmax(0,1fr)_430px]">
      <div>
        <div className="flex flex-wrap items-baseline gap-x-4">
          <h1>{WORDS.todaysRound}</h1>
          <p className="text-ink2">
            {jobs.length === 0 ? WORDS.nothingDue : counted(jobs.length, WORDS.job)}
            {late > 0 && WORDS.late(late)}
          </p>
          <button type="button" className="link-btn no-print ml-auto max-[700px]:hidden" onClick={() => window.print()}>
            {WORDS.print}
          </button>
        </div>
        <p role="status" aria-live="polite" className={message ? 'note-bar my-2' : 'sr-only'}>
          {message}
        </p>
        {view.places
          .map((place) => ({
            ...place,
            jobs: place.jobs.filter((job) => !kept.has(job.key)),
            kept: place.jobs.flatMap((job) => (kept.has(job.key) ? [{ job, entry: kept.get(job.key)! }] : [])),
          }))
          .filter(
            (place) =>
              place.jobs.length > 0 ||
              place.kept.length > 0 ||
              place.orders.length > 0 ||
              done.some((d) => d.placeId === place.id),
          )
          .map((place) => (
            <section key={place.id} aria-label={place.name}>
              <PlaceHead place={place} unit={view.unit} />
              <ul>
                {place.jobs.map((job) => (
                  <JobLine
                    key={job.key}
                    job={job}
                    today={view.today}
                    busy={busy === job.key}
                    open={open === job.key}
                    onOpen={() => setOpen(open === job.key ? null : job.key)}
                    onLog={(line, said) => void log(job, line, said)}
                  >
                    {open === job.key && (
                      <div className="mt-3 min-[1000px]:hidden">
                        <Suspense fallback={null}>
                          <JobPanel
                            key={`narrow ${job.key}`}
                            job={job}
                            today={view.today}
                            onLog={(l, s) => log(job, l, s)}
                          />
                        </Suspense>
                      </div>
                    )}
                  </JobLine>
                ))}
                {place.kept.map(({ job, entry }) => (
                  <DoneLine
                    key={entry.key}
                    job={job}
                    said={WORDS.keptHere}
                    onUndo={() => void dropWaiting(entry.key)}
                  />
                ))}
                {done
                  .filter((d) => d.placeId === place.id)
                  .map((d, i) => (
                    <DoneLine key={`${d.job.key} ${i}`} job={d.job} said={d.said} onUndo={() => void undo(d)} />
                  ))}
              </ul>
            </section>
          ))}
        {jobs.length === 0 && done.length === 0 && kept.size === 0 && (
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
          {opened ? (
            <Suspense fallback={null}>
              <JobPanel
                key={`wide ${opened.key}`}
                job={opened}
                today={view.today}
                onLog={(l, s) => log(opened, l, s)}
              />
            </Suspense>
          ) : (
            <Hint jobs={jobs} ahead={view.ahead} today={view.today} />
          )}
        </div>
      </aside>
    </div>
  );
}

function PlaceHead({ place, unit }: { readonly place: RoundPlace; readonly unit: 'C' | 'F' }) {
  return (
    <div className="mt-5 flex flex-wrap items-end gap-x-3 border-b-2 border-ink pb-1">
      <h2>{place.name}</h2>
      {place.id > 0 && (
        <>
          <svg width="10" height="20" aria-hidden="true">
            <rect width="10" height="20" fill={temperatureColour((place.day_C + place.night_C) / 2)} />
          </svg>
          <span className="num text-lg">{dayNight(place.day_C, place.night_C, unit)}</span>
          <span
            className={`ml-auto text-[0.92rem] ${place.used_slots > place.room_trays ? 'font-bold text-brick' : 'text-ink2'}`}
          >
            {WORDS.ofTraySpaces(
              place.used_slots > place.room_trays && WORDS.overRoom,
              place.used_slots,
              place.room_trays,
            )}
          </span>
        </>
      )}
      {place.orders.map((order) => (
        <p key={order} className="w-full text-[0.95rem] text-ink">
          {order.charAt(0).toUpperCase() + order.slice(1)}
        </p>
      ))}
    </div>
  );
}

/** A job that is done, struck out, with the way back. */
function DoneLine(props: { readonly job: RoundJob; readonly said: string; readonly onUndo: () => void }) {
  const { job, said, onUndo } = props;
  return (
    <li className="flex items-center gap-4 border-b border-line py-2 text-ink3">
      <span className="num w-14 text-right text-xl">{job.trays}</span>
      <span className="flex-1">
        <s>
          {job.words}: {job.name}
        </s>{' '}
        <span className="font-semibold">{said}</span>
      </span>
      <button type="button" className="btn no-print" onClick={onUndo}>
        {WORDS.undo}
      </button>
    </li>
  );
}

interface LineProps {
  readonly job: RoundJob;
  readonly today: number;
  readonly busy: boolean;
  readonly open: boolean;
  readonly onOpen: () => void;
  readonly onLog: (line: Omit<LogLine, 'idempotencyKey'>, said: string) => void;
  readonly children: React.ReactNode;
}

/** What the button logs as the number: a day kept back is one day. */
const countOf = (job: RoundJob): number | null => (job.eventKind === 'held' ? 1 : job.count);

function JobLine({ job, today, busy, open, onOpen, onLog, children }: LineProps) {
  const day = isoFromDay(dayNow(today));
  const why = job.whyDay === null ? job.why : job.why.replaceAll('{day}', spokenDay(job.whyDay, today));
  const tap = () => onLog({ kind: job.eventKind, day, count: countOf(job), cause: job.cause }, job.tap.toLowerCase());
  return (
    <li className="to-tick border-b border-line py-2.5">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <div className="w-14 text-right leading-none">
          {job.trays > 0 ? (
            <>
              <div className="num text-2xl">{job.trays}</div>
              <div className="text-[0.8rem] text-ink2">{job.trays === 1 ? WORDS.tray : WORDS.trays}</div>
            </>
          ) : (
            <div className="text-[0.8rem] text-ink2">{WORDS.seed}</div>
          )}
        </div>
        <div className="min-w-[200px] flex-1">
          <p className="leading-snug">
            <button
              type="button"
              className="num inline-flex min-h-11 cursor-pointer items-center gap-1 text-left text-[1.08rem] hover:underline"
              aria-expanded={open}
              onClick={onOpen}
            >
              {job.words}: {job.name}
              <ChevronDown size={16} aria-hidden="true" className={`shrink-0 ${open ? 'rotate-180' : ''}`} />
            </button>{' '}
            {job.late_days > 0 && <span className="tag bad">{WORDS.late2(counted(job.late_days, WORDS.day2))}</span>}
          </p>
          <p className="text-[0.95rem] text-ink2">
            {why}
            {job.toPlace && WORDS.to(job.toPlace)} · <a href={`/batch/${job.batchId}`}>{job.code}</a>
          </p>
        </div>
        <div className="no-print flex gap-2 max-[700px]:w-full max-[700px]:[&>button]:flex-1">
          {job.kind === 'look' ? (
            <>
              <button
                type="button"
                className="btn solid"
                disabled={busy}
                onClick={onOpen}
                aria-label={WORDS.count(job.name)}
              >
                {WORDS.count2}
              </button>
              <button
                type="button"
                className="btn"
                disabled={busy}
                aria-label={`${job.count ? WORDS.noMoreUp : WORDS.noneYet}: ${job.name}`}
                onClick={() =>
                  onLog({ kind: 'counted', day, count: job.count ?? 0 }, job.count ? WORDS.noMoreUp2 : WORDS.noneUpYet)
                }
              >
                {job.count ? WORDS.noMore : WORDS.noneYet}
              </button>
            </>
          ) : (
            <>
              <button
                type="button"
                className="btn solid"
                disabled={busy}
                onClick={tap}
                aria-label={`${job.tap}: ${job.name}`}
              >
                {job.tap}
              </button>
              <button
                type="button"
                className="btn"
                disabled={busy}
                aria-label={WORDS.notToday(job.words, job.name)}
                onClick={() => onLog({ kind: 'held', day, cause: job.kind }, WORDS.putOffToTomorrow)}
              >
                {WORDS.notToday2}
              </button>
            </>
          )}
        </div>
      </div>
      {children}
    </li>
  );
}

function Hint({ jobs, ahead, today }: { readonly jobs: readonly RoundJob[] } & Pick<RoundView, 'ahead' | 'today'>) {
  const trays = jobs.reduce((sum, job) => sum + job.trays, 0);
  const most = Math.max(1, ...ahead.map((day) => day.trays));
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
            <th>{WORDS.trays2}</th>
          </tr>
        </thead>
        <tbody>
          {ahead.map((day) => (
            <tr key={day.day}>
              <td className="w-28 text-ink">{spokenDay(day.day, today)}</td>
              <td className="r w-16">{counted(day.jobs, WORDS.job)}</td>
              <td>
                <span className="flex items-center gap-2">
                  <svg width="120" height="10" aria-hidden="true">
                    <rect width={(120 * day.trays) / most} height="10" rx="1" className="fill-ink3" />
                  </svg>
                  {counted(day.trays, WORDS.tray)}
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
