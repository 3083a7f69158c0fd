import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { PlaceRecord } from '../../core/books/records.ts';

/** A place as it is sent: its days as dates. */
export function placeAnswer(place: PlaceRecord) {
  return {
    ...place,
    setPoints: (place.setPoints ?? []).map(({ week, setPoint_C }) => ({ week: isoFromDay(week), setPoint_C })),
    ...(place.bedLog ? { bedLog: place.bedLog.map((line) => ({ ...line, on: isoFromDay(line.on) })) } : {}),
    closed: (place.closed ?? []).map(({ from, to }) => ({ from: isoFromDay(from), to: isoFromDay(to) })),
  };
}
