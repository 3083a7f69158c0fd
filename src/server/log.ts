import { pino } from 'pino';

/** The application's log: one JSON line a thing, to standard output. */
export const log = pino({
  level: process.env['LOG_LEVEL'] ?? 'info',
  base: undefined,
  timestamp: pino.stdTimeFunctions.isoTime,
});
