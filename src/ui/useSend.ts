import { useRef, useState } from 'react';
import type { Problem } from '../contracts/problem.ts';
import { call, freshKey, trouble } from './call.ts';

/** Posts a form once, however often its button is pressed; what was refused can be put right and sent again. */
export function useSend(path: string, onKept: (words: string) => void) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [message, setMessage] = useState('');
  const key = useRef<string | null>(null);
  const busy = useRef(false);
  const send = async (body: Record<string, unknown>, words: string): Promise<boolean> => {
    if (busy.current) return false;
    busy.current = true;
    key.current ??= freshKey();
    const answer = await call('POST', path, { idempotencyKey: key.current, ...body });
    busy.current = false;
    if (answer.kind === 'done') {
      key.current = null;
      setProblem(null);
      setMessage('');
      onKept(words);
      return true;
    }
    // What was refused is another request when it is put right.
    if (answer.kind === 'problem') key.current = null;
    setProblem(answer.kind === 'problem' ? answer.problem : null);
    setMessage(trouble(answer));
    return false;
  };
  return { problem, message, send };
}
