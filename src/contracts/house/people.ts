import { z } from 'zod';
import { initialsOf, PERSON_MARKS } from '../../core/house/people.ts';
import { shortText } from '../fields.ts';

/** Somebody of the house; initials left empty are taken from the name. */
export const personInput = z
  .strictObject({
    name: shortText('name', 60),
    initials: z
      .string({ error: 'initials: one to four letters' })
      .trim()
      .max(4, { error: 'initials: at most 4 letters' }),
    mark: z.enum(PERSON_MARKS, { error: `mark: one of ${PERSON_MARKS.join(', ')}` }),
  })
  .transform((person, ctx) => {
    const initials = person.initials || initialsOf(person.name);
    if (initials === '')
      ctx.addIssue({ code: 'custom', path: ['initials'], message: 'initials: type one to four letters' });
    return { ...person, initials };
  });
export type PersonInput = z.infer<typeof personInput>;
