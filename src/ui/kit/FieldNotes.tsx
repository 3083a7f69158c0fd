interface Props {
  /** Of the input they belong to. */
  readonly id: string;
  readonly hint?: string | undefined;
  readonly error?: string | undefined;
}

/** What helps with a field, and what is wrong with it; the input names them by `notesOf`. */
export function FieldNotes({ id, hint, error }: Props) {
  return (
    <>
      {hint && (
        <span id={`${id}-hint`} className="text-[0.85rem] text-ink2">
          {hint}
        </span>
      )}
      {error && (
        <span id={`${id}-error`} className="err">
          {error}
        </span>
      )}
    </>
  );
}

/** For aria-describedby. */
export const notesOf = ({ id, hint, error }: Props): string | undefined =>
  [hint && `${id}-hint`, error && `${id}-error`].filter(Boolean).join(' ') || undefined;
