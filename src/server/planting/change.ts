import type { PlantingSettingsInput } from '../../contracts/hardening/hardening.ts';
import { ProblemError } from '../../contracts/problem.ts';
import { updatePlanting } from '../../db/weather/site.ts';
import { readSeason } from '../plan/season.ts';
import { WORDS } from '../../words/en/planting/change.ts';

/** Changes how the house hardens and plants out. */
export async function writePlanting({ version, ...settings }: PlantingSettingsInput): Promise<void> {
  if (await updatePlanting(version, settings)) return;
  const { world } = await readSeason();
  throw new ProblemError(409, WORDS.changedBySomeoneElse, WORDS.someoneChangedTheSettingsSince, {
    current: { ...world.nursery.planting, version: world.nursery.version },
    yours: { ...settings, version },
  });
}
