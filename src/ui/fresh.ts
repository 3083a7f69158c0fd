/** Told when something was written from this page. */
export const WRITTEN = 'crook-written';
const WAIT_ms = 200;

let timer: ReturnType<typeof setTimeout> | undefined;

/**
 * After a write: parts of the page that the server draws (marked data-fresh, each with a name) are read anew and put in place, so
 * that nothing on the screen tells of before. Parts in which somebody types are left alone.
 */
async function freshen(): Promise<void> {
  let page: Document;
  try {
    const response = await fetch(location.href, { headers: { accept: 'text/html' } });
    if (!response.ok) return;
    page = new DOMParser().parseFromString(await response.text(), 'text/html');
  } catch {
    // Without a network the page stays as it is.
    return;
  }
  for (const part of document.querySelectorAll<HTMLElement>('[data-fresh]')) {
    const now = page.querySelector(`[data-fresh="${part.dataset['fresh']}"]`);
    if (now && !part.contains(document.activeElement) && now.innerHTML !== part.innerHTML)
      part.innerHTML = now.innerHTML;
  }
}

/** Freshens the page after each write, several at once as one. */
export function keepFresh(): void {
  window.addEventListener(WRITTEN, () => {
    clearTimeout(timer);
    timer = setTimeout(() => void freshen(), WAIT_ms);
  });
}
