import { catalogue } from '../../catalogue.ts';

/** What pages/house/walk.astro and its island say. */
export const WORDS = catalogue({
  walkingOrder: 'Walking order',
  theRoundFollowsIt:
    'The round goes from place to place in this order. Drag a place by its handle, or go to the handle, press Space, move it with the arrow keys and press Space again. Places behind one door are walked together; a door and stairs cost time.',
  writeDownPlaces: 'Write down the places first',
  move: (name: string) => `Move ${name}`,
  up: (name: string) => `${name} earlier`,
  down: (name: string) => `${name} later`,
  door: 'Door',
  doorOf: (name: string) => `Door of ${name}`,
  level: 'Level',
  levelOf: (name: string) => `Level of ${name}`,
  save: 'Save the order',
  saved: 'Saved.',
  changed: 'Not saved yet',
  picked: (name: string, nth: number) => `${name} picked up, place ${nth}.`,
  moved: (name: string, nth: number) => `${name} is now place ${nth}.`,
  dropped: (name: string, nth: number) => `${name} put down, place ${nth}.`,
  left: (name: string) => `${name} left where it was.`,
});
