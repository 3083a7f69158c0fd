import { isoFromDay } from '../core/calendar/dayNumber.ts';
import { GATE_KEYS, GATE_MODES, type GateKey, type GateMode } from '../core/planting/gates.ts';
import { ALL_STAGES, type WorkKey } from '../core/plan/stage.ts';
import { USUAL_WINDOW } from '../core/plan/batchPlan.ts';
import { type OffHeatRule } from '../core/germination/offHeatRule.ts';
import type { BatchRecord } from '../core/batch/record.ts';
import { WORDS } from '../words/en/house/batchColumns.ts';

/** What a cell says where nothing is meant: an empty one asks for the usual. */
export const NONE = 'none';
export const STAYS = WORDS.staysInItsTray;

/** Columns of the plan, in the order written. A file that goes out comes in again equal. */
export const PLAN_COLUMNS = [
  'code',
  'crop',
  'variety',
  'lot',
  'plants',
  'spare_percent',
  'transplant_on',
  'hardening_days',
  'germinate',
  'grow',
  'pot',
  'space',
  'harden',
  'sow_tray',
  'pot_container',
  'note',
  'days_before',
  'days_after',
  'matters',
  'size_percent',
  'sure_percent',
  'pinned',
  'cover',
  'programme',
  'off_heat',
  'gates',
  'bought',
  'bought_on',
  'bought_weeks',
  'bought_leaves',
  'day_sow',
  'day_off_heat',
  'day_pot',
  'day_space',
  'day_harden',
  'day_plant',
] as const;
export type PlanColumn = (typeof PLAN_COLUMNS)[number];

export const DAY_COLUMNS: Readonly<Record<WorkKey, PlanColumn>> = {
  sow: 'day_sow',
  'off-heat': 'day_off_heat',
  pot: 'day_pot',
  space: 'day_space',
  harden: 'day_harden',
  plant: 'day_plant',
};

/** A rule off the heat in a cell; null: the house's. */
export function offHeatCell(rule: OffHeatRule | null): string {
  if (rule === null) return '';
  switch (rule.kind) {
    case 'half-up':
      return WORDS.halfUp;
    case 'all-up':
      return WORDS.allUp;
    case 'share':
      return WORDS.up(exact(rule.share_frac * 100));
    case 'days-after':
      return WORDS.daysAfter(rule.days);
  }
}

/** The rule a cell says; undefined: it cannot be read. */
export function offHeatFromCell(text: string): OffHeatRule | null | undefined {
  if (text === '') return null;
  if (text === 'half up') return { kind: 'half-up' };
  if (text === 'all up') return { kind: 'all-up' };
  const share = /^([\d.]+)% up$/.exec(text);
  if (share) return { kind: 'share', share_frac: Number(share[1]) / 100 };
  const days = /^(\d+) days after$/.exec(text);
  return days ? { kind: 'days-after', days: Number(days[1]) } : undefined;
}

/** Gates of a batch that stand otherwise than the house's, such as "soil off; storm advisory". */
export function gatesFromCell(text: string): Partial<Record<GateKey, GateMode>> | undefined {
  const gates: Partial<Record<GateKey, GateMode>> = {};
  for (const part of text.split(';').map((p) => p.trim())) {
    if (part === '') continue;
    const [key, mode, more] = part.split(/\s+/) as [GateKey, GateMode, string | undefined];
    if (!GATE_KEYS.includes(key) || !GATE_MODES.includes(mode) || more !== undefined) return undefined;
    gates[key] = mode;
  }
  return gates;
}

/** A share as a percentage without the dust of binary fractions. */
export function exact(n: number): number {
  return Number(n.toPrecision(12));
}

type Named = readonly { readonly id: number; readonly name: string }[];

/** What the names in a batch's cells are taken from. */
export interface NamesOfBooks {
  readonly crops: Named;
  readonly varieties: Named;
  readonly lots: readonly { readonly id: number; readonly code: string }[];
  readonly places: Named;
  readonly containers: Named;
  readonly covers: Named;
  readonly programmes: Named;
}

/** The cells of a batch's plan. */
export function planCells(batch: BatchRecord, books: NamesOfBooks): Record<PlanColumn, string | number> {
  const { plan } = batch;
  const named = (list: Named, id: number | null | undefined) =>
    id == null ? NONE : (list.find((item) => item.id === id)?.name ?? NONE);
  const { crops, varieties, lots, places, containers, covers, programmes } = books;
  const crop = crops.find((c) => c.id === batch.cropId)!.name;
  const day = (on: number | null | undefined) => (on == null ? '' : isoFromDay(on));
  const [germinate, grow, pot, space, harden] = ALL_STAGES.map((stage) => named(places, plan.places[stage]));
  return {
    code: batch.code,
    crop,
    variety: batch.varietyId === null ? '' : (varieties.find((v) => v.id === batch.varietyId)?.name ?? ''),
    lot: batch.lotId === null ? '' : (lots.find((lot) => lot.id === batch.lotId)?.code ?? ''),
    plants: plan.plantsWanted,
    spare_percent: exact(plan.spare_frac * 100),
    transplant_on: isoFromDay(plan.transplantOn),
    hardening_days: plan.hardening_days,
    germinate: germinate!,
    grow: grow!,
    pot: pot!,
    space: space!,
    harden: harden!,
    sow_tray: named(containers, plan.sowContainerId),
    pot_container: plan.potContainerId === null ? STAYS : named(containers, plan.potContainerId),
    note: batch.note,
    days_before: plan.before_days ?? USUAL_WINDOW.before_days,
    days_after: plan.after_days ?? USUAL_WINDOW.after_days,
    matters: plan.weight ?? 1,
    size_percent: exact((plan.age_frac ?? 1) * 100),
    sure_percent: plan.sure_frac == null ? '' : exact(plan.sure_frac * 100),
    pinned: batch.pinned ? 'yes' : '',
    cover: named(covers, plan.coverId),
    programme: plan.programmeId == null ? '' : named(programmes, plan.programmeId),
    off_heat: offHeatCell(plan.offHeat ?? null),
    gates: Object.entries(plan.gates ?? {})
      .map(([key, mode]) => `${key} ${mode}`)
      .join('; '),
    bought: plan.joins ? (plan.joins.stage === 'pot' ? WORDS.forThePot : WORDS.toGrowOn) : '',
    bought_on: day(plan.joins?.on),
    bought_weeks: plan.joins?.age_weeks ?? '',
    bought_leaves: plan.joins?.leaves_count ?? '',
    day_sow: day(plan.steps?.sow),
    day_off_heat: day(plan.steps?.['off-heat']),
    day_pot: day(plan.steps?.pot),
    day_space: day(plan.steps?.space),
    day_harden: day(plan.steps?.harden),
    day_plant: day(plan.steps?.plant),
  };
}
