import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromCell, toCell } from './csvText.ts';
import { dateOrderOf, typedDay } from './typedDay.ts';
import { gatesFromCell, offHeatCell, offHeatFromCell } from './batchColumns.ts';
import { requireDay } from '../core/calendar/dayNumber.ts';

describe('cells', () => {
  it('no spreadsheet runs what goes out, and it comes back as it was', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.string().map((s) => `=${s}`),
          fc.string().map((s) => `''+${s}`),
        ),
        (text) => {
          expect(toCell(text)).not.toMatch(/^[=+\-@\t\r]/);
          expect(fromCell(toCell(text))).toBe(text);
        },
      ),
      { seed: 4, numRuns: 500 },
    );
  });
  it('rules and gates of a batch read as they were written', () => {
    for (const rule of [
      null,
      { kind: 'half-up' },
      { kind: 'all-up' },
      { kind: 'share', share_frac: 0.75 },
      { kind: 'days-after', days: 9 },
    ] as const)
      expect(offHeatFromCell(offHeatCell(rule))).toEqual(rule);
    expect(offHeatFromCell('soon')).toBeUndefined();
    expect(gatesFromCell('soil off; storm advisory')).toEqual({ soil: 'off', storm: 'advisory' });
    expect(gatesFromCell('soil maybe')).toBeUndefined();
  });
});

describe('dates as written', () => {
  it('say their own order where they can, and are refused where they cannot be read', () => {
    expect(dateOrderOf(['24/05/2027', '01/06/2027'])).toBe('dmy');
    expect(dateOrderOf(['05/24/2027', '06.01.2027'])).toBe('mdy');
    expect(dateOrderOf(['03/04/2027', '2027-05-20'])).toBe('either');
    expect(dateOrderOf(['24/05/2027', '05/24/2027'])).toBe('mixed');
    expect(dateOrderOf(['2027-05-20', ''])).toBe('none');
    expect(typedDay('3/4/2027', 'dmy')).toBe(requireDay('2027-04-03'));
    expect(typedDay('3/4/2027', 'mdy')).toBe(requireDay('2027-03-04'));
    expect(typedDay('29/02/2027', 'dmy')).toBeNull();
    expect(typedDay('3/4/2027', null)).toBeNull();
    expect(typedDay('2028-02-29', null)).toBe(requireDay('2028-02-29'));
  });
});
