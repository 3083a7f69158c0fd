import { WORDS } from '../../words/en/batch/labelSheets.ts';
/** How labels lie on a sheet or a roll. Millimetres. */
export interface LabelSheet {
  readonly key: string;
  readonly name: string;
  readonly page_mm: readonly [width: number, height: number];
  readonly label_mm: readonly [width: number, height: number];
  readonly columns: number;
  readonly rows: number;
  /** Of the first label from the left and the top edge, and from one label to the next. */
  readonly left_mm: number;
  readonly top_mm: number;
  readonly acrossStep_mm: number;
  readonly downStep_mm: number;
}

const sheet = (
  key: string,
  name: string,
  page: readonly [number, number],
  label: readonly [number, number],
  columns: number,
  rows: number,
  left_mm: number,
  top_mm: number,
  gap_mm: readonly [number, number] = [0, 0],
): LabelSheet => ({
  key,
  name,
  page_mm: page,
  label_mm: label,
  columns,
  rows,
  left_mm,
  top_mm,
  acrossStep_mm: label[0] + gap_mm[0],
  downStep_mm: label[1] + gap_mm[1],
});

const roll = (width: number, height: number): LabelSheet =>
  sheet(`roll-${width}x${height}`, WORDS.rollXMm(width, height), [width, height], [width, height], 1, 1, 0, 0);

const A4 = [210, 297] as const;
const LETTER = [215.9, 279.4] as const;

/** Sizes in common use. Measured from the sizes printed on packs of plain sheets; common practice, no source. */
export const LABEL_SHEETS: readonly LabelSheet[] = [
  sheet('a4-24', WORDS.a4(24, 70, 37), A4, [70, 37], 3, 8, 0, 0.5),
  sheet('a4-21', WORDS.a4(21, 63.5, 38.1), A4, [63.5, 38.1], 3, 7, 7.25, 15.15, [2.5, 0]),
  sheet('a4-12', WORDS.a4(12, 105, 49.5), A4, [105, 49.5], 2, 6, 0, 0),
  sheet('letter-30', WORDS.usLetter30Of66, LETTER, [66.7, 25.4], 3, 10, 4.8, 12.7, [3.1, 0]),
  sheet('letter-20', WORDS.usLetter20Of101, LETTER, [101.6, 25.4], 2, 10, 4, 12.7, [4.8, 0]),
  roll(57, 32),
  roll(62, 29),
  roll(100, 25),
];

/** Smallest label that holds a code one can read and a square one can scan, and the largest taken. */
export const LABEL_LEAST_mm = [35, 18] as const;
export const LABEL_MOST_mm = [210, 150] as const;

/**
 * A label sheet by its key, or a roll of a size of one's own as "roll-80x40". null when it is none, or too small or large.
 * @example labelSheet('roll-80x40')!.label_mm // [80, 40]
 */
export function labelSheet(key: string): LabelSheet | null {
  const known = LABEL_SHEETS.find((s) => s.key === key);
  if (known) return known;
  const found = /^roll-(\d{2,3}(?:\.\d)?)x(\d{2,3}(?:\.\d)?)$/.exec(key);
  if (!found) return null;
  const [width, height] = [Number(found[1]), Number(found[2])];
  const fits =
    width >= LABEL_LEAST_mm[0] &&
    width <= LABEL_MOST_mm[0] &&
    height >= LABEL_LEAST_mm[1] &&
    height <= LABEL_MOST_mm[1];
  return fits ? roll(width, height) : null;
}

/** Where the nth label lies, from the bottom left as PDF counts, millimetres, with its page. */
export function labelPlace(sheet: LabelSheet, n: number): { page: number; x_mm: number; y_mm: number } {
  const each = sheet.columns * sheet.rows;
  const on = n % each;
  const column = on % sheet.columns;
  const row = Math.floor(on / sheet.columns);
  return {
    page: Math.floor(n / each),
    x_mm: sheet.left_mm + column * sheet.acrossStep_mm,
    y_mm: sheet.page_mm[1] - sheet.top_mm - row * sheet.downStep_mm - sheet.label_mm[1],
  };
}
