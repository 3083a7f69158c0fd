import { dayOfYear } from '../calendar/dayNumber.ts';
import { describe, expect, it } from 'vitest';
import type { LidDay } from '../heat/lid.ts';
import { PROGRAMMES } from './programme.ts';
import type { Order } from './orders.ts';
import type { BatchPlan } from '../plan/batchPlan.ts';
import type { World } from '../house/world.ts';
import { orderWords, solarNoon_h, whereOf } from './ladderOfBatch.ts';
import { lidWords, nightWords } from '../../server/hardening/structures.ts';

const hours = PROGRAMMES[0]!.rungs;
const order: Order = { out_h: 11, in_h: 12, least_C: 12.2, gust_m_s: 6, cover_h: null, short: null };
const world = (longitude_deg: number, timeZone: string) =>
  ({
    nursery: { longitude_deg, timeZone },
    places: [
      { id: 6, name: 'Frames' },
      { id: 7, name: 'Standing ground' },
    ],
  }) as unknown as World;
const plan = { places: { harden: 6 } } as unknown as BatchPlan;

describe('an order in words', () => {
  it('says where, out and in, what is met, and why it is short', () => {
    expect(orderWords(hours[0]!, order, 'C', 'beside Frames')).toBe(
      'out beside Frames at 11:00, in by 12:00 (12°C at least, gusts 22 km/h)',
    );
    expect(orderWords(hours[3]!, { ...order, in_h: 16, short: 'home' }, 'C')).toMatch(/not longer: nobody is there$/);
    expect(orderWords(hours[3]!, { ...order, short: 'wind' }, 'F')).toMatch(/13 mph\), not longer: too windy$/);
  });
  it('day and night only the cover is an order; where nothing can be done there is none', () => {
    const fleece = hours.find((r) => r.cover === 'fleece')!;
    expect(orderWords(fleece, { ...order, in_h: null, cover_h: 18 }, 'C', 'in Frames')).toBe(
      'in Frames: fleece on by 18:00',
    );
    expect(orderWords(hours[6]!, { ...order, in_h: null }, 'C', 'in Frames')).toBe('');
    expect(orderWords(hours[0]!, { ...order, out_h: null, in_h: null }, 'C')).toBe('');
  });
  it('where: beside the frames by day, in them day and night, or the step’s own place', () => {
    const w = world(0, 'UTC');
    expect(whereOf(hours[0]!, plan, w)).toBe('beside Frames');
    expect(whereOf({ ...hours[0]!, lid_frac: 0.5 }, plan, w)).toBe('in Frames');
    expect(whereOf({ ...hours[0]!, placeId: 7 }, plan, w)).toBe('to Standing ground');
    expect(whereOf(hours[0]!, { places: { harden: null } } as unknown as BatchPlan, w)).toBe('');
  });
});

describe('the sun by the wall clock', () => {
  it('solar noon by longitude and the zone’s own offset, summer time and the far side of the world', () => {
    const noon = (longitude: number, zone: string, iso: string) => solarNoon_h(world(longitude, zone), Date.parse(iso));
    expect(noon(0, 'UTC', '2027-04-12T10:00:00Z')).toBeCloseTo(12);
    expect(noon(-2.9, 'Europe/London', '2027-01-12T10:00:00Z')).toBeCloseTo(12.19, 1);
    expect(noon(-2.9, 'Europe/London', '2027-07-12T23:30:00Z')).toBeCloseTo(13.19, 1);
    expect(noon(175, 'Pacific/Auckland', '2027-01-12T03:00:00Z')).toBeCloseTo(13.33, 1);
    expect(noon(-122, 'America/Los_Angeles', '2027-07-12T20:00:00Z')).toBeCloseTo(13.13, 1);
  });
  it('day of the year, through a leap day', () => {
    const day = (iso: string) => Math.floor(Date.parse(iso) / 86_400_000);
    expect(dayOfYear(day('2027-01-01'))).toBe(1);
    expect(dayOfYear(day('2028-12-31'))).toBe(366);
    expect(dayOfYear(day('2028-03-01'))).toBe(61);
  });
});

describe('a frame’s day in words', () => {
  const night = (act: LidDay['night'][number]['act'], least_C: number, enough: boolean, kWh = 0) => ({
    act,
    least_C,
    enough,
    kWh,
  });
  const day: LidDay = {
    day: 0,
    hours: [],
    shut_C: [],
    ajar_C: [],
    open_C: [],
    advised_C: [],
    moves: [
      { hour: 9, step: 1 },
      { hour: 17, step: 0 },
    ],
    shutMost_C: 34.2,
    shutMostAt: 11,
    tooHotFrom: 10,
    least_C: 3,
    most_C: 24,
    night: [],
  };
  const steps = ['shut', 'ajar'];
  it('the times, and what would come of leaving it', () => {
    expect(lidWords(day, steps, 'C')).toBe('ajar at 9:00, shut at 17:00; shut in sun it would reach 34°C by 11:00');
    expect(lidWords({ ...day, moves: [], tooHotFrom: null, shutMost_C: 14 }, steps, 'F')).toBe(
      'leave it shut; shut all day it comes to 57°F',
    );
  });
  it('the night: the least that is enough, or that nothing is', () => {
    const cold = [night('nothing', 1, false), night('fleece', 3, false), night('blanket', 5, true)];
    expect(nightWords({ ...day, night: cold }, 4, 'C')).toBe(
      'tonight 1°C with the lid shut, they want 4°C: a blanket over the glass holds 5°C',
    );
    expect(nightWords({ ...day, night: [night('nothing', 6, true)] }, 4, 'C')).toMatch(/6°C with the lid shut: enough/);
    expect(nightWords({ ...day, night: cold.slice(0, 2) }, 4, 'C')).toMatch(
      /nothing at hand is enough; fleece .* holds 3°C\. Carry the tenderest in/,
    );
    expect(nightWords({ ...day, night: [cold[0]!, night('heater', 5, true, 2.34)] }, 4, 'C')).toMatch(
      /heater on holds 5°C, 2\.3 kWh/,
    );
    expect(nightWords(day, 4, 'C')).toBe('');
  });
});
