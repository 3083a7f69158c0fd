import { isDeepStrictEqual } from 'node:util';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { ProposedSetPoints } from '../../core/plan/placement/proposal.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import type { PlanChangeInput } from '../../contracts/plan/planning.ts';
import { changePlace, readWeeks, type WeekRow } from '../../db/plan/planChanges.ts';
import type { World } from '../../core/house/world.ts';
import { WORDS } from '../../words/en/heat/writeSetPoints.ts';

type Transaction = Parameters<typeof changePlace>[3];

export interface PlacePart {
  readonly placeId: number;
  readonly version: number;
  /** The weeks spoken of; those not in `setPoints` have no set-point of their own. */
  readonly weeks: readonly string[];
  readonly setPoints: readonly WeekRow[];
  readonly room_trays: number;
}
/** Writes set-points and room of places in their turn; names those somebody has changed since. */
export async function writePlaces(
  parts: readonly PlacePart[],
  world: World,
  transaction: Transaction,
  changed: string[],
  left: readonly PlacePart[] | null = null,
): Promise<{ before: PlacePart[]; after: PlacePart[] }> {
  const before: PlacePart[] = [];
  const after: PlacePart[] = [];
  for (const part of [...parts].sort((a, b) => a.placeId - b.placeId)) {
    const place = world.places.find((p) => p.id === part.placeId);
    if (!place) throw new ProblemError(404, WORDS.noSuchPlace, WORDS.thereIsNoPlaceNumber(part.placeId));
    const had = await readWeeks(part.placeId, part.weeks, transaction);
    const asLeft = left?.find((one) => one.placeId === part.placeId);
    const asIs = { setPoints: had, room_trays: place.room_trays };
    if (left && !alike(asIs, asLeft && { setPoints: asLeft.setPoints, room_trays: asLeft.room_trays })) {
      changed.push(place.name);
      continue;
    }
    const version = left ? place.version : part.version;
    const change = { clear: part.weeks, weeks: part.setPoints, room_trays: part.room_trays };
    if (!(await changePlace(part.placeId, version, change, transaction))) {
      changed.push(place.name);
      continue;
    }
    before.push({ ...part, setPoints: had, room_trays: place.room_trays });
    after.push({ ...part, setPoints: byWeek(part.setPoints), version: version + 1 });
  }
  return { before, after };
}

/** Set-points that come with new batches, in the same step. */
export async function writeSetPoints(
  setPoints: PlanChangeInput['setPoints'],
  world: World,
  transaction: Transaction,
): Promise<void> {
  const changed: string[] = [];
  await writePlaces(placesOf({ setPoints, rooms: [] }, world), world, transaction, changed);
  requireUnchanged(changed);
}

/** @throws ProblemError 409 naming what somebody else has changed */
export function requireUnchanged(changed: readonly string[]): void {
  if (changed.length > 0) {
    throw new ProblemError(
      409,
      WORDS.theSeasonHasChanged,
      WORDS.someoneElseChangedSinceThis(
        changed.slice(0, 6).join(', '),
        changed.length > 6 ? WORDS.andMore(changed.length - 6) : '',
      ),
      { current: changed },
    );
  }
}

/** Set-points and room of places as they are to be written. */
export function placesOf(input: Pick<PlanChangeInput, 'setPoints' | 'rooms'>, world: World): PlacePart[] {
  const parts = new Map<number, PlacePart>();
  const placeOf = (id: number) => world.places.find((p) => p.id === id);
  for (const [i, { placeId, version, setPoints }] of input.setPoints.entries()) {
    const place = placeOf(placeId);
    const levels = place?.temperature?.kind === 'set-point' ? place.temperature.levels_C : [];
    setPoints.forEach(({ setPoint_C }, j) => {
      if (setPoint_C !== null && !levels.includes(setPoint_C)) {
        throw fieldProblem(
          `setPoints.${i}.setPoints.${j}.setPoint_C`,
          WORDS.cannotBeSetTo(place?.name ?? WORDS.thisPlace, setPoint_C),
        );
      }
    });
    parts.set(placeId, {
      placeId,
      version,
      weeks: setPoints.map((s) => s.week),
      setPoints,
      room_trays: place?.room_trays ?? 0,
    });
  }
  for (const { placeId, version, room_trays } of input.rooms) {
    const known = parts.get(placeId) ?? { placeId, version, weeks: [], setPoints: [], room_trays };
    parts.set(placeId, { ...known, room_trays });
  }
  return [...parts.values()];
}

/** Whether two records say the same, in whatever order their parts were written. */
export function alike(a: unknown, b: unknown): boolean {
  return isDeepStrictEqual(JSON.parse(JSON.stringify(a ?? null)), JSON.parse(JSON.stringify(b ?? null)));
}

const byWeek = (rows: readonly WeekRow[]): WeekRow[] => [...rows].sort((x, y) => x.week.localeCompare(y.week));

/** What the planner wants of places, with the versions they have now. */
export function withVersions(proposed: readonly ProposedSetPoints[], world: World): PlanChangeInput['setPoints'] {
  return proposed.map(({ placeId, setPoints }) => ({
    placeId,
    version: world.places.find((p) => p.id === placeId)!.version,
    setPoints: setPoints.map(({ week, setPoint_C }) => ({ week: isoFromDay(week), setPoint_C })),
  }));
}
