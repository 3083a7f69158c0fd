import type { ReactNode } from 'react';

interface Props {
  /** What is drawn as empty: a tray of cells, a bench, a page of a book. */
  readonly drawing: 'tray' | 'bench' | 'page';
  readonly children: ReactNode;
}

/** Nothing here yet: drawn so that it is seen at once, with what to do about it in words. */
export function Empty({ drawing, children }: Props) {
  return (
    <div className="mt-4 flex max-w-2xl flex-wrap items-center gap-x-6 gap-y-3">
      <svg viewBox="0 0 120 72" width="120" height="72" aria-hidden="true" className="flex-none">
        <g fill="none" stroke="var(--color-ink3)" strokeWidth="1.6" strokeLinejoin="round">
          {drawing === 'tray' && <Tray />}
          {drawing === 'bench' && <Bench />}
          {drawing === 'page' && <Page />}
        </g>
      </svg>
      <div className="min-w-0 flex-1 basis-64">{children}</div>
    </div>
  );
}

const COLUMNS = [0, 1, 2, 3, 4];

/** A tray of empty cells, seen from the path. */
function Tray() {
  const at = (u: number, v: number): string => `${8 + 84 * u + 20 * v} ${58 - 36 * v}`;
  return (
    <>
      <path d={`M${at(0, 0)}L${at(1, 0)}L${at(1, 1)}L${at(0, 1)}Z`} fill="var(--color-paper)" />
      {COLUMNS.slice(1).map((i) => (
        <path key={i} d={`M${at(i / 5, 0)}L${at(i / 5, 1)}`} />
      ))}
      {[1, 2].map((i) => (
        <path key={i} d={`M${at(0, i / 3)}L${at(1, i / 3)}`} />
      ))}
      <path d="M8 58v7h84v-7M92 65l20-36v-7" />
      <path d="M64 40c0-12 1-18 8-18s6 7 1 7" stroke="var(--color-plum)" strokeDasharray="3 3" strokeWidth="2" />
    </>
  );
}

/** A bench with nothing on it. */
function Bench() {
  return (
    <>
      <path d="M6 34h108v7H6zM14 41v27M106 41v27M14 58h92" fill="var(--color-paper)" />
      <path d="M22 34v-9h30v9M60 34v-9h30v9" stroke="var(--color-plum)" strokeDasharray="3 3" />
    </>
  );
}

/** A page with nothing written on it. */
function Page() {
  return (
    <>
      <path d="M60 12C48 5 26 5 12 10v52c14-5 36-5 48 2 12-7 34-7 48-2V10C94 5 72 5 60 12z" fill="var(--color-paper)" />
      <path d="M60 12v52" />
      {[22, 33, 44].map((y) => (
        <path key={y} d={`M22 ${y}c10-3 20-3 28 0M70 ${y}c8-3 18-3 28 0`} strokeDasharray="3 3" />
      ))}
    </>
  );
}
