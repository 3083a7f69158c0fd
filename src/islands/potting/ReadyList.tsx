import { Empty } from '../../ui/kit/Empty.tsx';
import { money } from '../../ui/house.ts';
import { useView, writeNow } from '../../ui/kit/data.ts';
import { useEffect, useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { Sign } from '../../core/batch/event.ts';
import type { ReadyLine } from '../../contracts/potting/potting.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { counted, shortDay, spokenDay } from '../../ui/format.ts';
import { postLine } from '../../ui/logPost.ts';
import { SAYS_WORDS, SIGN_TAPS } from './words.ts';
import { WORDS } from '../../words/en/potting/readyList.ts';

interface Props {
  readonly initial: readonly ReadyLine[];
  readonly today: number;
}

/** What is ready for more room: signs in one tap, what waiting costs, and a session of what is ticked. */
export function ReadyList({ initial, today }: Props) {
  const { view, refresh } = useView<{ ready: readonly ReadyLine[] }>('/api/potting/ready', { ready: initial });
  const lines = view.ready;
  const [chosen, setChosen] = useState<readonly number[]>([]);
  const [said, setSaid] = useState('');
  const [busy, setBusy] = useState(false);
  const [leaves, setLeaves] = useState<{ readonly id: number; readonly n: number } | null>(null);
  const [ready, setReady] = useState(false);
  const [key] = useState(freshKey);
  useEffect(() => setReady(true), []);

  async function sign(line: ReadyLine, cause: Sign, count: number | null): Promise<void> {
    if (busy) return;
    setBusy(true);
    const answer = await postLine(line.batchId, {
      idempotencyKey: freshKey(),
      kind: 'sign',
      day: isoFromDay(today),
      cause,
      count,
    });
    setBusy(false);
    setLeaves(null);
    if (answer.kind === 'problem' || answer.kind === 'offline') return setSaid(trouble(answer));
    const words = count === null ? SIGN_TAPS[cause].toLowerCase() : WORDS.trueLeaves(count);
    setSaid(`${line.name}: ${words}${answer.kind === 'kept' ? WORDS.keptOnThisDevice : ''}.`);
    await refresh();
  }

  async function plan(): Promise<void> {
    setBusy(true);
    const answer = await writeNow<{ id: number }>('POST', '/api/potting/sessions', {
      idempotencyKey: `${key}${chosen.join()}`.slice(0, 100),
      batchIds: chosen,
    });
    setBusy(false);
    if (answer.kind === 'done') location.assign(`/potting/sessions/${answer.value.id}`);
    else setSaid(trouble(answer));
  }

  const groups = (['urgent', 'now', 'soon', 'later'] as const)
    .map((says) => ({ says, here: lines.filter((l) => l.says === says) }))
    .filter(({ here }) => here.length > 0);
  const toggle = (ids: readonly number[], on: boolean) =>
    setChosen(on ? [...new Set([...chosen, ...ids])] : chosen.filter((id) => !ids.includes(id)));
  const plants = lines.filter((l) => chosen.includes(l.batchId)).reduce((sum, l) => sum + l.plants, 0);

  return (
    <div data-ready={ready} className="pb-24">
      <p role="status" aria-live="polite" className={said ? 'note-bar my-2' : 'sr-only'}>
        {said}
      </p>
      {lines.length === 0 && (
        <Empty drawing="bench">
          <p>{WORDS.nothingIsNearItsPot}</p>
        </Empty>
      )}
      {groups.map(({ says, here }) => {
        const ids = here.filter((l) => l.inSession === null).map((l) => l.batchId);
        return (
          <section key={says} className="mt-5" aria-label={SAYS_WORDS[says]}>
            <div className="flex items-end gap-3 border-b-2 border-ink pb-1">
              <h2 className={says === 'urgent' ? 'text-brick' : ''}>{SAYS_WORDS[says]}</h2>
              <span className="text-ink2">{counted(here.length, WORDS.batch, WORDS.batches)}</span>
              {ids.length > 1 && (
                <button
                  type="button"
                  className="link-btn ml-auto"
                  onClick={() => toggle(ids, !ids.every((id) => chosen.includes(id)))}
                >
                  {ids.every((id) => chosen.includes(id)) ? WORDS.noneOfThese : WORDS.allOfThese}
                </button>
              )}
            </div>
            <ul>
              {here.map((line) => (
                <li
                  key={line.batchId}
                  className="grid grid-cols-[auto_auto_minmax(0,1fr)] gap-x-3 border-b border-line py-2.5 min-[1000px]:grid-cols-[auto_auto_minmax(0,1fr)_auto]"
                >
                  <label className="flex min-h-11 min-w-11 items-center justify-center">
                    <input
                      type="checkbox"
                      className="size-6 accent-plum"
                      aria-label={WORDS.pot(line.name)}
                      disabled={line.inSession !== null}
                      checked={chosen.includes(line.batchId)}
                      onChange={(e) => toggle([line.batchId], e.target.checked)}
                    />
                  </label>
                  <Left days={line.harmOn - today} />
                  <div>
                    <p className="leading-snug">
                      <span className="num text-[1.15rem]">{line.plants}</span>{' '}
                      <a className="font-semibold" href={`/batch/${line.batchId}`}>
                        {line.name}
                      </a>{' '}
                      <span className="num text-ink2">{line.code}</span>{' '}
                      {line.job !== 'pot' && <span className="tag">{line.jobWords}</span>}{' '}
                      {line.bySign && <span className="tag">{WORDS.byItsSign}</span>}{' '}
                      {line.inSession !== null && (
                        <a href={`/potting/sessions/${line.inSession}`}>{WORDS.inASession}</a>
                      )}
                    </p>
                    <p className="text-[0.95rem] text-ink2 first-letter:uppercase">
                      {line.why.replaceAll('{day}', line.whyDay === null ? '' : spokenDay(line.whyDay, today))}.{' '}
                      {line.harmOn <= today
                        ? WORDS.overItsTimeSinceRoots(shortDay(line.harmOn))
                        : WORDS.canStandUntil(shortDay(line.harmOn))}{' '}
                      {line.waiting && waitWords(line.waiting)}
                    </p>
                    <p className="text-[0.92rem] text-ink2">
                      {WORDS.of(
                        counted(line.trays, WORDS.tray),
                        line.container,
                        line.place && `, ${line.place}`,
                        line.pot && WORDS.traySpacesInSpacedOut(line.slots[0], line.slots[1], line.pot, line.slots[2]),
                      )}
                    </p>
                  </div>
                  <div className="col-span-3 flex flex-wrap items-center gap-1.5 pt-1 min-[1000px]:col-span-1 min-[1000px]:max-w-[480px] min-[1000px]:justify-end">
                    {leaves?.id === line.batchId ? (
                      <>
                        {[2, 3, 4, 5, 6].map((n) => (
                          <button
                            key={n}
                            type="button"
                            className="btn min-w-11"
                            aria-label={WORDS.trueLeavesOn(n, line.name)}
                            onClick={() => void sign(line, 'leaves', n)}
                          >
                            {n}
                          </button>
                        ))}
                        <button type="button" className="link-btn" onClick={() => setLeaves(null)}>
                          {WORDS.cancel}
                        </button>
                      </>
                    ) : (
                      line.signs.map((s) => (
                        <button
                          key={s}
                          type="button"
                          className="btn"
                          disabled={busy}
                          aria-label={`${SIGN_TAPS[s]}: ${line.name}`}
                          onClick={() =>
                            s === 'leaves' ? setLeaves({ id: line.batchId, n: 0 }) : void sign(line, s, null)
                          }
                        >
                          {SIGN_TAPS[s]}
                        </button>
                      ))
                    )}
                  </div>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
      {chosen.length > 0 && (
        <div className="no-print sticky bottom-0 mt-4 flex flex-wrap items-center gap-4 border-t-2 border-ink bg-paper py-3 max-[760px]:bottom-[4.2rem]">
          <span className="num text-2xl">{plants}</span>
          <span className="text-ink2">{WORDS.plantsOf(counted(chosen.length, WORDS.batch, WORDS.batches))}</span>
          <button type="button" className="btn solid ml-auto min-w-52" disabled={busy} onClick={() => void plan()}>
            {WORDS.planASession}
          </button>
        </div>
      )}
    </div>
  );
}

/** Days it can still stand, or stands too long already. */
function Left({ days }: { readonly days: number }) {
  return (
    <div className={`w-16 text-right leading-none ${days < 0 ? 'text-brick' : ''}`}>
      <div className="num text-2xl">{Math.abs(days)}</div>
      <div className="text-[0.8rem] text-ink2">
        {Math.abs(days) === 1 ? WORDS.day : WORDS.days} {days < 0 ? WORDS.over : WORDS.left}
      </div>
    </div>
  );
}

function waitWords({ later_days, checked_count, price }: NonNullable<ReadyLine['waiting']>): string {
  if (later_days <= 0 && checked_count === 0 && price < 0.5) return WORDS.aWeekMoreCostsNothing;
  const late = later_days > 0 ? WORDS.laterOut(counted(later_days, WORDS.day)) : WORDS.noLaterOut;
  const harm = checked_count > 0 ? WORDS.withRootsRunRound(counted(checked_count, WORDS.plant)) : WORDS.noPlantHarmed;
  return WORDS.aWeekMoreAndBy(late, harm, money(price));
}
