import { describe, expect, it } from 'vitest';
import type { BatchPlan } from '../plan/batchPlan.ts';
import type { Chain, Milestone } from '../plan/schedule/chain.ts';
import { logLine as line } from '../../../tests/support/logLines.ts';
import type { BatchEvent } from './event.ts';
import { daysToCome, readyInTime_frac, readySpread_days } from './inTime.ts';
import { LABEL_LEAST_mm, LABEL_SHEETS, labelPlace, labelSheet } from './labelSheets.ts';
import { countsOf, looksOf, progressThrough, teachingCounts } from './looks.ts';
import type { Progress } from './progress.ts';
import { isTrouble, punctuality, windowOf } from './tolerance.ts';
import { readTrayCode, trayCode } from './trayCode.ts';
import type { Crop } from '../books/crop.ts';
import type { SeasonTables } from '../plan/schedule/seasonTables.ts';

describe('against its date', () => {
  const plan = { transplantOn: 100, before_days: 3, after_days: 5 };
  const chain = { kind: 'chain' } as unknown as Chain;
  const at = (on: number | null, its: Pick<BatchPlan, 'transplantOn' | 'before_days' | 'after_days'> = plan) =>
    punctuality({ forecast: chain, out: { on } } as unknown as Progress, its);
  it('on its day, in its days to the last of them, early or late a day beyond', () => {
    expect([96, 97, 100, 105, 106].map((on) => at(on))).toEqual([
      'early',
      'in its days',
      'on time',
      'in its days',
      'late',
    ]);
    expect(at(null)).toBe('not likely');
    expect(punctuality({ forecast: chain, out: null }, plan)).toBe('cannot be');
    expect(punctuality({ forecast: { kind: 'unreachable' }, out: { on: 100 } } as unknown as Progress, plan)).toBe(
      'cannot be',
    );
  });
  it('a batch without days of its own has the usual, one with none has none', () => {
    const usual = windowOf({});
    expect(windowOf(plan)).toEqual({ before_days: 3, after_days: 5 });
    expect(at(100 + usual.after_days, { transplantOn: 100 })).toBe('in its days');
    expect(at(101 + usual.after_days, { transplantOn: 100 })).toBe('late');
    expect(at(101, { transplantOn: 100, before_days: 0, after_days: 0 })).toBe('late');
    expect(at(99, { transplantOn: 100, before_days: 0, after_days: 0 })).toBe('early');
  });
  it('late, not likely and cannot be are the grower’s to mend; early is not', () => {
    const kinds = ['on time', 'in its days', 'early', 'late', 'not likely', 'cannot be'] as const;
    expect(kinds.filter(isTrouble)).toEqual(['late', 'not likely', 'cannot be']);
  });
});

describe('the chance to be ready in time', () => {
  const milestone = (key: string, t: number, status = 'forecast') =>
    ({ key, t, day: Math.floor(t), status }) as unknown as Milestone;
  const chain = (ready_t: number, more: Partial<Record<'harden' | 'plant', string>> = {}): Chain =>
    ({
      kind: 'chain',
      ready_t,
      milestones: [
        milestone('sow', 10.5),
        milestone('half-up', 20.5),
        milestone('harden', 60.5, more.harden),
        milestone('plant', 70.5, more.plant),
      ],
    }) as unknown as Chain;
  const plan = { transplantOn: 70, after_days: 0, hardening_days: 8 };
  const chance = (forecast: object, today: number, its = plan) =>
    readyInTime_frac({ forecast } as unknown as Progress, its, today);

  it('spreads by what is still to come, of a chain hand-worked', () => {
    expect(readySpread_days(10, 0)).toBeCloseTo(2, 12);
    expect(readySpread_days(10, 40)).toBeCloseTo(Math.sqrt(2 ** 2 + 6 ** 2 + 3.2 ** 2), 12);
    expect(daysToCome(chain(60.5), 5.5)).toEqual({ germinating_days: 10, growing_days: 40 });
    expect(daysToCome(chain(60.5), 15.5)).toEqual({ germinating_days: 5, growing_days: 40 });
    expect(daysToCome(chain(60.5), 30.5)).toEqual({ germinating_days: 0, growing_days: 30 });
    expect(daysToCome(chain(90), 65.5)).toEqual({ germinating_days: 0, growing_days: 5 });
    expect(
      daysToCome({ ...chain(60.5), milestones: [milestone('arrive', 30.5), milestone('plant', 70.5)] } as Chain, 5.5),
    ).toEqual({
      germinating_days: 0,
      growing_days: 30,
    });
  });
  it('is a half on the mark, more before, less after, and the tail of the normal two spreads off', () => {
    // Hardened for 8 days by the end of day 70: ready by 63.
    expect(chance(chain(63), 5)).toBeCloseTo(0.5, 9);
    const spread = readySpread_days(10, 42.5);
    expect(chance(chain(63), 5, { ...plan, transplantOn: 72 })).toBeCloseTo(
      0.5 + 0.5 * erf(2 / spread / Math.SQRT2),
      6,
    );
    expect(chance(chain(63), 5, { ...plan, after_days: 2 })).toBeCloseTo(
      chance(chain(63), 5, { ...plan, transplantOn: 72 })!,
      12,
    );
    expect(chance(chain(67), 5)).toBeLessThan(0.35);
  });
  it('is sure where nothing is left to chance', () => {
    expect(chance(chain(63, { plant: 'done' }), 5)).toBe(1);
    expect(chance(chain(63, { harden: 'done' }), 61)).toBe(1);
    expect(chance(chain(63, { harden: 'done' }), 61, { ...plan, transplantOn: 68 })).toBe(1);
    expect(chance(chain(63, { harden: 'done' }), 61, { ...plan, transplantOn: 67 })).toBe(0);
    expect(chance(chain(63), 80)).toBe(1);
    expect(chance(chain(63.1), 80)).toBe(0);
    expect(chance({ kind: 'unreachable' }, 5)).toBeNull();
  });
});

/** @source Abramowitz & Stegun 7.1.26, within 1.5e-7 */
function erf(x: number): number {
  const t = 1 / (1 + 0.3275911 * x);
  return (
    1 -
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) * Math.exp(-x * x)
  );
}

describe('codes of trays', () => {
  it('are read as typed, scanned or in an address, and nothing else is', () => {
    expect(trayCode('K7M', 3)).toBe('K7M-3');
    const read: Record<string, unknown> = {
      'K7M-3': { code: 'K7M', tray: 3 },
      ' k7m 3 ': { code: 'K7M', tray: 3 },
      k7mp: { code: 'K7MP', tray: null },
      'http://crook.local/t/K7M-12': { code: 'K7M', tray: 12 },
      'K7M - 2000': { code: 'K7M', tray: 2000 },
      'K7M-2001': null,
      'K7M-0': null,
      'K7M-12345': null,
      K7: null,
      K7MPQ: null,
      'K1M-3': null,
      KOM: null,
      'K7M-3x': null,
      'xK7M-3-4': null,
      K7M3: { code: 'K7M3', tray: null },
      '': null,
    };
    for (const [text, means] of Object.entries(read)) expect(readTrayCode(text), text).toEqual(means);
  });
});

describe('labels', () => {
  it('every sheet lies on its page with all its labels, none over another', () => {
    for (const sheet of LABEL_SHEETS) {
      const each = sheet.columns * sheet.rows;
      expect(labelSheet(sheet.key)).toBe(sheet);
      expect(sheet.name).toContain(`${sheet.label_mm[0]} x ${sheet.label_mm[1]}`);
      const places = Array.from({ length: each }, (_, n) => labelPlace(sheet, n));
      for (const { page, x_mm, y_mm } of places) {
        expect(page).toBe(0);
        expect(x_mm).toBeGreaterThanOrEqual(0);
        expect(y_mm).toBeGreaterThanOrEqual(-1e-9);
        expect(x_mm + sheet.label_mm[0]).toBeLessThanOrEqual(sheet.page_mm[0] + 1e-9);
        expect(y_mm + sheet.label_mm[1]).toBeLessThanOrEqual(sheet.page_mm[1] + 1e-9);
      }
      for (const a of places)
        for (const b of places)
          if (a !== b)
            expect(
              Math.abs(a.x_mm - b.x_mm) >= sheet.label_mm[0] - 1e-9 ||
                Math.abs(a.y_mm - b.y_mm) >= sheet.label_mm[1] - 1e-9,
            ).toBe(true);
      expect(labelPlace(sheet, each)).toEqual({ ...places[0], page: 1 });
    }
  });
  it('fill from the top left, row by row, from the bottom as PDF counts', () => {
    const sheet = labelSheet('a4-21')!;
    expect(labelPlace(sheet, 0)).toEqual({
      page: 0,
      x_mm: 7.25,
      y_mm: expect.closeTo(297 - 15.15 - 38.1, 9) as number,
    });
    expect(labelPlace(sheet, 2).x_mm).toBeCloseTo(7.25 + 2 * 66, 9);
    expect(labelPlace(sheet, 3)).toEqual({
      page: 0,
      x_mm: 7.25,
      y_mm: expect.closeTo(297 - 15.15 - 2 * 38.1, 9) as number,
    });
    expect(labelPlace(sheet, 45).page).toBe(2);
  });
  it('a roll of a size of one’s own, from the smallest that can be read and scanned to the largest', () => {
    expect(labelSheet('roll-80x40')).toMatchObject({
      label_mm: [80, 40],
      page_mm: [80, 40],
      columns: 1,
      rows: 1,
      left_mm: 0,
    });
    expect(labelSheet('roll-62.5x29.5')!.label_mm).toEqual([62.5, 29.5]);
    expect(LABEL_LEAST_mm).toEqual([35, 18]);
    const fits = ['roll-35x18', 'roll-210x150'].map(labelSheet);
    expect(fits.every(Boolean)).toBe(true);
    for (const key of [
      'roll-34x18',
      'roll-35x17',
      'roll-211x150',
      'roll-210x151',
      'roll-8x40',
      'xroll-80x40',
      'roll-80x40x',
      'a4-99',
      '',
    ])
      expect(labelSheet(key), key).toBeNull();
  });
});

describe('counts of what comes up', () => {
  const counted = (...lines: BatchEvent[]) =>
    countsOf([line('sown', 10, 100), ...lines])?.counts.map(({ day, up }) => [day, up]);
  it('rise by day, never above what was sown; the last of a day stands', () => {
    expect(counted(line('counted', 14, 20), line('counted', 16, 19), line('counted', 18, 120))).toEqual([
      [14, 20],
      [16, 20],
      [18, 100],
    ]);
    expect(counted(line('counted', 14, 20), line('counted', 14, 25))).toEqual([[14, 25]]);
    expect(counted(line('counted', 16, 30), line('counted', 14, 20))).toEqual([
      [14, 20],
      [16, 30],
    ]);
    expect(counted(line('emerged', 15, 50), line('emerged', 16, null))).toEqual([[15, 50]]);
  });
  it('those lost had come up; what is counted after potting or hardening says nothing of coming up', () => {
    expect(counted(line('counted', 14, 20), line('lost', 15, 5), line('counted', 16, 30))).toEqual([
      [14, 20],
      [16, 35],
    ]);
    expect(counted(line('lost', 13, 2), line('counted', 14, 10, { tray: 1 }))).toEqual([[14, 12]]);
    expect(counted(line('counted', 14, 20), line('potted', 30, 90), line('counted', 31, 90))).toEqual([[14, 20]]);
    expect(counted(line('counted', 14, 20), line('hardening-started', 30, null), line('counted', 31, 90))).toEqual([
      [14, 20],
    ]);
  });
  it('tray by tray a day counts when every tray was counted on it', () => {
    const [a, b] = [{ tray: 1 }, { tray: 2 }];
    expect(
      counted(
        line('counted', 14, 10, a),
        line('counted', 14, 5, b),
        line('counted', 16, 20, a),
        line('counted', 18, 30, a),
        line('counted', 18, 31, b),
      ),
    ).toEqual([
      [14, 15],
      [18, 61],
    ]);
  });
  it('of what was not sown here there are none', () => {
    expect(countsOf([line('arrived', 10, 100)])).toBeNull();
    expect(countsOf([line('sown', 10, null)])).toBeNull();
    expect(teachingCounts([line('arrived', 10, 100)], 2)).toBeNull();
  });
  it('with trays left out, the seeds of the rest; never fewer than came up, and none when all are out', () => {
    const log = [
      line('sown', 10, 90),
      line('counted', 14, 28, { tray: 1 }),
      line('counted', 14, 30, { tray: 2 }),
      line('counted', 14, 1, { tray: 3 }),
    ];
    const out = (...trays: number[]) =>
      teachingCounts([...log, ...trays.map((tray) => line('left-out', 15, null, { tray }))], 3);
    expect(out(3)).toMatchObject({ sown: 60, counts: [{ day: 14, up: 58 }] });
    expect(out(2, 3)).toMatchObject({ sown: 30, counts: [{ day: 14, up: 28 }] });
    expect(out(1, 2, 3)).toBeNull();
    expect(teachingCounts([...log, line('left-out', 15, null, { tray: 3 })], 2)).toMatchObject({ sown: 58 });
  });
  it('are weighed from the day after sowing, with the progress of each', () => {
    const sown = {
      sownOn: 10,
      sown: 100,
      counts: [
        { day: 10, up: 0 },
        { day: 11, up: 1 },
        { day: 14, up: 20 },
      ],
    };
    expect(looksOf(sown, (day) => (day - 10) / 10)).toEqual([
      { day: 11, up: 1, progress: 0.1 },
      { day: 14, up: 20, progress: 0.4 },
    ]);
  });
  it('progress runs from noon to noon through the places a batch stood in, and is to stand in', () => {
    // A tenth of the way a day in the chamber, a twentieth in the house.
    const rate: Record<number, number> = { 1: 0.1, 2: 0.05 };
    const tables = {
      germinationOf: (_crop: Crop, placeId: number) => ({
        from: 0,
        total: Float64Array.from({ length: 41 }, (_, i) => i * rate[placeId]!),
      }),
    } as unknown as SeasonTables;
    const places = { germinate: 1, grow: 2, pot: null, harden: 3 };
    const through = (stays: { placeId: number; from: number }[], offHeatOn: number | null, its: object = places) =>
      progressThrough({} as Crop, tables, 10, stays, { places: its } as never, offHeatOn);
    expect(through([], null)(14)).toBeCloseTo(0.4, 9);
    expect(through([], 12)(14)).toBeCloseTo(0.3, 9);
    expect(through([{ placeId: 2, from: 10 }], null)(14)).toBeCloseTo(0.2, 9);
    expect(through([{ placeId: 1, from: 8 }], null)(14)).toBeCloseTo(0.4, 9);
    expect(
      through(
        [
          { placeId: 2, from: 10 },
          { placeId: 1, from: 12 },
        ],
        null,
      )(14),
    ).toBeCloseTo(0.3, 9);
    expect(through([{ placeId: 1, from: 10 }], 10)(14)).toBeCloseTo(0.4, 9);
    expect(through([{ placeId: 1, from: 10 }], 12, { ...places, grow: null })(14)).toBeCloseTo(0.4, 9);
    expect(through([], null, { ...places, germinate: null })(14)).toBe(0);
    expect(through([], null)(10)).toBe(0);
    expect(through([], null)(9)).toBe(0);
  });
});
