import { inflateSync } from 'node:zlib';
import jsQR from 'jsqr';
import { PDFDocument, PDFName, PDFRawStream } from 'pdf-lib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { key, send, startApp, type App } from '../support/app.ts';
import { sownTomato as aTomato } from '../support/tomato.ts';

let app: App;
beforeAll(async () => {
  app = await startApp();
});
afterAll(() => app.stop());

const log = (id: number, line: object) =>
  send(app, 'POST', `/api/batch/${id}/events`, { idempotencyKey: key(), day: '2027-04-12', ...line });

const sownTomato = (day?: string, change?: object) => aTomato(app, day, change);
const state = async (id: number) => (await send(app, 'GET', `/api/batch/${id}`)).body;

describe('counting tray by tray', () => {
  it('adds the trays up; what cannot be is refused with its reason', async () => {
    const id = await sownTomato();
    const count = (tray: number | null, n: number) => log(id, { kind: 'counted', count: n, tray });
    expect((await count(1, 20)).status).toBe(201);
    expect((await count(2, 15)).status).toBe(201);
    expect((await state(id)).up_count).toBe(35);
    const refusals: [number | null, number, RegExp][] = [
      [1, 19, /20 were up in tray 1/],
      [null, 40, /tray by tray/],
      [2, 110, /130 up of 120 sown cannot be/],
    ];
    for (const [tray, n, reason] of refusals) {
      const answer = await count(tray, n);
      expect(answer.status).toBe(422);
      expect(answer.body.errors[0]).toMatchObject({ path: 'count', message: expect.stringMatching(reason) });
    }
    expect((await log(id, { kind: 'counted', count: 3, tray: 0 })).status).toBe(422);
    // Counted as a whole first: then it goes on so.
    const whole = await sownTomato();
    expect((await log(whole, { kind: 'counted', count: 10 })).status).toBe(201);
    expect((await log(whole, { kind: 'counted', count: 5, tray: 1 })).body.detail).toMatch(/as a whole/);
  });

  it('the cover is logged and changes nothing else', async () => {
    const id = await sownTomato();
    expect((await log(id, { kind: 'cover', count: 1 })).status).toBe(201);
    expect((await log(id, { kind: 'cover', count: 0 })).status).toBe(201);
    const page = await (await fetch(`${app.url}/germination/count/${(await state(id)).code}`)).text();
    expect(page).toMatch(/Cover (<!-- -->)?off/);
  });
});

describe('the emergence page', () => {
  it('says late or dead when it is, with the last day to sow again, and the table says what the picture does', async () => {
    const id = await sownTomato('2027-03-20');
    await log(id, { kind: 'counted', day: '2027-04-10', count: 0 });
    const html = await (await fetch(`${app.url}/batch/${id}/emergence`)).text();
    expect(html).toContain('Most likely dead');
    expect(html).toMatch(/Sow again/);
    const fresh = await sownTomato('2027-04-11');
    const early = await (await fetch(`${app.url}/batch/${fresh}/emergence`)).text();
    expect(early).toContain('Too soon to say');
    expect(early).toContain('The same as a table');
    expect(early).toContain('a curve needs 4 counts');
  });

  it('a code scanned goes to counting on the heat, to the batch later, and an unknown one says so', async () => {
    const id = await sownTomato();
    const { code } = await state(id);
    const go = (path: string) => fetch(`${app.url}${path}`, { redirect: 'manual' });
    expect((await go(`/t/${code.toLowerCase()}-2`)).headers.get('location')).toBe(`/germination/count/${code}?tray=2`);
    await log(id, { kind: 'off-heat' });
    expect((await go(`/t/${code}`)).headers.get('location')).toBe(`/batch/${id}`);
    expect((await go(`/t?code=${encodeURIComponent(`http://elsewhere/t/${code}-1`)}`)).headers.get('location')).toBe(
      `/t/${code}-1`,
    );
    for (const wrong of ['/t/O0I1', '/t/%3Cscript%3E', '/t/ZZZZ']) {
      const answer = await go(wrong);
      expect(answer.status).toBe(404);
      expect(await answer.text()).toContain('No tray with the code');
    }
  });
});

describe('sowing again', () => {
  it('makes the same plan anew once, with the cause in the log, and ends the old tray if wished', async () => {
    const id = await sownTomato('2027-03-20');
    const order = { idempotencyKey: key(), cause: 'too cold', endOld: true };
    const once = () => send(app, 'POST', `/api/batch/${id}/sow-again`, order);
    const [one, two] = await Promise.all([once(), once()]);
    expect([one.status, two.status].sort()).toEqual([200, 201]);
    expect(one.body.batchId).toBe(two.body.batchId);
    const old = await state(id);
    expect(old.log.at(-1)).toMatchObject({ kind: 'ended', cause: 'too cold' });
    const fresh = await state(one.body.batchId);
    expect(fresh.log).toHaveLength(1);
    expect(fresh.log[0].note).toBe(`sown again for ${old.code}`);
    expect(await (await fetch(`${app.url}/batch/failures`)).text()).toContain('too cold');
    const again = await send(app, 'POST', `/api/batch/${id}/sow-again`, { ...order, idempotencyKey: key() });
    expect(again.status).toBe(422);
    expect(
      (await send(app, 'POST', `/api/batch/${id}/sow-again`, { ...order, cause: 'gremlins' })).body.errors[0].path,
    ).toBe('cause');
  });
});

describe('labels', () => {
  it('one for each tray; read back, the square opens the tray’s page', async () => {
    const id = await sownTomato();
    const { code } = await state(id);
    const answer = await fetch(`${app.url}/api/batch/labels.pdf?batches=${id}&sheet=roll-62x29`);
    expect(answer.headers.get('content-type')).toBe('application/pdf');
    const pdf = await PDFDocument.load(await answer.arrayBuffer());
    expect(pdf.getPageCount()).toBe(2);
    const { width, height } = pdf.getPage(0).getSize();
    expect([(width * 25.4) / 72, (height * 25.4) / 72].map(Math.round)).toEqual([62, 29]);
    expect(qrsIn(pdf)).toEqual([`${app.url}/t/${code}-1`, `${app.url}/t/${code}-2`]);
  });

  it('a sheet begun goes on where it was left; a bad size, too many and nothing to label are told', async () => {
    const id = await sownTomato();
    const sheet = await fetch(`${app.url}/api/batch/labels.pdf?batches=${id}&sheet=a4-24&skip=23`);
    expect((await PDFDocument.load(await sheet.arrayBuffer())).getPageCount()).toBe(2);
    const refused = async (query: string) => {
      const answer = await fetch(`${app.url}/api/batch/labels.pdf?${query}`);
      expect(answer.status, query).toBeGreaterThanOrEqual(400);
      return ((await answer.json()) as { detail: string }).detail;
    };
    expect(await refused(`batches=${id}&sheet=roll-5x5`)).toMatch(/no such label sheet/);
    expect(await refused(`batches=${id}&sheet=roll-999x999`)).toMatch(/no such label sheet/);
    expect(await refused('batches=abc')).toMatch(/numbers of batches/);
    expect(await refused('batches=99999')).toMatch(/no batch number 99999/);
    expect(await refused(`batches=${id}&skip=900`)).toMatch(/used already/);
  });
});

/** What the QR codes of a PDF say, decoded by another library from the pictures in the file. */
function qrsIn(pdf: PDFDocument): string[] {
  const found: string[] = [];
  for (const [, object] of pdf.context.enumerateIndirectObjects()) {
    if (!(object instanceof PDFRawStream) || object.dict.get(PDFName.of('Subtype')) !== PDFName.of('Image')) continue;
    const number = (name: string) => Number(object.dict.get(PDFName.of(name))!.toString());
    const [width, height] = [number('Width'), number('Height')];
    const bytes = inflateSync(object.contents);
    const channels = bytes.length / (width * height);
    if (channels !== 3 && channels !== 1) continue;
    // A quiet zone of four modules around, as paper has.
    const edge = 24;
    const [w, h] = [width + 2 * edge, height + 2 * edge];
    const pixels = new Uint8ClampedArray(w * h * 4).fill(255);
    for (let y = 0; y < height; y++) {
      for (let x = 0; x < width; x++) {
        const grey = bytes[(y * width + x) * channels]!;
        pixels.fill(grey, ((y + edge) * w + x + edge) * 4, ((y + edge) * w + x + edge) * 4 + 3);
      }
    }
    const code = jsQR(pixels, w, h);
    if (code) found.push(code.data);
  }
  return found.sort();
}

describe('lots', () => {
  const lot = {
    varietyId: 1,
    code: 'TEST-1',
    receivedOn: null,
    germination_percent: 88,
    testedOn: '2027-03-01',
    seeds_count: 500,
  };

  it('keep their tests; counts that fall are refused at their place', async () => {
    const test = {
      on: '2027-03-01',
      method: 'on damp paper',
      seeds: 20,
      counts: [
        { day: 3, up: 4 },
        { day: 6, up: 17 },
      ],
    };
    const made = await send(app, 'POST', '/api/books/lots', {
      ...lot,
      tests: [test],
      thousandSeed_g: 2.8,
      storage_C: 8,
      moisture_percent: 7,
    });
    expect(made.status, JSON.stringify(made.body)).toBe(201);
    const lots = (await send(app, 'GET', '/api/books/lots')).body as { id: number; tests: unknown[] }[];
    expect(lots.find((l) => l.id === made.body.id)!.tests).toEqual([test]);
    const falling = {
      ...test,
      counts: [
        { day: 3, up: 9 },
        { day: 6, up: 7 },
      ],
    };
    const refused = await send(app, 'POST', '/api/books/lots', { ...lot, code: 'TEST-2', tests: [falling] });
    expect(refused.body.errors[0]).toMatchObject({
      path: 'tests.0.counts.1.up',
      message: expect.stringContaining('do not fall'),
    });
    expect(
      (await send(app, 'POST', '/api/books/lots', { ...lot, code: 'TEST-3', tests: [{ ...test, seeds: 3 }] })).status,
    ).toBe(422);
  });

  it('over 100% only for seed balls', async () => {
    const refused = await send(app, 'POST', '/api/books/lots', { ...lot, code: 'TEST-4', germination_percent: 140 });
    expect(refused.body.errors[0]).toMatchObject({
      path: 'germination_percent',
      message: expect.stringContaining('seed balls'),
    });
    const varieties = (await send(app, 'GET', '/api/books/varieties')).body as { id: number; cropId: number }[];
    const crops = (await send(app, 'GET', '/api/books/crops')).body as {
      id: number;
      name: string;
      seedBalls: boolean;
    }[];
    const beet = crops.find((c) => c.name === 'beetroot')!;
    expect(beet.seedBalls).toBe(true);
    const own =
      varieties.find((v) => v.cropId === beet.id)?.id ??
      (await send(app, 'POST', '/api/books/varieties', { cropId: beet.id, name: 'Test beet', note: '' })).body.id;
    expect(
      (await send(app, 'POST', '/api/books/lots', { ...lot, varietyId: own, code: 'TEST-5', germination_percent: 140 }))
        .status,
    ).toBe(201);
  });
});

describe('the rule off the heat and learning', () => {
  const offHeatOn = async (id: number) =>
    (await state(id)).forecast.find((m: { key: string }) => m.key === 'off-heat').on as string;

  it('a batch’s own rule comes before its group’s, that before the house’s', async () => {
    const house = await sownTomato();
    const own = await sownTomato('2027-04-05', { offHeat: { kind: 'days-after', days: 9 } });
    expect((await offHeatOn(own)) > (await offHeatOn(house))).toBe(true);
    const share = await sownTomato('2027-04-05', { offHeat: { kind: 'share', share_frac: 0.95 } });
    expect((await offHeatOn(share)) >= (await offHeatOn(house))).toBe(true);
    const wrong = await send(app, 'GET', `/api/batch/${share}`);
    expect(wrong.status).toBe(200);
  });

  it('slow trays put the next plan’s days to come up later, unless learning is switched off', async () => {
    const halfUp = async (id: number) =>
      (await state(id)).forecast.find((m: { key: string }) => m.key === 'half-up').on as string;
    const next = await sownTomato('2027-04-11');
    const before = await halfUp(next);
    for (let i = 0; i < 4; i++) {
      const slow = await sownTomato('2027-03-20');
      for (const [day, count] of [
        ['2027-03-27', 4],
        ['2027-03-29', 40],
        ['2027-03-31', 80],
        ['2027-04-04', 110],
      ] as const)
        expect((await log(slow, { kind: 'counted', day, count })).status).toBe(201);
    }
    const after = await halfUp(next);
    expect(after > before).toBe(true);
    const nursery = (await send(app, 'GET', '/api/house/nursery')).body;
    const {
      feedKey: _feed,
      demoClock: _clock,
      potting: _potting,
      planting: _planting,
      frost: _frost,
      ...settings
    } = nursery;
    const off = await send(app, 'PUT', '/api/house/nursery', { ...settings, learning: false });
    expect(off.status, JSON.stringify(off.body)).toBe(200);
    expect(await halfUp(next)).toBe(before);
  });
});
