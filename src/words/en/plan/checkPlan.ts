import { catalogue } from '../../catalogue.ts';

/** What core/plan/placement/checkPlan.ts says. */
export const WORDS = catalogue({
  doesNotGoThroughAll: 'does not go through all its stages',
  wasPinnedAndHasMoved: 'was pinned and has moved',
  hasAGapBefore: (name: string) => `has a gap before ${name}`,
  isNotWhereItStands: 'is not where it stands already',
  beginsBeforeToday: (name: string) => `begins ${name} before today`,
  willNotDoFor: (name: string, name2: string) => `${name} will not do for ${name2}`,
  isOutsideItsTemperaturesOn: (name: string, d: number) => `${name} is outside its temperatures on day ${d}`,
  isLeftTooSoon: (name: string) => `${name} is left too soon`,
  isTooShort: (name: string) => `${name} is too short`,
  waitsDays: (name: string, waits: number) => `${name} waits ${waits} days`,
  isOverRoomOnDay: (name: string, d: number) => `${name} is over room on day ${d}`,
  theSetPointOfWeek: (name: string, b: number) => `${name}: the set-point of week ${b} was not to be changed`,
});
