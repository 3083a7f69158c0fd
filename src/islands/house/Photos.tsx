import { useEffect, useState } from 'react';
import { photosOf, type Photo, type PhotoOf } from '../../contracts/house/photos.ts';
import type { Person } from '../../core/house/people.ts';
import { longDay } from '../../ui/format.ts';
import { useView } from '../../ui/kit/data.ts';
import { PhotoRow, PhotoStrip } from '../../ui/photo/PhotoStrip.tsx';
import { WORDS } from '../../words/en/house/photos.ts';

interface Named {
  readonly id: number;
  readonly name: string;
}
interface Props {
  readonly initial: readonly Photo[];
  readonly places: readonly Named[];
  readonly batches: readonly Named[];
  /** Place whose photos alone are shown; null: all of the house. */
  readonly placeId: number | null;
  readonly people: readonly Person[];
  readonly today: number;
}

/** Photos of the house, the last day first; those of one place as a strip. */
export function Photos({ initial, places, batches, placeId, people, today }: Props) {
  const [at, setAt] = useState(placeId);
  useEffect(() => {
    // By the address: a page that this device kept was drawn for all.
    const asked = Number(new URLSearchParams(location.search).get('place'));
    if (places.some(({ id }) => id === asked)) setAt(asked);
  }, [places]);
  const of: PhotoOf = at === null ? {} : { placeId: at };
  const { view, refresh } = useView<readonly Photo[]>(photosOf(of), at === placeId ? initial : []);
  const names = {
    batch: new Map(batches.map(({ id, name }) => [id, name])),
    place: new Map(places.map(({ id, name }) => [id, name])),
  };
  const nameOf = ({ batchId, placeId: place }: Photo): string =>
    batchId !== null ? (names.batch.get(batchId) ?? '') : place !== null ? (names.place.get(place) ?? '') : WORDS.alarm;
  const days = [...new Set(view.map(({ on }) => on))];
  return (
    <>
      <label className="field mt-3 max-w-xs">
        <span className="label">{WORDS.place}</span>
        <select
          className="input"
          value={at ?? ''}
          onChange={(e) => setAt(e.target.value === '' ? null : Number(e.target.value))}
        >
          <option value="">{WORDS.everyPlace}</option>
          {places.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {at !== null ? (
        <div className="mt-4">
          <PhotoStrip
            key={at}
            of={of}
            initial={view}
            name={names.place.get(at) ?? ''}
            people={people}
            today={today}
            plain
          />
        </div>
      ) : days.length === 0 ? (
        <p className="mt-4 text-ink2">{WORDS.noneAnywhere}</p>
      ) : (
        <div className="flex flex-wrap gap-x-8">
          {days.map((day) => (
            <section key={day} aria-label={longDay(day)} className="mt-5 max-w-full">
              <h2>{longDay(day)}</h2>
              <PhotoRow
                photos={view.filter(({ on }) => on === day)}
                people={people}
                today={today}
                nameOf={nameOf}
                leaf={[...view].reverse()}
                onChanged={() => void refresh()}
              />
            </section>
          ))}
        </div>
      )}
    </>
  );
}
