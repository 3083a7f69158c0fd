import { database } from '../../../../server/database.ts';
import { endpoint, json } from '../../../../server/edge.ts';
import { testAlarm } from '../../../../server/heat/changes.ts';
import { alarmList } from '../../../../server/heat/alarmList.ts';

export const GET = endpoint(async () => json(await alarmList(database(), 100)));
/** A test alarm. */
export const POST = endpoint(async () => {
  await testAlarm();
  return json({ ok: true }, 201);
});
