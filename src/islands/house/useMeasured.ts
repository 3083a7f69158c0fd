import { useEffect, useState } from 'react';
import { ALARMS } from '../../core/heat/alarms.ts';
import type { ZoneCard } from '../../contracts/heat/heat.ts';
import { readNow } from '../../ui/kit/data.ts';
import type { Measured } from './HouseDrawing.tsx';

const AGAIN_ms = 10_000;

/** What the sensors of heated places have now, by place; looked at again every ten seconds. */
export function useMeasured(): ReadonlyMap<number, Measured> {
  const [measured, setMeasured] = useState<ReadonlyMap<number, Measured>>(new Map());
  useEffect(() => {
    const look = async () => {
      const answer = await readNow<ZoneCard[]>('/api/heat/zones');
      if (answer.kind !== 'done') return;
      setMeasured(
        new Map(
          answer.value.flatMap((z) => {
            const medium_C = z.status?.read.medium ?? z.status?.x[1];
            if (medium_C === undefined) return [];
            return [[z.placeId, { medium_C, set_C: z.set_C, alarm: z.alarms[0] ? ALARMS[z.alarms[0]].name : null }]];
          }),
        ),
      );
    };
    void look();
    const timer = setInterval(() => void look(), AGAIN_ms);
    return () => clearInterval(timer);
  }, []);
  return measured;
}
