import type { PottingSeed } from '../src/contracts/potting.ts';

/* Common things to begin from, no source; no brand. Numbers are the seed's own. */
const part = (id: number, name: string, pack: number, least: number, price: number | null): PottingSeed['items'][number] => ({ id, name, kind: 'part', unit: 'L', containerId: null, pack, least, price }); // prettier-ignore
const ware = (id: number, name: string, kind: 'pot' | 'tray', containerId: number, pack: number, least: number, price: number): PottingSeed['items'][number] => ({ id, name, kind, unit: 'pieces', containerId, pack, least, price }); // prettier-ignore

export const USUAL_STOCK: PottingSeed = {
  items: [
    part(1, 'Peat-free compost', 60, 120, 9.4),
    part(2, 'Loam compost', 25, 50, 6.8),
    part(3, 'Sharp grit', 20, 20, 4.2),
    part(4, 'Perlite', 100, 50, 17.5),
    part(5, 'Sieved garden compost', 0, 40, null),
    part(6, 'Worm compost', 10, 10, 8.9),
    ware(7, '9 cm pots', 'pot', 5, 250, 100, 21),
    ware(8, '10 cm pots', 'pot', 6, 250, 100, 26),
    ware(9, '7 cm pots', 'pot', 7, 500, 100, 29),
    ware(10, 'Carrying trays for 9 cm', 'tray', 5, 25, 10, 17),
    ware(11, 'Carrying trays for 10 cm', 'tray', 6, 25, 10, 19),
    ware(12, 'Carrying trays for 7 cm', 'tray', 7, 25, 10, 17),
    ware(13, '60-cell trays', 'tray', 2, 20, 10, 22),
    ware(14, '104-cell trays', 'tray', 1, 20, 10, 22),
    ware(15, '40-cell deep trays', 'tray', 3, 20, 10, 24),
    { id: 16, name: 'Tray labels', kind: 'label', unit: 'pieces', containerId: null, pack: 500, least: 100, price: 12 },
    { id: 17, name: 'Balanced powder 20-20-20', kind: 'feed', unit: 'g', containerId: null, pack: 1000, least: 200, price: 11 }, // prettier-ignore
    { id: 18, name: 'High potash liquid 4-3-8', kind: 'feed', unit: 'mL', containerId: null, pack: 2500, least: 500, price: 14 }, // prettier-ignore
  ],
  mixes: [
    { id: 1, name: 'Potting mix', parts: [{ itemId: 1, parts: 6 }, { itemId: 2, parts: 2 }, { itemId: 3, parts: 1 }], note: '' }, // prettier-ignore
    { id: 2, name: 'Rich base', parts: [{ itemId: 5, parts: 3 }, { itemId: 6, parts: 1 }, { itemId: 1, parts: 1 }], note: 'Bottom of the pot only: too rich all through shocks the roots.' }, // prettier-ignore
    {
      id: 3,
      name: 'Sowing mix',
      parts: [
        { itemId: 1, parts: 3 },
        { itemId: 4, parts: 1 },
      ],
      note: '',
    },
  ],
  feeds: [
    { name: 'Balanced powder 20-20-20', form: 'powder', basis: 'w/w', n_percent: 20, p_percent: 20, k_percent: 20, named: 'oxide', rate_perL: 1, density_kg_L: 1, ec_mS: 0.9, note: '' }, // prettier-ignore
    { name: 'High potash liquid 4-3-8', form: 'liquid', basis: 'w/w', n_percent: 4, p_percent: 3, k_percent: 8, named: 'oxide', rate_perL: 5, density_kg_L: 1.15, ec_mS: null, note: 'Label gives no conductivity.' }, // prettier-ignore
  ],
  settings: { mixId: 1, baseMixId: 2, base_mm: 30, sowMixId: 3 },
  counts: {},
  countedOn: null,
};

/** The demo's stock, counted some days ago. Invented. */
export const DEMO_STOCK: PottingSeed = {
  ...USUAL_STOCK,
  counts: { 1: 540, 2: 175, 3: 60, 4: 180, 5: 150, 6: 20, 7: 420, 8: 260, 9: 900, 10: 34, 11: 12, 12: 26, 13: 22, 14: 18, 15: 9, 16: 380, 17: 850, 18: 1900 }, // prettier-ignore
  countedOn: '2027-04-05',
};
