import type { ReactNode } from 'react';
import { WORDS } from '../../words/en/plan/legend.ts';

const ENTRIES: readonly (readonly [name: string, drawn: ReactNode])[] = [
  [
    WORDS.now,
    <rect key="1" x="1" y="2" width="24" height="10" rx="2" fill="#fdfdf9" stroke="#1d2421" strokeWidth="1.4" />,
  ],
  [WORDS.planned, <rect key="1" x="1" y="2" width="24" height="10" rx="2" fill="#fdfdf9" fillOpacity="0.86" />],
  [
    WORDS.past,
    <g key="1">
      <rect x="1" y="2" width="24" height="10" rx="2" fill="#fdfdf9" fillOpacity="0.5" />
      <rect width="26" height="14" fill="#f5f5ef" fillOpacity="0.6" />
    </g>,
  ],
  [WORDS.chosen, <rect key="1" x="1" y="2" width="24" height="10" rx="2" fill="var(--color-plum)" />],
  [
    WORDS.pinned,
    <g key="1">
      <rect x="1" y="2" width="24" height="10" rx="2" fill="#fdfdf9" />
      <circle cx="6" cy="7" r="2.6" fill="#1d2421" />
    </g>,
  ],
  [WORDS.over, <rect key="1" x="1" y="1" width="24" height="12" fill="url(#over-room)" stroke="var(--color-brick)" />],
];

/** What the season's drawing is made of. */
export function Legend() {
  return (
    <ul
      className="mt-1.5 flex list-none flex-wrap gap-x-4 gap-y-1 p-0 text-[0.88rem] text-ink2"
      aria-label={WORDS.legend}
    >
      {ENTRIES.map(([name, drawn]) => (
        <li key={name} className="flex items-center gap-1.5">
          <svg width="26" height="14" aria-hidden="true">
            <rect width="26" height="14" fill="#e6cf8f" />
            {drawn}
          </svg>
          {name}
        </li>
      ))}
      <li>{WORDS.ground}</li>
      <li>
        <a href="#season-table">{WORDS.table}</a>
      </li>
    </ul>
  );
}
