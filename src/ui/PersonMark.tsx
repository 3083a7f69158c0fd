import type { ReactNode } from 'react';
import type { Person, PersonMark as Mark } from '../core/house/people.ts';
import { WORDS } from '../words/en/ui/personMark.ts';

const SHAPES: Readonly<Record<Mark, ReactNode>> = {
  circle: <circle cx="8" cy="8" r="6" />,
  square: <rect x="2.5" y="2.5" width="11" height="11" />,
  triangle: <path d="M8 2 14.5 14H1.5Z" />,
  diamond: <path d="M8 1 15 8 8 15 1 8Z" />,
  cross: <path d="M6 1.5h4V6h4.5v4H10v4.5H6V10H1.5V6H6Z" />,
  ring: (
    <path fillRule="evenodd" d="M8 1.5a6.5 6.5 0 1 0 0 13 6.5 6.5 0 0 0 0-13Zm0 3.5a3 3 0 1 1 0 6 3 3 0 0 1 0-6Z" />
  ),
  bar: <rect x="1.5" y="5" width="13" height="6" />,
  star: <path d="m8 1 2.1 4.6 4.9.6-3.6 3.4 1 4.9L8 12l-4.4 2.5 1-4.9L1 6.2l4.9-.6Z" />,
};

/** A person's mark: told by its shape, drawn in the colour of the text around it. */
export function PersonMark({ mark, size = 14 }: { readonly mark: Mark; readonly size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 16 16" fill="currentColor" aria-hidden="true" className="shrink-0">
      {SHAPES[mark]}
    </svg>
  );
}

/** Who wrote a line: mark and initials, the name for whoever asks; nothing when nobody said. */
export function WrittenBy({ person }: { readonly person: Person | undefined }) {
  if (!person) return null;
  return (
    <span className="inline-flex items-center gap-1 whitespace-nowrap text-[0.88rem] text-ink2" title={person.name}>
      <PersonMark mark={person.mark} size={11} />
      <span aria-hidden="true">{person.initials}</span>
      <span className="sr-only">{WORDS.by(person.name)}</span>
    </span>
  );
}
