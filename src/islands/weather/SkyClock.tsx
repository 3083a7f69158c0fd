import { DateField } from '../../ui/kit/DateField.tsx';
import { useEffect, useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { localTimeAt } from '../../core/calendar/localDay.ts';
import type { DemoClock } from '../../core/house/nursery.ts';
import { call, trouble } from '../../ui/call.ts';

const SPEEDS = [
  { rate: 60, words: 'an hour a minute' },
  { rate: 3600, words: 'an hour a second' },
  { rate: 86_400, words: 'a day a second' },
] as const;

interface Props {
  readonly clock: DemoClock;
  readonly today: number;
  readonly minute: number;
  readonly timeZone: string;
}

/** The demo's clock in the sky strip: time, run and pause, speed, and a day to set it to. */
export function SkyClock({ clock, today, minute, timeZone }: Props) {
  const [open, setOpen] = useState(false);
  const [day, setDay] = useState(() => isoFromDay(today));
  const [error, setError] = useState('');
  const [shown, setShown] = useState(minute);

  useEffect(() => {
    if (!clock.running) return;
    const tick = setInterval(() => {
      const local = localTimeAt(clock.at_ms + (Date.now() - clock.anchor_ms) * clock.rate, timeZone);
      setShown(local.minute);
      if (local.day !== today && !document.querySelector('[data-typing]')) location.reload();
    }, 1000);
    return () => clearInterval(tick);
  }, [clock, timeZone, today]);

  async function change(body: object): Promise<void> {
    const answer = await call('PUT', '/api/house/clock', body);
    if (answer.kind === 'done') location.reload();
    else setError(trouble(answer));
  }

  const time = `${String(Math.floor(shown / 60)).padStart(2, '0')}:${String(shown % 60).padStart(2, '0')}`;
  return (
    <div className="relative flex items-center gap-2">
      <small>
        <span className="max-[1270px]:sr-only">demo clock </span>
        {time}
      </small>
      <button
        type="button"
        className="min-h-11 min-w-9 cursor-pointer text-[#eef0e8]"
        aria-label={clock.running ? 'Pause the demo clock' : 'Run the demo clock'}
        onClick={() => void change({ running: !clock.running })}
      >
        <span aria-hidden="true">{clock.running ? '❚❚' : '▶'}</span>
      </button>
      <button
        type="button"
        className="min-h-11 cursor-pointer underline underline-offset-4"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        <small>set</small>
      </button>
      {open && (
        <div className="card absolute top-11 left-0 z-40 flex w-72 flex-col gap-3 text-ink shadow-lg" data-typing>
          <DateField
            id="clock-day"
            label="Demo day"
            value={day}
            onValue={setDay}
            onCommit={(setTo) => void change({ setTo })}
          />
          <button type="button" className="btn" onClick={() => void change({ setTo: isoFromDay(today + 1) })}>
            Next day
          </button>
          <div className="field">
            <label htmlFor="clock-rate">Speed when it runs</label>
            <select
              id="clock-rate"
              className="input"
              defaultValue={clock.rate}
              onChange={(e) => void change({ rate: Number(e.target.value) })}
            >
              <option value={1}>as it is</option>
              {SPEEDS.map((speed) => (
                <option key={speed.rate} value={speed.rate}>
                  {speed.words}
                </option>
              ))}
            </select>
          </div>
          {error && <p role="alert">{error}</p>}
        </div>
      )}
    </div>
  );
}
