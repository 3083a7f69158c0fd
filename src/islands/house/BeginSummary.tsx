import { useMemo } from 'react';
import { dayOfMonthDay } from '../../core/calendar/monthDay.ts';
import { outByNormals } from '../../core/planting/outByNormals.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import { differenceWords } from '../../core/units/words.ts';
import { nightsKnown } from '../../core/weather/nightsKnown.ts';
import { frostsByNormals, roughNormals, ROUGH_BAND_K, type RoughSite } from '../../core/weather/roughClimate.ts';
import { dayNight, monthName, shortDay } from '../../ui/format.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import { WORDS } from '../../words/en/house/beginSummary.ts';

interface Props {
  readonly site: RoughSite | null;
  readonly risk_frac: number;
  readonly unit: TemperatureUnit;
}

const YEAR = 2027;
const dated = (monthDay: string): string => shortDay(dayOfMonthDay(monthDay, YEAR), YEAR);

/** What follows from the answers: the guess of the weather, with how far it may be off, and the dates out of it. */
export function BeginSummary({ site, risk_frac, unit }: Props) {
  const guess = useMemo(() => {
    if (!site) return null;
    const normals = roughNormals(site);
    const known = nightsKnown({ coldest_C: null, outsideBy: 'guess' });
    const south = site.latitude_deg < 0;
    return {
      normals,
      south,
      frosts: frostsByNormals(normals, south, known),
      out: outByNormals(normals, south, risk_frac, known),
    };
  }, [site?.latitude_deg, site?.longitude_deg, site?.height_m, site?.byTheSea, risk_frac]); // eslint-disable-line react-hooks/exhaustive-deps
  return (
    <aside className="card" aria-live="polite">
      <h2>{WORDS.whatFollowsFromIt}</h2>
      {!guess ? (
        <p className="mt-1 text-ink2">{WORDS.chooseATownAndSay}</p>
      ) : (
        <>
          <p className="mt-1 text-ink2">
            {WORDS.theUsualWeatherIsGood(
              guess.south ? WORDS.aSouthernSeasonTheYear : WORDS.aNorthernSeason,
              <b key="1" className="font-semibold text-ink">
                {WORDS.aRoughGuess}
              </b>,
              differenceWords(ROUGH_BAND_K, unit, 0),
            )}
          </p>
          <table className="plain-table dense mt-3">
            <thead>
              <tr>
                <th>{WORDS.month}</th>
                <th className="r">{WORDS.usualNightsAndDays}</th>
              </tr>
            </thead>
            <tbody>
              {guess.normals.map(({ day_C, night_C }, i) => (
                <tr key={i}>
                  <td>
                    <span
                      aria-hidden="true"
                      className="mr-2 inline-block h-3 w-3 border border-ink3"
                      style={{ background: temperatureColour((day_C + night_C) / 2) }}
                    />
                    {monthName(i + 1)}
                  </td>
                  <td className="r">{dayNight(day_C, night_C, unit)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <dl className="mt-3 grid grid-cols-[1fr_auto] gap-y-1">
            {guess.frosts.frosty ? (
              <>
                <dt>{WORDS.lastFrostHalfOfThe}</dt>
                <dd className="num">{dated(guess.frosts.lastFrost)}</dd>
                <dt>{WORDS.firstFrostHalfOfThe}</dt>
                <dd className="num">{dated(guess.frosts.firstFrost)}</dd>
              </>
            ) : (
              <dt>{WORDS.mostYearsHaveNoFrost}</dt>
            )}
            {guess.out.tender && (
              <>
                <dt>{WORDS.tenderPlantsOutAtYour}</dt>
                <dd className="num">{dated(guess.out.tender)}</dd>
              </>
            )}
          </dl>
        </>
      )}
    </aside>
  );
}
