import { inUse } from '../../core/books/inUse.ts';
import { cropOfBatch } from '../../core/books/varietyFigures.ts';
import { useEffect, useId, useMemo, useRef, useState } from 'react';
import { Said, UndoButton } from '../plan/ChangeBar.tsx';
import { dayFromIso, isoFromDay } from '../../core/calendar/dayNumber.ts';
import { DateField } from '../../ui/kit/DateField.tsx';
import { temperatureOn } from '../../core/plan/schedule/placeClimate.ts';
import { suitsStage } from '../../core/plan/schedule/suits.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { counted, dayNight, lateness, longDay, shortDay } from '../../ui/format.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import { newlyOver } from '../../core/plan/schedule/roomUse.ts';
import { NOTHING_TRIED, planTried, type Trial } from '../plan/trial.ts';
import { usePlanChanges, type SeasonNow } from '../plan/usePlanChanges.ts';
import { overRoomAhead, useSeason } from '../plan/useSeason.ts';
import { HouseDrawing } from './HouseDrawing.tsx';
import { useMeasured } from './useMeasured.ts';
import { layHouse, standingOn } from './layout.ts';
import { WORDS } from '../../words/en/house/house.ts';

const FRAME_ms = 160;
const STAGE_WORDS = {
  germinate: WORDS.germinating,
  grow: WORDS.growingOn,
  pot: WORDS.inThePot,
  space: WORDS.spacedOut,
  harden: WORDS.hardening,
} as const;

/** The plan of the house on any day, from the data block the page carries. */
export function House({ dataId }: { readonly dataId: string }) {
  const first = useMemo(() => JSON.parse(document.getElementById(dataId)!.textContent) as SeasonNow, [dataId]);
  const changes = usePlanChanges(first);
  const { house, initial: batches } = changes.now;
  const id = useId();
  const work = useSeason(house, batches);
  const { worked, tables, tryPlan } = work;
  const measured = useMeasured();
  const [day, setDay] = useState(house.today);
  const [playing, setPlaying] = useState(false);
  const [selectedId, setSelectedId] = useState<number | null>(null);
  const [trial, setTrial] = useState<Trial | null>(null);
  const [width, setWidth] = useState(860);
  const box = useRef<HTMLDivElement>(null);
  const last = Math.max(house.today + 30, ...worked.flatMap((w) => w.progress.stands.map((s) => s.to)));

  useEffect(() => {
    const measure = () => setWidth(Math.max(320, box.current?.clientWidth ?? 860));
    measure();
    window.addEventListener('resize', measure);
    return () => window.removeEventListener('resize', measure);
  }, []);
  useEffect(() => {
    if (!playing) return;
    const timer = setInterval(() => setDay((d) => (d >= last ? d : d + 1)), FRAME_ms);
    return () => clearInterval(timer);
  }, [playing, last]);
  useEffect(() => {
    if (playing && day >= last) setPlaying(false);
  }, [playing, day, last]);

  const selected = worked.find((w) => w.batch.id === selectedId) ?? null;
  const tried = useMemo(() => {
    if (!selected || !trial || trial.batchId !== selected.batch.id) return null;
    return { batch: selected.batch, progress: tryPlan(selected.batch, planTried(selected.batch.plan, trial)) };
  }, [selected, trial, tryPlan]);
  const shown = useMemo(() => worked.map((w) => (tried && w.batch.id === tried.batch.id ? tried : w)), [worked, tried]);
  const { drawn, height_px } = useMemo(() => layHouse(inUse(house.places), width), [house.places, width]);
  const standing = useMemo(() => standingOn(shown, day, house.today), [shown, day, house.today]);
  const newOver = useMemo(
    () => (tried ? newlyOver(overRoomAhead(house, worked), overRoomAhead(house, shown)) : []),
    [tried, house, worked, shown],
  );
  const stand = selected ? (tried ?? selected).progress.stands.find((s) => s.from <= day && s.to > day) : undefined;
  const really =
    stand !== undefined && selected !== null && stand.from <= house.today && selected.batch.state.phase !== 'planned';
  const placeName = (placeId: number) => house.places.find((p) => p.id === placeId)?.name ?? '';

  function move(batchId: number, placeId: number): void {
    const one = worked.find((w) => w.batch.id === batchId);
    const at = one?.progress.stands.find((s) => s.from <= day && s.to > day);
    if (!one || !at) return;
    setSelectedId(batchId);
    if (at.placeId === placeId) return setTrial(null);
    setTrial({ ...NOTHING_TRIED, batchId, place: { stage: at.stage, placeId } });
  }

  async function keep(): Promise<void> {
    if (!selected || !trial?.place) return;
    const { placeId } = trial.place;
    if (really) {
      const answer = await writeNow('POST', `/api/batch/${selected.batch.id}/events`, {
        idempotencyKey: freshKey(),
        kind: 'moved',
        day: isoFromDay(house.today),
        placeId,
      });
      changes.setMessage(
        answer.kind === 'done' ? WORDS.loggedMovedTo(selected.batch.name, placeName(placeId)) : trouble(answer),
      );
      if (answer.kind === 'done') await changes.reload();
    } else {
      const plan = planTried(selected.batch.plan, trial);
      await changes.write(WORDS.to(selected.batch.name, placeName(placeId)), [
        { id: selected.batch.id, places: plan.places, steps: plan.steps ?? {} },
      ]);
    }
    setTrial(null);
  }

  const crop = selected && cropOfBatch(house, selected.batch);
  return (
    <div>
      <div className="flex flex-wrap items-center gap-3">
        <h1>{WORDS.planOfTheHouse}</h1>
        <span className="num text-xl" aria-live="polite">
          {longDay(day)}
        </span>
        <div className="ml-auto flex flex-wrap gap-2">
          <UndoButton changes={changes} />
          <a className="btn" href="/plan/season">
            {WORDS.season}
          </a>
        </div>
      </div>
      <div className="my-2 flex items-center gap-2">
        <button
          type="button"
          className="btn"
          aria-label={WORDS.aDayBack}
          onClick={() => setDay(Math.max(house.today - 30, day - 1))}
        >
          ‹
        </button>
        <label htmlFor={`${id}day`} className="sr-only">
          {WORDS.dayShown}
        </label>
        <input
          id={`${id}day`}
          type="range"
          className="h-11 min-w-0 flex-1 accent-plum"
          min={house.today - 30}
          max={last}
          value={day}
          aria-valuetext={longDay(day)}
          onChange={(e) => setDay(Number(e.target.value))}
        />
        <button type="button" className="btn" aria-label={WORDS.aDayOn} onClick={() => setDay(Math.min(last, day + 1))}>
          ›
        </button>
        <div className="w-44 shrink-0 max-[700px]:hidden [&_label]:sr-only">
          <DateField
            id={`${id}date`}
            label={WORDS.dayShownAsADate}
            value={isoFromDay(day)}
            min={isoFromDay(house.today - 30)}
            max={isoFromDay(last)}
            onValue={(iso) => {
              const to = dayFromIso(iso);
              if (to !== null) setDay(Math.min(last, Math.max(house.today - 30, to)));
            }}
          />
        </div>
        <button
          type="button"
          className="btn"
          onClick={() => {
            if (day >= last) setDay(house.today);
            setPlaying(!playing);
          }}
        >
          {playing ? WORDS.stop : WORDS.playTheSeason}
        </button>
        <button type="button" className="btn" disabled={day === house.today} onClick={() => setDay(house.today)}>
          {WORDS.today}
        </button>
      </div>
      <Said message={changes.message} />
      <div className="grid grid-cols-1 gap-4 min-[1000px]:grid-cols-[minmax(0,1fr)_300px]">
        <div ref={box} className="min-w-0">
          <HouseDrawing
            drawn={drawn}
            width={width}
            height={height_px}
            standing={standing}
            selectedId={selectedId}
            temperatureOf={(placeId) => temperatureOn(tables.climateOf(placeId), day)}
            measuredOf={(placeId) => (day === house.today ? (measured.get(placeId) ?? null) : null)}
            unit={house.unit}
            onSelect={(batchId) => {
              setSelectedId(batchId);
              setTrial((t) => (t?.batchId === batchId ? t : null));
            }}
            onMove={move}
          />
        </div>
        <aside
          className="flex flex-col gap-3 border-line min-[1000px]:border-l min-[1000px]:pl-4"
          aria-label={WORDS.besideThePlan}
        >
          {selected && stand && crop ? (
            <section aria-label={WORDS.chosenBatch}>
              <h2 className="text-plum">{selected.batch.name}</h2>
              <p className="text-ink2">
                {WORDS.inTo(
                  counted(stand.trays, WORDS.tray),
                  STAGE_WORDS[stand.stage],
                  placeName(stand.placeId),
                  shortDay(stand.from),
                  shortDay(stand.to),
                  <a key="1" href={`/batch/${selected.batch.id}`}>
                    {WORDS.open(selected.batch.code)}
                  </a>,
                )}
              </p>
              <div className="field mt-2">
                <label htmlFor={`${id}to`}>
                  {really && day === house.today ? WORDS.carryItNowTo : WORDS.letItStandIn}
                </label>
                <select
                  id={`${id}to`}
                  className="input"
                  value={stand.placeId}
                  disabled={really && day !== house.today}
                  onChange={(e) => move(selected.batch.id, Number(e.target.value))}
                >
                  {house.places
                    .filter((place) => suitsStage(place, stand.stage, crop) || place.id === stand.placeId)
                    .map((place) => (
                      <option key={place.id} value={place.id}>
                        {place.name}
                      </option>
                    ))}
                </select>
              </div>
              {really && day !== house.today && (
                <p className="mt-1 text-[0.9rem] text-ink2">{WORDS.itStandsThereAlreadyOn}</p>
              )}
              {tried && (
                <div className="note-bar mt-2" aria-live="polite">
                  <p>
                    {WORDS.in(
                      placeName(trial!.place!.placeId),
                      tried.progress.late_days === null
                        ? WORDS.itCannotBeReachedThere
                        : lateness(tried.progress.late_days),
                      newOver.length === 0 ? WORDS.andThereIsRoom : '.',
                    )}
                  </p>
                  {newOver.slice(0, 3).map((run) => (
                    <p key={`${run.placeId}/${run.from}`}>
                      {WORDS.overByTo(
                        <strong key="2">{placeName(run.placeId)}</strong>,
                        counted(Math.ceil(run.most_slots), WORDS.traySpace),
                        shortDay(run.from),
                        shortDay(run.to - 1),
                      )}
                    </p>
                  ))}
                  <div className="mt-2 flex gap-2">
                    <button
                      type="button"
                      className="btn solid small"
                      disabled={changes.busy}
                      onClick={() => void keep()}
                    >
                      {really ? WORDS.logTheMove : WORDS.keep}
                    </button>
                    <button type="button" className="btn small" onClick={() => setTrial(null)}>
                      {WORDS.drop}
                    </button>
                  </div>
                </div>
              )}
            </section>
          ) : (
            <p className="text-ink2">{WORDS.pressABatchsTraysTo}</p>
          )}
          <table className="plain-table text-[0.95rem]">
            <caption className="text-left font-semibold">{shortDay(day)}</caption>
            <thead>
              <tr>
                <th>{WORDS.place}</th>
                <th className="r">{WORDS.temperature}</th>
                <th className="r">{WORDS.traySpaces}</th>
              </tr>
            </thead>
            <tbody>
              {house.places.map((place) => {
                const { day_C, night_C } = temperatureOn(tables.climateOf(place.id), day);
                const used = (standing.get(place.id) ?? []).reduce((sum, s) => sum + s.slots, 0);
                return (
                  <tr key={place.id}>
                    <td>
                      <svg width="8" height="14" className="mr-1.5 inline-block align-middle" aria-hidden="true">
                        <rect width="8" height="14" fill={temperatureColour((day_C + night_C) / 2)} />
                      </svg>
                      {place.name}
                    </td>
                    <td className="r whitespace-nowrap">{dayNight(day_C, night_C, house.unit)}</td>
                    <td className="r whitespace-nowrap">
                      {used > place.room_trays ? (
                        <span className="tag bad">{WORDS.of(Math.round(used), place.room_trays)}</span>
                      ) : (
                        WORDS.of(Math.round(used), place.room_trays)
                      )}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </aside>
      </div>
    </div>
  );
}
