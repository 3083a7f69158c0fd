import pluralize from 'pluralize';

/** Small letters without their marks. */
export const folded = (text: string): string =>
  text
    .normalize('NFD')
    .replaceAll(/\p{Mn}/gu, '')
    .replaceAll('’', "'")
    .toLowerCase()
    .trim();

/** Words of a name in the singular, one space between: "Climbing beans" is "climbing bean". */
export const plain = (text: string): string =>
  folded(text)
    .replaceAll(/[()]/g, ' ')
    .split(/[\s-]+/)
    .filter((word) => word !== '')
    .map((word) => pluralize.singular(word))
    .join(' ');
