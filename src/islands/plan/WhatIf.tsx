import { useEffect, useId, useMemo, useState } from 'react';
import type { PlanAnswer } from '../../contracts/plan/planner.ts';
import type { ScenarioData, ScenarioRecord } from '../../contracts/plan/planning.ts';
import { Said, UndoButton } from './ChangeBar.tsx';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { trouble } from '../../ui/call.ts';
import { readNow, writeNow } from '../../ui/kit/data.ts';
import { counted, degrees } from '../../ui/format.ts';
import { difference } from '../../ui/house.ts';
import { WHAT_IF } from '../../words/en/whatIf.ts';
import { questionsOf } from './questions.ts';
import { Comparison } from './Comparison.tsx';
import { usePlanChanges, type SeasonNow } from './usePlanChanges.ts';
import { usePlanner } from './usePlanner.ts';
import { useReckoning, useSeason } from './useSeason.ts';
import { YoungOrLarge } from './YoungOrLarge.tsx';
import { adoption, filmsChanged, changedSince, scenarioOf, seasonWith, weeksAt } from './scenario.ts';
import { WORDS } from '../../words/en/plan/whatIf.ts';

interface Data {
  readonly now: SeasonNow;
  readonly scenarios: readonly ScenarioRecord[];
}
/** A what-if being worked on; id null until it is kept. */
interface Draft {
  readonly id: number | null;
  readonly version: number;
  readonly name: string;
  readonly data: ScenarioData;
}

/** Trying things on a copy of the season's plan, comparing two, adopting one. */
export function WhatIf({ dataId }: { readonly dataId: string }) {
  const first = useMemo(() => JSON.parse(document.getElementById(dataId)!.textContent) as Data, [dataId]);
  const changes = usePlanChanges(first.now);
  const { now, setMessage } = changes;
  const id = useId();
  const [kept, setKept] = useState(first.scenarios);
  const [busy, setBusy] = useState(false);
  const [draft, setDraft] = useState<Draft | null>(() => (first.scenarios[0] ? draftOf(first.scenarios[0]) : null));
  const [againstId, setAgainst] = useState<number | null>(null);
  const [problem, setProblem] = useState('');

  const mine = useMemo(
    () => (draft ? seasonWith(now, draft.data) : { house: now.house, batches: now.initial }),
    [now, draft],
  );
  const other = useMemo(() => {
    const record = kept.find((scenario) => scenario.id === againstId);
    return record
      ? { name: record.name, ...seasonWith(now, record.data) }
      : { name: WORDS.now, house: now.house, batches: now.initial };
  }, [now, kept, againstId]);
  const mineWork = useSeason(mine.house, mine.batches);
  const otherWork = useSeason(other.house, other.batches);
  const mineSum = useReckoning(mine.house, mineWork);
  const otherSum = useReckoning(other.house, otherWork);
  const planning = usePlanner(mine.house, mine.batches);
  const { answer, leave } = planning;
  useEffect(() => {
    if (!answer) return;
    setDraft((d) => d && { ...d, data: withPlan(d.data, answer) });
    setMessage(WORDS.plannedLookAtWhatIt);
    leave();
  }, [answer, leave, setMessage]);

  const change = (data: Partial<ScenarioData>) => setDraft((d) => d && { ...d, data: { ...d.data, ...data } });
  const stale = draft ? changedSince(now, draft.data) : [];

  async function reread(openId: number | null): Promise<void> {
    const list = await readNow<ScenarioRecord[]>('/api/plan/scenarios');
    if (list.kind !== 'done') return;
    setKept(list.value);
    const record = list.value.find((scenario) => scenario.id === openId);
    setDraft(record ? draftOf(record) : list.value[0] ? draftOf(list.value[0]) : null);
  }

  /** One call after another: what is pressed meanwhile would be about a version that is past. */
  async function alone(work: () => Promise<void>): Promise<void> {
    setBusy(true);
    await work();
    setBusy(false);
  }

  async function keep(): Promise<void> {
    if (!draft) return;
    const { name, data, version } = draft;
    const saved =
      draft.id === null
        ? await writeNow<{ id: number }>('POST', '/api/plan/scenarios', { name, data })
        : await writeNow<{ id: number }>('PUT', `/api/plan/scenarios/${draft.id}`, { name, data, version });
    if (saved.kind !== 'done') return setProblem(trouble(saved));
    setProblem('');
    setMessage(WORDS.kept(name));
    await reread(saved.value.id);
  }

  async function takeOut(): Promise<void> {
    if (!draft) return;
    if (draft.id !== null) {
      const gone = await writeNow('DELETE', `/api/plan/scenarios/${draft.id}`, { version: draft.version });
      if (gone.kind !== 'done') return setProblem(trouble(gone));
    }
    setMessage(WORDS.takenOut(draft.name));
    await reread(null);
  }

  async function adopt(): Promise<void> {
    if (!draft) return;
    const { batches, setPoints, rooms } = adoption(now, draft.data);
    const films = filmsChanged(now, draft.data);
    if (films.length > 0) setProblem(WORDS.filmIsYourWork(films.join(', ')));
    if (batches.length + setPoints.length + rooms.length === 0)
      return films.length > 0 ? undefined : setMessage(WORDS.itIsTheSameAs);
    await changes.write(WORDS.adoptedWhatIf(draft.name), batches, setPoints, rooms);
  }

  const questions = useMemo(() => {
    const share = now.house.places.map(
      (place, i) => (otherSum.peaks[i]?.peak_slots ?? 0) / Math.max(1, place.room_trays),
    );
    const most = Math.max(0, ...share);
    const fullest = most > 0 ? now.house.places[share.indexOf(most)]!.id : null;
    return questionsOf(now, fullest, (delta_K) => difference(delta_K, 0));
  }, [now, otherSum]);
  const nextName = WORDS.whatIf(kept.length + 1);
  return (
    <div>
      <div className="flex flex-wrap items-center gap-3">
        <h1>{WORDS.whatIf2}</h1>
        <p className="text-ink2">{WORDS.tryItOnACopy}</p>
        <div className="ml-auto flex flex-wrap gap-2">
          <UndoButton changes={changes} />
          <a className="btn" href="/plan/season">
            {WORDS.season}
          </a>
          <button
            type="button"
            className="btn solid"
            onClick={() => {
              setProblem('');
              setDraft({ id: null, version: 1, name: nextName, data: scenarioOf(now) });
            }}
          >
            {WORDS.copyTheSeasonsPlan}
          </button>
        </div>
      </div>
      <Said message={changes.message} />
      {kept.length > 0 && (
        <div className="my-3 flex flex-wrap gap-2" role="group" aria-label={WORDS.whatIfsKept}>
          {kept.map((scenario) => (
            <button
              key={scenario.id}
              type="button"
              className={`btn small ${draft?.id === scenario.id ? 'solid' : ''}`}
              aria-pressed={draft?.id === scenario.id}
              onClick={() => setDraft(draftOf(scenario))}
            >
              {scenario.name}
            </button>
          ))}
        </div>
      )}
      {draft === null ? (
        <section className="mt-4" aria-labelledby={`${id}questions`}>
          <h2 id={`${id}questions`}>{WHAT_IF.heading}</h2>
          <p className="mt-1 max-w-[60ch] text-ink2">{WHAT_IF.about}</p>
          <ul className="mt-3 flex max-w-2xl flex-col gap-2">
            {questions.map(({ name, data }) => (
              <li key={name}>
                <button
                  type="button"
                  className="btn w-full !justify-start text-left"
                  onClick={() => {
                    setProblem('');
                    setDraft({ id: null, version: 1, name: name.slice(0, 80), data });
                    setMessage(WHAT_IF.changed);
                  }}
                >
                  {name}
                </button>
              </li>
            ))}
          </ul>
        </section>
      ) : (
        <div className="mt-2 grid grid-cols-1 gap-6 min-[1000px]:grid-cols-[minmax(0,1fr)_420px]">
          <div className="flex flex-col gap-5">
            <div className="flex flex-wrap items-end gap-2">
              <div className="field w-60">
                <label htmlFor={`${id}name`}>{WORDS.name}</label>
                <input
                  id={`${id}name`}
                  className="input"
                  value={draft.name}
                  maxLength={80}
                  onChange={(e) => setDraft({ ...draft, name: e.target.value })}
                />
              </div>
              {planning.report ? (
                <button type="button" className="btn" onClick={planning.cancel}>
                  {WORDS.cancel(Math.round(planning.report.done_frac * 100))}
                </button>
              ) : (
                <button
                  type="button"
                  className="btn"
                  onClick={() => planning.start({ look: 'usual', only: null, setPoints: true })}
                >
                  {WORDS.planThisWhatIf}
                </button>
              )}
              <button type="button" className="btn" disabled={busy} onClick={() => void alone(keep)}>
                {WORDS.keepIt}
              </button>
              <button type="button" className="btn" disabled={busy} onClick={() => void alone(takeOut)}>
                {WORDS.takeItOut}
              </button>
              <button type="button" className="btn solid" disabled={changes.busy} onClick={() => void adopt()}>
                {WORDS.adoptIt}
              </button>
            </div>
            {(problem || planning.trouble) && (
              <p role="alert" className="note-bar bad">
                {problem || planning.trouble}
              </p>
            )}
            {stale.length > 0 && (
              <p className="note-bar">
                {WORDS.changedInTheSeasonSince(
                  counted(stale.length, WORDS.batchHas, WORDS.batchesHave),
                  stale
                    .slice(0, 4)
                    .map((batch) => batch.name)
                    .join(', '),
                )}
              </p>
            )}
            <PlacesTable now={now} draft={draft} onChange={(places) => change({ places })} />
            <YoungOrLarge
              house={mine.house}
              work={mineWork}
              onUse={(batchId, age_frac) =>
                change({
                  batches: draft.data.batches.map((b) => (b.id === batchId ? { ...b, age_frac, steps: {} } : b)),
                })
              }
            />
          </div>
          <aside aria-label={WORDS.compared}>
            <div className="field mb-2">
              <label htmlFor={`${id}against`}>{WORDS.beside}</label>
              <select
                id={`${id}against`}
                className="input"
                value={againstId ?? ''}
                onChange={(e) => setAgainst(e.target.value === '' ? null : Number(e.target.value))}
              >
                <option value="">{WORDS.theSeasonNow}</option>
                {kept
                  .filter((scenario) => scenario.id !== draft.id)
                  .map((scenario) => (
                    <option key={scenario.id} value={scenario.id}>
                      {scenario.name}
                    </option>
                  ))}
              </select>
            </div>
            <Comparison
              house={now.house}
              columns={[
                { name: other.name, reckoning: otherSum },
                { name: draft.name || WORDS.this, reckoning: mineSum },
              ]}
            />
          </aside>
        </div>
      )}
    </div>
  );
}

function PlacesTable({
  now,
  draft,
  onChange,
}: {
  readonly now: SeasonNow;
  readonly draft: Draft;
  readonly onChange: (places: ScenarioData['places']) => void;
}) {
  const { house } = now;
  const set = (placeId: number, part: Partial<ScenarioData['places'][number]>) =>
    onChange(draft.data.places.map((place) => (place.id === placeId ? { ...place, ...part } : place)));
  return (
    <section>
      <h2>{WORDS.roomAndWarmth}</h2>
      <table className="plain-table mt-1 max-w-2xl">
        <thead>
          <tr>
            <th>{WORDS.place}</th>
            <th>{WORDS.roomTrays}</th>
            <th>{WORDS.setPointFromNextWeek}</th>
          </tr>
        </thead>
        <tbody>
          {house.places.map((place) => {
            const mine = draft.data.places.find((p) => p.id === place.id);
            if (!mine) return null;
            const { temperature } = place;
            const later = new Set(mine.setPoints.map((s) => s.setPoint_C));
            return (
              <tr key={place.id}>
                <td className="align-middle">{place.name}</td>
                <td>
                  <input
                    className="input !w-28"
                    inputMode="numeric"
                    type="number"
                    min={0}
                    max={100000}
                    aria-label={WORDS.roomOf(place.name)}
                    value={mine.room_trays}
                    onChange={(e) =>
                      set(place.id, { room_trays: Math.max(0, Math.min(100_000, Number(e.target.value) || 0)) })
                    }
                  />
                  {mine.room_trays !== place.room_trays && (
                    <span className="ml-2 text-[0.88rem] text-ink2">{WORDS.now2(place.room_trays)}</span>
                  )}
                </td>
                <td>
                  {temperature?.kind === 'set-point' ? (
                    <select
                      className="input !w-44"
                      aria-label={WORDS.setPointOf(place.name)}
                      value={later.size > 1 ? 'weeks' : later.size === 0 ? 'usual' : String([...later][0])}
                      onChange={(e) => {
                        const { value } = e.target;
                        if (value === 'weeks') return;
                        const setPoints =
                          value === 'usual' ? [] : weeksAt(house.today, value === 'null' ? null : Number(value));
                        set(place.id, { setPoints });
                      }}
                    >
                      <option value="usual">
                        {WORDS.asUsual(
                          temperature.usual_C === null ? WORDS.off : degrees(temperature.usual_C, house.unit),
                        )}
                      </option>
                      {later.size > 1 && <option value="weeks">{WORDS.byWeekAsPlanned}</option>}
                      <option value="null">{WORDS.off}</option>
                      {temperature.levels_C.map((level) => (
                        <option key={level} value={String(level)}>
                          {degrees(level, house.unit)}
                        </option>
                      ))}
                    </select>
                  ) : (
                    <span className="text-ink2">{WORDS.notSet}</span>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

function draftOf(record: ScenarioRecord): Draft {
  return { id: record.id, version: record.version, name: record.name, data: record.data };
}

/** A what-if with a plan worked out for it. */
function withPlan(data: ScenarioData, { proposal }: PlanAnswer): ScenarioData {
  const batches = new Map(proposal.batches.map((batch) => [batch.id, batch]));
  const places = new Map(proposal.setPoints.map((place) => [place.placeId, place.setPoints]));
  return {
    batches: data.batches.map((batch) => {
      const planned = batches.get(batch.id);
      if (!planned) return batch;
      const steps = Object.fromEntries(Object.entries(planned.steps).map(([key, day]) => [key, isoFromDay(day)]));
      return { ...batch, places: { ...planned.places }, steps };
    }),
    places: data.places.map((place) => {
      const planned = places.get(place.id) ?? [];
      const weeks = new Map(place.setPoints.map((s) => [s.week, s.setPoint_C]));
      for (const { week, setPoint_C } of planned) weeks.set(isoFromDay(week), setPoint_C);
      return { ...place, setPoints: [...weeks].map(([week, setPoint_C]) => ({ week, setPoint_C })) };
    }),
  };
}
