import { money } from '../../ui/house.ts';
import type { SeasonSummary } from '../../core/plan/placement/reckon.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { counted } from '../../ui/format.ts';
import { WORDS } from '../../words/en/plan/comparison.ts';

interface Props {
  readonly house: HouseData;
  readonly columns: readonly { readonly name: string; readonly reckoning: SeasonSummary }[];
}

/** Seasons added up, side by side: what is late, what is over room, what it costs. */
export function Comparison({ house, columns }: Props) {
  const rows: readonly { name: string; of: (r: SeasonSummary) => string; bad?: (r: SeasonSummary) => boolean }[] = [
    {
      name: WORDS.late,
      of: (r) => (r.late_count === 0 ? 'none' : `${r.late_count}, ${counted(r.late_days, WORDS.day)}`),
    },
    {
      name: WORDS.tooEarly,
      of: (r) => (r.early_count === 0 ? 'none' : `${r.early_count}, ${counted(r.early_days, WORDS.day)}`),
    },
    {
      name: WORDS.cannotBe,
      of: (r) => (r.stuck_count === 0 ? 'none' : String(r.stuck_count)),
      bad: (r) => r.stuck_count > 0,
    },
    { name: WORDS.plantsAtRisk, of: (r) => String(Math.round(r.atRisk_count)) },
    {
      name: WORDS.overRoom,
      of: (r) => (r.over_slotDays === 0 ? 'never' : WORDS.trayDays(Math.round(r.over_slotDays))),
      bad: (r) => r.over_slotDays > 0,
    },
    { name: WORDS.heat, of: (r) => WORDS.kwh(Math.round(r.heat_kWh)) },
    { name: WORDS.heatCost, of: (r) => money(r.money) },
    { name: WORDS.traysCarried, of: (r) => String(r.moves_trays) },
    { name: WORDS.setPointsChanged, of: (r) => String(r.setPointChanges) },
    ...house.places.map((place, i) => ({
      name: WORDS.fullest(place.name),
      of: (r: SeasonSummary) =>
        WORDS.of(Math.round(r.peaks[i]?.peak_slots ?? 0), r.peaks[i]?.room_trays ?? place.room_trays),
      bad: (r: SeasonSummary) => (r.peaks[i]?.peak_slots ?? 0) > (r.peaks[i]?.room_trays ?? 0),
    })),
  ];
  return (
    <div className="overflow-x-auto">
      <table className="plain-table dense text-[0.95rem]">
        <thead>
          <tr>
            <th scope="col">{WORDS.fromTodayOn}</th>
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
