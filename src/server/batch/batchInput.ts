import { isInUse, type Retirable } from '../../core/books/inUse.ts';
import { isoFromDay, requireDay } from '../../core/calendar/dayNumber.ts';
import { OVER_AGE_WEEKS } from '../../core/growth/stageSums.ts';
import { writtenPlan, readPlan } from '../../core/plan/batchPlan.ts';
import type { BatchInput } from '../../contracts/batch/batches.ts';
import { fieldProblem } from '../../contracts/problem.ts';
import type { BatchRecord } from '../../core/batch/record.ts';
import type { World } from '../../core/house/world.ts';
import { WORDS } from '../../words/en/batch/batchInput.ts';

/** A batch's plan as a person would send it. */
export function batchInputOf({ cropId, varietyId, lotId, plan, note, pinned }: BatchRecord): BatchInput {
  return { cropId, varietyId, lotId, ...writtenPlan(plan), note, pinned };
}

/** The record to be written for an input that Zod has passed. */
export function newBatch(input: BatchInput) {
  const { cropId, varietyId, lotId, note, pinned } = input;
  return {
    cropId,
    varietyId,
    lotId,
    plan: readPlan(input, input.places),
    note,
    splitFromId: null,
    pinned: pinned ?? false,
  };
}

/** Dates further off than this are a slip of the pen: the seasons are worked out from last year to the year after next. */
const MOST_AHEAD_days = 730;
const MOST_BACK_days = 400;

/** Refuses a date that lies outside the seasons worked out, naming the field. */
export function requireNear(path: string, iso: string, today: number): void {
  const day = requireDay(iso);
  if (day > today + MOST_AHEAD_days || day < today - MOST_BACK_days)
    throw fieldProblem(
      path,
      WORDS.isOutsideTheSeasonsWorked(iso, isoFromDay(today - MOST_BACK_days), isoFromDay(today + MOST_AHEAD_days)),
    );
}

/** Refuses plugs that come too late or are too old to be planted by the plan. */
function requirePlugs(world: World, { joins, cropId, transplantOn }: BatchInput): void {
  const crop = world.crops.find((c) => c.id === cropId);
  if (!joins || !crop) return;
  if (joins.on >= transplantOn) throw fieldProblem('joins.on', WORDS.thePlugsComeOnOr(transplantOn));
  const oldest = crop.weeksHigh + OVER_AGE_WEEKS;
  if ((joins.age_weeks ?? 0) > oldest)
    throw fieldProblem(
      'joins.age_weeks',
      WORDS.weeksIsOlderThanIs(joins.age_weeks, crop.name, crop.weeksLow, crop.weeksHigh),
    );
}

/**
 * Refuses numbers of things that are not in the books and dates that cannot be worked out, naming the field.
 * @param before what the batch had: it may keep what was retired since
 */
export function requireKnown(world: World, input: BatchInput, today: number, before: BatchInput | null = null): void {
  requireNear('transplantOn', input.transplantOn, today);
  if (input.joins) requirePlugs(world, input);
  for (const [key, iso] of Object.entries(input.steps ?? {})) requireNear(`steps.${key}`, iso, today);
  const find = <T extends Retirable>(
    field: string,
    lines: readonly T[],
    id: number | null,
    kept: readonly (number | null | undefined)[],
    none: string,
  ): T | null => {
    if (id === null) return null;
    const line = lines.find((one) => one.id === id);
    if (!line) throw fieldProblem(field, none);
    if (!isInUse(line) && !kept.includes(id)) throw fieldProblem(field, WORDS.thisWasRetiredChooseAnother);
    return line;
  };
  find('cropId', world.crops, input.cropId, [before?.cropId], WORDS.thereIsNoSuchCrop);
  const notOfCrop = WORDS.thisIsNotAVariety;
  const variety = find('varietyId', world.varieties, input.varietyId, [before?.varietyId], notOfCrop);
  if (variety && variety.cropId !== input.cropId) throw fieldProblem('varietyId', notOfCrop);
  const notOfVariety = WORDS.thisIsNotALot;
  const lot = find('lotId', world.lots, input.lotId, [before?.lotId], notOfVariety);
  if (lot && lot.varietyId !== input.varietyId) throw fieldProblem('lotId', notOfVariety);
  const placesBefore = Object.values(before?.places ?? {});
  for (const [stage, id] of Object.entries(input.places))
    find(`places.${stage}`, world.places, id ?? null, placesBefore, WORDS.thereIsNoSuchPlace);
  const noProgramme = WORDS.thereIsNoSuchProgramme;
  find('programmeId', world.programmes, input.programmeId ?? null, [before?.programmeId], noProgramme);
  find('coverId', world.covers, input.coverId ?? null, [before?.coverId], WORDS.thereIsNoSuchCover);
  const noTray = WORDS.chooseATrayToSow;
  const sow = find('sowContainerId', world.containers, input.sowContainerId, [before?.sowContainerId], noTray);
  if (!sow || sow.kind === 'pot') throw fieldProblem('sowContainerId', noTray);
  const noPot = WORDS.chooseAPotCellsOr;
  const pot = find('potContainerId', world.containers, input.potContainerId, [before?.potContainerId], noPot);
  if (pot?.kind === 'seed-tray') throw fieldProblem('potContainerId', noPot);
}

export function describeChange(before: BatchInput, after: BatchInput): string {
  const flat = (input: BatchInput) =>
    ({
      ...input,
      places: JSON.stringify(input.places),
      steps: JSON.stringify(input.steps ?? {}),
      joins: JSON.stringify(input.joins ?? null),
      offHeat: JSON.stringify(input.offHeat ?? null),
      gates: JSON.stringify(input.gates ?? {}),
    }) as Record<string, unknown>;
  const [b, a] = [flat(before), flat(after)];
  const names: Record<string, string> = {
    transplantOn: WORDS.transplantDate,
    plantsWanted: WORDS.plantsWanted,
    spare_frac: WORDS.spareShare,
    hardening_days: WORDS.hardeningDays,
    varietyId: WORDS.variety,
    lotId: WORDS.lot,
    sowContainerId: WORDS.sowingTray,
    potContainerId: WORDS.pot,
    steps: WORDS.daysOfTheWork,
    before_days: WORDS.daysBeforeTheDate,
    after_days: WORDS.daysAfterTheDate,
    sure_frac: WORDS.howSure,
    weight: WORDS.howMuchItMatters,
    age_frac: WORDS.sizeAtPlantingOut,
    joins: WORDS.plugsBoughtIn,
    offHeat: WORDS.ruleOffTheHeat,
    programmeId: WORDS.programmeOfHardening,
    coverId: WORDS.cover,
    gates: WORDS.gatesOfPlantingOut,
  };
  return Object.keys(a)
    .filter((key) => a[key] !== b[key])
    .map((key) =>
      ['transplantOn', 'plantsWanted', 'spare_frac', 'hardening_days'].includes(key)
        ? WORDS.to(names[key]!, String(b[key]), String(a[key]))
        : (names[key] ?? key),
    )
    .join('; ');
}
