import { describe, expect, it } from 'vitest';
import { crops as library } from '../../tests/references/library.ts';
import { requireDay } from '../core/calendar/dayNumber.ts';
import { readBatchLine, type LineBooks } from './batchLine.ts';
import { plain } from './cropNames.ts';

const idOf = (name: string) => library.find((crop) => crop.name === name)!.id;
const books: LineBooks = {
  crops: library,
  varieties: [
    { id: 1, cropId: idOf('lettuce'), name: 'Mill Frill' },
    { id: 2, cropId: idOf('tomato'), name: 'Sun Gate' },
    { id: 3, cropId: idOf('pepper'), name: 'Long Oxbow' },
  ],
  lots: [
    { id: 11, varietyId: 1, code: '12' },
    { id: 12, varietyId: 2, code: '12' },
    { id: 13, varietyId: 3, code: 'WB-103' },
  ],
  today: requireDay('2027-03-01'),
  first: 'day',
};
const read = (line: string, more: Partial<LineBooks> = {}) => readBatchLine(line, { ...books, ...more });
const on = requireDay;

describe('a batch in a line', () => {
  it('number, crop and date, in the order they are said', () => {
    for (const line of [
      '120 tomatoes 24 May',
      '24 May: 120 tomatoes',
      'tomato, 120, out on 24 May',
      '120 plants of tomato for May 24th',
    ]) {
      expect({ line, ...read(line) }).toMatchObject({
        line,
        plants: 120,
        cropId: idOf('tomato'),
        day: on('2027-05-24'),
        times: 1,
        every_days: null,
        isSowing: false,
        problems: [],
      });
    }
  });

  it('several, so many days apart, of a lot', () => {
    expect(read('3 x 200 lettuce every 2 weeks from 1 April, lot 12')).toMatchObject({
      times: 3,
      plants: 200,
      cropId: idOf('lettuce'),
      every_days: 14,
      day: on('2027-04-01'),
      lotId: 11,
      varietyId: 1,
      problems: [],
    });
    expect(read('200 lettuce every fortnight from 1 April to 1 June')).toMatchObject({ times: 5, every_days: 14 });
    expect(read('200 lettuce every week from 1 April')).toMatchObject({ times: 4, every_days: 7, problems: [] });
    expect(read('200 lettuce every 10 days from 1 April, 6 times')).toMatchObject({ times: 6, every_days: 10 });
  });

  it('a variety says its crop; its name is not taken for a day', () => {
    expect(read('200 Mill Frill 3 April')).toMatchObject({ cropId: idOf('lettuce'), varietyId: 1, problems: [] });
    expect(read('60 tomato Sun Gate 20 May')).toMatchObject({ varietyId: 2, day: on('2027-05-20'), problems: [] });
    expect(read('60 Long Oxbow lot wb-103 20 May')).toMatchObject({ varietyId: 3, lotId: 13, problems: [] });
  });

  it('other names in English and plurals are found: each of the library’s names leads to its crop, or asks which', () => {
    const asked = {
      capsicum: 'pepper',
      capsicums: 'pepper',
      zucchini: 'courgette',
      zucchinis: 'courgette',
      eggplants: 'aubergine',
      silverbeet: 'chard',
      arugula: 'rocket',
      cilantro: 'coriander',
      leeks: 'leek',
      'brussels sprouts': 'brussels sprout',
      'climbing french beans': 'bean (climbing)',
      peas: 'pea',
      'sweet peas': 'sweet pea',
      cabbages: 'cabbage',
      radishes: 'radish',
    };
    for (const [name, crop] of Object.entries(asked))
      expect([name, read(`50 ${name} 1 June`).cropId]).toEqual([name, idOf(crop)]);
    for (const crop of library)
      for (const name of [crop.name, ...crop.synonyms.split(';')]) {
        const found = read(`50 ${name.trim()} 1 June`);
        expect([
          name,
          found.cropId === crop.id || found.crops.some(({ id }) => id === crop.id) || plain(name) === '',
        ]).toEqual([name, true]);
      }
  });

  it('days as the house writes them; without a year the next there is; by week, by speech, for the sowing', () => {
    expect(read('10 leek 3/4').day).toBe(on('2027-04-03'));
    expect(read('10 leek 3/4', { first: 'month' }).day).toBe(on('2027-03-04'));
    expect(read('10 leek 2027-05-09').day).toBe(on('2027-05-09'));
    expect(read('10 leek 1 February').day).toBe(on('2028-02-01'));
    expect(read('10 leek week 20').day).toBe(on('2027-05-17'));
    expect(read('10 leek week 2').day).toBe(on('2028-01-10'));
    expect(read('10 leek in 6 weeks').day).toBe(on('2027-04-12'));
    expect(read('sow 10 leek 5 March')).toMatchObject({ isSowing: true, day: on('2027-03-05'), problems: [] });
  });

  it('every day of the year, after every little word', () => {
    const months = 'January February March April May June July August September October November December'.split(' ');
    for (const word of ['', 'from ', 'on ', 'by ', 'for ', 'out ', 'out on '])
      for (let day = on('2027-03-01'); day < on('2028-03-01'); day += word === '' ? 1 : 9) {
        const date = new Date(day * 86_400_000);
        const line = `3 x 200 lettuce Mill Frill every 2 weeks ${word}${date.getUTCDate()} ${months[date.getUTCMonth()]}`;
        expect([line, read(line).day, read(line).problems]).toEqual([line, day, []]);
      }
  });

  it('numbers as they are written', () => {
    for (const text of ['1,200', '1.200', '1 200', "1'200", '1200'])
      expect([text, read(`${text} leeks 1 May`).plants]).toEqual([text, 1200]);
  });

  it('says what is missing, past, unknown or could be two', () => {
    const said = (line: string) => read(line).problems.map(({ part }) => part);
    expect(said('tomatoes 24 May')).toEqual(['plants']);
    expect(said('120 24 May')).toEqual(['crop']);
    expect(said('120 tomatoes')).toEqual(['date']);
    expect(said('120 tomatoes 24 May 2026')).toEqual(['date']);
    expect(said('120 tomatoes 24 May lot 99')).toEqual(['lot']);
    // Not one kind of bean but several: it is asked which, each a tap away.
    expect(read('30 beans 1 June').crops.map(({ name }) => name)).toEqual(
      expect.arrayContaining(['bean (broad)', 'bean (climbing)', 'bean (runner)']),
    );
    expect(read('30 beans 1 June').problems.some(({ message }) => message.startsWith('Which do you mean'))).toBe(true);
    expect(said('')).toEqual(['crop', 'plants', 'date']);
    const odd = read('120 tomatoes wobbly 24 May purple');
    expect(odd.parts.filter(({ as }) => as === null).map(({ text }) => text)).toEqual(['wobbly', 'purple']);
    expect(odd).toMatchObject({ plants: 120, cropId: idOf('tomato'), day: on('2027-05-24') });
    const two = read('120 marigolds and beans 24 May');
    expect(two.problems.length).toBeGreaterThan(0);
    expect(read('40 mints 24 May').cropId).toBe(idOf('mint'));
  });

  it('from 1 to 60 batches a line, at most a year apart', () => {
    const at = (line: string) => read(line).problems.map(({ part }) => part);
    expect(at('60 x 5 leek every day from 1 May')).toEqual([]);
    expect(at('61 x 5 leek every day from 1 May')).toEqual(['times']);
    expect(at('0 x 5 leek every day from 1 May')).toEqual(['times']);
    expect(at('2 x 5 leek every 52 weeks from 1 May')).toEqual([]);
    expect(at('2 x 5 leek every 53 weeks from 1 May')).toEqual(['every']);
  });

  it('its parts are stretches of the line as it was typed', () => {
    const line = '3 x 200 lettuce every 2 weeks from 1 April, lot 12';
    for (const { from, to, text } of read(line).parts) expect(line.slice(from, to)).toBe(text);
    expect(read(line).parts.map(({ as }) => as)).toEqual(['times', 'plants', 'crop', 'every', 'date', 'lot']);
  });

  it('is not upset by what is not a line: long, in other letters, with signs', () => {
    for (const line of [
      'x'.repeat(2000),
      '🍅🍅🍅',
      'عدد 120 طماطم',
      '((((',
      '1e99 tomatoes 24 May',
      '0x10 leek',
      '\t\n',
    ])
      expect(read(line).problems.length).toBeGreaterThan(0);
    expect(read(`120 tomatoes 24 May${' '.repeat(500)}`).plants).toBe(120);
  });
});
