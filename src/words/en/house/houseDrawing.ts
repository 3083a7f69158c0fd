import { catalogue } from '../../catalogue.ts';

/** Words of the house screens: HouseDrawing. */
export const WORDS = catalogue({
  planOfTheHousePlaces:
    'Plan of the house: places to scale with the trays that stand in them. The table beside it says how full they are.',
  now: (medium_C: string, width: string) => `${medium_C} now${width}`,
  set: (set_C: string) => `, set ${set_C}`,
  of: (used: number, room_trays: number) => `, ${used} of ${room_trays}`,
  overBy: (over: number) => `, over by ${over}`,
  in: (name: string, trays: string, name2: string, over: string) => `${name}: ${trays} in ${name2}${over}`,
  traySpacesOver: (over: number) => `, ${over} tray spaces over`,
  tray: 'tray',
});
