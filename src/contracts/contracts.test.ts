import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayFromIso } from '../core/calendar/dayNumber.ts';
import { openApiDocument } from './openApi.ts';
import { batchInput, batchPatch, eventInput, splitInput } from './batch/batches.ts';
import { clockInput, nurseryInput } from './house/settings.ts';
import { containerInput, lotInput, placeInput } from './books/books.ts';
import { figure, isoDay, monthDay, wholeNumber } from './fields.ts';
import { fieldProblem, ProblemError } from './problem.ts';

const batch = {
  cropId: 1,
  varietyId: null,
  lotId: null,
  plantsWanted: 120,
  spare_frac: 0.1,
  transplantOn: '2027-05-20',
  hardening_days: 8,
  places: { germinate: 1, grow: 2, pot: null, harden: 3 },
  sowContainerId: 1,
  potContainerId: null,
  note: '',
};
const pathsOf = (result: { error?: { issues: { path: PropertyKey[] }[] } | undefined }) =>
  result.error?.issues.map((i) => i.path.join('.')) ?? [];

describe('fields', () => {
  it('whole numbers: nothing but whole numbers in bounds', () => {
    const plants = wholeNumber('plants', 1, 1_000_000);
    for (const good of [1, 120, 1_000_000]) expect(plants.safeParse(good).success).toBe(true);
    for (const bad of [0, -1, 1.5, 1e9, NaN, Infinity, '120', 'ten', null, undefined, {}, true]) {
      expect(plants.safeParse(bad).success, String(bad)).toBe(false);
    }
    expect(plants.safeParse('ten').error!.issues[0]!.message).toBe('plants: type a whole number from 1 to 1000000');
  });

  it('figures refuse what is not finite', () => {
    for (const bad of [NaN, Infinity, -Infinity, '3']) expect(figure('x', -10, 10).safeParse(bad).success).toBe(false);
    expect(figure('x', -10, 10).safeParse(-9.5).success).toBe(true);
  });

  it('days: accepted exactly when the calendar has them', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1890, max: 2210 }),
        fc.integer({ min: 0, max: 14 }),
        fc.integer({ min: 0, max: 33 }),
        (y, m, d) => {
          const text = `${y}-${String(m).padStart(2, '0')}-${String(d).padStart(2, '0')}`;
          const date = new Date(Date.UTC(y, m - 1, d));
          const real =
            y >= 1900 &&
            y <= 2199 &&
            date.getUTCFullYear() === y &&
            date.getUTCMonth() === m - 1 &&
            date.getUTCDate() === d;
          expect(isoDay('day').safeParse(text).success, text).toBe(real);
          expect(dayFromIso(text) !== null).toBe(real);
        },
      ),
      { seed: 21, numRuns: 2000 },
    );
  });

  it('months and days of any year', () => {
    for (const good of ['01-01', '02-29', '12-31']) expect(monthDay('frost').safeParse(good).success).toBe(true);
    for (const bad of ['2-9', '02-30', '13-01', '00-10', '04-31', '', 'May'])
      expect(monthDay('frost').safeParse(bad).success).toBe(false);
  });
});

describe('a batch', () => {
  it('names each field at fault, all at once', () => {
    const wrong = {
      ...batch,
      plantsWanted: 0,
      transplantOn: '2027-02-29',
      spare_frac: -1,
      places: { ...batch.places, grow: 'x' },
    };
    expect(pathsOf(batchInput.safeParse(wrong)).sort()).toEqual([
      'places.grow',
      'plantsWanted',
      'spare_frac',
      'transplantOn',
    ]);
    expect(batchInput.safeParse(batch).success).toBe(true);
  });
  it('a change needs its version and leaves out what is not changed', () => {
    expect(pathsOf(batchPatch.safeParse({ transplantOn: '2027-06-01' }))).toEqual(['version']);
    expect(batchPatch.parse({ version: 3, transplantOn: '2027-06-01' })).toEqual({
      version: 3,
      transplantOn: '2027-06-01',
    });
  });
});

describe('the log', () => {
  it('takes only kinds a person may log', () => {
    const line = { idempotencyKey: '12345678', day: '2027-04-12' };
    for (const kind of ['sown', 'counted', 'lost', 'withdrawn', 'note'])
      expect(eventInput.safeParse({ ...line, kind }).success).toBe(true);
    for (const kind of ['split-in', 'split-out', 'edited', 'eaten', ''])
      expect(eventInput.safeParse({ ...line, kind }).success).toBe(false);
    expect(pathsOf(eventInput.safeParse({ ...line, kind: 'note', idempotencyKey: 'short' }))).toEqual([
      'idempotencyKey',
    ]);
    expect(pathsOf(eventInput.safeParse({ ...line, kind: 'note', note: 'x'.repeat(2001) }))).toEqual(['note']);
  });
  it('a split says how many and when', () => {
    expect(
      pathsOf(splitInput.safeParse({ idempotencyKey: '12345678', version: 1, day: '2027-04-12', count: 0 })),
    ).toEqual(['count']);
  });
});

describe('the books', () => {
  it('a dark chamber has no light, and two periods do not begin on one day', () => {
    const place = {
      name: 'Box',
      kind: 'dark-chamber',
      lit: true,
      room_trays: 4,
      walkOrder: 1,
      periods: [{ from: '01-01', day_C: 25, night_C: 25 }],
    };
    expect(pathsOf(placeInput.safeParse(place))).toEqual(['lit']);
    expect(
      pathsOf(placeInput.safeParse({ ...place, lit: false, periods: [...place.periods, ...place.periods] })),
    ).toEqual(['periods.1.from']);
    expect(
      pathsOf(placeInput.safeParse({ ...place, lit: false, periods: [{ from: '01-01', day_C: 90, night_C: 25 }] })),
    ).toEqual(['periods.0.day_C']);
  });
  it('trays, lots, settings and the clock keep their bounds', () => {
    const tray = { name: 'T', kind: 'cell-tray', cells: 60, perCarryingTray: 1, footprint_slots: 1, volume_L: 3 };
    expect(containerInput.safeParse(tray).success).toBe(true);
    expect(pathsOf(containerInput.safeParse({ ...tray, cells: 0, footprint_slots: 0 }))).toEqual([
      'cells',
      'footprint_slots',
    ]);
    const lot = {
      varietyId: 1,
      code: 'A',
      receivedOn: null,
      germination_percent: 301,
      testedOn: null,
      seeds_count: -1,
    };
    expect(pathsOf(lotInput.safeParse(lot))).toEqual(['germination_percent', 'seeds_count']);
    const nursery = {
      version: 1,
      name: 'N',
      placeName: '',
      latitude_deg: 91,
      longitude_deg: 0,
      timeZone: 'Europe/Lundon',
      temperatureUnit: 'K',
      lengthUnit: 'cm',
      firstWeekday: 8,
      lastFrost: '05-08',
      firstFrost: '10-18',
      spare_frac: 0,
      offHeat: { kind: 'days-after' },
    };
    expect(pathsOf(nurseryInput.safeParse(nursery)).sort()).toEqual([
      'firstWeekday',
      'latitude_deg',
      'offHeat.days',
      'temperatureUnit',
      'timeZone',
    ]);
    expect(clockInput.safeParse({ rate: 60, running: true }).success).toBe(true);
    expect(clockInput.safeParse({ rate: 61 }).success).toBe(false);
  });
});

describe('problems and the document of calls', () => {
  it('a field problem carries its path', () => {
    const error = fieldProblem('places.grow', 'There is no such place.');
    expect(error).toBeInstanceOf(ProblemError);
    expect(error.problem).toMatchObject({
      status: 422,
      errors: [{ path: 'places.grow', message: 'There is no such place.' }],
    });
  });
  it('the document is plain JSON, its references lead somewhere, its paths name their parameters', () => {
    const text = JSON.stringify(openApiDocument());
    const document = JSON.parse(text) as {
      components: { schemas: object };
      paths: Record<string, Record<string, { parameters?: { name: string }[] }>>;
    };
    for (const [, name] of text.matchAll(/"#\/components\/schemas\/(\w+)"/g))
      expect(document.components.schemas).toHaveProperty(name!);
    for (const [path, calls] of Object.entries(document.paths)) {
      const named = [...path.matchAll(/\{(\w+)\}/g)].map((m) => m[1]);
      for (const call of Object.values(calls)) expect(call.parameters?.map((p) => p.name) ?? []).toEqual(named);
    }
  });
});
