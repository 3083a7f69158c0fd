import { expect } from 'vitest';
import { key, send, type App } from './app.ts';

/** A batch of 120 tomato cells in two trays of 60, sown on a day of the demo. @returns its number */
export async function sownTomato(app: App, day = '2027-04-05', change: object = {}): Promise<number> {
  const crops = (await send(app, 'GET', '/api/books/crops')).body as { id: number; name: string }[];
  const made = await send(app, 'POST', '/api/batch', {
    idempotencyKey: key(),
    cropId: crops.find(({ name }) => name === 'tomato')!.id,
    varietyId: null,
    lotId: null,
    plantsWanted: 100,
    spare_frac: 0.2,
    transplantOn: '2027-06-20',
    hardening_days: 8,
    places: { germinate: 1, grow: 3, pot: 5, harden: 6 },
    sowContainerId: 2,
    potContainerId: 6,
    note: '',
    ...change,
  });
  expect(made.status, JSON.stringify(made.body)).toBe(201);
  const line = { idempotencyKey: key(), kind: 'sown', day, count: 120 };
  expect((await send(app, 'POST', `/api/batch/${made.body.id}/events`, line)).status).toBe(201);
  return made.body.id as number;
}
