import { useRef, useState } from 'react';
import type { WaterInput } from '../../contracts/watering/water.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { doOrKeep } from '../../ui/logPost.ts';
import { sayHere } from '../../ui/kit/said.ts';
import { useWaiting } from '../../ui/useWaiting.ts';
import { WORDS } from '../../words/en/watering/card.ts';

type Line = Omit<WaterInput, 'idempotencyKey'>;
interface Logged {
  readonly lineIds: readonly number[];
  readonly skipped: readonly number[];
}

const PATH = '/api/watering/lines';

/** Batches watered or looked at on this device that the application does not know of yet. */
export function useWaterWaiting(): ReadonlySet<number> {
  const waiting = useWaiting().filter(({ path, refused }) => path === PATH && refused === null);
  return new Set(waiting.flatMap(({ body }) => (body as Partial<WaterInput>).batchIds ?? []));
}

/**
 * Writes water and looks, each once however often it is tapped, or keeps them on this device; what was written can be taken back.
 * @param refresh reads what is shown again
 */
export function useWaterLog(refresh: () => Promise<void>) {
  const [wrong, setWrong] = useState('');
  const [busy, setBusy] = useState(false);
  const sending = useRef(false);
  const [away, setAway] = useState<ReadonlySet<number>>(new Set());

  async function send(line: Line, words: string): Promise<Logged | 'kept' | null> {
    const answer = await doOrKeep<Logged>({ path: PATH, body: { idempotencyKey: freshKey(), ...line }, words });
    if (answer.kind === 'done') return answer.value;
    if (answer.kind === 'kept') return 'kept';
    setWrong(trouble(answer));
    return null;
  }

  /** @param after said once it is written, behind what was done */
  async function log(line: Line, words: string, after = ''): Promise<boolean> {
    // A second tap while the first is on its way is not a second line.
    if (sending.current) return false;
    sending.current = true;
    setBusy(true);
    setWrong('');
    // Only water takes a tray off the list.
    if (line.kind === 'watered') setAway(new Set(line.batchIds));
    const done = await send(line, words);
    sending.current = false;
    setBusy(false);
    if (done === null || done === 'kept') setAway(new Set());
    if (done === null) return false;
    if (done === 'kept') sayHere({ words: `${words}: ${WORDS.keptHere}` });
    else {
      const left = done.skipped.length > 0 ? WORDS.skipped(done.skipped.length) : '';
      sayHere({ words: `${words}.${after}${left}`, undo: () => undo(done.lineIds, words) });
      await refresh();
      setAway(new Set());
    }
    return true;
  }

  async function undo(lineIds: readonly number[], words: string): Promise<void> {
    for (const correctsId of lineIds) await send({ kind: 'withdrawn', correctsId }, words);
    await refresh();
  }

  return { log, wrong, busy, away };
}
