import { later } from '../../ui/kit/later.tsx';
import { Suspense, useRef, useState } from 'react';
import type { Person } from '../../core/house/people.ts';
import { PersonMark } from '../../ui/PersonMark.tsx';
import { writeNow } from '../../ui/kit/data.ts';
import { takeDevice } from '../../ui/who.ts';
import { WORDS } from '../../words/en/house/deviceHolder.ts';

// Opened seldom: it is not on the way of the first drawing.
const PinDialog = later(() => import('./PinDialog.tsx').then((m) => m.PinDialog));
const Beside = later(() => import('../../ui/kit/Beside.tsx').then((m) => m.Beside));

export type SignedIn = 'nobody' | 'person' | 'house';

interface Props {
  readonly people: readonly Person[];
  /** Who holds this device, as the page was drawn; null: nobody said. */
  readonly initial: number | null;
  /** By themselves, or as a tablet of the house, where another takes it by a PIN; nobody: no one signs in here. */
  readonly signedIn: SignedIn;
  /** All of them in a list, as in the menu. */
  readonly listed?: boolean;
}

/** So many people stand side by side in the strip, each a tap away; more are in a list. */
const SIDE_BY_SIDE = 4;

/**
 * In the strip: whose hands this device is in. In a small house one tap changes it: everybody has a button. On a phone, and
 * where there are many, the first tap opens the people of the house.
 */
export function DeviceHolder({ people, initial, signedIn, listed = false }: Props) {
  const opener = useRef<HTMLButtonElement>(null);
  const [held, setHeld] = useState(initial);
  const [open, setOpen] = useState(false);
  const holder = people.find((person) => person.id === held);
  const [asked, setAsked] = useState<Person | null>(null);
  const take = (person: Person | null) => {
    if (signedIn === 'house' && person) {
      setOpen(false);
      return setAsked(person);
    }
    if (signedIn === 'house') void writeNow('POST', '/api/house/access/holder', { personId: null, pin: '' });
    taken(person);
  };
  const taken = (person: Person | null) => {
    takeDevice(person?.id ?? null, person?.name ?? '');
    setHeld(person?.id ?? null);
    setOpen(false);
  };
  const pin = asked && (
    <Suspense fallback={null}>
      <PinDialog person={asked} onTaken={() => (taken(asked), setAsked(null))} onClose={() => setAsked(null)} />
    </Suspense>
  );
  if (signedIn === 'person' && holder)
    return (
      <a
        href="/house/me"
        className="flex h-9 min-w-11 items-center justify-center gap-1.5 rounded-[3px] border border-[#b9c3ba] px-1.5 text-[#eef0e8] no-underline max-[700px]:h-11"
        aria-label={WORDS.signedInAs(holder.name)}
      >
        <PersonMark mark={holder.mark} />
        <span className="num text-base">{holder.initials}</span>
      </a>
    );
  if (listed)
    return (
      <>
        <People people={people} held={held} onTake={take} />
        {pin}
      </>
    );
  const few = people.length <= SIDE_BY_SIDE;
  return (
    <div>
      {pin}
      {few && (
        <div className="hidden min-[700px]:flex" role="group" aria-label={WORDS.whoseHandsThisDeviceIs}>
          {people.map((person) => (
            <button
              key={person.id}
              type="button"
              className={`-ml-px flex h-9 min-w-9 cursor-pointer items-center justify-center gap-1 border px-1 pointer-coarse:h-11 pointer-coarse:min-w-11 ${
                person.id === held ? 'border-[#eef0e8] bg-[#eef0e8] text-[#1f2a24]' : 'border-[#5f6c63] text-[#d5dbd2]'
              }`}
              aria-pressed={person.id === held}
              aria-label={person.id === held ? WORDS.holdsThisDeviceLetGo(person.name) : WORDS.handItTo(person.name)}
              onClick={() => take(person.id === held ? null : person)}
            >
              {person.id === held && <PersonMark mark={person.mark} size={11} />}
              <span className="num text-base">{person.initials}</span>
            </button>
          ))}
        </div>
      )}
      <button
        ref={opener}
        type="button"
        className={`${few ? 'min-[700px]:hidden ' : ''}flex h-9 min-w-11 max-[700px]:h-11 cursor-pointer items-center justify-center gap-1.5 rounded-[3px] border border-[#b9c3ba] px-1.5 text-[#eef0e8]`}
        aria-expanded={open}
        aria-label={holder ? WORDS.holdsThisDeviceChange(holder.name) : WORDS.whoseHandsNobodyHasSaid}
        onClick={() => setOpen(!open)}
      >
        {holder ? <PersonMark mark={holder.mark} /> : null}
        <span className="num text-base">{holder ? holder.initials : WORDS.who}</span>
      </button>
      {open && (
        <Suspense fallback={null}>
          <Beside
            anchor={opener}
            label={WORDS.peopleOfTheHouse}
            className="kit-pop w-64 p-1"
            onClose={() => setOpen(false)}
          >
            <People people={people} held={held} onTake={take} />
          </Beside>
        </Suspense>
      )}
    </div>
  );
}

function People(props: {
  readonly people: readonly Person[];
  readonly held: number | null;
  readonly onTake: (person: Person | null) => void;
}) {
  const { people, held, onTake } = props;
  return (
    <ul aria-label={WORDS.peopleOfTheHouse}>
      {people.map((person) => (
        <li key={person.id}>
          <button
            type="button"
            className="flex min-h-11 w-full cursor-pointer items-center gap-3 px-2 text-left hover:bg-plum-soft"
            aria-pressed={person.id === held}
            onClick={() => onTake(person)}
          >
            <PersonMark mark={person.mark} />
            <span className="num w-9">{person.initials}</span>
            <span className={person.id === held ? 'font-bold' : ''}>{person.name}</span>
          </button>
        </li>
      ))}
      <li className="border-t border-line">
        <button
          type="button"
          className="min-h-11 w-full cursor-pointer px-2 text-left text-ink2 hover:bg-plum-soft"
          aria-pressed={held === null}
          onClick={() => onTake(null)}
        >
          {WORDS.nobodyInParticular}
        </button>
      </li>
    </ul>
  );
}
