import { inUse } from '../../core/books/inUse.ts';
import { cropAs } from '../../core/books/varietyFigures.ts';
import { useEffect, useId, useMemo, useRef, useState } from 'react';
import { dayFromIso, isoFromDay } from '../../core/calendar/dayNumber.ts';
import { ALL_STAGES, type Stage } from '../../core/plan/stage.ts';
import { type BatchPlan } from '../../core/plan/batchPlan.ts';
import { type Crop } from '../../core/books/crop.ts';
import { cellsToSow, slotsFor, traysFor } from '../../core/batch/trays.ts';
import { learnedGrowth } from '../../core/growth/learnedGrowth.ts';
import { usualPlugAge_weeks } from '../../core/growth/stageNeeds.ts';
import { outlook } from '../../core/plan/schedule/outlook.ts';
import type { SeasonTables } from '../../core/plan/schedule/seasonTables.ts';
import { placesForStage } from '../../core/plan/schedule/suits.ts';
import type { BatchInput } from '../../contracts/batch/batches.ts';
import type { Problem } from '../../contracts/problem.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { fieldError, freshKey, trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { Restored } from '../../ui/kit/Restored.tsx';
import { useKept } from '../../ui/kit/useKept.ts';
import { batchDifferences } from './batchDifferences.ts';
import { counted, dayNight, shortDay } from '../../ui/format.ts';
import { OutDates } from './OutDates.tsx';
import { CropSearch } from './CropSearch.tsx';
import { PlacedForYou } from './PlacedForYou.tsx';
import { usePlacing } from './usePlacing.ts';
import type { NewWay } from '../../core/plan/placement/placeNew.ts';
import { offHeatOf } from '../../ui/OffHeatChoice.tsx';
import { Field, SelectField } from '../../ui/Field.tsx';
import { Outlook } from './Outlook.tsx';
import { Stale, THEIRS_TAKEN } from '../../ui/Stale.tsx';
import { BatchMore, type Member } from './BatchMore.tsx';
import { draftOf, emptyDraft, familyOf, inputOf, type Draft } from './draft.ts';
import { useTables } from './useTables.ts';
import { setPointsBody, takenBody, useStable, useTablesWith, withoutPlaces } from './taken.ts';
import { WORDS } from '../../words/en/batch/batchForm.ts';

/** Days before transplanting at which a stage's temperature is looked at when places are proposed. */
const ROUGH_DAYS: Readonly<Record<Stage, number>> = {
  germinate: 56,
  grow: 42,
  pot: 21,
  space: 14,
  harden: 4,
};

interface Props {
  readonly house: HouseData;
  /** A batch to change, or null for a new one. */
  readonly editing: {
    readonly id: number;
    readonly version: number;
    readonly input: BatchInput;
    /** Others made in one step with it and not sown yet. */
    readonly family: { readonly id: number; readonly members: readonly Member[] } | null;
  } | null;
}

/** Makes or changes a batch. The chain of dates follows while typing. */
export function BatchForm({ house, editing }: Props) {
  const id = useId();
  const tables = useTables(house);
  const kept = useKept<Draft>(editing ? `batch/${editing.id}` : 'batch/new', editing?.version ?? 0, () =>
    editing ? draftOf(editing.input) : emptyDraft(house),
  );
  const { typed: draft, setTyped: setDraft } = kept;
  const [version, setVersion] = useState(editing?.version ?? 0);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [message, setMessage] = useState('');
  const [busy, setBusy] = useState(false);
  const [together, setTogether] = useState(true);
  // One key for what is typed: sent twice it counts once, changed it is another batch.
  const key = useRef(freshKey());
  // New batches are placed by the planner until the grower chooses.
  const [byHand, setByHand] = useState(editing !== null);
  const [way, setWay] = useState<NewWay | null>(null);
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);

  const plainCrop = house.crops.find((c) => c.id === draft.cropId) ?? null;
  const figures = house.varieties.find((v) => v.id === draft.varietyId)?.figures;
  const crop = useMemo(() => plainCrop && cropAs(plainCrop, figures), [plainCrop, figures]);
  const transplantDay = dayFromIso(draft.transplantOn);
  const plants = /^\d{1,7}$/.test(draft.plants) ? Number(draft.plants) : null;
  const set = (change: Partial<Draft>) => {
    key.current = freshKey();
    setDraft((d) => ({ ...d, ...change }));
  };

  function chooseCrop(chosen: Crop): void {
    const around = transplantDay ?? house.today + 70;
    // Until the planner has answered, or where it finds no way: what fits best by its temperature.
    const best = (stage: Stage) =>
      placesForStage(tables, chosen, stage, around - ROUGH_DAYS[stage])[0]?.placeId ?? null;
    const pots = inUse(house.containers).filter((c) => c.kind === 'pot');
    set({
      cropId: chosen.id,
      varietyId: null,
      lotId: null,
      hardening: String(chosen.hardening_days),
      places: {
        germinate: best('germinate'),
        grow: best('grow'),
        pot: best('pot'),
        harden: best('harden'),
      },
      potContainerId: chosen.potted ? (draft.potContainerId ?? pots[0]?.id ?? null) : null,
    });
  }

  const plan = useMemo((): BatchPlan | null => {
    if (transplantDay === null || draft.sowContainerId === null) return null;
    return {
      plantsWanted: plants ?? 1,
      spare_frac: Number(draft.spare) / 100 || 0,
      transplantOn: transplantDay,
      hardening_days: /^\d{1,2}$/.test(draft.hardening) ? Number(draft.hardening) : (crop?.hardening_days ?? 7),
      places: draft.places,
      sowContainerId: draft.sowContainerId,
      potContainerId: draft.potContainerId,
      age_frac: draft.age_frac,
      sure_frac: draft.sure_frac,
      offHeat: offHeatOf(draft.offHeat),
      joins: joinsOf(draft),
      emergence_factor:
        (house.lots.find((l) => l.id === draft.lotId) ?? house.varieties.find((v) => v.id === draft.varietyId))
          ?.emergence_factor ?? 1,
      growth_factor: learnedGrowth(
        { varietyId: draft.varietyId, placeId: draft.places.grow },
        house.grown.filter((g) => g.cropId === draft.cropId),
      ).factor,
    };
  }, [draft, plants, transplantDay, crop, house]);
  const asked = useMemo(
    () => (editing === null && plants !== null && plants > 0 ? plan : null),
    [editing, plan, plants],
  );
  const { answer: placing, asking } = usePlacing(house, crop, useStable(byHand ? asked : withoutPlaces(asked)));
  const found = placing?.placed.ways;
  useEffect(() => setWay(found?.[0] ?? null), [found]);
  const taken = !byHand && way ? way : null;
  const chosenPlan = useMemo(
    () => (plan && taken ? { ...plan, places: taken.proposed.places, steps: taken.proposed.steps } : plan),
    [plan, taken],
  );
  const shownTables = useTablesWith(house, tables, taken);
  const ahead = useMemo(
    () =>
      crop && chosenPlan
        ? outlook({ crop, plan: chosenPlan, offHeat: house.offHeat, tables: shownTables }, house, house.today)
        : null,
    [crop, chosenPlan, house, shownTables],
  );

  async function save(withVersion: number): Promise<void> {
    setBusy(true);
    setProblem(null);
    const body = { ...inputOf(draft), ...(taken ? takenBody(taken) : {}) };
    if (draft.several !== 'one' && !editing) {
      const made = await writeNow<{ made: { id: number }[] }>('POST', '/api/plan/families', {
        ...familyOf(draft, key.current),
        placed: !byHand,
      });
      setBusy(false);
      if (made.kind === 'done') {
        kept.forget();
        return location.assign('/plan/season');
      }
      setMessage(trouble(made));
      // The batch's own fields are named as if it were sent by itself.
      if (made.kind === 'problem') setProblem(withoutPrefix(made.problem));
      return;
    }
    const answer = editing
      ? await writeNow<{ id: number }>('PATCH', `/api/batch/${editing.id}`, {
          ...body,
          version: withVersion,
        })
      : await writeNow<{ id: number }>('POST', '/api/batch', {
          ...body,
          idempotencyKey: key.current,
          setPoints: taken ? setPointsBody(taken, house) : [],
        });
    if (answer.kind === 'done' && editing?.family && together) {
      const { cropId: _crop, transplantOn: _date, joins: _joins, ...change } = body;
      const shift_days = (transplantDay ?? 0) - (dayFromIso(editing.input.transplantOn) ?? 0);
      const versions = editing.family.members.map(({ id: memberId, version: v }) => ({ id: memberId, version: v }));
      const rest = await writeNow('PATCH', `/api/plan/families/${editing.family.id}`, {
        idempotencyKey: key.current,
        versions,
        change,
        shift_days,
      });
      if (rest.kind !== 'done') {
        setBusy(false);
        setMessage(WORDS.thisBatchIsChangedThe(trouble(rest)));
        return;
      }
    }
    setBusy(false);
    if (answer.kind === 'done') {
      kept.forget();
      location.assign(`/batch/${answer.value.id}`);
      return;
    }
    setMessage(trouble(answer));
    if (answer.kind === 'problem') setProblem(answer.problem);
  }

  const err = (path: string) => fieldError(problem, path);
  const varieties = inUse(house.varieties, draft.varietyId).filter((v) => v.cropId === draft.cropId);
  const lots = inUse(house.lots, draft.lotId).filter((lot) => lot.varietyId === draft.varietyId);
  const sow = house.containers.find((c) => c.id === draft.sowContainerId);
  const pot = house.containers.find((c) => c.id === draft.potContainerId);
  const cells = plan && plants ? cellsToSow(plan) : null;

  return (
    <form
      className="grid grid-cols-1 gap-6 min-[900px]:grid-cols-[minmax(0,440px)_minmax(0,1fr)]"
      data-typing
      data-ready={ready}
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void save(version);
      }}
    >
      <div className="flex flex-col gap-4">
        {kept.restored && <Restored onDiscard={kept.discard} />}
        <CropSearch
          crops={inUse(house.crops, draft.cropId)}
          chosen={crop}
          fixed={editing !== null}
          error={err('cropId')}
          onChoose={chooseCrop}
        />
        <div className="grid grid-cols-2 gap-3">
          <Field
            id={`${id}plants`}
            label={WORDS.plantsWanted}
            inputMode="numeric"
            value={draft.plants}
            error={err('plantsWanted')}
            onValue={(plants) => set({ plants })}
          />
          <Field
            id={`${id}date`}
            label={WORDS.transplantDate}
            type="date"
            value={draft.transplantOn}
            error={err('transplantOn')}
            onValue={(transplantOn) => set({ transplantOn })}
          />
          <SelectField
            id={`${id}variety`}
            label={WORDS.variety}
            value={draft.varietyId}
            none={WORDS.notSaid}
            options={varieties}
            error={err('varietyId')}
            onValue={(varietyId) => set({ varietyId, lotId: null })}
          />
          <SelectField
            id={`${id}lot`}
            label={WORDS.lot}
            value={draft.lotId}
            none={WORDS.notSaid}
            options={lots.map((lot) => ({ id: lot.id, name: lot.code }))}
            error={err('lotId')}
            onValue={(lotId) => set({ lotId })}
          />
        </div>
        {crop && (
          <OutDates
            cropId={crop.id}
            varietyId={draft.varietyId}
            near={draft.transplantOn}
            coverId={draft.coverId}
            onChoose={(transplantOn, coverId) => set({ transplantOn, coverId })}
          />
        )}
        <div className="grid grid-cols-2 gap-3">
          <SelectField
            id={`${id}cover`}
            label={WORDS.goesOutUnder}
            value={draft.coverId}
            none={WORDS.noCover}
            options={inUse(house.covers, draft.coverId)}
            error={err('coverId')}
            onValue={(coverId) => set({ coverId })}
          />
          <SelectField
            id={`${id}programme`}
            label={WORDS.hardenedBy}
            value={draft.programmeId}
            none={WORDS.theUsualOfItsKind}
            options={inUse(house.programmes, draft.programmeId)}
            error={err('programmeId')}
            onValue={(programmeId) => set({ programmeId })}
          />
        </div>
        {!byHand && crop && asked && (
          <PlacedForYou
            house={house}
            plan={asked}
            answer={placing}
            asking={asking}
            onDate={(day) => set({ transplantOn: isoFromDay(day) })}
            chosen={way}
            onChoose={(chosen) => {
              key.current = freshKey();
              setWay(chosen);
            }}
            onByHand={() => {
              if (way) set({ places: way.proposed.places });
              setByHand(true);
            }}
          />
        )}
        {byHand && placing?.over && placing.over.length > 0 && (
          <div className="note-bar bad" role="alert">
            {placing.over.slice(0, 4).map((run) => (
              <p key={`${run.placeId}/${run.from}`}>
                {WORDS.wouldBeOverRoomBy(
                  <b key="1">{house.places.find((p) => p.id === run.placeId)?.name}</b>,
                  counted(Math.ceil(run.most_slots), WORDS.traySpace),
                  shortDay(run.from),
                  shortDay(run.to - 1),
                )}
              </p>
            ))}
          </div>
        )}
        <fieldset className="grid grid-cols-2 gap-3" hidden={!byHand}>
          <legend className="mb-1 font-semibold">
            {WORDS.whereItGoes}
            {editing === null && (
              <button type="button" className="link-btn ml-3 font-normal" onClick={() => setByHand(false)}>
                {WORDS.placeItForMe}
              </button>
            )}
          </legend>
          {ALL_STAGES.filter((stage) => (stage !== 'pot' && stage !== 'space') || draft.potContainerId !== null).map(
            (stage) => (
              <SelectField
                key={stage}
                id={`${id}place-${stage}`}
                label={WORDS.stages[stage]}
                value={draft.places[stage] ?? null}
                none={stage === 'space' ? WORDS.whereItWasPotted : WORDS.noPlace}
                error={err(`places.${stage}`)}
                options={
                  crop
                    ? placeOptions(house, tables, crop, stage, (transplantDay ?? house.today + 70) - ROUGH_DAYS[stage])
                    : inUse(house.places, draft.places[stage])
                }
                onValue={(placeId) => set({ places: { ...draft.places, [stage]: placeId } })}
              />
            ),
          )}
        </fieldset>
        <div className="grid grid-cols-2 gap-3">
          <SelectField
            id={`${id}tray`}
            label={WORDS.sownIn}
            value={draft.sowContainerId}
            options={inUse(house.containers, draft.sowContainerId).filter((c) => c.kind !== 'pot')}
            error={err('sowContainerId')}
            onValue={(sowContainerId) => set({ sowContainerId })}
          />
          <SelectField
            id={`${id}pot`}
            label={WORDS.pottedInto}
            value={draft.potContainerId}
            none={WORDS.staysInItsTray}
            options={inUse(house.containers, draft.potContainerId).filter((c) => c.kind !== 'seed-tray')}
            error={err('potContainerId')}
            onValue={(potContainerId) =>
              set({
                potContainerId,
                places: {
                  ...draft.places,
                  pot: draft.places.pot ?? draft.places.grow,
                },
              })
            }
          />
          <Field
            id={`${id}hardening`}
            label={WORDS.hardeningDays}
            inputMode="numeric"
            value={draft.hardening}
            error={err('hardening_days')}
            onValue={(hardening) => set({ hardening })}
          />
          <Field
            id={`${id}spare`}
            label={WORDS.overplanting}
            inputMode="decimal"
            value={draft.spare}
            error={err('spare_frac')}
            onValue={(spare) => set({ spare })}
          />
        </div>
        <BatchMore
          draft={draft}
          usualWeeks={crop ? usualPlugAge_weeks(crop) : null}
          err={err}
          isNew={editing === null}
          family={editing?.family ?? null}
          together={together}
          onTogether={setTogether}
          onChange={set}
        />
        <Field
          id={`${id}note`}
          label={WORDS.note}
          value={draft.note}
          error={err('note')}
          onValue={(note) => set({ note })}
        />
        {cells !== null && sow && (
          <p className="text-ink2">
            {WORDS.cellsIn(
              <span key="3" className="num text-xl text-ink">
                {cells}
              </span>,
              counted(traysFor(cells, sow), WORDS.tray),
            )}
            {pot && (
              <>
                {WORDS.pottedTraysOfSpacedTray(
                  <span key="2" className="num text-xl text-ink">
                    {traysFor(cells, pot)}
                  </span>,
                  pot.name,
                  slotsFor(cells, pot, true),
                )}
              </>
            )}
          </p>
        )}
        {problem?.status === 409 && problem.current ? (
          <Stale
            rows={batchDifferences(house, problem.current as BatchInput, draft)}
            onKeepMine={() => {
              const latest = (problem.current as { version: number }).version;
              setVersion(latest);
              void save(latest);
            }}
            onTakeTheirs={() => {
              const { version: latest, ...theirs } = problem.current as BatchInput & { version: number };
              setVersion(latest);
              setDraft(draftOf(theirs));
              setProblem(null);
              setMessage(THEIRS_TAKEN);
            }}
          />
        ) : (
          message && (
            <p role="alert" className="note-bar bad">
              {message}
            </p>
          )
        )}
        <button type="submit" className="btn solid min-h-12" disabled={busy || (!byHand && asking)}>
          {editing ? WORDS.saveTheChange : draft.several === 'one' ? WORDS.makeThisBatch : WORDS.makeTheseBatches}
        </button>
      </div>
      <Outlook
        crop={crop}
        plan={chosenPlan}
        ahead={ahead}
        house={house}
        onPlace={(stage, placeId) => {
          setByHand(true);
          set({ places: { ...draft.places, [stage]: placeId } });
        }}
        onDate={(day) => set({ transplantOn: isoFromDay(day) })}
      />
    </form>
  );
}

/** Places for a stage, best fitting first, each with its temperature; then those that are no place for it. */
function placeOptions(house: HouseData, tables: SeasonTables, crop: Crop, stage: Stage, day: number) {
  const fits = placesForStage(tables, crop, stage, day);
  return [
    ...fits.map((fit) => ({
      id: fit.placeId,
      name: `${fit.name}, ${dayNight(fit.day_C, fit.night_C, house.unit)}${fit.inRange ? '' : WORDS.outsideItsRange}`,
    })),
    ...inUse(house.places)
      .filter(({ id }) => !fits.some((fit) => fit.placeId === id))
      .map(({ id, name }) => ({ id, name: WORDS.notAPlaceForIt(name) })),
  ];
}

function joinsOf({ joinsStage, joinsOn, joinsWeeks, joinsLeaves }: Draft): BatchPlan['joins'] {
  const on = dayFromIso(joinsOn);
  const figure = (text: string) => (/^\d{1,2}([.,]\d)?$/.test(text.trim()) ? Number(text.replace(',', '.')) : null);
  if (joinsStage === '' || on === null) return null;
  return { stage: joinsStage, on, age_weeks: figure(joinsWeeks), leaves_count: figure(joinsLeaves) };
}

function withoutPrefix(problem: Problem): Problem {
  const errors = problem.errors?.map((e) => ({ ...e, path: e.path.replace(/^batch\./, '') }));
  return errors ? { ...problem, errors } : problem;
}
