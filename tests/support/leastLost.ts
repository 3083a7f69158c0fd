import type loadHighs from 'highs';
import type { ChoiceTask } from '../../src/core/house/roundChoice.ts';

/** The least that must be left of a round, proven by a mixed integer program: a way from place to place for each person, and jobs on it. */
export function leastLost(highs: Awaited<ReturnType<typeof loadHighs>>, task: ChoiceTask): number {
  const { jobs, places, people, minutes, walk_min } = task;
  const terms: string[] = [];
  const rows: string[] = [];
  const binaries: string[] = [];
  const all = jobs.reduce((sum, { weight }) => sum + weight, 0);
  for (let k = 0; k < people.length; k++) {
    const time: string[] = [];
    for (let p = 0; p < places; p++) {
      const into: string[] = [];
      const outOf: string[] = [];
      for (let q = -1; q < p; q++) {
        const arc = `a${k}_${q + 1}_${p + 1}`;
        binaries.push(arc);
        into.push(arc);
        time.push(`${walk_min(q, p)} ${arc}`);
      }
      for (let r = p + 1; r < places; r++) outOf.push(`a${k}_${p + 1}_${r + 1}`);
      // One comes to a place at most once, and goes on from it at most once, if one came.
      rows.push(`${into.join(' + ')} <= 1`);
      if (outOf.length > 0) rows.push(`${outOf.join(' + ')} - ${into.join(' - ')} <= 0`);
      jobs.forEach(({ place }, i) => {
        if (place === p) rows.push(`x${k}_${i} - ${into.join(' - ')} <= 0`);
      });
    }
    rows.push(`${Array.from({ length: places }, (_, p) => `a${k}_0_${p + 1}`).join(' + ')} <= 1`);
    jobs.forEach((job, i) => {
      binaries.push(`x${k}_${i}`);
      terms.push(`${job.weight} x${k}_${i}`);
      time.push(`${job.minutes} x${k}_${i}`);
    });
    rows.push(`${time.join(' + ')} <= ${minutes}`);
  }
  jobs.forEach((_, i) => rows.push(`${people.map((_, k) => `x${k}_${i}`).join(' + ')} <= 1`));
  const solved = highs.solve(
    `Maximize\n obj: ${terms.join(' + ')}\nSubject To\n${rows.map((row, i) => ` c${i}: ${row}`).join('\n')}\nBinary\n ${binaries.join(' ')}\nEnd`,
    { mip_rel_gap: 0 },
  );
  if (solved.Status !== 'Optimal') throw new Error(`the solver says ${solved.Status}`);
  return all - solved.ObjectiveValue;
}
