import { format, parseISO } from 'date-fns';
import { DayPicker } from 'react-day-picker';
import 'react-day-picker/style.css';
import { frostMayCome, type FrostDays } from '../../core/calendar/frostSeason.ts';
import { house } from '../house.ts';
import { WORDS } from '../../words/en/ui/calendar.ts';

interface Props {
  readonly value: string;
  readonly min?: string | undefined;
  readonly max?: string | undefined;
  readonly onPick: (iso: string) => void;
}

const isoOf = (day: Date): string => format(day, 'yyyy-MM-dd');
const dayOf = (iso: string | undefined): Date | undefined =>
  iso !== undefined && /^\d{4}-\d\d-\d\d$/.test(iso) ? parseISO(iso) : undefined;

/** A month of days in the house's week, with week numbers and the days on which frost may come. */
export default function Calendar({ value, min, max, onPick }: Props) {
  const { today, firstWeekday, lastFrost, firstFrost } = house();
  const frost: FrostDays = { lastFrost, firstFrost };
  const selected = dayOf(value);
  const from = dayOf(min);
  const to = dayOf(max);
  return (
    <DayPicker
      mode="single"
      autoFocus
      showWeekNumber
      weekStartsOn={(firstWeekday % 7) as 0 | 1 | 6}
      // Weeks from Monday are numbered by ISO 8601: the first is the one with 4 January in it. Others begin with 1 January's.
      firstWeekContainsDate={firstWeekday === 1 ? 4 : 1}
      today={parseISO(today)}
      selected={selected}
      defaultMonth={selected ?? to ?? parseISO(today)}
      disabled={[...(from ? [{ before: from }] : []), ...(to ? [{ after: to }] : [])]}
      modifiers={{ frost: (day) => frostMayCome(isoOf(day), frost) }}
      modifiersClassNames={{ frost: 'kit-frost' }}
      onSelect={(day) => day && onPick(isoOf(day))}
      footer={
        <p className="mt-1 border-t border-line pt-2 text-[0.85rem] text-ink2">
          {WORDS.frostMayComeByThe(<i key="1" className="kit-frost-key" aria-hidden="true" />)}
        </p>
      }
    />
  );
}
