import { useEffect, useRef, useState } from 'react';
import { useView, writeNow } from '../../ui/kit/data.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import type { AlarmRecord } from '../../contracts/heat/heat.ts';
import { trouble } from '../../ui/call.ts';
import type { Person } from '../../core/house/people.ts';
import { useAlarmSound, type Sounding } from './useAlarmSound.ts';
import { AlarmCard } from './AlarmCard.tsx';
import { WORDS } from '../../words/en/heat/alarms.ts';

interface Props {
  readonly alarms: readonly AlarmRecord[];
  readonly names: Readonly<Record<number, string>>;
  readonly unit: TemperatureUnit;
  readonly timeZone: string;
  readonly people: readonly Person[];
  readonly today: number;
}

/** Alarms that stand, those that are over, and a test. */
export function Alarms({ alarms: first, names, unit, timeZone, people, today }: Props) {
  const { view: alarms, refresh } = useView<readonly AlarmRecord[]>('/api/heat/alarms', first);
  const [said, setSaid] = useState('');
  const [ready, setReady] = useState(false);
  const sound = useAlarmSound();
  const hear = useRef(sound.hear);
  useEffect(() => {
    hear.current = sound.hear;
  });
  useEffect(() => {
    setReady(true);
    const events = new EventSource('/api/heat/live');
    events.onmessage = (e) => {
      hear.current((JSON.parse(e.data as string) as { alarms: readonly Sounding[] }).alarms);
      void refresh();
    };
    return () => events.close();
  }, [refresh]);
  async function test(): Promise<void> {
    const answer = await writeNow('POST', '/api/heat/alarms', {});
    setSaid(answer.kind === 'done' ? WORDS.aTestAlarmStandsIt : trouble(answer));
    await refresh();
  }
  const open = alarms.filter((a) => a.cleared_ms === null);
  const over = alarms.filter((a) => a.cleared_ms !== null);
  const card = (a: AlarmRecord) => (
    <AlarmCard
      key={a.id}
      alarm={a}
      zone={a.zoneId === null ? null : (names[a.zoneId] ?? null)}
      unit={unit}
      timeZone={timeZone}
      beside={{ people, today }}
      onTaken={() => void refresh()}
    />
  );
  return (
    <div data-ready={ready}>
      <div className="flex flex-wrap items-center gap-4">
        <h1>
          {open.length === 0
            ? WORDS.noAlarmStands
            : open.length === 1
              ? WORDS.oneAlarmStands
              : WORDS.alarmsStand(open.length)}
        </h1>
        <button type="button" className="btn ml-auto" aria-pressed={sound.on} onClick={() => sound.set(!sound.on)}>
          {sound.on ? WORDS.soundsOnThisDevice : WORDS.soundHere}
        </button>
        <button type="button" className="btn" onClick={() => void test()}>
          {WORDS.testAlarm}
        </button>
      </div>
      <p role="status" className="min-h-6">
        {said}
      </p>
      <div className="max-w-4xl">{open.map(card)}</div>
      {over.length > 0 && (
        <section className="mt-6 max-w-4xl" aria-label={WORDS.over}>
          <h2 className="mb-2">{WORDS.over}</h2>
          {over.map(card)}
        </section>
      )}
    </div>
  );
}
