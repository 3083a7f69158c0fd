/** "8 May" of a month and day. */
export function spokenMonthDay(monthDay: string): string {
  const [month, day] = monthDay.split('-').map(Number) as [number, number];
  const name = new Date(Date.UTC(2001, month - 1, day)).toLocaleDateString('en-GB', {
    month: 'short',
    timeZone: 'UTC',
  });
  return `${day} ${name}`;
}

/** Calendar year of a day number. */
export const yearOf = (day: number): number => new Date(day * 86_400_000).getUTCFullYear();
