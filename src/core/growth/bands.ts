import { ALL_STAGES, type Stage } from '../plan/stage.ts';
import { type Crop, type Hardiness } from '../books/crop.ts';
import { type PlaceKind } from '../books/place.ts';
import { WORDS } from '../../words/en/growth/bands.ts';

/** What a crop stands in one stage of its way, degrees Celsius; lows are of the night, highs of the day. */
export interface StageBands {
  /** Outside these it is harmed: nothing is put there. */
  readonly bearsLow_C: number;
  readonly bearsHigh_C: number;
  /** Outside these it neither grows well nor keeps its habit: each tray-day there has its price, by kelvin. */
  readonly comfortLow_C: number;
  readonly comfortHigh_C: number;
  /** Night that no plan lets it have: it would be checked and stunted. null: no such line in this stage. */
  readonly checkNight_C: number | null;
}

/** Figures of a stage that the grower has set otherwise than the library. */
export type OwnBands = {
  readonly [S in Stage]?: { readonly [F in keyof StageBands]?: StageBands[F] | undefined } | undefined;
};

/** Lowest night a plant of the hardiness stands when grown on or hardened. @source common practice, no source */
const NIGHT_FLOOR_C: Readonly<Record<Hardiness, number>> = { hardy: -4, 'half-hardy': 0, tender: 4, tropical: 10 };
/** The same once it is being hardened, where that is less. @source common practice, no source */
const HARDENING_FLOOR_C: Readonly<Partial<Record<Hardiness, number>>> = { tropical: 8 };
/** Above this by day young plants suffer. @source common practice, no source */
const DAY_CEILING_C = 35;
/** Night that checks tender and tropical crops whose book says nothing of it. @source common practice, no source */
const CHECK_NIGHT_C = 10;
/** Sowing is comfortable within this share of the way from the best temperature to the limits. Common practice, no source. */
const SOWING_COMFORT_frac = 0.7;
/** How much cooler than it would be planted into a hardening plant may have it by night without a price. Common practice, no source. */
const HARDENING_K = 3;

/** Crops that suffer from cool nights long before they freeze. */
export const isTender = ({ hardiness }: Pick<Crop, 'hardiness'>): boolean =>
  hardiness === 'tender' || hardiness === 'tropical';

export type BandFigures = Pick<
  Crop,
  | 'hardiness'
  | 'germMin_C'
  | 'germBest_C'
  | 'germMax_C'
  | 'base_C'
  | 'growNight_C'
  | 'comfortNight_C'
  | 'comfortDay_C'
  | 'checkNight_C'
  | 'plantNightMin_C'
  | 'bands'
>;

/**
 * The three bands of a crop in a stage: what it bears, where it is comfortable, and the night that checks it. The book's own
 * figures first, then what follows from the rest of the crop.
 * @source common practice, no source
 */
export function bandsOf(crop: BandFigures, stage: Stage): StageBands {
  const own = Object.entries(crop.bands?.[stage] ?? {}).filter(([, figure]) => figure !== undefined);
  return { ...usualBands(crop, stage), ...Object.fromEntries(own) };
}

/** The same without what the grower has set. */
export function usualBands(crop: BandFigures, stage: Stage): StageBands {
  const { germMin_C, germBest_C, germMax_C, comfortNight_C, comfortDay_C } = crop;
  const floor = NIGHT_FLOOR_C[crop.hardiness];
  if (stage === 'germinate')
    return {
      bearsLow_C: germMin_C,
      bearsHigh_C: germMax_C,
      comfortLow_C: germBest_C - SOWING_COMFORT_frac * (germBest_C - germMin_C),
      comfortHigh_C: germBest_C + SOWING_COMFORT_frac * (germMax_C - germBest_C),
      checkNight_C: null,
    };
  if (stage === 'harden') {
    const bearsLow_C = HARDENING_FLOOR_C[crop.hardiness] ?? floor;
    const comfortLow_C = isTender(crop) ? Math.max(bearsLow_C, crop.plantNightMin_C - HARDENING_K) : bearsLow_C;
    return { bearsLow_C, bearsHigh_C: DAY_CEILING_C, comfortLow_C, comfortHigh_C: DAY_CEILING_C, checkNight_C: null };
  }
  const bearsLow_C = Math.max(floor, Math.min(crop.base_C, crop.growNight_C - 6));
  return {
    bearsLow_C,
    bearsHigh_C: DAY_CEILING_C,
    comfortLow_C: Math.max(bearsLow_C, comfortNight_C),
    comfortHigh_C: Math.min(DAY_CEILING_C, comfortDay_C),
    checkNight_C: isTender(crop) ? (crop.checkNight_C ?? CHECK_NIGHT_C) : null,
  };
}

/** The coldest night a plan may give: what it bears, and never below the line that checks it. */
export const coldestNight_C = ({ bearsLow_C, checkNight_C }: StageBands): number =>
  checkNight_C === null ? bearsLow_C : Math.max(bearsLow_C, checkNight_C);

/**
 * First stage in which a crop may stand in a frame or on standing ground: the book's own word, else hardy crops from sowing,
 * half-hardy ones from spacing out, all others to be hardened. @source common practice, no source
 */
export function openAirFrom({ hardiness, openAirFrom: said }: Pick<Crop, 'hardiness' | 'openAirFrom'>): Stage {
  if (said) return said;
  return hardiness === 'hardy' ? 'germinate' : hardiness === 'half-hardy' ? 'space' : 'harden';
}

const OPEN_AIR: readonly PlaceKind[] = ['frame', 'ground'];

/** Whether a kind of place is open to a crop's stage, by how soon the crop may stand in a frame or on the ground. */
export function mayStandIn(kind: PlaceKind, stage: Stage, crop: Pick<Crop, 'hardiness' | 'openAirFrom'>): boolean {
  return !OPEN_AIR.includes(kind) || ALL_STAGES.indexOf(stage) >= ALL_STAGES.indexOf(openAirFrom(crop));
}

/** What contradicts itself in the bands of a stage; empty: nothing. By the name of the figure at fault. */
export function bandFaults(bands: StageBands): { readonly figure: keyof StageBands; readonly text: string }[] {
  const faults: { figure: keyof StageBands; text: string }[] = [];
  const { bearsLow_C, bearsHigh_C, comfortLow_C, comfortHigh_C, checkNight_C } = bands;
  if (!(bearsLow_C < bearsHigh_C)) faults.push({ figure: 'bearsHigh_C', text: WORDS.mustBeAboveTheColdest });
  if (!(comfortLow_C < comfortHigh_C)) faults.push({ figure: 'comfortHigh_C', text: WORDS.mustBeAboveTheComfortable });
  if (comfortLow_C < bearsLow_C) faults.push({ figure: 'comfortLow_C', text: WORDS.mustNotBeBelowThe });
  if (comfortHigh_C > bearsHigh_C) faults.push({ figure: 'comfortHigh_C', text: WORDS.mustNotBeAboveThe });
  if (checkNight_C !== null && checkNight_C >= comfortHigh_C)
    faults.push({ figure: 'checkNight_C', text: WORDS.mustBeBelowTheComfortable });
  return faults;
}
