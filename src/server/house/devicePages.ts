import type { DevicePages } from '../../contracts/house/device.ts';
import { isOver } from '../../core/batch/event.ts';
import { inUse } from '../../core/books/inUse.ts';
import type { Season } from '../../core/plan/season.ts';
import { readMarks } from '../../db/house/world.ts';
import { readSessions } from '../../db/potting/potting.ts';
import { readZones } from '../../db/heat/heat.ts';
import { database } from '../database.ts';

/** Work of so many days is opened in the house. */
const AHEAD_days = 14;
/** A phone keeps no more: about 15 MB. */
const MOST_BATCHES = 200;

/** Pages of the house that are worked from, whatever stands in it. */
const ALWAYS = [
  '/',
  '/germination/count',
  '/germination/sheet',
  '/hardening',
  '/potting',
  '/house',
  '/heat',
  '/house/scan',
] as const;
const THEN = [
  '/planting',
  '/germination/sow',
  '/house/photos',
  '/watering',
  '/watering/plan',
  '/weather',
  '/weather/readings',
  '/books/places',
  '/plan/season',
  '/batch/ledger',
  '/house/help',
] as const;

/** What a device keeps for the coming two weeks, what is worked at first in front. */
export async function devicePages(season: Season): Promise<DevicePages> {
  const { now } = season;
  const marks = await readMarks(database());
  const soon = (view: Season['batches'][number]): number =>
    Math.min(Infinity, ...view.round.map(({ dueOn }) => dueOn), ...view.work.map(({ dueOn }) => dueOn));
  const batches = season.batches
    .filter(({ state }) => !isOver(state.phase))
    .map((view) => ({ view, soon: soon(view) }))
    .filter(({ view, soon }) => view.state.phase !== 'planned' || soon <= now.today + AHEAD_days)
    .sort((a, b) => a.soon - b.soon)
    .slice(0, MOST_BATCHES);
  const pads = batches.filter(({ view }) => view.state.phase === 'sown' || view.state.phase === 'emerged');
  const zones = await readZones(database());
  const sessions = (await readSessions(database())).filter(
    ({ on, closed }) => !closed && Math.abs(on - now.today) <= AHEAD_days,
  );
  return {
    version: `${marks.revision} ${now.today}`,
    pages: [
      ...ALWAYS,
      ...pads.map(({ view }) => `/germination/count/${view.batch.code}`),
      ...sessions.map(({ id }) => `/potting/sessions/${id}`),
      ...batches.map(({ view }) => `/batch/${view.batch.id}`),
      ...zones.map(({ id }) => `/heat?zone=${id}`),
      ...inUse(season.world.places).map(({ id }) => `/watering?place=${id}`),
      ...THEN,
    ],
  };
}
