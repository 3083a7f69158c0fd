import { money } from '../../ui/house.ts';
import type { SeasonSummary } from '../../core/plan/placement/reckon.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { counted } from '../../ui/format.ts';

interface Props {
  readonly house: HouseData;
  readonly columns: readonly { readonly name: string; readonly reckoning: SeasonSummary }[];
}

/** Seasons added up, side by side: what is late, what is over room, what it costs. */
export function Comparison({ house, columns }: Props) {
  const rows: readonly { name: string; of: (r: SeasonSummary) => string; bad?: (r: SeasonSummary) => boolean }[] = [
    { name: 'Late', of: (r) => (r.late_count === 0 ? 'none' : `${r.late_count}, ${counted(r.late_days, 'day')}`) },
    {
      name: 'Too early',
      of: (r) => (r.early_count === 0 ? 'none' : `${r.early_count}, ${counted(r.early_days, 'day')}`),
    },
    {
      name: 'Cannot be',
      of: (r) => (r.stuck_count === 0 ? 'none' : String(r.stuck_count)),
      bad: (r) => r.stuck_count > 0,
    },
    { name: 'Plants at risk', of: (r) => String(Math.round(r.atRisk_count)) },
    {
      name: 'Over room',
      of: (r) => (r.over_slotDays === 0 ? 'never' : `${Math.round(r.over_slotDays)} tray-days`),
      bad: (r) => r.over_slotDays > 0,
    },
    { name: 'Heat', of: (r) => `${Math.round(r.heat_kWh)} kWh` },
    { name: 'Heat, cost', of: (r) => money(r.money) },
    { name: 'Trays carried', of: (r) => String(r.moves_trays) },
    { name: 'Set-points changed', of: (r) => String(r.setPointChanges) },
    ...house.places.map((place, i) => ({
      name: `${place.name}, fullest`,
      of: (r: SeasonSummary) =>
        `${Math.round(r.peaks[i]?.peak_slots ?? 0)} of ${r.peaks[i]?.room_trays ?? place.room_trays}`,
      bad: (r: SeasonSummary) => (r.peaks[i]?.peak_slots ?? 0) > (r.peaks[i]?.room_trays ?? 0),
    })),
  ];
  return (
    <div className="overflow-x-auto">
      <table className="plain-table dense text-[0.95rem]">
        <thead>
          <tr>
            <th scope="col">From today on</th>
            {columns.map((column) => (
              <th key={column.name} scope="col" className="r">
                {column.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.name}>
              <th scope="row" className="!border-b !border-line !font-normal">
                {row.name}
              </th>
              {columns.map(({ name, reckoning }) => (
                <td key={name} className="r whitespace-nowrap">
                  {row.bad?.(reckoning) ? <span className="tag bad">{row.of(reckoning)}</span> : row.of(reckoning)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
