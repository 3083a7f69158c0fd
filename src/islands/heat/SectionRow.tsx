import type { ReactNode } from 'react';

interface Props {
  /** What it is drawn as. */
  readonly fill: string;
  /** How thick it is, as it is typed; said on the drawing. */
  readonly thick?: string;
  /** Heating wires in it. */
  readonly wire?: boolean;
  /** The cover over it all: an arch; null: nothing over it. */
  readonly arch?: 'none' | 'single' | 'double';
  readonly dark?: boolean;
  readonly children: ReactNode;
}

const WIRES = [12, 31, 50, 69, 88];

/** A layer of a bench: drawn in section on the left, and beside it what is changed of it. Rows stand on each other without a gap. */
export function SectionRow({ fill, thick, wire = false, arch, dark = false, children }: Props) {
  return (
    <li className="grid grid-cols-[84px_minmax(0,1fr)] gap-x-4 sm:grid-cols-[150px_minmax(0,1fr)]">
      <div className="relative" aria-hidden="true">
        <svg className="absolute inset-0 h-full w-full" viewBox="0 0 100 100" preserveAspectRatio="none">
          {arch ? (
            <g fill="none" stroke="#4d5952" strokeWidth="2" vectorEffect="non-scaling-stroke">
              {arch !== 'none' && <path d="M1 100C1 10 99 10 99 100" vectorEffect="non-scaling-stroke" />}
              {arch === 'double' && <path d="M6 100C6 26 94 26 94 100" vectorEffect="non-scaling-stroke" />}
            </g>
          ) : (
            <rect width="100" height="100" fill={fill} />
          )}
        </svg>
        {wire && (
          <svg className="absolute inset-0 h-full w-full">
            {WIRES.map((x) => (
              <circle key={x} cx={`${x}%`} cy="50%" r="4" fill="#fdfdf9" stroke="#98291c" strokeWidth="2" />
            ))}
          </svg>
        )}
        {thick && (
          <span
            className={`num absolute bottom-1 left-1.5 text-[0.85rem] ${dark ? 'text-[#fdfdf9]' : 'text-[#1d2421]'}`}
          >
            {thick}
          </span>
        )}
      </div>
      <div className="flex flex-wrap items-end gap-x-3 gap-y-1 border-b border-line py-2.5 [&_.field]:w-full sm:[&_.field]:w-40">
        {children}
      </div>
    </li>
  );
}
