/** A season of the house. Its days are day numbers; both are included. */
export interface SeasonRecord {
  readonly id: number;
  readonly version: number;
  readonly name: string;
  readonly firstDay: number;
  readonly lastDay: number;
  /** Epoch ms at which it was closed; null: open. */
  readonly closedAt_ms: number | null;
}
