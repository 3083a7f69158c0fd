import { catalogue } from '../../catalogue.ts';

/** What core/batch/trays.ts says. */
export const WORDS = catalogue({
  plantsWanted: 'plants wanted',
  plantsPerTray: 'plants per tray',
});
