import { saidOf } from '../../words/en/codes.ts';
import { LID_SCHOOLS } from '../../core/heat/lid.ts';
import { GATE_KEYS, GATE_MODES, GATE_WORDS } from '../../core/planting/gates.ts';
import type { PlantingSettings } from '../../core/planting/settings.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { windWords } from '../../core/units/words.ts';
import { LineForm } from '../books/LineForm.tsx';
import { WORDS } from '../../words/en/hardening/houseHardening.ts';

interface Props {
  readonly version: number;
  readonly settings: PlantingSettings;
  readonly unit: 'C' | 'F';
}

const LID_WORDS = {
  model: WORDS.byTheReckoning,
  outdoor: WORDS.atATemperatureOutside,
  indoor: WORDS.atATemperatureInside,
} as const;
const FIELDS: readonly FieldSpec[] = [
  { key: 'home.from_h', label: WORDS.staffedFromHour, kind: 'number' },
  { key: 'home.to_h', label: WORDS.staffedUntilHour, kind: 'number' },
  { key: 'carrying.trays_per_trip', label: WORDS.traysPerTrip, kind: 'number' },
  { key: 'carrying.trip_min', label: WORDS.minutesPerTrip, kind: 'number' },
  {
    key: 'caution',
    label: WORDS.caution,
    kind: 'number',
    hint: WORDS.ofAForecastsUsualError,
  },
  {
    key: 'lidSchool.kind',
    label: WORDS.lidsAndDoorsOpen,
    kind: 'choice',
    options: LID_SCHOOLS.map((k) => [k, LID_WORDS[k]] as const),
  },
  {
    key: 'lidSchool.at_C',
    label: WORDS.atThisTemperature,
    kind: 'temperature',
    when: { key: 'lidSchool.kind', isNot: 'model' },
    hint: WORDS.forTheSchoolsThatGo,
  },
  {
    key: 'layerSchool',
    label: WORDS.aLayerOfCoverIs,
    kind: 'choice',
    options: [
      ['degrees', WORDS.degreesOnTheNight],
      ['weeks', WORDS.weeksOfHardening],
    ],
  },
  { key: 'layer_weeks', label: WORDS.weeksALayer, kind: 'number', hint: WORDS.forTheSchoolOfWeeks },
  ...GATE_KEYS.map((key): FieldSpec => ({
    key: `modes.${key}`,
    label: WORDS.gate(GATE_WORDS[key].toLowerCase()),
    kind: 'choice',
    options: GATE_MODES.map((m) => [m, saidOf(m)] as const),
  })),
  { key: 'rules.nights', label: WORDS.nightsInARow, kind: 'number' },
  { key: 'rules.soil_days', label: WORDS.daysOfWarmSoil, kind: 'number' },
  {
    key: 'rules.frost_frac',
    label: WORDS.acceptedFrostRisk,
    kind: 'number',
    hint: WORDS.chanceOfAHarmfulNight,
  },
  { key: 'rules.ahead_days', label: WORDS.daysLookedAheadForFrost, kind: 'number' },
  { key: 'rules.storm_days', label: WORDS.daysLookedAheadForStorms, kind: 'number' },
  { key: 'rules.storm_m_s', label: WORDS.highestGustAfterPlanting, kind: 'wind' },
  { key: 'unlikely_frac', label: WORDS.aDateIsUnlikelyBelow, kind: 'number', hint: WORDS.words035Is35Springs },
];

/** Beaufort 8 begins. @source World Meteorological Organization, Manual on Codes, Beaufort scale (from memory) */
const GALE_m_s = 17.2;

/** How the house hardens and plants out: hours, schools, gates. */
export function HouseHardening({ version, settings, unit }: Props) {
  return (
    <LineForm
      path="/api/planting/settings"
      fields={FIELDS.map((f) => (f.kind === 'wind' ? { ...f, hint: WORDS.isAGale(windWords(GALE_m_s, unit)) } : f))}
      line={{ ...settings, id: 1, version }}
      blank={{}}
      unit={unit}
      saveWords={WORDS.saveIt}
      send={(body, v) => ({
        method: 'PUT',
        path: '/api/planting/settings',
        body: { ...body, spacing: settings.spacing, version: v },
      })}
      after={() => '/hardening/house'}
    />
  );
}
