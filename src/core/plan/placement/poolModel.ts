import { unplacedPrice, workOfPlan, type State } from './state.ts';
import { SLOT_PARTS } from './problem.ts';
import { NONE } from './track.ts';
import { needsOf, type Pool, type PooledPlan } from './pool.ts';

/**
 * The choice among a pool of plans as a mixed-integer programme: minimise costs x within row bounds, every column between
 * 0 and 1, the first `whole` of them whole. Columns hold their entries one after another (compressed sparse columns).
 */
export interface PoolModel {
  readonly costs: Float64Array;
  readonly lower: Float64Array;
  readonly whole: number;
  readonly rowUpper: Float64Array;
  readonly rowLower: Float64Array;
  readonly starts: Int32Array;
  readonly rows: Int32Array;
  readonly values: Float64Array;
  /** Plan of each of the first columns. */
  readonly plans: readonly PooledPlan[];
  /** Place, block and level of the set-point columns, which come after those of plans and of batches left out. */
  readonly setPoints: readonly (readonly [number, number, number])[];
  readonly firstSetPoint: number;
}

/**
 * Writes the programme down. Batches outside `free` keep the plan the state has for them.
 *
 * One plan for each batch, or its price for being left out; room of each place and day, split by set-point level and bound
 * to the level being chosen; for each batch, what it needs of a set-point implies that set-point; one level a place-week;
 * a change of set-point between two weeks in use has its price, and so has work beyond a week's hands.
 */
export function poolModel(pool: Pool, state: State, free: ReadonlySet<number>): PoolModel {
  const { problem } = pool;
  const { days: D, blocks: B, instance, blockOf } = problem;
  const plans: PooledPlan[] = [];
  const costs: number[] = [];
  const lower: number[] = [];
  const columns: [number, number][][] = [];
  const rowLower: number[] = [];
  const rowUpper: number[] = [];
  const newRow = (low: number, high: number): number => {
    rowLower.push(low);
    return rowUpper.push(high) - 1;
  };
  const newColumn = (cost: number, least = 0): number => {
    costs.push(cost);
    lower.push(least);
    return columns.push([]) - 1;
  };

  // Which plans stand in a place on a day at a level: candidate capacity rows.
  const standing = new Map<number, { column: number; slots: number }[]>();
  const levels = Math.max(...instance.places.map((place) => place.levels.length));
  const agreement = new Map<number, Map<number, number[]>>();
  const setPointKeys = new Set<number>();
  for (const task of problem.tasks) {
    const present = state.plans[task.index] ?? null;
    const choices: PooledPlan[] = free.has(task.index)
      ? pool.byTask[task.index]!
      : present
        ? [{ plan: present, needs: needsOf(state, present) }]
        : [];
    const isFree = free.has(task.index) && !task.spec.pinned;
    const pick = isFree ? newRow(1, 1) : -1;
    for (const choice of choices) {
      const column = newColumn(choice.plan.price, isFree ? 0 : 1);
      plans.push(choice);
      if (isFree) columns[column]!.push([pick, 1]);
      note(choice, column, task.index, task.slots);
    }
  }
  const leftOut: number[] = [];
  let pickRow = 0;
  for (const task of problem.tasks) {
    if (!free.has(task.index) || task.spec.pinned) continue;
    const column = newColumn(unplacedPrice(problem, task));
    columns[column]!.push([pickRow++, 1]);
    leftOut.push(column);
  }

  function note({ plan, needs }: PooledPlan, column: number, task: number, slots: Int32Array): void {
    for (let k = 0; k < plan.places.length; k++) {
      const p = plan.places[k]!;
      const from = plan.days[k]!;
      const to = plan.days[k + 1]!;
      if (p === NONE || to === NONE) continue;
      const many = instance.places[p]!.levels.length > 1;
      for (let d = from; d < to; d++) {
        const level = many ? levelOf(needs, p, blockOf[d]!) : 0;
        const key = (p * levels + level) * D + d;
        const list = standing.get(key);
        if (list) list.push({ column, slots: slots[k]! });
        else standing.set(key, [{ column, slots: slots[k]! }]);
      }
    }
    for (let i = 0; i < needs.length; i += 3) {
      const key = (needs[i]! * B + needs[i + 1]!) * levels + needs[i + 2]!;
      setPointKeys.add(key);
      let byTask = agreement.get(key);
      if (!byTask) agreement.set(key, (byTask = new Map()));
      const list = byTask.get(task);
      if (list) list.push(column);
      else byTask.set(task, [column]);
    }
  }

  const firstSetPoint = costs.length;
  const setPoints: [number, number, number][] = [];
  const setPointColumn = new Map<number, number>();
  for (const key of [...setPointKeys].sort((a, b) => a - b)) {
    const level = key % levels;
    const b = Math.floor(key / levels) % B;
    const p = Math.floor(key / levels / B);
    setPointColumn.set(key, newColumn(problem.heat[p]![level * B + b]!));
    setPoints.push([p, b, level]);
  }
  const whole = costs.length;

  for (const [key, byTask] of agreement) {
    const y = setPointColumn.get(key)!;
    for (const list of byTask.values()) {
      const row = newRow(-Infinity, 0);
      for (const column of list) columns[column]!.push([row, 1]);
      columns[y]!.push([row, -1]);
    }
  }
  oneLevel();
  changes();
  overtime();
  room();

  function oneLevel(): void {
    const byBlock = new Map<number, number[]>();
    setPoints.forEach(([p, b], i) => {
      const list = byBlock.get(p * B + b);
      if (list) list.push(firstSetPoint + i);
      else byBlock.set(p * B + b, [firstSetPoint + i]);
    });
    for (const list of byBlock.values()) {
      if (list.length < 2) continue;
      const row = newRow(-Infinity, 1);
      for (const column of list) columns[column]!.push([row, 1]);
    }
  }

  function changes(): void {
    const price = instance.weights.setPointChange;
    if (price === 0) return;
    const at = new Map<number, Map<number, number>>();
    setPoints.forEach(([p, b, level], i) => {
      let here = at.get(p * B + b);
      if (!here) at.set(p * B + b, (here = new Map()));
      here.set(level, firstSetPoint + i);
    });
    for (const [block, before] of at) {
      const after = at.get(block + 1);
      if (!after || (block + 1) % B === 0) continue;
      let change = -1;
      for (const [level, y] of before) {
        const others = [...after].filter(([other]) => other !== level);
        if (others.length === 0) continue;
        if (change < 0) change = newColumn(price);
        const row = newRow(-Infinity, 1);
        columns[y]!.push([row, 1]);
        for (const [, column] of others) columns[column]!.push([row, 1]);
        columns[change]!.push([row, -1]);
      }
    }
  }

  /** Work of each block beyond the hands there are: a column for the whole of what could be, at its price. */
  function overtime(): void {
    const { hands_min, weights } = instance;
    if (!hands_min) return;
    const work = new Map<number, Map<number, number>>();
    plans.forEach(({ plan }, column) => {
      for (const [block, minutes] of workOfPlan(problem, plan)) {
        let here = work.get(block);
        if (!here) work.set(block, (here = new Map()));
        here.set(column, (here.get(column) ?? 0) + minutes);
      }
    });
    for (const [block, byColumn] of work) {
      const hands = hands_min[block] ?? Infinity;
      const most = [...byColumn.values()].reduce((a, b) => a + b, 0) - hands;
      if (most <= 0) continue;
      const over = newColumn((most * weights.overtime_perHour) / 60);
      const row = newRow(-Infinity, hands);
      for (const [column, minutes] of byColumn) columns[column]!.push([row, minutes]);
      columns[over]!.push([row, -most]);
    }
  }

  function room(): void {
    let beforeKey = -2;
    let beforeText = '';
    for (const key of [...standing.keys()].sort((a, b) => a - b)) {
      const list = standing.get(key)!;
      const d = key % D;
      const level = Math.floor(key / D) % levels;
      const p = Math.floor(key / D / levels);
      const forced = list.reduce((sum, { column, slots }) => sum + (lower[column] === 1 ? slots : 0), 0);
      const bound = Math.max(problem.room[p * D + d]!, forced) / SLOT_PARTS;
      // Each batch once at its largest: when even that fits there is nothing to bind.
      const most = new Map<number, number>();
      for (const { column, slots } of list) {
        const task = plans[column]!.plan.task;
        most.set(task, Math.max(most.get(task) ?? 0, slots));
      }
      let all = 0;
      for (const slots of most.values()) all += slots;
      if (all / SLOT_PARTS <= bound + 1e-9) continue;
      const text = `${bound}:${list.map(({ column, slots }) => `${column}x${slots}`).join()}`;
      const same = key === beforeKey + 1 && text === beforeText;
      beforeKey = key;
      beforeText = text;
      if (same) continue;
      const y =
        instance.places[p]!.levels.length > 1 ? setPointColumn.get((p * B + blockOf[d]!) * levels + level) : undefined;
      const row = newRow(-Infinity, y === undefined ? bound : 0);
      for (const { column, slots } of list) columns[column]!.push([row, slots / SLOT_PARTS]);
      if (y !== undefined) columns[y]!.push([row, -bound]);
    }
  }

  const starts = new Int32Array(columns.length + 1);
  columns.forEach((column, i) => (starts[i + 1] = starts[i]! + column.length));
  const rows = new Int32Array(starts[columns.length]!);
  const values = new Float64Array(rows.length);
  let n = 0;
  for (const column of columns) {
    for (const [row, value] of column.sort((a, b) => a[0] - b[0])) {
      rows[n] = row;
      values[n++] = value;
    }
  }
  return {
    costs: Float64Array.from(costs),
    lower: Float64Array.from(lower),
    whole,
    rowLower: Float64Array.from(rowLower),
    rowUpper: Float64Array.from(rowUpper),
    starts,
    rows,
    values,
    plans,
    setPoints,
    firstSetPoint,
  };
}

function levelOf(needs: readonly number[], p: number, b: number): number {
  for (let i = 0; i < needs.length; i += 3) if (needs[i] === p && needs[i + 1] === b) return needs[i + 2]!;
  return 0;
}

/** What was chosen, from the values of the columns: the plans, and the state's rows with the set-points they need. */
export function chosenFrom(
  model: PoolModel,
  state: State,
  x: ArrayLike<number>,
): { plans: (PooledPlan['plan'] | null)[]; rows: Uint8Array } {
  const plans: (PooledPlan['plan'] | null)[] = state.problem.tasks.map(() => null);
  const rows = state.rows.slice();
  const B = state.problem.blocks;
  model.plans.forEach(({ plan, needs }, i) => {
    if (x[i]! < 0.5) return;
    plans[plan.task] = plan;
    for (let n = 0; n < needs.length; n += 3) rows[needs[n]! * B + needs[n + 1]!] = needs[n + 2]!;
  });
  return { plans, rows };
}
