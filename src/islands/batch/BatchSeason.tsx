import { useId, useState } from 'react';
import type { BatchPageData } from '../../contracts/batch/batchPage.ts';
import { trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { WORDS } from '../../words/en/batch/batchSeason.ts';

/** The open season a batch belongs to, and putting it into another. */
export function BatchSeason({ data }: { readonly data: BatchPageData }) {
  const id = useId();
  const [seasonId, setSeasonId] = useState(data.seasonId);
  const [wrong, setWrong] = useState('');
  async function move(): Promise<void> {
    const answer = await writeNow('POST', `/api/batch/${data.id}/season`, { version: data.version, seasonId });
    setWrong(answer.kind === 'done' ? '' : trouble(answer));
  }
  return (
    <section className="no-print mt-6 flex flex-wrap items-end gap-2" aria-label={WORDS.season}>
      <div className="field w-56">
        <label htmlFor={id}>{WORDS.seasonItBelongsTo}</label>
        <select id={id} className="input" value={seasonId} onChange={(e) => setSeasonId(Number(e.target.value))}>
          {data.seasons.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </select>
      </div>
      {seasonId !== data.seasonId && (
        <button type="button" className="btn" onClick={() => void move()}>
          {WORDS.putItThere}
        </button>
      )}
      {wrong && (
        <p role="alert" className="note-bar bad">
          {wrong}
        </p>
      )}
    </section>
  );
}
