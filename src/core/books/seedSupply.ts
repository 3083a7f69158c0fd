import { requireRange } from '../numerics/guard.ts';
import { WORDS } from '../../words/en/books/seedSupply.ts';

/** Packets, weight and money for so many seeds. */
export interface SeedSupply {
  readonly weight_g: number | null;
  readonly packets: number | null;
  readonly cost: number | null;
}

/**
 * What so many seeds weigh and how many packets they take.
 * @param thousandSeed_g weight of a thousand seeds; null = not known
 * @param packet seeds or grams of a packet and its price; null = not known
 * @throws RangeError for weights or packets that are not above 0
 */
export function seedSupply(
  seeds: number,
  thousandSeed_g: number | null,
  packet: { readonly seeds: number | null; readonly grams: number | null; readonly price: number | null } | null,
): SeedSupply {
  requireRange('seeds', seeds, 0, 1e9);
  if (thousandSeed_g !== null) requireRange(WORDS.weightOfAThousandSeeds, thousandSeed_g, 0.001, 100_000);
  const weight_g = thousandSeed_g === null ? null : (seeds * thousandSeed_g) / 1000;
  const perPacket = packet?.seeds ?? (packet?.grams && thousandSeed_g ? (1000 * packet.grams) / thousandSeed_g : null);
  const packets = perPacket === null ? null : Math.ceil(seeds / perPacket - 1e-9);
  return { weight_g, packets, cost: packets !== null && packet?.price != null ? packets * packet.price : null };
}

/** Settling and waste when trays are filled. Common practice, no source. */
const FILL_MORE_frac = 0.15;

/** Litres of mix for so many trays, settling and waste included. */
export function mixLitres(trays: number, volume_L: number): number {
  requireRange('trays', trays, 0, 1e6);
  return trays * volume_L * (1 + FILL_MORE_frac);
}
