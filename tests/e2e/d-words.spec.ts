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
  /\b[A-Z][A-Za-z]+\/[A-Za-z_/ -]+|\b(kWh|Wh|kW|mm|cm|km|mph|kg|lb|oz|gal|pt|ft|in|sq|USD|EUR|CSV|PDF|JSON|ISO|UTC|GMT|EC|mS|pH|VPD|PAR|ppm|mL|Arctic|DLI|mol|lux|klx|MQTT|http|FAO|GCV|Esc|Ctrl|Enter|PgUp|PgDn|AM|PM|am|pm)\b/g;

const ADDRESS = /https?:\S+/g;
/** Months of days, by Intl. */
const MONTH = /\b\d{1,2} (Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sept?|Oct|Nov|Dec)\b/g;

const PLAIN = /(?<![\p{L}\p{M}])[A-Za-z]{2,}(?![\p{L}\p{M}])/u;
const PLAIN_WORDS = new RegExp(PLAIN, 'gu');

/** Pages of the heated benches. */
const HEAT = [
  '/heat',
  '/heat/alarms',
  '/heat/readings',
  '/heat/settings',
  '/heat/training',
  '/heat/zones/1',
  '/heat/zones/new',
  '/heat/zones/new?build=cable-in-sand',
];

/** Tables whose steps and notes the grower names. */
const TYPED = new Set(['programmes', 'structures', 'covers', 'containers', 'stock_items', 'places', 'forecasts']);

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
        found
          .add(name)
          .add(name.charAt(0).toUpperCase() + name.slice(1))
          .add(name.toLowerCase());
      } else if (Array.isArray(value)) value.forEach(keep);
      else if (value !== null && typeof value === 'object') Object.values(value).forEach(keep);
    };
    for (const { t, c } of columns.filter(({ t, c }) => NAMED.test(c) || TYPED.has(t))) {
      const { rows } = await client.query<{ v: unknown }>(`SELECT DISTINCT "${c}" AS v FROM "${t}"`);
      rows.forEach(({ v }) => keep(v));
    }
    return [...found].filter((value) => /[A-Za-z]{2}/.test(value)).sort((a, b) => b.length - a.length);
  } finally {
    await client.end();
  }
}

const ASKED =
  /^(version|name|placeName|latitude_deg|longitude_deg|timeZone|temperatureUnit|lengthUnit|firstWeekday|lastFrost|firstFrost|spare_frac|offHeat)$/;

test('no page says anything that stands outside the catalogue, and nothing longer is cut', async ({ page, house }) => {
  test.setTimeout(240_000);
  const { request } = page;
  const { id: _one, ...nursery } = (await (await request.get('/api/house/nursery')).json()) as Record<string, unknown>;
  const asked = Object.keys(nursery).filter((key) => ASKED.test(key));
  const changed = await request.put('/api/house/nursery', {
    data: {
      ...Object.fromEntries(asked.map((key) => [key, nursery[key]])),
      latitude_deg: -42,
      longitude_deg: 147,
      temperatureUnit: 'F',
      lengthUnit: 'in',
      lastFrost: '11-08',
      firstFrost: '04-18',
    },
  });
  expect(changed.status(), await changed.text()).toBe(200);
  const data = await written(house.databaseUrl);
  const seen = new Set<string>();
  const left = new Map<string, string>();
  const cut: string[] = [];
  for (const path of [...PAGES, ...HEAT]) {
    await page.goto(path, { waitUntil: 'domcontentloaded' });
    const texts = await page.evaluate(() => {
      const found: string[] = [document.title];
      const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      while (walk.nextNode()) {
        const of = walk.currentNode.parentElement!;
        if (!of.closest('script, style, noscript, template, code')) found.push(walk.currentNode.textContent ?? '');
      }
      for (const each of document.body.querySelectorAll('*'))
        for (const name of ['aria-label', 'title', 'placeholder', 'alt', 'aria-valuetext'])
          if (each.hasAttribute(name)) found.push(each.getAttribute(name)!);
      return found;
    });
    // Longer words are neither cut off nor push a page wider than a phone or a desk.
    for (const width of [390, 1280]) {
      await page.setViewportSize({ width, height: 800 });
      cut.push(
        ...(await page.evaluate((at) => {
          const found: string[] = [];
          if (document.documentElement.scrollWidth > at)
            found.push(`${location.pathname} is ${document.documentElement.scrollWidth} px wide at ${at}`);
          for (const each of document.body.querySelectorAll<HTMLElement>('*')) {
            const { overflowX, textOverflow } = getComputedStyle(each);
            const hides = textOverflow === 'ellipsis' || overflowX === 'hidden' || overflowX === 'clip';
            const own = [...each.childNodes].some((node) => node.nodeType === 3 && node.textContent!.trim() !== '');
            if (hides && own && each.clientWidth > 1 && each.scrollWidth > each.clientWidth + 1 && !each.title)
              found.push(`${location.pathname} at ${at}: ${each.textContent!.trim().slice(0, 60)}`);
          }
          return found;
        }, width)),
      );
    }
    for (const each of new Set(texts)) {
      const text = each.replaceAll(/\s+/g, ' ').trim();
      if (seen.has(text)) continue;
      seen.add(text);
      if (!PLAIN.test(text)) continue;
      // Names of the nursery first: they may hold what is the same in every language.
      let rest = text.replaceAll(ADDRESS, ' ');
      for (const name of data) if (rest.includes(name)) rest = rest.replaceAll(name, ' ');
      rest = rest.replaceAll(AS_IT_IS, ' ').replaceAll(MONTH, ' ');
      const words = rest.match(PLAIN_WORDS);
      if (words && words.length > 0 && !left.has(words.join(' '))) left.set(words.join(' '), `${path}: ${text}`);
    }
  }
  expect([...new Set(cut)]).toEqual([]);
  expect([...left].map(([words, where]) => `${words} — ${where}`)).toEqual([]);
});
