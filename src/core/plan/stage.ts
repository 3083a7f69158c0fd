export type Stage = 'germinate' | 'grow' | 'pot' | 'space' | 'harden';

/** Stages a place is always chosen for. Spaced out, plants stay where they were potted unless another place is named. */
export type MainStage = Exclude<Stage, 'space'>;

export const STAGES: readonly MainStage[] = ['germinate', 'grow', 'pot', 'harden'];

export const ALL_STAGES: readonly Stage[] = ['germinate', 'grow', 'pot', 'space', 'harden'];

export type StagePlaces = Readonly<Record<MainStage, number | null>> & { readonly space?: number | null };

/** The place of a stage. */
export function placeOfStage(places: StagePlaces, stage: Stage): number | null {
  return stage === 'space' ? (places.space ?? places.pot) : places[stage];
}

export type WorkKey = 'sow' | 'off-heat' | 'pot' | 'space' | 'harden' | 'plant';

export const WORK_KEYS: readonly WorkKey[] = ['sow', 'off-heat', 'pot', 'space', 'harden', 'plant'];
