import { catalogue } from '../../catalogue.ts';

/** Words of the heat screens: Section. */
export const WORDS = catalogue({
  airOverTheTraysNo: 'air over the trays, no cover',
  airUnder: (part: string) => `air under ${part}`,
  medium: (length: string) => `medium ${length}`,
  with: (name: string, kind: string) => `${name} with ${kind}`,
  itsCable: 'its cable',
  inSection: (name: string, join: string) => `${name} in section: ${join}`,
  up: 'up',
  inFromTheAir: 'in from the air',
  throughTheTrays: 'through the trays',
  wDown: (down_W: number) => `${down_W} W down`,
  floor: 'floor',
});
