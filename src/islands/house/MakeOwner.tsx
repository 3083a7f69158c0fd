import { TypedForm } from '../../ui/kit/TypedForm.tsx';
import { deviceName } from '../../ui/deviceName.ts';
import { WORDS } from '../../words/en/house/peopleAccess.ts';
import { ACCOUNT_FIELDS } from './Join.tsx';

/** On a machine where nobody signs in: whoever sits at it becomes the owner. */
export function MakeOwner({ names }: { readonly names: readonly string[] }) {
  return (
    <details className="card mt-4 max-w-2xl">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold">{WORDS.letOthersIn}</summary>
      <p className="mb-3 text-ink2">{WORDS.letOthersInWhat}</p>
      <TypedForm
        fields={[{ key: 'name', label: WORDS.yourName, kind: 'text', suggest: names }, ...ACCOUNT_FIELDS]}
        start={{}}
        path="/api/house/access/owner"
        keyed={false}
        draft={null}
        body={(values) => ({ ...values, device: deviceName() })}
        saveWords={WORDS.makeOwner}
        said={null}
        onDone={() => location.reload()}
      />
    </details>
  );
}
