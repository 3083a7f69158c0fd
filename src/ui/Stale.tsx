import { WORDS } from '../words/en/ui/stale.ts';
interface Props {
  readonly current: Readonly<Record<string, unknown>>;
  readonly yours: Readonly<Record<string, unknown>>;
  readonly onKeepMine: () => void;
  readonly onTakeTheirs: () => void;
}

/** Both versions of a line that someone else changed meanwhile, side by side where they differ. */
export function Stale({ current, yours, onKeepMine, onTakeTheirs }: Props) {
  const keys = Object.keys(yours).filter((key) => key !== 'version' && show(yours[key]) !== show(current[key]));
  return (
    <div role="alert" className="note-bar bad">
      <p className="font-semibold">{WORDS.someoneChangedThisSinceYou}</p>
      <table className="plain-table mt-2">
        <thead>
          <tr>
            <th>{WORDS.what}</th>
            <th>{WORDS.theirsSaved}</th>
            <th>{WORDS.yours}</th>
          </tr>
        </thead>
        <tbody>
          {keys.map((key) => (
            <tr key={key}>
              <td>{key}</td>
              <td>{show(current[key])}</td>
              <td>{show(yours[key])}</td>
            </tr>
          ))}
        </tbody>
      </table>
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

function show(value: unknown): string {
  if (value === null || value === undefined || value === '') return 'nothing';
  return typeof value === 'object' ? JSON.stringify(value) : String(value);
}
