import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startApp, type App } from '../support/app.ts';

describe('batches by a line each', () => {
  let app: App;
  beforeAll(async () => {
    app = await startApp(['--empty']);
  }, 90_000);
  afterAll(() => app.stop());

  async function send(method: string, path: string, body?: unknown) {
    const response = await fetch(app.url + path, {
      method,
      headers: { 'content-type': 'application/json', origin: app.url },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    return {
      status: response.status,
      body: (await response.json()) as Record<string, unknown>,
    };
  }
  const answers = {
    placeName: 'Sandwich',
    latitude_deg: 51.27,
    longitude_deg: 1.34,
    timeZone: 'Europe/London',
    height_m: 10,
    byTheSea: true,
    temperatureUnit: 'C',
    lengthUnit: 'cm',
    currency: 'GBP',
    firstWeekday: 1,
    house: 'heated-bench',
    places: [
      { key: 'bench', room_trays: 20 },
      { key: 'house', room_trays: 30 },
      { key: 'frame', room_trays: 30 },
    ],
    risk_frac: 0.1,
  };
  const inDays = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

  it('begin refuses what cannot be, each at its field, and writes nothing', async () => {
    const wrong = await send('POST', '/api/house/begin', {
      ...answers,
      latitude_deg: 95,
      places: [{ key: 'bench', room_trays: 0 }],
      containerIds: [],
    });
    expect(wrong.status).toBe(422);
    const paths = (wrong.body['errors'] as { path: string }[]).map(({ path }) => path);
    expect(paths).toEqual(expect.arrayContaining(['latitude_deg', 'places.0.room_trays', 'containerIds']));
    const strange = await send('POST', '/api/house/begin', {
      ...answers,
      places: [{ key: 'attic', room_trays: 3 }],
      containerIds: [2],
    });
    expect(strange.body['errors']).toMatchObject([{ path: 'places.0.key' }]);
    expect((await send('GET', '/api/books/places')).body).toEqual([]);
  });

  it('begin makes the places and keeps the trays chosen; the guess is marked as one until it is typed over', async () => {
    const containers = (await send('GET', '/api/books/containers')).body as unknown as { id: number; kind: string }[];
    // The first of the usual trays of cells is not used here: nothing may be sown in it.
    const used = containers.slice(1);
    expect(
      (await send('POST', '/api/house/begin', { ...answers, containerIds: used.map(({ id }) => id) })).status,
    ).toBe(201);
    const places = (await send('GET', '/api/books/places')).body as unknown as { name: string; room_trays: number }[];
    expect(places.map(({ name, room_trays }) => [name, room_trays])).toEqual([
      ['Heated bench', 20],
      ['Cool house', 30],
      ['Cold frame', 30],
    ]);
    const { body: nursery } = await send('GET', '/api/house/nursery');
    expect(nursery).toMatchObject({ outsideBy: 'guess', frost: { by: 'guess', risk_frac: 0.1 } });
    const { demoClock: _c, potting: _p, planting: _l, frost: _f, ...settings } = nursery;
    // Sent back as it was shown it is still the guess; other figures are the grower's own.
    await send('PUT', '/api/house/nursery', settings);
    expect((await send('GET', '/api/house/nursery')).body['outsideBy']).toBe('guess');
    const outside = (settings['outside'] as { day_C: number; night_C: number }[]).map((m) => ({
      ...m,
      day_C: m.day_C + 1,
    }));
    await send('PUT', '/api/house/nursery', { ...settings, version: Number(settings['version']) + 1, outside });
    expect((await send('GET', '/api/house/nursery')).body['outsideBy']).toBe('typed');
  });

  it('a look says what each line would make, and makes nothing', async () => {
    const { status, body } = await send('POST', '/api/batch/lines/look', {
      lines: [`60 broccoli ${inDays(150)}`, '40 wobbly', `sow 30 leeks ${inDays(40)}`],
    });
    expect(status).toBe(200);
    const [broccoli, wobbly, leeks] = body['lines'] as {
      problems: unknown[];
      batches: { sowOn: string; places: string[]; lack: string | null }[];
    }[];
    expect(broccoli!.problems).toEqual([]);
    expect(broccoli!.batches).toHaveLength(1);
    expect(broccoli!.batches[0]!.places[0]).toBe('Heated bench');
    expect(wobbly!.batches).toEqual([]);
    expect(leeks!.batches[0]!.sowOn).toBe(inDays(40));
    expect(leeks!.batches[0]!.lack).toBeNull();
    // A line that says when to sow is placed beside the others as well: for more than the house holds it says what is lacking.
    const many = await send('POST', '/api/batch/lines/look', { lines: [`sow 60000 leeks ${inDays(40)}`] });
    const [crowd] = many.body['lines'] as { batches: { sowOn: string; lack: string | null }[] }[];
    expect(crowd!.batches[0]).toMatchObject({ sowOn: inDays(40) });
    expect(crowd!.batches[0]!.lack).toMatch(/tray spaces short|no place/i);
    expect((await send('GET', '/api/batch')).body).toEqual([]);
  });

  it('all are made or none; a retry counts once; what is not in use is not sown in', async () => {
    const lines = [`60 broccoli ${inDays(150)}`, `2 x 40 kale every 2 weeks from ${inDays(160)}`];
    const bad = await send('POST', '/api/batch/lines', {
      idempotencyKey: 'lines-bad-1',
      lines: [...lines, '40 wobbly'],
    });
    expect(bad.status).toBe(422);
    expect((bad.body['errors'] as { path: string }[]).every(({ path }) => path.startsWith('lines.2.'))).toBe(true);
    expect((await send('GET', '/api/batch')).body).toEqual([]);

    const [one, two] = await Promise.all([
      send('POST', '/api/batch/lines', { idempotencyKey: 'lines-good-1', lines }),
      send('POST', '/api/batch/lines', { idempotencyKey: 'lines-good-1', lines }),
    ]);
    expect([one.status, two.status]).toEqual([201, 201]);
    expect([one.body['repeated'], two.body['repeated']].sort()).toEqual([false, true]);
    const batches = (await send('GET', '/api/batch')).body as unknown as { id: number }[];
    expect(batches).toHaveLength(3);
    const retired = (
      (await send('GET', '/api/books/containers')).body as unknown as { id: number; retiredOn: string | null }[]
    )
      .filter(({ retiredOn }) => retiredOn !== null)
      .map(({ id }) => id);
    expect(retired).toHaveLength(1);
    for (const { id } of batches) {
      const { body } = await send('GET', `/api/batch/${id}`);
      expect(retired).not.toContain(body['sowContainerId']);
    }
    const other = await send('POST', '/api/batch/lines', { idempotencyKey: 'lines-good-1', lines: [lines[0]] });
    expect(other.body['errors']).toMatchObject([{ path: 'idempotencyKey' }]);
  });

  it('towns: by the beginning of a name and a country after a comma, marks left away; a zone by coordinates', async () => {
    const towns = async (q: string) =>
      (await send('GET', `/api/house/towns?q=${encodeURIComponent(q)}`)).body['towns'] as {
        name: string;
        country: string;
        ways: { timeZone: string; currency: string; temperatureUnit: string; firstWeekday: number };
      }[];
    expect((await towns('orleans, fr'))[0]).toMatchObject({ name: 'Orléans', country: 'France' });
    expect((await towns('dunedin, new'))[0]!.ways).toMatchObject({
      timeZone: 'Pacific/Auckland',
      currency: 'NZD',
      temperatureUnit: 'C',
    });
    expect((await towns('boise'))[0]!.ways).toMatchObject({ temperatureUnit: 'F', currency: 'USD', firstWeekday: 7 });
    expect(await towns('x')).toEqual([]);
    expect((await send('GET', '/api/house/towns?at=-41.3,174.8')).body).toEqual({ timeZone: 'Pacific/Auckland' });
    expect((await send('GET', '/api/house/towns?at=north')).status).toBe(422);
  });
});
