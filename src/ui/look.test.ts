import { describe, expect, it } from 'vitest';
import { lookIn } from './look.ts';

describe('how the pages look', () => {
  it('is what the cookie says; what it does not say, or says wrongly, is as usual', () => {
    const usual = { theme: 'system', contrast: 'usual', text: 'usual' };
    expect(lookIn('')).toEqual(usual);
    expect(lookIn('crook-person=3; crook-look=dim.high.largest')).toEqual({
      theme: 'dim',
      contrast: 'high',
      text: 'largest',
    });
    expect(lookIn('crook-look=dim')).toEqual({ ...usual, theme: 'dim' });
    expect(lookIn('crook-look=<script>.x.y.z; other=dim')).toEqual(usual);
  });
});
