import { useEffect, useState } from 'react';
import { TypedForm } from '../../ui/kit/TypedForm.tsx';
import { deviceName } from '../../ui/deviceName.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { WORDS } from '../../words/en/house/door.ts';

/** How one is to sign in from now on. */
export const ACCOUNT_FIELDS: readonly FieldSpec[] = [
  { key: 'login', label: WORDS.login, kind: 'text', hint: WORDS.loginHint, autoComplete: 'username' },
  { key: 'password', label: WORDS.password, kind: 'password', hint: WORDS.passwordHint, autoComplete: 'new-password' },
  { key: 'email', label: WORDS.email, kind: 'text', optional: true, hint: WORDS.emailHint, autoComplete: 'email' },
];

/** Opened by a link that works once: its key is behind the #, which a browser sends to nobody. */
export function Join() {
  const [link, setLink] = useState<readonly string[] | null | undefined>(undefined);
  useEffect(() => setLink(/^#(join|owner|tablet)\.([\w-]{43})$/.exec(location.hash)), []);
  const purpose = link?.[1];
  const key = link?.[2];
  if (!purpose || !key)
    return (
      <>
        <h1>{WORDS.join}</h1>
        {link === null && <p className="note-bar bad mt-3">{WORDS.broken}</p>}
      </>
    );
  const tablet = purpose === 'tablet';
  const [title, what] = tablet
    ? [WORDS.tabletTitle, WORDS.tabletWhat]
    : purpose === 'owner'
      ? [WORDS.ownerTitle, WORDS.ownerWhat]
      : [WORDS.yourAccount, WORDS.yourAccountWhat];
  return (
    <>
      <h1>{title}</h1>
      <p className="mt-1 text-ink2">{what}</p>
      <TypedForm
        fields={tablet ? [] : ACCOUNT_FIELDS}
        start={{}}
        path={tablet ? '/api/house/access/tablet' : '/api/house/access/join'}
        keyed={false}
        draft={null}
        columns="grid-cols-1 gap-y-3"
        className="mt-4"
        body={(values) => ({ ...values, key, device: deviceName() })}
        saveWords={tablet ? WORDS.useIt : WORDS.make}
        buttonClass="btn solid mt-4 w-full"
        said={null}
        onDone={() => location.replace('/')}
      />
    </>
  );
}
