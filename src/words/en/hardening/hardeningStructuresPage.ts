import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page hardening/structures. */
export const WORDS = catalogue({
  framesAndHouses: 'Frames and houses',
  noFrameTunnelOrHouse: (link: Part) =>
    rich`No frame, tunnel or house is written down yet. ${link} and its days are reckoned from the forecast.`,
  writeOneDown: 'Write one down',
});
