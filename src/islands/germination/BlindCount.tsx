import { useEffect, useRef, useState } from 'react';
import { recall, remember } from '../../ui/remembered.ts';
import { Dialog } from '../../ui/kit/Dialog.tsx';
import { WORDS } from '../../words/en/germination/blindCount.ts';

interface Props {
  readonly title: string;
  readonly count: number;
  readonly most: number;
  readonly onCount: (count: number) => void;
  readonly onClose: () => void;
}

/** How this device counts without being looked at. */
interface Feel {
  readonly sound: boolean;
  readonly buzz: boolean;
  /** Fewer stands at the right, so that the left thumb lies on more. */
  readonly left: boolean;
}
const USUAL: Feel = { sound: false, buzz: true, left: false };
const NAME = 'crook.blind-count';
const EVERY = 10;

/** Keys of the volume, of a remote shutter and of a keyboard. */
const MORE = new Set(['AudioVolumeUp', 'VolumeUp', '+', ' ', 'Enter', 'ArrowUp']);
const FEWER = new Set(['AudioVolumeDown', 'VolumeDown', '-', 'Backspace', 'ArrowDown']);

/** Counting with the eyes on the tray: one large field, keys, and a sound or a buzz at each ten. */
export function BlindCount({ title, count, most, onCount, onClose }: Props) {
  const [feel, setFeel] = useState<Feel>(() => recall(NAME, USUAL));
  const audio = useRef<AudioContext | null>(null);
  const now = useRef(count);
  useEffect(() => {
    now.current = count;
  });

  function by(step: number): void {
    const next = Math.max(0, Math.min(most, now.current + step));
    if (next === now.current) return;
    now.current = next;
    onCount(next);
    if (step > 0 && next % EVERY === 0) signal();
  }

  function signal(): void {
    if (feel.buzz) (navigator as { vibrate?: (ms: number) => boolean }).vibrate?.(120);
    if (!feel.sound) return;
    audio.current ??= new AudioContext();
    const tone = audio.current.createOscillator();
    tone.frequency.value = 880;
    tone.connect(audio.current.destination);
    tone.start();
    tone.stop(audio.current.currentTime + 0.12);
  }

  const step = useRef(by);
  useEffect(() => {
    step.current = by;
  });
  useEffect(() => {
    const keys = (e: KeyboardEvent) => {
      const on = (e.target as HTMLElement | null)?.closest('button, input, label');
      // A button that is stepped onto does what it says.
      if (on && (e.key === ' ' || e.key === 'Enter')) return;
      if (MORE.has(e.key)) step.current(1);
      else if (FEWER.has(e.key)) step.current(-1);
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, []);

  const change = (part: Partial<Feel>) => {
    const next = { ...feel, ...part };
    setFeel(next);
    remember(NAME, next);
  };

  return (
    <Dialog open title={WORDS.countWithoutLooking(title)} onOpenChange={(open) => !open && onClose()}>
      <p className="text-[0.92rem] text-ink2">{WORDS.how}</p>
      <div className={`mt-3 flex gap-2 ${feel.left ? 'flex-row-reverse' : ''}`}>
        <button type="button" className="btn min-h-64 w-20 text-3xl" aria-label={WORDS.oneFewer} onClick={() => by(-1)}>
          −
        </button>
        <button
          type="button"
          className="btn solid min-h-64 flex-1 touch-manipulation"
          aria-label={WORDS.oneMore}
          onClick={() => by(1)}
        >
          <span className="num text-7xl" aria-hidden="true">
            {count}
          </span>
        </button>
      </div>
      <p className="sr-only" role="status">
        {count % EVERY === 0 ? WORDS.up(count) : ''}
      </p>
      <div className="mt-3 grid grid-cols-3 gap-2">
        {(['sound', 'buzz', 'left'] as const).map((key) => (
          <button
            key={key}
            type="button"
            className="btn min-h-12 px-1"
            aria-pressed={feel[key]}
            onClick={() => change({ [key]: !feel[key] })}
          >
            {WORDS.feels[key]}
          </button>
        ))}
      </div>
      <button type="button" className="btn mt-3 min-h-14 w-full" onClick={onClose}>
        {WORDS.done}
      </button>
    </Dialog>
  );
}
