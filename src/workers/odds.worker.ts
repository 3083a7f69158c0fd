import { expose } from 'comlink';
import { oddsOf, type BatchOdds, type OddsTask } from '../core/planting/odds.ts';
import { simulatedSprings, type Springs } from '../core/plan/springs/springs.ts';
import { springInputOf, type SpringsSent } from '../contracts/planting/springs.ts';

let springs: Springs | null = null;

/** Odds over simulated springs, beside the page. */
const api = {
  /** Draws the springs; done once. */
  draw(sent: SpringsSent): void {
    springs = simulatedSprings(springInputOf(sent));
  },
  odds(tasks: readonly OddsTask[]): BatchOdds[] {
    return springs ? tasks.map((task) => oddsOf(task, springs!)) : [];
  },
};
export type OddsApi = typeof api;
expose(api);
