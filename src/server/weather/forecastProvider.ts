import { FORECAST_BYTES } from '../../contracts/weather/forecast.ts';
import { WORDS } from '../../words/en/weather/forecastProvider.ts';

/** Where forecasts come from. */
export interface ForecastProvider {
  readonly name: string;
  /**
   * @param at_ms the nursery's now
   * @returns what it answered, unchecked
   * @throws Error in words a grower can act on
   */
  fetch(at_ms: number): Promise<unknown>;
}

/** Longest wait for an answer. */
const WAIT_ms = 8_000;

/**
 * A service asked over HTTP: `{at}`, `{lat}` and `{lon}` in its address are filled in. The answer is bounded in time and size.
 * @param url as written in FORECAST_URL
 */
export function httpProvider(
  url: string,
  at: { readonly lat: number; readonly lon: number },
  name = new URL(url.replaceAll(/\{\w+\}/g, '0')).host,
  wait_ms = WAIT_ms,
): ForecastProvider {
  return {
    name,
    async fetch(at_ms) {
      const address = url
        .replaceAll('{at}', encodeURIComponent(new Date(at_ms).toISOString()))
        .replaceAll('{lat}', String(at.lat))
        .replaceAll('{lon}', String(at.lon));
      let response: Response;
      try {
        response = await fetch(address, {
          signal: AbortSignal.timeout(wait_ms),
          redirect: 'error',
          headers: { accept: 'application/json' },
        });
      } catch (error) {
        if ((error as Error).name === 'TimeoutError') throw new Error(WORDS.noAnswerWithinSeconds(wait_ms / 1000));
        throw new Error(WORDS.itCannotBeReached);
      }
      if (!response.ok) throw new Error(WORDS.itAnswered(response.status));
      try {
        return JSON.parse(await bounded(response)) as unknown;
      } catch (error) {
        if (error instanceof SyntaxError) throw new Error(WORDS.itAnsweredWhatIsNot);
        throw (error as Error).name === 'TimeoutError' ? new Error(WORDS.itsAnswerBrokeOff) : error;
      }
    },
  };
}

async function bounded(response: Response): Promise<string> {
  const reader = response.body!.getReader();
  const chunks: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > FORECAST_BYTES) {
      await reader.cancel();
      throw new Error(WORDS.itsAnswerIsLargerThan(FORECAST_BYTES / 1024));
    }
    chunks.push(value);
  }
  return Buffer.concat(chunks).toString('utf8');
}
