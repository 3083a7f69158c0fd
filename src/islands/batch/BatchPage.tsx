import { isTrouble } from '../../core/batch/tolerance.ts';
import { useEffect, useRef, useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { EVENT_WORDS, isOver, type Phase } from '../../core/batch/event.ts';
import { MILESTONE_WORDS, type Milestone } from '../../core/plan/schedule/chain.ts';
import type { BatchPageData } from '../../contracts/batch/batchPage.ts';
import { ExplanationText } from '../../ui/ExplanationText.tsx';
import { freshKey, trouble, type Answer } from '../../ui/call.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { TypedForm } from '../../ui/kit/TypedForm.tsx';
import { shortDay, spokenDay, outWords, punctualityWords } from '../../ui/format.ts';
import type { LogLine } from '../../contracts/batch/batches.ts';
import { useView } from '../../ui/kit/data.ts';
import { postLine } from '../../ui/logPost.ts';
import { sayLogged } from '../../ui/logged.ts';
import { sayHere } from '../../ui/kit/said.ts';
import { WrittenBy } from '../../ui/PersonMark.tsx';
import { LogForm } from './LogForm.tsx';
import { BatchSeason } from './BatchSeason.tsx';
import { VoidBatch } from './VoidBatch.tsx';
import { saidOf } from '../../words/en/codes.ts';
import { WORDS } from '../../words/en/batch/batchPage.ts';

export const PHASE_WORDS: Readonly<Record<Phase, string>> = {
  planned: WORDS.toBeSown,
  sown: WORDS.sownNotUpYet,
  emerged: WORDS.halfUpOnTheHeat,
  growing: WORDS.growingOn,
  potted: WORDS.inThePot,
  hardening: WORDS.hardeningOff,
  planted: WORDS.plantedOut,
  ended: WORDS.ended,
};

/** What a line says in a few words: "lost 20, slugs". */
const whatOf = ({ kind, count, cause }: Omit<LogLine, 'idempotencyKey'>): string =>
  `${EVENT_WORDS[kind].toLowerCase()}${count == null ? '' : ` ${count}`}${cause ? `, ${cause}` : ''}`;

/** One batch: chain planned against actual, its log with corrections, and what can be done with it. */
export function BatchPage({ data: initial }: { readonly data: BatchPageData }) {
  const { view: data, refresh } = useView<BatchPageData>(`/api/batch/${initial.id}/page`, initial);
  const [tool, setTool] = useState<'log' | 'lose' | 'split' | 'end' | null>(null);
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const sending = useRef(false);
  const closed = isOver(data.phase);

  async function post(line: Omit<LogLine, 'idempotencyKey'>): Promise<Answer<unknown>> {
    const taken: Answer<unknown> = { kind: 'done', value: null };
    // A second tap while the first is on its way is not a second line.
    if (sending.current) return taken;
    sending.current = true;
    const answer = await postLine(data.id, { idempotencyKey: freshKey(), ...line }, { name: data.name });
    sending.current = false;
    if (answer.kind === 'problem' || answer.kind === 'offline') return answer;
    setTool(null);
    // A line that takes another back is not itself taken back.
    if (line.kind === 'withdrawn') sayHere({ words: WORDS.logged });
    else sayLogged(whatOf(line), data.id, isoFromDay(data.today), answer, refresh);
    await refresh();
    return taken;
  }

  return (
    <div data-ready={ready}>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1>{data.name}</h1>
        <p className="text-ink2">
          {WORDS.code(
            <span key="2" className="num text-lg text-ink">
              {data.code}
            </span>,
          )}
          {data.splitFrom && (
            <>
              {WORDS.splitFrom(
                <a key="1" href={`/batch/${data.splitFrom.id}`}>
                  {data.splitFrom.code}
                </a>,
              )}
            </>
          )}
        </p>
      </div>
      <dl className="mt-2 flex flex-wrap gap-x-9 gap-y-2">
        <Figure value={String(plantsShown(data))} words={plantsSaid(data)} />
        <Figure value={PHASE_WORDS[data.phase]} words={data.placeNow ?? WORDS.noPlaceYet} />
        <Figure value={shortDay(data.plan.transplantOn)} words={WORDS.askedToGoOut} />
        {!closed && (
          <Figure
            value={punctualityWords(data.punctuality, data.late_days)}
            words={outWords(data.out, data.today)}
            bad={isTrouble(data.punctuality)}
          />
        )}
        {data.plants.lost_count > 0 && <Figure value={String(data.plants.lost_count)} words={saidOf('lost')} />}
        {data.plants.left_count > 0 && <Figure value={String(data.plants.left_count)} words={WORDS.leftOver} />}
      </dl>
      {data.note && <p className="mt-2 max-w-[70ch]">{data.note}</p>}
      <div className="no-print mt-4 flex flex-wrap gap-2">
        {data.phase !== 'ended' && (
          <button
            type="button"
            className="btn solid"
            aria-expanded={tool === 'log'}
            onClick={() => setTool(tool === 'log' ? null : 'log')}
          >
            {WORDS.log}
          </button>
        )}
        {!closed && data.phase !== 'planned' && (
          <button
            type="button"
            className="btn"
            aria-expanded={tool === 'lose'}
            onClick={() => setTool(tool === 'lose' ? null : 'lose')}
          >
            {WORDS.loseSome}
          </button>
        )}
        {!closed && (
          <button
            type="button"
            className="btn"
            aria-expanded={tool === 'split'}
            onClick={() => setTool(tool === 'split' ? null : 'split')}
          >
            {WORDS.splitOffAPart}
          </button>
        )}
        {data.phase !== 'ended' && (
          <button
            type="button"
            className="btn"
            aria-expanded={tool === 'end'}
            onClick={() => setTool(tool === 'end' ? null : 'end')}
          >
            {WORDS.end}
          </button>
        )}
        <a className="btn" href={`/batch/${data.id}/edit`}>
          {WORDS.changeThePlan}
        </a>
        <a className="btn" href={`/batch/${data.id}/plans`}>
          {WORDS.earlierPlans}
        </a>
      </div>
      {tool && (
        <div className="card mt-3 max-w-2xl" data-typing>
          {tool === 'log' && <LogForm data={data} onPost={post} />}
          {tool === 'lose' && <CauseForm data={data} kind="lost" onPost={post} />}
          {tool === 'end' && <CauseForm data={data} kind="ended" onPost={post} />}
          {tool === 'split' && <SplitForm data={data} />}
        </div>
      )}
      <div className="mt-6 grid grid-cols-1 gap-8 min-[1000px]:grid-cols-2">
        <ChainTable data={data} />
        <Log data={data} onPost={post} />
      </div>
      {data.seasons.length > 1 && <BatchSeason data={data} />}
      <VoidBatch id={data.id} version={data.version} code={data.code} />
    </div>
  );
}

function Figure({
  value,
  words,
  bad = false,
}: {
  readonly value: string;
  readonly words: string;
  readonly bad?: boolean;
}) {
  return (
    <div className="flex flex-col-reverse">
      <dt className="text-[0.9rem] text-ink2">{words}</dt>
      <dd className={`num text-2xl ${bad ? 'text-brick' : ''}`}>{value}</dd>
    </div>
  );
}

function ChainTable({ data }: { readonly data: BatchPageData }) {
  const { planned, forecast, today, unit } = data;
  const keys =
    forecast.kind === 'chain'
      ? forecast.milestones.map((m) => m.key)
      : planned.kind === 'chain'
        ? planned.milestones.map((m) => m.key)
        : [];
  return (
    <section aria-label={WORDS.chainPlannedAgainstActual}>
      <h2>{WORDS.chain}</h2>
      {forecast.kind === 'unreachable' && (
        <p className="note-bar bad my-2">{WORDS.fromHereItCannotBe(forecast.reason)}</p>
      )}
      {planned.kind === 'unreachable' && (
        <p className="note-bar bad my-2">{WORDS.thePlanCannotBeWorked(planned.reason)}</p>
      )}
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={WORDS.chain}>
        <table className="plain-table">
          <thead>
            <tr>
              <th>{WORDS.step}</th>
              <th>{WORDS.planned}</th>
              <th className="whitespace-nowrap">{WORDS.actualOrForecast}</th>
              <th className="r">{WORDS.days}</th>
            </tr>
          </thead>
          <tbody>
            {keys.map((key) => {
              const plan = planned.kind === 'chain' ? planned.milestones.find((m) => m.key === key) : undefined;
              const now = forecast.kind === 'chain' ? forecast.milestones.find((m) => m.key === key) : undefined;
              const shift = plan && now ? now.day - plan.day : 0;
              return (
                <tr key={key}>
                  <td>
                    <details>
                      <summary>{MILESTONE_WORDS[key]}</summary>
                      {(now ?? plan) && (
                        <ExplanationText
                          explanation={(now?.status === 'done' ? (plan ?? now) : (now ?? plan))!.explanation}
                          unit={unit}
                        />
                      )}
                    </details>
                  </td>
                  <td className="whitespace-nowrap text-ink2">{plan ? shortDay(plan.day) : ''}</td>
                  <td className="whitespace-nowrap">
                    {now && (
                      <>
                        <span className="num">{spokenDay(now.day, today)}</span>{' '}
                        <span className="text-[0.88rem] text-ink2">{stateWords(now)}</span>
                      </>
                    )}
                  </td>
                  <td className="r num">
                    {shift > 0 ? '+' : ''}
                    {shift === 0 ? '·' : shift}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="mt-2 text-[0.92rem] text-ink2">{WORDS.theRuleOfWeeksSays(shortDay(data.ruleSowOn))}</p>
    </section>
  );
}

function stateWords(milestone: Milestone): string {
  if (milestone.status === 'done') return WORDS.done;
  if (milestone.status === 'reckoned') return WORDS.notLogged;
  return milestone.dueOn < milestone.day ? WORDS.overdue : WORDS.forecast;
}

function Log({
  data,
  onPost,
}: {
  readonly data: BatchPageData;
  readonly onPost: (line: Omit<LogLine, 'idempotencyKey'>) => Promise<Answer<unknown>>;
}) {
  const [editing, setEditing] = useState<number | null>(null);
  const [wrong, setWrong] = useState('');
  const replaced = new Set(data.events.map((e) => e.correctsId).filter((id) => id !== null));
  return (
    <section aria-label={WORDS.log}>
      <h2>{WORDS.log}</h2>
      {data.events.length === 0 && <p className="mt-1 text-ink2">{WORDS.nothingHasHappenedYet}</p>}
      {wrong && (
        <p role="alert" className="note-bar bad my-2">
          {wrong}
        </p>
      )}
      <ol reversed>
        {[...data.events].reverse().map((event) => {
          const gone = replaced.has(event.id) || event.kind === 'withdrawn';
          const fixable = !gone && !['split-out', 'split-in', 'edited', 'voided', 'restored'].includes(event.kind);
          return (
            <li key={event.id} className="border-b border-line py-1.5">
              <div className="flex items-baseline gap-3">
                <span className="num w-16 shrink-0">{shortDay(event.day)}</span>
                <span className={`flex-1 ${gone ? 'text-ink3 line-through' : ''}`}>
                  {EVENT_WORDS[event.kind]}
                  {event.count !== null && ` ${event.count}`}
                  {event.placeId !== null && `, ${data.places.find((p) => p.id === event.placeId)?.name ?? ''}`}
                  {event.cause && `, ${event.cause}`}
                  {event.note && <span className="text-ink2">: {event.note}</span>}
                  {event.correctsId !== null && (
                    <span className="text-ink2">{WORDS.correctsLine(event.correctsId)}</span>
                  )}
                  {data.tapped[event.id] && (
                    <span className="text-ink2">{WORDS.wasTapped(data.tapped[event.id]!)}</span>
                  )}
                </span>
                <WrittenBy person={data.people.find((p) => p.id === event.authorId)} />
                {fixable && (
                  <span className="no-print flex gap-1 text-[0.9rem]">
                    <button
                      type="button"
                      className="link-btn min-h-11 min-w-11"
                      onClick={() => setEditing(editing === event.id ? null : event.id)}
                    >
                      {WORDS.correct}
                    </button>
                    <button
                      type="button"
                      className="link-btn min-h-11 min-w-11"
                      onClick={() => {
                        const line = {
                          kind: 'withdrawn' as const,
                          day: isoFromDay(data.today),
                          correctsId: event.id,
                        };
                        void onPost(line).then((a) => setWrong(a.kind === 'done' ? '' : trouble(a)));
                      }}
                    >
                      {WORDS.withdraw}
                    </button>
                  </span>
                )}
              </div>
              {editing === event.id && (
                <div className="card my-2" data-typing>
                  <LogForm data={data} correcting={event} onPost={onPost} />
                </div>
              )}
            </li>
          );
        })}
      </ol>
      <p className="mt-2 text-[0.92rem] text-ink2">{WORDS.linesAreNeverChangedA}</p>
    </section>
  );
}

const CAUSES = [
  WORDS.dampedOff,
  'slugs',
  'mice',
  WORDS.tooHot,
  'frost',
  WORDS.driedOut,
  'leggy',
  'culled',
  WORDS.givenAway,
];

function CauseForm({
  data,
  kind,
  onPost,
}: {
  readonly data: BatchPageData;
  readonly kind: 'lost' | 'ended';
  readonly onPost: (line: Omit<LogLine, 'idempotencyKey'>) => Promise<Answer<unknown>>;
}) {
  const losing = kind === 'lost';
  const today = isoFromDay(data.today);
  const fields: readonly FieldSpec[] = [
    ...(losing
      ? [{ key: 'count', label: WORDS.howManyOf(data.plants.inHand_count || data.most_count), kind: 'number' } as const]
      : []),
    { key: 'cause', label: WORDS.cause, kind: 'text', optional: true, suggest: CAUSES },
    { key: 'day', label: WORDS.day, kind: 'date', max: today },
  ];
  return (
    <TypedForm
      fields={fields}
      start={{ count: null, cause: '', day: today }}
      extra={{ kind }}
      schema={() => import('../../contracts/batch/batches.ts').then((m) => m.eventInput)}
      draft={null}
      send={(body) => onPost(body as Omit<LogLine, 'idempotencyKey'>)}
      said={null}
      saveWords={losing ? WORDS.logTheLoss : WORDS.endThisBatch}
      buttonClass="btn solid mt-3 w-full"
    />
  );
}

function SplitForm({ data }: { readonly data: BatchPageData }) {
  const present = data.phase === 'planned' ? data.plan.plantsWanted : data.most_count;
  return (
    <TypedForm<{ batchId: number }>
      columns="grid grid-cols-1 gap-3 min-[600px]:grid-cols-2"
      fields={[
        { key: 'count', label: WORDS.plantsToSplitOffOf(present), kind: 'number' },
        { key: 'transplantOn', label: WORDS.theirTransplantDate, kind: 'date' },
      ]}
      start={{ count: null, transplantOn: isoFromDay(data.plan.transplantOn) }}
      extra={{ version: data.version, day: isoFromDay(data.today), note: '' }}
      path={`/api/batch/${data.id}/split`}
      schema={() => import('../../contracts/batch/batches.ts').then((m) => m.splitInput)}
      draft={null}
      said={null}
      onDone={({ batchId }) => location.assign(`/batch/${batchId}`)}
      saveWords={WORDS.splitThemOff}
      buttonClass="btn solid mt-3 w-full"
    />
  );
}

/** The number of plants that matters now: wanted before anything is sown, then what is there or thought to come, in the end what went out. */
function plantsShown({ phase, plan, plants }: BatchPageData): number {
  if (phase === 'planned') return plan.plantsWanted;
  return isOver(phase) ? plants.out_count : plants.expected_count;
}

function plantsSaid({ phase, plan, plants, plantsWords }: BatchPageData): string {
  if (phase === 'planned') return WORDS.plantsWantedAnd(plants.expected_count, plantsWords);
  return WORDS.wanted(plantsWords.replace('{day}', plants.on === null ? '' : shortDay(plants.on)), plan.plantsWanted);
}
