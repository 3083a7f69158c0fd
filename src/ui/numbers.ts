const kept = new Map<string, Intl.NumberFormat>();

function format(options: Intl.NumberFormatOptions): Intl.NumberFormat {
  const key = JSON.stringify(options);
  const known = kept.get(key) ?? new Intl.NumberFormat('en-GB', options);
  kept.set(key, known);
  return known;
}

const minus = (text: string): string => text.replace('-', '−');

/** A figure with so many digits after the point: "0.4", "1,240". @param digits exactly so many */
export function decimal(value: number, digits = 0): string {
  return minus(
    format({ minimumFractionDigits: digits, maximumFractionDigits: digits, signDisplay: 'negative' }).format(value),
  );
}

/** A figure with as many digits as it needs, no more than so many: "2", "2.5". */
export function upTo(value: number, digits: number): string {
  return minus(format({ maximumFractionDigits: digits, signDisplay: 'negative' }).format(value));
}

/** A share as whole percent: "35%". */
export function percent(share_frac: number, digits = 0): string {
  return minus(format({ style: 'percent', maximumFractionDigits: digits, signDisplay: 'negative' }).format(share_frac));
}

/** A place in a drawing, to a tenth of a pixel: short paths. */
export const px = (place: number): number => Math.round(place * 10) / 10;
