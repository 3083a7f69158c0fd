import { catalogue } from '../../catalogue.ts';

/** What core/potting/session.ts says. */
export const WORDS = catalogue({
  plantsOf: (name: string) => `plants of ${name}`,
  settingOutThenPlantsOver:
    'setting out, then plants over the pace of each hand, then trips with the trolley shared among the hands',
  settingOut: 'setting out',
  min: (setUp_min: number) => `${setUp_min} min`,
  ofMin: (trips: number, trip_min: number) => `${trips} of ${trip_min} min`,
  theVolumeOfEachPot: 'the volume of each pot by its measures, and more for settling and waste',
  withTheUsualPaceBehind: (ownLog: string) => `${ownLog}, with the usual pace behind it`,
  solidGeometrySettlingAndWaste: 'solid geometry; settling and waste are common practice, no source',
  whatCannotWaitFirstThen:
    'what cannot wait first; then together what comes from and goes to the same places; then pot by pot and mix by mix',
  hands: 'hands',
  trips: 'trips',
  settling: 'settling',
  waste: 'waste',
});
