import { fieldProblem } from '../../../contracts/problem.ts';
import { endpoint, json } from '../../../server/edge.ts';
import { timeZoneAt, townsNamed } from '../../../server/house/towns.ts';
import { WORDS } from '../../../words/en/house/townsApi.ts';

export const GET = endpoint(async ({ url }) => {
  const at = url.searchParams.get('at');
  if (at === null) return json({ towns: townsNamed((url.searchParams.get('q') ?? '').slice(0, 120)) });
  const [latitude_deg, longitude_deg, more] = at.split(',').map(Number);
  const fine =
    latitude_deg !== undefined &&
    longitude_deg !== undefined &&
    more === undefined &&
    Math.abs(latitude_deg) <= 90 &&
    Math.abs(longitude_deg) <= 180;
  if (!fine) throw fieldProblem('at', `at: ${WORDS.latitudeAndLongitudeInDegrees}`);
  return json({ timeZone: timeZoneAt(latitude_deg, longitude_deg) });
});
