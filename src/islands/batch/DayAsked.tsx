import { useState } from 'react';
import { DateField } from '../../ui/kit/DateField.tsx';
import { WORDS } from '../../words/en/batch/dayAsked.ts';

/** The day a page is to be shown for: asked for in its address. */
export function DayAsked({ on, name, words }: { on: string; name: string; words: string }) {
  const [day, setDay] = useState(on);
  return (
    <form method="get" className="my-2 flex flex-wrap items-end gap-2">
      <DateField id={`asked-${name}`} label={WORDS.day} value={day} onValue={setDay} />
      <input type="hidden" name={name} value={day} />
      <button className="btn" type="submit">
        {words}
      </button>
    </form>
  );
}
