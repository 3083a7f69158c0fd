import { useEffect } from 'react';
import { useAnswer, useWrite } from '../../ui/kit/data.ts';
import { WORDS } from '../../words/en/house/demoInstead.ts';

/** How often it is looked whether the demo is there, ms. */
const LOOK_ms = 1_000;

/** Who only wants to look has the demo nursery set up in place of the empty one; the server starts again with it. */
export function DemoInstead() {
  const demo = useWrite<object>('POST', '/api/house/begin/demo', false);
  const asked = demo.isSuccess;
  const there = useAnswer<{ demoClock: object | null }>(asked ? '/api/house/nursery' : null);
  const { refetch } = there;
  useEffect(() => {
    if (!asked) return;
    const clock = setInterval(() => void refetch(), LOOK_ms);
    return () => clearInterval(clock);
  }, [asked, refetch]);
  const ready = there.data?.demoClock != null;
  useEffect(() => {
    if (ready) location.assign('/');
  }, [ready]);
  return (
    <p className="mt-6 text-ink2" aria-live="polite">
      {asked ? (
        WORDS.beingSetUp
      ) : (
        <>
          {WORDS.onlyLooking}{' '}
          <button type="button" className="btn ml-2" disabled={demo.isPending} onClick={() => demo.mutate({})}>
            {WORDS.lookRound}
          </button>
        </>
      )}
      {demo.error && <span role="alert"> {demo.error.message}</span>}
    </p>
  );
}
