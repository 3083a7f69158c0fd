/** Told when something was written from this page. */
export const WRITTEN = 'crook-written';
const WAIT_ms = 200;

let timer: ReturnType<typeof setTimeout> | undefined;

/** Says that something was written from this page: what it shows is read again. */
export function tellWritten(): void {
  if (typeof window !== 'undefined') window.dispatchEvent(new Event(WRITTEN));
}

/** An island that stands in no other. */
const islandsOf = (page: Document): HTMLElement[] =>
  [...page.querySelectorAll<HTMLElement>('astro-island')].filter((one) => !one.parentElement?.closest('astro-island'));
const kindOf = (island: Element): string =>
  `${island.getAttribute('component-url')} ${island.getAttribute('component-export')}`;

/** Islands that stand on both pages, in the order of each kind. */
function pairsOf(here: readonly HTMLElement[], now: readonly HTMLElement[]): [HTMLElement, HTMLElement][] {
  const byKind = new Map<string, HTMLElement[]>();
  for (const island of now) byKind.set(kindOf(island), [...(byKind.get(kindOf(island)) ?? []), island]);
  return here.flatMap((island) => {
    const next = byKind.get(kindOf(island))?.shift();
    return next ? [[island, next] as [HTMLElement, HTMLElement]] : [];
  });
}

/** Hands an island what the page gives it now; what is typed and open in it stays. */
function refill(island: HTMLElement, now: HTMLElement): void {
  const props = now.getAttribute('props') ?? '';
  if (island.getAttribute('props') === props) return;
  // One that has not begun yet is put in anew; one that runs is drawn again with what it is given, as between two pages of Astro.
  if (island.hasAttribute('ssr')) return island.replaceWith(document.importNode(now, true));
  island.setAttribute('ssr', '');
  island.setAttribute('props', props);
}

/**
 * After a write: what the page was drawn from is read anew and put in place, so that nothing on the screen tells of before. Parts that
 * the server draws (marked data-fresh, each with a name) are exchanged, unless somebody types in them; islands are handed what they
 * would be given now. Where the page has become another (a batch that was voided), its main part is exchanged.
 */
async function freshen(): Promise<void> {
  let page: Document;
  try {
    const response = await fetch(location.href, { headers: { accept: 'text/html' } });
    if (!response.ok || response.redirected) return;
    page = new DOMParser().parseFromString(await response.text(), 'text/html');
  } catch {
    // Without a network the page stays as it is.
    return;
  }
  const [main, nowMain] = [document.querySelector('main'), page.querySelector('main')];
  if (main && nowMain && main.dataset['page'] !== nowMain.dataset['page']) {
    main.replaceWith(document.importNode(nowMain, true));
    return;
  }
  for (const part of document.querySelectorAll<HTMLElement>('[data-fresh]')) {
    if (part.closest('astro-island') || part.querySelector('astro-island')) continue;
    const now = page.querySelector(`[data-fresh="${part.dataset['fresh']}"]`);
    if (now && !part.contains(document.activeElement) && now.innerHTML !== part.innerHTML)
      part.innerHTML = now.innerHTML;
  }
  for (const [island, now] of pairsOf(islandsOf(document), islandsOf(page))) refill(island, now);
}

/** Freshens the page after each write, several at once as one. */
export function keepFresh(): void {
  window.addEventListener(WRITTEN, () => {
    clearTimeout(timer);
    timer = setTimeout(() => void freshen(), WAIT_ms);
  });
}
