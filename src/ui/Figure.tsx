interface Props {
  readonly value: string;
  readonly words: string;
  /** Size of the figure, a class of the type scale. */
  readonly size?: 'text-xl' | 'text-2xl' | 'text-5xl';
}

/** A large figure with what it is under it; inside a list of definitions. */
export function Figure({ value, words, size = 'text-2xl' }: Props) {
  return (
    <div className="flex flex-col-reverse justify-end">
      <dt className="max-w-[26ch] text-[0.9rem] text-ink2">{words}</dt>
      <dd className={`num ${size}`}>{value}</dd>
    </div>
  );
}
