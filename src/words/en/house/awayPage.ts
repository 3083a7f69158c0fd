import { catalogue } from '../../catalogue.ts';

/** What server/house/awayPage.ts says. */
export const WORDS = catalogue({
  doctypeHtmlHtmlLangEn:
    '<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">\n<meta http-equiv="refresh" content="3"><title>Crook: one moment</title></head>\n<body><main><h1>The database is away</h1>\n<p>Nothing is lost. This page tries again every three seconds and goes on by itself when the database is back.</p>\n<p>If it stays away for a minute, stop Crook and run bin/start again on the machine it runs on.</p>\n</main></body></html>',
  defaultSrcNone: "default-src 'none'",
});
