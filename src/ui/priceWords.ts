import type { ChangePrice } from '../core/plan/placement/reckon.ts';
import { counted } from './format.ts';
import { money } from './house.ts';

/** What a change of plan costs, always in the same words and order: days, plants at risk, heat with its money, trays carried. */
export function priceWords({ later_days, atRisk_count, heat_kWh, heat_money, moves_trays }: ChangePrice): string {
  const parts: string[] = [];
  if (later_days !== 0) parts.push(`${counted(Math.abs(later_days), 'day')} ${later_days > 0 ? 'later' : 'sooner'}`);
  const plants = Math.round(atRisk_count);
  if (plants !== 0) parts.push(`${counted(Math.abs(plants), 'plant')} ${plants > 0 ? 'more' : 'fewer'} at risk`);
  const kWh = Math.round(heat_kWh);
  if (kWh !== 0) parts.push(`${Math.abs(kWh)} kWh ${kWh > 0 ? 'more' : 'less'}, ${money(Math.abs(heat_money))}`);
  const trays = Math.round(moves_trays);
  if (trays !== 0) parts.push(`${counted(Math.abs(trays), 'tray')} ${trays > 0 ? 'more' : 'fewer'} carried`);
  return parts.length === 0 ? 'costs nothing' : parts.join(' · ');
}
