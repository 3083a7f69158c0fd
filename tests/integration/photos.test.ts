import { randomUUID } from 'node:crypto';
import { inflateRawSync } from 'node:zlib';
import pg from 'pg';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { key, send, startApp, type App } from '../support/app.ts';

let app: App;
let client: pg.Client;
beforeAll(async () => {
  app = await startApp();
  client = new pg.Client({ connectionString: app.databaseUrl });
  await client.connect();
});
afterAll(async () => {
  await client.end();
  await app.stop();
});

const DAY = '2027-04-12';
/** A picture as a camera writes it: lying on its side, with where and by what it was taken beside the pixels. */
const camera = (width = 300, height = 200) =>
  sharp({ create: { width, height, channels: 3, background: '#3a7a2c' } })
    .withExif({
      IFD0: { Make: 'Somebody', Model: 'Secret telephone', Orientation: '6' },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 3230/100' },
    })
    .withMetadata({ orientation: 6 })
    .jpeg();
const base64 = async (picture: sharp.Sharp) => (await picture.toBuffer()).toString('base64');
const take = async (body: object, headers: Record<string, string> = {}) =>
  send(
    app,
    'POST',
    '/api/house/photos',
    { idempotencyKey: key(), batchId: 32, day: DAY, note: '', picture: await base64(camera()), ...body },
    headers,
  );
interface Photo {
  id: number;
  note: string;
  on: number;
  at_ms: number;
  removedOn: number | null;
}
const photos = async (of = '?batch=32') => (await send(app, 'GET', `/api/house/photos${of}`)).body as Photo[];
const picture = (id: number) => fetch(`${app.url}/api/house/photos/${id}/picture.jpg`);

describe('a photo', () => {
  it('is kept upright and small, of its pixels alone', async () => {
    // Read back by the same library a camera’s marks were written with; the marks are those of Exif 2.32.
    const before = await sharp(Buffer.from(await base64(camera()), 'base64')).metadata();
    expect(before.orientation).toBe(6);
    expect(before.exif!.toString('latin1')).toContain('Secret telephone');
    const made = await take({ picture: await base64(camera(2400, 1200)), note: 'From the door' });
    expect(made.status).toBe(201);
    const got = await picture((made.body as { id: number }).id);
    expect(got.headers.get('content-type')).toBe('image/jpeg');
    const bytes = Buffer.from(await got.arrayBuffer());
    const meta = await sharp(bytes).metadata();
    expect([meta.width, meta.height]).toEqual([640, 1280]);
    expect([meta.exif, meta.xmp, meta.iptc, meta.orientation]).toEqual([undefined, undefined, undefined, undefined]);
    expect(bytes.toString('latin1')).not.toMatch(/Exif|Secret|GPS/);
  });

  it('is written once however often it is sent, and again under the same key only as it was', async () => {
    const idempotencyKey = key();
    const body = { idempotencyKey, picture: await base64(camera()), note: 'Once' };
    const [one, two] = await Promise.all([take(body), take(body)]);
    expect([one.status, two.status].sort()).toEqual([200, 201]);
    expect((await photos()).filter(({ note }) => note === 'Once')).toHaveLength(1);
    const other = await take({ ...body, note: 'Another' });
    expect(other.status).toBe(422);
    expect((other.body as { errors: { path: string }[] }).errors[0]!.path).toBe('idempotencyKey');
  });

  it('that waited on a device is of when it was taken', async () => {
    const made = await take({ note: 'Waited' }, { 'x-crook-age': String(3 * 3_600_000) });
    const { at_ms } = (await photos()).find(({ id }) => id === (made.body as { id: number }).id)!;
    const { body } = await take({ note: 'Now' });
    const now = (await photos()).find(({ id }) => id === (body as { id: number }).id)!;
    expect(Math.abs(now.at_ms - at_ms - 3 * 3_600_000)).toBeLessThan(60_000);
  });

  it.each([
    ['of nothing', { batchId: null }, 'batchId'],
    ['of two things', { placeId: 1 }, 'batchId'],
    ['of a batch there is none of', { batchId: 99_999 }, 'batchId'],
    ['of a place there is none of', { batchId: null, placeId: 99_999 }, 'placeId'],
    ['of an alarm there is none of', { batchId: null, alarmId: 99_999 }, 'alarmId'],
    ['of a day to come', { day: '2027-04-13' }, 'day'],
    [
      'that is no picture',
      { picture: Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>').toString('base64') },
      'picture',
    ],
    ['that is cut off', { picture: '/9j/4AAQSkZJRgABAQAAAQABAAD/2wBDAAYE' }, 'picture'],
    ['that is no base64', { picture: '***' }, 'picture'],
    ['with a novel for a note', { note: 'x'.repeat(501) }, 'note'],
  ])('%s is refused with what to do', async (_words, body, path) => {
    const answer = await take(body);
    expect(answer.status).toBe(422);
    const { errors } = answer.body as { errors: { path: string; message: string }[] };
    expect(errors[0]!.path).toBe(path);
    expect(errors[0]!.message.length).toBeGreaterThan(8);
  });

  it('too large to be sent is refused before it is read', async () => {
    const answer = await take({ picture: 'A'.repeat(2_400_000) });
    expect(answer.status).toBe(413);
  });

  it('can be taken out for good; that there was one stays written, and nothing else can be changed', async () => {
    const { id } = (await take({ note: 'A hand in it' })).body as { id: number };
    expect((await send(app, 'DELETE', `/api/house/photos/${id}`, undefined, { 'x-crook-person': '2' })).status).toBe(
      200,
    );
    expect((await picture(id)).status).toBe(404);
    expect((await send(app, 'DELETE', `/api/house/photos/${id}`)).status).toBe(404);
    expect((await photos()).find((one) => one.id === id)).toMatchObject({
      note: 'A hand in it',
      removedBy: 2,
      removedOn: expect.any(Number),
    });
    await expect(client.query('DELETE FROM photos')).rejects.toThrow(/only the picture/);
    await expect(client.query(`UPDATE photos SET note = 'else' WHERE jpeg IS NOT NULL`)).rejects.toThrow(
      /only the picture/,
    );
  });

  it('of a voided batch is not listed among those of the house', async () => {
    const [there] = await photos('');
    expect(there).toBeDefined();
    const listed = (await photos('')).length;
    const { body } = await take({ batchId: 33, note: 'Of one made by mistake' });
    expect((await photos('')).length).toBe(listed + 1);
    await client.query('UPDATE batches SET voided_at = now() WHERE id = 33');
    expect((await photos('')).some(({ id }) => id === (body as { id: number }).id)).toBe(false);
    await client.query('UPDATE batches SET voided_at = NULL WHERE id = 33');
  });

  it('goes out with all the others as a ZIP file', async () => {
    const answer = await fetch(`${app.url}/api/house/photos.zip`);
    const files = unzip(Buffer.from(await answer.arrayBuffer()));
    const list = files.get('photos.csv')!.toString('utf8').split('\r\n');
    expect(list[0]).toBe('file,day,taken_at,batch_code,place,alarm,note,author,removed_on');
    const there = (await photos('')).filter(({ removedOn }) => removedOn === null);
    expect(files.size).toBe(there.length + 1);
    const name = list.find((line) => line.includes('From the door'))!.split(',')[0]!;
    expect(name).toMatch(/^2027-04-12-[2-9A-Z]{3,4}-\d+\.jpg$/);
    expect((await sharp(files.get(name)!).metadata()).height).toBe(1280);
  });
});

describe('what waited on a device', () => {
  it('is of when it was done: a reading by hand', async () => {
    const [zone] = (await send(app, 'GET', '/api/heat/zones')).body as { id: number }[];
    const read = (headers: Record<string, string>) =>
      send(
        app,
        'POST',
        `/api/heat/zones/${zone!.id}/by-hand`,
        { idempotencyKey: randomUUID(), ago_min: 30, medium_C: 21, air_C: null, by: 'HG', correctsId: null },
        headers,
      );
    const [waited, now] = [await read({ 'x-crook-age': String(2 * 3_600_000) }), await read({})];
    const at = async (answer: { body: unknown }): Promise<number> =>
      (
        await client.query('SELECT at FROM zone_hand_readings WHERE id = $1', [(answer.body as { id: number }).id])
      ).rows[0].at.getTime();
    expect((await at(now)) - (await at(waited))).toBeGreaterThan(1.99 * 3_600_000);
    expect((await at(now)) - (await at(waited))).toBeLessThan(2.02 * 3_600_000);
  });

  it('is of when it was done: the marks of a timer', async () => {
    const made = await send(app, 'POST', '/api/potting/sessions', { idempotencyKey: key(), batchIds: [18] });
    const { id } = made.body as { id: number };
    const mark = (kind: string, age_min: number) =>
      send(
        app,
        'POST',
        `/api/potting/sessions/${id}/marks`,
        { idempotencyKey: key(), batchId: 18, kind },
        { 'x-crook-age': String(age_min * 60_000) },
      );
    await mark('start', 50);
    await mark('pause', 30);
    const { body } = await mark('done', 20);
    const line = (body as { lines: { batchId: number; worked: { minutes: number; state: string } }[] }).lines[0]!;
    expect(line.worked.state).toBe('done');
    expect(line.worked.minutes).toBeCloseTo(20, 1);
  });
});

/** Files of a ZIP archive by its central directory (APPNOTE.TXT 4.3.12, PKWARE). */
function unzip(zip: Buffer): Map<string, Buffer> {
  const end = zip.lastIndexOf(Buffer.from('PK\x05\x06', 'latin1'));
  const files = new Map<string, Buffer>();
  for (let i = 0, at = zip.readUInt32LE(end + 16); i < zip.readUInt16LE(end + 10); i++) {
    const [method, size, named, extra, comment, local] = [
      zip.readUInt16LE(at + 10),
      zip.readUInt32LE(at + 20),
      zip.readUInt16LE(at + 28),
      zip.readUInt16LE(at + 30),
      zip.readUInt16LE(at + 32),
      zip.readUInt32LE(at + 42),
    ];
    const name = zip.toString('utf8', at + 46, at + 46 + named);
    const from = local + 30 + zip.readUInt16LE(local + 26) + zip.readUInt16LE(local + 28);
    const packed = zip.subarray(from, from + size);
    files.set(name, method === 0 ? packed : inflateRawSync(packed));
    at += 46 + named + extra + comment;
  }
  return files;
}
