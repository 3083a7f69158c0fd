import { DateField } from '../../ui/kit/DateField.tsx';
import { useEffect, useRef, useState } from 'react';
import { dayFromIso, isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { SessionLineInput, SessionView } from '../../contracts/potting/potting.ts';
import type { Problem } from '../../contracts/problem.ts';
import { ExplanationText } from '../../ui/ExplanationText.tsx';
import { trouble } from '../../ui/call.ts';
import { readNow, writeNow } from '../../ui/kit/data.ts';
import { Figure } from '../../ui/Figure.tsx';
import { counted, longDay } from '../../ui/format.ts';
import { useWaiting } from '../../ui/useWaiting.ts';
import { DoLine } from './DoLine.tsx';
import { PlanLine } from './PlanLine.tsx';
import { Room } from './Room.tsx';
import { SetOut } from './SetOut.tsx';
import { minutesWords } from '../../ui/minutes.ts';
import { rangeWords } from './words.ts';
import { WORDS } from '../../words/en/potting/session.ts';

interface Draft {
  readonly on: string;
  readonly people: readonly string[];
  readonly lines: readonly SessionLineInput[];
  readonly closed: boolean;
}

const draftOf = (view: SessionView): Draft => ({
  on: isoFromDay(view.on),
  people: view.people,
  closed: view.closed,
  lines: view.lines.map(({ batchId, containerId, plants, doubled, mixId, baseMixId, base_mm, placeId }) => ({
    batchId,
    containerId,
    plants,
    doubled,
    mixId,
    baseMixId,
    base_mm,
    placeId,
  })),
});

/** A potting session: planned until it fits, then done batch by batch. What is changed is kept and all the rest follows. */
export function Session({ initial, unit }: { readonly initial: SessionView; readonly unit: 'C' | 'F' }) {
  const [view, setView] = useState(initial);
  const [draft, setDraft] = useState(() => draftOf(initial));
  const started = initial.lines.some((l) => l.worked.state !== 'waiting' || l.outcome);
  // Begun as well where what was tapped is not sent yet.
  const kept = useWaiting().some(({ path }) => path.startsWith(`/api/potting/sessions/${initial.id}/`));
  const [chosen, setDoing] = useState<boolean | null>(null);
  const doing = chosen ?? (started || kept);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [said, setSaid] = useState('');
  const [saving, setSaving] = useState(false);
  const [hands, setHands] = useState('');
  const [unsaved, setUnsaved] = useState(false);
  const [ready, setReady] = useState(false);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const wanted = useRef<Draft | null>(null);
  const version = useRef(initial.version);
  useEffect(() => setReady(true), []);

  /** One save at a time; what was typed meanwhile goes with the next. */
  async function save(): Promise<void> {
    const sent = wanted.current;
    if (sent === null || saving) return;
    wanted.current = null;
    setSaving(true);
    const answer = await writeNow<SessionView>('PUT', `/api/potting/sessions/${view.id}`, {
      version: version.current,
      ...sent,
    });
    setSaving(false);
    if (answer.kind === 'done') {
      take(answer.value);
      setProblem(null);
      setUnsaved(false);
      setSaid('');
      if (wanted.current === null) setDraft(draftOf(answer.value));
    } else {
      if (answer.kind === 'problem') setProblem(answer.problem);
      setSaid(trouble(answer));
      setUnsaved(answer.kind === 'offline');
    }
  }
  function take(next: SessionView): void {
    version.current = next.version;
    setView(next);
  }
  useEffect(() => {
    if (!saving && wanted.current !== null) void save();
  });
  function change(next: Partial<Draft>): void {
    const draftNow = { ...(wanted.current ?? draft), ...next };
    setDraft(draftNow);
    if (timer.current) clearTimeout(timer.current);
    timer.current = setTimeout(() => {
      wanted.current = draftNow;
      void save();
    }, 350);
  }
  const changeLine = (batchId: number, next: Partial<SessionLineInput>) =>
    change({ lines: draft.lines.map((l) => (l.batchId === batchId ? { ...l, ...next } : l)) });

  async function add(batchId: number): Promise<void> {
    const made = await readNow<SessionView>(`/api/potting/sessions/${view.id}?with=${batchId}`);
    const line = made.kind === 'done' ? draftOf(made.value).lines.find((l) => l.batchId === batchId) : undefined;
    if (line) change({ lines: [...draft.lines, line] });
    else if (made.kind !== 'done') setSaid(trouble(made));
  }

  const done = view.lines.filter((l) => l.outcome).length;
  const typedOf = (batchId: number) => draft.lines.find((l) => l.batchId === batchId);
  const shown = view.lines.filter((l) => typedOf(l.batchId));
  const errorAt = (batchId: number, field: string) => {
    const i = draft.lines.findIndex((l) => l.batchId === batchId);
    return problem?.errors?.find((e) => e.path === `lines.${i}.${field}`)?.message;
  };
  const finish_min = view.lines.filter((l) => !l.outcome).reduce((sum, l) => sum + (l.planned?.minutes.usual ?? 0), 0);

  return (
    <div data-ready={ready} data-saving={saving} data-typing>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1>{WORDS.pottingSession}</h1>
        <p className="text-ink2">{longDay(view.on)}</p>
        {view.on < view.today && !view.closed && done < view.lines.length && (
          <span className="tag bad">{WORDS.leftOpenGoOnOr}</span>
        )}
        <span className="no-print ml-auto flex gap-2">
          <button type="button" className="btn" aria-pressed={!doing} onClick={() => setDoing(false)}>
            {WORDS.planIt}
          </button>
          <button type="button" className="btn" aria-pressed={doing} onClick={() => setDoing(true)}>
            {WORDS.doIt}
          </button>
          <button type="button" className="btn max-[700px]:hidden" onClick={() => print()}>
            {WORDS.print}
          </button>
        </span>
      </div>
      <p role="status" aria-live="polite" className={said ? 'note-bar bad my-2' : 'sr-only'}>
        {said}{' '}
        {unsaved && (
          <button type="button" className="link-btn" onClick={() => change({})}>
            {WORDS.saveAgain}
          </button>
        )}
        {problem?.status === 409 && (
          <>
            <button
              type="button"
              className="link-btn"
              onClick={() => {
                version.current = (problem.current as SessionView).version;
                wanted.current = draft;
                setProblem(null);
                void save();
              }}
            >
              {WORDS.saveMineOverIt}
            </button>{' '}
            <button
              type="button"
              className="link-btn"
              onClick={() => {
                take(problem.current as SessionView);
                setDraft(draftOf(problem.current as SessionView));
                setProblem(null);
                setSaid('');
              }}
            >
              {WORDS.takeTheirs}
            </button>
          </>
        )}
      </p>
      <dl className="my-3 flex flex-wrap items-end gap-x-8 gap-y-3">
        <Figure value={view.plants.toLocaleString('en-GB')} words={WORDS.plantsToSet} size="text-5xl" />
        <Figure value={minutesWords(view.minutes.usual)} words={rangeWords(view.minutes)} size="text-5xl" />
        <Figure value={String(view.labels)} words={view.labels === 1 ? WORDS.trayOut : WORDS.traysOut} />
        <Figure value={String(view.trips)} words={WORDS.tripsOfIt(minutesWords(view.carry_min))} />
        {doing && (
          <Figure value={WORDS.doneOf(done, view.lines.length)} words={WORDS.doneToGo(minutesWords(finish_min))} />
        )}
      </dl>
      <details className="no-print mb-2">
        <summary className="link-btn">{WORDS.whyTheseFigures}</summary>
        <ExplanationText explanation={view.explanation.minutes} unit={unit} />
        <ExplanationText explanation={view.explanation.order} unit={unit} />
        <ExplanationText explanation={view.explanation.litres} unit={unit} />
      </details>
      {!doing && (
        <div className="no-print mb-3 flex flex-wrap items-end gap-3">
          <DateField
            id="session-day"
            label={WORDS.day}
            value={draft.on}
            onValue={(on) => dayFromIso(on) !== null && change({ on })}
          />
          <fieldset className="field">
            <legend className="label">{WORDS.hands}</legend>
            <div className="flex flex-wrap items-center gap-2">
              {draft.people.map((who) => (
                <span key={who} className="tag flex items-center gap-1">
                  {who}
                  {draft.people.length > 1 && (
                    <button
                      type="button"
                      className="link-btn"
                      aria-label={WORDS.without(who)}
                      onClick={() => change({ people: draft.people.filter((p) => p !== who) })}
                    >
                      ×
                    </button>
                  )}
                </span>
              ))}
              <form
                className="flex gap-1"
                onSubmit={(e) => {
                  e.preventDefault();
                  const who = hands.trim();
                  if (who && !draft.people.includes(who)) change({ people: [...draft.people, who] });
                  setHands('');
                }}
              >
                <input
                  className="input w-40"
                  aria-label={WORDS.oneMorePairOfHands}
                  placeholder={WORDS.whoElse}
                  maxLength={40}
                  value={hands}
                  onChange={(e) => setHands(e.target.value)}
                />
                <button type="submit" className="btn">
                  {WORDS.add}
                </button>
              </form>
            </div>
          </fieldset>
        </div>
      )}
      <div className="grid grid-cols-1 gap-6 min-[1100px]:grid-cols-[minmax(0,1fr)_400px]">
        <section aria-label={WORDS.orderOfWork}>
          <h2 className="border-b-2 border-ink pb-1">{WORDS.inThisOrder}</h2>
          <ol>
            {shown.map((line, i) =>
              doing ? (
                <DoLine
                  key={line.batchId}
                  n={i + 1}
                  line={line}
                  container={view.choices.containers.find((c) => c.id === line.containerId)!}
                  sessionId={view.id}
                  today={view.today}
                  people={view.people.length}
                  rest_days={view.rest_days}
                  onView={(next, words) => {
                    take(next);
                    setDraft(draftOf(next));
                    setSaid(words);
                  }}
                />
              ) : (
                <PlanLine
                  key={line.batchId}
                  n={i + 1}
                  line={line}
                  typed={typedOf(line.batchId)!}
                  choices={view.choices}
                  errorAt={(field) => errorAt(line.batchId, field)}
                  onChange={(next) => changeLine(line.batchId, next)}
                  onOut={() => change({ lines: draft.lines.filter((l) => l.batchId !== line.batchId) })}
                />
              ),
            )}
          </ol>
          {shown.length === 0 && <p className="mt-2">{WORDS.nothingInItYetAdd}</p>}
          {!doing && (
            <label className="no-print field mt-3 max-w-md">
              <span className="label">{WORDS.addABatch}</span>
              <select
                className="input"
                value=""
                onChange={(e) => e.target.value !== '' && void add(Number(e.target.value))}
              >
                <option value="">{WORDS.choose}</option>
                {view.choices.batches
                  .filter((b) => !draft.lines.some((l) => l.batchId === b.id))
                  .map((b) => (
                    <option key={b.id} value={b.id}>
                      {b.name}
                    </option>
                  ))}
              </select>
            </label>
          )}
          {doing && (
            <button
              type="button"
              className={`btn no-print mt-4 ${done === view.lines.length && !view.closed ? 'solid' : ''}`}
              onClick={() => change({ closed: !view.closed })}
            >
              {view.closed
                ? WORDS.openItAgain
                : WORDS.closeTheSession(
                    done < view.lines.length
                      ? WORDS.notDone(counted(view.lines.length - done, WORDS.batch, WORDS.batches))
                      : '',
                  )}
            </button>
          )}
        </section>
        <aside className="flex flex-col gap-6" aria-label={WORDS.whatItTakes}>
          <SetOut view={view} />
          <Room
            room={view.room}
            today={view.today}
            onPlace={(batchId, placeId) => changeLine(batchId, { placeId })}
            onDay={(on) => change({ on: isoFromDay(on) })}
            alone={view.lines.length === 1}
          />
        </aside>
      </div>
    </div>
  );
}
