import { useEffect, useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { SeasonView } from '../../contracts/house/seasons.ts';
import { trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { TypedForm } from '../../ui/kit/TypedForm.tsx';
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
            {editing === season.id && <SeasonForm season={season} onDone={() => setEditing(null)} />}
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
            <SeasonForm season={null} onDone={() => setEditing(null)} />
          </div>
        )}
      </div>
    </div>
  );
}

function stateOf(season: SeasonView, current: number | null, today: number): string {
  if (season.closedAt_ms !== null) return WORDS.closed;
  const standing = season.open_count > 0 ? WORDS.toSowOrStanding(season.open_count) : '';
  if (season.id === current) return WORDS.openTheCurrentOne(standing);
  if (season.lastDay < today && season.open_count === 0) return WORDS.over;
  return WORDS.open(standing);
}

const FIELDS: readonly FieldSpec[] = [
  { key: 'name', label: WORDS.name, kind: 'text' },
  { key: 'firstDay', label: WORDS.firstDay, kind: 'date' },
  { key: 'lastDay', label: WORDS.lastDay, kind: 'date' },
];

function SeasonForm({ season, onDone }: { readonly season: SeasonView | null; readonly onDone: () => void }) {
  const iso = (day: number | undefined) => (day === undefined ? '' : isoFromDay(day));
  return (
    <TypedForm
      className="mt-3"
      fields={FIELDS}
      start={{ name: season?.name ?? '', firstDay: iso(season?.firstDay), lastDay: iso(season?.lastDay) }}
      method={season ? 'PATCH' : 'POST'}
      path={season ? `/api/house/seasons/${season.id}` : '/api/house/seasons'}
      keyed={false}
      schema={() => import('../../contracts/house/seasons.ts').then((m) => (season ? m.seasonPatch : m.seasonInput))}
      extra={season ? { version: season.version } : {}}
      draft={`seasons/${season?.id ?? 'new'}`}
      said={null}
      onDone={onDone}
      saveWords={season ? WORDS.saveIt : WORDS.addIt}
    />
  );
}
