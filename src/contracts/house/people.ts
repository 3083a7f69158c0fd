import { z } from 'zod';
import { initialsOf, PERSON_MARKS } from '../../core/house/people.ts';
import { ROLES } from '../../core/house/roles.ts';
import { shortText } from '../fields.ts';
import { WORDS } from '../../words/en/house/people.ts';

/** Somebody of the house; initials left empty are taken from the name. */
export const personInput = z
  .strictObject({
    name: shortText('name', 60),
    initials: z
      .string({ error: WORDS.initialsOneToFourLetters })
      .trim()
      .max(4, { error: WORDS.initialsAtMost4Letters }),
    mark: z.enum(PERSON_MARKS, { error: WORDS.markOneOf(PERSON_MARKS.join(', ')) }),
    role: z.enum(ROLES, { error: WORDS.roleOneOf(ROLES.join(', ')) }),
  })
  .transform((person, ctx) => {
    const initials = person.initials || initialsOf(person.name);
    if (initials === '') ctx.addIssue({ code: 'custom', path: ['initials'], message: WORDS.initialsTypeOneToFour });
    return { ...person, initials };
  });
export type PersonInput = z.infer<typeof personInput>;
