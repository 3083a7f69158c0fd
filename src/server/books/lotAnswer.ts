import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { LotRecord } from '../../core/books/records.ts';

/** A lot as it is sent: ISO days. */
export function lotAnswer(lot: LotRecord) {
  const iso = (day: number | null) => (day === null ? null : isoFromDay(day));
  return {
    ...lot,
    receivedOn: iso(lot.receivedOn),
    testedOn: iso(lot.testedOn),
    tests: lot.tests.map((test) => ({ ...test, on: isoFromDay(test.on) })),
  };
}
