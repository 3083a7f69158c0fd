import { later } from './later.tsx';
import { CalendarDays } from 'lucide-react';
import { Suspense, useEffect, useRef, useState, type Ref } from 'react';
import { firstOfFigures, house } from '../house.ts';
import { FieldNotes, notesOf } from './FieldNotes.tsx';
import { dayShown, dayTyped } from './typedDay.ts';
import { WORDS } from '../../words/en/ui/dateField.ts';

// The calendar comes when somebody opens it: most type the day.
const Calendar = later(() => import('./Calendar.tsx').then((m) => m.default));
const Beside = later(() => import('./Beside.tsx').then((m) => m.Beside));

interface Props {
  readonly id: string;
  readonly label: string;
  /** ISO day; what was typed and is no day stays as it was typed. */
  readonly value: string;
  readonly onValue: (value: string) => void;
  /** First and last day that may be chosen in the calendar, ISO. */
  readonly min?: string | undefined;
  readonly max?: string | undefined;
  readonly hint?: string | undefined;
  readonly error?: string | undefined;
  readonly disabled?: boolean | undefined;
  readonly onBlur?: (() => void) | undefined;
  readonly inputRef?: Ref<HTMLElement> | undefined;
  /** Another day is settled: left, confirmed with Enter, or picked. */
  readonly onCommit?: (iso: string) => void;
}

const isoOf = (text: string): string | null => dayTyped(text, house().today, firstOfFigures());

/** A day, typed as one says it or picked from the season's calendar. */
export function DateField(props: Props) {
  const { id, label, value, onValue, min, max, hint, error, disabled, onBlur, inputRef, onCommit } = props;
  const [text, setText] = useState(() => dayShown(value));
  const [typing, setTyping] = useState(false);
  const [open, setOpen] = useState(false);
  const opener = useRef<HTMLButtonElement>(null);
  const committed = useRef(value);
  const commit = (iso: string | null) => {
    if (iso === null || iso === committed.current) return;
    committed.current = iso;
    onCommit?.(iso);
  };
  /** The field is left, or its form is sent: what is no day goes along as it was typed, so that the answer can say so. */
  const settle = () => {
    const iso = isoOf(text);
    if (text.trim() !== '' && iso === null) onValue(text);
    commit(iso);
  };
  useEffect(() => {
    if (!typing) setText(dayShown(value));
  }, [value, typing]);
  return (
    <div className="field">
      <label htmlFor={id} id={`${id}-label`}>
        {label}
      </label>
      <div className="flex min-w-0">
        <input
          id={id}
          ref={inputRef as Ref<HTMLInputElement>}
          className="input min-w-0 flex-1 rounded-r-none"
          type="text"
          autoComplete="off"
          spellCheck={false}
          disabled={disabled}
          value={text}
          aria-invalid={error ? true : undefined}
          aria-describedby={notesOf(props)}
          onFocus={() => setTyping(true)}
          onBlur={() => {
            setTyping(false);
            settle();
            onBlur?.();
          }}
          onKeyDown={(e) => e.key === 'Enter' && settle()}
          onChange={(e) => {
            const typed = e.target.value;
            setText(typed);
            onValue(isoOf(typed) ?? '');
          }}
        />
        <button
          ref={opener}
          type="button"
          disabled={disabled}
          className="btn rounded-l-none border-l-0 px-2"
          aria-label={WORDS.calendar}
          aria-describedby={`${id}-label`}
          aria-haspopup="dialog"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
        >
          <CalendarDays size={18} aria-hidden="true" />
        </button>
        {open && (
          <Suspense fallback={null}>
            <Beside anchor={opener} label={WORDS.calendar2(label)} className="kit-pop" onClose={() => setOpen(false)}>
              <Calendar
                value={value}
                min={min}
                max={max}
                onPick={(iso) => {
                  onValue(iso);
                  setText(dayShown(iso));
                  commit(iso);
                  setOpen(false);
                }}
              />
            </Beside>
          </Suspense>
        )}
      </div>
      <FieldNotes id={id} hint={hint} error={error} />
    </div>
  );
}
