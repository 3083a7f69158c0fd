import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page house/seasons/[id]. */
export const WORDS = catalogue({
  season: (name: string | number) => `Season ${name}`,
  season2: (name: Part) => rich`Season ${name}`,
  closedAsTheyCameOut: (
    linesCount: Part,
    sown_count: Part,
    cameUp_count: Part,
    out_count: Part,
    heat_kWh: Part,
    link: Part,
  ) =>
    rich`Closed. ${linesCount} as they came out: ${sown_count} sown, ${cameUp_count} came up, ${out_count} planted out${heat_kWh}. ${link}`,
  kwhOfHeat: (heat_kWh: string | number) => `, ${heat_kWh} kWh of heat`,
  allSeasons: 'All seasons',
  batch: 'Batch',
  sown: 'Sown',
  seeds: 'Seeds',
  cameUp: 'Came up',
  potted: 'Potted',
  outPlanned: 'Out planned',
  out: 'Out',
  days: 'Days',
  plantsOut: 'Plants out',
  lost: 'Lost',
  cameTo: 'Came to',
  batches: 'batches',
  batch2: 'batch',
});
