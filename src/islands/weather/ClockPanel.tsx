import { useState, type RefObject } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { DemoClock } from '../../core/house/nursery.ts';
import { Beside } from '../../ui/kit/Beside.tsx';
import { DateField } from '../../ui/kit/DateField.tsx';
import { WORDS } from '../../words/en/weather/clockPanel.ts';

const SPEEDS = [
  { rate: 60, words: WORDS.hourAMinute },
  { rate: 3600, words: WORDS.hourASecond },
  { rate: 86_400, words: WORDS.dayASecond },
] as const;

interface Props {
  readonly clock: DemoClock;
  readonly today: number;
  readonly error: string;
  readonly onChange: (body: object) => void;
  readonly anchor: RefObject<HTMLElement | null>;
  readonly onClose: () => void;
}

/** The day and speed of the demo's clock. */
export function ClockPanel({ clock, today, error, onChange, anchor, onClose }: Props) {
  const [day, setDay] = useState(() => isoFromDay(today));
  return (
    <Beside
      anchor={anchor}
      label={WORDS.demoDay}
      align="start"
      className="kit-pop flex w-72 flex-col gap-3 p-4"
      onClose={onClose}
    >
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
    </Beside>
  );
}
