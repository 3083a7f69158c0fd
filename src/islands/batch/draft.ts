import { USUAL_WINDOW, USUAL_PLAN, usualWhereUnsaid } from '../../core/plan/batchPlan.ts';
import { inUse } from '../../core/books/inUse.ts';
import { type StagePlaces } from '../../core/plan/stage.ts';
import type { BatchInput } from '../../contracts/batch/batches.ts';
import { offHeatBody, typedOffHeat, type TypedOffHeat } from '../../ui/OffHeatChoice.tsx';
import { figureOr } from '../../ui/kit/fields.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';

/** What is typed; numbers stay text until they are figures, so that nothing typed is lost. */
export interface Draft {
  readonly cropId: number | null;
  readonly varietyId: number | null;
  readonly lotId: number | null;
  readonly plants: string;
  readonly transplantOn: string;
  readonly hardening: string;
  readonly spare: string;
  readonly places: StagePlaces;
  readonly sowContainerId: number | null;
  readonly potContainerId: number | null;
  readonly note: string;
  readonly before: string;
  readonly after: string;
  readonly weight: number;
  readonly age_frac: number;
  /** null: as the house plans. */
  readonly sure_frac: number | null;
  /** Rule off the heat of this batch alone. */
  readonly offHeat: TypedOffHeat;
  readonly coverId: number | null;
  readonly programmeId: number | null;
  /** Plugs bought in: '' = sown here. */
  readonly joinsStage: '' | 'grow' | 'pot';
  readonly joinsOn: string;
  /** Age of plugs in weeks, or their true leaves; empty: the usual of the crop. */
  readonly joinsWeeks: string;
  readonly joinsLeaves: string;
  readonly several: 'one' | 'succession' | 'insurance';
  readonly every: string;
  readonly times: string;
  readonly share: string;
}

export function emptyDraft(house: HouseData): Draft {
  const trays = inUse(house.containers);
  return {
    cropId: null,
    varietyId: null,
    lotId: null,
    plants: '',
    transplantOn: '',
    hardening: '7',
    spare: String(Math.round(house.spare_frac * 1000) / 10),
    places: { germinate: null, grow: null, pot: null, harden: null },
    sowContainerId: (trays.find((c) => c.kind === 'cell-tray') ?? trays.find((c) => c.kind !== 'pot'))?.id ?? null,
    potContainerId: null,
    note: '',
    before: String(USUAL_WINDOW.before_days),
    after: String(USUAL_WINDOW.after_days),
    weight: USUAL_PLAN.weight,
    age_frac: USUAL_PLAN.age_frac,
    sure_frac: USUAL_PLAN.sure_frac,
    offHeat: typedOffHeat(null),
    coverId: null,
    programmeId: null,
    joinsStage: '',
    joinsOn: '',
    joinsWeeks: '',
    joinsLeaves: '',
    ...ONE,
  };
}

export function draftOf(input: BatchInput): Draft {
  const { before_days, after_days, weight, age_frac, sure_frac, coverId, programmeId } = usualWhereUnsaid(input);
  return {
    ...input,
    plants: String(input.plantsWanted),
    hardening: String(input.hardening_days),
    spare: String(Math.round(input.spare_frac * 1000) / 10),
    before: String(before_days),
    after: String(after_days),
    weight,
    age_frac,
    sure_frac,
    offHeat: typedOffHeat(input.offHeat),
    coverId,
    programmeId,
    joinsStage: input.joins?.stage ?? '',
    joinsOn: input.joins?.on ?? '',
    joinsWeeks: String(input.joins?.age_weeks ?? ''),
    joinsLeaves: String(input.joins?.leaves_count ?? ''),
    ...ONE,
  };
}

/** One batch by itself. */
const ONE = { several: 'one', every: '14', times: '4', share: '50' } as const;

/** The body that makes several batches in one step. */
export function familyOf(draft: Draft, idempotencyKey: string): Record<string, unknown> {
  const figure = (text: string): number | string => figureOr(text, (n) => n);
  const share = figure(draft.share);
  return {
    idempotencyKey,
    batch: inputOf(draft),
    kind: draft.several,
    every_days: figure(draft.every),
    times: draft.several === 'insurance' ? 2 : figure(draft.times),
    ...(draft.several === 'insurance' ? { share_frac: typeof share === 'number' ? share / 100 : share } : {}),
  };
}

/** The call's body. What is not a figure goes as text, so that the answer names the field. */
export function inputOf(draft: Draft): Record<string, unknown> {
  const figure = (text: string): number | string => figureOr(text, (n) => n);
  const spare = figure(draft.spare);
  return {
    cropId: draft.cropId,
    varietyId: draft.varietyId,
    lotId: draft.lotId,
    plantsWanted: figure(draft.plants),
    spare_frac: typeof spare === 'number' ? spare / 100 : spare,
    transplantOn: draft.transplantOn,
    hardening_days: figure(draft.hardening),
    places: draft.places,
    sowContainerId: draft.sowContainerId,
    potContainerId: draft.potContainerId,
    note: draft.note,
    before_days: figure(draft.before),
    after_days: figure(draft.after),
    weight: draft.weight,
    age_frac: draft.age_frac,
    sure_frac: draft.sure_frac,
    offHeat: offHeatBody(draft.offHeat),
    coverId: draft.coverId,
    programmeId: draft.programmeId,
    joins:
      draft.joinsStage === ''
        ? null
        : {
            stage: draft.joinsStage,
            on: draft.joinsOn,
            age_weeks: draft.joinsWeeks.trim() === '' ? null : figure(draft.joinsWeeks),
            leaves_count: draft.joinsLeaves.trim() === '' ? null : figure(draft.joinsLeaves),
          },
  };
}
