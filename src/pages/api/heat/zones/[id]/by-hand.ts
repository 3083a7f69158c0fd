import { handReadingInput } from '../../../../../contracts/heat/heat.ts';
import { body, endpoint, idParam, json } from '../../../../../server/edge.ts';
import { addHandReading } from '../../../../../server/heat/changes.ts';

export const POST = endpoint(async (context) =>
  json(await addHandReading(idParam(context), await body(context, handReadingInput)), 201),
);
