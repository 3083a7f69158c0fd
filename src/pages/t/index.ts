import type { APIRoute } from 'astro';

/** The code box of every page: /t?code=K7M goes to /t/K7M. */
export const GET: APIRoute = ({ url, redirect }) => {
  const code = (url.searchParams.get('code') ?? '').trim().slice(0, 200);
  const last = code.split('/').at(-1) ?? '';
  return redirect(`/t/${encodeURIComponent(last === '' ? 'none' : last)}`);
};
