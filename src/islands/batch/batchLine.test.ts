import { describe, expect, it } from 'vitest';
import type { ReadLine } from '../../contracts/batch/batchLines.ts';
import { everyWords, phrasesOf, withPart } from './batchLine.ts';

const read = (more: Partial<ReadLine> = {}): ReadLine => ({
  line: '3 x 200 lettuce every 2 weeks from 1 April, lot 12',
  parts: [
    { from: 0, to: 3, as: 'times' },
    { from: 4, to: 7, as: 'plants' },
    { from: 8, to: 15, as: 'crop' },
    { from: 16, to: 29, as: 'every' },
    { from: 35, to: 42, as: 'date' },
    { from: 44, to: 50, as: 'lot' },
  ],
  problems: [],
  crops: [],
  crop: 'lettuce',
  variety: 'Mill Frill',
  lot: '12',
  plants: 200,
  times: 3,
  every_days: 14,
  day: '2027-04-01',
  isSowing: false,
  batches: [],
  ...more,
});

describe('the sentence of a line', () => {
  it('has every part in one order, and says what is missing', () => {
    expect(phrasesOf(read(), 2027).map(({ words }) => words)).toEqual([
      '3 batches',
      '200 plants each',
      'lettuce',
      'Mill Frill',
      'lot 12',
      'out 1 Apr',
      'every 2 weeks',
    ]);
    const bare = read({ crop: null, variety: null, lot: null, plants: null, times: 1, every_days: null, day: null });
    expect(phrasesOf(bare, 2027)).toEqual([
      { part: 'plants', words: 'how many?', isSaid: false },
      { part: 'crop', words: 'which crop?', isSaid: false },
      { part: 'date', words: 'when?', isSaid: false },
    ]);
    expect(phrasesOf(read({ isSowing: true }), 2027).at(-2)!.words).toBe('sown 1 Apr');
    expect([1, 7, 10, 21].map(everyWords)).toEqual(['every day', 'every week', 'every 10 days', 'every 3 weeks']);
  });

  it('a part that is changed takes the place of what stood there; the rest of the line stays as it was typed', () => {
    expect(withPart(read(), 'plants', '250')).toBe('3 x 250 lettuce every 2 weeks from 1 April, lot 12');
    expect(withPart(read(), 'date', '2027-04-09')).toBe('3 x 200 lettuce every 2 weeks from 2027-04-09, lot 12');
    expect(withPart(read(), 'every', '21')).toBe('3 x 200 lettuce every 21 days from 1 April, lot 12');
    expect(withPart(read(), 'times', '5')).toBe('5 times 200 lettuce every 2 weeks from 1 April, lot 12');
  });

  it('a part that was not said is put at the end; a crop where the word stands that was not understood', () => {
    const line = read({
      line: '120 tomatos 24 May',
      crop: null,
      parts: [
        { from: 0, to: 3, as: 'plants' },
        { from: 4, to: 11, as: null },
        { from: 12, to: 18, as: 'date' },
      ],
    });
    expect(withPart(line, 'crop', 'tomato')).toBe('120 tomato 24 May');
    expect(withPart(read({ line: '80 leeks ', parts: [{ from: 0, to: 2, as: 'plants' }] }), 'date', '1 May')).toBe(
      '80 leeks 1 May',
    );
  });
});
