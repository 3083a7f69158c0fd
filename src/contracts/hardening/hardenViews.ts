import type { Explanation } from '../../core/explanation.ts';
import type { DayWeather, Flag } from '../../core/weather/forecast.ts';
import type { LidDay } from '../../core/heat/lid.ts';
import type { Rung } from '../../core/hardening/programme.ts';
import type { LadderAt, LadderDay, LadderRules, HardeningAction } from '../../core/hardening/ladder.ts';
import type { GateKey, GateMode, GateState, Verdict } from '../../core/planting/gates.ts';
import type { Quantiles } from '../../core/planting/odds.ts';
import type { Spacing } from '../../core/planting/spacing.ts';
import type { EstablishmentResult } from '../../core/batch/event.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import type { CoverRecord, ProgrammeRecord } from '../../core/hardening/records.ts';
import type { ForecastStatus } from '../weather/forecast.ts';

/** A day of the forecast as screens show it. */
export interface SkyDay extends DayWeather {
  readonly flags: readonly Flag[];
  /** Odds of a night at or below freezing; null: not told. */
  readonly frost_frac: number | null;
  /** Nine nights of ten lie above this; null: not told. */
  readonly low10_C: number | null;
}

/** The forecast in use. */
export interface ForecastView {
  readonly source: string;
  readonly kind: 'service' | 'typed' | 'file';
  readonly madeAt_ms: number;
  readonly age_h: number;
  readonly stale: boolean;
  readonly short_days: number;
  readonly days: readonly SkyDay[];
  readonly pairs: number;
  readonly tries: ForecastStatus | null;
}

/** A day of a batch's ladder. */
export interface RungDay {
  readonly day: number;
  readonly say: HardeningAction;
  readonly rung: number;
  readonly climbs: boolean;
  readonly done: boolean;
  /** The figure that decided, in words; '' when nothing stands against it. */
  readonly why: string;
}

export interface LadderView {
  readonly batchId: number;
  readonly version: number;
  readonly code: string;
  readonly name: string;
  readonly trays: number;
  readonly placeName: string;
  readonly programmeId: number;
  readonly programme: string;
  readonly chosen: boolean;
  readonly rungs: readonly Rung[];
  readonly rung: number;
  readonly served: number;
  readonly of: number;
  /** Hardening, or the day it is to begin. */
  readonly startsOn: number | null;
  readonly today: string;
  readonly say: HardeningAction | null;
  readonly why: string;
  readonly order: string;
  readonly days: readonly RungDay[];
  readonly setBackTo: number | null;
  readonly harmedOn: number | null;
  readonly harmWords: string;
  readonly hardened: boolean;
  readonly loggedToday: boolean;
  readonly heldDays: readonly number[];
  readonly transplantOn: number;
  /** Day it is expected out, plants, ladder and gates together; null: not likely in the days looked at. */
  readonly expectedOn: number | null;
  readonly end: Quantiles | null;
  readonly inTime_frac: number | null;
  readonly explanation: Explanation | null;
  /** Before it begins: rungs the site can as good as never do at that time. */
  readonly never: readonly number[];
  /** To try a hold in the page. */
  readonly rules: LadderRules;
  readonly start: LadderAt;
  readonly restsUntil: number;
  readonly heldUntil: number;
}

/** A thing to carry at an hour. */
export interface CarryLine {
  readonly hour: number;
  readonly what: 'out' | 'in' | 'cover';
  readonly words: string;
  readonly names: readonly string[];
  readonly trays: number;
  readonly minutes: number;
}

export interface HardenView {
  readonly today: number;
  readonly unit: TemperatureUnit;
  readonly forecast: ForecastView | null;
  /** Weather of the coming days as ladders look at it. */
  readonly coming: readonly LadderDay[];
  readonly carry: readonly CarryLine[];
  readonly ladders: readonly LadderView[];
  readonly programmes: readonly Pick<ProgrammeRecord, 'id' | 'name' | 'kind'>[];
}

/** A structure with the coming days by hours and what to do with its lid. */
export interface StructureView {
  readonly cover: CoverRecord;
  readonly placeName: string;
  readonly range: { readonly least_C: number; readonly most_C: number };
  readonly standing: readonly string[];
  readonly days: readonly LidDay[];
  /** Outside by the same hours as the days. */
  readonly outside_C: readonly (readonly number[])[];
  readonly today: string;
  readonly tonight: string;
  readonly explanation: Explanation;
}

/** A gate with its words. */
export interface GateView {
  readonly key: GateKey;
  readonly name: string;
  readonly mode: GateMode;
  readonly state: GateState;
  readonly figure: string;
  readonly words: string;
  /** First day it is likely to pass, and in how many springs it has by the transplant date. */
  readonly first: Quantiles | null;
  readonly byDate_frac: number | null;
  readonly explanation: Explanation;
}

export interface PlantLine {
  readonly batchId: number;
  readonly version: number;
  readonly code: string;
  readonly name: string;
  readonly cropName: string;
  readonly plants: number;
  readonly trays: number;
  readonly transplantOn: number;
  /** Day it is expected out, plants, ladder and gates together; null: not likely in the days looked at. */
  readonly expectedOn: number | null;
  readonly verdict: Verdict;
  readonly by: string;
  readonly gates: readonly GateView[];
  readonly out: Quantiles | null;
  readonly inTime_frac: number | null;
  readonly frost_frac: number | null;
  readonly unlikely: boolean;
  readonly coverId: number | null;
  readonly coverName: string;
  readonly spacing: Spacing;
  readonly ground_m2: number;
  /** What waiting costs. */
  readonly overAgeOn: number | null;
  readonly slots: number;
  readonly placeName: string;
  readonly placeOverOn: number | null;
  readonly offers: readonly DateOffer[];
  /** First day at the risk taken, in the open and under each cover. */
  readonly outFromBy: readonly OutFromBy[];
}

export interface OutFromBy {
  readonly coverId: number | null;
  readonly name: string;
  readonly day: number | null;
  readonly by: 'frost' | 'soil' | 'nights' | 'frost date';
  /** At any time of its spring. */
  readonly fromStart: boolean;
  /** Earlier than in the open; null: one of the two is never. */
  readonly sooner_days: number | null;
}

/** A way out for a batch whose date has become unlikely. */
export interface DateOffer {
  readonly words: string;
  readonly inTime_frac: number;
  readonly transplantOn: number | null;
  readonly coverId: number | null;
}

export interface PlantedLine {
  readonly batchId: number;
  readonly code: string;
  readonly name: string;
  readonly plantedOn: number;
  readonly count: number | null;
  readonly coverName: string;
  /** Whether its cover lies over it now; null: it went out without. */
  readonly covered: boolean | null;
  /** What it wants today. */
  readonly care: readonly string[];
  readonly bed: string;
  readonly stood: EstablishmentResult | null;
  readonly stoodCount: number | null;
  readonly stoodOn: number | null;
  readonly askOn: number;
}

export interface PlantView {
  readonly today: number;
  readonly unit: TemperatureUnit;
  readonly lengthUnit: 'cm' | 'in';
  readonly forecast: ForecastView | null;
  readonly soil_C: number | null;
  readonly soilReadOn: number | null;
  readonly lines: readonly PlantLine[];
  readonly planted: readonly PlantedLine[];
  readonly covers: readonly (Pick<CoverRecord, 'id' | 'name' | 'layers' | 'toHand_m2' | 'soil_K'> & {
    readonly safe_K: number;
    readonly warm_K: number;
    readonly free_m2: number;
  })[];
}

/** Dates to suggest for a crop. */
export interface OutDatesView {
  readonly risk_frac: number;
  readonly dates: readonly OutFromBy[];
}

/** A batch whose date has become unlikely. */
export interface UnlikelyDate {
  readonly batchId: number;
  readonly version: number;
  readonly name: string;
  readonly transplantOn: number;
  readonly inTime_frac: number;
  /** The gate it most waits for, in words. */
  readonly waits: string;
  readonly offers: readonly DateOffer[];
}
