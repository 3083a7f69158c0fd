import { useMemo, useState } from 'react';
import type { Crop } from '../../core/books/crop.ts';
import { plain } from '../../formats/cropNames.ts';
import { Finder } from '../../ui/kit/Finder.tsx';
import { WORDS } from '../../words/en/batch/cropSearch.ts';

interface Props {
  readonly crops: readonly Crop[];
  readonly chosen: Crop | null;
  /** A batch keeps its crop. */
  readonly fixed: boolean;
  readonly error?: string | undefined;
  readonly onChoose: (crop: Crop) => void;
}

const NOT_CALLED_SO = 4;
const MOST = 8;

interface Named {
  readonly crop: Crop;
  /** Its name, then its others, in the singular. */
  readonly names: readonly string[];
}

/** How near a crop is to what is typed: its name begins so, another of its names does, or one of them holds it. */
function rankOf({ names: [name = '', ...others] }: Named, wanted: string): number {
  if (name.startsWith(wanted)) return 0;
  if (others.some((other) => other.startsWith(wanted))) return 1;
  if (name.includes(wanted)) return 2;
  return others.some((other) => other.includes(wanted)) ? 3 : NOT_CALLED_SO;
}

/** Search as you type, by any of a crop's names, one or many. */
export function CropSearch({ crops, chosen, fixed, error, onChoose }: Props) {
  const [text, setText] = useState(chosen?.name ?? '');
  const named = useMemo(
    () => crops.map((crop): Named => ({ crop, names: [crop.name, ...crop.synonyms.split(';')].map(plain) })),
    [crops],
  );
  const found = useMemo(() => {
    const [typed, one] = [text.trim().toLowerCase(), plain(text)];
    const rank = (crop: Named) => Math.min(rankOf(crop, typed), rankOf(crop, one));
    return named
      .map((crop) => ({ crop: crop.crop, rank: rank(crop) }))
      .filter((one_) => one_.rank < NOT_CALLED_SO)
      .sort((a, b) => a.rank - b.rank || a.crop.name.localeCompare(b.crop.name))
      .slice(0, MOST)
      .map(({ crop }) => crop);
  }, [named, text]);
  if (fixed) {
    return (
      <p className="num text-xl">
        {chosen?.name} <span className="text-[0.9rem] text-ink2">{WORDS.aBatchKeepsItsCrop}</span>
      </p>
    );
  }
  return (
    <Finder<Crop>
      label={WORDS.crop}
      text={text}
      found={found}
      keyOf={(crop) => String(crop.id)}
      show={(crop) => crop.name}
      none={
        found.length === 0 ? (
          <>
            {WORDS.noSuchCropYet(
              <a key="1" href="/books/crops?new=1">
                {WORDS.addItToTheBook}
              </a>,
            )}
          </>
        ) : null
      }
      error={error}
      onText={setText}
      onChoose={(crop) => {
        setText(crop.name);
        onChoose(crop);
      }}
    />
  );
}
