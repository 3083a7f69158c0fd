import { useState } from 'react';
import type { Role, SignInView } from '../../contracts/house/access.ts';
import { trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { TypedForm } from '../../ui/kit/TypedForm.tsx';
import { WORDS } from '../../words/en/house/account.ts';
import { WORDS as DOOR } from '../../words/en/house/door.ts';
import { Devices, leave, when } from './Devices.tsx';

interface PasskeyView {
  readonly id: number;
  readonly name: string;
  readonly made_ms: number;
  readonly used_ms: number | null;
}

interface Props {
  readonly kind: 'person' | 'house' | 'none';
  readonly role: Role;
  readonly login: string;
  readonly pin: boolean;
  readonly passkeys: readonly PasskeyView[];
  readonly devices: readonly SignInView[];
}

const PASSWORD_FIELDS: readonly FieldSpec[] = [
  { key: 'old', label: WORDS.oldPassword, kind: 'password', autoComplete: 'current-password' },
  {
    key: 'password',
    label: WORDS.newPassword,
    kind: 'password',
    autoComplete: 'new-password',
    hint: DOOR.passwordHint,
  },
];

/** One's own ways in: password, PIN, passkeys, and the devices that are signed in. */
export function Account({ kind, role, login, pin, passkeys, devices }: Props) {
  const [message, setMessage] = useState('');
  const own = kind === 'person';
  const pinFields: readonly FieldSpec[] = [
    { key: 'password', label: WORDS.oldPassword, kind: 'password', autoComplete: 'current-password' },
    {
      key: 'pin',
      label: WORDS.newPin,
      kind: 'password',
      autoComplete: 'off',
      digits: true,
      hint: pin ? `${WORDS.pinWhat} ${WORDS.pinThere}` : WORDS.pinWhat,
    },
  ];
  return (
    <div>
      {own && <p className="mt-1 text-ink2">{WORDS.signsIn(login, WORDS.roles[role])}</p>}
      <p className="mt-3 flex flex-wrap gap-2">
        <button type="button" className="btn" onClick={() => void leave(false)}>
          {WORDS.signOut}
        </button>
        {own && (
          <button type="button" className="btn" onClick={() => void leave(true)}>
            {WORDS.signOutAll}
          </button>
        )}
      </p>
      <p role="status" className={message ? 'note-bar bad mt-3' : 'sr-only'}>
        {message}
      </p>
      {own && (
        <div className="mt-6 grid gap-8 min-[820px]:grid-cols-2">
          <section>
            <h2>{WORDS.devices}</h2>
            <Devices devices={devices} onTrouble={setMessage} />
            <h2 className="mt-6">{WORDS.passkeys}</h2>
            <Passkeys passkeys={passkeys} onTrouble={setMessage} />
          </section>
          <div>
            <h2>{WORDS.password}</h2>
            <TypedForm
              fields={PASSWORD_FIELDS}
              start={{}}
              method="PUT"
              path="/api/house/access/password"
              keyed={false}
              draft={null}
              columns="grid-cols-1 gap-y-3"
              saveWords={WORDS.changePassword}
              said={() => WORDS.passwordChanged}
            />
            <h2 className="mt-6">{WORDS.pin}</h2>
            <TypedForm
              fields={pinFields}
              start={{}}
              method="PUT"
              path="/api/house/access/me/pin"
              keyed={false}
              draft={null}
              columns="grid-cols-1 gap-y-3"
              saveWords={WORDS.setPin}
              said={() => WORDS.pinSet}
            />
          </div>
        </div>
      )}
    </div>
  );
}

function Passkeys(props: { readonly passkeys: readonly PasskeyView[]; readonly onTrouble: (words: string) => void }) {
  const { passkeys, onTrouble } = props;
  async function add(): Promise<void> {
    onTrouble('');
    const asked = await writeNow<object>('POST', '/api/house/access/me/passkeys/challenge', {});
    if (asked.kind !== 'done') return onTrouble(trouble(asked));
    const { startRegistration } = await import('@simplewebauthn/browser');
    const answer = await startRegistration({ optionsJSON: asked.value as never }).catch(() => null);
    if (!answer) return onTrouble(WORDS.passkeyFailed);
    const name = WORDS.passkeyName(passkeys.length + 1);
    const done = await writeNow('POST', '/api/house/access/me/passkeys', { name, answer });
    if (done.kind !== 'done') onTrouble(trouble(done));
  }
  async function remove(id: number): Promise<void> {
    const done = await writeNow('DELETE', `/api/house/access/me/passkeys/${id}`);
    if (done.kind !== 'done') onTrouble(trouble(done));
  }
  return (
    <>
      <p className="text-ink2">{WORDS.passkeysWhat}</p>
      {passkeys.length === 0 && <p className="mt-2">{WORDS.noPasskey}</p>}
      <ul className="mt-2">
        {passkeys.map(({ id, name, used_ms }) => (
          <li key={id} className="flex min-h-11 items-center gap-3 border-t border-line py-1">
            <span className="font-semibold">{name}</span>
            <span className="flex-1 text-ink2">{used_ms === null ? WORDS.neverUsed : WORDS.used(when(used_ms))}</span>
            <button
              type="button"
              className="btn small"
              aria-label={WORDS.removeNamed(name)}
              onClick={() => void remove(id)}
            >
              {WORDS.remove}
            </button>
          </li>
        ))}
      </ul>
      <button type="button" className="btn mt-2" onClick={() => void add()}>
        {WORDS.addPasskey}
      </button>
    </>
  );
}
