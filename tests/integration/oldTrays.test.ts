import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { isoFromDay, requireDay } from '../../src/core/calendar/dayNumber.ts';
import { daysToEmerge, germinationRate } from '../../src/core/germination/germinationRate.ts';
import { chanceOf, otherTray } from '../calibration/otherTrays.ts';
import { cropNamed } from '../references/library.ts';
import { key, send, startApp, type App } from '../support/app.ts';
import { sownTomato } from '../support/tomato.ts';

let app: App;
beforeAll(async () => {
  app = await startApp();
});
afterAll(() => app.stop());

const HEAD = 'crop,variety,tray,sown_on,seeds,temperature_c,counted_on,up';
/** Five years of trays that come up 1.35 times as slowly as the book says, drawn by a generator that knows nothing of the model. */
function fiveYears(seed: number): string {
  const chance = chanceOf(seed);
  const book_days = daysToEmerge(germinationRate(cropNamed('tomato')), 21)!;
  const lines: string[] = [HEAD];
  for (let year = 2022; year <= 2026; year++)
    for (let n = 1; n <= 6; n++) {
      const sownOn = requireDay(`${year}-03-0${n}`);
      const after = [4, 6, 8, 10, 12, 15, 20];
      const lot = { kind: 'gamma', spread: 0.25, factor: 1.35, tray_sd: 0.08, share: 0.9, share_sd: 0.04 } as const;
      const { looks } = otherTray(
        chance,
        lot,
        120,
        after.map((days) => days / book_days),
      );
      looks.forEach(({ up }, i) =>
        lines.push(`tomato,,tray ${n},${isoFromDay(sownOn)},120,21,${isoFromDay(sownOn + after[i]!)},${up}`),
      );
    }
  return lines.join('\n');
}
const post = (text: string, more: object) =>
  send(app, 'POST', '/api/germination/old-trays', { name: 'trays.csv', text, ...more });
const halfUp = async (id: number) =>
  (await send(app, 'GET', `/api/batch/${id}`)).body.forecast.find((m: { key: string }) => m.key === 'half-up')
    .on as string;
describe('trays of years before', () => {
  it('a preview writes nothing, and says what the trays of a crop teach', async () => {
    const { status, body } = await post(fiveYears(3), { commit: false });
    expect([status, body.taken, body.errors]).toEqual([200, 0, []]);
    expect(body.crops).toMatchObject([{ crop: 'tomato', trays_count: 30, from: '2022-03-01', to: '2026-03-06' }]);
    expect(body.crops[0].time_factor).toBeGreaterThan(1.35 * 0.95);
    expect(body.crops[0].time_factor).toBeLessThan(1.35 * 1.05);
    expect((await post(fiveYears(3), { commit: false })).body.crops).toEqual(body.crops);
  });
  it('taken, they put the next plan’s half up later; once however often it is sent; left out, back again', async () => {
    const id = await sownTomato(app, '2027-04-11');
    const before = await halfUp(id);
    const once = { commit: true, idempotencyKey: key() };
    expect((await post(fiveYears(3), once)).body).toMatchObject({ taken: 30, repeated: false });
    const after = await halfUp(id);
    expect(after > before).toBe(true);
    expect((await post(fiveYears(3), once)).body).toMatchObject({ taken: 30, repeated: true });
    expect((await post(fiveYears(4), once)).body.errors).toMatchObject([{ path: 'idempotencyKey' }]);
    const again = await post(fiveYears(3), { commit: true, idempotencyKey: key() });
    expect(again.status).toBe(422);
    expect(again.body.errors).toHaveLength(30);
    expect(again.body.errors[0]).toMatchObject({
      path: 'lines.2.tray',
      message: expect.stringContaining('read in before') as string,
    });

    const page = (await send(app, 'GET', '/house/seasons')).body as string;
    expect(page).toContain('trays.csv');
    const crops = (await send(app, 'GET', '/api/books/crops')).body as { id: number; name: string }[];
    const book = `/books/crops?crop=${crops.find(({ name }) => name === 'tomato')!.id}`;
    expect((await send(app, 'GET', book)).body).toMatch(
      /\d+ trays of your own: half up \d+% slower than the book says/,
    );
    const fileId = 1;
    expect((await send(app, 'PATCH', `/api/germination/old-trays/${fileId}`, { leftOut: true })).status).toBe(200);
    expect(await halfUp(id)).toBe(before);
    expect((await send(app, 'PATCH', `/api/germination/old-trays/${fileId}`, { leftOut: false })).status).toBe(200);
    expect(await halfUp(id)).toBe(after);
    expect((await send(app, 'PATCH', '/api/germination/old-trays/99', { leftOut: true })).status).toBe(404);
  });
  it('one wrong line and nothing is taken; each is named with what to do', async () => {
    const text = [
      HEAD,
      'tomato,,B1,2025-03-01,100,21,2025-03-10,40',
      'tomato,,B1,2025-03-01,100,21,2025-03-12,80',
      'tomatto,,B2,2025-03-01,100,21,2025-03-10,40',
      'tomato,Nowhere Red,B3,2025-03-01,100,21,2025-03-10,40',
      'tomato,,B4,2025-03-01,100,1,2025-03-10,40',
      'tomato,,B4,2025-03-01,100,1,2025-03-12,41',
      'tomato,,B5,2025-03-01,100,21,2025-03-10,40',
      'tomato,,B6,2027-04-01,100,21,2027-04-10,40',
      'tomato,,B6,2027-04-01,100,21,2027-06-12,80',
      'tomato,,B7,2025-03-01,100,21,2025-03-10,1',
      'tomato,,B7,2025-03-01,100,21,2025-03-12,2',
    ].join('\n');
    const { status, body } = await post(text, { commit: true, idempotencyKey: key() });
    expect(status).toBe(422);
    expect(body.errors.map(({ path }: { path: string }) => path)).toEqual([
      'lines.4.crop',
      'lines.5.variety',
      'lines.6.up',
      'lines.8.up',
      'lines.9.counted_on',
      'lines.11.up',
    ]);
    const good = (await post(text.split('\n').slice(0, 3).join('\n'), { commit: true, idempotencyKey: key() })).body;
    expect(good.taken).toBe(1);
    expect((await post(text, { commit: true })).body.errors).toMatchObject([{ path: 'idempotencyKey' }]);
  });
});
