import { afterEach, describe, expect, it, vi } from 'vitest';
import { dayNow } from './today.ts';

const AT_ms = Date.UTC(2027, 3, 12, 18, 30);
const page = (dataset: Record<string, string>) => vi.stubGlobal('document', { documentElement: { dataset } });
afterEach(() => vi.unstubAllGlobals());

describe('the day at the nursery, of a page kept on a device', () => {
  it('goes on by the time that has passed since it was put away, over midnight and for days', () => {
    // Looked after since, with nothing written: it is as of then, but drawn when it was.
    page({ day: '20000', minute: String(19 * 60 + 30), drawnAt: String(AT_ms), keptAt: String(AT_ms + 4 * 3_600_000) });
    expect(dayNow(20000, AT_ms + 3 * 3_600_000)).toBe(20000);
    expect(dayNow(20000, AT_ms + 5 * 3_600_000)).toBe(20001);
    expect(dayNow(20000, AT_ms + 53 * 3_600_000)).toBe(20003);
    // A clock that was set back in between takes nothing away.
    expect(dayNow(20000, AT_ms - 40 * 3_600_000)).toBe(20000);
  });

  it('is that of the page where the application was asked since, where a demo clock runs, and on the server', () => {
    page({ day: '20000', minute: '0', drawnAt: String(AT_ms) });
    expect(dayNow(20002, AT_ms + 90 * 3_600_000)).toBe(20002);
    page({ day: '20000', drawnAt: String(AT_ms) });
    expect(dayNow(20000, AT_ms + 90 * 3_600_000)).toBe(20000);
    vi.unstubAllGlobals();
    expect(dayNow(20000, AT_ms + 90 * 3_600_000)).toBe(20000);
  });
});
