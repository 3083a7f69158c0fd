import type { HeatSettings } from '../../contracts/heat/heat.ts';
import { house } from '../../ui/house.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { LineForm } from '../books/LineForm.tsx';
import { WORDS } from '../../words/en/heat/heatSettingsForm.ts';

const BY_DAY = { key: 'tariff.kind', is: 'day-night' } as const;
const fieldsOf = (currency: string): FieldSpec[] => [
  {
    key: 'tariff.kind',
    label: WORDS.tariff,
    kind: 'choice',
    options: [
      ['flat', WORDS.onePrice],
      ['day-night', WORDS.dayAndNight],
    ],
  },
  {
    key: 'tariff.price_kWh',
    label: WORDS.aKwhCosts,
    kind: 'number',
    hint: WORDS.in(currency),
    when: { key: 'tariff.kind', is: 'flat' },
  },
  { key: 'tariff.day_kWh', label: WORDS.aKwhByDay, kind: 'number', hint: WORDS.in(currency), when: BY_DAY },
  { key: 'tariff.night_kWh', label: WORDS.aKwhByNight, kind: 'number', hint: WORDS.in(currency), when: BY_DAY },
  { key: 'tariff.from_h', label: WORDS.cheapFromHour, kind: 'number', when: BY_DAY },
  { key: 'tariff.to_h', label: WORDS.cheapToHour, kind: 'number', when: BY_DAY },
  { key: 'co2_kg_kWh', label: WORDS.kgCoForAKwh, kind: 'number', hint: WORDS.yourSuppliersFigure02 },
  {
    key: 'quiet.from_h',
    label: WORDS.quietFromHour,
    kind: 'number',
    optional: true,
    hint: WORDS.emptyNoQuietHours,
  },
  { key: 'quiet.to_h', label: WORDS.quietToHour, kind: 'number', hint: WORDS.whatCanHurtPlantsSounds },
  {
    key: 'quiet.repeat_min',
    label: WORDS.soundAgainEveryMinutes,
    kind: 'number',
    hint: WORDS.untilSomebodyTakesIt,
  },
  { key: 'keep_months', label: WORDS.keepEachReadingMonths, kind: 'number', hint: WORDS.meansByTheHourStay },
];

/** Both tariffs filled in, so that one can be changed for the other without beginning at nothing. */
function bothTariffs({ tariff }: HeatSettings): Record<string, unknown> {
  return tariff.kind === 'flat'
    ? { day_kWh: tariff.price_kWh, night_kWh: tariff.price_kWh, from_h: 0, to_h: 7, ...tariff }
    : { price_kWh: tariff.day_kWh, ...tariff };
}

/** Tariff, carbon dioxide, quiet hours, how long readings are kept. */
export function HeatSettingsForm({ first }: { readonly first: HeatSettings }) {
  const { unit, currency } = house();
  return (
    <LineForm
      path="/api/heat/settings"
      fields={fieldsOf(currency)}
      line={{ ...first, tariff: bothTariffs(first), id: 1 }}
      blank={{}}
      unit={unit}
      saveWords={WORDS.save}
      send={(body, version) => ({ method: 'PUT', path: '/api/heat/settings', body: { ...body, version } })}
      after={() => '/heat/settings'}
    />
  );
}
