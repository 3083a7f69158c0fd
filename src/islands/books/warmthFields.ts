import { USUAL_HOT_BED, type HotBedSpec } from '../../core/heat/hotBed.ts';
import type { MaterialKey } from '../../core/heat/materials.ts';
import { USUAL_MAT, type MatSpec } from '../../core/heat/mat.ts';
import { length } from '../../ui/house.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { WORDS } from '../../words/en/books/warmthFieldsSaid.ts';

/** What lies under a mat: the choices of the form. */
const UNDER: readonly (readonly [string, string])[] = [
  ['none', WORDS.theBareShelfOrSlats],
  ['card', WORDS.corrugatedCard],
  ['foam', WORDS.rigidFoam],
  ['timber', WORDS.aWoodenBoard],
];
/** Layers that are none of the choices are kept as they are. */
const AS_BUILT = ['as-built', WORDS.severalLayers] as const;

/** Fields of a mat without a thermostat; `asBuilt`: what lies under it is more than one layer. */
export function matFields(asBuilt: boolean, room: string): FieldSpec[] {
  const kept = room === 'kept';
  return [
    { key: 'power_W', label: WORDS.wattsOnItsLabel, kind: 'number' },
    { key: 'length_m', label: WORDS.itsLength, kind: 'number', measure: 'm' },
    { key: 'width_m', label: WORDS.itsWidth, kind: 'number', measure: 'm' },
    {
      key: 'under_frac',
      label: WORDS.shareOfTheTraysOver,
      kind: 'number',
      hint: WORDS.underTheWholeTrayWhere,
    },
    { key: 'below', label: WORDS.underTheMatLies, kind: 'choice', options: asBuilt ? [...UNDER, AS_BUILT] : UNDER },
    { key: 'below_mm', label: WORDS.howThick, kind: 'number', measure: 'mm', hint: WORDS.nothingWhereItIsThe },
    {
      key: 'rack_mm',
      label: WORDS.openRackBetweenMatAnd,
      kind: 'number',
      measure: 'mm',
      hint: WORDS.words0TheTrayStandsOn(length(20), length(40)),
    },
    { key: 'covered', label: WORDS.traysUnderALidOr, kind: 'flag' },
    {
      key: 'measured_K',
      label: WORDS.measuredMediumAboveTheRoom,
      kind: 'difference',
      optional: true,
      hint: WORDS.emptyByTheLayersA,
    },
    {
      key: 'room',
      label: WORDS.theRoom,
      kind: 'choice',
      options: [
        ['kept', WORDS.keptWarmAsAHeated],
        ['outside', WORDS.followsOutsideAsAShed],
      ],
    },
    ...(kept
      ? ([
          { key: 'day_C', label: WORDS.roomByDay, kind: 'temperature' },
          { key: 'night_C', label: WORDS.roomByNight, kind: 'temperature' },
        ] as const)
      : ([
          { key: 'plusDay_K', label: WORDS.warmerThanOutsideByDay, kind: 'difference' },
          { key: 'plusNight_K', label: WORDS.warmerThanOutsideByNight, kind: 'difference' },
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
  { key: 'buildOn', label: WORDS.builtEachYearOnMonth, kind: 'text', hint: WORDS.isFebruary },
  {
    key: 'made',
    label: WORDS.madeOf,
    kind: 'choice',
    options: [
      ['hay-and-green', WORDS.wetHayGreenStuffAnd],
      ['manure', WORDS.freshManureAndLitter],
      ['leaves', 'leaves'],
    ],
  },
  {
    key: 'moisture',
    label: WORDS.wetnessWhenBuilt,
    kind: 'choice',
    options: [
      ['squeezed', WORDS.rightAHandfulSqueezedGives],
      ['dry', 'dry'],
      ['soaked', 'soaked'],
    ],
  },
  { key: 'length_m', label: WORDS.length, kind: 'number', measure: 'm' },
  { key: 'width_m', label: WORDS.width, kind: 'number', measure: 'm' },
  { key: 'height_m', label: WORDS.depthWhenNew, kind: 'number', measure: 'm', hint: WORDS.itSinksByAThird },
  { key: 'plusDay_K', label: WORDS.underItsLidWarmerThan, kind: 'difference' },
  { key: 'plusNight_K', label: WORDS.andByNightBy, kind: 'difference', hint: WORDS.beforeTheHeapGivesAnything },
  {
    key: 'backup_C',
    label: WORDS.cableAsABackupHeld,
    kind: 'temperature',
    optional: true,
    hint: WORDS.emptyNoCable,
  },
];
