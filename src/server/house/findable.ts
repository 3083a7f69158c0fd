import type { Findable } from '../../contracts/house/search.ts';
import { inUse } from '../../core/books/inUse.ts';
import { Derived } from '../../core/numerics/remembered.ts';
import { shortDay } from '../../core/calendar/shortDay.ts';
import type { Season } from '../../core/plan/season.ts';
import { WORDS } from '../../words/en/house/findable.ts';

const held = new Derived<Season, readonly Findable[]>();

/** All that can be found by name: batches of open seasons, and what is in use of the books. */
export function findable(season: Season): readonly Findable[] {
  return held.get(season, () => newFindable(season));
}

function newFindable({ batches, world, now }: Season): Findable[] {
  const varieties = new Map(world.varieties.map((variety) => [variety.id, variety]));
  const crops = new Map(world.crops.map((crop) => [crop.id, crop]));
  // Those the house grows come before the rest of the library.
  const grown = new Set(world.batches.map((batch) => batch.cropId));
  return [
    ...batches.map(({ batch, name }): Findable => ({
      kind: 'batch',
      name,
      also: `${batch.code} ${varieties.get(batch.varietyId ?? 0)?.name ?? ''}`,
      note: WORDS.out(batch.code, shortDay(batch.plan.transplantOn, new Date(now.instant_ms).getUTCFullYear())),
      href: `/batch/${batch.id}`,
    })),
    ...inUse(world.places).map((place): Findable => ({
      kind: 'place',
      name: place.name,
      also: place.kind.replace('-', ' '),
      note: '',
      href: `/books/places?place=${place.id}`,
    })),
    ...[...inUse(world.crops)]
      .sort((a, b) => Number(grown.has(b.id)) - Number(grown.has(a.id)))
      .map((crop): Findable => ({
        kind: 'crop',
        name: crop.name,
        also: crop.synonyms.replaceAll(';', ' '),
        note: '',
        href: `/books/crops?crop=${crop.id}`,
      })),
    ...inUse(world.lots).map((lot): Findable => {
      const variety = varieties.get(lot.varietyId);
      return {
        kind: 'lot',
        name: WORDS.lot(lot.code),
        also: `${variety?.name ?? ''} ${crops.get(variety?.cropId ?? 0)?.name ?? ''}`,
        note: variety?.name ?? '',
        href: `/books/lots?line=${lot.id}`,
      };
    }),
  ];
}
