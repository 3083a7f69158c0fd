import { USUAL_HOT_BED, type HotBedSpec } from '../../core/heat/hotBed.ts';
import type { MaterialKey } from '../../core/heat/materials.ts';
import { USUAL_MAT, type MatSpec } from '../../core/heat/mat.ts';
import { length } from '../../ui/house.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';

/** What lies under a mat: the choices of the form. */
const UNDER: readonly (readonly [string, string])[] = [
  ['none', 'the bare shelf or slats'],
  ['card', 'corrugated card'],
  ['foam', 'rigid foam'],
  ['timber', 'a wooden board'],
];
/** Layers that are none of the choices are kept as they are. */
const AS_BUILT = ['as-built', 'several layers, as written'] as const;

/** Fields of a mat without a thermostat; `asBuilt`: what lies under it is more than one layer. */
export function matFields(asBuilt: boolean, room: string): FieldSpec[] {
  const kept = room === 'kept';
  return [
    { key: 'power_W', label: 'Watts on its label', kind: 'number' },
    { key: 'length_m', label: 'Its length', kind: 'number', measure: 'm' },
    { key: 'width_m', label: 'Its width', kind: 'number', measure: 'm' },
    {
      key: 'under_frac',
      label: 'Share of the trays over it',
      kind: 'number',
      hint: '1 under the whole tray; 0.5 where one mat is split under two flats',
    },
    { key: 'below', label: 'Under the mat lies', kind: 'choice', options: asBuilt ? [...UNDER, AS_BUILT] : UNDER },
    { key: 'below_mm', label: 'How thick', kind: 'number', measure: 'mm', hint: 'nothing where it is the bare shelf' },
    {
      key: 'rack_mm',
      label: 'Open rack between mat and tray',
      kind: 'number',
      measure: 'mm',
      hint: `0: the tray stands on the mat; ${length(20)} to ${length(40)} for gentle warmth`,
    },
    { key: 'covered', label: 'Trays under a lid or in a bag', kind: 'flag' },
    {
      key: 'measured_K',
      label: 'Measured: medium above the room by',
      kind: 'difference',
      optional: true,
      hint: 'empty: by the layers. A thermometer at the depth of the seed goes first',
    },
    {
      key: 'room',
      label: 'The room',
      kind: 'choice',
      options: [
        ['kept', 'kept warm, as a heated house'],
        ['outside', 'follows outside, as a shed'],
      ],
    },
    ...(kept
      ? ([
          { key: 'day_C', label: 'Room by day', kind: 'temperature' },
          { key: 'night_C', label: 'Room by night', kind: 'temperature' },
        ] as const)
      : ([
          { key: 'plusDay_K', label: 'Warmer than outside by day by', kind: 'difference' },
          { key: 'plusNight_K', label: 'Warmer than outside by night by', kind: 'difference' },
        ] as const)),
  ];
}

/** A mat as one flat line of its form. */
export function flatMat(mat: MatSpec): Record<string, unknown> {
  const { room, below, ...rest } = mat;
  const [layer] = below;
  const one = below.length === 1 && UNDER.some(([key]) => key === layer!.material);
  return {
    ...rest,
    below: below.length === 0 ? 'none' : one ? layer!.material : AS_BUILT[0],
    below_mm: one ? Math.round(layer!.thickness_m * 1e5) / 100 : 0,
    room: room.kind,
    day_C: room.kind === 'kept' ? room.day_C : 18,
    night_C: room.kind === 'kept' ? room.night_C : 14,
    plusDay_K: room.kind === 'outside' ? room.plusDay_K : 4,
    plusNight_K: room.kind === 'outside' ? room.plusNight_K : 2,
  };
}

/** The mat a flat line means. Figures that are none stay text, so that the answer can name their field. */
export function matOfFlat(flat: Readonly<Record<string, unknown>>, before: MatSpec | null): unknown {
  const { below, below_mm, room, day_C, night_C, plusDay_K, plusNight_K, ...rest } = flat;
  const thickness_m = typeof below_mm === 'number' ? below_mm / 1000 : below_mm;
  return {
    ...rest,
    below:
      below === AS_BUILT[0]
        ? (before?.below ?? [])
        : below === 'none'
          ? []
          : [{ material: below as MaterialKey, thickness_m }],
    room: room === 'kept' ? { kind: 'kept', day_C, night_C } : { kind: 'outside', plusDay_K, plusNight_K },
  };
}

export const matOr = (mat: MatSpec | null): MatSpec => mat ?? USUAL_MAT;
export const bedOr = (bed: HotBedSpec | null): HotBedSpec => bed ?? USUAL_HOT_BED;
/** Fields of a hot bed. */
export const BED_FIELDS: readonly FieldSpec[] = [
  { key: 'buildOn', label: 'Built each year on, month-day', kind: 'text', hint: '02-20 is 20 February' },
  {
    key: 'made',
    label: 'Made of',
    kind: 'choice',
    options: [
      ['hay-and-green', 'wet hay, green stuff and half-rotted compost'],
      ['manure', 'fresh manure and litter'],
      ['leaves', 'leaves'],
    ],
  },
  {
    key: 'moisture',
    label: 'Wetness when built',
    kind: 'choice',
    options: [
      ['squeezed', 'right: a handful squeezed gives a drop'],
      ['dry', 'dry'],
      ['soaked', 'soaked'],
    ],
  },
  { key: 'length_m', label: 'Length', kind: 'number', measure: 'm' },
  { key: 'width_m', label: 'Width', kind: 'number', measure: 'm' },
  { key: 'height_m', label: 'Depth when new', kind: 'number', measure: 'm', hint: 'it sinks by a third' },
  { key: 'plusDay_K', label: 'Under its lid, warmer than outside by day by', kind: 'difference' },
  { key: 'plusNight_K', label: 'and by night by', kind: 'difference', hint: 'before the heap gives anything' },
  {
    key: 'backup_C',
    label: 'Cable as a backup, held at',
    kind: 'temperature',
    optional: true,
    hint: 'empty: no cable',
  },
];
