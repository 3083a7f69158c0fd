import { describe, expect, it } from 'vitest';
import { cropNamed } from '../../../tests/references/library.ts';
import { requireDay } from '../calendar/dayNumber.ts';
import type { DayWeather } from '../weather/forecast.ts';
import { scoresOf } from '../weather/score.ts';
import { careOf, hottestUnder_C, type StandsOut } from './aftercare.ts';
import { coolerFrom, heatLines, tooHot } from './heat.ts';

const today = requireDay('2027-05-20');
const weather = (lead: number, more: Partial<DayWeather> = {}): DayWeather => ({
  day: today + lead,
  lead,
  most_C: 18,
  night_C: 9,
  least_C: 9,
  gust_m_s: 6,
  sun_frac: 0.4,
  rain_mm: 3,
  whole: true,
  ...more,
});
const days = (each: (lead: number) => Partial<DayWeather> = () => ({})) =>
  Array.from({ length: 9 }, (_, lead) => weather(lead, each(lead)));
const lines = heatLines(cropNamed('lettuce'));

describe('setting out in heat and drought', () => {
  it('lines are above comfort and under the ceiling, soil sooner: lettuce 28 and 24, tomato 34 (common practice, no source)', () => {
    expect(lines).toEqual({ air_C: 28, soil_C: 24 });
    expect(heatLines(cropNamed('tomato')).air_C).toBe(34);
  });

  it('the hottest of three days, then the soil, then a dry wind speak against it', () => {
    expect(tooHot(days(), 16, lines)).toBeNull();
    const hot = days((lead) => (lead === 2 ? { most_C: 30 } : {}));
    expect(tooHot(hot, 16, lines)).toEqual({ cause: 'hot', figure: 30, wants: 28, day: today + 2 });
    expect(
      tooHot(
        days((lead) => (lead === 3 ? { most_C: 33 } : {})),
        16,
        lines,
      ),
    ).toBeNull();
    expect(tooHot(days(), 25, lines)).toMatchObject({ cause: 'soil', figure: 25, day: null });
    const wind = { most_C: 24, gust_m_s: 14, rain_mm: 0, sun_frac: 0.8 };
    expect(
      tooHot(
        days((lead) => (lead === 1 ? wind : {})),
        16,
        lines,
      ),
    ).toMatchObject({ cause: 'dry-wind', day: today + 1 });
    expect(
      tooHot(
        days((lead) => (lead === 1 ? { ...wind, rain_mm: 6 } : {})),
        16,
        lines,
      ),
    ).toBeNull();
    // Nothing told speaks for nothing.
    expect(
      tooHot(
        days(() => ({ most_C: null, gust_m_s: null })),
        null,
        lines,
      ),
    ).toBeNull();
  });

  it('says from when it is cooler, three days running', () => {
    const wave = days((lead) => (lead < 3 || lead === 4 ? { most_C: 31 } : {}));
    expect(coolerFrom(wave, lines)).toBe(today + 5);
    expect(
      coolerFrom(
        days(() => ({ most_C: 31 })),
        lines,
      ),
    ).toBeNull();
  });
});

describe('care of what stands out', () => {
  const at = (more: Partial<StandsOut> = {}): StandsOut => ({
    today,
    plantedOn: today - 5,
    layers: 2,
    cover_K: 4,
    harm_C: 0,
    nightMin_C: 8,
    lines,
    forecast: days(() => ({ night_C: 5 })),
    scores: scoresOf([]),
    frost_frac: 0.1,
    ...more,
  });
  const kinds = (more: Partial<StandsOut> = {}) => careOf(at(more)).map((c) => c.kind);

  it('is nothing on a mild day with the cover the nights still want', () => {
    expect(kinds()).toEqual([]);
  });

  it('more layers before a night that would harm it through what lies there', () => {
    const frost = days((lead) => ({ night_C: lead === 0 ? -5 : 5 }));
    expect(careOf(at({ forecast: frost }))[0]).toMatchObject({ kind: 'cover', low_C: -5 });
    expect(kinds({ forecast: frost, cover_K: 12 })).not.toContain('cover');
    // A night a week ahead is no order for tonight.
    expect(kinds({ forecast: days((lead) => ({ night_C: lead === 7 ? -5 : 5 })) })).not.toContain('cover');
    const bare = careOf(at({ layers: 0, cover_K: 0, forecast: frost }));
    expect(bare[0]).toMatchObject({ kind: 'cover', layers: 3 });
  });

  it('opened where the sun makes it too hot under it, layer by layer', () => {
    const sunny = days(() => ({ most_C: 17, sun_frac: 1, night_C: 5 }));
    expect(hottestUnder_C(0, 17, 1)).toBe(17);
    expect(careOf(at({ forecast: sunny }))[0]).toMatchObject({ kind: 'vent', under_C: 33 });
    expect(kinds({ forecast: sunny, layers: 1, cover_K: 2 })).not.toContain('vent');
    expect(kinds({ forecast: days(() => ({ most_C: 17, sun_frac: 0, night_C: 5 })) })).not.toContain('vent');
  });

  it('layers come off when all nights told are safe and warm enough without them, not before enough are told', () => {
    const warm = days(() => ({ night_C: 12 }));
    expect(careOf(at({ forecast: warm }))[0]).toEqual({ kind: 'take-off', left: 0, nights: 9 });
    expect(careOf(at({ forecast: days(() => ({ night_C: 7 })) }))[0]).toMatchObject({ kind: 'take-off', left: 1 });
    expect(kinds({ forecast: warm.slice(0, 2) })).not.toContain('take-off');
    // One cold night among them keeps it on.
    expect(kinds({ forecast: days((lead) => ({ night_C: lead === 6 ? 3 : 12 })) })).not.toContain('take-off');
  });

  it('is held down in gusts, and watered while roots are few and no rain is told', () => {
    expect(kinds({ forecast: days((lead) => ({ night_C: 5, gust_m_s: lead === 1 ? 16 : 6 })) })).toContain('hold-down');
    const dry = days(() => ({ night_C: 5, rain_mm: 0 }));
    expect(kinds({ forecast: dry, plantedOn: today - 1 })).toContain('water');
    expect(kinds({ forecast: dry })).not.toContain('water');
    expect(kinds({ forecast: dry.map((d) => ({ ...d, most_C: 30 })) })).toContain('water');
    expect(kinds({ forecast: dry.map((d) => ({ ...d, most_C: 30 })), plantedOn: today - 20 })).not.toContain('water');
  });

  it('says nothing of what is not told', () => {
    expect(careOf(at({ forecast: [] }))).toEqual([]);
  });
});
