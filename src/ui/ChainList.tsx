import { MILESTONE_WORDS, type Chain } from '../core/plan/schedule/chain.ts';
import { placeOfStage, type Stage, type StagePlaces } from '../core/plan/stage.ts';
import { type Place } from '../core/books/place.ts';
import type { TemperatureUnit } from '../core/units/temperature.ts';
import { ExplanationText } from './ExplanationText.tsx';
import { spokenDay } from './format.ts';
import { WORDS } from '../words/en/ui/chainList.ts';

const STAGE_AT: Readonly<Partial<Record<keyof typeof MILESTONE_WORDS, Stage>>> = {
  sow: 'germinate',
  'off-heat': 'grow',
  arrive: 'grow',
  pot: 'pot',
  space: 'space',
  harden: 'harden',
};

interface Props {
  readonly chain: Chain;
  /** Chain before a change, to show what moves. */
  readonly before?: Chain | null;
  readonly places: StagePlaces;
  readonly placeList: readonly Pick<Place, 'id' | 'name'>[];
  readonly today: number;
  readonly unit: TemperatureUnit;
}

/** The chain of dates; each opens on its because. */
export function ChainList({ chain, before, places, placeList, today, unit }: Props) {
  return (
    <ol>
      {chain.milestones.map((milestone, i) => {
        const stage = STAGE_AT[milestone.key];
        const place = stage && placeList.find((p) => p.id === placeOfStage(places, stage))?.name;
        const old = before?.milestones.find((m) => m.key === milestone.key);
        const since = i === 0 ? 0 : milestone.day - chain.milestones[i - 1]!.day;
        const shift = old ? milestone.day - old.day : 0;
        return (
          <li key={milestone.key} className="border-b border-dotted border-line">
            <details>
              <summary className="flex min-h-9 items-center gap-2 py-1">
                <span className="marker w-3 text-ink3" aria-hidden="true">
                  ›
                </span>
                <span className="flex-1">
                  {MILESTONE_WORDS[milestone.key]}
                  {place && <span className="text-ink2">, {place}</span>}
                  {since > 0 && <span className="text-[0.85rem] text-ink3"> {since}&nbsp;d</span>}
                </span>
                {shift !== 0 && (
                  <span className="tag">
                    {shift > 0 ? '+' : '−'}
                    {Math.abs(shift)} d
                  </span>
                )}
                {milestone.status === 'done' && <span className="text-[0.85rem] text-ink2">{WORDS.done}</span>}
                <span className="num text-[1.05rem]">{spokenDay(milestone.day, today)}</span>
              </summary>
              <ExplanationText explanation={milestone.explanation} unit={unit} />
            </details>
          </li>
        );
      })}
    </ol>
  );
}
