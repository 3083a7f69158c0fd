import { describe, expect, it } from 'vitest';
import { scenarioData } from '../../contracts/plan/planning.ts';
import { adoption, filmsChanged, seasonWith } from './scenario.ts';
import { questionsOf } from './questions.ts';
import type { SeasonNow } from './usePlanChanges.ts';

const batch = (id: number, phase: string) => ({
  id,
  version: 1,
  state: { phase },
  plan: {
    places: { germinate: 1, grow: 1, pot: null, harden: 2 },
    steps: { sow: 20_600 },
    transplantOn: 20_700,
    age_frac: 1,
  },
});
const now = {
  house: {
    today: 20_590,
    places: [
      {
        id: 1,
        name: 'Bench',
        room_trays: 9,
        temperature: { kind: 'set-point', levels_C: [12, 15, 18, 20], usual_C: 20 },
      },
      { id: 2, name: 'Frame', room_trays: 20, temperature: { kind: 'outside' } },
    ],
  },
  initial: [batch(1, 'planned'), batch(2, 'growing'), batch(3, 'ended')],
} as unknown as SeasonNow;
const words = (k: number) => `${k} °C`;

describe('questions to begin a what-if with', () => {
  it('change one thing each, as a scenario that can be kept; a plain copy changes nothing', () => {
    const asked = questionsOf(now, 1, words);
    expect(asked).toHaveLength(5);
    for (const { data } of asked) expect(scenarioData.safeParse(data).success).toBe(true);
    const [room, cool, young, later, same] = asked.map(({ data }) => adoption(now, data));
    expect(room).toEqual({ batches: [], setPoints: [], rooms: [{ placeId: 1, room_trays: 14 }] });
    // The nearest level below: 18, and the frame has no heat to turn down.
    expect(cool!.rooms.length + cool!.batches.length).toBe(0);
    expect(cool!.setPoints).toHaveLength(1);
    expect(cool!.setPoints[0]).toMatchObject({ placeId: 1 });
    expect(new Set(cool!.setPoints[0]!.setPoints.map(({ setPoint_C }) => setPoint_C))).toEqual(new Set([18]));
    // Only what is not sown yet.
    expect(young!.batches).toMatchObject([{ id: 1, age_frac: 0.8, transplantOn: 20_700 }]);
    expect(later!.batches).toMatchObject([{ id: 1, age_frac: 1, transplantOn: 20_707 }]);
    expect(same).toEqual({ batches: [], setPoints: [], rooms: [] });
  });

  it('lay a second film over a house that has none, or take it off: its light and what it loses follow', () => {
    const light = { through_frac: 0.6, secondFilm: false, shade_frac: 0, lamps_umol_m2_s: 0, lamps_h: 0 };
    const heat = { kind: 'set-point', levels_C: [12], usual_C: 12, loss_W_per_K: 60 };
    const tunnel = { id: 3, name: 'Tunnel', kind: 'house', room_trays: 9, light, temperature: heat };
    const house = { ...now.house, places: [...now.house.places, tunnel] };
    const season = { ...now, house } as unknown as SeasonNow;
    const laid = questionsOf(season, null, words).find(({ name }) => name.startsWith('A second film'))!;
    expect(scenarioData.safeParse(laid.data).success).toBe(true);
    const place = seasonWith(season, laid.data).house.places[2]!;
    expect(place.light).toEqual({ ...light, secondFilm: true });
    // Double film loses 4.0 W/m2K where single loses 6.8 (handbooks, from memory).
    const left = 4.0 / 6.8;
    expect(place.temperature).toMatchObject({ loss_W_per_K: 60 * left });
    expect(filmsChanged(season, laid.data)).toEqual(['Tunnel']);
    expect(adoption(season, laid.data)).toEqual({ batches: [], setPoints: [], rooms: [] });
    // Off again it is as it was.
    const under = { ...season, house: { ...house, places: [...now.house.places, place] } } as unknown as SeasonNow;
    const off = questionsOf(under, null, words).find(({ name }) => name.startsWith('Without the second film'))!;
    const bare = seasonWith(under, off.data).house.places[2]!;
    expect(bare.light).toEqual(light);
    expect(bare.temperature).toMatchObject({ loss_W_per_K: expect.closeTo(60, 9) as number });
  });

  it('leave out what the house cannot be asked', () => {
    const bare = { house: { ...now.house, places: [now.house.places[1]] }, initial: [] } as unknown as SeasonNow;
    expect(questionsOf(bare, null, words).map(({ name }) => name)).toHaveLength(1);
  });
});
