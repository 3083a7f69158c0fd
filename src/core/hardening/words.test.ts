import { describe, expect, it } from 'vitest';
import { OPEN_RUNG as bare } from '../../../tests/support/rung.ts';
import type { Decision, Limit } from './ladder.ts';
import { decisionWords, degreesWords, limitWords } from './words.ts';

describe('a decision in words', () => {
  const rungs = [bare, { ...bare, words: 'out in wind' }];
  const limit = (stress: Limit['stress'], figure: number | null, bears: number | null, more: Partial<Limit> = {}) =>
    limitWords({ stress, rung: 2, figure, limit: bears, ...more }, rungs, 'C');
  it('says what is met and what is borne, of each stress', () => {
    expect(limit('cold', 3.2, 5)).toBe('3°C where step 2 wants 5°C or more');
    expect(limit('cold', 4.9, 5)).toBe('4.9°C where step 2 wants 5.0°C or more');
    expect(limit('wind', 15, 12)).toMatch(/^gusts of 54 km\/h, step 2 bears 43 km\/h$/);
    expect(limit('heat', 35, 33)).toMatch(/^35°C by day, step 2 bears 33°C/);
    expect(limit('calm?', null, 12)).toMatch(/^no gusts told, step 2 bears 43 km\/h/);
    expect(limit('rest', null, null)).toBe('resting after potting');
    expect(limit('hand', null, null)).toBe('held by hand');
    expect(limit('unknown', null, null)).toBe('no forecast for it');
    expect(limit('two', 5.5, 5, { raises: 'wind' })).toMatch(/new wind and the day brings 5.5°C, near its lowest/);
    expect(limit('two', 11, 12, { raises: 'sun' })).toMatch(
      /new sun and the day brings gusts of 40 km\/h, near its most/,
    );
    expect(limit('two', 5.5, 5, { raises: 'sun' })).toMatch(/brings 5.5°C, near its lowest/);
    expect(limit('two', 11, 12, { raises: 'sun', rung: 9 })).toMatch(/gusts/);
    expect(degreesWords(-0.1, 'C')).toBe('0°C');
    expect(degreesWords(-3, 'C')).toBe('−3°C');
  });
  it('says what is done on the day', () => {
    const said = (more: Partial<Decision>) =>
      decisionWords(
        { say: 'go', rung: 2, climbs: false, served: 1, of: 2, limit: null, done: false, ...more },
        rungs,
        'C',
      );
    const cold: Limit = { stress: 'cold', rung: 2, figure: 3, limit: 5 };
    expect(said({})).toBe('step 2 of 2: out in wind, day 1 of 2');
    expect(said({ climbs: true })).toBe('step 2 of 2: out in wind');
    expect(said({ of: 1 })).toBe('step 2 of 2: out in wind');
    expect(said({ done: true })).toBe('the last step is done: hardened');
    expect(said({ say: 'hold', limit: cold })).toBe('hold on step 2, out in wind: 3°C where step 2 wants 5°C or more');
    expect(said({ say: 'hold', rung: 0, limit: cold })).toBe('hold: 3°C where step 2 wants 5°C or more');
    expect(said({ say: 'back', rung: 1, limit: cold })).toMatch(/^only step 1, out: 3°C/);
    expect(said({ say: 'back', rung: 0, limit: cold })).toMatch(/^keep them in: 3°C/);
  });
});
