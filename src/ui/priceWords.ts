import type { ChangePrice } from '../core/plan/placement/reckon.ts';
import { counted } from './format.ts';
import { money } from './house.ts';
import { WORDS } from '../words/en/ui/priceWords.ts';

/** What a change of plan costs, always in the same words and order: days, plants at risk, heat with its money, trays carried. */
export function priceWords({ later_days, atRisk_count, heat_kWh, heat_money, moves_trays }: ChangePrice): string {
  const parts: string[] = [];
  if (later_days !== 0)
    parts.push(`${counted(Math.abs(later_days), WORDS.day)} ${later_days > 0 ? 'later' : 'sooner'}`);
  const plants = Math.round(atRisk_count);
  if (plants !== 0) parts.push(WORDS.atRisk(counted(Math.abs(plants), WORDS.plant), plants > 0 ? WORDS.more : 'fewer'));
  const kWh = Math.round(heat_kWh);
  if (kWh !== 0) parts.push(WORDS.kwh(Math.abs(kWh), kWh > 0 ? WORDS.more : WORDS.less, money(Math.abs(heat_money))));
  const trays = Math.round(moves_trays);
  if (trays !== 0) parts.push(WORDS.carried(counted(Math.abs(trays), WORDS.tray), trays > 0 ? WORDS.more : 'fewer'));
  return parts.length === 0 ? WORDS.costsNothing : parts.join(' · ');
}
