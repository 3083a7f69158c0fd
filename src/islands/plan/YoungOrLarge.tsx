import { useId, useState } from 'react';
import { milestoneOf, startOf } from '../../core/plan/schedule/chain.ts';
import { heatShareOf_kWh } from '../../core/plan/placement/reckon.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { lateness, shortDay } from '../../ui/format.ts';
import type { SeasonWork } from './useSeason.ts';
import { WORDS } from '../../words/en/plan/youngOrLarge.ts';

const SIZES = [
  { age_frac: 0.7, name: 'Young' },
  { age_frac: 1, name: 'Usual' },
  { age_frac: 1.3, name: 'Large' },
] as const;

interface Props {
  readonly house: HouseData;
  readonly work: SeasonWork;
  readonly onUse: (batchId: number, age_frac: number) => void;
}

/** The same batch as young, usual and large plants on the same date: dates, room and heat side by side. */
export function YoungOrLarge({ house, work, onUse }: Props) {
  const id = useId();
  const open = work.worked.filter(({ batch }) => batch.state.phase === 'planned' && !batch.plan.joins);
  const [chosen, setChosen] = useState<number | null>(null);
  const one = open.find(({ batch }) => batch.id === chosen) ?? open[0];
  if (!one) return null;
  const columns = SIZES.map((size) => {
    const plan = { ...one.batch.plan, age_frac: size.age_frac, steps: {} };
    const progress = work.tryPlan(one.batch, plan);
    const chain = progress.forecast.kind === 'chain' ? progress.forecast : null;
    const day = (key: 'pot' | 'harden' | 'plant') => (chain ? (milestoneOf(chain, key)?.day ?? null) : null);
    return {
      ...size,
      now: Math.abs((one.batch.plan.age_frac ?? 1) - size.age_frac) < 1e-6,
      sow: chain ? startOf(chain).day : null,
      pot: day('pot'),
      harden: day('harden'),
      plant: day('plant'),
      late: progress.late_days,
      slotDays: progress.stands.reduce((sum, s) => sum + s.slots * (s.to - s.from), 0),
      heat_kWh: heatShareOf_kWh(progress.stands, house.places, work.tables),
    };
  });
  const cell = (day: number | null) => (day === null ? '–' : shortDay(day));
  const rows: readonly [string, (c: (typeof columns)[number]) => string][] = [
    [WORDS.sow, (c) => cell(c.sow)],
    [WORDS.potUp, (c) => cell(c.pot)],
    [WORDS.startHardening, (c) => cell(c.harden)],
    [WORDS.plantOut, (c) => cell(c.plant)],
    [WORDS.againstItsDate, (c) => (c.late === null ? WORDS.cannotBe : lateness(c.late))],
    [WORDS.roomTrayDays, (c) => String(Math.round(c.slotDays))],
    [WORDS.heatItsShare, (c) => WORDS.kwh(Math.round(c.heat_kWh * 10) / 10)],
  ];
  return (
    <section>
      <h2>{WORDS.youngOrLarge}</h2>
      <div className="field mt-1 max-w-sm">
        <label htmlFor={`${id}batch`}>{WORDS.batchNotSownYet}</label>
        <select
          id={`${id}batch`}
          className="input"
          value={one.batch.id}
          onChange={(e) => setChosen(Number(e.target.value))}
        >
          {open.map(({ batch }) => (
            <option key={batch.id} value={batch.id}>
              {batch.name} · {batch.code}
            </option>
          ))}
        </select>
      </div>
      <table className="plain-table mt-2 max-w-2xl">
        <thead>
          <tr>
            <th>{WORDS.toGoOutOnIts}</th>
            {columns.map((c) => (
              <th key={c.name} className="r">
                {c.name}
                {c.age_frac !== 1 && (
                  <span className="block font-normal">{WORDS.ofTheGrowth(Math.round(c.age_frac * 100))}</span>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, of]) => (
            <tr key={name}>
              <th scope="row" className="!border-b !border-line !font-normal">
                {name}
              </th>
              {columns.map((c) => (
                <td key={c.name} className="r">
                  {of(c)}
                </td>
              ))}
            </tr>
          ))}
          <tr>
            <td />
            {columns.map((c) => (
              <td key={c.name} className="r">
                {c.now ? (
                  <span className="text-ink2">{WORDS.inThisWhatIf}</span>
                ) : (
                  <button type="button" className="btn small" onClick={() => onUse(one.batch.id, c.age_frac)}>
                    {WORDS.toUse(c.name.toLowerCase())}
                  </button>
                )}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      <p className="mt-1 max-w-[60ch] text-[0.9rem] text-ink2">{WORDS.youngPlantsIntoWarmSoil}</p>
    </section>
  );
}
