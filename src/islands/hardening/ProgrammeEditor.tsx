import { saidOf } from '../../words/en/codes.ts';
import { shownWind, windFromShown, windUnit } from '../../core/units/wind.ts';
import { useState } from 'react';
import {
  newStresses,
  PROGRAMME_KINDS,
  RUNG_COVERS,
  type ProgrammeKind,
  type Rung,
  type RungCover,
} from '../../core/hardening/programme.ts';
import type { ProgrammeRecord } from '../../core/hardening/records.ts';
import { differenceWords } from '../../core/units/words.ts';
import { temperatureFromShown } from '../../core/units/temperature.ts';
import { partsTyped } from '../../ui/kit/useTypedForm.ts';
import { LineForm } from '../books/LineForm.tsx';
import { figureOr, typedTemperature } from '../../ui/kit/fields.ts';
import { WORDS } from '../../words/en/hardening/programmeEditor.ts';

interface Props {
  readonly line: ProgrammeRecord | null;
  readonly blank: readonly Rung[];
  readonly places: readonly { readonly id: number; readonly name: string }[];
  readonly unit: 'C' | 'F';
}

interface Typed {
  readonly words: string;
  readonly placeId: number | null;
  readonly hours: string;
  readonly sun: string;
  readonly lid: string;
  readonly floor: string;
  readonly gust: string;
  readonly cover: RungCover;
  readonly days: string;
}

export const KIND_WORDS: Readonly<Record<ProgrammeKind, string>> = {
  hours: WORDS.hoursOutside,
  lid: WORDS.lidOfAFrame,
  rooms: WORDS.stepDownBetweenRooms,
  shade: WORDS.shadeSteps,
  'cool-house': WORDS.coolAiryHouse,
};

/** A programme of hardening, rung by rung: place, hours, sun, lid, lowest, wind, cover, days. */
export function ProgrammeEditor({ line, blank, places, unit }: Props) {
  const typedOf = (r: Rung): Typed => ({
    words: r.words,
    placeId: r.placeId,
    hours: String(r.hours_h),
    sun: String(Math.round(100 * r.sun_frac)),
    lid: r.lid_frac === null ? '' : String(Math.round(100 * r.lid_frac)),
    floor: typedTemperature(r.floor_C, unit),
    gust: String(Math.round(10 * shownWind(r.gust_m_s, unit)) / 10),
    cover: r.cover,
    days: String(r.days),
  });
  const [rungs, setRungs] = useState<readonly Typed[]>(() => (line?.rungs ?? blank).map(typedOf));
  const set = (i: number, next: Partial<Typed>) => setRungs(rungs.map((r, k) => (k === i ? { ...r, ...next } : r)));
  const sent = rungs.map((r) => ({
    words: r.words,
    placeId: r.placeId,
    hours_h: figureOr(r.hours, (n) => n),
    sun_frac: figureOr(r.sun, (n) => n / 100),
    lid_frac: r.lid.trim() === '' ? null : figureOr(r.lid, (n) => n / 100),
    floor_C: figureOr(r.floor, (n) => temperatureFromShown(n, unit)),
    gust_m_s: figureOr(r.gust, (n) => windFromShown(n, unit)),
    cover: r.cover,
    days: figureOr(r.days, (n) => n),
  }));
  const two = sent.map((r, i) => {
    const ok = (x: unknown) => typeof x === 'number' || x === null;
    if (
      i === 0 ||
      ![r, sent[i - 1]!].every((s) => [s.hours_h, s.sun_frac, s.lid_frac, s.floor_C, s.gust_m_s].every(ok))
    )
      return [];
    return newStresses(sent[i - 1] as Rung, r as Rung);
  });
  const text = (
    i: number,
    key: keyof Typed,
    label: string,
    width: string,
    path: string,
    error: (p: string) => string | undefined,
  ) => (
    <td>
      <input
        className={`input ${width}`}
        aria-label={WORDS.step(label, i + 1)}
        aria-invalid={error(`rungs.${i}.${path}`) ? true : undefined}
        value={String(rungs[i]![key] ?? '')}
        onChange={(e) => set(i, { [key]: e.target.value })}
      />
      {error(`rungs.${i}.${path}`) && (
        <span className="err block text-[0.85rem] font-semibold text-brick">{error(`rungs.${i}.${path}`)}</span>
      )}
    </td>
  );
  return (
    <LineForm
      schema={() => import('../../contracts/hardening/hardening.ts').then((m) => m.programmeInput)}
      path="/api/books/programmes"
      fields={[
        { key: 'name', label: WORDS.name, kind: 'text' },
        {
          key: 'kind',
          label: WORDS.school,
          kind: 'choice',
          options: PROGRAMME_KINDS.map((k) => [k, KIND_WORDS[k]] as const),
        },
      ]}
      line={line as never}
      blank={{ kind: 'hours' }}
      unit={unit}
      extra={{ rungs: sent }}
      parts={partsTyped(rungs, setRungs)}
      onStaleTaken={(current) => setRungs((current['rungs'] as Rung[]).map(typedOf))}
      saveWords={line ? WORDS.saveIt : WORDS.addIt}
      after={(id) => `/hardening/programmes?line=${id}`}
    >
      {(error) => (
        <div className="mt-3 overflow-x-auto" tabIndex={0} role="region" aria-label={WORDS.rungs}>
          <table className="plain-table mid min-w-[1020px]">
            <thead>
              <tr>
                <th>{WORDS.step2}</th>
                <th>{WORDS.inWords}</th>
                <th>{WORDS.where}</th>
                <th>{WORDS.hoursOut}</th>
                <th>{WORDS.sun}</th>
                <th>{WORDS.lid}</th>
                <th>{WORDS.lowest(unit)}</th>
                <th>{WORDS.gusts(windUnit(unit))}</th>
                <th>{WORDS.cover}</th>
                <th>{WORDS.days}</th>
                <th>
                  <span className="sr-only">{WORDS.takeOut}</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {rungs.map((r, i) => (
                <tr key={i}>
                  <td className="num text-lg">
                    {i + 1}
                    {two[i]!.length > 1 && (
                      <span className="block text-[0.8rem] font-normal text-brick">
                        {WORDS.atOnce(two[i]!.join(' and '))}
                      </span>
                    )}
                  </td>
                  {text(i, 'words', WORDS.inWords, 'w-64', 'words', error)}
                  <td>
                    <select
                      className="input w-36"
                      aria-label={WORDS.whereStep(i + 1)}
                      value={r.placeId ?? ''}
                      onChange={(e) => set(i, { placeId: e.target.value === '' ? null : Number(e.target.value) })}
                    >
                      <option value="">{WORDS.itsOwnPlace}</option>
                      {places.map((p) => (
                        <option key={p.id} value={p.id}>
                          {p.name}
                        </option>
                      ))}
                    </select>
                  </td>
                  {text(i, 'hours', WORDS.hoursOut, 'w-16', 'hours_h', error)}
                  {text(i, 'sun', WORDS.sun2, 'w-16', 'sun_frac', error)}
                  {text(i, 'lid', WORDS.lid2, 'w-16', 'lid_frac', error)}
                  {text(i, 'floor', WORDS.lowest2, 'w-16', 'floor_C', error)}
                  {text(i, 'gust', WORDS.gusts2, 'w-16', 'gust_m_s', error)}
                  <td>
                    <select
                      className="input w-24"
                      aria-label={WORDS.coverStep(i + 1)}
                      value={r.cover}
                      onChange={(e) => set(i, { cover: e.target.value as RungCover })}
                    >
                      {RUNG_COVERS.map((c) => (
                        <option key={c} value={c}>
                          {saidOf(c)}
                        </option>
                      ))}
                    </select>
                  </td>
                  {text(i, 'days', WORDS.days, 'w-14', 'days', error)}
                  <td>
                    {rungs.length > 1 && (
                      <button
                        type="button"
                        className="btn"
                        aria-label={WORDS.removeStep(i + 1)}
                        onClick={() => setRungs(rungs.filter((_, k) => k !== i))}
                      >
                        {WORDS.out}
                      </button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {error('rungs') && <p className="err">{error('rungs')}</p>}
          <button
            type="button"
            className="btn mt-2"
            onClick={() => setRungs([...rungs, { ...(rungs.at(-1) ?? typedOf(blank[0]!)), words: '' }])}
          >
            {WORDS.addAStep}
          </button>
          <p className="mt-2 max-w-[75ch] text-[0.9rem] text-ink2">
            {WORDS.aStepThatRaisesTwo(differenceWords(3, unit), differenceWords(1, unit), differenceWords(3, unit))}
          </p>
        </div>
      )}
    </LineForm>
  );
}
