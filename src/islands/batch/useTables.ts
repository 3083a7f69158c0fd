import { useMemo } from 'react';
import { tablesOfHouse, type SeasonTables } from '../../core/plan/schedule/seasonTables.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';

/** The season's tables in the browser, made once for a house. */
export function useTables(house: HouseData): SeasonTables {
  return useMemo(() => tablesOfHouse(house), [house]);
}
