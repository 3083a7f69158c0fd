import { logLine, pottingDetails as details } from '../../../tests/support/logLines.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BatchEvent } from './event.ts';
import { plantsByWords, plantsOf } from './plants.ts';
import { reduceLog } from './reduce.ts';

const plan = { plantsWanted: 100, spare_frac: 0.2 };
const line = (kind: BatchEvent['kind'], day: number, rest: Partial<BatchEvent> = {}) => logLine(kind, day, null, rest);
const plants = (events: readonly BatchEvent[], coming_frac?: number) => {
  const { state, refusal } = reduceLog(events);
  expect(refusal).toBeNull();
  return plantsOf(state, plan, coming_frac);
};

describe('plants in hand', () => {
  it('go from a wish to what stands in pots, each with what it rests on', () => {
    expect(plants([])).toMatchObject({ inHand_count: 0, expected_count: 102, sown_count: 120, by: 'wanted' });
    const sown = [line('sown', 1, { count: 138 })];
    expect(plants(sown)).toMatchObject({ inHand_count: 0, expected_count: 117, by: 'sown', on: 1 });
    const counted = [...sown, line('counted', 7, { count: 70 })];
    // Half of those not yet seen are thought to come.
    expect(plants(counted, 0.5)).toMatchObject({ inHand_count: 70, expected_count: 104, by: 'counted', on: 7 });
    expect(plantsByWords(plants(counted, 0.5))).toBe('expected of 138 sown: 70 counted up {day}');
    expect(plants(counted, 0)).toMatchObject({ inHand_count: 70, expected_count: 70 });
    const potted = [...counted, line('off-heat', 8), line('potted', 20, { count: 130, details: details() })];
    expect(plants(potted)).toMatchObject({
      inHand_count: 130,
      expected_count: 130,
      cameUp_count: 130,
      lost_count: 0,
      by: 'potted',
      on: 20,
    });
  });

  it('planting out, leaving over, losing and ending take them out of hand and keep their number', () => {
    const potted = [
      line('sown', 1, { count: 100 }),
      line('emerged', 6, { count: 90 }),
      line('potted', 20, { count: 80, details: details({ culled: { weak: 4 }, leftOver: 3 }) }),
    ];
    // 90 had come up: 80 potted, 4 thrown out, 3 left over, 3 gone missing.
    expect(plants(potted)).toMatchObject({ inHand_count: 80, lost_count: 7, left_count: 3, cameUp_count: 90 });
    const out = plants([...potted, line('lost', 22, { count: 5 }), line('planted-out', 30, { count: 70 })]);
    expect(out).toMatchObject({ inHand_count: 0, out_count: 70, lost_count: 12, left_count: 8, cameUp_count: 90 });
    expect(plants([...potted, line('ended', 30)])).toMatchObject({ inHand_count: 0, lost_count: 87, cameUp_count: 90 });
  });

  it('bought plugs are in hand from the day they come', () => {
    expect(plants([line('arrived', 3, { count: 60 })])).toMatchObject({
      inHand_count: 60,
      expected_count: 60,
      by: 'bought',
    });
  });
});

describe('what a number of plants rests on', () => {
  it('is told in words for each', () => {
    const words = (events: readonly BatchEvent[], coming_frac?: number) => plantsByWords(plants(events, coming_frac));
    const sown = line('sown', 10, { count: 100 });
    const up = line('emerged', 20, { count: 60 });
    const off = line('off-heat', 21);
    const potted = line('potted', 30, { count: 50 });
    expect(words([])).toBe('expected of 120 to be sown');
    expect(words([sown])).toBe('expected of 100 sown; not counted yet');
    expect(words([sown, up], 0.5)).toBe('expected of 100 sown: 60 counted up {day}');
    // Nothing more is thought to come: what was counted is all of it.
    expect(words([sown, up], 0)).toBe('counted {day}, of 100 sown');
    expect(words([line('arrived', 10, { count: 80 })])).toBe('come as plugs {day}');
    expect(words([sown, up, off, potted])).toBe('potted {day}');
    expect(words([sown, up, off, potted, line('planted-out', 50)])).toBe('planted out {day}');
    expect(words([line('ended', 10)])).toBe('ended');
    expect(words([sown, line('ended', 12)])).toBe('ended');
  });

  it('and its day: of the potting, also of one into another container before', () => {
    const begun = [line('sown', 10, { count: 100 }), line('emerged', 20, { count: 60 }), line('off-heat', 21)];
    const moved = line('moved-on', 24, { count: 55, details: details({ containerId: 4 }) });
    expect(plants([...begun, moved])).toMatchObject({ by: 'potted', on: 24, inHand_count: 55, expected_count: 55 });
    expect(plants([...begun, moved, line('potted', 40, { count: 50, details: details() })])).toMatchObject({ on: 40 });
    expect(plants([...begun, line('potted', 30, { count: 50 }), line('planted-out', 50)])).toMatchObject({
      by: 'planted',
      on: 50,
      out_count: 50,
    });
    expect(plants([line('ended', 10)])).toMatchObject({ by: 'ended', on: null, expected_count: 0 });
  });

  it('a chance that is none is refused', () => {
    const { state } = reduceLog([]);
    for (const chance of [-0.01, 1.01, NaN]) expect(() => plantsOf(state, plan, chance)).toThrow(/wanted 0 to 1/);
    expect(plantsOf(state, plan, 1).expected_count).toBe(120);
    expect(plantsOf(state, plan, 0).expected_count).toBe(1);
  });
});

describe('plants counted tray by tray', () => {
  const trays = [
    line('sown', 0, { count: 120 }),
    line('counted', 5, { count: 30, tray: 1 }),
    line('counted', 5, { count: 20, tray: 2 }),
  ];
  const count = (day: number, tray: number, n: number) => line('counted', day, { count: n, tray });

  it('those lost do not stand again when another tray is counted', () => {
    const lost = [...trays, line('lost', 6, { count: 8 })];
    expect(plants([...lost, count(7, 1, 30)])).toMatchObject({ inHand_count: 42, lost_count: 8, cameUp_count: 50 });
    // The eight were in the second tray: both counted since, and what was counted is what stands.
    expect(plants([...lost, count(7, 1, 33), count(7, 2, 12)])).toMatchObject({ inHand_count: 45, cameUp_count: 53 });
  });

  it('new ones in a tray that lost some are not taken for those lost, once each is counted', () => {
    const lost = [...trays, line('lost', 6, { count: 5 })];
    expect(plants([...lost, count(7, 1, 29)])).toMatchObject({ inHand_count: 45 });
    expect(plants([...lost, count(7, 1, 29), count(7, 2, 18)])).toMatchObject({ inHand_count: 47, cameUp_count: 52 });
  });

  it('a tray may have fewer by no more than were lost, and not twice', () => {
    const lost = [...trays, line('lost', 6, { count: 5 })];
    expect(reduceLog([...lost, count(7, 1, 24)]).refusal?.field).toBe('count');
    expect(reduceLog([...lost, count(7, 1, 25)]).refusal).toBeNull();
    expect(reduceLog([...lost, count(7, 1, 25), count(8, 1, 24)]).refusal?.field).toBe('count');
  });

  it('in hand is what stands whenever each tray was counted, whatever came up, died or was split off between', () => {
    const act = fc.record({
      what: fc.constantFrom('up', 'count', 'lose', 'split'),
      tray: fc.integer({ min: 1, max: 3 }),
      share: fc.double({ min: 0, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(act, { minLength: 2, maxLength: 25 }), (acts) => {
        const standing = [0, 0, 0];
        const free = [40, 40, 40];
        let [lost, day] = [0, 0];
        const log = [line('sown', 0, { count: 120 })];
        const tell = (event: BatchEvent) => {
          log.push(event);
          const { refusal } = reduceLog(log);
          expect(refusal, `${event.kind} ${event.count}`).toBeNull();
        };
        const countAll = () => standing.forEach((n, i) => tell(count(day, i + 1, n)));
        for (const { what, tray, share } of acts) {
          day++;
          const i = tray - 1;
          if (what === 'up') {
            const more = Math.floor(share * free[i]!);
            standing[i]! += more;
            free[i]! -= more;
          } else if (what === 'count') {
            tell(count(day, tray, standing[i]!));
          } else {
            const n = Math.floor(share * standing[i]!);
            if (n < 1) continue;
            countAll();
            standing[i]! -= n;
            if (what === 'lose') lost += n;
            tell(line(what === 'lose' ? 'lost' : 'split-out', day, { count: n }));
            expect(plants(log).inHand_count).toBe(standing.reduce((a, b) => a + b, 0));
          }
        }
        countAll();
        const inHand_count = standing.reduce((a, b) => a + b, 0);
        expect(plants(log)).toMatchObject({ inHand_count, lost_count: lost, cameUp_count: inHand_count + lost });
      }),
      { numRuns: 300 },
    );
  });
});

/** A season somebody really lived: the truth is kept beside the log by other means, and the log is told it now and then. */
describe('conservation over made-up seasons', () => {
  interface Truth {
    up: number;
    standing: number;
    lost: number;
    left: number;
    out: number;
    split: number;
  }

  it('in hand, lost, left over and out are the plants that came up or were bought, whenever all were counted', () => {
    const act = fc.record({
      what: fc.constantFrom('up', 'count', 'lose', 'split', 'off', 'pot', 'plant'),
      share: fc.double({ min: 0, max: 1, noNaN: true }),
      thrown: fc.double({ min: 0, max: 0.2, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.array(act, { minLength: 3, maxLength: 25 }), (sown, acts) => {
        const truth: Truth = { up: 0, standing: 0, lost: 0, left: 0, out: 0, split: 0 };
        const log = [line('sown', 0, { count: sown })];
        let day = 0;
        let potted = false;
        let done = false;
        let known = false;
        const tell = (event: BatchEvent) => {
          log.push(event);
          expect(reduceLog(log).refusal, event.kind).toBeNull();
        };
        const count = () => tell(line('counted', day, { count: truth.standing }));
        for (const { what, share, thrown } of acts) {
          if (done) break;
          day++;
          const phase = reduceLog(log).state.phase;
          if (what === 'up' && !potted) {
            const more = Math.floor(share * (sown - truth.up - truth.split));
            truth.up += more;
            truth.standing += more;
            known = false;
          } else if (what === 'count' && !potted) {
            count();
            known = true;
          } else if (what === 'lose') {
            const n = Math.floor(share * truth.standing);
            if (n < 1) continue;
            if (!potted) count();
            truth.standing -= n;
            truth.lost += n;
            tell(line('lost', day, { count: n }));
            known = true;
          } else if (what === 'split') {
            const n = Math.floor(share * truth.standing);
            if (n < 1 || n >= truth.standing) continue;
            if (!potted) count();
            truth.standing -= n;
            truth.split += n;
            tell(line('split-out', day, { count: n }));
            known = true;
          } else if (what === 'off' && phase === 'sown') {
            tell(line('off-heat', day));
          } else if (what === 'pot' && !potted && truth.standing > 1 && phase === 'growing') {
            const out = Math.floor(thrown * truth.standing);
            const keep = Math.max(1, Math.floor(truth.standing - out - share * 0.2 * truth.standing));
            const missing = truth.standing - out - keep;
            // Half of those not potted were given away, the rest had died without a word.
            const given = Math.floor(missing / 2);
            count();
            tell(line('potted', day, { count: keep, details: details({ culled: { weak: out }, leftOver: given }) }));
            truth.lost += out + missing - given;
            truth.left += given;
            truth.standing = keep;
            potted = true;
            known = true;
          } else if (what === 'plant' && potted) {
            const n = Math.floor(share * truth.standing);
            tell(line('planted-out', day, { count: n }));
            truth.out = n;
            truth.left += truth.standing - n;
            truth.standing = 0;
            done = true;
          }
        }
        if (!known) return;
        const p = plantsOf(reduceLog(log).state, plan);
        expect(p.inHand_count).toBe(truth.standing);
        expect(p.lost_count).toBe(truth.lost);
        expect(p.left_count).toBe(truth.left);
        expect(p.out_count).toBe(truth.out);
        expect(p.inHand_count + p.lost_count + p.left_count + p.out_count).toBe(truth.up - truth.split);
        expect(p.cameUp_count).toBe(truth.up - truth.split);
      }),
      { seed: 15, numRuns: 500 },
    );
  });
});
