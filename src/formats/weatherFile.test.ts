import { describe, expect, it } from 'vitest';
import { isoFromDay } from '../core/calendar/dayNumber.ts';
import { columnsOf, looksLikeDly, readDly, readWeatherCsv, type WeatherColumns } from './weatherFile.ts';

const COLUMNS: WeatherColumns = {
  date: 'date',
  least: 'tmin',
  most: 'tmax',
  rain: null,
  station: null,
  stationIs: null,
  unit: 'C',
};
const csv = (...lines: string[]) => ['date,tmin,tmax', ...lines].join('\n');
/** A year of nights about a mean, as lines. */
const year = (mean: number, swing: number) =>
  Array.from({ length: 365 }, (_, i) => {
    const low = mean - swing * Math.cos((2 * Math.PI * i) / 365);
    return `${isoFromDay(18_262 + i)},${Math.round(low)},${Math.round(low + 8)}`;
  });

describe('daily weather from a CSV', () => {
  it('is read by day, blanks and -9999 as not told, 29 February where there is one', () => {
    const file = readWeatherCsv(
      csv('2020-02-29,-1.5,4', '20200301,,6', '2020/3/2,-9999,', '2020-03-03T00:00,2,3'),
      COLUMNS,
    );
    expect(file.days.map((d) => [isoFromDay(d.day), d.least_C, d.most_C])).toEqual([
      ['2020-02-29', -1.5, 4],
      ['2020-03-01', null, 6],
      ['2020-03-02', null, null],
      ['2020-03-03', 2, 3],
    ]);
  });
  it('says which lines it could not read, and why', () => {
    const file = readWeatherCsv(
      csv('2021-02-29,1,2', '31.12.2020,1,2', '2021-01-02,cold,2', '2021-01-03,9,3', '2021-01-04,-200,3'),
      COLUMNS,
    );
    expect(file.problems.map((p) => p.line)).toEqual([2, 3, 4, 5, 6]);
    expect(file.problems[3]!.message).toMatch(/the lowest, 9, is above the highest, 3/);
    expect(file.days).toEqual([]);
  });
  it('takes a day told twice once, and leaves out one told unlike', () => {
    const file = readWeatherCsv(csv('2020-01-01,1,2', '2020-01-01,1,2', '2020-01-02,1,2', '2020-01-02,0,2'), COLUMNS);
    expect(file.days).toHaveLength(1);
    expect(file.repeated).toBe(2);
    expect(file.unlike.map(isoFromDay)).toEqual(['2020-01-02']);
  });
  it('asks when figures are no Celsius: tenths, Fahrenheit, and the other way about', () => {
    const f = year(48, 18);
    expect(readWeatherCsv(csv(...year(8, 10)), COLUMNS).doubts).toEqual([]);
    expect(readWeatherCsv(csv(...f), COLUMNS).doubts.join()).toMatch(/Fahrenheit/);
    expect(readWeatherCsv(csv(...f), { ...COLUMNS, unit: 'F' }).doubts).toEqual([]);
    expect(readWeatherCsv(csv(...year(80, 100)), COLUMNS).problemCount).toBeGreaterThan(100);
    expect(readWeatherCsv(csv(...year(80, 100)), COLUMNS).doubts.join()).toMatch(/tenths/);
    expect(readWeatherCsv(csv(...year(80, 100)), { ...COLUMNS, unit: 'tenths' }).doubts).toEqual([]);
    expect(readWeatherCsv(csv(...year(8, 10)), { ...COLUMNS, unit: 'tenths' }).doubts.join()).toMatch(/whole degrees/);
    expect(readWeatherCsv(csv(...year(8, 10)), { ...COLUMNS, unit: 'F' }).doubts.join()).toMatch(/Celsius/);
  });
  it('does not mix two places', () => {
    const both = 'date,tmin,tmax,site\n2020-01-01,1,2,hill\n2020-01-01,4,5,coast';
    const where = { ...COLUMNS, station: 'site' };
    expect(readWeatherCsv(both, where).doubts.join()).toMatch(/2 places \(hill, coast\): choose one/);
    expect(readWeatherCsv(both, { ...where, stationIs: 'coast' }).days).toMatchObject([{ least_C: 4 }]);
  });
  it('takes gusts in any unit, means as less than gusts, and doubts what no wind is', () => {
    const text = 'date,least,gust\n2024-05-01,5,36\n2024-05-02,6,\n2024-05-03,7,900\n';
    const where = { date: 'date', least: 'least', most: null, rain: null, station: null, stationIs: null, unit: 'C' };
    const read = (more: object) => readWeatherCsv(text, { ...where, wind: 'gust', ...more } as WeatherColumns);
    const kmh = read({ windUnit: 'km/h' });
    expect(kmh.days.map((d) => d.gust_m_s ?? null)).toEqual([10, null, null]);
    expect(kmh.problems).toMatchObject([{ line: 4, message: expect.stringContaining('which unit') }]);
    // 36 knots of 1852 m an hour (ISO 80000-3); a mean wind of 36 km/h has gusts of 22 m/s (2.2 times, common practice, no source).
    expect(read({ windUnit: 'knots' }).days[0]!.gust_m_s).toBeCloseTo(18.5, 1);
    expect(read({ windUnit: 'km/h', windIs: 'mean' }).days[0]!.gust_m_s).toBeCloseTo(22, 9);
  });
  it('finds its columns by their usual names', () => {
    expect(columnsOf('location,date,precipitation,temp_max,temp_min,wind\n').guess).toEqual({
      date: 'date',
      least: 'temp_min',
      most: 'temp_max',
      rain: 'precipitation',
      station: 'location',
    });
    expect(columnsOf('date,tmin,max_gust\n').guess).toMatchObject({ wind: 'max_gust' });
    expect(columnsOf('STATION,DATE,TMAX,TMIN,PRCP\n').guess).toMatchObject({ date: 'DATE', least: 'TMIN' });
  });
});

describe('a GHCN-Daily .dly file', () => {
  // Columns of the readme: ID 1-11, year 12-15, month 16-17, element 18-21, then value 5, three flags, thirty-one times.
  const line = (element: string, month: string, values: readonly (number | string)[]) => {
    const days = Array.from({ length: 31 }, (_, i) => {
      const value = values[i] ?? -9999;
      return typeof value === 'string' ? value : `${String(value).padStart(5)}   `;
    });
    return `XX000012345${2024}${month}${element}${days.join('')}`;
  };
  it('is read in tenths, with what failed a check left out, and February as long as it is', () => {
    const text = [
      line('TMIN', '02', [-15, '  -40 G ', 22]),
      line('TMAX', '02', [35, 40, 101]),
      line('SNWD', '02', [5]),
    ].join('\n');
    expect(looksLikeDly(text)).toBe(true);
    const { days, problemCount } = readDly(text);
    expect(problemCount).toBe(0);
    expect(days.map((d) => [isoFromDay(d.day), d.least_C, d.most_C])).toEqual([
      ['2024-02-01', -1.5, 3.5],
      ['2024-02-02', null, 4],
      ['2024-02-03', 2.2, 10.1],
    ]);
    expect(looksLikeDly('date,tmin\n2024-01-01,3')).toBe(false);
    expect(readDly('nonsense').problems[0]!.message).toMatch(/not a line/);
  });
});
