import { useDrag } from '@use-gesture/react';
import { useRef } from 'react';
import type { Decision } from '../../core/hardening/ladder.ts';
import type { LadderView } from '../../contracts/hardening/hardenViews.ts';
import { counted, shortDay } from '../../ui/format.ts';
import { treads } from './stairs.ts';
import { WORDS } from '../../words/en/hardening/ladderRow.ts';

export const COLUMN = 72;
const HEIGHT = 88;
/** Room for the words under the lowest tread, and over the highest. */
const BASE = 44;
const TOP = 6;
/** A ladder is held by a drag along its days; up and down the page is scrolled. */
const ALONG = { axis: 'x', threshold: 3, filterTaps: true, pointer: { keys: false } } as const;
export const SAY_WORDS = { go: WORDS.go, hold: WORDS.hold, back: WORDS.back } as const;

interface Props {
  readonly ladder: LadderView;
  readonly today: number;
  readonly days: number;
  readonly chosen: boolean;
  /** As it is, or as tried. */
  readonly decisions: readonly Decision[] | null;
  /** Day until which a hold is tried; null: none. */
  readonly trialUntil: number | null;
  readonly onChoose: () => void;
  readonly onTry: (until: number | null) => void;
  readonly onKeep: () => void;
}

/** A batch's ladder against the days: stairs that climb, dashed where it is held, down in brick where it goes back. */
export function LadderRow({ ladder, today, days, chosen, decisions, trialUntil, onChoose, onTry, onKeep }: Props) {
  const plot = useRef<SVGSVGElement>(null);
  const shown = decisions ?? ladder.days;
  const first = (ladder.days[0]?.day ?? today) - today;
  const steps = treads(shown, first, ladder.rungs.length, { column: COLUMN, height: HEIGHT, top: TOP, base: BASE });
  const dayAt = (clientX: number): number => {
    const box = plot.current!.getBoundingClientRect();
    return today + Math.max(0, Math.min(days, Math.round(((clientX - box.left) / box.width) * days)));
  };
  const hold = useDrag(({ xy: [clientX], cancel }) => {
    if (ladder.startsOn !== null) return cancel();
    onTry(dayAt(clientX));
  }, ALONG);
  const words =
    ladder.startsOn === null
      ? WORDS.onStepOf(ladder.rung, ladder.rungs.length)
      : WORDS.begins(shortDay(ladder.startsOn));
  const held = trialUntil === null ? '' : WORDS.heldUntil(shortDay(trialUntil));
  const until = trialUntil ?? Math.max(today, ladder.heldUntil);
  return (
    <svg
      ref={plot}
      viewBox={`0 0 ${COLUMN * days} ${HEIGHT}`}
      className={`block h-[88px] w-full touch-pan-y ${ladder.startsOn === null ? 'cursor-grab' : ''}`}
      preserveAspectRatio="none"
      role="slider"
      tabIndex={0}
      aria-label={WORDS.leftAndRightHoldIt(ladder.name, words)}
      aria-valuemin={0}
      aria-valuemax={days}
      aria-valuenow={until - today}
      aria-valuetext={`${words}${held}`}
      onFocus={onChoose}
      onKeyDown={(e) => {
        if (ladder.startsOn !== null) return;
        const step = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0;
        if (step !== 0) {
          e.preventDefault();
          onTry(Math.max(today, Math.min(today + days, until + step)));
        } else if (e.key === 'Enter' && trialUntil !== null) onKeep();
        else if (e.key === 'Escape') onTry(null);
      }}
      onPointerDown={onChoose}
      {...hold()}
    >
      {steps.map((s, i) => (
        <g key={i}>
          <line x1={s.x} x2={s.x} y1="0" y2={HEIGHT} className="stroke-line" vectorEffect="non-scaling-stroke" />
          <rect
            x={s.x}
            y={s.y}
            width={s.width}
            height={HEIGHT - s.y}
            className={s.say === 'back' ? 'fill-brick-soft' : chosen ? 'fill-plum-soft' : 'fill-[#e6e8df]'}
          />
          {i > 0 && (
            <line
              x1={s.x}
              x2={s.x}
              y1={steps[i - 1]!.y}
              y2={s.y}
              className={chosen ? 'stroke-plum' : 'stroke-ink'}
              strokeWidth="2.5"
              vectorEffect="non-scaling-stroke"
            />
          )}
          <line
            x1={s.x}
            x2={s.x + s.width}
            y1={s.y}
            y2={s.y}
            className={s.say === 'back' ? 'stroke-brick' : chosen ? 'stroke-plum' : 'stroke-ink'}
            strokeWidth="3"
            strokeDasharray={s.say === 'hold' ? '5 4' : undefined}
            vectorEffect="non-scaling-stroke"
          />
        </g>
      ))}
      {trialUntil !== null && trialUntil > today && (
        <line
          x1={(trialUntil - today) * COLUMN}
          x2={(trialUntil - today) * COLUMN}
          y1="0"
          y2={HEIGHT}
          className="stroke-plum"
          strokeWidth="3"
          strokeDasharray="2 3"
          vectorEffect="non-scaling-stroke"
        />
      )}
    </svg>
  );
}

/** The words over a row's columns, apart from the drawing so that letters keep their shape. */
export function RowWords({ ladder, today, days, decisions }: Pick<Props, 'ladder' | 'today' | 'days' | 'decisions'>) {
  const shown = decisions ?? ladder.days;
  const first = (ladder.days[0]?.day ?? today) - today;
  return (
    <div className="pointer-events-none absolute inset-x-0 top-0 grid h-[88px] grid-cols-10" aria-hidden="true">
      {Array.from({ length: days }, (_, i) => {
        const d = shown[i - first];
        return (
          <span key={i} className="flex flex-col justify-end px-1 pb-1 text-[0.82rem] leading-tight">
            {d && (
              <>
                <span className="num text-base">{d.done ? WORDS.hard : d.rung === 0 ? WORDS.in : d.rung}</span>
                <span className={d.say === 'back' ? 'font-bold text-brick' : 'text-ink2'}>
                  {d.say === 'go' ? (d.climbs ? WORDS.up : ' ') : SAY_WORDS[d.say]}
                </span>
              </>
            )}
          </span>
        );
      })}
    </div>
  );
}

/** "81% in time", with the hardened days. */
export function endWords(ladder: Pick<LadderView, 'end' | 'hardened'>, today: number): string {
  if (ladder.hardened) return 'hardened';
  const { end } = ladder;
  if (!end?.p50) return WORDS.finishDateUnknown;
  const day = (d: number | null) => (d === null ? 'later' : shortDay(d));
  if (end.p10 === end.p90) return WORDS.hardened(day(end.p50));
  return WORDS.hardenedToInEightSprings(
    day(end.p50),
    day(end.p10),
    day(end.p90),
    end.p50 - today > 0 ? `, ${counted(end.p50 - today, WORDS.day)}` : '',
  );
}
