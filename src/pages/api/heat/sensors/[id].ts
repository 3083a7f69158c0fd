import { calibrationInput } from '../../../../contracts/heat/heat.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';
import { calibrate } from '../../../../server/heat/changes.ts';
import { latestOf } from '../../../../server/heat/sensors.ts';

/** The last minutes of a sensor, uncorrected, for the guided check. */
export const GET = endpoint(async (context) => json(await latestOf(idParam(context))));
export const POST = endpoint(async (context) => {
  await calibrate(idParam(context), await body(context, calibrationInput));
  return json({ ok: true }, 201);
});
