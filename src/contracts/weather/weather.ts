import { z } from 'zod';
import type { RiskDate, FrostChoice } from '../../core/weather/frost.ts';

import { WIND_UNITS, type SiteWind } from '../../core/weather/siteWind.ts';
import { figure, shortText, version } from '../fields.ts';
import { WEATHER_UNITS } from '../../formats/weatherFile.ts';
import { WORDS } from '../../words/en/weather/weatherContracts.ts';

const column = z.string().max(120, { error: WORDS.columnAtMost120Letters });
export const weatherImport = z.strictObject({
  name: shortText(WORDS.nameOfTheFileOr, 100),
  text: z.string().min(1, { error: WORDS.fileItIsEmpty }).max(8_000_000, { error: WORDS.fileAtMost8Mb }),
  /** null for a .dly file, which names its own. */
  columns: z
    .strictObject({
      date: column,
      least: column,
      most: column.nullable(),
      rain: column.nullable(),
      wind: column.nullish(),
      windIs: z.enum(['gust', 'mean'], { error: WORDS.windStrongestGustOrMean }).optional(),
      windUnit: z.enum(WIND_UNITS, { error: WORDS.windMSKmH }).optional(),
      station: column.nullable(),
      stationIs: column.nullable(),
      unit: z.enum(WEATHER_UNITS, { error: WORDS.unitCFOrTenths }),
    })
    .nullable(),
  /** false: only say what is in it. */
  commit: z.boolean(),
});
export type WeatherImport = z.infer<typeof weatherImport>;

export const frostChoice = z.strictObject({
  version,
  threshold_C: figure(WORDS.thresholdInDegreesC, -20, 15),
  risk_frac: figure('risk', 0.02, 0.9),
});
export const weatherDrop = z.strictObject({ source: shortText('source', 120) });

/** What the weather of the site says of frost. Days are day numbers. */
export interface FrostView {
  readonly threshold_C: number;
  readonly risk_frac: number;
  /** Whether the usual temperatures it goes by are a rough guess by where the site lies. */
  readonly isGuess: boolean;
  readonly south: boolean;
  readonly years: readonly {
    readonly label: string;
    readonly lastSpring: number | null;
    readonly firstAutumn: number | null;
    readonly springKnown: boolean;
    readonly autumnKnown: boolean;
    readonly missing: number;
    /** Days into the season, so that years stand above each other. */
    readonly springOffset: number | null;
    readonly autumnOffset: number | null;
  }[];
  readonly spring: { readonly used: number; readonly without: number; readonly at: RiskDate | null };
  readonly autumn: { readonly used: number; readonly without: number; readonly at: RiskDate | null };
  /** By half months: usual day and night, soil at 10 cm, odds of frost from then on, day length, what may go out. */
  readonly halves: readonly {
    readonly day: number;
    readonly day_C: number | null;
    readonly night_C: number | null;
    readonly soil_C: number | null;
    readonly frost_frac: number | null;
    /** Years known in which one still came; null: no years, or not the spring half. */
    readonly seen_years: number | null;
    readonly light_h: number;
    readonly cool: boolean;
    readonly warm: boolean;
    /** Cool crops that may still be set out for autumn: in the open, or only under a layer. */
    readonly autumn: readonly { readonly hardiness: string; readonly layer: boolean }[];
  }[];
  /** First day out for each crop, in the open and under layers of cover; empty without history. */
  readonly out: readonly {
    readonly cropId: number;
    readonly name: string;
    readonly hardiness: string;
    /** By layers, 0 to 2. */
    readonly dates: readonly {
      readonly date: string | null;
      readonly by: 'frost' | 'soil' | 'nights';
      readonly sooner_days: number | null;
    }[];
    /** Last day to set out for autumn and winter, in the open and under a layer; null: nothing ends it. */
    readonly last: readonly { readonly date: string | null; readonly by: 'frost' | 'light' }[];
  }[];
  readonly layer_K: number;
  /** From the file, or guessed from normals. */
  readonly from: 'years' | 'normals' | 'nothing';
}

export interface WeatherView {
  readonly version: number;
  /** Warming of the nights over all years imported; null: too few years. */
  readonly trend: { readonly K_per_decade: number; readonly years: number } | null;
  /** The last years gone by; null: all. */
  readonly climateYears: number | null;
  /** Strongest gusts of the site; null: no site yet. */
  readonly wind: SiteWind | null;
  readonly sources: readonly {
    readonly name: string;
    readonly from: number;
    readonly to: number;
    readonly days: number;
  }[];
  readonly gaps: readonly { readonly from: number; readonly to: number }[];
  readonly gapCount: number;
  readonly lastFrost: string;
  readonly firstFrost: string;
  readonly chosen: FrostChoice | null;
  readonly frost: FrostView;
}

export interface WeatherPreview {
  readonly days: number;
  readonly from: number | null;
  readonly to: number | null;
  readonly least_C: number | null;
  readonly most_C: number | null;
  readonly problems: readonly { readonly line: number; readonly message: string }[];
  readonly problemCount: number;
  readonly repeated: number;
  readonly unlike: readonly number[];
  readonly stations: readonly string[];
  readonly doubts: readonly string[];
  readonly written: { readonly fresh: number; readonly replaced: number } | null;
}
