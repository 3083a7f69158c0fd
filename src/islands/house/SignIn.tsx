import { KeyRound } from 'lucide-react';
import { useEffect, useState } from 'react';
import { TypedForm } from '../../ui/kit/TypedForm.tsx';
import { writeNow } from '../../ui/kit/data.ts';
import { trouble } from '../../ui/call.ts';
import { deviceName } from '../../ui/deviceName.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { WORDS } from '../../words/en/house/door.ts';

const FIELDS: readonly FieldSpec[] = [
  { key: 'login', label: WORDS.login, kind: 'text', autoComplete: 'username', big: true },
  { key: 'password', label: WORDS.password, kind: 'password', autoComplete: 'current-password', big: true },
];

/** Signs this device in, by name and password or by a passkey. @param to where it leads */
export function SignIn({ to }: { readonly to: string }) {
  const [message, setMessage] = useState('');
  const [passkeys, setPasskeys] = useState(false);
  useEffect(() => setPasskeys('PublicKeyCredential' in window), []);

  async function byPasskey(): Promise<void> {
    setMessage('');
    const asked = await writeNow<object>('POST', '/api/house/access/passkey/challenge', {});
    if (asked.kind !== 'done') return setMessage(trouble(asked));
    const { startAuthentication } = await import('@simplewebauthn/browser');
    const answer = await startAuthentication({ optionsJSON: asked.value as never }).catch(() => null);
    if (!answer) return setMessage(WORDS.passkeyFailed);
    const done = await writeNow('POST', '/api/house/access/passkey', { answer, device: deviceName() });
    if (done.kind === 'done') location.replace(to);
    else setMessage(trouble(done));
  }

  return (
    <div>
      <TypedForm
        fields={FIELDS}
        start={{}}
        path="/api/house/access/sign-in"
        keyed={false}
        draft={null}
        columns="grid-cols-1 gap-y-3"
        className="mt-4"
        body={(values) => ({ ...values, device: deviceName() })}
        saveWords={WORDS.signIn}
        buttonClass="btn solid mt-4 w-full"
        said={null}
        onDone={() => location.replace(to)}
      />
      {passkeys && (
        <button
          type="button"
          className="btn mt-3 flex w-full items-center justify-center gap-2"
          onClick={() => void byPasskey()}
        >
          <KeyRound size={18} aria-hidden="true" />
          {WORDS.byPasskey}
        </button>
      )}
      <p role="status" className={message ? 'note-bar bad mt-3' : 'sr-only'}>
        {message}
      </p>
      <p className="mt-6 text-ink2">{WORDS.forgotten}</p>
    </div>
  );
}
