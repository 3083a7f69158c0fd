import { useEffect, useRef, useState } from 'react';

export interface Sounding {
  readonly id: number;
  readonly taken: boolean;
  readonly sounded_ms: number | null;
}

const KEY = 'crook-alarm-sound';

/**
 * Sounds on this device when an alarm does: at first and again until somebody takes it; the server minds quiet hours.
 * Browsers let a page sound only after a tap, so it is switched on by hand.
 */
export function useAlarmSound(): {
  on: boolean;
  set: (on: boolean) => void;
  hear: (alarms: readonly Sounding[]) => void;
} {
  const [on, setOn] = useState(false);
  const audio = useRef<AudioContext | null>(null);
  const heard = useRef(new Map<number, number>());
  useEffect(() => () => void audio.current?.close(), []);
  function set(next: boolean): void {
    audio.current ??= next ? new AudioContext() : null;
    localStorage.setItem(KEY, next ? '1' : '');
    setOn(next);
    if (next) ring(audio.current!, 0.15);
  }
  function hear(alarms: readonly Sounding[]): void {
    const fresh = alarms.filter((a) => !a.taken && a.sounded_ms !== null && heard.current.get(a.id) !== a.sounded_ms);
    for (const a of fresh) heard.current.set(a.id, a.sounded_ms!);
    if (fresh.length > 0 && audio.current) ring(audio.current, 0.9);
  }
  return { on, set, hear };
}

/** Two tones, falling; not a tune. */
function ring(context: AudioContext, seconds: number): void {
  for (const [at, hertz] of [
    [0, 880],
    [seconds / 2, 660],
  ] as const) {
    const tone = context.createOscillator();
    const loud = context.createGain();
    tone.frequency.value = hertz;
    loud.gain.value = 0.2;
    tone.connect(loud).connect(context.destination);
    tone.start(context.currentTime + at);
    tone.stop(context.currentTime + at + seconds / 2);
  }
}
