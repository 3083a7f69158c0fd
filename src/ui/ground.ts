import type { MaterialKey } from '../core/heat/materials.ts';

/** Colours by which materials are drawn in a section. */
export const GROUND: Readonly<Record<MaterialKey, string>> = {
  foam: '#e9e6da',
  'dense-foam': '#dcd8c8',
  card: '#cdb894',
  timber: '#c9a878',
  sand: '#e0c98d',
  concrete: '#b9bab4',
  steel: '#8d9691',
  water: '#d9965a',
  medium: '#7d6248',
  compost: '#6d5a3c',
};
