import { describe, expect, it } from 'vitest';
import { pathWithin } from './pathWithin.ts';

describe('where a sign-in leads', () => {
  it.each(['/', '/heat?zone=2', '/t/ABC-3'])('to a page of this application: %s', (path) => {
    expect(pathWithin(path)).toBe(path);
  });
  it.each([
    null,
    '',
    'heat',
    '//elsewhere.example',
    '/\\elsewhere.example',
    'https://elsewhere.example/',
    '/a\nb',
    '/api/house/feed/x.ics',
    '/house/sign-in?to=/',
    '/house/join',
  ])('never elsewhere: %s', (path) => expect(pathWithin(path)).toBe('/'));
});
