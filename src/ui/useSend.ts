import { useWrite } from './kit/data.ts';

/** Posts a form once, however often its button is pressed; what was refused can be put right and sent again. */
export function useSend(path: string, onKept: (words: string) => void) {
  const write = useWrite<Record<string, unknown>>('POST', path);
  const send = async (body: Record<string, unknown>, words: string): Promise<boolean> => {
    const done = await write.mutateAsync(body).catch(() => undefined);
    if (done === undefined) return false;
    onKept(words);
    return true;
  };
  return { problem: write.error?.problem ?? null, message: write.error?.message ?? '', send };
}
