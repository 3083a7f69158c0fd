import type { NurseryRecord } from '../../contracts/records.ts';
import type { FieldSpec } from './fields.ts';
import { LineForm } from './LineForm.tsx';

const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

function fieldsOf(zones: readonly string[]): FieldSpec[] {
  return [
    { key: 'name', label: 'Name of the nursery', kind: 'text' },
    { key: 'placeName', label: 'Place', kind: 'text', optional: true },
    {
      key: 'timeZone',
      label: 'Time zone',
      kind: 'choice',
      options: zones.map((zone) => [zone, zone.replaceAll('_', ' ')]),
    },
    {
      key: 'latitude_deg',
      label: 'Latitude, degrees north',
      kind: 'number',
      hint: 'minus is south',
    },
    {
      key: 'longitude_deg',
      label: 'Longitude, degrees east',
      kind: 'number',
      hint: 'minus is west',
    },
    {
      key: 'lastFrost',
      label: 'Mean last frost',
      kind: 'text',
      hint: 'month and day: 05-08 is 8 May',
    },
    {
      key: 'firstFrost',
      label: 'Mean first frost',
      kind: 'text',
      hint: 'month and day: 10-18 is 18 October',
    },
    { key: 'temperatureUnit', label: 'Temperatures in', kind: 'choice', options: [['C', 'Celsius'], ['F', 'Fahrenheit']] }, // prettier-ignore
    { key: 'lengthUnit', label: 'Lengths in', kind: 'choice', options: [['cm', 'centimetres'], ['in', 'inches']] }, // prettier-ignore
    {
      key: 'firstWeekday',
      label: 'Week begins on',
      kind: 'link',
      options: WEEKDAYS.map((day, i) => [i + 1, day]),
    },
    { key: 'spare_percent', label: 'Spare to sow, %', kind: 'number' },
    { key: 'offHeatKind', label: 'Off the heat', kind: 'choice', options: [['half-up', 'when half are up'], ['all-up', 'when all are up'], ['days-after', 'some days after half up']] }, // prettier-ignore
    {
      key: 'offHeatDays',
      label: 'Days after half up',
      kind: 'number',
      optional: true,
      hint: 'only for the third rule',
    },
  ];
}

/** The nursery's settings. They change what is shown and planned, never what was logged. */
export function SettingsEditor({
  nursery,
  zones,
}: {
  readonly nursery: NurseryRecord;
  readonly zones: readonly string[];
}) {
  const line = {
    ...nursery,
    id: 1,
    spare_percent: Math.round(nursery.spare_frac * 1000) / 10,
    offHeatKind: nursery.offHeat.kind,
    offHeatDays: nursery.offHeat.kind === 'days-after' ? nursery.offHeat.days : null,
  };
  return (
    <LineForm
      path="/api/nursery"
      fields={fieldsOf(zones)}
      line={line}
      blank={{}}
      unit={nursery.temperatureUnit}
      saveWords="Save the settings"
      send={(values, version) => {
        const { spare_percent, offHeatKind, offHeatDays, ...rest } = values;
        const spare_frac = typeof spare_percent === 'number' ? spare_percent / 100 : spare_percent;
        const offHeat = offHeatKind === 'days-after' ? { kind: offHeatKind, days: offHeatDays } : { kind: offHeatKind };
        return {
          method: 'PUT',
          path: '/api/nursery',
          body: { ...rest, spare_frac, offHeat, version },
        };
      }}
      after={() => '/books/settings'}
    />
  );
}
