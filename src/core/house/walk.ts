/** A place of the house as one walks to it. */
export interface WalkPlace {
  readonly id: number;
  /** Door one goes in by: a tunnel, a house; empty: none of its own. */
  readonly door: string;
  /** Storey or shelf row, 0 the ground. */
  readonly level: number;
  /** Where it lies on the plan of the house, metres; null: not drawn. */
  readonly x_m: number | null;
  readonly y_m: number | null;
}

/** Walking with full hands, and what a door and stairs cost each time. Common practice, no source. */
export const WALK = { m_per_min: 50, stop_min: 0.5, door_min: 0.5, level_min: 0.5, undrawn_m: 15 } as const;

/** Minutes from one place to the next: the way by the plan of the house, a door, stairs, and putting things down. */
export function walk_min(from: WalkPlace | null, to: WalkPlace): number {
  if (from === null) return WALK.stop_min + (to.door === '' ? 0 : WALK.door_min);
  const drawn = from.x_m !== null && from.y_m !== null && to.x_m !== null && to.y_m !== null;
  const way_m = drawn ? Math.hypot(from.x_m! - to.x_m!, from.y_m! - to.y_m!) : WALK.undrawn_m;
  return (
    WALK.stop_min +
    way_m / WALK.m_per_min +
    (from.door === to.door ? 0 : WALK.door_min) +
    WALK.level_min * Math.abs(from.level - to.level)
  );
}
