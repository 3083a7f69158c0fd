import { fieldProblem } from '../../contracts/problem.ts';
import { database } from '../database.ts';
import { readSeason } from '../plan/season.ts';
import { takeForecast } from './takeForecast.ts';
import { WORDS } from '../../words/en/weather/importForecast.ts';

/** Takes in a forecast from the text of a file. */
export async function importForecast(text: string): ReturnType<typeof takeForecast> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw fieldProblem('text', WORDS.theFileIsNotJson);
  }
  const { world, now } = await readSeason();
  return takeForecast(database(), world, now, value, 'file');
}
