import { useId, useState } from 'react';
import type { Crop } from '../../core/books/crop.ts';

interface Props {
  readonly crops: readonly Crop[];
  readonly chosen: Crop | null;
  /** A batch keeps its crop. */
  readonly fixed: boolean;
  readonly error?: string | undefined;
  readonly onChoose: (crop: Crop) => void;
}

const NOT_CALLED_SO = 4;

/** How near a crop is to what is typed: its name begins so, another of its names does, or one of them holds it. */
function rankOf(crop: Crop, wanted: string): number {
  const others = crop.synonyms.split(';').map((name) => name.trim());
  if (crop.name.startsWith(wanted)) return 0;
  if (others.some((name) => name.startsWith(wanted))) return 1;
  if (crop.name.includes(wanted)) return 2;
  return others.some((name) => name.includes(wanted)) ? 3 : NOT_CALLED_SO;
}

/** Search as you type, by any of a crop's names. */
export function CropSearch({ crops, chosen, fixed, error, onChoose }: Props) {
  const id = useId();
  const [text, setText] = useState(chosen?.name ?? '');
  const [open, setOpen] = useState(false);
  const [at, setAt] = useState(0);
  const wanted = text.trim().toLowerCase();
  const found = crops
    .map((crop) => ({ crop, rank: rankOf(crop, wanted) }))
    .filter(({ rank }) => rank < NOT_CALLED_SO)
    .sort((a, b) => a.rank - b.rank || a.crop.name.localeCompare(b.crop.name))
    .slice(0, 8)
    .map(({ crop }) => crop);

  function choose(crop: Crop): void {
    setText(crop.name);
    setOpen(false);
    onChoose(crop);
  }

  if (fixed) {
    return (
      <p className="num text-xl">
        {chosen?.name} <span className="text-[0.9rem] text-ink2">(a batch keeps its crop)</span>
      </p>
    );
  }
  return (
    <div className="field relative">
      <label htmlFor={id}>Crop</label>
      <input
        id={id}
        role="combobox"
        className="input"
        autoComplete="off"
        aria-expanded={open && found.length > 0}
        aria-controls={`${id}-list`}
        aria-autocomplete="list"
        aria-activedescendant={open && found[at] ? `${id}-${at}` : undefined}
        aria-invalid={error ? true : undefined}
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setAt(0);
          setOpen(true);
        }}
        onFocus={() => setOpen(text === '')}
        onBlur={() => setOpen(false)}
        onKeyDown={(e) => {
          if (e.key === 'ArrowDown') setAt(Math.min(at + 1, found.length - 1));
          else if (e.key === 'ArrowUp') setAt(Math.max(at - 1, 0));
          else if (e.key === 'Enter' && open && found[at]) choose(found[at]);
          else if (e.key === 'Escape') setOpen(false);
          else return;
          e.preventDefault();
        }}
      />
      <ul
        id={`${id}-list`}
        role="listbox"
        aria-label="Crops"
        hidden={!open || found.length === 0}
        className="absolute top-full z-20 w-full border border-ink bg-paper shadow-lg"
      >
        {found.map((crop, i) => (
          <li
            key={crop.id}
            id={`${id}-${i}`}
            role="option"
            aria-selected={i === at}
            className={`flex min-h-11 cursor-pointer items-center px-3 ${i === at ? 'bg-plum-soft font-semibold' : ''}`}
            onMouseDown={(e) => {
              e.preventDefault();
              choose(crop);
            }}
          >
            {crop.name}
          </li>
        ))}
      </ul>
      {open && found.length === 0 && (
        <span className="text-[0.9rem]">
          No such crop yet. <a href="/books/crops?new=1">Add it to the book</a>.
        </span>
      )}
      {error && <span className="err">{error}</span>}
    </div>
  );
}
