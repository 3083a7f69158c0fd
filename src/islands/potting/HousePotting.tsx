import type { PottingSettings } from '../../core/potting/settings.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { unitOf } from '../../ui/house.ts';
import { LineForm } from '../books/LineForm.tsx';
import { WORDS } from '../../words/en/potting/housePotting.ts';

interface Props {
  readonly version: number;
  readonly settings: PottingSettings;
  readonly mixes: readonly { readonly id: number; readonly name: string }[];
  readonly feeds: readonly { readonly id: number; readonly name: string }[];
}

/** How the house pots: figures sessions are planned by. Shares are typed in per cent. */
export function HousePotting({ version, settings, mixes, feeds }: Props) {
  const mix = (key: string, label: string): FieldSpec => ({
    key,
    label,
    kind: 'link',
    optional: true,
    options: mixes.map((m) => [m.id, m.name] as const),
  });
  const fields: FieldSpec[] = [
    mix('mixId', WORDS.mixOfPots),
    mix('baseMixId', WORDS.richerBase),
    {
      key: 'base_mm',
      label: WORDS.depthOfTheBase(unitOf('mm')),
      kind: 'number',
      measure: 'mm',
      unitSaid: true,
      hint: WORDS.words0ForOneMixThroughout,
    },
    mix('sowMixId', WORDS.mixToSowIn),
    {
      key: 'feedId',
      label: WORDS.feedWithTheWater,
      kind: 'link',
      optional: true,
      hint: WORDS.takenFromTheStock,
      options: feeds.map((feed) => [feed.id, feed.name] as const),
    },
    { key: 'feed_frac', label: WORDS.shareOfTheLabelRate, kind: 'number', hint: WORDS.words05IsHalf },
    { key: 'settle_frac', label: WORDS.settlingShare, kind: 'number', hint: WORDS.words01IsATenth },
    { key: 'waste_frac', label: WORDS.wasteShare, kind: 'number' },
    { key: 'setUp_min', label: WORDS.settingOutMinutes, kind: 'number' },
    { key: 'trolley_trays', label: WORDS.traysPerTrip, kind: 'number' },
    { key: 'trip_min', label: WORDS.minutesPerTrip, kind: 'number' },
    { key: 'rest_days', label: WORDS.restAfterPottingDays, kind: 'number', hint: WORDS.noHardeningNoFullSun },
    { key: 'loss_frac', label: WORDS.lostAfterPottingShare, kind: 'number' },
    { key: 'confidence', label: WORDS.chanceOfEndingWithEnough, kind: 'number', hint: WORDS.words09IsNineTimes },
    { key: 'potLeaves', label: WORDS.trueLeavesForAPot, kind: 'number' },
    { key: 'prickLeaves', label: WORDS.trueLeavesToPrickOut, kind: 'number' },
    { key: 'ahead_weeks', label: WORDS.weeksTheStockLooksAhead, kind: 'number' },
  ];
  return (
    <LineForm
      path="/api/potting/settings"
      fields={fields}
      line={{ ...settings, id: 1, version } as never}
      blank={{}}
      unit="C"
      saveWords={WORDS.saveIt}
      send={(values, v) => ({ method: 'PUT', path: '/api/potting/settings', body: { ...values, version: v } })}
      after={() => '/potting/house'}
    />
  );
}
