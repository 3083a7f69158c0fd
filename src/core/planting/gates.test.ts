import { cropNamed } from '../../../tests/references/library.ts';
import { describe, expect, it } from 'vitest';
import { requireDay } from '../calendar/dayNumber.ts';
import type { DayWeather } from '../weather/forecast.ts';
import { oddsAtOrBelow, scoreAt, scoresOf } from '../weather/score.ts';
import { GATE_KEYS, gatesOf, USUAL_MODES, USUAL_RULES, verdictOf, type GateInput, type GateModes } from './gates.ts';
import { ground_m2, spacingOf } from './spacing.ts';

const today = requireDay('2027-05-20');
const weather = (lead: number, more: Partial<DayWeather> = {}): DayWeather => ({
  day: today + lead,
  lead,
  most_C: 20,
  night_C: 11,
  least_C: 11,
  gust_m_s: 8,
  sun_frac: 0.5,
  rain_mm: 0,
  whole: true,
  ...more,
});
const open: GateInput = {
  today,
  outFrom: today - 3,
  soil_C: [15, 15.2, 15.5],
  soilMin_C: 14,
  heat: { air_C: 28, soil_C: 24 },
  nights_C: [11, 12, 10.5, 11, 12, 13],
  nightMin_C: 10,
  forecast: Array.from({ length: 10 }, (_, i) => weather(i)),
  scores: scoresOf([]),
  harm_C: 0,
  cover_K: 0,
  warm_K: 0,
  cover: null,
  rung: 7,
  rungs: 7,
  hardened: true,
};
const all: GateModes = { ...USUAL_MODES, calendar: 'required', covers: 'required' };
const gate = (input: Partial<GateInput>, key: (typeof GATE_KEYS)[number]) =>
  gatesOf({ ...open, ...input }, all, USUAL_RULES).find((g) => g.key === key)!;

describe('the gates of planting out', () => {
  it('all pass on a warm day after the frosts, and the batch may go', () => {
    const gates = gatesOf(open, all, USUAL_RULES);
    expect(gates.map((g) => g.key)).toEqual([...GATE_KEYS]);
    expect(gates.map((g) => g.state)).toEqual(GATE_KEYS.map(() => 'pass'));
    expect(verdictOf(gates)).toEqual({ verdict: 'plant', by: null });
  });
  it('calendar: waits for its day, fails where frost is never rare enough', () => {
    expect(gate({ outFrom: today + 5 }, 'calendar')).toMatchObject({ state: 'wait', figure: 5, day: today + 5 });
    expect(gate({ outFrom: null }, 'calendar').state).toBe('fail');
  });
  it('soil: warm for its days in a row, else it waits; not known, it says so', () => {
    expect(gate({ soil_C: [13.9, 15, 15] }, 'soil')).toMatchObject({ state: 'wait', figure: 15, wants: 14 });
    expect(gate({ soil_C: [15, 15, null] }, 'soil').state).toBe('unknown');
  });
  it('nights: a cold one or one not read breaks the run; a cover helps it', () => {
    expect(gate({ nights_C: [11, 11, 11, 9, 11, 12] }, 'nights')).toMatchObject({ state: 'wait', figure: 2 });
    // The run may be longer than is known: it waits as unknown, not as too short.
    expect(gate({ nights_C: [11, 11, null, 12, 12] }, 'nights')).toMatchObject({ state: 'unknown', figure: 2 });
    expect(gate({ nights_C: [11, 11, 11, 9, 11, 12], warm_K: 2 }, 'nights').state).toBe('pass');
    expect(gate({ nights_C: [null, null, null, null, null] }, 'nights').state).toBe('unknown');
  });
  it('forecast: the night with the highest odds decides, and a later one of the same low has more', () => {
    const cold = (lead: number) => open.forecast.map((d) => (d.lead === lead ? { ...d, night_C: 2 } : d));
    const [near, far] = [gate({ forecast: cold(1) }, 'forecast'), gate({ forecast: cold(8) }, 'forecast')];
    expect(near).toMatchObject({ day: today + 1 });
    expect(far.figure!).toBeGreaterThan(near.figure!);
    expect(far).toMatchObject({ state: 'fail', day: today + 8 });
    expect(gate({ forecast: cold(1), cover_K: 4 }, 'forecast').state).toBe('pass');
    expect(gate({ forecast: open.forecast.slice(0, 2) }, 'forecast').state).toBe('unknown');
  });
  it('forecast: nights that each pass may together be too many', () => {
    const mild = open.forecast.map((d) => ({ ...d, night_C: 5 + 0.4 * d.lead }));
    const one = gate({ forecast: mild }, 'forecast');
    expect(one.state).toBe('pass');
    const cool = open.forecast.map((d) => ({ ...d, night_C: 3 + 0.45 * d.lead }));
    const any = gate({ forecast: cool }, 'forecast');
    const alone = Math.max(...cool.map((d) => oddsAtOrBelow(d.night_C, 0, scoreAt(open.scores, d.lead))));
    expect(alone).toBeLessThan(0.1);
    expect(any).toMatchObject({ state: 'fail' });
    expect(any.figure!).toBeGreaterThan(alone);
  });
  it('what is told of some days never passes for all of them', () => {
    expect(gate({ forecast: open.forecast.slice(0, 3) }, 'forecast').state).toBe('unknown');
    expect(gate({ forecast: open.forecast.slice(0, 9) }, 'forecast').state).toBe('pass');
    expect(gate({ forecast: open.forecast.slice(0, 1) }, 'storm').state).toBe('unknown');
    const gale = [weather(0, { gust_m_s: 25 })];
    expect(gate({ forecast: gale }, 'storm').state).toBe('fail');
    const cold = [weather(0, { night_C: -3 })];
    expect(gate({ forecast: cold }, 'forecast').state).toBe('fail');
  });
  it('storm: only the days just after planting count', () => {
    const gale = (lead: number) => open.forecast.map((d) => (d.lead === lead ? { ...d, gust_m_s: 22 } : d));
    expect(gate({ forecast: gale(2) }, 'storm')).toMatchObject({ state: 'fail', figure: 22, day: today + 2 });
    expect(gate({ forecast: gale(6) }, 'storm').state).toBe('pass');
    expect(gate({ forecast: [] }, 'storm').state).toBe('unknown');
    // What reads the same is the same: 17.1 m/s is 62 km/h where 61 are borne, and no reason to stay in.
    const near = open.forecast.map((d) => ({ ...d, gust_m_s: 17.1 }));
    expect(gate({ forecast: near }, 'storm').state).toBe('pass');
  });
  it('hardened and covers to hand', () => {
    expect(gate({ hardened: false, rung: 4 }, 'hardened')).toMatchObject({ state: 'wait', figure: 4, wants: 7 });
    expect(gate({ cover: { needs_m2: 40, toHand_m2: 30 } }, 'covers')).toMatchObject({ state: 'fail', figure: 30 });
    expect(gate({ cover: { needs_m2: 20, toHand_m2: 30 } }, 'covers').state).toBe('pass');
  });
});

describe('what the gates say together', () => {
  const input = { ...open, soil_C: [10, 10, 10], forecast: open.forecast.map((d) => ({ ...d, night_C: -1 })) };
  it('a required gate that fails is worse than one that waits', () => {
    expect(verdictOf(gatesOf(input, all, USUAL_RULES))).toMatchObject({ verdict: 'not', by: { key: 'forecast' } });
  });
  it('advisory gates only speak, gates that are off do not', () => {
    const advisory: GateModes = { ...all, soil: 'advisory', forecast: 'advisory' };
    expect(verdictOf(gatesOf(input, advisory, USUAL_RULES))).toMatchObject({ verdict: 'plant', by: { key: 'soil' } });
    const off: GateModes = { ...all, soil: 'off', forecast: 'off' };
    expect(verdictOf(gatesOf(input, off, USUAL_RULES))).toEqual({ verdict: 'plant', by: null });
  });
  it('what is not known waits', () => {
    const blind = gatesOf({ ...open, forecast: [] }, all, USUAL_RULES);
    expect(verdictOf(blind)).toMatchObject({ verdict: 'wait', by: { state: 'unknown' } });
  });
});

describe('ground', () => {
  it('by the house’s distances before the usual ones', () => {
    expect(ground_m2(100, { plant_cm: 50, row_cm: 70 })).toBeCloseTo(35);
    const tomato = cropNamed('tomato');
    expect(spacingOf(tomato)).toEqual({ plant_cm: tomato.inRow_cm, row_cm: tomato.rows_cm });
    expect(spacingOf(tomato, { tomato: { plant_cm: 40, row_cm: 80 } }).plant_cm).toBe(40);
  });
});
