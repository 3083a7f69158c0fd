import type { Sequelize, Transaction } from 'sequelize';

export interface NewVariety {
  readonly cropId: number;
  readonly name: string;
}

/** Makes varieties that are not in the books. Returns their numbers by crop and name in small letters: "3 long red". */
export async function makeVarieties(
  db: Sequelize,
  varieties: readonly NewVariety[],
  transaction: Transaction,
): Promise<Map<string, number>> {
  const made = new Map<string, number>();
  for (const { cropId, name } of varieties) {
    // Somebody may have made it since the file was looked at.
    const [rows] = await db.query(
      `INSERT INTO varieties (crop_id, name) VALUES ($1, $2)
       ON CONFLICT (crop_id, name) DO UPDATE SET name = excluded.name RETURNING id`,
      { bind: [cropId, name], transaction },
    );
    made.set(`${cropId} ${name.toLowerCase()}`, (rows as { id: number }[])[0]!.id);
  }
  return made;
}
