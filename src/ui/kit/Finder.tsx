import { Command } from 'cmdk';
import { useEffect, useId, useState, type ReactNode } from 'react';
import { FieldNotes } from './FieldNotes.tsx';

interface FinderProps<T> {
  readonly label: string;
  readonly text: string;
  readonly found: readonly T[];
  readonly keyOf: (one: T) => string;
  readonly show: (one: T) => ReactNode;
  /** Said where nothing is found; null: nothing is looked for yet. */
  readonly none: ReactNode;
  readonly hint?: string | undefined;
  readonly error?: string | undefined;
  readonly onText: (text: string) => void;
  readonly onChoose: (one: T) => void;
}

/** A field that finds: what fits is listed while it is typed, chosen by arrows and Enter or a tap. */
export function Finder<T>(props: FinderProps<T>) {
  const { label, text, found, keyOf, show, none, hint, error, onText, onChoose } = props;
  const id = useId();
  const [open, setOpen] = useState(false);
  // The package's own hidden label comes with a style attribute, which a page from the server may not have.
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  if (!ready)
    return (
      <div className="field">
        <label htmlFor={id}>{label}</label>
        <input id={id} className="input" value={text} readOnly />
        <FieldNotes id={id} hint={hint} error={error} />
      </div>
    );
  return (
    <Command shouldFilter={false} loop label={label} className="field relative">
      <label htmlFor={id}>{label}</label>
      <Command.Input
        id={id}
        aria-label={label}
        className="input"
        value={text}
        autoComplete="off"
        aria-invalid={error ? true : undefined}
        onValueChange={(value) => {
          onText(value);
          setOpen(true);
        }}
        onBlur={() => setOpen(false)}
        onKeyDown={(e) => {
          if (e.key === 'Escape') setOpen(false);
        }}
      />
      <Command.List
        hidden={!open || (found.length === 0 && none === null)}
        className="kit-found absolute top-full z-20 max-h-80 w-full overflow-y-auto border border-ink bg-paper shadow-lg"
      >
        {found.map((one) => (
          <Command.Item
            key={keyOf(one)}
            value={keyOf(one)}
            className="flex min-h-11 cursor-pointer items-center px-3 py-1 data-[selected=true]:bg-plum-soft"
            // Before the field loses the focus, which closes the list.
            onPointerDown={(e) => e.preventDefault()}
            onSelect={() => {
              setOpen(false);
              onChoose(one);
            }}
          >
            {show(one)}
          </Command.Item>
        ))}
        {found.length === 0 && none !== null && <p className="px-3 py-2 text-[0.95rem]">{none}</p>}
      </Command.List>
      <FieldNotes id={id} hint={hint} error={error} />
    </Command>
  );
}
