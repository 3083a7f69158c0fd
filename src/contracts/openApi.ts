import { z } from 'zod';
import { CALLS } from './api.ts';
import { leastRole } from './house/access.ts';

const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
  current: z.unknown().optional(),
  yours: z.unknown().optional(),
});

/** OpenAPI 3.1 document of the calls, its bodies made from the Zod schemas. */
export function openApiDocument(): object {
  const schemaOf = (schema: z.ZodType) => {
    const { $schema: _dialect, ...rest } = z.toJSONSchema(schema, {
      io: 'input',
      unrepresentable: 'any',
    });
    return rest;
  };
  const problemAnswer = (description: string) => ({
    description,
    content: {
      'application/problem+json': {
        schema: { $ref: '#/components/schemas/Problem' },
      },
    },
  });
  const paths: Record<string, Record<string, unknown>> = {};
  for (const call of CALLS) {
    const parameters = [...call.path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
      name,
      in: 'path',
      required: true,
      schema: { type: name === 'id' ? 'integer' : 'string' },
    }));
    (paths[call.path] ??= {})[call.method] = {
      summary: call.summary,
      // The least role that may call it, where people sign in; anybody: without signing in.
      'x-least-role': leastRole(call.method, call.path.replace(/\{id\}/g, '1').replace(/\{\w+\}/g, 'x')) ?? 'anybody',
      ...(parameters.length > 0 ? { parameters } : {}),
      ...(call.body
        ? {
            requestBody: {
              required: true,
              content: { 'application/json': { schema: schemaOf(call.body) } },
            },
          }
        : {}),
      responses: {
        [call.status]: {
          description: 'Done',
          content: { [call.type ?? 'application/json']: {} },
        },
        ...(call.body
          ? {
              422: problemAnswer('A field is at fault'),
              409: problemAnswer('Changed by someone else'),
            }
          : {}),
        503: problemAnswer('The database is away'),
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Crook',
      version: '1',
      description: 'Days are YYYY-MM-DD at the nursery; temperatures are degrees Celsius.',
    },
    paths,
    components: { schemas: { Problem: schemaOf(problem) } },
  };
}
