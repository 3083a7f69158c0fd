import { containerNow } from '../batch/progress.ts';
import { isOver, type EventKind } from '../batch/event.ts';
import type { Container } from '../books/container.ts';
import type { WaterBy } from '../books/place.ts';
import type { BatchView } from '../plan/season.ts';
import { DRY_RISK, waterAdvice, refill_L, type WaterWant } from './advice.ts';
import {
  alikeOf,
  believe,
  belowShare_prob,
  DRY_BELOW,
  factorQuantile,
  NOTHING_SEEN,
  WATERED,
  watered,
  WET_ABOVE,
  withLook,
  withWeight,
  type Alike,
  type DryingBelief,
  type DryingEvidence,
  type Look,
  type SeenTray,
  type SinceThen,
} from './belief.ts';
import { shareAfter } from './drying.ts';
import { holdingOf, type Holding } from './holding.ts';
import { lidAdvice, lidAt, type LidAdvice } from './lid.ts';
import type { AirHour, PlaceAir } from './placeAir.ts';
import type { WaterLine, WaterWay } from './waterLine.ts';

const HOUR_ms = 3_600_000;
const DAY_ms = 24 * HOUR_ms;

/** Under a lid or in a bag next to nothing is lost. Common practice, no source. */
const UNDER_LID_frac = 0.06;
/** Share of its water a tray has that was found so, where nobody saw it watered. Common practice, no source. */
const FOUND: Readonly<Record<Look, number>> = { dry: 0.25, moist: 0.55, wet: 0.85 };
/** Water a capillary mat holds in reach of one standard tray, litres: about 2 L/m2. Common practice, no source. */
const MAT_L = 0.3;
/** A tray weighed within this of a watering is full. */
const FULL_WITHIN_ms = 3 * HOUR_ms;
/** Seedlings stand so many days after half are up; until then they drink from below. Common practice, no source. */
const STAND_days = 7;

/** A batch that stands somewhere in trays, as water is concerned. */
export interface TrayWater {
  readonly batchId: number;
  readonly placeId: number;
  readonly containerId: number;
  readonly trays: number;
  readonly holding: Holding;
  /** Share of ground the leaves cover. */
  readonly cover: number;
  readonly lid: boolean;
  /** Share of its water below which it must not go: seed is kept moist until it is up. */
  readonly least: number;
  /** Half of it is up, or it came as plugs. */
  readonly up: boolean;
  readonly way: WaterWay;
  /** How it stood when last watered or found; null: nobody knows. */
  readonly since: SinceThen | null;
  readonly lastLook: { readonly look: Look; readonly at_ms: number; readonly onLid: boolean } | null;
  readonly lidAdvice: LidAdvice | null;
  readonly evidence: DryingEvidence;
  readonly handId: number | null;
  /** Weight of a full tray, grams; null: never weighed when full. */
  readonly full_g: number | null;
  readonly waterings: readonly number[];
}

/** Seed is kept moister than plants until half of it is up, that on the surface more than that which is covered. Common practice, no source. */
const SEED_least = { surface: 0.55, covered: 0.45 } as const;

/** The days its leaves grow over, from half up to the pot and on. Common practice, no source. */
const CLOSES_days = 30;

/** Share of ground that leaves cover: nothing before they are up, more from week to week, less again after a potting. Common practice, no source. */
export function leafCover(view: Pick<BatchView, 'state'>, today: number): number {
  const { state } = view;
  if (state.phase === 'hardening') return 0.9;
  const halfUp = state.facts['half-up'] ?? state.facts.arrive;
  if (halfUp === undefined) return state.up_count ? 0.05 : 0;
  const potted = state.facts.pot;
  const since = (from: number) => Math.min(1, Math.max(0, today - from) / CLOSES_days);
  return potted === undefined ? 0.1 + 0.6 * since(halfUp) : 0.3 + 0.6 * since(potted);
}

/**
 * How a tray is watered: by what waters its place; by hand seed and seedlings from below until they stand, blocks with seed by mist, the
 * rest by a rose. Drip lines reach pots only. Common practice, no source.
 */
export function waterWay(
  view: Pick<BatchView, 'state'>,
  { kind }: Pick<Container, 'kind'>,
  today: number,
  by: WaterBy = 'hand',
): WaterWay {
  const { state } = view;
  if (by === 'flood') return 'flood';
  if (by === 'mat') return 'below';
  if (by === 'line' && kind === 'pot') return 'line';
  const halfUp = state.facts['half-up'] ?? state.facts.arrive;
  if (kind === 'pot' || state.facts.pot !== undefined) return 'rose';
  if (halfUp === undefined) return kind === 'block' ? 'mist' : 'below';
  return today - halfUp < STAND_days ? 'below' : 'rose';
}

/** What an hour asks of a tray, and the rain that falls on it: under a lid next to none, and none. */
export const hourOver = (
  { demand_mm, rain_mm }: Pick<AirHour, 'demand_mm' | 'rain_mm'>,
  lid: boolean,
): { readonly asked_mm: number; readonly rain_mm: number } =>
  lid ? { asked_mm: UNDER_LID_frac * demand_mm, rain_mm: 0 } : { asked_mm: demand_mm, rain_mm };

/** What the air of a place asks of a tray from one instant to another, rain taken off; never below none. @param lid by instant, where it came on or off in between */
export function demandSince_mm(
  air: PlaceAir,
  from_ms: number,
  to_ms: number,
  lid: boolean | ((at_ms: number) => boolean) = false,
): number {
  let sum = 0;
  for (const hour of air.hours) {
    const part = (Math.min(to_ms, hour.at_ms + HOUR_ms) - Math.max(from_ms, hour.at_ms)) / HOUR_ms;
    if (part <= 0) continue;
    const { asked_mm, rain_mm } = hourOver(hour, typeof lid === 'boolean' ? lid : lid(hour.at_ms));
    sum = Math.max(0, sum + part * (asked_mm - rain_mm));
  }
  return sum;
}

/** Share of its water after an hour at which it had so much; rain that does not fit drains. */
export function afterHour(
  tray: Pick<TrayWater, 'holding' | 'cover' | 'lid'>,
  share: number,
  hour: AirHour,
  factor: number,
): number {
  const { asked_mm, rain_mm } = hourOver(hour, tray.lid);
  const { capacity_mm } = tray.holding;
  return Math.min(1, shareAfter(share, factor * asked_mm, capacity_mm, tray.cover) + rain_mm / capacity_mm);
}

/** Share of its water that a weight tells, by what it weighed when full; under 0 it weighs less than an empty tray. */
export const shareByWeight = (weight_g: number, full_g: number, water_L: number): number =>
  WATERED - (full_g - weight_g) / (1000 * water_L);

/** Shares of its water that a weight of a tray can stand for: others are of no tray of this batch. */
export const WEIGHTS = { least: -0.25, most: 1.2 } as const;

/** Lines of a batch's log with which a tray is wet through. */
const WETS: ReadonlySet<EventKind> = new Set(['sown', 'potted', 'watered', 'arrived']);

/** When on a day a tray was wet through: as it was tapped, where that was the same day; else at noon. */
function instantOf({ events }: Pick<BatchView, 'events'>, day: number, noon_ms: number): number {
  const line = events.findLast((event) => event.day === day && WETS.has(event.kind));
  const tapped_ms = line && (line.tappedAt_ms ?? line.recordedAt_ms);
  return tapped_ms !== undefined && Math.abs(tapped_ms - noon_ms) < DAY_ms / 2 ? tapped_ms : noon_ms;
}

/**
 * A batch with what is written of its water; null: it stands nowhere in trays today.
 * @param lines those of this batch that stand, the oldest first
 * @param noonOf_ms instant of noon of a day, for what its log says without an hour
 */
export function trayWater(
  view: BatchView,
  at: {
    readonly today: number;
    readonly now_ms: number;
    readonly containers: ReadonlyMap<number, Container>;
    readonly airOf: (placeId: number) => PlaceAir | null;
    readonly waterBy: (placeId: number) => WaterBy;
    /** Share of its mix's volume that is water between drained and wilting. */
    readonly heldOf: (view: BatchView) => number;
    /** Whether its seed lies on the surface. */
    readonly onSurface: (view: BatchView) => boolean;
    readonly noonOf_ms: (day: number) => number;
    readonly lines: readonly WaterLine[];
  },
): TrayWater | null {
  const { state } = view;
  const { today, now_ms } = at;
  if (state.phase === 'planned' || isOver(state.phase) || state.phase === 'planted') return null;
  const stand = view.progress.stands.find(({ from, to }) => from <= today && to > today);
  const container = at.containers.get(containerNow(state, view.batch.plan));
  const air = stand && at.airOf(stand.placeId);
  if (!stand || !container || !air || stand.trays <= 0) return null;
  const by = at.waterBy(stand.placeId);
  const mat_L = by === 'mat' ? container.footprint_slots * MAT_L : 0;
  const holding = holdingOf(container, mat_L, at.heldOf(view));
  const up = state.facts['half-up'] !== undefined || state.facts.arrive !== undefined;
  const cover = leafCover(view, today);
  const lid = state.covered === true && state.facts['half-up'] === undefined;
  const wasUnder = lidAt(view, at.noonOf_ms);
  const past = (from_ms: number, to_ms: number) => demandSince_mm(air, from_ms, to_ms, wasUnder);
  // Sowing, potting and watering in wet a tray through; a line of the water log of the same day is more exact.
  const byLog = [state.facts.sow, state.facts.pot, state.wateredOn ?? undefined, state.facts.arrive]
    .filter((day) => day !== undefined)
    .map((day) => Math.min(now_ms, instantOf(view, day, at.noonOf_ms(day))));
  const all = [
    ...byLog.map((at_ms) => ({ at_ms, line: null })),
    ...at.lines.filter(({ at_ms }) => at_ms <= now_ms).map((line) => ({ at_ms: line.at_ms, line })),
  ].sort((a, b) => a.at_ms - b.at_ms);
  let evidence = NOTHING_SEEN;
  let since: { share: number; at_ms: number; watered: boolean } | null = null;
  let lastLook: TrayWater['lastLook'] = null;
  let handId: number | null = null;
  let full_g: number | null = null;
  let fullOf_ms: number | null = null;
  const waterings: number[] = [];
  const first = air.hours[0]?.at_ms ?? 0;
  for (const { at_ms, line } of all) {
    if (line === null || line.kind === 'watered') {
      evidence = watered(evidence);
      since = { share: WATERED, at_ms, watered: true };
      if (line) handId = line.authorId;
      waterings.push(at_ms);
      continue;
    }
    const known = since !== null && since.at_ms >= first && at_ms > since.at_ms;
    const then: SinceThen | null = known
      ? { share: since!.share, demand_mm: past(since!.at_ms, at_ms), capacity_mm: holding.capacity_mm, cover }
      : null;
    if (line.kind === 'looked' && line.look !== null) {
      lastLook = { look: line.look, at_ms, onLid: line.onLid };
      if (then && then.demand_mm > 0.05) evidence = withLook(evidence, then, line.look);
      // Where nobody knows when it was watered, it stands as it was found.
      if (since === null || since.at_ms < first) since = { share: FOUND[line.look], at_ms, watered: false };
    }
    if (line.kind === 'weighed' && line.weight_g !== null) {
      if (since?.watered && at_ms - since.at_ms <= FULL_WITHIN_ms)
        // Of several since one watering the first, when least had dried.
        [full_g, fullOf_ms] = fullOf_ms === since.at_ms ? [full_g, fullOf_ms] : [line.weight_g, since.at_ms];
      else if (full_g !== null) {
        const share = Math.max(0, shareByWeight(line.weight_g, full_g, holding.water_L));
        if (share <= WEIGHTS.most && then && then.demand_mm > 0.05) evidence = withWeight(evidence, then, share);
        if (share <= WEIGHTS.most && (since === null || since.at_ms < first))
          since = { share: Math.min(1, share), at_ms, watered: false };
      }
    }
  }
  const stale = since === null || since.at_ms < first;
  return {
    batchId: view.batch.id,
    placeId: stand.placeId,
    containerId: container.id,
    trays: stand.trays,
    holding,
    cover,
    lid,
    least: up ? DRY_BELOW : SEED_least[at.onSurface(view) ? 'surface' : 'covered'],
    up,
    way: waterWay(view, container, today, by),
    since: stale
      ? null
      : {
          share: since!.share,
          demand_mm: past(since!.at_ms, now_ms),
          capacity_mm: holding.capacity_mm,
          cover,
        },
    lastLook,
    lidAdvice: lidAdvice(lid, state.up_count ?? 0, lastLook, now_ms),
    evidence,
    handId,
    full_g,
    waterings: waterings.filter((at_ms) => at_ms > now_ms - 10 * DAY_ms),
  };
}

/** As many trays as teach the others: the newest. */
const MOST_TEACHERS = 40;

/** What trays of a house say of any other, worked out once for each place, container and hand. */
export class Teaching {
  private readonly seen: readonly SeenTray[];
  private readonly known = new Map<string, Alike>();
  constructor(trays: readonly TrayWater[]) {
    this.seen = trays.filter(({ evidence }) => evidence.seen > 0).slice(-MOST_TEACHERS);
  }
  /** Trays it rests on. */
  get count(): number {
    return this.seen.length;
  }
  of({ placeId, containerId, handId }: Pick<TrayWater, 'placeId' | 'containerId' | 'handId'>): Alike | null {
    if (this.seen.length === 0) return null;
    const key = `${placeId} ${containerId} ${handId}`;
    const alike = this.known.get(key) ?? alikeOf(this.seen, placeId, containerId, handId);
    this.known.set(key, alike);
    return alike;
  }
}

/** What a tray wants today. 'look': nobody knows how it stands. */
export interface WaterToday {
  readonly tray: TrayWater;
  readonly want: WaterWant | 'look';
  /** Chance that it is dry before the next look, and that it is wet now; null: not known. */
  readonly dry_prob: number | null;
  readonly wet_prob: number | null;
  /** Share of its water it has, as likely more as less; null: not known. */
  readonly share: number | null;
  /** Instant at which it is as likely dry as not; null: later than the weather is known. */
  readonly dryAt_ms: number | null;
  /** It would be dry before the next look even if watered now: looked at again before this. */
  readonly againBy_ms: number | null;
  /** All its trays together. */
  readonly litres: number;
  readonly belief: DryingBelief;
}

/**
 * What a tray wants before the next look.
 * @param next_ms instant of the next look, usually tomorrow morning
 * @param dusk_ms no second look is asked for after it
 */
export function waterToday(
  tray: TrayWater,
  air: PlaceAir,
  alike: Alike | null,
  at: { readonly now_ms: number; readonly next_ms: number; readonly dusk_ms: number },
): WaterToday {
  const { now_ms, next_ms, dusk_ms } = at;
  const belief = believe(tray.evidence, { humidity: air.humidityKnown, light: air.lightKnown }, alike);
  const ahead_mm = demandSince_mm(air, now_ms, next_ms, tray.lid);
  const full = tray.trays * tray.holding.water_L;
  if (tray.since === null)
    return {
      ...{ tray, want: 'look', dry_prob: null, wet_prob: null, share: null, dryAt_ms: null, againBy_ms: null, belief },
      litres: refill_L(full, 0.5),
    };
  const advice = waterAdvice(belief, tray.since, ahead_mm, tray.least);
  const median = factorQuantile(belief, 0.5);
  const { share: from, demand_mm, capacity_mm, cover } = tray.since;
  const share = shareAfter(from, median * demand_mm, capacity_mm, cover);
  const start: SinceThen = advice.want === 'now' ? { ...tray.since, share: WATERED, demand_mm: 0 } : tray.since;
  let againBy_ms: number | null = null;
  let dryAt_ms: number | null = null;
  let [sum, asIs] = [0, 0];
  for (const hour of air.hours) {
    const part = Math.min(1, (hour.at_ms + HOUR_ms - now_ms) / HOUR_ms);
    if (part <= 0) continue;
    const { asked_mm, rain_mm } = hourOver(hour, tray.lid);
    const step = part * (asked_mm - rain_mm);
    sum = Math.max(0, sum + step);
    asIs = Math.max(0, asIs + step);
    const end = hour.at_ms + HOUR_ms;
    if (advice.secondLook && againBy_ms === null && end <= dusk_ms) {
      const then = { ...start, demand_mm: start.demand_mm + sum };
      if (belowShare_prob(belief, then, tray.least) > DRY_RISK) againBy_ms = hour.at_ms;
    }
    if (dryAt_ms === null && shareAfter(from, median * (demand_mm + asIs), capacity_mm, cover) < tray.least)
      dryAt_ms = end;
    if (dryAt_ms !== null && (againBy_ms !== null || end > dusk_ms)) break;
  }
  // Wet or dry within the hour, or lasting for days as likely as not: only a look says which.
  const soon = advice.want === 'not' && againBy_ms !== null && againBy_ms <= now_ms;
  const unsure = soon || (advice.want === 'now' && (dryAt_ms ?? Infinity) > next_ms + DAY_ms);
  return {
    tray,
    want: unsure ? 'look' : advice.want,
    dry_prob: advice.dry_prob,
    wet_prob: advice.wet_prob,
    share,
    dryAt_ms: share < tray.least ? now_ms : dryAt_ms,
    againBy_ms: unsure ? null : againBy_ms === null ? null : Math.max(now_ms, againBy_ms),
    litres: refill_L(full, share),
    belief,
  };
}

/**
 * Chance that a tray's surface is still wet at an instant to come, such as dusk; null: nobody knows how it stands.
 * @param watered whether it is watered now; else as it stands
 */
export function wetAt_prob(
  { tray, belief }: Pick<WaterToday, 'tray' | 'belief'>,
  air: PlaceAir,
  now_ms: number,
  dusk_ms: number,
  watered: boolean,
): number | null {
  const { capacity_mm } = tray.holding;
  const now = watered ? { share: WATERED, demand_mm: 0, capacity_mm, cover: tray.cover } : tray.since;
  if (now === null) return null;
  const demand_mm = now.demand_mm + demandSince_mm(air, now_ms, dusk_ms, tray.lid);
  return 1 - belowShare_prob(belief, { ...now, demand_mm }, WET_ABOVE);
}
