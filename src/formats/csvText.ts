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
