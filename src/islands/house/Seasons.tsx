import { useEffect, useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { SeasonView } from '../../contracts/house/seasons.ts';
import type { Problem } from '../../contracts/problem.ts';
import { fieldError, trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { Field } from '../../ui/Field.tsx';
import { counted, shortDay } from '../../ui/format.ts';
import { WORDS } from '../../words/en/house/seasons.ts';

interface Props {
  readonly seasons: readonly SeasonView[];
  readonly today: number;
  readonly current: number | null;
}

/** Seasons of the house: made, named, closed and opened again. */
export function Seasons({ seasons, today, current }: Props) {
  const [message, setMessage] = useState('');
  const [asked, setAsked] = useState<{ readonly id: number; readonly words: string } | null>(null);
  const [editing, setEditing] = useState<number | 'new' | null>(null);
  const [busy, setBusy] = useState(false);
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);

  async function post(path: string, body: unknown, season: SeasonView | null): Promise<void> {
    if (busy) return;
    setBusy(true);
    const answer = await writeNow('POST', path, body);
    setBusy(false);
    if (answer.kind === 'done') {
      setAsked(null);
      return setMessage('');
    }
    // Plants still standing are a question, not a refusal: what is to become of them?
    if (season && answer.kind === 'problem' && answer.problem.title === 'Plants are still standing')
      return setAsked({ id: season.id, words: answer.problem.detail });
    setMessage(trouble(answer));
  }

  return (
    <div data-ready={ready}>
      <p role="status" aria-live="polite" className={message ? 'note-bar bad my-2' : 'sr-only'}>
        {message}
      </p>
      <ul className="mt-3 grid grid-cols-1 gap-3">
        {seasons.map((season) => (
          <li key={season.id} className="card" aria-label={WORDS.season(season.name)}>
            <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
              <h2>{season.name}</h2>
              <span className="text-ink2">{WORDS.to(shortDay(season.firstDay, 0), shortDay(season.lastDay, 0))}</span>
              <span className="num">{counted(season.batches_count, WORDS.batch, WORDS.batches)}</span>
              <span className="font-semibold">{stateOf(season, current, today)}</span>
            </div>
            <div className="mt-2 flex flex-wrap gap-2">
              {season.closedAt_ms === null ? (
                <>
                  <button
                    type="button"
                    className="btn"
                    disabled={busy}
                    onClick={() =>
                      void post(`/api/house/seasons/${season.id}/close`, { version: season.version }, season)
                    }
                  >
                    {WORDS.closeIt}
                  </button>
                  <button
                    type="button"
                    className="btn"
                    aria-expanded={editing === season.id}
                    onClick={() => setEditing(editing === season.id ? null : season.id)}
                  >
                    {WORDS.nameAndDays}
                  </button>
                </>
              ) : (
                <>
                  <a className="btn" href={`/house/seasons/${season.id}`}>
                    {WORDS.itsBatches}
                  </a>
                  <button
                    type="button"
                    className="btn"
                    disabled={busy}
                    onClick={() =>
                      void post(`/api/house/seasons/${season.id}/reopen`, { version: season.version }, null)
                    }
                  >
                    {WORDS.openItAgain}
                  </button>
                </>
              )}
            </div>
            {asked?.id === season.id && (
              <div role="alert" className="note-bar mt-3">
                <p>{asked.words}</p>
                <div className="mt-2 flex flex-wrap gap-2">
                  <button
                    type="button"
                    className="btn solid"
                    disabled={busy}
                    onClick={() =>
                      void post(
                        `/api/house/seasons/${season.id}/close`,
                        { version: season.version, standing: 'carry-over' },
                        null,
                      )
                    }
                  >
                    {WORDS.closeItAndCarryThem}
                  </button>
                  <button type="button" className="btn" onClick={() => setAsked(null)}>
                    {WORDS.leaveItOpen}
                  </button>
                </div>
              </div>
            )}
            {editing === season.id && <SeasonForm season={season} />}
          </li>
        ))}
      </ul>
      <div className="mt-4">
        <button
          type="button"
          className="btn"
          aria-expanded={editing === 'new'}
          onClick={() => setEditing(editing === 'new' ? null : 'new')}
        >
          {WORDS.addASeason}
        </button>
        {editing === 'new' && (
          <div className="card mt-3">
            <p className="mb-2 max-w-[70ch] text-ink2">{WORDS.forAutumnSowingsSayBatches}</p>
            <SeasonForm season={null} />
          </div>
        )}
      </div>
    </div>
  );
}

function stateOf(season: SeasonView, current: number | null, today: number): string {
  if (season.closedAt_ms !== null) return 'closed';
  const standing = season.open_count > 0 ? WORDS.toSowOrStanding(season.open_count) : '';
  if (season.id === current) return WORDS.openTheCurrentOne(standing);
  if (season.lastDay < today && season.open_count === 0) return 'over: all its plants are gone; close it';
  return WORDS.open(standing);
}

function SeasonForm({ season }: { readonly season: SeasonView | null }) {
  const [name, setName] = useState(season?.name ?? '');
  const [firstDay, setFirstDay] = useState(season ? isoFromDay(season.firstDay) : '');
  const [lastDay, setLastDay] = useState(season ? isoFromDay(season.lastDay) : '');
  const [problem, setProblem] = useState<Problem | null>(null);
  const [message, setMessage] = useState('');
  const id = season?.id ?? 'new';

  async function save(): Promise<void> {
    const body = { name, firstDay, lastDay };
    const answer = season
      ? await writeNow('PATCH', `/api/house/seasons/${season.id}`, { version: season.version, ...body })
      : await writeNow('POST', '/api/house/seasons', body);
    if (answer.kind === 'done') return location.reload();
    setProblem(answer.kind === 'problem' ? answer.problem : null);
    setMessage(trouble(answer));
  }

  return (
    <form
      noValidate
      data-typing
      className="mt-3 grid grid-cols-1 gap-3 min-[700px]:grid-cols-4"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <Field id={`name-${id}`} label={WORDS.name} value={name} onValue={setName} error={fieldError(problem, 'name')} />
      <Field
        id={`first-${id}`}
        label={WORDS.firstDay}
        type="date"
        value={firstDay}
        onValue={setFirstDay}
        error={fieldError(problem, 'firstDay')}
      />
      <Field
        id={`last-${id}`}
        label={WORDS.lastDay}
        type="date"
        value={lastDay}
        onValue={setLastDay}
        error={fieldError(problem, 'lastDay')}
      />
      <div className="self-end">
        <button type="submit" className="btn solid">
          {season ? WORDS.saveIt : WORDS.addIt}
        </button>
      </div>
      {message && (
        <p role="alert" className="err min-[700px]:col-span-4">
          {message}
        </p>
      )}
    </form>
  );
}
