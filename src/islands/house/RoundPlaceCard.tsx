import type { HalfOfDay } from '../../core/house/houseJob.ts';
import type { RoundPlace } from '../../contracts/house/roundView.ts';
import { dayNight } from '../../ui/format.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import { WORDS } from '../../words/en/house/round.ts';

interface Props {
  readonly place: RoundPlace;
  readonly unit: 'C' | 'F';
  readonly half: HalfOfDay;
  /** Where it stands in the walk: "2 of 5 places". */
  readonly nth: number;
  readonly of: number;
  /** Not the one in hand, where a phone shows one at a time. */
  readonly aside: boolean;
  readonly children: React.ReactNode;
}

/** A place of the walk: what it is like, what its lid and beds want in this half of the day, and its jobs. */
export function RoundPlaceCard({ place, unit, half, nth, of, aside, children }: Props) {
  const full = place.used_slots > place.room_trays;
  return (
    <section aria-label={place.name} className={aside ? 'max-[700px]:hidden print:!block' : ''} data-place={place.id}>
      <div className="mt-5 flex flex-wrap items-end gap-x-3 border-b-2 border-ink pb-1 max-[700px]:mt-3">
        <h2>{place.name}</h2>
        {place.id > 0 && (
          <>
            <svg width="10" height="20" aria-hidden="true">
              <rect width="10" height="20" fill={temperatureColour((place.day_C + place.night_C) / 2)} />
            </svg>
            <span className="num text-lg">{dayNight(place.day_C, place.night_C, unit)}</span>
            <span className={`text-[0.92rem] ${full ? 'font-bold text-brick' : 'text-ink2 max-[700px]:hidden'}`}>
              {WORDS.ofTraySpaces(full && WORDS.overRoom, place.used_slots, place.room_trays)}
            </span>
          </>
        )}
        <span className="no-print ml-auto text-[0.92rem] text-ink2">
          <span className="max-[700px]:hidden">{WORDS.where(WORDS.doorAndLevel(place.door, place.level))}</span>
          {WORDS.nthPlace(nth, of)}
          {place.id > 0 && (
            <a
              className="ml-3 inline-flex min-h-12 items-center"
              href={`/house/photos?place=${place.id}`}
              aria-label={WORDS.photosOf(place.name)}
            >
              {WORDS.photos}
            </a>
          )}
        </span>
        {place.orders
          .filter((order) => order.half === half)
          .map(({ words }) => (
            <p key={words} className="w-full text-[0.95rem] text-ink">
              {words.charAt(0).toUpperCase() + words.slice(1)}
            </p>
          ))}
      </div>
      {children}
    </section>
  );
}
