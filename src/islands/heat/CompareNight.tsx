import { decimal } from '../../ui/numbers.ts';
import { useMemo, useState } from 'react';
import { costOf, type Tariff } from '../../core/heat/cost.ts';
import { hourly_C } from '../../core/weather/hourly.ts';
import { simulateHours } from '../../core/heat/simulate.ts';
import { coverOn } from '../../core/heat/yearHours.ts';
import type { ZoneSpec } from '../../core/heat/zone.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import { percent, tenth } from './words.ts';
import { WORDS } from '../../words/en/heat/compareNight.ts';

/** A zone to try things on. */
export interface TrainingZone {
  readonly id: number;
  readonly name: string;
  readonly spec: ZoneSpec;
  readonly set_C: number;
  readonly harm_C: number;
}

/** Two set-points on the same night, and the air heated instead of the bench. */
export function CompareNight({
  zone,
  least_C,
  tariff,
  unit,
}: {
  readonly zone: TrainingZone;
  readonly least_C: number;
  readonly tariff: Tariff;
  readonly unit: TemperatureUnit;
}) {
  const [a_C, setA] = useState(zone.set_C);
  const [b_C, setB] = useState(zone.set_C - 3);
  const [loss, setLoss] = useState('160');
  const hours = useMemo(() => {
    const at = Array.from({ length: 24 * 3 }, (_, i) => (i + 12) % 24);
    return {
      hour: at,
      outside_C: at.map((hour) => hourly_C({ hour, least_C, most_C: least_C + 11, dayLength_h: 12 })),
      sun_W_m2: at.map((hour) => Math.max(0, 350 * Math.sin((Math.PI * (hour - 6)) / 12))),
      floor_C: at.map(() => least_C + 5),
      night: at.map((hour) => (coverOn(hour) ? 1 : 0)),
    };
  }, [least_C]);
  const run = (set: number) => {
    const ran = simulateHours(zone.spec, { ...hours, set_C: hours.hour.map(() => set) }, [set, set, set]);
    const day = ran.energy_kWh.slice(-24);
    return {
      kWh: day.reduce((s, e) => s + e, 0),
      money: costOf(tariff, day, 12),
      least: Math.min(...ran.medium_C.slice(-24)),
    };
  };
  const [a, b] = [run(a_C), run(b_C)];
  // Moist medium stands a little under the air. Common practice, no source: 1.5 K.
  const house = hours.outside_C
    .slice(-24)
    .map((o, i) => Math.max(0, (Number(loss) * (a_C + 1.5 - o) - 20 * hours.sun_W_m2.slice(-24)[i]!) / 1000));
  const air = { kWh: house.reduce((s, e) => s + e, 0), money: costOf(tariff, house, 12) };
  const pick = (label: string, value: number, onValue: (n: number) => void) => (
    <label className="field">
      <span className="label">
        {label}, {tenth(value, unit)}
      </span>
      <input
        type="range"
        className="h-11 accent-plum"
        min={8}
        max={28}
        step={0.5}
        value={value}
        onChange={(e) => onValue(Number(e.target.value))}
      />
    </label>
  );
  return (
    <section className="mt-5" aria-label={WORDS.compareOnTheSameDay}>
      <h2>{WORDS.compareOnTheSameNight}</h2>
      <div className="mt-1 grid grid-cols-2 gap-3">
        {pick(WORDS.onePlan, a_C, setA)}
        {pick(WORDS.theOther, b_C, setB)}
      </div>
      <table className="plain-table dense mt-2">
        <thead>
          <tr>
            <th>{WORDS.aDayAndNight}</th>
            <th className="r">{WORDS.kwh}</th>
            <th className="r">{WORDS.money}</th>
            <th className="r">{WORDS.lowest}</th>
          </tr>
        </thead>
        <tbody>
          {(
            [
              [WORDS.benchAt, a_C, a],
              [WORDS.benchAt, b_C, b],
            ] as const
          ).map(([words, set, r], i) => (
            <tr key={i}>
              <th scope="row" className="measure">
                {words} {tenth(set, unit)}
              </th>
              <td className="r num">{decimal(r.kWh, 1)}</td>
              <td className="r num">{decimal(r.money, 2)}</td>
              <td className="r num">{tenth(r.least, unit)}</td>
            </tr>
          ))}
          <tr>
            <th scope="row" className="measure">
              {WORDS.airFor(tenth(a_C, unit))}
            </th>
            <td className="r num">{Number.isFinite(air.kWh) ? decimal(air.kWh, 1) : '·'}</td>
            <td className="r num">{Number.isFinite(air.money) ? decimal(air.money, 2) : '·'}</td>
            <td className="r num">{tenth(a_C, unit)}</td>
          </tr>
        </tbody>
      </table>
      <label className="mt-2 flex items-center gap-2 text-[0.92rem]">
        {WORDS.houseLoses}
        <input className="input w-20" inputMode="decimal" value={loss} onChange={(e) => setLoss(e.target.value)} />
        {WORDS.wForEachKelvin}
      </label>
      <p className="mt-1 text-[0.92rem]">
        {WORDS.insteadOfSavesHeatingThe(
          tenth(b_C, unit),
          tenth(a_C, unit),
          a.kWh > 0 ? percent(1 - b.kWh / a.kWh) : '0%',
          a.kWh > 0 && Number.isFinite(air.kWh) ? decimal(air.kWh / a.kWh, 1) : '·',
        )}
      </p>
    </section>
  );
}
