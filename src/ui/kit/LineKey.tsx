interface Props {
  readonly stroke: string;
  readonly words: string;
  readonly dash?: string;
  readonly width?: number;
}

/** What a line of a chart stands for: its dash as well as its colour. */
export function LineKey({ stroke, words, dash, width = 2 }: Props) {
  return (
    <li className="flex items-center gap-2">
      <svg width="26" height="8" aria-hidden="true">
        <line x1="0" x2="26" y1="4" y2="4" stroke={stroke} strokeWidth={width} strokeDasharray={dash} />
      </svg>
      {words}
    </li>
  );
}
