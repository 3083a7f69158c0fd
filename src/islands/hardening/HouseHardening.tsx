import { LID_SCHOOLS } from '../../core/heat/lid.ts';
import { GATE_KEYS, GATE_MODES, GATE_WORDS } from '../../core/planting/gates.ts';
import type { PlantingSettings } from '../../core/planting/settings.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { windWords } from '../../core/units/words.ts';
import { LineForm } from '../books/LineForm.tsx';

interface Props {
  readonly version: number;
  readonly settings: PlantingSettings;
  readonly unit: 'C' | 'F';
}

const LID_WORDS = {
  model: 'by the reckoning',
  outdoor: 'at a temperature outside',
  indoor: 'at a temperature inside',
} as const;
const FIELDS: readonly FieldSpec[] = [
  { key: 'home.from_h', label: 'Staffed from, hour', kind: 'number' },
  { key: 'home.to_h', label: 'Staffed until, hour', kind: 'number' },
  { key: 'carrying.trays_per_trip', label: 'Trays per trip', kind: 'number' },
  { key: 'carrying.trip_min', label: 'Minutes per trip', kind: 'number' },
  {
    key: 'caution',
    label: 'Caution',
    kind: 'number',
    hint: 'of a forecast’s usual error kept off a floor: 0 bold, 0.5 usual, 1 careful',
  },
  {
    key: 'lidSchool.kind',
    label: 'Lids and doors open',
    kind: 'choice',
    options: LID_SCHOOLS.map((k) => [k, LID_WORDS[k]] as const),
  },
  {
    key: 'lidSchool.at_C',
    label: 'at',
    kind: 'temperature',
    optional: true,
    hint: 'for the schools that go by a temperature',
  },
  {
    key: 'layerSchool',
    label: 'A layer of cover is worth',
    kind: 'choice',
    options: [
      ['degrees', 'degrees on the night'],
      ['weeks', 'weeks'],
    ],
  },
  { key: 'layer_weeks', label: 'Weeks a layer', kind: 'number', hint: 'for the school of weeks; three to four' },
  ...GATE_KEYS.map((key): FieldSpec => ({
    key: `modes.${key}`,
    label: `Gate: ${GATE_WORDS[key].toLowerCase()}`,
    kind: 'choice',
    options: GATE_MODES.map((m) => [m, m] as const),
  })),
  { key: 'rules.nights', label: 'Nights in a row', kind: 'number' },
  { key: 'rules.soil_days', label: 'Days of warm soil', kind: 'number' },
  {
    key: 'rules.frost_frac',
    label: 'Accepted frost risk',
    kind: 'number',
    hint: 'chance of a harmful night in the days foretold; 0.1 is one in ten',
  },
  { key: 'rules.ahead_days', label: 'Days looked ahead for frost', kind: 'number' },
  { key: 'rules.storm_days', label: 'Days looked ahead for storms', kind: 'number' },
  { key: 'rules.storm_m_s', label: 'Highest gust after planting', kind: 'wind' },
  { key: 'unlikely_frac', label: 'A date is unlikely below', kind: 'number', hint: '0.35 is 35 springs of 100' },
];

/** Beaufort 8 begins. @source World Meteorological Organization, Manual on Codes, Beaufort scale (from memory) */
const GALE_m_s = 17.2;

/** A value at a path such as "rules.nights". */
function at(value: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((v, key) => (v as Record<string, unknown> | undefined)?.[key], value);
}

/** Values by path, put back as they nest. */
function nested(values: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const out: Record<string, unknown> = {};
  for (const [path, value] of Object.entries(values)) {
    const keys = path.split('.');
    const last = keys.pop()!;
    let into = out;
    for (const key of keys) into = (into[key] ??= {}) as Record<string, unknown>;
    into[last] = value;
  }
  return out;
}

/** How the house hardens and plants out: hours, schools, gates. */
export function HouseHardening({ version, settings, unit }: Props) {
  const line = Object.fromEntries(FIELDS.map(({ key }) => [key, at(settings, key)]));
  return (
    <LineForm
      path="/api/planting/settings"
      fields={FIELDS.map((f) => (f.kind === 'wind' ? { ...f, hint: `${windWords(GALE_m_s, unit)} is a gale` } : f))}
      line={{ ...line, id: 1, version }}
      blank={{}}
      unit={unit}
      saveWords="Save it"
      send={(values, v) => {
        const body = nested(values);
        const lid = body['lidSchool'] as { kind: string; at_C?: unknown };
        return {
          method: 'PUT',
          path: '/api/planting/settings',
          body: {
            ...body,
            lidSchool: lid.kind === 'model' ? { kind: 'model' } : lid,
            spacing: settings.spacing,
            version: v,
          },
        };
      }}
      after={() => '/hardening/house'}
    />
  );
}
