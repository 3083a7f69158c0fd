import { describe, expect, it } from 'vitest';
import { requireDay } from '../core/calendar/dayNumber.ts';
import { readOldTrays } from './oldTrays.ts';

const HEAD = 'crop,variety,tray,sown_on,seeds,temperature_c,counted_on,up';
const read = (lines: readonly string[], order: 'dmy' | 'mdy' | null = null, head = HEAD) =>
  readOldTrays([head, ...lines].join('\n'), order);

describe('a file of trays of years before', () => {
  it('puts the counts of one tray together, in order of day', () => {
    const { trays, faults } = read([
      'tomato,Red,1,2022-03-01,"1,200",21.5,2022-03-09,700',
      'tomato,Red,1,2022-03-01,1200,21.5,2022-03-07,30',
      'tomato,Red,2,2022-03-01,60,21.5,2022-03-07,0',
    ]);
    expect(faults).toEqual([]);
    expect(trays.map(({ tray, line, seeds, counts }) => [tray, line, seeds, counts.map(({ up }) => up)])).toEqual([
      ['1', 2, 1200, [30, 700]],
      ['2', 4, 60, [0]],
    ]);
    expect(trays[0]!.counts[0]!.day).toBe(requireDay('2022-03-07'));
  });
  it('takes semicolons with a decimal comma, Fahrenheit, and days written either way round', () => {
    const head = 'Crop;Tray;Sown on;Seeds;Temperature F;Counted on;Up';
    const { trays, faults } = read(['leek;A;14/02/2023;100;68,9;03/03/2023;80'], null, head);
    expect(faults).toEqual([]);
    expect(trays[0]!.temperature_C).toBeCloseTo(20.5, 9);
    expect(trays[0]!.sownOn).toBe(requireDay('2023-02-14'));
    const both = read(['leek,,A,04/02/2023,100,20,05/02/2023,80']);
    expect(both.faults).toEqual([{ path: 'dateOrder', message: expect.stringContaining('two ways') as string }]);
    expect(read(['leek,,A,04/02/2023,100,20,05/02/2023,80'], 'mdy').trays[0]!.sownOn).toBe(requireDay('2023-04-02'));
  });
  it('says line by line what is wrong, and takes none of a tray that is', () => {
    const faults = (line: string, ...more: string[]) => read([line, ...more]).faults.map(({ path }) => path);
    const good = 'leek,,A,2023-02-14,100,20,2023-03-01,80';
    expect(faults(good)).toEqual([]);
    expect(faults('leek,,A,2023-02-31,100,20,2023-03-01,80')).toEqual(['lines.2.sown_on']);
    expect(faults('leek,,A,2023-02-14,0,20,2023-03-01,0')).toEqual(['lines.2.seeds']);
    expect(faults('leek,,A,2023-02-14,100,2O,2023-03-01,80')).toEqual(['lines.2.temperature_c']);
    expect(faults('leek,,A,2023-02-14,100,68,2023-03-01,80')).toEqual(['lines.2.temperature_c']);
    expect(faults('leek,,A,2023-02-14,100,,2023-03-01,80')).toEqual(['lines.2.temperature_c']);
    expect(faults('leek,,A,2023-02-14,100,20,2023-02-13,80')).toEqual(['lines.2.counted_on']);
    expect(faults('leek,,A,2023-02-14,100,20,2024-02-15,80')).toEqual(['lines.2.counted_on']);
    expect(faults('leek,,A,2023-02-14,100,20,2023-03-01,101')).toEqual(['lines.2.up']);
    expect(faults('leek,,A,2023-02-14,100,20,2023-03-01,some')).toEqual(['lines.2.up']);
    expect(faults(',,,2023-02-14,100,20,2023-03-01,80')).toEqual(['lines.2.tray', 'lines.2.crop']);
    expect(faults(good, good)).toEqual(['lines.3.counted_on']);
    expect(faults(good, 'leek,,A,2023-02-14,90,20,2023-03-02,81')).toEqual(['lines.3.tray']);
    expect(faults(good, 'leek,,a,2023-02-14,100,20,2023-03-02,79')).toEqual(['lines.2.up']);
  });
  it('a heading that lacks something says what it needs; an empty file and too long a one as well', () => {
    expect(readOldTrays('crop,tray\nleek,A', null).faults[0]!.message).toMatch(/lacks sown_on, seeds, counted_on, up/);
    const noTemperature = 'crop,tray,sown_on,seeds,counted_on,up';
    expect(readOldTrays(`${noTemperature}\nx,1,2023-01-01,1,2023-01-02,1`, null).faults[0]!.message).toMatch(
      /temperature_c/,
    );
    expect(readOldTrays(`${noTemperature},temperature_c,temperature_f\n`, null).faults[0]!.path).toBe('heading');
    expect(readOldTrays(HEAD, null).faults[0]!.path).toBe('file');
    const long = Array.from({ length: 20_001 }, (_, i) => `leek,,T${i},2023-02-14,100,20,2023-03-01,80`);
    expect(read(long).faults[0]!.message).toMatch(/More than 20000/);
  });
});
