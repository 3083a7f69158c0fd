import { useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { DemoClock } from '../../core/house/nursery.ts';
import { DateField } from '../../ui/kit/DateField.tsx';
import { WORDS } from '../../words/en/weather/clockPanel.ts';

const SPEEDS = [
  { rate: 60, words: 'an hour a minute' },
  { rate: 3600, words: 'an hour a second' },
  { rate: 86_400, words: 'a day a second' },
] as const;

interface Props {
  readonly clock: DemoClock;
  readonly today: number;
  readonly error: string;
  readonly onChange: (body: object) => void;
}

/** The day and speed of the demo's clock. */
export function ClockPanel({ clock, today, error, onChange }: Props) {
  const [day, setDay] = useState(() => isoFromDay(today));
  return (
    <div className="card absolute top-11 left-0 z-40 flex w-72 flex-col gap-3 text-ink shadow-lg" data-typing>
      <DateField
        id="clock-day"
        label={WORDS.demoDay}
        value={day}
        onValue={setDay}
        onCommit={(setTo) => onChange({ setTo })}
      />
      <button type="button" className="btn" onClick={() => onChange({ setTo: isoFromDay(today + 1) })}>
        {WORDS.nextDay}
      </button>
      <div className="field">
        <label htmlFor="clock-rate">{WORDS.speedWhenItRuns}</label>
        <select
          id="clock-rate"
          className="input"
          defaultValue={clock.rate}
          onChange={(e) => onChange({ rate: Number(e.target.value) })}
        >
          <option value={1}>{WORDS.asItIs}</option>
          {SPEEDS.map((speed) => (
            <option key={speed.rate} value={speed.rate}>
              {speed.words}
            </option>
          ))}
        </select>
      </div>
      {error && <p role="alert">{error}</p>}
    </div>
  );
}
