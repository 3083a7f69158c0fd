import { shortDay } from '../../core/calendar/shortDay.ts';
import { degreesWords } from '../../core/hardening/words.ts';
import { careOf, type Care } from '../../core/planting/aftercare.ts';
import { heatLines } from '../../core/planting/heat.ts';
import { OUT_HARM_C } from '../../core/planting/outDates.ts';
import { windWords } from '../../core/units/words.ts';
import { cropOf } from '../../core/books/cropOf.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import type { Site } from '../../core/weather/site.ts';
import { safeCover_K } from '../../core/planting/oddsOfBatch.ts';
import { WORDS } from '../../words/en/planting/aftercare.ts';

/** Planted batches are looked after so many days. */
export const PLANTED_days = 42;

/** Batches set out in the last six weeks, with the day. */
export function standingOut(season: Season): { readonly view: BatchView; readonly plantedOn: number }[] {
  return season.batches.flatMap((view) => {
    const on = view.state.facts.plant;
    const recent = view.state.phase === 'planted' && on !== undefined && on >= season.now.today - PLANTED_days;
    return recent ? [{ view, plantedOn: on }] : [];
  });
}

/** What a batch that stands out wants today, in words; empty: nothing that is foretold. */
export function careWords(season: Season, view: BatchView, plantedOn: number): string[] {
  const { site } = season;
  if (!site || view.state.stood?.stood === 'lost') return [];
  return [
    ...careNow(season, site, view, plantedOn).map((care) => wordsOf(care, season, view)),
    ...lossWords(season, view),
  ];
}

function careNow(season: Season, site: Site, view: BatchView, plantedOn: number): Care[] {
  const crop = cropOf(season, view.batch);
  const cover = coverOver(season, view);
  const { frost_frac } = season.world.nursery.planting.rules;
  return careOf({
    today: season.now.today,
    plantedOn,
    layers: cover?.layers ?? 0,
    cover_K: cover ? safeCover_K(site, season, cover.id) : 0,
    harm_C: OUT_HARM_C[crop.hardiness],
    nightMin_C: crop.plantNightMin_C,
    lines: heatLines(crop),
    forecast: site.forecast?.days ?? [],
    scores: site.scores,
    frost_frac,
  });
}

/** The cover that lies over a batch now; null: none, or it was taken off. */
function coverOver(season: Season, { state }: BatchView) {
  if (state.covered === false) return null;
  return season.world.covers.find((c) => c.id === state.planting?.coverId) ?? null;
}

function wordsOf(care: Care, season: Season, view: BatchView): string {
  const unit = season.world.nursery.temperatureUnit;
  const t = (value: number) => degreesWords(value, unit);
  const cover = coverOver(season, view)?.name.toLowerCase() ?? 'fleece';
  switch (care.kind) {
    case 'cover': {
      const layers = care.layers === 1 ? WORDS.aLayer : WORDS.layers(care.layers);
      return WORDS.moreOfOnBeforeDusk(layers, cover, t(care.low_C));
    }
    case 'vent':
      return WORDS.openFrom00To00(cover, care.from_h, care.to_h, t(care.under_C));
    case 'take-off':
      return care.left === 0
        ? WORDS.mayComeOffTheComing(cover, care.nights)
        : WORDS.leaveOfOnTheRest(care.left, care.left === 1 ? WORDS.layer : 'layers', cover);
    case 'hold-down':
      return WORDS.gustsTo(
        coverOver(season, view) ? WORDS.weighDown(cover) : WORDS.shelterOrStakeIt,
        windWords(care.gust_m_s, unit),
        care.day === season.now.today ? WORDS.today : shortDay(care.day),
      );
    case 'water':
      return care.hot_C === null ? WORDS.waterAtTheRootsNo : WORDS.waterEarlyAndShadeAt(t(care.hot_C));
  }
}

/** Losses counted a week on, and what could take their place. */
function lossWords(season: Season, view: BatchView): string[] {
  const { planted_count, stood } = view.state;
  const lost = (planted_count ?? 0) - (stood?.count ?? planted_count ?? 0);
  if (lost <= 0) return [];
  const spare = season.batches.find(
    (other) =>
      other.batch.cropId === view.batch.cropId &&
      other.batch.varietyId === view.batch.varietyId &&
      (other.state.phase === 'hardening' || other.state.phase === 'potted') &&
      other.plants.expected_count > other.batch.plan.plantsWanted,
  );
  if (!spare) return [WORDS.ofLostSowAgainOr(lost, planted_count)];
  const more = spare.plants.expected_count - spare.batch.plan.plantsWanted;
  return [WORDS.replaceOfLostFromWhich(Math.min(lost, more), lost, spare.name, spare.batch.code, more)];
}

/** Today's orders for all that stands out, each with its batch. */
export function careOrders(season: Season): string[] {
  return standingOut(season).flatMap(({ view, plantedOn }) => {
    const words = careWords(season, view, plantedOn);
    const bed = view.state.planting?.bed;
    return words.length === 0 ? [] : [`${view.name}${bed ? `, ${bed}` : ''}: ${words.join('; ')}`];
  });
}
