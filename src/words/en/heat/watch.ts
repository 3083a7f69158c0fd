import { catalogue } from '../../catalogue.ts';

/** What core/heat/watch.ts says. */
export const WORDS = catalogue({
  mediumNow: 'medium now',
  controllerSilentSinceItsLast: 'controller silent since its last will',
  nothingBelievableFor: 'nothing believable for',
  theSameFigureFor: 'the same figure for',
  shouldHaveMovedBy: 'should have moved by',
  mediumByTheModel: 'medium by the model',
  askedToBeOn: 'asked to be on',
  heatThatArrives: 'heat that arrives',
  airUnderTheCover: 'air under the cover',
  shutItWouldBeAbout: 'shut it would be about',
  outsideTheZone: 'outside the zone',
  plantsAreHurtBelow: 'plants are hurt below',
});
