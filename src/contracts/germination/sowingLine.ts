/** A batch to be sown, as the sowing sheet shows it. */
export interface SowingLine {
  readonly id: number;
  readonly name: string;
  readonly code: string;
  readonly lot: string | null;
  readonly dueOn: number;
  readonly cells: number;
  readonly trays: number;
  readonly perTray: number;
  readonly container: string;
  readonly litres: number;
  readonly light: 'light' | 'dark' | 'neutral';
  readonly depth_mm: number;
  readonly placeId: number;
  readonly place: string;
  readonly place_C: number | null;
}
