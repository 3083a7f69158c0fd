import { z } from 'zod';
import { idempotencyKey } from '../batch/batches.ts';
import { figure, freeText, isoDay, recordId } from '../fields.ts';
import type { SiteReading } from '../../core/weather/siteReading.ts';
import { WORDS } from '../../words/en/weather/siteReadingsContracts.ts';

/** A reading taken by hand: max-min thermometer outside or under a cover, or the soil thermometer. */
export const siteReadingInput = z
  .strictObject({
    idempotencyKey,
    kind: z.enum(['max-min', 'soil', 'withdrawn'], { error: WORDS.kindMaxMinSoilOr }),
    day: isoDay('day'),
    /** null: outside. */
    coverId: recordId('cover').nullable().default(null),
    least_C: figure(WORDS.lowestInDegreesC, -60, 60).nullable().default(null),
    most_C: figure(WORDS.highestInDegreesC, -60, 80).nullable().default(null),
    gust_m_s: figure(WORDS.strongestGustInMS, 0, 100).nullable().default(null),
    soil_C: figure(WORDS.soilInDegreesC, -30, 50).nullable().default(null),
    /** What the thermometer shows in melting ice; taken off. */
    offset_K: figure(WORDS.inMeltingIceDegreesC, -5, 5).default(0),
    note: freeText('note', 500),
    correctsId: recordId(WORDS.readingCorrected).nullable().default(null),
  })
  .superRefine((r, ctx) => {
    const say = (path: string, message: string) => ctx.addIssue({ code: 'custom', path: [path], message });
    if (r.kind === 'max-min' && r.least_C === null && r.most_C === null) say('least_C', WORDS.lowestReadAtLeastOne);
    if (r.kind === 'soil' && r.soil_C === null) say('soil_C', WORDS.soilWhatTheThermometerSays);
    if (r.kind === 'withdrawn' && r.correctsId === null) say('correctsId', WORDS.sayWhichReadingIsWithdrawn);
    if (r.least_C !== null && r.most_C !== null && r.least_C > r.most_C)
      say('most_C', `highest: ${WORDS.notBelowTheLowestAre}`);
  });
export type SiteReadingInput = z.infer<typeof siteReadingInput>;

/** What a cover is worth by the site's own nights, beside what was written. */
export interface WorthView {
  readonly coverId: number;
  readonly name: string;
  readonly layers: number;
  readonly written_K: number;
  readonly worth_K: number;
  readonly spread_K: number;
  readonly safe_K: number;
  readonly own: boolean;
  readonly nights: number;
  readonly wants: number;
  readonly pairs: readonly { readonly day: number; readonly inside_C: number; readonly outside_C: number }[];
}

export interface ReadingsShown {
  readonly today: number;
  readonly unit: 'C' | 'F';
  readonly readings: readonly SiteReading[];
  readonly worths: readonly WorthView[];
  readonly soil: readonly { readonly day: number; readonly value_C: number; readonly read_C: number | null }[];
  readonly covers: readonly { readonly id: number; readonly name: string }[];
}
