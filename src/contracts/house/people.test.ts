import { describe, expect, it } from 'vitest';
import { personInput } from './people.ts';
import { personIn } from './holder.ts';

describe('who holds a device', () => {
  it.each([
    ['crook-person=12', 12],
    ['a=1; crook-person=7; b=2', 7],
    ['xcrook-person=7', null],
    ['crook-person=', null],
    ['crook-person=0', null],
    ['crook-person=1e3', null],
    ['crook-person=99999999999', null],
    ['', null],
  ])('cookies "%s" name person %s', (cookies, id) => expect(personIn(cookies)).toBe(id));
});

describe('a person', () => {
  it('has the initials typed, else those of the name', () => {
    expect(personInput.parse({ name: ' Head grower ', initials: '', mark: 'bar', role: 'hand' })).toEqual({
      name: 'Head grower',
      initials: 'HG',
      mark: 'bar',
      role: 'hand',
    });
    expect(personInput.parse({ name: 'Head grower', initials: ' Hg ', mark: 'bar', role: 'hand' }).initials).toBe('Hg');
  });

  it.each([
    [{ name: '', initials: 'A', mark: 'bar', role: 'hand' }, 'name'],
    [{ name: 'A'.repeat(61), initials: 'A', mark: 'bar', role: 'hand' }, 'name'],
    [{ name: 'Bob', initials: 'ABCDE', mark: 'bar', role: 'hand' }, 'initials'],
    [{ name: '7', initials: '', mark: 'bar', role: 'hand' }, 'initials'],
    [{ name: 'Bob', initials: '', mark: 'heart', role: 'hand' }, 'mark'],
  ])('%j is refused at %s', (input, path) => {
    const { error } = personInput.safeParse(input);
    expect(error!.issues.map((issue) => issue.path.join('.'))).toEqual([path]);
  });
});
