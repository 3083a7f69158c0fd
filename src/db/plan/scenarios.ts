import { QueryTypes, UniqueConstraintError, type Sequelize } from 'sequelize';
import type { ScenarioInput, ScenarioRecord } from '../../contracts/plan/planning.ts';

export type ScenarioWrite = { readonly kind: 'written'; readonly id: number } | { readonly kind: 'taken' | 'stale' };

const COLUMNS = 'id, version, name, made_on::text AS "madeOn", data';

export async function listScenarios(db: Sequelize): Promise<ScenarioRecord[]> {
  return db.query<ScenarioRecord>(`SELECT ${COLUMNS} FROM scenarios ORDER BY id`, { type: QueryTypes.SELECT });
}

export async function insertScenario(db: Sequelize, input: ScenarioInput, madeOn: string): Promise<ScenarioWrite> {
  return refusingDoubles(async () => {
    const [rows] = await db.query('INSERT INTO scenarios (name, made_on, data) VALUES ($1, $2, $3) RETURNING id', {
      bind: [input.name, madeOn, JSON.stringify(input.data)],
    });
    return { kind: 'written', id: (rows as { id: number }[])[0]!.id };
  });
}

export async function updateScenario(
  db: Sequelize,
  id: number,
  version: number,
  input: ScenarioInput,
): Promise<ScenarioWrite> {
  return refusingDoubles(async () => {
    const [rows] = await db.query(
      'UPDATE scenarios SET name = $3, data = $4, version = version + 1 WHERE id = $1 AND version = $2 RETURNING id',
      { bind: [id, version, input.name, JSON.stringify(input.data)] },
    );
    return (rows as unknown[]).length > 0 ? { kind: 'written', id } : { kind: 'stale' };
  });
}

export async function deleteScenario(db: Sequelize, id: number, version: number): Promise<boolean> {
  const [rows] = await db.query('DELETE FROM scenarios WHERE id = $1 AND version = $2 RETURNING id', {
    bind: [id, version],
  });
  return (rows as unknown[]).length > 0;
}

async function refusingDoubles(write: () => Promise<ScenarioWrite>): Promise<ScenarioWrite> {
  try {
    return await write();
  } catch (error) {
    if (error instanceof UniqueConstraintError) return { kind: 'taken' };
    throw error;
  }
}
