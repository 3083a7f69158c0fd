import { decimal } from '../../ui/numbers.ts';
import { costOf, type Tariff } from '../../core/heat/cost.ts';
import { sizingOf, yearOfHeat } from '../../core/heat/sizing.ts';
import { requireZone, type ZoneSpec } from '../../core/heat/zone.ts';
import type { MonthNormal } from '../../core/plan/schedule/outsideClimate.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import { typedMeasure } from '../../core/units/measure.ts';
import { monthName } from '../../ui/format.ts';
import { house, length, money, unitOf } from '../../ui/house.ts';
import { hoursWords, percent, tenth } from './words.ts';
import { WORDS } from '../../words/en/heat/zoneEditor.ts';

interface Props {
  readonly spec: ZoneSpec;
  readonly set_C: number;
  readonly outside_C: number;
  readonly normals: readonly MonthNormal[];
  readonly latitude_deg: number;
  readonly tariff: Tariff;
  readonly co2_kg_kWh: number;
  readonly unit: TemperatureUnit;
}

/** What a zone as it is typed can do, or why that cannot be said yet. */
export function ZoneCan({ spec, set_C, outside_C, normals, latitude_deg, tariff, co2_kg_kWh, unit }: Props) {
  const answer = (() => {
    try {
      requireZone(spec);
      if (Number.isNaN(set_C) || Number.isNaN(outside_C)) throw new RangeError(WORDS.setPointAndOutsideType);
      const at = (cover: ZoneSpec['cover']['night'], one = spec) =>
        sizingOf(one, { set_C, outside_C, mode: { cover, open: false } });
      const year = (one: ZoneSpec) => yearOfHeat(one, { normals, latitude_deg, setDay_C: set_C, setNight_C: set_C });
      const foamed: ZoneSpec = { ...spec, below: [...spec.below, { material: 'foam', thickness_m: 0.05 }] };
      const covered: ZoneSpec = {
        ...spec,
        cover: {
          ...spec.cover,
          night: spec.cover.night === 'none' ? 'fleece' : spec.cover.night === 'fleece' ? 'single' : 'double',
        },
      };
      const kWh = (months: ReturnType<typeof year>) => months.slice(0, 6).reduce((sum, m) => sum + m.perMonth_kWh, 0);
      const now = year(spec);
      return {
        kind: 'ok' as const,
        with: at(spec.cover.night),
        without: at('none'),
        year: now,
        season_kWh: kWh(now),
        foam_kWh: kWh(year(foamed)),
        cover_kWh: kWh(year(covered)),
        better: covered.cover.night,
      };
    } catch (error) {
      return { kind: 'wrong' as const, why: (error as Error).message };
    }
  })();
  const costWords = (kWh: number) => money(costOf(tariff, [kWh], 2));
  if (answer.kind === 'wrong')
    return (
      <p className="note-bar bad mt-3" role="status">
        {WORDS.notYet(answer.why)}
      </p>
    );
  return (
    <>
      <p className={`note-bar mt-3 ${answer.with.holds ? '' : 'bad'}`}>
        {WORDS.withDownToOutsideWith(
          <span key="1" className="num text-xl">
            {answer.with.holds ? WORDS.itHolds : WORDS.itDoesNotHold}
          </span>,
          WORDS.covers[spec.cover.night],
          tenth(answer.with.holdsTo_C, unit),
          tenth(answer.without.holdsTo_C, unit),
        )}
      </p>
      <table className="plain-table dense mt-3">
        <tbody>
          <Line
            words={WORDS.heatItTakesThen}
            value={WORDS.wattsOf(Math.round(answer.with.need_W), spec.heater.power_W)}
          />
          <Line
            words={WORDS.powerToTheArea}
            value={`${typedMeasure(Math.round(answer.with.power_W_m2), 'W_m2', house().lengthUnit)} ${unitOf('W_m2')}`}
          />
          <Line words={WORDS.uncoveredItTakes} value={`${Math.round(answer.without.need_W)} W`} />
          <Line words={WORDS.lostDownwards} value={percent(answer.with.down_frac)} />
          <Line
            words={WORDS.hoursToWarmUp}
            value={answer.with.warmUp_h === null ? WORDS.neverGetsThere : hoursWords(answer.with.warmUp_h)}
          />
          <Line
            words={WORDS.ifStuckOnMediumBed}
            value={`${tenth(answer.with.stuckOn_C, unit)}, ${tenth(answer.with.stuckBed_C, unit)}`}
            bad={answer.with.stuckOn_C > 35}
          />
          <Line
            words={WORDS.halfAYearWithThe}
            value={WORDS.kwhKgCo(
              Math.round(answer.season_kWh),
              costWords(answer.season_kWh),
              Math.round(answer.season_kWh * co2_kg_kWh),
            )}
          />
          <Line
            words={WORDS.moreFoamSaves(length(50))}
            value={`${Math.round(answer.season_kWh - answer.foam_kWh)} kWh, ${costWords(answer.season_kWh - answer.foam_kWh)}`}
          />
          {answer.better !== spec.cover.night && (
            <Line
              words={WORDS.byNightSaves(WORDS.covers[answer.better])}
              value={`${Math.round(answer.season_kWh - answer.cover_kWh)} kWh, ${costWords(answer.season_kWh - answer.cover_kWh)}`}
            />
          )}
        </tbody>
      </table>
      <details className="mt-2">
        <summary>{WORDS.byMonthAUsualDay}</summary>
        <table className="plain-table dense">
          <thead>
            <tr>
              <th>{WORDS.month}</th>
              <th className="r">{WORDS.kwhADay}</th>
              <th className="r">{WORDS.moneyADay}</th>
              <th className="r">{WORDS.lowest}</th>
            </tr>
          </thead>
          <tbody>
            {answer.year.map((m) => (
              <tr key={m.month}>
                <td>{monthName(m.month + 1)}</td>
                <td className="r num">{decimal(m.perDay_kWh, 2)}</td>
                <td className="r num">{money(m.perDay_kWh)}</td>
                <td className="r num">{tenth(m.least_C, unit)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
      <p className="mt-2 text-[0.88rem] text-ink2">{WORDS.aSteadyStateAndA}</p>
    </>
  );
}

function Line({
  words,
  value,
  bad = false,
}: {
  readonly words: string;
  readonly value: string;
  readonly bad?: boolean;
}) {
  return (
    <tr>
      <th scope="row" className="measure">
        {words}
      </th>
      <td className={`r num ${bad ? 'text-brick' : ''}`}>
        {value}
        {bad && WORDS.hot}
      </td>
    </tr>
  );
}
