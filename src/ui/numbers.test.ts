import { describe, expect, it } from 'vitest';
import { decimal, percent, upTo } from './numbers.ts';

describe('figures as they are shown', () => {
  it('have the digits asked for, groups of three, a true minus, and no negative nought', () => {
    expect([decimal(0.449, 1), decimal(1240.4), decimal(-3.25, 1), decimal(-0.04, 1), decimal(2, 2)]).toEqual([
      '0.4',
      '1,240',
      '−3.3',
      '0.0',
      '2.00',
    ]);
    expect([upTo(2, 1), upTo(2.54, 1), upTo(-0.01, 1)]).toEqual(['2', '2.5', '0']);
    expect([percent(0.354), percent(0.0046, 1), percent(-0.2)]).toEqual(['35%', '0.5%', '−20%']);
  });
});
