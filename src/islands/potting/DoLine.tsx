import { useEffect, useRef, useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { Container } from '../../core/books/container.ts';
import { traysFor } from '../../core/batch/trays.ts';
import type { SessionLineView, SessionView } from '../../contracts/potting/potting.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { doOrKeep } from '../../ui/logPost.ts';
import { drawnAt_ms, dayNow } from '../../ui/today.ts';
import { useWaiting } from '../../ui/useWaiting.ts';
import { workedSince, type Mark, type Worked } from '../../core/potting/timer.ts';
import { counted, shortDay } from '../../ui/format.ts';
import { minutesWords } from '../../ui/minutes.ts';
import { CULLS } from './words.ts';
import { WORDS } from '../../words/en/potting/doLine.ts';

interface Props {
  readonly n: number;
  readonly line: SessionLineView;
  readonly container: Container;
  readonly sessionId: number;
  readonly today: number;
  readonly people: number;
  readonly rest_days: number;
  readonly onView: (view: SessionView, words: string) => void;
}

/** One batch at the bench: start, pause, done, and what it came to in taps. */
export function DoLine(props: Props) {
  const { n, line, container, sessionId, today, people, rest_days, onView } = props;
  const { outcome } = line;
  const waiting = useWaiting().filter(({ refused, body }) => refused === null && batchOf(body) === line.batchId);
  const marks = waiting
    .filter(({ path }) => path === `/api/potting/sessions/${sessionId}/marks`)
    .map(({ body, at_ms }): Mark => ({ kind: (body as unknown as Mark).kind, at_ms }));
  const written = waiting.find(({ path }) => path === `/api/potting/sessions/${sessionId}/outcomes`);
  const [open, setOpen] = useState(false);
  const [message, setMessage] = useState('');
  const [busy, setBusy] = useState(false);
  /** When this view came; the first was drawn with the page. */
  const [read, setRead] = useState<{ readonly worked: Worked; readonly at_ms: number } | null>(null);
  const [, tick] = useState(0);
  useEffect(() => {
    setRead((before) => ({ worked: line.worked, at_ms: before === null ? drawnAt_ms() : Date.now() }));
  }, [line.worked]);
  const worked = read === null ? line.worked : workedSince(read.worked, read.at_ms, marks, Date.now());
  const running = worked.state === 'running';
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => tick((t) => t + 1), 1000);
    return () => clearInterval(timer);
  }, [running]);
  const { minutes } = worked;

  async function mark(kind: 'start' | 'pause' | 'done'): Promise<void> {
    if (busy) return;
    setBusy(true);
    const answer = await doOrKeep<SessionView>({
      path: `/api/potting/sessions/${sessionId}/marks`,
      body: { idempotencyKey: freshKey(), batchId: line.batchId, kind },
      words: WORDS.timerOf(line.name),
      batchId: line.batchId,
    });
    setBusy(false);
    if (answer.kind === 'done') onView(answer.value, '');
    else if (answer.kind !== 'kept') setMessage(trouble(answer));
    if (kind === 'done') setOpen(true);
  }

  return (
    <li className="to-tick border-b border-line py-3">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <span className="num w-8 text-2xl" aria-hidden="true">
          {n}
        </span>
        <div className="min-w-[220px] flex-1">
          <p className="font-semibold">
            {line.name} <span className="num text-ink2">{line.code}</span>
          </p>
          <p className="text-ink2">
            {outcome
              ? doneWords(outcome)
              : WORDS.into(line.plants, container.name, counted(traysFor(line.plants, container), WORDS.tray))}
            {line.toPlace && ` → ${line.toPlace}`}
          </p>
          {!outcome && line.photo && (
            <p className="text-[0.92rem] text-ink2">
              {WORDS.byPhoto(shortDay(line.photo.on), line.photo.doubled, line.photo.empty)}
            </p>
          )}
          {written && <p className="font-semibold">{WORDS.keptHere(pottedIn(written.body))}</p>}
          {outcome && (
            <p className="text-[0.92rem] text-ink2">{WORDS.waterInWellRestUntil(shortDay(outcome.day + rest_days))}</p>
          )}
        </div>
        {!outcome && worked.state !== 'waiting' && (
          <span className="num text-2xl" role="timer" aria-label={WORDS.timeOn(line.name)}>
            {minutes < 1 ? `${Math.floor(minutes * 60)} s` : minutesWords(minutes)}
          </span>
        )}
        <div className="no-print flex gap-2 max-[700px]:w-full max-[700px]:[&>button]:flex-1">
          {!outcome && !written && worked.state !== 'done' && (
            <button
              type="button"
              className={`btn min-h-14 min-w-28 ${running ? '' : 'solid'}`}
              disabled={busy}
              onClick={() => void mark(running ? 'pause' : 'start')}
              aria-label={`${running ? WORDS.pause : WORDS.start} ${line.name}`}
            >
              {running ? WORDS.pause : worked.state === 'paused' ? WORDS.goOn : WORDS.start}
            </button>
          )}
          {!outcome && !written && (
            <button
              type="button"
              className={`btn min-h-14 min-w-28 ${running || worked.state === 'done' ? 'solid' : ''}`}
              disabled={busy}
              aria-expanded={open}
              onClick={() =>
                worked.state === 'running' || worked.state === 'paused' ? void mark('done') : setOpen(!open)
              }
              aria-label={WORDS.done(line.name)}
            >
              {WORDS.done2}
            </button>
          )}
          {outcome && (
            <button type="button" className="btn" aria-expanded={open} onClick={() => setOpen(!open)}>
              {WORDS.correct}
            </button>
          )}
        </div>
      </div>
      {worked.forgotten && !outcome && (
        <p className="note-bar bad mt-2">{WORDS.theTimerRanWithoutA(minutesWords(worked.longest_min))}</p>
      )}
      {message && (
        <p role="alert" className="err mt-1">
          {message}
        </p>
      )}
      {open && !written && (
        <OutcomePad
          line={{ ...line, worked }}
          sessionId={sessionId}
          today={today}
          people={people}
          onView={(view, words) => {
            setOpen(false);
            onView(view, words);
          }}
        />
      )}
    </li>
  );
}

const batchOf = (body: object): unknown => (body as { readonly batchId?: unknown }).batchId;
const pottedIn = (body: object): number => (body as { readonly potted: number }).potted;

function doneWords(o: NonNullable<SessionLineView['outcome']>): string {
  const culled = Object.entries(o.culled)
    .filter(([, count]) => count > 0)
    .map(([cause, count]) => `${count} ${cause}`);
  return [
    WORDS.potted(o.potted),
    o.doubled > 0 ? WORDS.ofThemFromDoubles(o.doubled) : '',
    ...culled,
    o.leftOver > 0 ? WORDS.leftOver(o.leftOver) : '',
    o.minutes !== null ? minutesWords(o.minutes) : '',
    o.corrected ? 'corrected' : '',
  ]
    .filter(Boolean)
    .join(', ');
}

const total = (culled: Readonly<Record<string, number>>): number =>
  Object.values(culled).reduce((sum, n) => sum + n, 0);

type PadProps = Pick<Props, 'line' | 'sessionId' | 'today' | 'people' | 'onView'>;

/** What a potting came to: potted, from doubles, thrown out by cause, left over. Typed once, written once. */
function OutcomePad({ line, sessionId, today, people, onView }: PadProps) {
  const was = line.outcome;
  const [potted, setPotted] = useState(was?.potted ?? line.plants);
  const [doubled, setDoubled] = useState(was?.doubled ?? line.doubled);
  const [culled, setCulled] = useState<Readonly<Record<string, number>>>(was?.culled ?? {});
  const thrown = total(culled);
  const there = was ? was.potted - was.doubled + total(was.culled) + was.leftOver : line.there;
  const rest = Math.max(0, there + doubled - potted - thrown);
  const [keepRest, setKeepRest] = useState(false);
  const timed = line.worked.forgotten ? null : Math.round(line.worked.minutes * 10) / 10;
  const [minutes, setMinutes] = useState(
    was?.minutes != null ? String(was.minutes) : timed && timed >= 0.1 ? String(timed) : '',
  );
  const [message, setMessage] = useState('');
  const [busy, setBusy] = useState(false);
  const key = useRef(freshKey());

  async function write(): Promise<void> {
    if (busy) return;
    setBusy(true);
    const figure = Number(minutes.replace(',', '.'));
    const answer = await doOrKeep<{ session: SessionView; repeated: boolean }>({
      path: `/api/potting/sessions/${sessionId}/outcomes`,
      body: {
        idempotencyKey: key.current,
        batchId: line.batchId,
        day: isoFromDay(was?.day ?? dayNow(today)),
        potted,
        doubled,
        culled,
        leftOver: rest,
        keepRest,
        minutes: minutes.trim() === '' ? null : figure,
        people,
        correctsId: was?.eventId ?? null,
      },
      words: WORDS.pottedOf(line.name, potted),
      batchId: line.batchId,
    });
    setBusy(false);
    if (answer.kind === 'done') onView(answer.value.session, WORDS.pottedWritten(line.name, potted));
    else if (answer.kind !== 'kept') {
      if (answer.kind === 'problem') key.current = freshKey();
      setMessage(trouble(answer));
    }
  }

  return (
    <div className="card mt-3" aria-label={WORDS.whatCameTo(line.name)} role="group">
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        <Stepper label={WORDS.potted2} value={potted} by={[-10, -1, 1, 10]} onValue={setPotted} large />
        <Stepper label={WORDS.fromDoubles} value={doubled} by={[-1, 1]} onValue={setDoubled} />
        {CULLS.map((cause) => (
          <Stepper
            key={cause}
            label={cause}
            value={culled[cause] ?? 0}
            by={[-1, 1]}
            onValue={(n) => setCulled({ ...culled, [cause]: n })}
          />
        ))}
      </div>
      <div className="mt-3 flex flex-wrap items-end gap-4">
        <label className="field">
          <span className="label">{WORDS.minutes(people > 1 ? WORDS.together(people) : '')}</span>
          <input
            className="input w-24"
            inputMode="decimal"
            value={minutes}
            onChange={(e) => setMinutes(e.target.value)}
          />
        </label>
        <p className="text-ink2">
          {WORDS.leftOver2(
            <span key="1" className="num text-xl text-ink">
              {rest}
            </span>,
          )}
        </p>
        {rest > 0 && !was && (
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-plum"
              checked={keepRest}
              onChange={(e) => setKeepRest(e.target.checked)}
            />
            {WORDS.keepThemAsABatch}
          </label>
        )}
        <button
          type="button"
          className="btn solid ml-auto min-h-14 min-w-52"
          disabled={busy}
          onClick={() => void write()}
        >
          {was ? WORDS.writeTheCorrection : WORDS.writeIt}
        </button>
      </div>
      {message && (
        <p role="alert" className="err mt-2">
          {message}
        </p>
      )}
    </div>
  );
}

interface StepperProps {
  readonly label: string;
  readonly value: number;
  readonly by: readonly number[];
  readonly onValue: (n: number) => void;
  readonly large?: boolean;
}

function Stepper({ label, value, by, onValue, large = false }: StepperProps) {
  const button = (step: number) => (
    <button
      key={step}
      type="button"
      className="btn min-h-12 min-w-12"
      aria-label={`${label} ${step > 0 ? '+' : '−'}${Math.abs(step)}`}
      onClick={() => onValue(Math.max(0, value + step))}
    >
      {step > 0 ? `+${step}` : `−${-step}`}
    </button>
  );
  return (
    <div role="group" aria-label={label}>
      <p className="label first-letter:uppercase">{label}</p>
      <div className="flex items-center gap-1">
        {by.filter((s) => s < 0).map(button)}
        <input
          className={`input text-center ${large ? 'num w-24 text-2xl' : 'num w-16 text-xl'}`}
          inputMode="numeric"
          aria-label={label}
          value={value}
          onChange={(e) => onValue(Math.max(0, Number(e.target.value.replace(/\D/g, '')) || 0))}
        />
        {by.filter((s) => s > 0).map(button)}
      </div>
    </div>
  );
}
