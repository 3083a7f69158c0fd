import { later } from '../../ui/kit/later.tsx';
import { Camera, CircleQuestionMark, Menu, Search } from 'lucide-react';
import { Suspense, useEffect, useState } from 'react';
import type { Person } from '../../core/house/people.ts';
import type { SignedIn } from './DeviceHolder.tsx';
import type { Look } from '../../ui/look.ts';
import { HELP } from '../../words/en/help.ts';
import { SEARCH } from '../../words/en/pages.ts';
import { STRIP } from '../../words/en/strip.ts';

// Opened seldom: none of it is on the way of the first drawing.
const SearchDialog = later(() => import('./SearchDialog.tsx').then((m) => m.SearchDialog));
const HelpDialog = later(() => import('./HelpDialog.tsx').then((m) => m.HelpDialog));
const StripMenu = later(() => import('./StripMenu.tsx').then((m) => m.StripMenu));

interface Props {
  readonly people: readonly Person[];
  readonly holder: number | null;
  readonly signedIn: SignedIn;
  readonly look: Look;
}

type Open = 'search' | 'help' | 'menu' | null;

/** Whether a key is meant for a field. */
const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

const BUTTON =
  'flex h-9 min-w-9 items-center justify-center gap-2 rounded-[3px] border border-[#b9c3ba] px-2 text-[#eef0e8] no-underline pointer-coarse:h-11 pointer-coarse:min-w-11 max-[700px]:border-0 max-[700px]:px-0';

/** Search, help and the menu, on every page; by their keys as well. */
export function StripTools({ people, holder, signedIn, look }: Props) {
  const [open, setOpen] = useState<Open>(null);
  useEffect(() => {
    const keys = (e: KeyboardEvent) => {
      const key = e.key.toLowerCase();
      if (key === 'k' && (e.ctrlKey || e.metaKey)) setOpen('search');
      else if (e.ctrlKey || e.metaKey || e.altKey || typing(e.target)) return;
      else if (key === '/') setOpen('search');
      else if (key === '?') setOpen('help');
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, []);
  const dialog = (which: Exclude<Open, null>) => ({
    open: open === which,
    onOpenChange: (next: boolean) => setOpen(next ? which : null),
  });
  // Without script they are links to pages that do the same.
  const press = (which: Exclude<Open, null>) => (e: React.MouseEvent) => {
    e.preventDefault();
    setOpen(which);
  };
  return (
    <div className="ml-auto flex items-center gap-2 max-[700px]:gap-0">
      <a href="/house/scan" className={`${BUTTON} min-[700.1px]:hidden`}>
        <Camera size={18} aria-hidden="true" />
        <span className="sr-only">{STRIP.scan}</span>
      </a>
      <a href="/house/find" className={BUTTON} onClick={press('search')} aria-keyshortcuts="/ Control+K Meta+K">
        <Search size={18} aria-hidden="true" />
        <span className="text-[0.95rem] max-[1270px]:sr-only">{SEARCH.open}</span>
        <kbd
          className="rounded-[2px] border border-[#5f6c63] px-1 text-[0.8rem] max-[1500px]:hidden"
          aria-hidden="true"
        >
          /
        </kbd>
      </a>
      <a href="/house/help" className={`${BUTTON} max-[1270px]:hidden`} onClick={press('help')} aria-keyshortcuts="?">
        <CircleQuestionMark size={18} aria-hidden="true" />
        <span className="text-[0.95rem] max-[1500px]:sr-only">{HELP.open}</span>
      </a>
      <a href="/house/settings" className={BUTTON} onClick={press('menu')}>
        <Menu size={18} aria-hidden="true" />
        <span className="sr-only">{STRIP.menu}</span>
      </a>
      {open !== null && (
        <Suspense fallback={null}>
          {open === 'search' && <SearchDialog {...dialog('search')} />}
          {open === 'help' && <HelpDialog {...dialog('help')} />}
          {open === 'menu' && (
            <StripMenu
              {...dialog('menu')}
              people={people}
              holder={holder}
              signedIn={signedIn}
              look={look}
              onHelp={() => setOpen('help')}
            />
          )}
        </Suspense>
      )}
    </div>
  );
}
