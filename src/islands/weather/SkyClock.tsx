import { later } from '../../ui/kit/later.tsx';
import { Suspense, useEffect, useRef, useState } from 'react';
import { localTimeAt } from '../../core/calendar/localDay.ts';
import type { DemoClock } from '../../core/house/nursery.ts';
import { trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { WORDS } from '../../words/en/weather/skyClock.ts';

const ClockPanel = later(() => import('./ClockPanel.tsx').then((m) => m.ClockPanel));

interface Props {
  readonly clock: DemoClock;
  readonly today: number;
  readonly minute: number;
  readonly timeZone: string;
}

/** On another day every form and drawing begins with that day: the page is another. */
const pageOfToday = (): void => location.replace(location.href);

/** The demo's clock in the sky strip: time, run and pause, speed, and a day to set it to. */
export function SkyClock({ clock, today, minute, timeZone }: Props) {
  const [open, setOpen] = useState(false);
  const setter = useRef<HTMLButtonElement>(null);
  const [error, setError] = useState('');
  const [shown, setShown] = useState(minute);

  useEffect(() => {
    if (!clock.running) return;
    const tick = setInterval(() => {
      const local = localTimeAt(clock.at_ms + (Date.now() - clock.anchor_ms) * clock.rate, timeZone);
      setShown(local.minute);
      if (local.day !== today && !document.querySelector('[data-typing]')) pageOfToday();
    }, 1000);
    return () => clearInterval(tick);
  }, [clock, timeZone, today]);

  async function change(body: object): Promise<void> {
    const answer = await writeNow('PUT', '/api/house/clock', body);
    if (answer.kind !== 'done') return setError(trouble(answer));
    setError('');
    if ('setTo' in body) pageOfToday();
  }

  const time = `${String(Math.floor(shown / 60)).padStart(2, '0')}:${String(shown % 60).padStart(2, '0')}`;
  return (
    <div className="relative flex items-center gap-2">
      <small>
        <span className="max-[1270px]:sr-only">{WORDS.demoClock}</span>
        {time}
      </small>
      <button
        type="button"
        className="min-h-11 min-w-9 cursor-pointer text-[#eef0e8]"
        aria-label={clock.running ? WORDS.pauseTheDemoClock : WORDS.runTheDemoClock}
        onClick={() => void change({ running: !clock.running })}
      >
        <span aria-hidden="true">{clock.running ? '❚❚' : '▶'}</span>
      </button>
      <button
        ref={setter}
        type="button"
        className="min-h-11 cursor-pointer underline underline-offset-4"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        <small>{WORDS.set}</small>
      </button>
      {open && (
        <Suspense fallback={null}>
          <ClockPanel
            clock={clock}
            today={today}
            error={error}
            onChange={(body) => void change(body)}
            anchor={setter}
            onClose={() => setOpen(false)}
          />
        </Suspense>
      )}
    </div>
  );
}
