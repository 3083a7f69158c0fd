/** A tap on the timer of a batch. Instants are UTC, by the clock on the wall: nights the clocks change count as they were. */
export interface Mark {
  readonly kind: 'start' | 'pause' | 'done';
  readonly at_ms: number;
}

export interface Worked {
  readonly minutes: number;
  readonly state: 'waiting' | 'running' | 'paused' | 'done';
  /** Longest stretch without a pause, minutes. */
  readonly longest_min: number;
  /** A stretch nobody works through: it was left running, and its minutes are not to be believed. */
  readonly forgotten: boolean;
}

/** Nobody pots for longer without a pause. Common practice, no source. */
const LONGEST_min = 240;

/**
 * Minutes worked by the marks of one batch. A start while running and a pause while paused change nothing, so a double tap
 * counts once; marks out of order are put in order.
 */
export function workedBy(marks: readonly Mark[], now_ms: number): Worked {
  let state: Worked['state'] = 'waiting';
  let since = 0;
  let sum = 0;
  let longest = 0;
  const close = (at: number) => {
    const stretch = Math.max(0, at - since);
    sum += stretch;
    longest = Math.max(longest, stretch);
  };
  for (const { kind, at_ms } of [...marks].sort((a, b) => a.at_ms - b.at_ms)) {
    if (state === 'done') break;
    if (kind === 'start') {
      if (state !== 'running') since = at_ms;
      state = 'running';
    } else {
      if (state === 'running') close(at_ms);
      if (kind === 'done') state = 'done';
      else if (state === 'running') state = 'paused';
    }
  }
  if (state === 'running') close(now_ms);
  const longest_min = longest / 60_000;
  return { minutes: sum / 60_000, state, longest_min, forgotten: longest_min > LONGEST_min };
}

/**
 * What was worked, as it was read at an instant, with the marks made on this device since, which are not sent yet.
 * @param read_ms when it was read
 */
export function workedSince(before: Worked, read_ms: number, marks: readonly Mark[], now_ms: number): Worked {
  if (before.state === 'done') return before;
  const ran: readonly Mark[] = before.state === 'running' ? [{ kind: 'start', at_ms: read_ms }] : [];
  const since = workedBy([...ran, ...marks], now_ms);
  const longest_min = Math.max(before.longest_min, since.longest_min);
  return {
    minutes: before.minutes + since.minutes,
    state: since.state === 'waiting' ? before.state : since.state,
    longest_min,
    forgotten: before.forgotten || longest_min > LONGEST_min,
  };
}
