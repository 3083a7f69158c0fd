import { catalogue } from '../../catalogue.ts';

/** What server/batch/labels.ts says. */
export const WORDS = catalogue({
  lot: (code: string) => `lot ${code}`,
  sown: (sown: string) => `sown ${sown}`,
  toBeSown: (due: string) => `to be sown ${due}`,
  nothingToLabelChooseA: 'Nothing to label: choose a batch that is sown here.',
  trayLabels: 'Tray labels',
  thatIsLabelsPrintAt: (labels: number, mostLabels: number) =>
    `That is ${labels} labels; print at most ${mostLabels} at a time.`,
});
