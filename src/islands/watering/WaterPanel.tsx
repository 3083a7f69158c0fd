import { useState } from 'react';
import { LOOKS } from '../../core/watering/belief.ts';
import type { WaterInput, WaterTray } from '../../contracts/watering/water.ts';
import { waterInput } from '../../contracts/watering/water.ts';
import { clockWords, spokenDay } from '../../ui/format.ts';
import { measureUnit, shownMeasure } from '../../core/units/measure.ts';
import { house, volume } from '../../ui/house.ts';
import { TypedForm } from '../../ui/kit/TypedForm.tsx';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { doOrKeep } from '../../ui/logPost.ts';
import { sayHere } from '../../ui/kit/said.ts';
import { decimal, percent } from '../../ui/numbers.ts';
import { WORDS } from '../../words/en/watering/card.ts';

/** Chance from which a surface is called likely wet at dusk. */
export const LIKELY = 0.5;

/** Minute of the day of "16:30", "16.30" or "8"; NaN where it is no time. */
export function minuteOf(text: string): number {
  const [, hour, minute = '0'] = /^\s*(\d{1,2})(?:[:.](\d{2}))?\s*$/.exec(text) ?? [];
  return hour === undefined || Number(minute) > 59 ? NaN : Number(hour) * 60 + Number(minute);
}

interface Props {
  readonly tray: WaterTray;
  readonly today: number;
  readonly busy: boolean;
  readonly dusk: string;
  readonly log: (line: Omit<WaterInput, 'idempotencyKey'>, words: string, after?: string) => Promise<boolean>;
  readonly refresh: () => Promise<void>;
  readonly onDone: () => void;
}

/** A batch's water: how it is found, what it weighs, water given at another hour or in litres; and the figures behind the advice. */
export function WaterPanel({ tray, today, busy, dusk, log, refresh, onDone }: Props) {
  const [typing, setTyping] = useState<'weight' | 'water' | null>(null);
  const { figures } = tray;
  const said = async (line: Omit<WaterInput, 'idempotencyKey'>, words: string, after = '') => {
    if (await log({ ...line, batchIds: [tray.batchId] }, words, after)) onDone();
  };
  /** A line of the batch's own log, as the count pad writes it. */
  async function lidOff(): Promise<void> {
    const body = { idempotencyKey: freshKey(), kind: 'cover', day: isoFromDay(today), count: 0 };
    const words = WORDS.lidOffOf(tray.name);
    const { batchId } = tray;
    const answer = await doOrKeep({ path: `/api/batch/${batchId}/events`, body, words, batchId });
    if (answer.kind === 'problem' || answer.kind === 'offline') return sayHere({ words: trouble(answer) });
    sayHere({ words: `${words}.` });
    await refresh();
    onDone();
  }
  const when = (at: { readonly day: number; readonly minute: number }) =>
    WORDS.at(spokenDay(at.day, today), clockWords(at.minute));
  const { lengthUnit } = house();
  const mm = (value: number) =>
    `${decimal(shownMeasure(value, 'mm', lengthUnit), lengthUnit === 'in' ? 2 : 1)} ${measureUnit('mm', lengthUnit)}`;
  return (
    <div className="mb-2 border-l-4 border-line pl-3">
      <p className="mt-1 text-ink2">
        {[
          ...(tray.watered ? [WORDS.lastWatered(when(tray.watered))] : []),
          ...(tray.staysWet_prob !== null && tray.staysWet_prob > LIKELY ? [WORDS.staysWet] : []),
          ...(tray.look ? [WORDS.found(WORDS.look[tray.look.look].toLowerCase(), when(tray.look))] : []),
        ].join(', ')}
      </p>
      <fieldset className="no-print">
        <legend className="font-semibold">{WORDS.howIsIt}</legend>
        <div className="mt-1 flex max-w-xl gap-2">
          {LOOKS.map((look) => (
            <button
              key={look}
              type="button"
              className="btn min-h-14 flex-1 text-lg"
              disabled={busy}
              onClick={() =>
                void said({ kind: 'looked', look }, WORDS.lookedAt(tray.name, WORDS.look[look].toLowerCase()))
              }
            >
              {WORDS.look[look]}
            </button>
          ))}
        </div>
      </fieldset>
      {tray.lid && (
        <fieldset className="no-print mt-2">
          <legend className="font-semibold">{WORDS.onTheLid}</legend>
          <div className="mt-1 flex max-w-xl flex-wrap gap-2">
            {(['wet', 'moist', 'dry'] as const).map((look) => (
              <button
                key={look}
                type="button"
                className="btn min-h-12 flex-1"
                disabled={busy}
                onClick={() =>
                  void said(
                    { kind: 'looked', look, onLid: true },
                    WORDS.lidSeen(tray.name, WORDS.lid[look].toLowerCase()),
                  )
                }
              >
                {WORDS.lid[look]}
              </button>
            ))}
            <button type="button" className="btn min-h-12" disabled={busy} onClick={() => void lidOff()}>
              {WORDS.lidOff}
            </button>
          </div>
        </fieldset>
      )}
      <div className="no-print mt-2 flex flex-wrap gap-x-4">
        <button
          type="button"
          className="btn min-h-12"
          disabled={busy}
          onClick={() =>
            void said({ kind: 'watered', fedIds: tray.feed ? [tray.batchId] : [] }, WORDS.wateredOne(tray.name), dusk)
          }
        >
          {WORDS.watered}
        </button>
        <button
          type="button"
          className="link-btn min-h-12"
          aria-expanded={typing === 'water'}
          onClick={() => setTyping(typing === 'water' ? null : 'water')}
        >
          {WORDS.wateredBefore}
        </button>
        <button
          type="button"
          className="link-btn min-h-12"
          aria-expanded={typing === 'weight'}
          onClick={() => setTyping(typing === 'weight' ? null : 'weight')}
        >
          {WORDS.weighs}
        </button>
        <a className="inline-flex min-h-12 items-center" href={`/batch/${tray.batchId}`}>
          {tray.code}
        </a>
      </div>
      {typing === 'water' && (
        <TypedForm
          fields={[
            { key: 'minute', label: WORDS.wateredAt, kind: 'text', hint: WORDS.timeHint },
            { key: 'litres', label: WORDS.litresInAll, kind: 'number', measure: 'L', optional: true },
          ]}
          start={{ minute: '', litres: null }}
          path="/api/watering/lines"
          schema={waterInput}
          body={({ minute, litres }) => ({
            kind: 'watered',
            batchIds: [tray.batchId],
            fedIds: tray.feed ? [tray.batchId] : [],
            minute: minuteOf(String(minute)),
            litres,
          })}
          draft={null}
          said={null}
          waits={() => WORDS.wateredOne(tray.name)}
          onDone={() => void refresh().then(onDone)}
          saveWords={WORDS.watered}
        />
      )}
      {typing === 'weight' && (
        <TypedForm
          fields={[{ key: 'weight_g', label: WORDS.weighs, kind: 'number', measure: 'g', big: true }]}
          start={{ weight_g: null }}
          path="/api/watering/lines"
          schema={waterInput}
          body={(values) => ({ ...values, kind: 'weighed', batchIds: [tray.batchId] })}
          draft={null}
          said={null}
          waits={() => WORDS.lookedAt(tray.name, WORDS.weighed.toLowerCase())}
          onDone={() => void refresh().then(onDone)}
          saveWords={WORDS.weighed}
        >
          {() => <p className="text-[0.92rem] text-ink2">{WORDS.weighHint}</p>}
        </TypedForm>
      )}
      <details className="text-[0.92rem] text-ink2">
        <summary className="inline-flex min-h-12 cursor-pointer items-center">{WORDS.figures}</summary>
        <p className="max-w-[62ch] pb-2">
          {[
            WORDS.holds(volume(figures.holds_L), figures.guessed),
            WORDS.covered(percent(figures.cover_frac)),
            ...(tray.share === null ? [] : [WORDS.leaves(percent(tray.share))]),
            ...(figures.lost_mm === null ? [] : [WORDS.lost(mm(figures.lost_mm), mm(figures.capacity_mm))]),
            WORDS.ahead(mm(figures.ahead_mm)),
            WORDS.factor(decimal(figures.factor, 2), decimal(figures.factorLow, 2), decimal(figures.factorHigh, 2)),
            WORDS.restsOn(figures.looks, figures.others),
            ...(tray.dry_prob === null ? [] : [WORDS.chances(percent(tray.dry_prob), percent(tray.wet_prob!))]),
            WORDS.source,
          ].join(' ')}
        </p>
      </details>
      <p className="text-[0.92rem] text-ink2">{WORDS.keepLeadsDry}</p>
      {tray.wet && tray.wet.causes.length > 1 && (
        <ul className="list-disc pl-5 text-[0.92rem]">
          {tray.wet.causes.slice(1).map((one) => (
            <li key={one}>{WORDS.cause[one]}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
