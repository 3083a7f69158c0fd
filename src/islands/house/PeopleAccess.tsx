import { useState } from 'react';
import type { Link, Role, SignInView } from '../../contracts/house/access.ts';
import type { Person } from '../../core/house/people.ts';
import { trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { Dialog } from '../../ui/kit/Dialog.tsx';
import { PersonMark } from '../../ui/PersonMark.tsx';
import { WORDS as ACCOUNT } from '../../words/en/house/account.ts';
import { WORDS } from '../../words/en/house/peopleAccess.ts';
import { Devices, when } from './Devices.tsx';

interface Props {
  readonly people: readonly (Person & { readonly role: Role; readonly login: string | null; readonly pin: boolean })[];
  readonly devices: readonly SignInView[];
}

/** For the owner: who signs in how, links that let somebody in, devices that are in. */
export function PeopleAccess({ people, devices }: Props) {
  const [message, setMessage] = useState('');
  const [link, setLink] = useState<{ readonly title: string; readonly link: Link } | null>(null);
  async function make(personId: number | null, title: string): Promise<void> {
    setMessage('');
    const answer = await writeNow<Link>('POST', '/api/house/access/links', { personId });
    if (answer.kind === 'done') setLink({ title, link: answer.value });
    else setMessage(trouble(answer));
  }
  const nameOf = ({ kind, personId }: SignInView): string =>
    kind === 'house' ? WORDS.tabletOfHouse : (people.find(({ id }) => id === personId)?.name ?? '');
  return (
    <div>
      <p role="status" className={message ? 'note-bar bad mt-3' : 'sr-only'}>
        {message}
      </p>
      <div className="mt-3 overflow-x-auto">
        <table className="plain-table">
          <caption className="sr-only">{WORDS.people}</caption>
          <thead>
            <tr>
              <th>{WORDS.name}</th>
              <th>{WORDS.role}</th>
              <th>{WORDS.signsIn}</th>
              <th>{WORDS.pin}</th>
              <th>
                <span className="sr-only">{WORDS.link}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {people.map((person) => (
              <tr key={person.id} className="[&>td]:align-middle">
                <td>
                  <span className="flex min-h-11 items-center gap-2">
                    <PersonMark mark={person.mark} size={18} />
                    <span className="num">{person.initials}</span>
                    <a href={`/house/people?line=${person.id}`}>{person.name}</a>
                  </span>
                </td>
                <td>{ACCOUNT.roles[person.role]}</td>
                <td>{person.login ?? <span className="text-ink2">{WORDS.notYet}</span>}</td>
                <td>{person.pin ? WORDS.pinSet : <span className="text-ink2">{WORDS.noPin}</span>}</td>
                <td>
                  <button
                    type="button"
                    className="btn small"
                    aria-label={WORDS.linkFor(person.name)}
                    onClick={() => void make(person.id, WORDS.linkFor(person.name))}
                  >
                    {person.login === null ? WORDS.link : WORDS.linkAgain}
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <section className="mt-6 max-w-2xl">
        <div className="flex flex-wrap items-center justify-between gap-3">
          <h2>{WORDS.devices}</h2>
          <button type="button" className="btn" onClick={() => void make(null, WORDS.tabletTitle)}>
            {WORDS.tablet}
          </button>
        </div>
        {devices.length === 0 ? (
          <p>{WORDS.noDevices}</p>
        ) : (
          <Devices devices={devices} nameOf={nameOf} onTrouble={setMessage} />
        )}
      </section>
      {link && <LinkDialog {...link} onClose={() => setLink(null)} />}
    </div>
  );
}

/** The link as a square for a camera, and as text. */
function LinkDialog(props: { readonly title: string; readonly link: Link; readonly onClose: () => void }) {
  const { title, link, onClose } = props;
  const [copied, setCopied] = useState(false);
  const here = /^https?:\/\/(?:127\.|localhost|\[::1\])/.test(link.url);
  return (
    <Dialog open onOpenChange={onClose} title={title}>
      <p>
        {WORDS.linkWhat} <strong>{when(link.until_ms)}</strong>
      </p>
      <img
        className="mx-auto my-3 w-56 bg-white p-3"
        alt={title}
        src={`data:image/svg+xml;utf8,${encodeURIComponent(link.svg)}`}
      />
      <p className="num text-[0.9rem] break-all select-all" data-link>
        {link.url}
      </p>
      {here && <p className="note-bar mt-2">{WORDS.onlyHere}</p>}
      <button
        type="button"
        className="btn mt-3"
        onClick={() =>
          void navigator.clipboard?.writeText(link.url).then(
            () => setCopied(true),
            () => undefined,
          )
        }
      >
        {WORDS.copy}
      </button>
      <span role="status" className="ml-3">
        {copied ? WORDS.copied : ''}
      </span>
    </Dialog>
  );
}
