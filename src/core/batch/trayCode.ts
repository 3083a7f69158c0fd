/** A batch's short code with, after a dash, the tray's number: "K7M-3". */
export interface TrayCode {
  readonly code: string;
  readonly tray: number | null;
}

/** @example trayCode('K7M', 3) // 'K7M-3' */
export function trayCode(code: string, tray: number): string {
  return `${code}-${tray}`;
}

/**
 * Reads a code as it is typed or scanned: small letters, blanks, a whole address that ends in one. null when it is none.
 * @example readTrayCode(' k7m 3 ') // { code: 'K7M', tray: 3 }
 */
export function readTrayCode(text: string): TrayCode | null {
  const last = text.trim().split('/').at(-1)!.toUpperCase();
  const found = /^([2-9A-HJ-NP-Z]{3,4})(?:[\s-]+([1-9]\d{0,3}))?$/.exec(last);
  if (!found) return null;
  const tray = found[2] === undefined ? null : Number(found[2]);
  return tray !== null && tray > 2000 ? null : { code: found[1]!, tray };
}
