import ICAL from 'ical.js';
import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { key, send, startApp, type App } from '../support/app.ts';

let app: App;
beforeAll(async () => {
  app = await startApp();
});
afterAll(() => app.stop());

const text = async (path: string) => (await fetch(app.url + path)).text();
const preview = async (csv: string) =>
  (await send(app, 'POST', '/api/batch/import', { text: csv, commit: false })).body;
const PLAN_FIELDS = [
  'cropId',
  'varietyId',
  'lotId',
  'plantsWanted',
  'spare_frac',
  'transplantOn',
  'hardening_days',
  'places',
  'sowContainerId',
  'potContainerId',
  'note',
  'before_days',
  'after_days',
  'weight',
  'age_frac',
  'sure_frac',
  'pinned',
  'joins',
  'offHeat',
  'programmeId',
  'coverId',
  'gates',
  'steps',
];
const countBatches = async (): Promise<number> => (await send(app, 'GET', '/api/batch')).body.length;

describe('the calendar, read back by ical.js', () => {
  it('holds all work to come as whole-day entries', async () => {
    const calendar = new ICAL.Component(ICAL.parse(await text('/api/house/work.ics')));
    const entries = calendar.getAllSubcomponents('vevent').map((c) => new ICAL.Event(c));
    expect(entries.length).toBeGreaterThan(100);
    expect(new Set(entries.map((e) => e.uid)).size).toBe(entries.length);
    for (const entry of entries) {
      expect(entry.startDate.isDate).toBe(true);
      expect(entry.endDate.subtractDate(entry.startDate).toSeconds()).toBe(86_400);
      expect(entry.startDate.toString() >= '2027-04-12').toBe(true);
    }
    const batch = (await send(app, 'GET', '/api/batch')).body.find((b: { phase: string }) => b.phase === 'planned');
    const sowing = entries.find((e) => e.uid === `${batch.code}-sow@crook`)!;
    expect(sowing.startDate.toString()).toBe(batch.forecast[0].on);
    expect(sowing.summary).toContain(batch.name);
  });

  it('the feed says the same under its key, and nothing without it', async () => {
    const page = await text('/batch/take-along');
    const feed = /\/api\/house\/feed\/[\w-]+\.ics/.exec(page)![0];
    expect((await text(feed)).match(/BEGIN:VEVENT/g)!.length).toBe(
      (await text('/api/house/work.ics')).match(/BEGIN:VEVENT/g)!.length,
    );
    // A calendar that subscribed by the address of before is led to today's.
    expect(await text(feed.replace('/house', ''))).toBe(await text(feed));
    expect((await fetch(`${app.url}/api/house/feed/guess.ics`)).status).toBe(404);
  });
});

describe('the spreadsheets, read back by papaparse', () => {
  it('batches and log have a row each, with the same figures', async () => {
    const batches = Papa.parse<Record<string, string>>(await text('/api/batch/batches.csv'), {
      header: true,
      skipEmptyLines: true,
    });
    expect(batches.errors).toEqual([]);
    const api = (await send(app, 'GET', '/api/batch')).body;
    expect(batches.data).toHaveLength(api.length);
    batches.data.forEach((row, i) => {
      expect([row['code'], Number(row['plants']), row['transplant_on']]).toEqual([
        api[i].code,
        api[i].plantsWanted,
        api[i].transplantOn,
      ]);
    });
    const log = Papa.parse<Record<string, string>>(await text('/api/batch/log.csv'), {
      header: true,
      skipEmptyLines: true,
    });
    expect(log.errors).toEqual([]);
    expect(log.data.length).toBeGreaterThan(100);
    expect(log.data.every((row) => /^\d{4}-\d\d-\d\d$/.test(row['day']!))).toBe(true);
  });

  it('what goes out comes in again equal, by every field of the plan', async () => {
    const [first, second] = (await send(app, 'GET', '/api/batch')).body as Record<string, unknown>[];
    const covers = (await send(app, 'GET', '/api/books/covers')).body as { id: number; structure: unknown }[];
    const programmes = (await send(app, 'GET', '/api/books/programmes')).body as { id: number }[];
    const plan = (b: Record<string, unknown>) =>
      Object.fromEntries(Object.entries(b).filter(([k]) => PLAN_FIELDS.includes(k)));
    const odd = {
      ...plan(first!),
      spare_frac: 0.123,
      transplantOn: '2027-06-01',
      potContainerId: null,
      places: { germinate: 1, grow: 3, pot: null, space: 5, harden: null },
      note: '\'=1+1, said "so"\nand twice',
      before_days: 1,
      after_days: 12,
      weight: 0.3,
      age_frac: 0.7,
      sure_frac: 0.75,
      pinned: true,
      offHeat: { kind: 'share', share_frac: 0.65 },
      programmeId: programmes.at(-1)!.id,
      coverId: covers.find((c) => c.structure === null)!.id,
      gates: { soil: 'off', storm: 'advisory' },
      steps: { sow: '2027-04-20', 'off-heat': '2027-04-28', harden: '2027-05-20', plant: '2027-06-01' },
    };
    const plugs = {
      ...plan(second!),
      transplantOn: '2027-06-05',
      steps: {},
      joins: { stage: 'pot', on: '2027-05-02', age_weeks: 4.5, leaves_count: 3 },
    };
    for (const batch of [odd, plugs]) {
      const made = await send(app, 'POST', '/api/batch', { ...batch, idempotencyKey: key() });
      expect(made.status, JSON.stringify(made.body)).toBe(201);
    }
    const csv = await text('/api/batch/batches.csv');
    const before = (await send(app, 'GET', '/api/batch')).body as Record<string, unknown>[];
    const answer = await send(app, 'POST', '/api/batch/import', { text: csv, commit: true, idempotencyKey: key() });
    expect(answer.body.errors).toEqual([]);
    const after = (await send(app, 'GET', '/api/batch')).body as Record<string, unknown>[];
    const again = after.slice(before.length);
    expect(before.map((b) => b['sure_frac'])).toContain(0.75);
    expect(again).toHaveLength(before.length);
    again.forEach((batch, i) => expect(plan(batch), String(before[i]!['name'])).toEqual(plan(before[i]!)));
  });
});

describe('reading in what others write', () => {
  it('dates with the day or the month first: as the file says, or as it is asked', async () => {
    const file = (...dates: string[]) => `crop,plants,transplant_on\n${dates.map((d) => `leek,9,${d}`).join('\n')}`;
    const days = async (csv: string, dateOrder?: string) =>
      (await send(app, 'POST', '/api/batch/import', { text: csv, commit: false, ...(dateOrder ? { dateOrder } : {}) }))
        .body;
    expect(
      (await days(file('24/05/2027', '03/06/2027'))).lines.map((l: { transplantOn: string }) => l.transplantOn),
    ).toEqual(['2027-05-24', '2027-06-03']);
    const either = await days(file('03/06/2027'));
    expect(either).toMatchObject({ dateOrder: 'either', lines: [], errors: [{ path: 'dateOrder' }] });
    expect((await days(file('03/06/2027'), 'mdy')).lines[0].transplantOn).toBe('2027-03-06');
    expect((await days(file('24/05/2027', '05/24/2027'))).errors.length).toBeGreaterThan(0);
  });

  it('makes unknown varieties in the same step, takes the good lines and gives the others back', async () => {
    const csv =
      'crop,variety,plants,transplant_on\nleek,Made Up Long,50,2027-06-10\nnettle,,5,2027-06-10\nleek,made up long,60,2027-06-20';
    const before = await countBatches();
    expect((await preview(csv)).errors.map((e: { path: string }) => e.path)).toContain('lines.2.variety');
    const order = { text: csv, commit: true, makeVarieties: true, takeGood: true, idempotencyKey: key() };
    const answer = (await send(app, 'POST', '/api/batch/import', order)).body;
    expect(answer).toMatchObject({ made: 2, newVarieties: [{ name: 'Made Up Long' }] });
    expect(await countBatches()).toBe(before + 2);
    const rest = Papa.parse<Record<string, string>>(answer.rest, { header: true });
    expect(rest.data).toHaveLength(1);
    expect(rest.data[0]).toMatchObject({
      crop: 'nettle',
      plants: '5',
      problem: expect.stringMatching(/not in the crop book/) as string,
    });
    expect((await send(app, 'POST', '/api/batch/import', order)).body).toMatchObject({ repeated: true, made: 2 });
    expect(await countBatches()).toBe(before + 2);
    // What comes back is read again once it is mended; the column of problems is left alone.
    expect((await preview(answer.rest.replace('nettle', 'leek'))).errors).toEqual([]);
  });
});

describe('reading in', () => {
  it('takes commas, semicolons, a byte-order mark and decimal commas', async () => {
    const plain = await preview('crop,plants,transplant_on\ntomato,120,2027-05-24\n');
    expect(plain).toMatchObject({ errors: [], made: 0, lines: [{ line: 2, crop: 'tomato', plants: 120 }] });
    const other = await preview('\uFEFFCrop;Plants;Transplant on;spare percent\r\nTomato;120;2027-05-24;12,5\r\n');
    expect(other).toMatchObject({ errors: [], lines: [{ crop: 'tomato', plants: 120, sowOn: plain.lines[0].sowOn }] });
  });

  it('says what is wrong with each line', async () => {
    const answer = await preview(
      [
        'crop,plants,transplant_on,note,grow',
        'tomato,120,2027-05-24,fine,Bench 2',
        'tomatoe,120,2027-05-24,,',
        'tomato,ten,2027-05-24,,',
        'tomato,0,2027-05-24,,',
        'tomato,1000000000,2027-05-24,,',
        'tomato,120,2027-02-29,,',
        'tomato,120,34/05/2027,,',
        'tomato,120,2027-05-24,=HYPERLINK("x"),',
        'tomato,120,2027-05-24,,Bench 9',
        'tomato,,2027-05-24,,',
      ].join('\n'),
    );
    const wrong = answer.errors.map((e: { path: string }) => e.path);
    expect(wrong).toEqual([
      'lines.3.crop',
      'lines.4.plants',
      'lines.5.plants',
      'lines.6.plants',
      'lines.7.transplant_on',
      'lines.8.transplant_on',
      'lines.9.note',
      'lines.10.grow',
      'lines.11.plants',
    ]);
    expect(answer.lines).toHaveLength(1);
  });

  it('refuses wrong columns, an empty file and 100,000 lines, quickly', async () => {
    expect((await preview('name,number\nx,1')).errors[0]).toMatchObject({
      path: 'heading',
      message: expect.stringMatching(/crop, plants/),
    });
    expect((await preview('crop,plants,transplant_on,colour\ntomato,1,2027-05-24,red')).errors[0].message).toMatch(
      /colour/,
    );
    expect((await preview('crop,plants,transplant_on\n')).errors[0].path).toBe('file');
    const many = `crop,plants,transplant_on\n${'leek,1,2027-05-24\n'.repeat(100_000)}`;
    expect((await preview(many)).errors[0]).toMatchObject({
      path: 'file',
      message: expect.stringMatching(/5000 lines/),
    });
    expect((await send(app, 'POST', '/api/batch/import', { text: 'x'.repeat(2_100_000), commit: false })).status).toBe(
      422,
    );
    expect((await send(app, 'POST', '/api/batch/import', 'x'.repeat(3_300_000))).status).toBe(413);
  });

  it('is all or nothing, and once for a key', async () => {
    const before = await countBatches();
    const half = 'crop,plants,transplant_on\ntomato,120,2027-05-24\nnettle,5,2027-05-24';
    const refused = await send(app, 'POST', '/api/batch/import', { text: half, commit: true, idempotencyKey: key() });
    expect([refused.status, refused.body.errors[0].path]).toEqual([422, 'lines.3.crop']);
    expect(await countBatches()).toBe(before);
    const order = {
      text: 'crop;plants;transplant_on\ntomato;120;2027-05-24\nleek;300;2027-06-10',
      commit: true,
      idempotencyKey: key(),
    };
    const answers = await Promise.all([1, 2, 3].map(() => send(app, 'POST', '/api/batch/import', order)));
    expect(answers.map((a) => a.body.repeated).sort()).toEqual([false, true, true]);
    expect(await countBatches()).toBe(before + 2);
  });

  it('a note like a formula goes out harmless', async () => {
    const made = (await send(app, 'GET', '/api/batch')).body[0];
    const note = '=1+1';
    expect((await send(app, 'PATCH', `/api/batch/${made.id}`, { version: made.version, note })).status).toBe(200);
    const row = Papa.parse<Record<string, string>>(await text('/api/batch/batches.csv'), { header: true }).data[0]!;
    expect(row['note']).toBe("'=1+1");
  });
});
