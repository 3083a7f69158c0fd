/** Where pages and feeds stood before; what is bookmarked, subscribed to or printed still finds them. The longest comes first. */
const MOVED: readonly (readonly [from: string, to: string])[] = [
  ['/books/people', '/house/people'],
  ['/books/settings', '/house/settings'],
  ['/books/seasons', '/house/seasons'],
  ['/books/take-along', '/batch/take-along'],
  ['/books/ledger', '/batch/ledger'],
  ['/books/failures', '/batch/failures'],
  ['/books/weather', '/weather/years'],
  ['/api/work.ics', '/api/house/work.ics'],
  ['/api/feed', '/api/house/feed'],
  ['/sow/sheet', '/germination/sheet'],
  ['/sow', '/germination/sow'],
  ['/count', '/germination/count'],
  ['/batches', '/batch'],
  ['/harden', '/hardening'],
  ['/pot', '/potting'],
  ['/plant-out', '/planting'],
  ['/season', '/plan/season'],
  ['/what-if', '/plan/what-if'],
];

/** The address a page or feed has today. null: it has not moved. */
export function movedTo(pathname: string): string | null {
  const found = MOVED.find(([from]) => pathname === from || pathname.startsWith(`${from}/`));
  return found ? found[1] + pathname.slice(found[0].length) : null;
}
