import { inUse } from '../../core/books/inUse.ts';
import { cropOf } from '../../core/books/cropOf.ts';
import { COMMON_PRACTICE, type Explanation } from '../../core/explanation.ts';
import { carrying_min } from '../../core/hardening/orders.ts';
import { scoreAt } from '../../core/weather/score.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import { lowOn } from '../../core/hardening/ladder.ts';
import { differenceWords, windWords } from '../../core/units/words.ts';
import { COVER_WORDS, decisionWords, limitWords } from '../../core/hardening/words.ts';
import type { CarryLine, HardenView, LadderView, RungDay } from '../../contracts/hardening/hardenViews.ts';
import { milestoneOf } from '../../core/plan/schedule/chain.ts';
import { batchOdds } from '../../core/planting/oddsOfBatch.ts';
import { comingDays, type Site } from '../../core/weather/site.ts';
import { forecastView } from '../weather/siteViews.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import { asGoodAsNever } from '../../core/hardening/feasible.ts';
import { programmeOdds } from '../../core/hardening/feasibleOf.ts';
import { whereOf, type Ladder } from '../../core/hardening/ladderOfBatch.ts';
import { WORDS } from '../../words/en/hardening/view.ts';

/** Everything the Harden screen shows. */
export async function hardenView(season: Season): Promise<HardenView> {
  const { world, now, batches } = season;
  const ladders = batches.flatMap((view) => (view.ladder ? [ladderView(season, view, view.ladder)] : []));
  return {
    today: now.today,
    unit: world.nursery.temperatureUnit,
    forecast: await forecastView(season),
    coming: season.site ? comingDays(season.site) : [],
    carry: carryList(season),
    ladders: ladders.sort(
      (a, b) => (a.startsOn ?? 0) - (b.startsOn ?? 0) || a.transplantOn - b.transplantOn || a.batchId - b.batchId,
    ),
    programmes: inUse(world.programmes).map(({ id, name, kind }) => ({ id, name, kind })),
  };
}

/** Trays of a batch as it stands. */
export function traysOf(view: BatchView, today: number): number {
  const stand = view.progress.stands.find((s) => s.from <= today && s.to > today) ?? view.progress.stands.at(-1);
  return stand?.trays ?? 0;
}

function ladderView(season: Season, view: BatchView, ladder: Ladder): LadderView {
  const { unit, rungs } = ladder;
  const { today } = season.now;
  const hardening = view.state.phase === 'hardening';
  const first = hardening && ladder.today === today ? (ladder.decisions[0] ?? null) : null;
  const startsOn = hardening ? null : startDay(view);
  const days = ladder.decisions.map((d, i): RungDay => ({
    day: ladder.today + i,
    say: d.say,
    rung: d.rung,
    climbs: d.climbs,
    done: d.done,
    why: d.limit ? limitWords(d.limit, rungs, unit) : '',
  }));
  const at = rungs[Math.max(0, ladder.at.rung - 1)]!;
  return {
    batchId: view.batch.id,
    version: view.batch.version,
    code: view.batch.code,
    name: view.name,
    trays: traysOf(view, today),
    placeName: season.world.places.find((p) => p.id === view.state.placeId)?.name ?? '',
    programmeId: ladder.programme.id,
    programme: ladder.programme.name,
    chosen: ladder.chosen,
    rungs,
    rung: ladder.at.rung,
    served: ladder.at.served,
    of: at.days,
    startsOn,
    today: first ? decisionWords(first, rungs, unit) : '',
    say: first?.say ?? null,
    why: first?.limit ? limitWords(first.limit, rungs, unit) : '',
    order: ladder.order,
    days,
    setBackTo: ladder.setBackTo,
    harmedOn: ladder.harmedOn,
    harmWords: ladder.harmed ? limitWords(ladder.harmed, rungs, unit) : '',
    hardened: ladder.hardened,
    loggedToday: view.state.rungLoggedOn === today || (view.state.held['rung'] ?? 0) > today,
    heldDays: view.state.rungHeld.filter((d) => d >= today),
    transplantOn: view.batch.plan.transplantOn,
    expectedOn: view.progress.out?.on ?? null,
    end: batchOdds(season, view)?.hardened ?? null,
    inTime_frac: batchOdds(season, view)?.inTime_frac ?? null,
    rules: ladder.rules,
    start: ladder.setBackTo === null ? ladder.at : { rung: ladder.setBackTo, served: 0 },
    restsUntil: Math.max(0, ladder.restsUntil),
    heldUntil: Math.max(0, ladder.heldUntil),
    explanation: explanationOf(season, ladder),
    never: startsOn === null ? [] : neverRungs(season, view, ladder, startsOn),
  };
}

/** Rungs the site can as good as never do about the time a batch begins, by its years. */
function neverRungs(season: Season, view: BatchView, ladder: Ladder, startsOn: number): number[] {
  const crop = cropOf(season, view.batch);
  const programme = season.world.programmes.find((p) => p.id === ladder.programme.id);
  if (!programme) return [];
  const odds = programmeOdds(season, programme, crop.hardiness, view.batch.plan.places.harden, startsOn + 7);
  return odds.filter(asGoodAsNever).map((o) => o.rung);
}

function startDay(view: BatchView): number | null {
  const { forecast } = view.progress;
  return forecast.kind === 'chain' ? (milestoneOf(forecast, 'harden')?.day ?? null) : null;
}

/** Tonight as it was foretold, and what is taken off it where this source is usually off. */
function foretold(site: Site, unit: TemperatureUnit): Explanation['inputs'] {
  const told = site.forecast?.days[0];
  if (!told || told.night_C === null) return [];
  const { bias_K } = scoreAt(site.scores, told.lead);
  return [
    { name: WORDS.nightForetold, temperature_C: told.night_C },
    ...(Math.abs(bias_K) < 0.05
      ? []
      : [
          {
            name: bias_K > 0 ? WORDS.toldTooWarmByUsually : WORDS.toldTooColdByUsually,
            value: differenceWords(Math.abs(bias_K), unit),
          },
        ]),
  ];
}

/** Why today is as it is: what the next rung wants and what the day brings. */
function explanationOf(season: Season, ladder: Ladder): Explanation | null {
  const { site } = season;
  const [day] = site ? comingDays(site) : [];
  if (!site || !day) return null;
  const decision = ladder.decisions[0];
  const k = decision?.limit?.rung || decision?.rung || 1;
  const rung = ladder.rungs[k - 1]!;
  const low = lowOn(ladder.rules, k, day);
  return {
    rule: WORDS.theForecastLowLessOf(ladder.rules.caution),
    inputs: [
      { name: WORDS.stepWantsAtLeast(k), temperature_C: rung.floor_C },
      ...(low === null ? [] : [{ name: WORDS.theyWouldMeet, temperature_C: low }]),
      ...foretold(site, ladder.unit),
      { name: WORDS.itsUsualError, value: differenceWords(day.spread_K, ladder.unit) },
      { name: WORDS.placeAndCover, value: differenceWords(ladder.rules.shelter_K[k - 1]!, ladder.unit) },
      ...(day.gust_m_s === null
        ? []
        : [
            {
              name: WORDS.gusts,
              value: WORDS.of(windWords(day.gust_m_s, ladder.unit), windWords(rung.gust_m_s, ladder.unit)),
            },
          ]),
      {
        name: WORDS.forecast,
        value: site.forecast ? WORDS.hOld(site.forecast.source, Math.round(site.forecast.age_h)) : WORDS.none,
      },
    ],
    source: WORDS.stepsAndLimitsErrorsBy(COMMON_PRACTICE, site.pairs),
  };
}

/** What is carried today, by the hour: out, in, covers on. */
export function carryList(season: Season): CarryLine[] {
  const { carrying } = season.world.nursery.planting;
  const lines = new Map<
    string,
    { hour: number; what: CarryLine['what']; words: string; names: string[]; trays: number }
  >();
  const put = (hour: number, what: CarryLine['what'], words: string, view: BatchView) => {
    const key = `${hour} ${what} ${words}`;
    const line = lines.get(key) ?? { hour, what, words, names: [], trays: 0 };
    line.names.push(view.name);
    line.trays += traysOf(view, season.now.today);
    lines.set(key, line);
  };
  for (const view of season.batches) {
    const { ladder } = view;
    const order = ladder?.orderOfDay;
    if (!ladder || !order || view.state.phase !== 'hardening') continue;
    const rung = ladder.rungs[(ladder.decisions[0]?.rung ?? 1) - 1];
    if (!rung) continue;
    if (order.out_h !== null && order.in_h !== null) {
      put(order.out_h, 'out', WORDS.out(whereOf(rung, view.batch.plan, season.world), rung.words), view);
      put(order.in_h, 'in', WORDS.backIn, view);
    }
    if (order.cover_h !== null)
      put(
        order.cover_h,
        'cover',
        WORDS.on(COVER_WORDS[rung.cover], whereOf(rung, view.batch.plan, season.world)),
        view,
      );
  }
  return [...lines.values()]
    .map((line) => ({ ...line, minutes: carrying_min(line.trays, carrying) }))
    .sort((a, b) => a.hour - b.hour || a.what.localeCompare(b.what));
}
