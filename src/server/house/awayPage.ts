/** The page shown while the database is away: plain, without script, and it tries again by itself. */
export function awayPage(): Response {
  const html = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<meta http-equiv="refresh" content="3"><title>Crook: one moment</title></head>
<body><main><h1>The database is away</h1>
<p>Nothing is lost. This page tries again every three seconds and goes on by itself when the database is back.</p>
<p>If it stays away for a minute, stop Crook and run bin/start again on the machine it runs on.</p>
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
