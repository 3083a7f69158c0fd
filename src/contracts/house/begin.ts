import { z } from 'zod';
import { STARTING_HOUSE_KEYS } from '../../core/house/startingHouses.ts';
import type { Call } from '../call.ts';
import { figure, freeText, recordId, shortText, wholeNumber } from '../fields.ts';
import { timeZone } from './settings.ts';
import { WORDS } from '../../words/en/house/beginContracts.ts';

/** Frost risks offered: so many years of a hundred may have a harmful night after the plants are out. */
export const LEAST_RISK_frac = 0.01;
export const MOST_RISK_frac = 0.5;

/** The five answers a nursery begins with. */
export const beginInput = z.strictObject({
  name: shortText('name', 80).default(WORDS.myNursery),
  placeName: freeText('town', 80),
  latitude_deg: figure('latitude', -90, 90),
  longitude_deg: figure('longitude', -180, 180),
  timeZone,
  height_m: figure(WORDS.heightAboveTheSeaIn, -450, 6000),
  byTheSea: z.boolean({ error: WORDS.byTheSeaYesOr }),
  temperatureUnit: z.enum(['C', 'F'], { error: 'temperatures: C or F' }),
  lengthUnit: z.enum(['cm', 'in'], { error: WORDS.lengthsCmOrIn }),
  currency: z.string().regex(/^[A-Z]{3}$/, { error: WORDS.currencyThreeCapitalLettersSuch }),
  firstWeekday: wholeNumber(WORDS.firstWeekday, 1, 7),
  house: z.enum(STARTING_HOUSE_KEYS, { error: WORDS.houseChooseOne }),
  /** Places of that house with the room they have; those left out are not made. */
  places: z
    .array(z.strictObject({ key: shortText('place', 40), room_trays: figure(WORDS.roomInTrays, 1, 10_000) }))
    .max(20, { error: WORDS.placesAtMost20 }),
  /** Trays and pots the house uses; the others are retired. */
  containerIds: z
    .array(recordId('tray'))
    .min(1, { error: WORDS.traysChooseOneAtLeast })
    .max(50, { error: WORDS.traysAtMost50 }),
  risk_frac: figure(WORDS.acceptedFrostRisk, LEAST_RISK_frac, MOST_RISK_frac),
});
export type BeginInput = z.infer<typeof beginInput>;

/** A town of the gazetteer, with what follows from where it lies. */
export interface Town {
  readonly id: number;
  readonly name: string;
  /** County, state or province by its code, and country by name: towns of one name are told apart by them. */
  readonly region: string;
  readonly country: string;
  readonly latitude_deg: number;
  readonly longitude_deg: number;
  readonly ways: LocalWays;
}

/** How things are counted in a country. */
export interface LocalWays {
  readonly timeZone: string;
  readonly temperatureUnit: 'C' | 'F';
  readonly lengthUnit: 'cm' | 'in';
  readonly currency: string;
  readonly firstWeekday: number;
}

export const BEGIN_CALLS: readonly Call[] = [
  {
    method: 'post',
    path: '/api/house/begin',
    summary: WORDS.beginANurseryThatHas,
    body: beginInput,
    status: 201,
  },
  { method: 'post', path: '/api/house/begin/demo', summary: WORDS.setUpTheDemo, status: 202 },
  {
    method: 'get',
    path: '/api/house/towns',
    summary: WORDS.townsByTheBeginningOf,
    status: 200,
  },
];
