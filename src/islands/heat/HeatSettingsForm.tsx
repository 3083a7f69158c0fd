import { house } from '../../ui/house.ts';
import { useEffect, useState } from 'react';
import type { HeatSettings } from '../../contracts/heat/heat.ts';
import type { Problem } from '../../contracts/problem.ts';
import { fieldError, trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { Field } from '../../ui/Field.tsx';
import { WORDS } from '../../words/en/heat/heatSettingsForm.ts';

/** Tariff, carbon dioxide, quiet hours, how long readings are kept. */
export function HeatSettingsForm({ first }: { readonly first: HeatSettings }) {
  const { tariff } = first;
  const [version, setVersion] = useState(first.version);
  const [kind, setKind] = useState(tariff.kind);
  const [text, setText] = useState<Readonly<Record<string, string>>>({
    price: String(tariff.kind === 'flat' ? tariff.price_kWh : tariff.day_kWh),
    night: String(tariff.kind === 'flat' ? tariff.price_kWh : tariff.night_kWh),
    from: String(tariff.kind === 'flat' ? 0 : tariff.from_h),
    to: String(tariff.kind === 'flat' ? 7 : tariff.to_h),
    co2: String(first.co2_kg_kWh),
    quietFrom: first.quiet.from_h === null ? '' : String(first.quiet.from_h),
    quietTo: String(first.quiet.to_h),
    repeat: String(first.quiet.repeat_min),
    keep: String(first.keep_months),
  });
  const [problem, setProblem] = useState<Problem | null>(null);
  const [said, setSaid] = useState('');
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const n = (key: string): number | string => {
    const t = text[key] ?? '';
    return t.trim() !== '' && Number.isFinite(Number(t)) ? Number(t) : t;
  };
  async function save(withVersion: number): Promise<void> {
    const answer = await writeNow<HeatSettings>('PUT', '/api/heat/settings', {
      version: withVersion,
      tariff:
        kind === 'flat'
          ? { kind, price_kWh: n('price') }
          : { kind, day_kWh: n('price'), night_kWh: n('night'), from_h: n('from'), to_h: n('to') },
      co2_kg_kWh: n('co2'),
      quiet: {
        from_h: text['quietFrom']?.trim() === '' ? null : n('quietFrom'),
        to_h: n('quietTo'),
        repeat_min: n('repeat'),
      },
      keep_months: n('keep'),
    });
    setProblem(answer.kind === 'problem' ? answer.problem : null);
    if (answer.kind === 'done') setVersion(answer.value.version);
    setSaid(answer.kind === 'done' ? WORDS.saved : trouble(answer));
  }
  const field = (key: string, label: string, path: string, hint?: string) => (
    <Field
      id={`heat-${key}`}
      label={label}
      inputMode="decimal"
      value={text[key] ?? ''}
      error={fieldError(problem, path)}
      hint={hint}
      onValue={(v) => setText({ ...text, [key]: v })}
    />
  );
  const current = problem?.current as HeatSettings | undefined;
  return (
    <form
      noValidate
      data-ready={ready}
      onSubmit={(e) => {
        e.preventDefault();
        void save(version);
      }}
    >
      <div className="grid max-w-4xl grid-cols-1 gap-3 min-[560px]:grid-cols-3">
        <div className="field">
          <label htmlFor="heat-kind">{WORDS.tariff}</label>
          <select
            id="heat-kind"
            className="input"
            value={kind}
            onChange={(e) => setKind(e.target.value as typeof kind)}
          >
            <option value="flat">{WORDS.onePrice}</option>
            <option value="day-night">{WORDS.dayAndNight}</option>
          </select>
        </div>
        {field(
          'price',
          kind === 'flat' ? WORDS.aKwhCosts : WORDS.aKwhByDay,
          kind === 'flat' ? 'tariff.price_kWh' : 'tariff.day_kWh',
          WORDS.in(house().currency),
        )}
        {kind === 'day-night' && field('night', WORDS.aKwhByNight, 'tariff.night_kWh')}
        {kind === 'day-night' && field('from', WORDS.cheapFromHour, 'tariff.from_h')}
        {kind === 'day-night' && field('to', WORDS.cheapToHour, 'tariff.to_h')}
        {field('co2', WORDS.kgCoForAKwh, 'co2_kg_kWh', WORDS.yourSuppliersFigure02)}
        {field('quietFrom', WORDS.quietFromHour, 'quiet.from_h', WORDS.emptyNoQuietHours)}
        {field('quietTo', WORDS.quietToHour, 'quiet.to_h', WORDS.whatCanHurtPlantsSounds)}
        {field('repeat', WORDS.soundAgainEveryMinutes, 'quiet.repeat_min', WORDS.untilSomebodyTakesIt)}
        {field('keep', WORDS.keepEachReadingMonths, 'keep_months', WORDS.meansByTheHourStay)}
      </div>
      <p role="status" className={said && problem ? 'note-bar bad mt-3' : 'mt-3 min-h-6 font-semibold'}>
        {said}{' '}
        {current && (
          <button type="button" className="btn small" onClick={() => void save(current.version)}>
            {WORDS.keepMine}
          </button>
        )}
      </p>
      <button type="submit" className="btn solid mt-2 min-w-48">
        {WORDS.save}
      </button>
    </form>
  );
}
