import { decimal } from '../../ui/numbers.ts';
import { Chart } from '../../ui/kit/Chart.tsx';
import { tenth } from './words.ts';
import { useState } from 'react';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import type { FittedRecord } from '../../contracts/heat/heat.ts';
import { trouble } from '../../ui/call.ts';
import { readNow, writeNow } from '../../ui/kit/data.ts';
import { WORDS } from '../../words/en/heat/zoneLearn.ts';

/** What the zone's own last nights say of it. */
export function ZoneLearn({
  zoneId,
  fitted,
  unit,
}: {
  readonly zoneId: number;
  readonly fitted: FittedRecord | null;
  readonly unit: TemperatureUnit;
}) {
  const [fit, setFit] = useState(fitted);
  const [kept, setKept] = useState(fitted !== null);
  const [said, setSaid] = useState('');
  async function ask(method: 'GET' | 'POST' | 'DELETE'): Promise<void> {
    const path = `/api/heat/zones/${zoneId}/fit`;
    const answer = await (method === 'GET' ? readNow<FittedRecord>(path) : writeNow<FittedRecord>(method, path));
    if (answer.kind !== 'done') return setSaid(trouble(answer));
    setSaid('');
    setFit(method === 'DELETE' ? null : answer.value);
    setKept(method === 'POST');
  }
  const scale = unit === 'F' ? 1.8 : 1;
  return (
    <section className="mt-4 border-t border-line pt-3" aria-label={WORDS.learnedFromItsNights}>
      <h3>{WORDS.learnedFromItsNights}</h3>
      {fit ? (
        <p className="mt-1">
          {WORDS.lossHeatHeldTimesAs(
            fit.words,
            decimal(fit.loss_factor, 2),
            decimal(fit.capacity_factor, 2),
            Math.round(fit.hours),
            decimal(fit.residual_K * scale, 2),
            unit,
            decimal(fit.before_K * scale, 2),
            unit,
            kept ? WORDS.theWatchAndTheAnswers : '',
          )}
        </p>
      ) : (
        <p className="mt-1 text-ink2">{WORDS.comparesTheLastFourNights}</p>
      )}
      {fit?.trace && <Against trace={fit.trace} unit={unit} />}
      <p className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="btn small" onClick={() => void ask('GET')}>
          {WORDS.lookAtTheLastNights}
        </button>
        {fit && !kept && (
          <button type="button" className="btn small" onClick={() => void ask('POST')}>
            {WORDS.goByIt}
          </button>
        )}
        {kept && (
          <button type="button" className="btn small" onClick={() => void ask('DELETE')}>
            {WORDS.forgetIt}
          </button>
        )}
      </p>
      <p role="status" className="font-semibold">
        {said}
      </p>
    </section>
  );
}

/** Predicted against measured, night after night; between the nights nothing is drawn. */
function Against({
  trace,
  unit,
}: {
  readonly trace: NonNullable<FittedRecord['trace']>;
  readonly unit: TemperatureUnit;
}) {
  const all = trace.flatMap(([, m, p]) => [m, p]);
  const [low, high] = [Math.floor(Math.min(...all) - 0.5), Math.ceil(Math.max(...all) + 0.5)];
  const rows = trace.flatMap(([hour, measured, predicted], i) => {
    const before = trace[i - 1]?.[0];
    const gap = before !== undefined && hour - before > 2;
    return [...(gap ? [{ hour: before + 1, measured: null, predicted: null }] : []), { hour, measured, predicted }];
  });
  return (
    <figure className="mt-2">
      <Chart
        label={WORDS.mediumAsPredictedAgainstAs}
        height="low"
        rows={rows}
        x="hour"
        xTick={(hour) => WORDS.hour(hour)}
        yDomain={[low, high]}
        yTick={(t) => tenth(t, unit)}
        lines={[
          { key: 'measured', stroke: 'var(--color-ink)' },
          { key: 'predicted', stroke: 'var(--color-plum)', width: 1.6, dash: '5 3' },
        ]}
      />
      <figcaption className="text-[0.88rem] text-ink2">{WORDS.darkMeasuredPlumDashedPredicted}</figcaption>
    </figure>
  );
}
