import { WORDS } from '../../words/en/house/awayPage.ts';
/** The page shown while the database is away: plain, without script, and it tries again by itself. */
export function awayPage(): Response {
  const html = WORDS.doctypeHtmlHtmlLangEn;
  return new Response(html, {
    status: 503,
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'retry-after': '3',
      'content-security-policy': WORDS.defaultSrcNone,
      'cache-control': 'no-store',
    },
  });
}
