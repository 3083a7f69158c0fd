import { Command } from 'cmdk';
import { useState } from 'react';
import type { FindAnswer, Findable, FoundKind } from '../../contracts/house/search.ts';
import { useAnswer } from '../../ui/kit/data.ts';
import { Dialog } from '../../ui/kit/Dialog.tsx';
import { GLOSSARY } from '../../words/en/glossary.ts';
import { ACTIONS, PAGES, SEARCH } from '../../words/en/pages.ts';

interface Props {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
}

const KINDS: readonly FoundKind[] = ['batch', 'place', 'crop', 'lot'];
/** A code as labels have it, with or without a tray. */
const CODE = /^[a-z2-9]{3,4}(-\d{1,4})?$/i;
/** Shown of a kind before anything is typed, so that the list is short. */
const MOST_UNTYPED: Readonly<Record<FoundKind, number>> = { batch: 6, place: 0, crop: 0, lot: 0 };
const MOST = 12;

/** How well a thing fits what is typed: by its name first, then by its other words; 0: not at all. */
function fit(text: string, name: string, also: string): number {
  const wanted = text.trim().toLowerCase();
  if (wanted === '') return 1;
  const [own, others] = [name.toLowerCase(), also.toLowerCase()];
  if (own === wanted || others.split(' ').includes(wanted)) return 5;
  if (own.startsWith(wanted)) return 4;
  if (own.split(/[\s(]/).some((word) => word.startsWith(wanted))) return 3;
  const words = wanted.split(/\s+/);
  const all = `${own} ${others}`.split(/[\s(]/);
  return words.every((word) => all.some((one) => one.startsWith(word))) ? 2 : 0;
}

const best = <T,>(
  list: readonly T[],
  text: string,
  wordsOf: (one: T) => readonly [string, string],
  most: number,
): T[] =>
  list
    .map((one, i) => ({ one, i, rank: fit(text, ...wordsOf(one)) }))
    .filter(({ rank }) => rank > 0)
    .sort((a, b) => b.rank - a.rank || a.i - b.i)
    .slice(0, most)
    .map(({ one }) => one);

/** Search of everything that has a page: what is typed is found while it is typed. */
export function SearchDialog({ open, onOpenChange }: Props) {
  const [text, setText] = useState('');
  const found = useAnswer<FindAnswer>('/api/house/find');
  const things = found.data?.things ?? [];
  const typed = text.trim() !== '';
  const go = (href: string): void => {
    onOpenChange(false);
    location.assign(href);
  };
  const ofKind = (kind: FoundKind): Findable[] =>
    best(
      things.filter((thing) => thing.kind === kind),
      text,
      ({ name, also }) => [name, also],
      typed ? MOST : MOST_UNTYPED[kind],
    );
  const pages = typed ? best(PAGES, text, ({ name, also }) => [name, also], MOST) : [];
  const actions = best(ACTIONS, text, ({ name, also }) => [name, also], typed ? MOST : ACTIONS.length);
  const words = typed ? best(GLOSSARY, text, ({ word }) => [word, ''], 4) : [];
  const code = CODE.test(text.trim()) ? text.trim().toUpperCase() : null;
  // A word may look like a code: it comes first where a batch has it, and not at all where it has no figure.
  const known =
    code !== null && things.some(({ kind, also }) => kind === 'batch' && also.startsWith(code.split('-')[0]!));
  const byCode = code && <Line href={`/t/${code}`} name={SEARCH.byCode(code)} note="" onGo={go} />;
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title={SEARCH.open} hiddenTitle about={SEARCH.hint}>
      <Command shouldFilter={false} loop label={SEARCH.label}>
        <Command.Input
          value={text}
          onValueChange={setText}
          className="input text-lg"
          aria-label={SEARCH.label}
          placeholder={SEARCH.label}
        />
        <Command.List className="kit-found mt-2 max-h-[60vh] overflow-y-auto">
          <Command.Empty className="px-2 py-3 text-ink2">{SEARCH.nothing(text)}</Command.Empty>
          {known && byCode}
          {KINDS.slice(0, 1).map((kind) => (
            <Things key={kind} kind={kind} things={ofKind(kind)} onGo={go} />
          ))}
          {actions.length > 0 && (
            <Group heading={SEARCH.groups.action}>
              {actions.map(({ href, name }) => (
                <Line key={href} href={href} name={name} note="" onGo={go} />
              ))}
            </Group>
          )}
          {pages.length > 0 && (
            <Group heading={SEARCH.groups.page}>
              {pages.map(({ href, name }) => (
                <Line key={href} href={href} name={name} note="" onGo={go} />
              ))}
            </Group>
          )}
          {KINDS.slice(1).map((kind) => (
            <Things key={kind} kind={kind} things={ofKind(kind)} onGo={go} />
          ))}
          {words.length > 0 && (
            <Group heading={SEARCH.groups.help}>
              {words.map(({ word, means }) => (
                <Line key={word} href={`/house/help#${slug(word)}`} name={word} note={means} onGo={go} />
              ))}
            </Group>
          )}
          {!known && /\d/.test(text) && byCode}
        </Command.List>
      </Command>
    </Dialog>
  );
}

/** The anchor of a word in the glossary. */
const slug = (word: string): string => word.toLowerCase().replaceAll(/[^a-z]+/g, '-');

function Things(props: {
  readonly kind: FoundKind;
  readonly things: readonly Findable[];
  readonly onGo: (href: string) => void;
}) {
  if (props.things.length === 0) return null;
  return (
    <Group heading={SEARCH.groups[props.kind]}>
      {props.things.map(({ href, name, note }) => (
        <Line key={href} href={href} name={name} note={note} onGo={props.onGo} />
      ))}
    </Group>
  );
}

function Group({ heading, children }: { readonly heading: string; readonly children: React.ReactNode }) {
  return <Command.Group heading={heading}>{children}</Command.Group>;
}

function Line(props: {
  readonly href: string;
  readonly name: string;
  readonly note: string;
  readonly onGo: (href: string) => void;
}) {
  const { href, name, note, onGo } = props;
  return (
    <Command.Item
      value={`${href} ${name}`}
      className="flex min-h-11 cursor-pointer items-baseline gap-3 rounded-[2px] px-2 py-2 data-[selected=true]:bg-plum-soft"
      onSelect={() => onGo(href)}
    >
      <span className="font-semibold whitespace-nowrap">{name}</span>
      {note !== '' && <span className="truncate text-[0.92rem] text-ink2">{note}</span>}
    </Command.Item>
  );
}
