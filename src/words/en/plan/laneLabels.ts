import { catalogue } from '../../catalogue.ts';

/** Words of the plan screens: LaneLabels. */
export const WORDS = catalogue({
  of: (used: number, room_trays: number) => `${used} of ${room_trays}`,
  frostToCome: 'frost to come',
  soil: (length: string) => `soil, ${length}`,
  hoursOfWorkByWeek: 'hours of work, by week',
});
