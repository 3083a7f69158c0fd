import { useState } from 'react';
import type { Person } from '../../core/house/people.ts';
import { Dialog } from '../../ui/kit/Dialog.tsx';
import { takeLook, type Look } from '../../ui/look.ts';
import { HELP } from '../../words/en/help.ts';
import { STRIP } from '../../words/en/strip.ts';
import { DeviceHolder, type SignedIn } from './DeviceHolder.tsx';

interface Props {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly people: readonly Person[];
  readonly holder: number | null;
  readonly signedIn: SignedIn;
  readonly look: Look;
  readonly onHelp: () => void;
}

/** How the pages look on this device, who holds it, and the pages about the house itself. */
export function StripMenu({ open, onOpenChange, people, holder, signedIn, look: first, onHelp }: Props) {
  const [look, setLook] = useState(() => ({ ...first, ...(document.documentElement.dataset as Partial<Look>) }));
  const change = (part: Partial<Look>): void => {
    const { theme, contrast, text } = { ...look, ...part };
    setLook({ theme, contrast, text });
    takeLook({ theme, contrast, text });
  };
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title={STRIP.menu}>
      <div className="flex flex-col gap-5">
        {people.length > 0 && signedIn !== 'person' && (
          <section>
            <h3 className="mb-2">{STRIP.holder}</h3>
            <DeviceHolder people={people} initial={holder} signedIn={signedIn} listed />
          </section>
        )}
        <section>
          <h3>{STRIP.look}</h3>
          {(['theme', 'contrast', 'text'] as const).map((key) => (
            <Choice
              key={key}
              label={STRIP[key].label}
              value={look[key]}
              options={Object.entries(STRIP[key]).filter(([name]) => name !== 'label')}
              onValue={(value) => change({ [key]: value })}
            />
          ))}
        </section>
        <ul className="flex flex-wrap gap-2">
          {signedIn !== 'nobody' && (
            <li>
              <a className="btn" href="/house/me">
                {STRIP.account}
              </a>
            </li>
          )}
          <li>
            <a className="btn" href="/house/settings">
              {STRIP.settings}
            </a>
          </li>
          <li>
            <button type="button" className="btn" onClick={onHelp}>
              {HELP.open}
            </button>
          </li>
          <li>
            <button type="button" className="btn" onClick={() => window.print()}>
              {STRIP.print}
            </button>
          </li>
        </ul>
      </div>
    </Dialog>
  );
}

function Choice(props: {
  readonly label: string;
  readonly value: string;
  readonly options: readonly (readonly [string, string])[];
  readonly onValue: (value: string) => void;
}) {
  const { label, value, options, onValue } = props;
  return (
    <fieldset className="mt-2">
      <legend className="text-[0.95rem] text-ink2">{label}</legend>
      <div className="mt-1 flex flex-wrap gap-2">
        {options.map(([key, words]) => (
          <label
            key={key}
            className="flex min-h-11 cursor-pointer items-center gap-2 rounded-[3px] border border-ink3 bg-paper px-3 has-checked:border-plum has-checked:bg-plum-soft"
          >
            <input
              type="radio"
              name={`look ${label}`}
              className="size-5 accent-plum"
              checked={value === key}
              onChange={() => onValue(key)}
            />
            {words}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
