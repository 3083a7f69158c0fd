import type { BatchEvent, EventKind, PottingDetails } from '../../src/core/batch/event.ts';

let id = 0;

/** A line of a log with a number of its own. */
export const logLine = (
  kind: EventKind,
  day: number,
  count: number | null = null,
  more: Partial<BatchEvent> = {},
): BatchEvent => ({
  id: ++id,
  kind,
  day,
  count,
  placeId: null,
  note: '',
  cause: '',
  correctsId: null,
  snapshot: null,
  ...more,
});

/** A potting by one person, nothing thrown out. */
export const pottingDetails = (more: Partial<PottingDetails> = {}): PottingDetails => ({
  containerId: 6,
  doubled: 0,
  culled: {},
  leftOver: 0,
  minutes: null,
  people: 1,
  sessionId: null,
  ...more,
});
