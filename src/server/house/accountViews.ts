import type { Caller } from '../../contracts/house/access.ts';
import { readAccounts } from '../../db/house/access.ts';
import { database } from '../database.ts';

/** How people sign in, for the owner's list. */
export const accountsOfHouse = () => readAccounts(database());

/** The own account; null: none. */
export async function accountFor({ kind, personId }: Caller) {
  if (kind !== 'person') return null;
  return (await accountsOfHouse()).find((one) => one.personId === personId) ?? null;
}
