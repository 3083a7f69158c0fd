import { endpoint, file } from '../../../server/edge.ts';
import { readSeason } from '../../../server/plan/season.ts';
import { workCalendar } from '../../../server/house/takeAlong.ts';

export const GET = endpoint(async () => file(workCalendar(await readSeason()), 'text/calendar', 'crook-work.ics'));
