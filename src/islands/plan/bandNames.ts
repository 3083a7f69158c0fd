import type { HouseData } from '../../contracts/plan/seasonData.ts';
import type { Lane } from './lanes.ts';
import type { Worked } from './useSeason.ts';

const PER_LETTER_px = 6.4;
/** Room beside the name within its band, px. */
const BESIDE_px = 10;
/** Least width and height of a band that carries its name, px. */
const LEAST_px = { width: 30, height: 10 };

/** What a batch is called in so much room: its whole name, without its crop, its crop and letter, or its code. */
export function calledIn(
  batch: Pick<Worked['batch'], 'name' | 'code' | 'cropId'>,
  crops: HouseData['crops'],
  width_px: number,
): string {
  const crop = crops.find(({ id }) => id === batch.cropId)?.name ?? '';
  const ofCrop = crop !== '' && batch.name.toLowerCase().startsWith(`${crop.toLowerCase()} `);
  const rest = ofCrop ? batch.name.slice(crop.length + 1) : '';
  const letter = ofCrop ? `${batch.name.slice(0, crop.length)} ${rest.split(' ').at(-1)}` : '';
  return (
    [batch.name, rest, letter, batch.code].find((text) => text !== '' && text.length * PER_LETTER_px <= width_px) ?? ''
  );
}

/** A name on a band, and where it begins. */
export interface BandName {
  readonly index: number;
  readonly words: string;
  readonly x: number;
}

/**
 * Of each batch the one band that carries its name: the one that can say most of it, of those still to come if any can. What is
 * past is pale, so that on a band that stands today the name begins there.
 */
export function bandNames(
  lanes: readonly Pick<Lane, 'laid' | 'perSlot_px'>[],
  worked: ReadonlyMap<number, Pick<Worked, 'batch'>>,
  x: (day: number) => number,
  { today, crops }: Pick<HouseData, 'today' | 'crops'>,
): ReadonlyMap<number, BandName> {
  const best = new Map<number, BandName & { readonly worth: number }>();
  for (const lane of lanes)
    for (const { band } of lane.laid) {
      const batch = worked.get(band.batchId)?.batch;
      if (!batch || band.slots * lane.perSlot_px - 1 < LEAST_px.height) continue;
      const left = x(band.from < today && band.to > today ? today : band.from);
      const width = x(band.to) - left - BESIDE_px;
      if (width < LEAST_px.width) continue;
      const words = calledIn(batch, crops, width);
      const worth = words.length + (band.to > today ? 1_000 : 0);
      if (words !== '' && worth > (best.get(band.batchId)?.worth ?? 0))
        best.set(band.batchId, { index: band.index, words, x: left + BESIDE_px / 2, worth });
    }
  return best;
}
