import type { PottingSettings } from '../../core/potting/settings.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { unitOf } from '../../ui/house.ts';
import { LineForm } from '../books/LineForm.tsx';

interface Props {
  readonly version: number;
  readonly settings: PottingSettings;
  readonly mixes: readonly { readonly id: number; readonly name: string }[];
}

/** How the house pots: figures sessions are planned by. Shares are typed in per cent. */
export function HousePotting({ version, settings, mixes }: Props) {
  const mix = (key: string, label: string): FieldSpec => ({
    key,
    label,
    kind: 'link',
    optional: true,
    options: mixes.map((m) => [m.id, m.name] as const),
  });
  const fields: FieldSpec[] = [
    mix('mixId', 'Mix of pots'),
    mix('baseMixId', 'Richer base'),
    {
      key: 'base_mm',
      label: `Depth of the base, ${unitOf('mm')}`,
      kind: 'number',
      measure: 'mm',
      hint: '0 for one mix throughout',
    },
    mix('sowMixId', 'Mix to sow in'),
    { key: 'settle_frac', label: 'Settling, share', kind: 'number', hint: '0.1 is a tenth more' },
    { key: 'waste_frac', label: 'Waste, share', kind: 'number' },
    { key: 'setUp_min', label: 'Setting out, minutes', kind: 'number' },
    { key: 'trolley_trays', label: 'Trays per trip', kind: 'number' },
    { key: 'trip_min', label: 'Minutes per trip', kind: 'number' },
    { key: 'rest_days', label: 'Rest after potting, days', kind: 'number', hint: 'no hardening, no full sun, no feed' },
    { key: 'loss_frac', label: 'Lost after potting, share', kind: 'number' },
    { key: 'confidence', label: 'Chance of ending with enough', kind: 'number', hint: '0.9 is nine times of ten' },
    { key: 'potLeaves', label: 'True leaves for a pot', kind: 'number' },
    { key: 'prickLeaves', label: 'True leaves to prick out', kind: 'number' },
    { key: 'ahead_weeks', label: 'Weeks the stock looks ahead', kind: 'number' },
  ];
  return (
    <LineForm
      path="/api/potting/settings"
      fields={fields}
      line={{ ...settings, id: 1, version } as never}
      blank={{}}
      unit="C"
      saveWords="Save it"
      send={(values, v) => ({ method: 'PUT', path: '/api/potting/settings', body: { ...values, version: v } })}
      after={() => '/potting/house'}
    />
  );
}
