import { createHash } from 'node:crypto';

/** What a request asks, as a text to compare: a key used again must ask the same. */
export function hashOf(value: unknown): string {
  return createHash('sha256').update(JSON.stringify(value)).digest('hex');
}
