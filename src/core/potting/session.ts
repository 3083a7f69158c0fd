import type { Explanation } from '../explanation.ts';
import { COMMON_PRACTICE, OWN_LOG } from '../explanation.ts';
import type { Container } from '../books/container.ts';
import { requireRange } from '../numerics/guard.ts';
import { traysFor } from '../batch/trays.ts';
import { layersOf, perTray } from './pot.ts';
import { loose_L, partsFor, type MixPart, type MixRecipe, type PartNeed } from './mix.ts';
import { minutesFor, paceOf, type Pace, type Timed } from './rates.ts';
import type { PottingSettings } from './settings.ts';
import { WORDS } from '../../words/en/potting/sessionCore.ts';

/** A batch to be potted in a session. */
export interface SessionLine {
  readonly batchId: number;
  readonly name: string;
  readonly cropId: number;
  /** Plants to be set, doubles among them. */
  readonly plants: number;
  readonly container: Container;
  readonly recipe: MixRecipe | null;
  readonly base: MixRecipe | null;
  readonly base_mm: number;
  /** Where its trays stand and where its pots go; walking order tells how far apart. */
  readonly from: { readonly id: number; readonly order: number } | null;
  readonly to: { readonly id: number; readonly order: number } | null;
  readonly traysFrom: number;
  /** Days until waiting harms; below 0 = it does already. */
  readonly spare_days: number;
}

export interface Range {
  readonly usual: number;
  readonly low: number;
  readonly high: number;
}

export interface PlannedLine {
  readonly batchId: number;
  readonly plants: number;
  readonly trays: number;
  /** Pots of the last tray when it is not full; 0 when it is. */
  readonly partTray: number;
  readonly trips: number;
  /** Loose litres to measure out. */
  readonly base_L: number;
  readonly top_L: number;
  readonly doubtfulPot: boolean;
  readonly minutes: Range;
  readonly pace: Pace;
}

export interface SessionPlan {
  /** In the order to do them. */
  readonly lines: readonly PlannedLine[];
  readonly minutes: Range;
  readonly setUp_min: number;
  readonly carry_min: number;
  readonly trips: number;
  readonly plants: number;
  readonly pots: readonly { readonly containerId: number; readonly count: number; readonly trays: number }[];
  readonly mixes: readonly { readonly recipeId: number; readonly litres: number }[];
  readonly parts: readonly PartNeed[];
  /** One to a tray. */
  readonly labels: number;
  readonly explanation: Readonly<Record<'minutes' | 'litres' | 'order', Explanation>>;
}

/** From how few days to spare a batch goes before all that can wait. Common practice, no source. */
const URGENT_days = 3;

/**
 * What a potting session takes and the order to do it in: batches that cannot wait first; among alike those that come from
 * and go to the same places together, since trays of one way share a trolley; then one container and mix after another.
 * @throws RangeError for people or plants out of bounds, a base deeper than its pot, parts that add up to nothing
 */
export function planSession(
  lines: readonly SessionLine[],
  people: number,
  settings: PottingSettings,
  items: ReadonlyMap<number, MixPart>,
  timed: readonly Timed[],
): SessionPlan {
  requireRange('people', people, 1, 50);
  const ordered = [...lines].sort(inOrder);
  const litresOf = new Map<number, { recipe: MixRecipe; litres: number }>();
  const pots = new Map<number, { count: number; trays: number }>();
  const paces = new Map<string, Pace>();
  const add = (recipe: MixRecipe | null, litres: number): void => {
    if (recipe === null || litres <= 0) return;
    litresOf.set(recipe.id, { recipe, litres: (litresOf.get(recipe.id)?.litres ?? 0) + litres });
  };
  let way = '';
  let onWay = 0;
  const planned = ordered.map((line): PlannedLine => {
    requireRange(WORDS.plantsOf(line.name), line.plants, 1, 1_000_000);
    const layers = layersOf(line.container, line.base === null ? 0 : line.base_mm);
    const base_L = loose_L(layers.base_L * line.plants, settings);
    const top_L = loose_L(layers.top_L * line.plants, settings);
    add(line.base, base_L);
    add(line.recipe, top_L);
    const trays = traysFor(line.plants, line.container);
    const had = pots.get(line.container.id) ?? { count: 0, trays: 0 };
    pots.set(line.container.id, { count: had.count + line.plants, trays: had.trays + trays });
    const key = `${line.container.id}/${line.cropId}`;
    const pace = paces.get(key) ?? paceOf(timed, line.container.id, line.cropId);
    paces.set(key, pace);
    // Trays that go the same way as those before fill up the same trolley.
    const thisWay = wayOf(line);
    const carried = Math.max(trays, line.traysFrom);
    const before = thisWay === way ? onWay : 0;
    const trips = thisWay === null ? 0 : tripsFor(before + carried, settings) - tripsFor(before, settings);
    [way, onWay] = [thisWay ?? '', before + carried];
    return {
      batchId: line.batchId,
      plants: line.plants,
      trays,
      partTray: line.plants % perTray(line.container),
      trips,
      base_L,
      top_L,
      doubtfulPot: layers.doubtful,
      minutes: minutesFor(line.plants, people, pace),
      pace,
    };
  });
  const trips = planned.reduce((sum, line) => sum + line.trips, 0);
  const carry_min = (trips * settings.trip_min) / people;
  const set = planned.reduce((sum, line) => sum + line.minutes.usual, 0);
  const usual = settings.setUp_min + carry_min + set;
  // Batches are quick and slow by themselves: their spreads add up by squares.
  const off = (of: (m: Range) => number) => Math.sqrt(planned.reduce((sum, { minutes }) => sum + of(minutes) ** 2, 0));
  const mixes = [...litresOf.values()];
  return {
    lines: planned,
    minutes: { usual, low: usual - off((m) => m.usual - m.low), high: usual + off((m) => m.high - m.usual) },
    setUp_min: settings.setUp_min,
    carry_min,
    trips,
    plants: planned.reduce((sum, line) => sum + line.plants, 0),
    pots: [...pots].map(([containerId, need]) => ({ containerId, ...need })),
    mixes: mixes.map(({ recipe, litres }) => ({ recipeId: recipe.id, litres })),
    parts: partsFor(mixes, items),
    labels: planned.reduce((sum, line) => sum + line.trays, 0),
    explanation: {
      minutes: {
        rule: WORDS.settingOutThenPlantsOver,
        inputs: [
          { name: WORDS.settingOut, value: WORDS.min(settings.setUp_min) },
          { name: WORDS.hands, value: String(people) },
          { name: WORDS.trips, value: WORDS.ofMin(trips, settings.trip_min) },
        ],
        source: timed.length > 0 ? WORDS.withTheUsualPaceBehind(OWN_LOG) : COMMON_PRACTICE,
      },
      litres: {
        rule: WORDS.theVolumeOfEachPot,
        inputs: [
          { name: WORDS.settling, value: `${Math.round(100 * settings.settle_frac)}%` },
          { name: WORDS.waste, value: `${Math.round(100 * settings.waste_frac)}%` },
        ],
        source: WORDS.solidGeometrySettlingAndWaste,
      },
      order: {
        rule: WORDS.whatCannotWaitFirstThen,
        inputs: [],
        source: COMMON_PRACTICE,
      },
    },
  };
}

const tripsFor = (trays: number, { trolley_trays }: PottingSettings): number => Math.ceil(trays / trolley_trays);
const wayOf = ({ from, to }: SessionLine): string | null =>
  from === null && to === null ? null : `${from?.id ?? ''}-${to?.id ?? ''}`;

function inOrder(a: SessionLine, b: SessionLine): number {
  const urgent = (line: SessionLine) => (line.spare_days < 0 ? 0 : line.spare_days <= URGENT_days ? 1 : 2);
  return (
    urgent(a) - urgent(b) ||
    (a.from?.order ?? 0) - (b.from?.order ?? 0) ||
    (a.to?.order ?? 0) - (b.to?.order ?? 0) ||
    a.container.id - b.container.id ||
    (a.recipe?.id ?? 0) - (b.recipe?.id ?? 0) ||
    a.spare_days - b.spare_days ||
    a.batchId - b.batchId
  );
}
