import { useEffect, useRef, useState } from 'react';
import { pictureOf, photosOf, type Photo, type PhotoOf } from '../../contracts/house/photos.ts';
import type { Person } from '../../core/house/people.ts';
import type { Kept } from '../../device/waiting.ts';
import { trouble } from '../call.ts';
import { shortDay, spokenDay } from '../format.ts';
import { useView, writeNow } from '../kit/data.ts';
import { Dialog } from '../kit/Dialog.tsx';
import { sayHere } from '../kit/said.ts';
import { WrittenBy } from '../PersonMark.tsx';
import { useWaiting } from '../useWaiting.ts';
import { TakePhoto } from './TakePhoto.tsx';
import { WORDS } from '../../words/en/house/photos.ts';

interface Props {
  readonly of: PhotoOf;
  readonly initial: readonly Photo[];
  readonly name: string;
  readonly people: readonly Person[];
  readonly today: number;
  /** Only looked at: what it shows is over. */
  readonly still?: boolean;
  /** It stands under a heading of its own, and nothing grows there. */
  readonly plain?: boolean;
}

/** Photos of one thing as a strip by day, the first first, so that a tray is seen growing; and the button that takes the next. */
export function PhotoStrip({ of, initial, name, people, today, still = false, plain = false }: Props) {
  const { view, refresh } = useView<readonly Photo[]>(photosOf(of), initial);
  const waiting = useWaiting().filter((entry) => entry.refused === null && shows(entry, of));
  const photos = [...view].reverse();
  return (
    <section aria-label={WORDS.photos}>
      {!plain && <h2>{WORDS.photos}</h2>}
      {photos.length + waiting.length === 0 ? (
        !still && !plain && <p className="mt-1 text-ink2">{WORDS.none}</p>
      ) : (
        <PhotoRow photos={photos} waiting={waiting} people={people} today={today} onChanged={() => void refresh()} />
      )}
      {!still && (
        <div className="mt-3">
          <TakePhoto of={of} name={name} today={today} onKept={() => void refresh()} />
        </div>
      )}
    </section>
  );
}

const shows = ({ path, body }: Kept, { batchId, placeId, alarmId }: PhotoOf): boolean => {
  const it = body as PhotoOf;
  return path === photosOf({}) && it.batchId === batchId && it.placeId === placeId && it.alarmId === alarmId;
};

interface RowProps {
  readonly photos: readonly Photo[];
  readonly waiting?: readonly Kept[];
  readonly people: readonly Person[];
  readonly today: number;
  /** What a photo shows, where the row holds those of several things. */
  readonly nameOf?: (photo: Photo) => string;
  /** Photos that are leafed through from one of these, if more than these, the first first. */
  readonly leaf?: readonly Photo[];
  readonly onChanged: () => void;
}

/** Photos side by side; one that is pressed is shown large. */
export function PhotoRow({ photos, waiting = [], people, today, nameOf, leaf = photos, onChanged }: RowProps) {
  const [at, setAt] = useState<number | null>(null);
  const shown = photos.find(({ id }) => id === at) ?? leaf.find(({ id }) => id === at);
  const there = leaf.filter(
    (one) =>
      one.removedOn === null &&
      one.batchId === shown?.batchId &&
      one.placeId === shown.placeId &&
      one.alarmId === shown.alarmId,
  );
  // The newest is wanted first, and stands last.
  const row = useRef<HTMLDivElement>(null);
  const length = photos.length + waiting.length;
  useEffect(() => {
    if (row.current) row.current.scrollLeft = row.current.scrollWidth;
  }, [length]);
  const personOf = (id: number | null) => people.find((person) => person.id === id);
  return (
    <>
      <div ref={row} className="mt-2 overflow-x-auto pb-2" tabIndex={0} role="region" aria-label={WORDS.strip}>
        <ol className="flex gap-3">
          {photos.map((photo) => (
            <li key={photo.id} className="w-40 shrink-0">
              {photo.removedOn === null ? (
                <button
                  type="button"
                  className="block w-full text-left"
                  aria-label={WORDS.open(spokenDay(photo.on, today), photo.note)}
                  onClick={() => setAt(photo.id)}
                >
                  <img
                    src={pictureOf(photo.id)}
                    alt=""
                    loading="lazy"
                    width={photo.width}
                    height={photo.height}
                    className="h-28 w-full border border-line bg-paper object-cover"
                  />
                </button>
              ) : (
                <p className="grid h-28 place-items-center border border-line p-2 text-[0.88rem] text-ink2">
                  {WORDS.removedOn(shortDay(photo.removedOn), personOf(photo.removedBy)?.initials ?? '')}
                </p>
              )}
              <p className="mt-1 flex items-baseline gap-2 text-[0.92rem]">
                <span className="num">{shortDay(photo.on)}</span>
                <WrittenBy person={personOf(photo.authorId)} />
              </p>
              {nameOf && <p className="truncate text-[0.92rem]">{nameOf(photo)}</p>}
              {photo.note && <p className="line-clamp-2 text-[0.9rem] text-ink2">{photo.note}</p>}
            </li>
          ))}
          {waiting.map(({ key, body }) => (
            <li key={key} className="w-40 shrink-0">
              <img
                src={`data:image/jpeg;base64,${(body as { picture: string }).picture}`}
                alt={WORDS.waits}
                className="h-28 w-full border border-dashed border-ink3 object-cover"
              />
              <p className="mt-1 text-[0.92rem] font-semibold">{WORDS.waits}</p>
              <p className="line-clamp-2 text-[0.9rem] text-ink2">{(body as { note: string }).note}</p>
            </li>
          ))}
        </ol>
      </div>
      {shown && (
        <Large
          photo={shown}
          all={there}
          title={`${spokenDay(shown.on, today)}${nameOf ? `, ${nameOf(shown)}` : ''}`}
          onAt={setAt}
          onRemoved={() => {
            setAt(null);
            onChanged();
          }}
        />
      )}
    </>
  );
}

interface LargeProps {
  readonly photo: Photo;
  readonly all: readonly Photo[];
  readonly title: string;
  readonly onAt: (id: number | null) => void;
  readonly onRemoved: () => void;
}

/** One photo, large; the arrows lead to the one before and after, as if leafing through the days. */
function Large({ photo, all, title, onAt, onRemoved }: LargeProps) {
  const [asked, setAsked] = useState(false);
  const [wrong, setWrong] = useState('');
  const n = all.indexOf(photo);
  const go = (by: number): void => {
    setAsked(false);
    const to = all[n + by];
    if (to) onAt(to.id);
  };
  async function remove(): Promise<void> {
    const answer = await writeNow('DELETE', `/api/house/photos/${photo.id}`);
    if (answer.kind !== 'done') return setWrong(trouble(answer));
    sayHere({ words: WORDS.gone });
    onRemoved();
  }
  return (
    <Dialog open onOpenChange={() => onAt(null)} title={title} wide>
      <div
        onKeyDown={(e) => {
          if (e.key === 'ArrowLeft') go(-1);
          if (e.key === 'ArrowRight') go(1);
        }}
      >
        <img
          src={pictureOf(photo.id)}
          alt={WORDS.open(title, photo.note)}
          width={photo.width}
          height={photo.height}
          className="mx-auto max-h-[62vh] w-auto bg-paper object-contain"
        />
        {photo.note && <p className="mt-2">{photo.note}</p>}
        <div className="mt-3 flex flex-wrap items-center gap-2">
          <button type="button" className="btn min-h-12" disabled={n === 0} onClick={() => go(-1)}>
            {WORDS.before}
          </button>
          <span className="num">{WORDS.nthOf(n + 1, all.length)}</span>
          <button type="button" className="btn min-h-12" disabled={n === all.length - 1} onClick={() => go(1)}>
            {WORDS.after}
          </button>
          {photo.batchId !== null && (
            <a className="btn min-h-12" href={`/batch/${photo.batchId}`}>
              {WORDS.batch}
            </a>
          )}
          <button type="button" className="btn ml-auto min-h-12" aria-expanded={asked} onClick={() => setAsked(!asked)}>
            {WORDS.takeOut}
          </button>
        </div>
        {asked && (
          <div className="note-bar bad mt-2">
            <p>{WORDS.itIsGone}</p>
            <div className="mt-2 flex gap-2">
              <button type="button" className="btn min-h-12" onClick={() => void remove()}>
                {WORDS.takeOutForGood}
              </button>
              <button type="button" className="btn min-h-12" onClick={() => setAsked(false)}>
                {WORDS.leave}
              </button>
            </div>
          </div>
        )}
        {wrong && (
          <p role="alert" className="note-bar bad mt-2">
            {wrong}
          </p>
        )}
      </div>
    </Dialog>
  );
}
