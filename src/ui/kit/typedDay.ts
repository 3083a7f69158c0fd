import { format, isValid, parse, parseISO } from 'date-fns';

/** How days are typed, tried one after the other; the year may be left out. */
const WITH_YEAR = ['yyyy-MM-dd', 'd MMM yyyy', 'd MMMM yyyy', 'd MMM yy', 'MMM d yyyy', 'MMMM d yyyy'];
const WITHOUT_YEAR = ['d MMM', 'd MMMM', 'MMM d', 'MMMM d'];
const FIGURES = { day: ['d/M/yyyy', 'd/M/yy'], month: ['M/d/yyyy', 'M/d/yy'] };
const FIGURES_WITHOUT_YEAR = { day: 'd/M', month: 'M/d' };

/** Whether 4/5 is the fourth of May or the fifth of April, as the house counts. */
export type FirstOfFigures = 'day' | 'month';

/**
 * A day as somebody typed it: 24 May, 24.5.27, 2027-05-24. Without a year it is the nearest to today.
 * @param today ISO day of the nursery
 * @returns ISO day; null when the text is no day
 */
export function dayTyped(text: string, today: string, first: FirstOfFigures = 'day'): string | null {
  const plain = text
    .trim()
    .replace(/^(mon|tue|wed|thu|fri|sat|sun)[a-z]*[ ,]+/i, '')
    .replace(/(\d)(st|nd|rd|th)\b/gi, '$1')
    .replace(/\s*[.\-/]\s*(?=\d)/g, (mark) => (/^\d{4}-/.test(text.trim()) ? mark.trim() : '/'))
    .replace(/[.,]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  const base = parseISO(today);
  for (const form of [...WITH_YEAR, ...FIGURES[first]]) {
    const day = parse(plain, form, base);
    if (isValid(day) && day.getFullYear() >= 1900 && day.getFullYear() < 2200) return format(day, 'yyyy-MM-dd');
  }
  for (const form of [...WITHOUT_YEAR, FIGURES_WITHOUT_YEAR[first]]) {
    const near = [-1, 0, 1].flatMap((years) => {
      const day = parse(plain, form, new Date(base.getFullYear() + years, 0, 1));
      return isValid(day) ? [day] : [];
    });
    const away = (day: Date) => Math.abs(day.getTime() - base.getTime());
    const [best] = near.sort((a, b) => away(a) - away(b));
    if (best) return format(best, 'yyyy-MM-dd');
  }
  return null;
}

/** A day as it stands in a field: the month in letters, so that nobody takes the day for the month. */
export function dayShown(iso: string): string {
  const day = parseISO(iso);
  return isValid(day) && /^\d{4}-\d\d-\d\d$/.test(iso) ? format(day, 'd MMM yyyy') : iso;
}
