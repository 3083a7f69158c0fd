import { describe, expect, it } from 'vitest';
import { cropNamed, crops } from '../../../tests/references/library.ts';
import { ALL_STAGES } from '../plan/stage.ts';
import { bandFaults, bandsOf, coldestNight_C, isTender, mayStandIn, openAirFrom } from './bands.ts';

const GROWING = ['grow', 'pot', 'space'] as const;

describe('bands of the library’s crops', () => {
  it('contradict themselves for none of them in any stage', () => {
    for (const crop of crops)
      for (const stage of ALL_STAGES) expect(bandFaults(bandsOf(crop, stage)), `${crop.name} ${stage}`).toEqual([]);
  });

  // Common practice, no source: tomatoes under 10 are checked and stunted; potted on at about 18 by night.
  it('a tomato is checked by a night under 10 until it is hardened, and bears less once it is', () => {
    for (const stage of GROWING) expect(coldestNight_C(bandsOf(cropNamed('tomato'), stage))).toBe(10);
    const { bearsLow_C, checkNight_C, comfortLow_C } = bandsOf(cropNamed('tomato'), 'harden');
    expect([checkNight_C, bearsLow_C < 10, comfortLow_C]).toEqual([null, true, 7]);
  });

  it('every tender and tropical crop has the line, none of the others', () => {
    for (const crop of crops)
      for (const stage of GROWING) expect(bandsOf(crop, stage).checkNight_C !== null, crop.name).toBe(isTender(crop));
  });

  it('frames and standing ground are for hardening, sooner for hardy crops and where the book says so', () => {
    const open = (name: string) => ALL_STAGES.filter((stage) => mayStandIn('frame', stage, cropNamed(name)));
    expect(open('tomato')).toEqual(['harden']);
    expect(open('celery')).toEqual(['space', 'harden']);
    expect(open('kale')).toEqual(ALL_STAGES);
    const early = { ...cropNamed('tomato'), openAirFrom: 'pot' as const };
    expect(openAirFrom(early)).toBe('pot');
    expect(ALL_STAGES.filter((stage) => mayStandIn('ground', stage, early))).toEqual(['pot', 'space', 'harden']);
  });
});

describe('bands of one’s own', () => {
  const own = { ...cropNamed('pepper'), bands: { pot: { checkNight_C: 12, comfortLow_C: 15 } } };

  it('go before what follows from the rest, stage by stage', () => {
    expect(bandsOf(own, 'pot')).toMatchObject({ checkNight_C: 12, comfortLow_C: 15, comfortHigh_C: 32 });
    expect(bandsOf(own, 'grow')).toEqual(bandsOf(cropNamed('pepper'), 'grow'));
  });

  it('that contradict each other are named', () => {
    const bands = bandsOf(own, 'pot');
    const named = (change: Partial<typeof bands>) => bandFaults({ ...bands, ...change }).map((fault) => fault.figure);
    expect(named({ bearsLow_C: 40 })).toEqual(['bearsHigh_C', 'comfortLow_C']);
    expect(named({ comfortLow_C: 34 })).toEqual(['comfortHigh_C']);
    expect(named({ checkNight_C: 33 })).toEqual(['checkNight_C']);
    expect(named({ comfortHigh_C: 39 })).toEqual(['comfortHigh_C']);
  });
});
