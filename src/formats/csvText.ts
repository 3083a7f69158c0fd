import Papa from 'papaparse';

/** A cell that begins like a formula, marks before it included. */
const FORMULA = /^'*[=+\-@\t\r]/;

/** A cell as it is written: one that a spreadsheet would run gets a mark in front. */
export function toCell(value: string): string {
  return FORMULA.test(value) ? `'${value}` : value;
}

/** The cell as it was before it was written; what toCell made comes back as it was. */
export function fromCell(text: string): string {
  return text.startsWith("'") && FORMULA.test(text) ? text.slice(1) : text;
}

/** Lines of a file by the names of its columns. */
export interface CsvLines {
  /** Small letters, blanks as underscores. */
  readonly headings: readonly string[];
  readonly rows: readonly Readonly<Record<string, string>>[];
}

/**
 * Lines of a CSV: comma, semicolon or tab, with or without byte-order mark; empty lines are left out.
 * @param most one line more than these is read, so that too many are seen
 */
export function csvLines(text: string, most: number): CsvLines {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t'],
    transformHeader: (heading) => heading.trim().toLowerCase().replaceAll(' ', '_'),
    preview: most + 1,
  });
  return { headings: meta.fields ?? [], rows: data };
}
