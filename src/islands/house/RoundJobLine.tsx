import { Camera, ChevronDown, Timer } from 'lucide-react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { RoundJob } from '../../contracts/house/roundView.ts';
import type { Person } from '../../core/house/people.ts';
import { counted, spokenDay } from '../../ui/format.ts';
import { minutesWords } from '../../ui/minutes.ts';
import { PersonMark } from '../../ui/PersonMark.tsx';
import { dayNow } from '../../ui/today.ts';
import { WORDS } from '../../words/en/house/round.ts';
import { titleOf, type JobLine } from './useRoundLog.ts';

interface Props {
  readonly job: RoundJob;
  readonly today: number;
  readonly busy: boolean;
  readonly open: boolean;
  readonly timing: boolean;
  /** A part of the round is chosen: what each job costs is wanted in sight. */
  readonly choosing: boolean;
  /** Whose share it is, or who has it; null: nobody's. */
  readonly person: Person | null;
  readonly onOpen: () => void;
  readonly onLog: (line: JobLine, said: string) => void;
  readonly children: React.ReactNode;
}

/** What the button logs as the number: a day kept back is one day. */
const countOf = (job: RoundJob): number | null => (job.eventKind === 'held' ? 1 : job.count);

/** Nothing wrong was found. */
const ALL_RIGHT = { readsRight: true, inCell: true, leadsDry: true } as const;

/** A job of the round: how many trays, what, why, what leaving it costs, and one tap to do it. */
export function RoundJobLine({ job, today, busy, open, timing, choosing, person, onOpen, onLog, children }: Props) {
  const day = isoFromDay(dayNow(today));
  const why = job.whyDay === null ? job.why : job.why.replaceAll('{day}', spokenDay(job.whyDay, today));
  const title = titleOf(job);
  const tap = () =>
    job.kind === 'heat-look'
      ? onLog({ kind: 'done', day, look: ALL_RIGHT }, WORDS.allRight)
      : job.eventKind === null
        ? onLog({ kind: 'done', day }, WORDS.done)
        : onLog({ kind: job.eventKind, day, count: countOf(job), cause: job.cause }, job.tap.toLowerCase());
  return (
    <li className="to-tick border-b border-line py-2.5 max-[700px]:pt-1 max-[700px]:pb-2" data-job={job.key}>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 max-[700px]:gap-x-3 max-[700px]:gap-y-1">
        <div className="w-14 max-[700px]:w-11 text-right leading-none">
          {job.trays > 0 ? (
            <>
              <div className="num text-2xl">{job.trays}</div>
              <div className="text-[0.8rem] text-ink2">{job.trays === 1 ? WORDS.tray : WORDS.trays}</div>
            </>
          ) : (
            <div className="text-[0.8rem] text-ink2">{job.batchId === null ? WORDS.house : WORDS.seed}</div>
          )}
        </div>
        <div className="min-w-[200px] flex-1">
          <p className="leading-snug">
            <button
              type="button"
              className="num inline-flex min-h-12 cursor-pointer items-center gap-1 text-left text-[1.08rem] hover:underline"
              aria-expanded={open}
              onClick={onOpen}
            >
              {title}
              <ChevronDown size={16} aria-hidden="true" className={`shrink-0 ${open ? 'rotate-180' : ''}`} />
            </button>
          </p>
          <p className={`text-[0.95rem] text-ink2 ${open ? '' : 'max-[700px]:line-clamp-1'}`}>
            {job.late_days > 0 && (
              <span className="tag bad mr-1.5">{WORDS.late2(counted(job.late_days, WORDS.day2))}</span>
            )}
            {person && (
              <span
                className="mr-1.5 inline-flex items-center gap-1 rounded-[2px] border border-current px-1 text-[0.82rem] font-semibold"
                title={WORDS.hasThisJob(person.name)}
              >
                <PersonMark mark={person.mark} size={11} />
                {person.initials}
                <span className="sr-only">{WORDS.hasThisJob(person.name)}</span>
              </span>
            )}
            {timing && (
              <span className="mr-1.5 inline-flex items-center gap-1 rounded-[2px] border border-current px-1 text-[0.82rem] font-semibold">
                <Timer size={12} aria-hidden="true" />
                {WORDS.clockRuns}
              </span>
            )}
            {why}
            {job.toPlace && WORDS.to(job.toPlace)}
            {job.code !== '' && (
              <>
                {' · '}
                <a href={`/batch/${job.batchId}`}>{job.code}</a>
              </>
            )}
          </p>
          <p className={`text-[0.88rem] text-ink2 ${open || choosing ? '' : 'max-[700px]:hidden'}`}>
            {WORDS.minutesAndCost(minutesWords(job.minutes), job.leavingWords)}
          </p>
        </div>
        <div className="no-print flex gap-2 max-[700px]:w-full max-[700px]:[&>.btn]:flex-1 max-[700px]:[&>.btn]:min-h-12">
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
              <a
                className="btn !flex-none gap-1.5 no-underline"
                href={`/germination/count/${job.code}?photo=1`}
                aria-label={WORDS.countByPhoto(job.name)}
              >
                <Camera size={20} aria-hidden="true" />
                <span className="max-[700px]:sr-only">{WORDS.photo}</span>
              </a>
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
                aria-label={`${job.tap}: ${job.name || job.words}`}
              >
                {job.tap}
              </button>
              {job.kind === 'heat-look' ? (
                <button type="button" className="btn" onClick={onOpen} aria-label={WORDS.somethingWrongAt(job.name)}>
                  {WORDS.somethingWrong}
                </button>
              ) : (
                <button
                  type="button"
                  className="btn"
                  disabled={busy}
                  aria-label={WORDS.notToday(job.words, job.name)}
                  onClick={() => onLog({ kind: 'held', day, cause: job.kind }, WORDS.putOffToTomorrow)}
                >
                  {WORDS.notToday2}
                </button>
              )}
            </>
          )}
        </div>
      </div>
      {children}
    </li>
  );
}
