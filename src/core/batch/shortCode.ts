import { requireRange } from '../numerics/guard.ts';
import { WORDS } from '../../words/en/batch/shortCode.ts';

/** Letters and figures not mistaken for one another on a wet label. */
const ALPHABET = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ';
const THREE = 32 ** 3;
const SPREAD = 20_021; // odd, so that neighbours in number are far apart in code

/**
 * A short code for a running number: three signs for the first 32,768, four after. One number, one code.
 * @example shortCode(1) !== shortCode(2) // true
 */
export function shortCode(n: number): string {
  requireRange(WORDS.runningNumber, n, 0, 32 ** 4 - 1);
  if (n < THREE) return encode((n * SPREAD) % THREE, 3);
  return encode(n, 4);
}

function encode(value: number, length: number): string {
  let rest = value;
  let code = '';
  for (let i = 0; i < length; i++) {
    code = ALPHABET[rest % 32]! + code;
    rest = Math.floor(rest / 32);
  }
  return code;
}
