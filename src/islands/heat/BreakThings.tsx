import { useState } from 'react';
import type { BreakInput } from '../../contracts/heat/heat.ts';
import { trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { WORDS } from '../../words/en/heat/breakThings.ts';

const THINGS: readonly (readonly [keyof BreakInput, string])[] = [
  ['sensorOut', WORDS.pullTheSensor],
  ['sensorStuck', WORDS.freezeTheSensor],
  ['heaterOpen', WORDS.cutTheHeater],
  ['relayStuck', WORDS.jamTheRelayOn],
  ['powerOff', WORDS.cutThePower],
  ['lidOpen', WORDS.openTheLid],
  ['lidShut', WORDS.shutTheVents],
  ['silent', WORDS.stopTheReadings],
  ['inIce', WORDS.sensorIntoMeltingIce],
];

/** Breaks and mends the simulated bench of the demo, so that alarms can be seen to come. */
export function BreakThings({ zoneId }: { readonly zoneId: number }) {
  const [broken, setBroken] = useState<BreakInput>({});
  const [said, setSaid] = useState('');
  async function set(key: keyof BreakInput, value: boolean): Promise<void> {
    setBroken((now) => ({ ...now, [key]: value }));
    const answer = await writeNow('POST', `/api/heat/zones/${zoneId}/break`, { [key]: value });
    if (answer.kind !== 'done') {
      setBroken((now) => ({ ...now, [key]: !value }));
      return setSaid(trouble(answer));
    }
    setSaid(value ? WORDS.brokenLetTheDemosClock : WORDS.mended);
  }
  return (
    <details className="mt-5">
      <summary>
        <span className="num text-[1.2rem]">{WORDS.breakSomethingDemo}</span>
      </summary>
      <ul className="mt-1 grid grid-cols-1 gap-1">
        {THINGS.map(([key, words]) => (
          <li key={key}>
            <label className="flex min-h-9 items-center gap-2">
              <input
                type="checkbox"
                className="size-5 accent-plum"
                checked={broken[key] === true}
                onChange={(e) => void set(key, e.target.checked)}
              />
              {words}
            </label>
          </li>
        ))}
      </ul>
      <p role="status" className="min-h-5 text-[0.92rem]">
        {said}
      </p>
    </details>
  );
}
