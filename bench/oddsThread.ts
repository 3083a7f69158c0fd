import { parentPort } from 'node:worker_threads';
import { oddsOf } from '../src/core/planting/odds.ts';
import { simulatedSprings } from '../src/core/plan/springs/springs.ts';
import { springInputOf, type SpringsSent } from '../src/contracts/planting/springs.ts';

// What the page's worker does: draws the springs, reckons every batch over them.
parentPort!.on('message', (sent: SpringsSent) => {
  const began = performance.now();
  const springs = simulatedSprings(springInputOf(sent));
  const drawn_ms = performance.now() - began;
  const odds = sent.tasks.map((task) => oddsOf(task, springs));
  parentPort!.postMessage({ drawn_ms, odds });
});
