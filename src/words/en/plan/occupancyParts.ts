import { catalogue } from '../../catalogue.ts';

/** Words of the plan screens: occupancyParts. */
export const WORDS = catalogue({
  off: 'off',
  toTraySpaces: (name: string, name2: string, from: string, to: string, slots: number, pinned: string) =>
    `${name}: ${name2}, ${from} to ${to}, ${slots} tray spaces${pinned}`,
});
