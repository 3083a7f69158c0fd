import type { Problem } from '../../contracts/problem.ts';
import { WORDS } from '../../words/en/house/awayPage.ts';

/** The page shown while the database is away: plain, without script, and it tries again by itself. */
export function awayPage(): Response {
  const html = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<meta http-equiv="refresh" content="3"><title>${WORDS.title}</title></head>
<body><main><h1>${WORDS.away}</h1>
<p>${WORDS.nothingIsLost}</p>
<p>${WORDS.startAgain}</p>
</main></body></html>`;
  return new Response(html, {
    status: 503,
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'retry-after': '3',
      'content-security-policy': "default-src 'none'",
      'cache-control': 'no-store',
    },
  });
}

/** A page that says why there is none, and leads back. */
export function plainPage({ title, status, detail }: Pick<Problem, 'title' | 'status' | 'detail'>): Response {
  const html = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1"><title>${title}</title></head>
<body><main><h1>${title}</h1><p>${detail}</p><p><a href="/">${WORDS.toTheRound}</a></p></main></body></html>`;
  return new Response(html, {
    status,
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': "default-src 'none'",
      'cache-control': 'no-store',
    },
  });
}
