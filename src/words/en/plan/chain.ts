import { catalogue } from '../../catalogue.ts';

/** What core/plan/schedule/chain.ts says. */
export const WORDS = catalogue({
  sow: 'Sow',
  plugsArrive: 'Plugs arrive',
  firstUp: 'First up',
  halfUp: 'Half up',
  offTheHeat: 'Off the heat',
  potUp: 'Pot up',
  spaceOut: 'Space out',
  startHardening: 'Start hardening',
  plantOut: 'Plant out',
  asItWasPlannedWhen: 'As it was planned when it was sown.',
  yourOwnPlan: 'your own plan',
});
