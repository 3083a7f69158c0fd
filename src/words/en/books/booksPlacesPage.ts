import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page books/places. */
export const WORDS = catalogue({
  places: 'Places',
  addAPlace: 'Add a place',
  noPlacesYetBeginWith: 'No places yet. Begin with the warmest.',
  trays: (find: Part, room_trays: Part) => rich`${find}, ${room_trays} trays`,
  aNewPlace: 'A new place',
  ofTheLastDaysFar: (doubted: Part, dOUBT_days: Part, doubted2: Part) =>
    rich`${doubted} of the last ${dOUBT_days} days ${doubted2} far colder than outside was: doubted, and not counted. Look where the sensor hangs.`,
  measuredHour: 'measured hour',
  is: 'is',
  are: 'are',
  heatAndWaterEveryHeated:
    'Heat and water: every heated bench behind a residual-current device, leads in drip loops, fittings rated for wet places, fixed wiring by a licensed electrician. Fuel heaters need ventilation and a carbon-monoxide alarm. Your local code and the makers’ labels have the last word.',
});
