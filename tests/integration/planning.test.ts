import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { send, startApp, type App } from '../support/app.ts';

let app: App;
let n = 0;
const key = () => `planning-${++n}`.padEnd(12, '.');
beforeAll(async () => {
  app = await startApp();
});
afterAll(() => app.stop());

interface Line {
  id: number;
  version: number;
  name: string;
  plan: {
    places: Record<string, number | null>;
    steps: Record<string, number>;
    transplantOn: number;
    plantsWanted: number;
  };
  pinned: boolean;
  familyId: number | null;
}
interface SeasonBody {
  house: {
    places: {
      id: number;
      version: number;
      room_trays: number;
      setPoints: { week: number; setPoint_C: number | null }[];
    }[];
  };
  initial: Line[];
}
const season = async () => (await send(app, 'GET', '/api/plan/season')).body as SeasonBody;
const batchNamed = async (name: string) => (await season()).initial.find((b) => b.name === name)!;
const plan = (body: object) =>
  send(app, 'POST', '/api/plan/season/plan', {
    words: 'tried',
    batches: [],
    setPoints: [],
    idempotencyKey: key(),
    ...body,
  });

describe('taking over a plan of the season', () => {
  it('writes places, days and set-points in one step, logs it, and undoes it', async () => {
    const tomato = await batchNamed('Tomato Low Lantern B');
    const before = await season();
    const bench = before.house.places.find((p) => p.id === 4)!;
    const change = {
      words: 'planned two things',
      batches: [
        {
          id: tomato.id,
          version: tomato.version,
          places: { ...tomato.plan.places, pot: 4 },
          steps: { sow: '2027-04-20', plant: '2027-06-08' },
        },
      ],
      setPoints: [
        {
          placeId: 4,
          version: bench.version,
          setPoints: [
            { week: '2027-04-19', setPoint_C: 18 },
            { week: '2027-04-26', setPoint_C: null },
          ],
        },
      ],
    };
    const sent = { ...change, idempotencyKey: key() };
    const done = await send(app, 'POST', '/api/plan/season/plan', sent);
    expect(done.status).toBe(201);
    const after = await season();
    const now = after.initial.find((b) => b.id === tomato.id)!;
    expect(now.plan.places['pot']).toBe(4);
    expect(Object.keys(now.plan.steps).sort()).toEqual(['plant', 'sow']);
    expect(after.house.places.find((p) => p.id === 4)!.setPoints.map((s) => s.setPoint_C)).toEqual([18, null]);
    const log = (await send(app, 'GET', `/api/batch/${tomato.id}`)).body.log as { kind: string; note: string }[];
    expect(log.at(-1)).toMatchObject({ kind: 'edited', note: 'season plan: planned two things' });

    // A retry is answered from the first and counts once; the same key for something else is refused.
    const again = await send(app, 'POST', '/api/plan/season/plan', sent);
    expect([again.status, again.body.changeId, again.body.repeated]).toEqual([200, done.body.changeId, true]);
    expect((await send(app, 'POST', '/api/plan/season/plan', { ...sent, words: 'other' })).status).toBe(422);

    const undo = { idempotencyKey: key(), changeId: done.body.changeId };
    expect((await send(app, 'POST', '/api/plan/season/undo', undo)).status).toBe(200);
    const back = await season();
    expect(back.initial.find((b) => b.id === tomato.id)!.plan).toEqual(tomato.plan);
    expect(back.house.places.find((p) => p.id === 4)!.setPoints).toEqual(bench.setPoints);
    expect((await send(app, 'POST', '/api/plan/season/undo', { ...undo, idempotencyKey: key() })).status).toBe(409);
    const lines = (await send(app, 'GET', '/api/plan/season/plan')).body as {
      words: string;
      undone: boolean;
      undoesId: number | null;
    }[];
    expect(lines[0]).toMatchObject({ words: 'undone: planned two things', undoesId: done.body.changeId });
    expect(lines[1]!.undone).toBe(true);
  });

  it('is refused whole when someone else changed one of its batches or places', async () => {
    const { initial, house } = await season();
    const [a, b] = initial.filter((one) => one.name.startsWith('Pepper'));
    await send(app, 'PATCH', `/api/batch/${b!.id}`, { version: b!.version, plantsWanted: 77 });
    const stale = await plan({
      batches: [a!, b!].map((one) => ({ id: one.id, version: one.version, transplantOn: '2027-06-20' })),
    });
    expect(stale.status).toBe(409);
    expect(stale.body.detail).toMatch(/Someone else changed .*plan again/);
    expect((await batchNamed(a!.name)).plan.transplantOn).toBe(a!.plan.transplantOn);
    const place = house.places[0]!;
    const old = await plan({ setPoints: [{ placeId: place.id, version: place.version + 5, setPoints: [] }] });
    expect(old.status).toBe(409);
  });

  it('one change after another is undone, last first, back to the very beginning', async () => {
    const start = await season();
    const place = start.house.places.find((p) => p.id === 3)!;
    const stock = await batchNamed('Stock Warm Stone A');
    const ids: number[] = [];
    for (const [i, setPoint_C] of [18, 20, null].entries()) {
      const now = await season();
      const done = await plan({
        batches: [
          {
            id: stock.id,
            version: now.initial.find((b) => b.id === stock.id)!.version,
            steps: { plant: `2027-05-0${i + 4}` },
          },
        ],
        setPoints: [
          {
            placeId: 3,
            version: now.house.places.find((p) => p.id === 3)!.version,
            setPoints: [{ week: '2027-05-03', setPoint_C }],
          },
        ],
      });
      expect(done.status).toBe(201);
      ids.push(done.body.changeId);
    }
    for (const changeId of ids.reverse()) {
      const undo = await send(app, 'POST', '/api/plan/season/undo', { idempotencyKey: key(), changeId });
      expect(undo.status).toBe(200);
    }
    const end = await season();
    expect(end.initial.find((b) => b.id === stock.id)!.plan).toEqual(stock.plan);
    expect(end.house.places.find((p) => p.id === 3)!.setPoints).toEqual(place.setPoints);
  });

  it('undo is refused when it would overwrite what came after', async () => {
    const kale = await batchNamed('Celery Fen Light A');
    const done = await plan({ batches: [{ id: kale.id, version: kale.version, pinned: true }] });
    expect((await batchNamed(kale.name)).pinned).toBe(true);
    await send(app, 'PATCH', `/api/batch/${kale.id}`, { version: kale.version + 1, plantsWanted: 66 });
    const undo = await send(app, 'POST', '/api/plan/season/undo', {
      idempotencyKey: key(),
      changeId: done.body.changeId,
    });
    expect(undo.status).toBe(409);
    expect((await batchNamed(kale.name)).plan.plantsWanted).toBe(66);
  });

  it('names what is wrong: a set-point the place cannot have, a week that is no Monday, a batch twice, nothing at all', async () => {
    const { house, initial } = await season();
    const place = house.places.find((p) => p.id === 4)!;
    const at = (setPoints: object[]) => plan({ setPoints: [{ placeId: 4, version: place.version, setPoints }] });
    const odd = await at([{ week: '2027-04-19', setPoint_C: 19.5 }]);
    expect(odd.status).toBe(422);
    expect(odd.body.errors[0].path).toBe('setPoints.0.setPoints.0.setPoint_C');
    expect((await at([{ week: '2027-13-19', setPoint_C: 18 }])).status).toBe(422);
    const one = { id: initial[20]!.id, version: initial[20]!.version };
    expect((await plan({ batches: [one, one] })).body.errors[0].path).toBe('batches.1.id');
    expect((await plan({})).status).toBe(422);
    expect((await plan({ batches: [{ id: 99_999, version: 1 }] })).status).toBe(404);
    expect(
      (await plan({ batches: [{ ...one, places: { germinate: 999, grow: 1, pot: null, harden: 1 } }] })).status,
    ).toBe(422);
  });
});

describe('batches made in one step', () => {
  const base = async () => {
    const crops = (await send(app, 'GET', '/api/books/crops')).body as { id: number; name: string }[];
    return {
      cropId: crops.find((c) => c.name === 'lettuce')!.id,
      varietyId: null,
      lotId: null,
      plantsWanted: 100,
      spare_frac: 0.15,
      transplantOn: '2027-06-01',
      hardening_days: 7,
      places: { germinate: 2, grow: 5, pot: 5, harden: 6 },
      sowContainerId: 1,
      potContainerId: null,
      note: '',
    };
  };
  const familyOf = async (familyId: number) => (await season()).initial.filter((b) => b.familyId === familyId);

  it('a succession: every so many days, so many times, once however often it is sent', async () => {
    const sent = { idempotencyKey: key(), batch: await base(), kind: 'succession', every_days: 14, times: 4 };
    const made = await send(app, 'POST', '/api/plan/families', sent);
    expect(made.status).toBe(201);
    const again = await send(app, 'POST', '/api/plan/families', sent);
    expect([again.status, again.body.repeated]).toEqual([200, true]);
    expect((await send(app, 'POST', '/api/plan/families', { ...sent, times: 5 })).status).toBe(422);
    const members = await familyOf(made.body.familyId);
    const first = members[0]!.plan.transplantOn;
    expect(members.map((b) => b.plan.transplantOn - first)).toEqual([0, 14, 28, 42]);

    // Edited together: moved and resized; one already sown keeps its plan.
    await send(app, 'POST', `/api/batch/${members[0]!.id}/events`, {
      idempotencyKey: key(),
      kind: 'sown',
      day: '2027-04-12',
      count: 120,
    });
    const patch = {
      idempotencyKey: key(),
      versions: members.map(({ id, version }) => ({ id, version })),
      change: { plantsWanted: 60 },
      shift_days: 7,
    };
    const changed = await send(app, 'PATCH', `/api/plan/families/${made.body.familyId}`, patch);
    expect(changed.body).toEqual({ changed: 3, kept: 1 });
    const later = await familyOf(made.body.familyId);
    expect(later.map((b) => [b.plan.plantsWanted, b.plan.transplantOn - first])).toEqual([
      [100, 0],
      [60, 21],
      [60, 35],
      [60, 49],
    ]);
    expect(
      (await send(app, 'PATCH', `/api/plan/families/${made.body.familyId}`, { ...patch, idempotencyKey: key() }))
        .status,
    ).toBe(409);
  });

  it('an insurance pair, and its refusals by field', async () => {
    const batch = await base();
    const pair = { idempotencyKey: key(), batch, kind: 'insurance', every_days: 9, times: 2, share_frac: 0.4 };
    const made = await send(app, 'POST', '/api/plan/families', pair);
    expect((await familyOf(made.body.familyId)).map((b) => b.plan.plantsWanted)).toEqual([100, 40]);
    const three = await send(app, 'POST', '/api/plan/families', { ...pair, idempotencyKey: key(), times: 3 });
    expect([three.status, three.body.errors[0].path]).toEqual([422, 'times']);
    const wrong = await send(app, 'POST', '/api/plan/families', {
      ...pair,
      idempotencyKey: key(),
      batch: { ...batch, plantsWanted: 0 },
    });
    expect(wrong.body.errors[0].path).toBe('batch.plantsWanted');
    expect(
      (
        await send(app, 'PATCH', '/api/plan/families/999', {
          idempotencyKey: key(),
          versions: [{ id: 1, version: 1 }],
          change: {},
        })
      ).status,
    ).toBe(404);
  });

  it('plugs bought in join part-way: they arrive, are potted, and never wait to be sown', async () => {
    const crops = (await send(app, 'GET', '/api/books/crops')).body as { id: number; name: string }[];
    const batch = {
      ...(await base()),
      cropId: crops.find((c) => c.name === 'tomato')!.id,
      potContainerId: 6,
      transplantOn: '2027-05-30',
      joins: { stage: 'pot', on: '2027-04-12' },
    };
    const { id } = (await send(app, 'POST', '/api/batch', { ...batch, idempotencyKey: key() })).body;
    const made = (await send(app, 'GET', `/api/batch/${id}`)).body;
    const keys = made.planned.map((m: { key: string }) => m.key);
    expect(keys).toEqual(['arrive', 'pot', 'space', 'harden', 'plant']);
    expect(made.planned[0].on).toBe('2027-04-12');
    const sown = await send(app, 'POST', `/api/batch/${id}/events`, {
      idempotencyKey: key(),
      kind: 'arrived',
      day: '2027-04-12',
      count: 110,
    });
    expect(sown.status).toBe(201);
    const potted = await send(app, 'POST', `/api/batch/${id}/events`, {
      idempotencyKey: key(),
      kind: 'potted',
      day: '2027-04-12',
      count: 108,
    });
    expect(potted.status).toBe(201);
    const none = await send(app, 'POST', '/api/batch', {
      ...batch,
      idempotencyKey: key(),
      joins: { stage: 'pot', on: 'soon' },
    });
    expect(none.body.errors[0].path).toBe('joins.on');
  });
});

describe('what-ifs', () => {
  it('are kept, changed at their version, named once, and taken out', async () => {
    const { initial, house } = await season();
    const data = {
      places: house.places.map((p) => ({ id: p.id, room_trays: p.room_trays + 10, setPoints: [] })),
      batches: initial.slice(20, 22).map((b) => ({
        id: b.id,
        version: b.version,
        places: b.plan.places,
        steps: {},
        transplantOn: '2027-06-10',
        age_frac: 0.7,
      })),
    };
    const made = await send(app, 'POST', '/api/plan/scenarios', { name: 'More room', data });
    expect(made.status).toBe(201);
    const twice = await send(app, 'POST', '/api/plan/scenarios', { name: 'More room', data });
    expect([twice.status, twice.body.errors[0].path]).toEqual([422, 'name']);
    const put = (version: number, name: string) =>
      send(app, 'PUT', `/api/plan/scenarios/${made.body.id}`, { version, name, data });
    expect((await put(1, 'Much more room')).status).toBe(200);
    expect((await put(1, 'Again')).status).toBe(409);
    const list = (await send(app, 'GET', '/api/plan/scenarios')).body as {
      name: string;
      version: number;
      data: object;
    }[];
    expect(list[0]).toMatchObject({ name: 'Much more room', version: 2 });
    expect(list[0]!.data).toEqual(data);
    expect((await send(app, 'DELETE', `/api/plan/scenarios/${made.body.id}`, { version: 1 })).status).toBe(409);
    expect((await send(app, 'DELETE', `/api/plan/scenarios/${made.body.id}`, { version: 2 })).status).toBe(200);
    const bad = await send(app, 'POST', '/api/plan/scenarios', {
      name: '',
      data: { places: [], batches: [{ id: 1 }] },
    });
    expect(bad.body.errors.map((e: { path: string }) => e.path)).toContain('name');
  });
});

describe('places with a set-point', () => {
  const place = {
    name: 'Warm box',
    kind: 'dark-chamber',
    lit: false,
    room_trays: 6,
    walkOrder: 9,
    periods: [{ from: '01-01', day_C: 20, night_C: 20 }],
    temperature: {
      kind: 'set-point',
      levels_C: [20, 24, 28],
      usual_C: 24,
      nightDrop_K: 0,
      unheatedPlus_K: 8,
      loss_W_per_K: 2,
    },
    setPoints: [{ week: '2027-04-12', setPoint_C: 28 }],
    closed: [{ from: '2027-07-01', to: '2027-07-10' }],
    size: null,
  };
  const add = (change: object) => send(app, 'POST', '/api/books/places', { ...place, ...change });

  it('keep their weeks and closed days, as dates', async () => {
    const made = await add({});
    expect(made.status).toBe(201);
    const all = (await send(app, 'GET', '/api/books/places')).body as {
      name: string;
      setPoints: object[];
      closed: object[];
    }[];
    expect(all.find((p) => p.name === 'Warm box')).toMatchObject({ setPoints: place.setPoints, closed: place.closed });
  });

  it('are refused with the field: levels not rising, a usual that is none of them, a week that is no Monday, days backwards', async () => {
    const path = async (change: object) => (await add({ name: 'Other', ...change })).body.errors?.[0]?.path as string;
    const t = place.temperature;
    expect(await path({ temperature: { ...t, levels_C: [24, 20] } })).toBe('temperature.levels_C');
    expect(await path({ temperature: { ...t, usual_C: 25 } })).toBe('temperature.usual_C');
    expect(await path({ setPoints: [{ week: '2027-04-13', setPoint_C: 24 }] })).toBe('setPoints.0.week');
    expect(await path({ closed: [{ from: '2027-07-10', to: '2027-07-01' }] })).toBe('closed.0.to');
    expect(await path({ room_trays: -1 })).toBe('room_trays');
  });

  it('capacity zero and no place at all are said, not fallen over', async () => {
    expect((await add({ name: 'No room', room_trays: 0 })).status).toBe(201);
    expect((await send(app, 'GET', '/api/plan/season')).status).toBe(200);
  });
});

describe('places found by the planner', () => {
  const crop = async (name: string) =>
    ((await send(app, 'GET', '/api/books/crops')).body as { id: number; name: string }[]).find((c) => c.name === name)!
      .id;
  const body = async (name: string, transplantOn: string) => ({
    cropId: await crop(name),
    varietyId: null,
    lotId: null,
    plantsWanted: 120,
    spare_frac: 0.1,
    transplantOn,
    hardening_days: 8,
    places: { germinate: null, grow: null, pot: null, harden: null },
    sowContainerId: 1,
    potContainerId: null,
    note: '',
  });

  it('a new batch comes with the set-points of weeks in which nothing stands there, in one step or not at all', async () => {
    const batch = await body('lettuce', '2027-09-20');
    const bench = (await season()).house.places.find((p) => p.id === 4)!;
    const setPoints = (version: number, setPoint_C: number) => [
      { placeId: 4, version, setPoints: [{ week: '2027-08-09', setPoint_C }] },
    ];
    const post = (more: object) => send(app, 'POST', '/api/batch', { ...batch, ...more });
    const count = async () => (await season()).initial.length;
    const before = await count();
    const stale = await post({ idempotencyKey: key(), setPoints: setPoints(bench.version - 1, 18) });
    expect([stale.status, await count()]).toEqual([409, before]);
    const wrong = await post({ idempotencyKey: key(), setPoints: setPoints(bench.version, 17.5) });
    expect(wrong.body.errors[0].path).toBe('setPoints.0.setPoints.0.setPoint_C');
    const sent = { idempotencyKey: key(), setPoints: setPoints(bench.version, 18) };
    expect([(await post(sent)).status, (await post(sent)).status]).toEqual([201, 200]);
    const after = await season();
    expect(after.initial).toHaveLength(before + 1);
    const row = after.house.places.find((p) => p.id === 4)!;
    expect(row.version).toBe(bench.version + 1);
    expect(row.setPoints.filter((s) => s.setPoint_C === 18).length).toBeGreaterThan(0);
  });

  it('a succession is placed one after another, days and all, where it is asked for', async () => {
    const batch = await body('beetroot', '2027-07-10');
    const family = { kind: 'succession', every_days: 14, times: 3, placed: true };
    const done = await send(app, 'POST', '/api/plan/families', { ...family, batch, idempotencyKey: key() });
    expect(done.status).toBe(201);
    const ids = (done.body as { made: { id: number }[] }).made.map((m) => m.id);
    const made = (await season()).initial.filter((b) => ids.includes(b.id));
    for (const one of made) {
      expect(one.plan.places['germinate'], one.name).not.toBeNull();
      expect(one.plan.steps['sow'], one.name).toBeLessThan(one.plan.steps['harden']!);
    }
  });

  it('lines of a file that name no place are placed, with what is lacking said before they are read in', async () => {
    const text =
      'crop,plants,transplant_on,grow\nkale,150,2027-07-15,\nlettuce,90000,2027-07-15,\nkale,60,2027-07-15,Frames\n';
    const look = (await send(app, 'POST', '/api/batch/import', { text, commit: false })).body as {
      lines: { places: string; lack: string | null; sowOn: string }[];
    };
    expect(look.lines.map((line) => line.lack === null)).toEqual([true, false, true]);
    expect(look.lines[1]!.lack).toMatch(/^\d+ tray spaces short in .* from 2027-/);
    expect(look.lines[0]!.places).not.toBe('');
    expect(look.lines[2]!.places).toContain('Frames');
    const one = 'crop,plants,transplant_on\nkale,150,2027-07-15\n';
    const sent = { text: one, commit: true, idempotencyKey: key() };
    expect((await send(app, 'POST', '/api/batch/import', sent)).body).toMatchObject({ made: 1 });
    const last = (await season()).initial.at(-1)!;
    expect(last.plan.steps['sow']).toBeDefined();
    expect(Object.values(last.plan.places).filter((id) => id !== null).length).toBeGreaterThan(2);
  });

  it('bands that contradict each other and planning settings out of bounds are refused by field', async () => {
    const crops = (await send(app, 'GET', '/api/books/crops')).body as { id: number; version: number; name: string }[];
    const { id, version, ...line } = crops.find((c) => c.name === 'pepper')!;
    const put = (bands: object) => send(app, 'PUT', `/api/books/crops/${id}`, { version, line: { ...line, bands } });
    const refused = await put({ pot: { comfortLow_C: 40 } });
    expect(refused.body.errors.map((e: { path: string }) => e.path)).toContain('bands.pot.comfortHigh_C');
    expect((await put({ pot: { checkNight_C: 12 } })).status).toBe(200);
    const { id: _one, ...nursery } = (await send(app, 'GET', '/api/house/nursery')).body;
    const settings = (planning: object) =>
      send(app, 'PUT', '/api/house/nursery', { ...nursery, planning: { ...nursery.planning, ...planning } });
    for (const [path, change] of [
      ['planning.sure_frac', { sure_frac: 0.99 }],
      ['planning.hands_h', { hands_h: -1 }],
      ['planning.handsBy.0.week', { handsBy: [{ week: '2027-04-20', hours: 0, why: '' }] }],
    ] as const)
      expect(
        (await settings(change)).body.errors?.map((e: { path: string }) => e.path),
        path,
      ).toContain(path);
  });
});
