import { inUse } from '../../core/books/inUse.ts';
import { isOver } from '../../core/batch/event.ts';
import { useCallback, useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { Said, UndoButton } from './ChangeBar.tsx';
import { priceBetween, reckon } from '../../core/plan/placement/reckon.ts';
import { STEP_OF } from '../../core/plan/placement/steps.ts';
import type { KeptWeeks, OfferShown, PlanConflict } from '../../contracts/plan/planner.ts';
import { counted, shortDay } from '../../ui/format.ts';
import { OccupancyTimeline, type BandDrag } from './OccupancyTimeline.tsx';
import { KeepWeeks, withKept } from './KeepWeeks.tsx';
import { LaneLabels } from './LaneLabels.tsx';
import { Legend } from './Legend.tsx';
import { lanesOf } from './lanes.ts';
import { ProposalPanel } from './ProposalPanel.tsx';
import { ChosenBatch } from './SidePanel.tsx';
import { newlyOver } from '../../core/plan/schedule/roomUse.ts';
import { isTrying, NOTHING_TRIED, planTried, type Trial } from './trial.ts';
import { TightSpots } from './TightSpots.tsx';
import { Troubles } from './Conflicts.tsx';
import { FilterBar, matching, NO_FILTER, type Filter } from './FilterBar.tsx';
import { WorkTable } from './WorkStrip.tsx';
import { FIRST_ZOOM, zoomOf, ZOOMS, type Span } from './zoom.ts';
import { usePlanChanges, type BatchToWrite, type SeasonNow } from './usePlanChanges.ts';
import { useOffers, usePlanner } from './usePlanner.ts';
import { useProposal } from './useProposal.ts';
import { useOutcomes } from './useOutcomes.ts';
import { bandsOf, inTrouble, overRoomAhead, useReckoning, useSeason, useWeekWork } from './useSeason.ts';
import { WORDS } from '../../words/en/plan/season.ts';

const MOST_TROUBLES = 12;

/** The season's drawing from the data block the page carries. */
export function Season({ dataId }: { readonly dataId: string }) {
  const first = useMemo(() => JSON.parse(document.getElementById(dataId)!.textContent) as SeasonNow, [dataId]);
  return <SeasonDrawing first={first} />;
}

function SeasonDrawing({ first }: { readonly first: SeasonNow }) {
  const changes = usePlanChanges(first);
  const { house, initial: batches } = changes.now;
  const [selectedId, setSelectedId] = useState<number | null>(null);
  const [trial, setTrial] = useState<Trial | null>(null);
  const [zoom, setZoom] = useState(FIRST_ZOOM);
  const [filter, setFilter] = useState<Filter>(NO_FILTER);
  const [height_px, setHeight] = useState(560);
  const scroller = useRef<HTMLDivElement>(null);
  const [kept, setKept] = useState<readonly KeptWeeks[]>([]);
  const [brushing, setBrushing] = useState(false);
  const planning = usePlanner(house, batches, kept);
  const work = useSeason(house, batches);
  const { worked, tryPlan } = work;
  const byId = useMemo(() => new Map(worked.map((w) => [w.batch.id, w])), [worked]);
  useEffect(() => setHeight(Math.max(430, window.innerHeight - 255)), []);

  const { answer } = planning;
  const proposal = useProposal(house, batches, byId, answer);
  const { moving, chosen, part, proposedHouse, proposedBatches, showing } = proposal;
  const proposedWork = useSeason(proposedHouse, proposedBatches);
  const nowSum = useReckoning(house, work);
  const proposedSum = useReckoning(proposedHouse, proposedWork);
  const outcomes = useOutcomes({
    house,
    work,
    proposedHouse,
    proposedWork,
    proposedSum,
    moving,
    chosen,
    shown: answer !== null,
  });

  const nowWeeks = useWeekWork(house, work);
  const proposedWeeks = useWeekWork(proposedHouse, proposedWork);
  const shownWork = answer && showing === 'proposed' ? proposedWork : work;
  const shownHouse = answer && showing === 'proposed' ? proposedHouse : house;
  const proposedById = useMemo(() => new Map(proposedWork.worked.map((w) => [w.batch.id, w])), [proposedWork]);
  const shownById = shownWork === work ? byId : proposedById;
  const bands = useMemo(() => shownWork.worked.flatMap(bandsOf), [shownWork]);
  const from = Math.min(house.today - 14, ...bands.map((b) => b.from)) - 3;
  const to = Math.max(house.today + 60, ...bands.map((b) => b.to)) + 20;
  const perDay_px = ZOOMS[zoom]!;
  const { lanes, height } = useMemo(
    () =>
      lanesOf(
        inUse(shownHouse.places, ...bands.map((band) => band.placeId)),
        shownWork.tables,
        bands,
        from,
        to,
        height_px,
      ),
    [shownHouse, shownWork, bands, from, to, height_px],
  );

  const over = useMemo(() => overRoomAhead(house, worked), [house, worked]);
  const late = useMemo(() => worked.filter(inTrouble), [worked]);
  // What cannot be at all comes first, then room, then what is late.
  const troubles = useMemo(
    (): PlanConflict[] =>
      [
        ...late
          .filter((w) => w.progress.late_days === null)
          .map((w) => ({ kind: 'stuck' as const, batchId: w.batch.id })),
        ...over.map(({ placeId, from: first_, to: last }) => ({
          kind: 'over' as const,
          placeId,
          from: first_,
          to: last,
        })),
        ...late
          .filter((w) => w.progress.late_days !== null)
          .map((w) => ({ kind: 'late' as const, batchId: w.batch.id })),
      ].slice(0, MOST_TROUBLES),
    [over, late],
  );
  const { offers, makeRoom } = useOffers(house, batches, troubles);

  const selected = selectedId === null ? null : (shownById.get(selectedId) ?? null);
  const mine = trial && selected && trial.batchId === selected.batch.id && isTrying(trial) ? trial : null;
  const tried = useMemo(() => {
    if (!mine || !selected) return null;
    return { batch: selected.batch, progress: tryPlan(selected.batch, planTried(selected.batch.plan, mine)) };
  }, [selected, mine, tryPlan]);
  const newOver = useMemo(() => {
    if (!tried) return [];
    const after = overRoomAhead(
      house,
      worked.map((w) => (w.batch.id === tried.batch.id ? tried : w)),
    );
    return newlyOver(over, after);
  }, [tried, house, worked, over]);
  const triedPrice = useMemo(() => {
    if (!tried) return null;
    const with_ = worked.map((w) =>
      w.batch.id === tried.batch.id
        ? { ...tried, plan: planTried(tried.batch.plan, mine!) }
        : { ...w, plan: w.batch.plan },
    );
    const after = reckon({
      today: house.today,
      places: house.places,
      tables: work.tables,
      weights: house.weights,
      batches: with_.map(({ batch, plan, progress }) => ({ plan, progress, over: isOver(batch.state.phase) })),
    });
    return priceBetween(nowSum, after);
  }, [tried, mine, worked, house, work, nowSum]);
  const faint = useMemo(() => matching(filter, shownWork.worked, over, house.today), [filter, shownWork, over, house]);

  // Today a quarter of the way in, at first and after a change of zoom.
  useEffect(() => {
    const box = scroller.current;
    if (box) box.scrollLeft = (house.today - from) * perDay_px - box.clientWidth * 0.3;
  }, [perDay_px, from, house.today]);

  const span = (name: Span): void => setZoom(zoomOf(name, to - from, scroller.current?.clientWidth ?? 800));
  function zoomKey(e: KeyboardEvent): void {
    const step = e.key === '+' || e.key === '=' ? 1 : e.key === '-' || e.key === '−' ? -1 : 0;
    if (step === 0 || e.ctrlKey || e.metaKey) return;
    e.preventDefault();
    setZoom((z) => Math.max(0, Math.min(ZOOMS.length - 1, z + step)));
  }

  const select = useCallback((batchId: number | null): void => {
    setSelectedId(batchId);
    setTrial((t) => (t?.batchId === batchId ? t : null));
  }, []);

  function change(part_: Partial<Trial>): void {
    if (selectedId === null) return;
    setTrial((t) => ({ ...(t?.batchId === selectedId ? t : NOTHING_TRIED), ...part_, batchId: selectedId }));
  }

  function dragBand({ batchId, index, days, placeId }: BandDrag): void {
    const stand = byId.get(batchId)?.progress.stands[index];
    if (!stand || stand.from < house.today) return;
    const place = placeId === stand.placeId ? null : { stage: stand.stage, placeId };
    const key = STEP_OF[stand.stage];
    setTrial({ ...NOTHING_TRIED, batchId, place, step: days === 0 ? null : { key, day: stand.from + days } });
  }

  function bandKey(event: KeyboardEvent, index: number): void {
    const stand = selected && byId.get(selected.batch.id)?.progress.stands[index];
    if (!stand) return;
    const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    const lane = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    const key = STEP_OF[stand.stage];
    if (step !== undefined) change({ step: { key, day: (mine?.step?.day ?? stand.from) + step } });
    else if (lane !== undefined) {
      const at = lanes.findIndex((l) => l.place.id === (mine?.place?.placeId ?? stand.placeId));
      const next = lanes[Math.max(0, Math.min(lanes.length - 1, at + lane))]!.place.id;
      change({ place: next === stand.placeId ? null : { stage: stand.stage, placeId: next } });
    } else if (event.key === 'Enter') void keep();
    else if (event.key === 'Escape') setTrial(null);
    else return;
    event.preventDefault();
  }

  function endKey(event: KeyboardEvent): void {
    const step = { ArrowLeft: -1, ArrowRight: 1, PageDown: -7, PageUp: 7 }[event.key];
    if (step !== undefined) change({ shift_days: (mine?.shift_days ?? 0) + step });
    else if (event.key === 'Enter') void keep();
    else if (event.key === 'Escape') setTrial(null);
    else return;
    event.preventDefault();
  }

  async function keep(): Promise<void> {
    if (!mine || !selected) return;
    const plan = planTried(selected.batch.plan, mine);
    const words =
      mine.shift_days !== 0
        ? WORDS.goesOut(selected.batch.name, shortDay(plan.transplantOn))
        : WORDS.anotherPlaceOrDay(selected.batch.name);
    const one: BatchToWrite = {
      id: selected.batch.id,
      places: plan.places,
      steps: plan.steps ?? {},
      transplantOn: plan.transplantOn,
    };
    setTrial(null);
    await changes.write(words, [one]);
  }

  /** Let go: kept where there is room for it; otherwise it waits for the grower's word. */
  function drop(): void {
    if (tried && tried.progress.late_days !== null && newOver.length === 0) void keep();
  }

  async function keepAndMakeRoom(): Promise<void> {
    if (!mine || !selected || !tried) return;
    const plan = planTried(selected.batch.plan, mine);
    const found = await makeRoom({ id: selected.batch.id, places: plan.places, steps: plan.steps ?? {} });
    if (found.kind === 'no way') {
      changes.setMessage(WORDS.itCannotStandSoToo);
      return;
    }
    if (found.kind === 'over') changes.setMessage(WORDS.notAllCouldGiveWay);
    setTrial(null);
    const others = found.batches.length - 1;
    await changes.write(
      WORDS.anotherPlaceOrDay2(
        selected.batch.name,
        others > 0 ? WORDS.way(counted(others, WORDS.otherGives, WORDS.othersGive)) : '',
      ),
      found.batches,
    );
  }

  const takeOffer = (offer: OfferShown, words: string): void => {
    void changes.write(words, offer.batches, offer.setPoints);
  };

  async function takeProposal(): Promise<void> {
    const all = chosen.size === moving.length;
    const words = all
      ? WORDS.plannedTheSeason
      : WORDS.plannedOfTheSeason(counted(part.taken.length, WORDS.batch, WORDS.batches));
    const done = await changes.write(words, all && answer ? answer.proposal.batches : part.taken, part.setPoints);
    if (done) planning.leave();
  }

  const here = worked.filter((w) => !isOver(w.batch.state.phase));
  const message = changes.message || planning.trouble;
  return (
    <div>
      <div className="flex flex-wrap items-center gap-3">
        <h1>{WORDS.season(house.seasonLabel)}</h1>
        <p className="text-ink2">
          {WORDS.inHandLate(
            counted(here.length, WORDS.batch, WORDS.batches),
            late.length,
            over.length === 0 ? WORDS.allWithinRoom : WORDS.overRoom(counted(over.length, WORDS.time)),
          )}
        </p>
        <div className="no-print ml-auto flex flex-wrap gap-2 max-[700px]:ml-0">
          <UndoButton changes={changes} />
          <a className="btn max-[700px]:hidden" href="/house">
            {WORDS.planOfTheHouse}
          </a>
          <a className="btn max-[700px]:hidden" href="/plan/what-if">
            {WORDS.whatIf}
          </a>
          <a className="btn" href="/batch/new">
            {WORDS.newBatch}
          </a>
          {planning.report ? (
            <button type="button" className="btn" onClick={planning.cancel}>
              {WORDS.cancelThePlanning}
            </button>
          ) : (
            <button
              type="button"
              className="btn solid"
              onClick={() => planning.start({ look: 'usual', only: null, setPoints: true })}
            >
              {WORDS.planTheSeason}
            </button>
          )}
        </div>
      </div>
      {planning.report && (
        <div className="my-2 flex items-center gap-3" role="status">
          <progress
            className="h-3 w-56 accent-plum"
            max={1}
            value={planning.report.done_frac}
            aria-label={WORDS.planning}
          />
          <span className="text-ink2">{planning.report.words}</span>
        </div>
      )}
      <Said message={message} />
      <FilterBar
        house={house}
        filter={filter}
        zoom={zoom}
        zooms={ZOOMS.length}
        onSpan={span}
        worked={worked}
        selectedId={selectedId}
        planning={planning}
        keepWeeks={<KeepWeeks house={house} kept={kept} brushing={brushing} onBrush={setBrushing} onKeep={setKept} />}
        onFilter={setFilter}
        onZoom={setZoom}
        onSelect={select}
      />
      <div className="mt-2 grid grid-cols-1 gap-4 min-[1000px]:grid-cols-[minmax(0,1fr)_320px]">
        <div className="min-w-0">
          <div className="sheet flex min-w-0">
            <LaneLabels house={shownHouse} lanes={lanes} bands={bands} work={shownWork} />
            <div
              ref={scroller}
              className="min-w-0 flex-1 overflow-x-auto"
              tabIndex={0}
              role="region"
              aria-label={WORDS.seasonScrollsSideways}
              onKeyDown={zoomKey}
            >
              <OccupancyTimeline
                house={shownHouse}
                lanes={lanes}
                height={height}
                worked={shownById}
                weeks={answer && showing === 'proposed' ? proposedWeeks : nowWeeks}
                from={from}
                to={to}
                perDay_px={perDay_px}
                selectedId={selectedId}
                faint={faint}
                fixed={answer !== null}
                kept={kept}
                brushing={brushing && answer === null}
                onKeep={(more) => setKept((known) => withKept(known, more))}
                trial={tried ? bandsOf(tried) : null}
                onSelect={select}
                onDrag={(days) => change({ shift_days: days })}
                onBand={dragBand}
                onDrop={drop}
                onKey={endKey}
                onBandKey={bandKey}
              />
            </div>
          </div>
          <Legend />
        </div>
        <aside
          className="flex flex-col gap-4 border-line min-[1000px]:border-l min-[1000px]:pl-4"
          aria-label={WORDS.besideTheSeason}
        >
          {answer && (
            <ProposalPanel
              house={house}
              answer={answer}
              byId={byId}
              moving={moving}
              outcomes={outcomes}
              chosen={chosen}
              heldPlaces={proposal.heldPlaces}
              onHold={proposal.hold}
              weeks={[nowWeeks, proposedWeeks]}
              tight={
                <TightSpots
                  house={proposedHouse}
                  batches={proposedBatches}
                  byId={proposedById}
                  atOnce
                  busy={changes.busy}
                  onSelect={select}
                  onTake={null}
                />
              }
              now={nowSum}
              proposed={proposedSum}
              showing={showing}
              busy={changes.busy}
              tried={planning.tried}
              planningNow={planning.report !== null}
              onSure={(sure_frac) => planning.start({ look: 'usual', only: null, setPoints: true, sure_frac })}
              onShow={proposal.setShowing}
              onChoose={proposal.setChosen}
              onTake={() => void takeProposal()}
              onLeave={planning.leave}
              onSelect={select}
            />
          )}
          {selected && !answer && (
            <ChosenBatch
              house={house}
              tables={work.tables}
              selected={selected}
              tried={tried}
              trial={mine}
              newOver={newOver}
              price={triedPrice}
              busy={changes.busy}
              fixed={answer !== null}
              onTrial={change}
              onKeep={() => void keep()}
              onMakeRoom={() => void keepAndMakeRoom()}
              onDrop={() => setTrial(null)}
              onPin={(pinned) =>
                void changes.write(`${selected.batch.name} ${pinned ? 'pinned' : 'unpinned'}`, [
                  { id: selected.batch.id, pinned },
                ])
              }
            />
          )}
          {!answer && (
            <Troubles
              house={house}
              troubles={troubles}
              count={over.length + late.length}
              over={over}
              offers={offers}
              byId={byId}
              busy={changes.busy}
              onSelect={select}
              onTake={takeOffer}
            />
          )}
          {!answer && (
            <TightSpots
              house={house}
              batches={batches}
              byId={byId}
              atOnce={false}
              busy={changes.busy}
              onSelect={select}
              onTake={takeOffer}
            />
          )}
        </aside>
      </div>
      <WorkTable weeks={answer && showing === 'proposed' ? proposedWeeks : nowWeeks} />
    </div>
  );
}
