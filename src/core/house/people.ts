import type { Role } from './roles.ts';

/** Marks that tell people of the house apart by shape, so that no colour is needed. */
export const PERSON_MARKS = ['circle', 'square', 'triangle', 'diamond', 'cross', 'ring', 'bar', 'star'] as const;
export type PersonMark = (typeof PERSON_MARKS)[number];

/** Somebody who works in the nursery. */
export interface Person {
  readonly id: number;
  readonly name: string;
  readonly initials: string;
  readonly mark: PersonMark;
}

/** What they may do here, where people sign in. */
export interface PersonOfHouse extends Person {
  readonly role: Role;
}

/** The first mark nobody has yet; when all are taken, the one the fewest have. */
export function freeMark(people: readonly Pick<Person, 'mark'>[]): PersonMark {
  const having = (mark: PersonMark) => people.filter((person) => person.mark === mark).length;
  return PERSON_MARKS.reduce((least, mark) => (having(mark) < having(least) ? mark : least));
}

/** First letters of the first words of a name, three at most: "Head grower" is HG. */
export function initialsOf(name: string): string {
  return name
    .trim()
    .split(/[\s.-]+/u)
    .filter((word) => /^\p{L}/u.test(word))
    .slice(0, 3)
    .map((word) => [...word][0]!.toUpperCase())
    .join('');
}
