import type { Stage, WorkKey } from '../stage.ts';

/** The work that puts a batch into a stage. */
export const STEP_OF: Readonly<Record<Stage, WorkKey>> = {
  germinate: 'sow',
  grow: 'off-heat',
  pot: 'pot',
  space: 'space',
  harden: 'harden',
};
