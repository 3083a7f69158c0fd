import type { Difference } from './kit/fields.ts';
import { WORDS } from '../words/en/ui/stale.ts';

/** Said when theirs was taken. */
export const THEIRS_TAKEN = WORDS.theirVersionIsHere;

interface Props {
  /** Where the two versions differ; empty: in parts that have editors of their own. */
  readonly rows: readonly Difference[];
  readonly onKeepMine: () => void;
  readonly onTakeTheirs: () => void;
}

/** Both versions of a line that someone else changed meanwhile, side by side where they differ. */
export function Stale({ rows, onKeepMine, onTakeTheirs }: Props) {
  return (
    <div role="alert" className="note-bar bad">
      <p className="font-semibold">{WORDS.someoneChangedThisSinceYou}</p>
      {rows.length === 0 ? (
        <p className="mt-1">{WORDS.differsInItsLists}</p>
      ) : (
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={WORDS.what}>
          <table className="plain-table mt-2">
            <thead>
              <tr>
                <th>{WORDS.what}</th>
                <th>{WORDS.theirsSaved}</th>
                <th>{WORDS.yours}</th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ label, theirs, yours }) => (
                <tr key={label}>
                  <th scope="row">{label}</th>
                  <td>{theirs}</td>
                  <td>{yours}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <div className="mt-2 flex gap-2">
        <button type="button" className="btn solid" onClick={onKeepMine}>
          {WORDS.saveMineOverIt}
        </button>
        <button type="button" className="btn" onClick={onTakeTheirs}>
          {WORDS.takeTheirs}
        </button>
      </div>
    </div>
  );
}
