import { catalogue } from '../../catalogue.ts';

/** What server/germination/keptTrays.ts says. */
export const WORDS = catalogue({
  sownIn: (year: number) => `sown in ${year}`,
  season: (seasonId: string) => `season ${seasonId}`,
});
