import type { SignInView } from '../../contracts/house/access.ts';
import { trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { WORDS } from '../../words/en/house/account.ts';

const clock = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
export const when = (at_ms: number): string => clock.format(at_ms);

/** Signs this device out, with the pages it keeps; what waits to be sent stays until somebody of the house signs in. */
export async function leave(everywhere: boolean): Promise<void> {
  const answer = await writeNow('POST', '/api/house/access/sign-out', { everywhere });
  if (answer.kind !== 'done') return;
  if ('caches' in window)
    for (const name of await caches.keys()) if (name.startsWith('crook-pages-')) await caches.delete(name);
  location.assign('/house/sign-in');
}

/** Devices that are signed in, each to be signed out. */
export function Devices(props: {
  readonly devices: readonly SignInView[];
  readonly nameOf?: (device: SignInView) => string;
  readonly onTrouble: (words: string) => void;
}) {
  const { devices, nameOf = () => '', onTrouble } = props;
  async function end(device: SignInView): Promise<void> {
    if (device.here) return leave(false);
    const answer = await writeNow('DELETE', `/api/house/access/sign-ins/${device.id}`);
    if (answer.kind !== 'done') onTrouble(trouble(answer));
  }
  return (
    <ul className="mt-2">
      {devices.map((device) => {
        const name = [nameOf(device), device.device || WORDS.unknownDevice].filter(Boolean).join(': ');
        return (
          <li key={device.id} className="flex min-h-11 items-center gap-3 border-t border-line py-1">
            <span className="font-semibold">{name}</span>
            <span className="flex-1 text-ink2">{device.here ? WORDS.here : WORDS.seen(when(device.seen_ms))}</span>
            <button
              type="button"
              className="btn small"
              aria-label={WORDS.signOutDevice(name)}
              onClick={() => void end(device)}
            >
              {WORDS.signOut}
            </button>
          </li>
        );
      })}
    </ul>
  );
}
