import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import type { ScenarioInput, ScenarioPatch, ScenarioRecord } from '../../contracts/plan/planning.ts';
import { deleteScenario, insertScenario, listScenarios, updateScenario } from '../../db/plan/scenarios.ts';
import { database } from '../database.ts';
import { readSeason } from './season.ts';
import { WORDS } from '../../words/en/plan/scenarios.ts';

const MOST = 20;

export async function scenarios(): Promise<ScenarioRecord[]> {
  return listScenarios(database());
}

/** Keeps a what-if. */
export async function addScenario(input: ScenarioInput): Promise<{ id: number }> {
  const { now } = await readSeason();
  if ((await scenarios()).length >= MOST) {
    throw fieldProblem('name', WORDS.thereAreWhatIfsAlready(MOST));
  }
  const write = await insertScenario(database(), input, isoFromDay(now.today));
  if (write.kind !== 'written') throw fieldProblem('name', WORDS.thereIsAWhatIf);
  return { id: write.id };
}

export async function changeScenario(id: number, { version, ...input }: ScenarioPatch): Promise<{ id: number }> {
  const write = await updateScenario(database(), id, version, input);
  if (write.kind === 'taken') throw fieldProblem('name', WORDS.thereIsAWhatIf);
  if (write.kind === 'stale') throw stale();
  return { id };
}

export async function removeScenario(id: number, version: number): Promise<void> {
  if (!(await deleteScenario(database(), id, version))) throw stale();
}

function stale(): ProblemError {
  return new ProblemError(409, WORDS.changedBySomeoneElse, WORDS.someoneChangedOrTookOut);
}
