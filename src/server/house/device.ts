import type { APIContext } from 'astro';
import type { Device } from './signIn.ts';

type Context = Pick<APIContext, 'request' | 'url' | 'cookies' | 'clientAddress'>;

/** Whether the device calls over HTTPS: to this process, or to the proxy that stands before it. */
export const secureOf = ({ request, url }: Pick<Context, 'request' | 'url'>): boolean =>
  url.protocol === 'https:' || request.headers.get('x-forwarded-proto') === 'https';

/** The address under which the device calls. */
export const calledAt = (context: Pick<Context, 'request' | 'url'>): URL => {
  const url = new URL(context.url);
  url.protocol = secureOf(context) ? 'https:' : 'http:';
  url.host = context.request.headers.get('host') ?? url.host;
  return url;
};

/** The device that calls, to be signed in or out. */
export const deviceOf = (context: Context): Device => ({
  address: context.clientAddress,
  secure: secureOf(context),
  cookies: context.cookies,
});
