import { DateField } from '../../ui/kit/DateField.tsx';
import { useId, useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { dayNow } from '../../ui/today.ts';
import type { HeatLook } from '../../core/house/roundLine.ts';
import type { Person } from '../../core/house/people.ts';
import type { RoundJob } from '../../contracts/house/roundView.ts';
import { counted } from '../../ui/format.ts';
import { minutesWords } from '../../ui/minutes.ts';
import { TakePhoto } from '../../ui/photo/TakePhoto.tsx';
import { PersonMark } from '../../ui/PersonMark.tsx';
import { titleOf, type JobLine } from './useRoundLog.ts';
import { WORDS } from '../../words/en/house/jobPanel.ts';

interface Props {
  readonly job: RoundJob;
  readonly today: number;
  readonly people: readonly Person[];
  /** Since when this device's clock runs for it; null: it does not. */
  readonly timing: number | null;
  readonly onTime: (at_ms: number | null) => void;
  readonly onGive: (personId: number | null, name: string) => void;
  /** Logs and answers null, or what was wrong. */
  readonly onLog: (line: JobLine, said: string) => Promise<string | null>;
}

const LOOKS = ['readsRight', 'inCell', 'leadsDry'] as const;

/** The job in hand: number large enough to read at arm's length, the day, a note, and what the number means. */
export function JobPanel({ job, today, people, timing, onTime, onGive, onLog }: Props) {
  const id = useId();
  const [count, setCount] = useState(job.count ?? 0);
  const [day, setDay] = useState(isoFromDay(dayNow(today)));
  const [note, setNote] = useState('');
  const [wrong, setWrong] = useState('');
  const [look, setLook] = useState<HeatLook>({ readsRight: null, inCell: null, leadsDry: null });
  const looking = job.kind === 'look';
  const counting = job.count !== null && job.kind !== 'rung';
  const half = looking && job.expected_count !== null && count >= job.expected_count / 2;

  async function save(kind: JobLine['kind'], said: string): Promise<void> {
    if (job.eventKind === null) {
      const seen = job.kind === 'heat-look' ? { look } : {};
      setWrong((await onLog({ kind: 'done', day, note, ...seen }, said)) ?? '');
      return;
    }
    const line = {
      kind,
      day,
      count: job.eventKind === 'held' ? 1 : job.kind === 'rung' ? job.count : counting ? count : null,
      note,
      ...(kind === job.eventKind ? { cause: job.cause } : {}),
    };
    setWrong((await onLog(line, said)) ?? '');
  }

  const clamp = (n: number) => Math.min(Math.max(0, n), job.max_count ?? 1_000_000);
  return (
    <div className="card" data-typing>
      <h2>{titleOf(job)}</h2>
      {job.code !== '' && (
        <p className="text-ink2">
          {WORDS.code(counted(job.trays, WORDS.tray), job.code, job.toPlace && WORDS.to(job.toPlace))}
        </p>
      )}
      <p className="text-[0.92rem] text-ink2">{WORDS.minutesBy(minutesWords(job.minutes), job.minutesWords)}</p>
      {job.kind === 'heat-look' && <LookLines look={look} onLook={setLook} zoneId={job.key.split('/')[1]!} />}
      {counting && (
        <>
          <div className="mt-4 grid grid-cols-[76px_1fr_76px] items-center gap-2 text-center">
            <button
              type="button"
              className="btn h-19 text-3xl"
              aria-label={WORDS.oneFewer}
              onClick={() => setCount(clamp(count - 1))}
            >
              −
            </button>
            <div>
              <input
                aria-label={WORDS.number(job.countWord)}
                className="num w-full bg-transparent text-center text-6xl"
                inputMode="numeric"
                value={count}
                onChange={(e) => setCount(Number(e.target.value.replace(/\D/g, '').slice(0, 7)))}
              />
              <p className="text-ink2">
                {job.countWord}
                {job.sown_count !== null && looking && WORDS.of(job.sown_count)}
              </p>
            </div>
            <button
              type="button"
              className="btn h-19 text-3xl"
              aria-label={WORDS.oneMore}
              onClick={() => setCount(clamp(count + 1))}
            >
              +
            </button>
          </div>
          <div className="mt-3 grid grid-cols-3 gap-2">
            <button type="button" className="btn" onClick={() => setCount(clamp(count + 5))}>
              +5
            </button>
            <button type="button" className="btn" onClick={() => setCount(clamp(count + 25))}>
              +25
            </button>
            <button
              type="button"
              className="btn"
              onClick={() => setCount(clamp(looking ? (job.expected_count ?? count) : (job.count ?? count)))}
            >
              {looking ? WORDS.allExpected : WORDS.asPlanned}
            </button>
          </div>
        </>
      )}
      {looking && job.expected_count !== null && (
        <p className="note-bar mt-4">
          {half ? (
            <>{WORDS.ofAboutExpectedSaveThen(<strong key="1">{WORDS.halfAreUp}</strong>, count, job.expected_count)}</>
          ) : (
            <>
              {WORDS.aboutOfAreExpectedIn(
                <strong key="2">{WORDS.halfUpAt(Math.ceil(job.expected_count / 2))}</strong>,
                job.expected_count,
                job.sown_count,
              )}
            </>
          )}
        </p>
      )}
      <div className="mt-4 grid grid-cols-2 gap-3">
        <DateField
          id={`${id}day`}
          label={WORDS.dayItWasDone}
          max={isoFromDay(dayNow(today))}
          value={day}
          onValue={setDay}
        />
        <div className="field">
          <label htmlFor={`${id}note`}>{WORDS.note}</label>
          <input
            id={`${id}note`}
            className="input"
            value={note}
            maxLength={2000}
            onChange={(e) => setNote(e.target.value)}
          />
        </div>
      </div>
      {wrong && (
        <p role="alert" className="note-bar bad mt-3">
          {wrong}
        </p>
      )}
      <div className="mt-4 grid grid-cols-1 gap-2">
        {looking ? (
          <button
            type="button"
            className="btn solid min-h-12"
            onClick={() =>
              void save(half ? 'emerged' : 'counted', half ? WORDS.halfUpCounted(count) : WORDS.counted(count))
            }
          >
            {half ? WORDS.saveHalfUpWith(count) : WORDS.saveUp(count)}
          </button>
        ) : (
          <button
            type="button"
            className="btn solid min-h-12"
            onClick={() => void save(job.eventKind ?? 'done', WORDS.logged)}
          >
            {job.eventKind === null ? WORDS.saveDone : WORDS.log(job.words.toLowerCase())}
          </button>
        )}
      </div>
      {job.batchId !== null && (
        <div className="mt-4">
          <TakePhoto of={{ batchId: job.batchId }} name={job.name} today={today} cameraOnly />
        </div>
      )}
      <div className="mt-4 flex flex-wrap items-center gap-2 border-t border-line pt-3">
        {job.kind !== 'pot' && (
          <button
            type="button"
            className="btn min-h-12"
            aria-pressed={timing !== null}
            onClick={() => onTime(timing === null ? Date.now() : null)}
          >
            {timing === null ? WORDS.startTheClock : WORDS.stopTheClock}
          </button>
        )}
        {people.length > 0 && (
          <div role="group" aria-label={WORDS.whoHasThisJob} className="flex flex-wrap gap-2">
            {people.map((person) => (
              <button
                key={person.id}
                type="button"
                className="btn min-h-12 gap-1.5"
                aria-pressed={job.holder === person.id}
                aria-label={job.holder === person.id ? WORDS.letsItGo(person.name) : WORDS.takesIt(person.name)}
                onClick={() => onGive(job.holder === person.id ? null : person.id, person.name)}
              >
                <PersonMark mark={person.mark} size={12} />
                {person.initials}
              </button>
            ))}
          </div>
        )}
      </div>
    </div>
  );
}

/** Three things to look at where a place is heated; what is wrong says what to do first. */
function LookLines(props: {
  readonly look: HeatLook;
  readonly onLook: (look: HeatLook) => void;
  readonly zoneId: string;
}) {
  const { look, onLook, zoneId } = props;
  return (
    <div className="mt-3">
      {LOOKS.map((key) => (
        <div key={key} className="border-b border-line py-2">
          <div className="flex flex-wrap items-center gap-2">
            <p className="min-w-[180px] flex-1">{WORDS.looks[key]}</p>
            <div role="group" aria-label={WORDS.looks[key]} className="flex gap-2">
              {([true, false] as const).map((yes) => (
                <button
                  key={String(yes)}
                  type="button"
                  className="btn min-h-12"
                  aria-pressed={look[key] === yes}
                  onClick={() => onLook({ ...look, [key]: yes })}
                >
                  {yes ? WORDS.yes : WORDS.no}
                </button>
              ))}
            </div>
          </div>
          {look[key] === false && <p className="note-bar bad mt-2">{WORDS.doFirst[key]}</p>}
        </div>
      ))}
      <p className="mt-2">
        <a href={`/heat?zone=${zoneId}`}>{WORDS.openTheHeat}</a>
      </p>
    </div>
  );
}
