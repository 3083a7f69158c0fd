import { useRef, useState } from 'react';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import { sizingOf } from '../../core/heat/sizing.ts';
import type { Problem } from '../../contracts/problem.ts';
import type { ZoneView } from '../../contracts/heat/heat.ts';
import { fieldError, freshKey, trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { clockTime, percent, tenth } from './words.ts';
import { useSignature } from '../../ui/who.ts';
import { WORDS } from '../../words/en/heat/override.ts';

interface Props {
  readonly view: ZoneView;
  readonly unit: TemperatureUnit;
  readonly timeZone: string;
  readonly onChanged: () => void;
}

const HOURS = [2, 6, 12, 24, 72] as const;

/** A set-point by hand that ends by itself, with what it will cost shown before it is given. */
export function Override({ view, unit, timeZone, onChanged }: Props) {
  const { card, zone, override } = view;
  const now_C = card.set_C ?? 18;
  const [set_C, setSet] = useState(Math.round(now_C * 2) / 2);
  const [hours, setHours] = useState<number>(12);
  const { by, setBy, remember } = useSignature();
  const [why, setWhy] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const [said, setSaid] = useState('');
  const key = useRef<string | null>(null);
  const night = { cover: zone.spec.cover.night, open: false };
  const outside_C = view.card.status?.outside_C ?? 4;
  const need = (set: number) => sizingOf(zone.spec, { set_C: set, outside_C, mode: night });
  const [before, after] = [need(now_C), need(set_C)];
  async function give(): Promise<void> {
    key.current ??= freshKey();
    remember();
    const answer = await writeNow('POST', `/api/heat/zones/${zone.id}/override`, {
      idempotencyKey: key.current,
      set_C,
      hours,
      by,
      why,
    });
    setProblem(answer.kind === 'problem' ? answer.problem : null);
    if (answer.kind !== 'done') {
      if (answer.kind === 'problem') key.current = null;
      return setSaid(trouble(answer));
    }
    key.current = null;
    setSaid(card.byHand ? WORDS.writtenDownSetTheThermostat : WORDS.givenToTheController);
    onChanged();
  }
  async function back(): Promise<void> {
    const answer = await writeNow('DELETE', `/api/heat/zones/${zone.id}/override`);
    setSaid(answer.kind === 'done' ? WORDS.backToThePlan : trouble(answer));
    onChanged();
  }
  const step = unit === 'F' ? 5 / 9 : 0.5;
  return (
    <section className="mt-5" aria-label={WORDS.setPoint}>
      <h2>{WORDS.setPoint}</h2>
      {override ? (
        <p className="mt-1">
          {WORDS.byUntilThenThePlan(
            override.set_C === null ? WORDS.off : tenth(override.set_C, unit),
            override.by,
            override.why && `: ${override.why}`,
            clockTime(override.until_ms, timeZone, true),
          )}
          <button type="button" className="btn small" onClick={() => void back()}>
            {WORDS.backToThePlanNow}
          </button>
        </p>
      ) : (
        <p className="mt-1 text-ink2">
          {WORDS.thePlanGivesByHand(card.set_C === null ? WORDS.noHeat : tenth(card.set_C, unit))}
        </p>
      )}
      <form
        className="mt-2 grid grid-cols-2 gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void give();
        }}
      >
        <div className="col-span-2 flex items-center gap-2">
          <button type="button" className="btn" aria-label={WORDS.cooler} onClick={() => setSet(set_C - step)}>
            −
          </button>
          <output className="num w-16 text-center text-2xl" aria-label={WORDS.setPointByHand}>
            {tenth(set_C, unit)}
          </output>
          <button type="button" className="btn" aria-label={WORDS.warmer} onClick={() => setSet(set_C + step)}>
            +
          </button>
          <select
            className="input"
            aria-label={WORDS.forHowLong}
            value={hours}
            onChange={(e) => setHours(Number(e.target.value))}
          >
            {HOURS.map((h) => (
              <option key={h} value={h}>
                {WORDS.for(h < 24 ? WORDS.hours(h) : h === 24 ? WORDS.aDay : WORDS.days(h / 24))}
              </option>
            ))}
          </select>
        </div>
        <p className="col-span-2 text-[0.92rem]">
          {Math.abs(set_C - now_C) < 0.01
            ? WORDS.asNow
            : WORDS.moreHeat(
                `${after.need_W >= before.need_W ? '+' : '−'}${percent(Math.abs(after.need_W - before.need_W) / Math.max(1, before.need_W))}`,
                after.holds ? WORDS.itCanHoldThatNow : WORDS.itCannotHoldThatWith(tenth(outside_C, unit)),
              )}
          {fieldError(problem, 'set_C') && <span className="err"> {fieldError(problem, 'set_C')}</span>}
        </p>
        <input
          className="input"
          aria-label={WORDS.who}
          placeholder={WORDS.who2}
          maxLength={60}
          value={by}
          onChange={(e) => setBy(e.target.value)}
        />
        <input
          className="input"
          aria-label={WORDS.why}
          placeholder={WORDS.why2}
          maxLength={200}
          value={why}
          onChange={(e) => setWhy(e.target.value)}
        />
        <button type="submit" className="btn col-span-2">
          {WORDS.setItTo(tenth(set_C, unit))}
        </button>
      </form>
      <p role="status" className="mt-1 min-h-5 text-[0.92rem] font-semibold">
        {said}
      </p>
      {view.log.length > 0 && (
        <details>
          <summary className="text-[0.92rem]">{WORDS.whoChangedItAndWhy}</summary>
          <ul className="mt-1 text-[0.9rem]">
            {view.log.map((l) => (
              <li key={l.at_ms + l.why}>
                {clockTime(l.at_ms, timeZone, true)}: {l.set_C === null ? WORDS.off2 : tenth(l.set_C, unit)}, {l.by}:{' '}
                {l.why}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
