import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { temperatureOn, placeClimate } from '../../core/schedule/placeClimate.ts';
import type { Problem } from '../../contracts/problem.ts';
import type { HouseData, SeasonBatch } from '../../contracts/seasonData.ts';
import { call, trouble } from '../../ui/call.ts';
import { counted, dayNight, shortDay } from '../../ui/format.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import { Descent, HEAD_px } from './Descent.tsx';
import { lanesOf } from './lanes.ts';
import { SidePanel } from './SidePanel.tsx';
import { bandsOf, overRoomAhead, useSeason } from './useSeason.ts';

interface Props {
  readonly house: HouseData;
  readonly initial: readonly SeasonBatch[];
}

/** A date moved in this sitting, so that it can be undone. */
interface Move {
  readonly batchId: number;
  readonly name: string;
  readonly from: number;
  readonly to: number;
}

const ZOOMS = [3, 4.5, 6.5, 9, 13, 20];
const AHEAD_DAYS = 240;

/** The season's drawing from the data block the page carries. */
export function Season({ dataId }: { readonly dataId: string }) {
  const props = useMemo(() => JSON.parse(document.getElementById(dataId)!.textContent) as Props, [dataId]);
  return <SeasonDrawing {...props} />;
}

function SeasonDrawing({ house, initial }: Props) {
  const [batches, setBatches] = useState(initial);
  const [selectedId, setSelectedId] = useState<number | null>(null);
  const [shift, setShift] = useState(0);
  const [zoom, setZoom] = useState(2);
  const [moves, setMoves] = useState<readonly Move[]>([]);
  const [message, setMessage] = useState('');
  const [height_px, setHeight] = useState(560);
  const scroller = useRef<HTMLDivElement>(null);
  const { worked, tryPlan } = useSeason(house, batches);

  useEffect(() => setHeight(Math.max(430, window.innerHeight - 215)), []);

  const bands = useMemo(() => worked.flatMap(bandsOf), [worked]);
  const from = Math.min(house.today - 14, ...bands.map((b) => b.from)) - 3;
  const to = Math.max(house.today + 60, ...bands.map((b) => b.to)) + 20;
  const perDay_px = ZOOMS[zoom]!;
  const { lanes, height } = useMemo(
    () => lanesOf(house.places, bands, from, to, height_px),
    [house.places, bands, from, to, height_px],
  );
  const byId = useMemo(() => new Map(worked.map((w) => [w.batch.id, w])), [worked]);
  const over = useMemo(() => overRoomAhead(house, worked, AHEAD_DAYS), [house, worked]);
  const selected = selectedId === null ? null : (byId.get(selectedId) ?? null);
  const trial = useMemo(() => {
    if (!selected || shift === 0) return null;
    const plan = {
      ...selected.batch.plan,
      transplantOn: selected.batch.plan.transplantOn + shift,
    };
    return { batch: selected.batch, progress: tryPlan(selected.batch, plan) };
  }, [selected, shift, tryPlan]);

  // Today a quarter of the way in, at first and after a change of zoom.
  useEffect(() => {
    const box = scroller.current;
    if (box) box.scrollLeft = (house.today - from) * perDay_px - box.clientWidth * 0.3;
  }, [perDay_px, from, house.today]);

  async function moveTo(batch: SeasonBatch, transplantOn: number, remember: boolean): Promise<void> {
    const sent = {
      version: batch.version,
      transplantOn: isoFromDay(transplantOn),
    };
    const answer = await call<{ id: number; version: number }>('PATCH', `/api/batches/${batch.id}`, sent);
    if (answer.kind !== 'done') {
      setShift(0);
      const stale = answer.kind === 'problem' && answer.problem.status === 409 ? takeTheirs(batch, answer.problem) : '';
      setMessage(stale || trouble(answer));
      return;
    }
    const was = batch.plan.transplantOn;
    setBatches((list) =>
      list.map((b) =>
        b.id === batch.id
          ? {
              ...b,
              version: answer.value.version,
              plan: { ...b.plan, transplantOn },
            }
          : b,
      ),
    );
    setShift(0);
    setMessage(`${batch.name} goes out ${shortDay(transplantOn)}.`);
    if (remember) setMoves((m) => [...m, { batchId: batch.id, name: batch.name, from: was, to: transplantOn }]);
  }

  function takeTheirs(batch: SeasonBatch, problem: Problem): string {
    const current = problem.current as {
      version: number;
      transplantOn: string;
    };
    const theirs = Math.round(Date.parse(`${current.transplantOn}T00:00:00Z`) / 86_400_000);
    setBatches((list) =>
      list.map((b) =>
        b.id === batch.id
          ? {
              ...b,
              version: current.version,
              plan: { ...b.plan, transplantOn: theirs },
            }
          : b,
      ),
    );
    return `Someone changed ${batch.name} meanwhile: it now goes out ${shortDay(theirs)}. Your move was not saved; try it again on theirs.`;
  }

  function keep(): void {
    if (selected && shift !== 0) void moveTo(selected.batch, selected.batch.plan.transplantOn + shift, true);
  }

  async function undo(): Promise<void> {
    const last = moves.at(-1);
    const batch = last && batches.find((b) => b.id === last.batchId);
    if (!last || !batch) return;
    setMoves((m) => m.slice(0, -1));
    setSelectedId(batch.id);
    await moveTo(batch, last.from, false);
  }

  function onKey(event: KeyboardEvent): void {
    const step = { ArrowLeft: -1, ArrowRight: 1, PageDown: -7, PageUp: 7 }[event.key];
    if (step !== undefined) setShift((s) => s + step);
    else if (event.key === 'Enter') keep();
    else if (event.key === 'Escape') setShift(0);
    else return;
    event.preventDefault();
  }

  function select(batchId: number | null): void {
    setSelectedId(batchId);
    setShift(0);
  }

  const here = worked.filter((w) => w.batch.state.phase !== 'planted' && w.batch.state.phase !== 'ended');
  const late = here.filter((w) => w.progress.late_days === null || w.progress.late_days > 1);
  return (
    <div>
      <div className="flex flex-wrap items-center gap-3">
        <h1>Season {house.seasonLabel}</h1>
        <p className="text-ink2">
          {counted(here.length, 'batch', 'batches')} in hand, {late.length} late,{' '}
          {over.length === 0 ? 'all within room' : `${counted(over.length, 'time')} over room`}
        </p>
        <div className="no-print ml-auto flex flex-wrap gap-2">
          <button
            type="button"
            className="btn"
            aria-label="Shorter days"
            disabled={zoom === 0}
            onClick={() => setZoom(zoom - 1)}
          >
            −
          </button>
          <button
            type="button"
            className="btn"
            aria-label="Longer days"
            disabled={zoom === ZOOMS.length - 1}
            onClick={() => setZoom(zoom + 1)}
          >
            +
          </button>
          <button type="button" className="btn" disabled={moves.length === 0} onClick={() => void undo()}>
            Undo
          </button>
          <a className="btn" href="#season-table">
            Table
          </a>
          <a className="btn solid" href="/batches/new">
            New batch
          </a>
        </div>
      </div>
      <p role="status" aria-live="polite" className={message ? 'note-bar my-2' : 'sr-only'}>
        {message}
      </p>
      <div className="mt-2 grid grid-cols-1 gap-4 min-[1000px]:grid-cols-[minmax(0,1fr)_300px]">
        <div className="flex min-w-0">
          <div className="w-[118px] shrink-0" style={{ paddingTop: HEAD_px }}>
            {lanes.map((lane) => {
              const { day_C, night_C } = temperatureOn(placeClimate(lane.place, house.today, 1), house.today);
              const used = bands
                .filter((b) => b.placeId === lane.place.id && b.from <= house.today && b.to > house.today)
                .filter((b) => byId.get(b.batchId)!.batch.state.phase !== 'planned')
                .reduce((sum, b) => sum + b.slots, 0);
              const tight = lane.roomHeight_px < 50;
              return (
                <div
                  key={lane.place.id}
                  className="relative pr-3 text-right leading-tight"
                  style={{ height: lane.height, marginBottom: 8 }}
                >
                  <svg width="6" height={lane.roomHeight_px} className="absolute top-0 right-1" aria-hidden="true">
                    <rect width="6" height={lane.roomHeight_px} fill={temperatureColour((day_C + night_C) / 2)} />
                  </svg>
                  <div className={`pr-1 ${tight ? 'text-[0.82rem]' : ''}`}>
                    <span className="font-semibold">{lane.place.name}</span>{' '}
                    {tight ? (
                      <span className="block text-[0.8rem] whitespace-nowrap text-ink2">
                        <span className="num text-ink">{dayNight(day_C, night_C, house.unit)}</span> {used}/
                        {lane.place.room_trays}
                      </span>
                    ) : (
                      <>
                        <span className="num block text-[1.1rem]">{dayNight(day_C, night_C, house.unit)}</span>
                        <span className={`text-[0.82rem] ${used > lane.place.room_trays ? 'tag bad' : 'text-ink2'}`}>
                          {used} of {lane.place.room_trays}
                        </span>
                      </>
                    )}
                  </div>
                </div>
              );
            })}
          </div>
          <div
            ref={scroller}
            className="min-w-0 flex-1 overflow-x-auto"
            tabIndex={0}
            role="region"
            aria-label="Season, scrolls sideways"
          >
            <Descent
              house={house}
              lanes={lanes}
              height={height}
              worked={byId}
              from={from}
              to={to}
              perDay_px={perDay_px}
              selectedId={selectedId}
              trial={trial ? bandsOf(trial) : null}
              onSelect={select}
              onDrag={setShift}
              onDrop={keep}
              onKey={onKey}
            />
          </div>
        </div>
        <SidePanel
          house={house}
          worked={worked}
          over={over}
          late={late}
          selected={selected}
          trial={trial}
          shift={shift}
          onShift={(days) => setShift(shift + days)}
          onKeep={keep}
          onDrop={() => setShift(0)}
          onSelect={select}
        />
      </div>
    </div>
  );
}
