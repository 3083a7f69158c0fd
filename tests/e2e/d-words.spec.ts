import { writeFileSync } from 'node:fs';
import pg from 'pg';
import { PAGES } from './pages.ts';
import { expect, test } from './page.ts';

/**
 * Every page as a southern house that counts in Fahrenheit, inches and dollars gets it, in the pseudo-language: what is
 * left in plain letters stands outside the catalogues (src/words/en). Without script, so that it is the server's own text.
 */
test.use({ starts: { flags: [], more: { CROOK_WORDS: 'pseudo' } }, javaScriptEnabled: false });

/** What is the same in every language: units, currencies, formats and what Intl itself says. */
const AS_IT_IS =
  /https?:\S+|\b[A-Z][A-Za-z]+\/[A-Za-z_/ -]+|\b(kWh|Wh|kW|mm|cm|km|mph|kg|lb|oz|gal|ft|in|sq|USD|EUR|CSV|PDF|JSON|ISO|UTC|GMT|EC|mS|pH|VPD|PAR|ppm|mL|Arctic|DLI|mol|lux|klx|MQTT|http|FAO|GCV|Esc|Ctrl|Enter|PgUp|PgDn|AM|PM|am|pm)\b/g;

const PLAIN = /(?<![\p{L}\p{M}])[A-Za-z]{2,}(?![\p{L}\p{M}])/u;
const PLAIN_WORDS = new RegExp(PLAIN, 'gu');

/** Columns in which somebody wrote a name or a note. */
const NAMED =
  /^(name|place_name|code|letter|note|reason|botanical|family|synonyms|initials|device|source|label|caution|details|printed_code)$/;

/** Names and notes of the nursery, the longest first. */
async function written(databaseUrl: string): Promise<readonly string[]> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  try {
    const { rows: columns } = await client.query<{ t: string; c: string }>(
      `SELECT table_name AS t, column_name AS c FROM information_schema.columns
       WHERE table_schema = 'public' AND table_name <> 'migrations' AND data_type IN ('text', 'jsonb')`,
    );
    const found = new Set<string>();
    const keep = (value: unknown): void => {
      if (typeof value === 'string') {
        const name = value.trim();
        found.add(name).add(name.charAt(0).toUpperCase() + name.slice(1)).add(name.toLowerCase());
      }
      else if (Array.isArray(value)) value.forEach(keep);
      else if (value !== null && typeof value === 'object') Object.values(value).forEach(keep);
    };
    for (const { t, c } of columns.filter(({ c }) => NAMED.test(c))) {
      const { rows } = await client.query<{ v: unknown }>(`SELECT DISTINCT "${c}" AS v FROM "${t}"`);
      rows.forEach(({ v }) => keep(v));
    }
    return [...found].filter((value) => /[A-Za-z]{2}/.test(value)).sort((a, b) => b.length - a.length);
  } finally {
    await client.end();
  }
}

test('no page says anything that stands outside the catalogue', async ({ page, house }) => {
  test.setTimeout(240_000);
  const data = await written(house.databaseUrl);
  const seen = new Set<string>();
  const left = new Map<string, string>();
  for (const path of PAGES) {
    const t0 = Date.now();
    await page.goto(path, { waitUntil: 'commit' });await page.waitForLoadState('domcontentloaded'); console.log(path, Date.now() - t0);
    const texts = await page.evaluate(() => {
      const found: string[] = [document.title];
      const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      while (walk.nextNode()) {
        const of = walk.currentNode.parentElement!;
        if (!of.closest('script, style, noscript, template')) found.push(walk.currentNode.textContent ?? '');
      }
      for (const each of document.body.querySelectorAll('*'))
        for (const name of ['aria-label', 'title', 'placeholder', 'alt', 'aria-valuetext'])
          if (each.hasAttribute(name)) found.push(each.getAttribute(name)!);
      return found;
    });
    for (const each of new Set(texts)) {
      const text = each.replaceAll(/\s+/g, ' ').trim();
      if (seen.has(text)) continue;
      seen.add(text);
      let rest = text.replaceAll(AS_IT_IS, ' ');
      if (!PLAIN.test(rest)) continue;
      for (const name of data) if (rest.includes(name)) rest = rest.replaceAll(name, ' ');
      const words = rest.match(PLAIN_WORDS);
      if (words && !left.has(words.join(' '))) left.set(words.join(' '), `${path}: ${text}`);
    }
  }
  writeFileSync('/tmp/left.json', JSON.stringify([...left.entries()]));
  expect([...left].map(([words, where]) => `${words} — ${where}`)).toEqual([]);
});
