import { Empty } from '../../ui/kit/Empty.tsx';
import { area, length } from '../../ui/house.ts';
import { useEffect, useRef, useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { ESTABLISHMENT_RESULTS, ESTABLISHMENT_WORDS } from '../../core/batch/event.ts';
import { degreesWords } from '../../core/hardening/words.ts';
import type { PlantedLine, PlantLine, PlantView } from '../../contracts/hardening/hardenViews.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { useView, writeNow } from '../../ui/kit/data.ts';
import { counted, shortDay, spokenDay } from '../../ui/format.ts';
import type { LogLine } from '../../contracts/batch/batches.ts';
import { postLine } from '../../ui/logPost.ts';
import { sayLogged } from '../../ui/logged.ts';
import { ForecastAge } from '../weather/SkyRow.tsx';
import { BatchGates } from './BatchGates.tsx';
import { WORDS } from '../../words/en/planting/plantOut.ts';

const VERDICTS = [
  ['plant', WORDS.plantHead, WORDS.everyGatePasses],
  ['wait', WORDS.wait2, WORDS.notReadyNothingToDo],
  ['not', WORDS.notToday2, WORDS.aGateSpeaksAgainstIt],
] as const;

/** What may go out today, what waits for which gate, and how what went out stands. */
export function PlantOut({ initial }: { readonly initial: PlantView }) {
  const { view, refresh } = useView<PlantView>('/api/planting', initial);
  const [said, setSaid] = useState('');
  const [ready, setReady] = useState(false);
  const [openId, setOpenId] = useState<number | null>(
    () =>
      (initial.lines.find((l) => l.verdict === 'plant') ?? initial.lines.find((l) => l.unlikely) ?? initial.lines[0])
        ?.batchId ?? null,
  );
  const sending = useRef(false);
  useEffect(() => setReady(true), []);

  async function log(
    batchId: number,
    line: Omit<LogLine, 'idempotencyKey' | 'day'>,
    words: string,
  ): Promise<string | null> {
    if (sending.current) return null;
    sending.current = true;
    const answer = await postLine(batchId, { idempotencyKey: freshKey(), day: isoFromDay(view.today), ...line });
    sending.current = false;
    if (answer.kind === 'problem' || answer.kind === 'offline') {
      setSaid(trouble(answer));
      return trouble(answer);
    }
    setSaid('');
    sayLogged(words, batchId, isoFromDay(view.today), answer, refresh);
    if (answer.kind === 'done') await refresh();
    return null;
  }
  async function change(line: PlantLine, body: Record<string, unknown>, words: string): Promise<void> {
    const answer = await writeNow('PATCH', `/api/batch/${line.batchId}`, { version: line.version, ...body });
    setSaid(answer.kind === 'done' ? words : trouble(answer));
    await refresh();
  }

  const { lines, today, unit } = view;
  const counts = Object.fromEntries(VERDICTS.map(([key]) => [key, lines.filter((l) => l.verdict === key)])) as Record<
    PlantLine['verdict'],
    PlantLine[]
  >;
  const plants = counts.plant.reduce((sum, l) => sum + l.plants, 0);
  return (
    <div data-ready={ready}>
      <div className="flex flex-wrap items-end gap-x-8 gap-y-2">
        <h1>{WORDS.plantOut}</h1>
        <p className="flex items-baseline gap-2">
          {WORDS.mayGoOutToday(
            <span key="1" className="num text-4xl">
              {counts.plant.length}
            </span>,
            plants > 0 ? `, ${counted(plants, WORDS.plant)}` : '',
          )}
        </p>
        <p className="flex items-baseline gap-2">
          {WORDS.wait(
            <span key="2" className="num text-2xl">
              {counts.wait.length}
            </span>,
          )}
        </p>
        <p className="flex items-baseline gap-2">
          {WORDS.notToday(
            <span key="3" className="num text-2xl">
              {counts.not.length}
            </span>,
          )}
        </p>
        {view.soil_C !== null && (
          <p className="flex items-baseline gap-2 text-ink2">
            {WORDS.soilAt(
              length(100),
              <span key="4" className="num text-2xl text-ink">
                {degreesWords(view.soil_C, unit)}
              </span>,
              view.soilReadOn === null ? WORDS.neverReadHere : WORDS.read(spokenDay(view.soilReadOn, today)),
              <a key="5" href="/weather/readings">
                {WORDS.readIt}
              </a>,
            )}
          </p>
        )}
      </div>
      <p role="status" aria-live="polite" className={said ? 'note-bar my-2' : 'sr-only'}>
        {said}
      </p>
      <ForecastAge forecast={view.forecast} />
      {lines.length === 0 && (
        <Empty drawing="tray">
          <p>
            {WORDS.nothingIsToGoOut(
              <a key="6" href="/plan/season">
                {WORDS.season}
              </a>,
            )}
          </p>
        </Empty>
      )}
      {/* One list with its headings, so that a batch a gate moves keeps what was typed in it. */}
      {VERDICTS.flatMap(([key, name, words]) =>
        counts[key].length === 0
          ? []
          : [
              <div key={key} className="mt-5 flex flex-wrap items-baseline gap-3 border-b-2 border-ink pb-1">
                <h2 className={key === 'not' ? 'text-brick' : ''}>{name}</h2>
                <span className="text-ink2">
                  {counted(counts[key].length, WORDS.batch2, WORDS.batches)}: {words}
                </span>
              </div>,
              ...counts[key].map((line) => (
                <BatchGates
                  key={line.batchId}
                  line={line}
                  view={view}
                  open={openId === line.batchId}
                  onOpen={() => setOpenId(openId === line.batchId ? null : line.batchId)}
                  onLog={(l, w) => log(line.batchId, l, w)}
                  onChange={(body, w) => void change(line, body, w)}
                />
              )),
            ],
      )}
      <PlantingList view={view} />
      <Planted view={view} onLog={(id, l, w) => void log(id, l, w)} />
      <p className="mt-6 max-w-[75ch] text-[0.9rem] text-ink2">{WORDS.oddsAreOfSpringsDrawn}</p>
    </div>
  );
}

/** What may go out today: counts, distances, ground and cover, to take along on paper. */
function PlantingList({ view }: { readonly view: PlantView }) {
  const lines = view.lines.filter((l) => l.verdict === 'plant');
  if (lines.length === 0) return null;
  const scale = view.lengthUnit === 'in' ? 2.54 : 1;
  const shown = (cm: number) => Math.round((10 * cm) / scale) / 10;
  const ground = lines.reduce((sum, l) => sum + l.ground_m2, 0);
  return (
    <section className="mt-6">
      <div className="flex flex-wrap items-baseline gap-4">
        <h2>{WORDS.plantingList}</h2>
        <span className="text-ink2">
          {WORDS.ofGround(
            counted(
              lines.reduce((sum, l) => sum + l.plants, 0),
              WORDS.plant,
            ),
            area(ground),
          )}
        </span>
        <button type="button" className="link-btn no-print ml-auto" onClick={() => window.print()}>
          {WORDS.print}
        </button>
      </div>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={WORDS.plantingList}>
        <table className="plain-table mt-1">
          <thead>
            <tr>
              <th className="r">{WORDS.plants}</th>
              <th className="r">{WORDS.trays}</th>
              <th>{WORDS.batch}</th>
              <th>{WORDS.from}</th>
              <th className="r">{WORDS.apart(view.lengthUnit)}</th>
              <th className="r">{WORDS.rows(view.lengthUnit)}</th>
              <th className="r">{WORDS.ground}</th>
              <th>{WORDS.under}</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((l) => (
              <tr key={l.batchId}>
                <td className="r num text-lg">{l.plants}</td>
                <td className="r">{l.trays}</td>
                <td>
                  {l.name} <span className="text-ink2">{l.code}</span>
                </td>
                <td>{l.placeName}</td>
                <td className="r">{shown(l.spacing.plant_cm)}</td>
                <td className="r">{shown(l.spacing.row_cm)}</td>
                <td className="r">{area(l.ground_m2)}</td>
                <td>{l.coverName}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** What went out in the last six weeks, under what, and how it stood after a week. */
function Planted({
  view,
  onLog,
}: {
  readonly view: PlantView;
  readonly onLog: (id: number, line: Omit<LogLine, 'idempotencyKey' | 'day'>, words: string) => void;
}) {
  if (view.planted.length === 0) return null;
  return (
    <section className="mt-6">
      <h2>{WORDS.plantedInTheLastSix}</h2>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={WORDS.plantedOut}>
        <table className="plain-table mid mt-1">
          <thead>
            <tr>
              <th>{WORDS.out}</th>
              <th>{WORDS.batch}</th>
              <th className="r">{WORDS.plants}</th>
              <th>{WORDS.under}</th>
              <th>{WORDS.where}</th>
              <th>{WORDS.today}</th>
              <th>{WORDS.howItStands}</th>
            </tr>
          </thead>
          <tbody>
            {view.planted.map((line) => (
              <tr key={line.batchId}>
                <td>{shortDay(line.plantedOn)}</td>
                <td>
                  <a href={`/batch/${line.batchId}`}>{line.name}</a> <span className="text-ink2">{line.code}</span>
                </td>
                <td className="r num">{line.count ?? ''}</td>
                <td>
                  {line.coverName}
                  {line.covered !== null && (
                    <button
                      type="button"
                      className="link-btn block"
                      onClick={() =>
                        onLog(
                          line.batchId,
                          { kind: 'cover', count: line.covered ? 0 : 1 },
                          WORDS.is(line.name, line.coverName.toLowerCase(), line.covered ? WORDS.off : WORDS.on2),
                        )
                      }
                    >
                      {line.covered ? WORDS.takenOff : WORDS.onAgain}
                    </button>
                  )}
                </td>
                <td>{line.bed}</td>
                <td className="max-w-[22rem]">
                  {line.care.length === 0 ? (
                    <span className="text-ink2">{WORDS.nothingForetold}</span>
                  ) : (
                    capital(line.care.join('; '))
                  )}
                </td>
                <td>
                  <Standing line={line} today={view.today} onLog={onLog} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

function Standing({
  line,
  today,
  onLog,
}: {
  readonly line: PlantedLine;
  readonly today: number;
  readonly onLog: (id: number, line: Omit<LogLine, 'idempotencyKey' | 'day'>, words: string) => void;
}) {
  if (line.stood !== null)
    return (
      <>
        {WORDS.on(
          ESTABLISHMENT_WORDS[line.stood],
          line.stoodCount === null ? '' : WORDS.there(line.stoodCount),
          shortDay(line.stoodOn!),
        )}
      </>
    );
  if (today < line.askOn) return <span className="text-ink2">{WORDS.askedOn(shortDay(line.askOn))}</span>;
  return (
    <span className="flex flex-wrap gap-1.5">
      {ESTABLISHMENT_RESULTS.map((s) => (
        <button
          key={s}
          type="button"
          className="btn"
          onClick={() =>
            onLog(
              line.batchId,
              { kind: 'stood', cause: s, count: s === 'lost' ? 0 : null },
              `${line.name}: ${ESTABLISHMENT_WORDS[s]}`,
            )
          }
        >
          {ESTABLISHMENT_WORDS[s]}
        </button>
      ))}
    </span>
  );
}
