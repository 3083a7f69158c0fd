import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of ui: Calendar. */
export const WORDS = catalogue({
  frostMayComeByThe: (part: Part) => rich`${part} frost may come, by the house’s frost dates`,
});
