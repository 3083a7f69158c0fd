import { hotBedLineInput } from '../../../../contracts/heat/warmth.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';
import { addHotBedLine } from '../../../../server/heat/hotBed.ts';

export const POST = endpoint(async (context) =>
  json(await addHotBedLine(idParam(context), await body(context, hotBedLineInput)), 201),
);
