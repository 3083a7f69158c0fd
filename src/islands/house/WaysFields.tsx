import type { LocalWays } from '../../contracts/house/begin.ts';
import { WORDS } from '../../words/en/house/waysFields.ts';

interface Props {
  readonly ways: LocalWays | null;
  readonly wrong: (path: string) => string | undefined;
  readonly onChange: (ways: LocalWays) => void;
}

const WEEKDAYS = [
  WORDS.monday,
  WORDS.tuesday,
  WORDS.wednesday,
  WORDS.thursday,
  WORDS.friday,
  WORDS.saturday,
  WORDS.sunday,
];
const zones = (): string[] => Intl.supportedValuesOf('timeZone');
const currencies = (): string[] => Intl.supportedValuesOf('currency');

/** Units, money, week and time zone: as the country has them, changed where it is otherwise. */
export function WaysFields({ ways, wrong, onChange }: Props) {
  if (!ways) return <p className="text-ink2">{WORDS.asYourCountryDoesIt}</p>;
  const set = (part: Partial<LocalWays>) => onChange({ ...ways, ...part });
  return (
    <>
      <p>
        <b className="font-semibold">
          {[
            `°${ways.temperatureUnit}`,
            ways.lengthUnit === 'in' ? WORDS.inches : WORDS.centimetres,
            ways.currency,
            WORDS.theWeekFrom(WEEKDAYS[ways.firstWeekday - 1]),
            ways.timeZone.replaceAll('_', ' '),
          ].join(', ')}
        </b>
      </p>
      <details className="mt-1">
        <summary className="text-[0.95rem] text-ink2">{WORDS.change}</summary>
        <div className="mt-2 grid gap-3 sm:grid-cols-2">
          <Choice
            id="begin-temperature"
            label={WORDS.temperatures}
            value={ways.temperatureUnit}
            options={[
              ['C', WORDS.celsius],
              ['F', WORDS.fahrenheit],
            ]}
            onValue={(temperatureUnit) => set({ temperatureUnit: temperatureUnit as 'C' | 'F' })}
          />
          <Choice
            id="begin-length"
            label={WORDS.lengths}
            value={ways.lengthUnit}
            options={[
              ['cm', WORDS.centimetres],
              ['in', WORDS.inches],
            ]}
            onValue={(lengthUnit) => set({ lengthUnit: lengthUnit as 'cm' | 'in' })}
          />
          <Choice
            id="begin-currency"
            label={WORDS.money}
            value={ways.currency}
            options={currencies().map((code) => [code, code])}
            error={wrong('currency')}
            onValue={(currency) => set({ currency })}
          />
          <Choice
            id="begin-week"
            label={WORDS.weekBeginsOn}
            value={String(ways.firstWeekday)}
            options={WEEKDAYS.map((day, i) => [String(i + 1), day])}
            onValue={(day) => set({ firstWeekday: Number(day) })}
          />
          <Choice
            id="begin-zone"
            label={WORDS.timeZone}
            value={ways.timeZone}
            options={[...new Set([ways.timeZone, ...zones()])].map((zone) => [zone, zone.replaceAll('_', ' ')])}
            error={wrong('timeZone')}
            onValue={(timeZone) => set({ timeZone })}
          />
        </div>
      </details>
    </>
  );
}

interface ChoiceProps {
  readonly id: string;
  readonly label: string;
  readonly value: string;
  readonly options: readonly (readonly [string, string])[];
  readonly error?: string | undefined;
  readonly onValue: (value: string) => void;
}

function Choice({ id, label, value, options, error, onValue }: ChoiceProps) {
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <select
        id={id}
        className="input"
        value={value}
        aria-invalid={error ? true : undefined}
        onChange={(e) => onValue(e.target.value)}
      >
        {options.map(([key, words]) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
      </select>
      {error && <span className="err">{error}</span>}
    </div>
  );
}
