import { useId } from 'react';
import type { RoundJob, RoundView } from '../../contracts/house/roundView.ts';
import { minutesWords } from '../../ui/minutes.ts';
import { PersonMark } from '../../ui/PersonMark.tsx';
import { WORDS } from '../../words/en/house/round.ts';
import { SOMEBODY, type Choosable, type RoundPlan } from './chooseJobs.ts';
import type { RoundSettings } from './roundSettings.ts';
import { titleOf } from './useRoundLog.ts';

const TIMES = [null, 90, 45, 0] as const;

interface Props {
  readonly view: RoundView;
  readonly settings: RoundSettings;
  readonly half: 'morning' | 'evening';
  readonly plan: RoundPlan;
  /** Jobs still to be done. */
  readonly jobs: readonly RoundJob[];
  /** Places that want water, as jobs. */
  readonly water: readonly Choosable[];
  readonly onChange: (change: Partial<RoundSettings>) => void;
}

/** How much time there is and who is here; what of the round is done in it, and what the rest costs. */
export function RoundTime({ view, settings, half, plan, jobs, water, onChange }: Props) {
  const id = useId();
  const { minutes, here } = settings;
  const told = new Map<string, Choosable & { readonly title: string }>([
    ...jobs.map((job) => [job.key, { ...job, title: titleOf(job) }] as const),
    ...water.map((work) => [work.key, { ...work, title: WORDS.waterAt(placeOf(view, work)) }] as const),
  ]);
  const left = plan.left.flatMap((key) => told.get(key) ?? []);
  const late = left.filter(({ leaving }) => leaving.late_days > 0).length;
  const plants = Math.round(
    left.reduce(
      (sum, { leaving }) => sum + (leaving.cause === 'said' || leaving.cause === 'check' ? 0 : leaving.plants),
      0,
    ),
  );
  const name = (person: number) => view.people.find(({ id: one }) => one === person)?.initials ?? '';
  return (
    <section className="no-print mt-3" aria-label={WORDS.howMuchTime}>
      <div className="grid grid-cols-4 gap-2 min-[700px]:flex" role="group" aria-label={WORDS.howMuchTime}>
        {TIMES.map((time) => (
          <button
            key={String(time)}
            type="button"
            className="btn min-h-12 px-1 leading-tight"
            aria-pressed={minutes === time}
            onClick={() => onChange({ minutes: time })}
          >
            {time === null ? WORDS.all : time === 0 ? WORDS.onlyToday : WORDS.minutesShort(time)}
          </button>
        ))}
      </div>
      <details className="mt-1">
        <summary className="link-btn inline-flex min-h-12 items-center gap-1.5 text-ink">
          {minutes === null ? WORDS.allTakes(sharesWords(plan, name)) : WORDS.chosen(sharesWords(plan, name))}
          {left.length > 0 && WORDS.leavingCosts(left.length, late, plants)}
        </summary>
        <div className="card mt-1 max-w-3xl">
          <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
            <div className="field w-32">
              <label htmlFor={`${id}m`}>{WORDS.minutesThereAre}</label>
              <input
                id={`${id}m`}
                className="input"
                inputMode="numeric"
                value={minutes ?? ''}
                placeholder={WORDS.all}
                onChange={(e) => {
                  const typed = e.target.value.replace(/\D/g, '').slice(0, 3);
                  onChange({ minutes: typed === '' ? null : Math.min(600, Number(typed)) });
                }}
              />
            </div>
            <div role="group" aria-label={WORDS.halfOfTheDay} className="flex gap-2">
              {(['morning', 'evening'] as const).map((one) => (
                <button
                  key={one}
                  type="button"
                  className="btn min-h-12"
                  aria-pressed={half === one}
                  onClick={() => onChange({ half: one })}
                >
                  {WORDS.halves[one]}
                </button>
              ))}
            </div>
            {view.people.length > 0 && (
              <div role="group" aria-label={WORDS.whoIsHere} className="flex flex-wrap gap-2">
                {view.people.map((person) => (
                  <button
                    key={person.id}
                    type="button"
                    className="btn min-h-12 gap-1.5"
                    aria-pressed={here.includes(person.id)}
                    aria-label={WORDS.isHere(person.name)}
                    onClick={() =>
                      onChange({
                        here: here.includes(person.id)
                          ? here.filter((one) => one !== person.id)
                          : [...here, person.id].slice(-6),
                      })
                    }
                  >
                    <PersonMark mark={person.mark} size={12} />
                    {person.initials}
                  </button>
                ))}
              </div>
            )}
          </div>
          {left.length > 0 && (
            <>
              <h2 className="mt-4 text-base">{WORDS.leftUntilTomorrow}</h2>
              <ul className="mt-1">
                {left.map((job) => (
                  <li key={job.key} className="border-b border-line py-1">
                    {job.title}{' '}
                    <span className="text-ink2">
                      {WORDS.minutesAndCost(minutesWords(job.minutes), job.leavingWords)}
                    </span>
                  </li>
                ))}
              </ul>
            </>
          )}
          <p className="mt-3 text-[0.92rem] text-ink2">{WORDS.howItIsChosen}</p>
        </div>
      </details>
    </section>
  );
}

const placeOf = ({ places }: RoundView, { key }: Choosable): string =>
  places.find(({ water }) => water?.work?.key === key)?.name ?? '';

function sharesWords(plan: RoundPlan, name: (person: number) => string): string {
  return plan.shares
    .map(({ person, minutes }) =>
      person === SOMEBODY ? minutesWords(minutes) : WORDS.personMinutes(name(person), minutesWords(minutes)),
    )
    .join(', ');
}
