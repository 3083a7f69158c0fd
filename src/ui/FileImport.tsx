import type { FieldError } from '../contracts/problem.ts';
import { counted } from './format.ts';
import { WORDS } from '../words/en/ui/fileImport.ts';

export type DateOrder = 'dmy' | 'mdy';

const ORDERS = [
  ['dmy', 'the first: 24/05/2027'],
  ['mdy', 'the second: 05/24/2027'],
] as const;

/** Asks which number of a file's dates is the day, where they can be read two ways. */
export function DateOrderChoice({
  order,
  onChoose,
}: {
  readonly order: DateOrder | null;
  readonly onChoose: (order: DateOrder) => void;
}) {
  return (
    <fieldset className="mt-3 flex flex-wrap items-center gap-3">
      <legend className="font-semibold">{WORDS.whichNumberOfADate}</legend>
      {ORDERS.map(([which, words]) => (
        <button
          key={which}
          type="button"
          className={`btn small min-h-11 ${order === which ? 'solid' : ''}`}
          aria-pressed={order === which}
          onClick={() => onChoose(which)}
        >
          {words}
        </button>
      ))}
    </fieldset>
  );
}

/** Faults named at the most. */
const SHOWN = 100;

/** What is wrong in a file, by line and column. */
export function FileFaults({ errors }: { readonly errors: readonly FieldError[] }) {
  if (errors.length === 0) return null;
  return (
    <div className="note-bar bad mt-3">
      <p className="font-semibold">
        {WORDS.wrongNothingHasBeenRead(counted(errors.length, WORDS.thingIs, WORDS.thingsAre))}
      </p>
      <ul>
        {errors.slice(0, SHOWN).map((error, i) => (
          <li key={i}>
            <b>{placeOf(error.path)}</b> {error.message}
          </li>
        ))}
      </ul>
      {errors.length > SHOWN && <p>{WORDS.andMore(errors.length - SHOWN)}</p>}
    </div>
  );
}

function placeOf(path: string): string {
  const match = /^lines\.(\d+)\.(.*)$/.exec(path);
  return match ? WORDS.line(match[1], match[2]!.replaceAll('_', ' ')) : `${path}:`;
}
