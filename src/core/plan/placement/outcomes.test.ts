import stdNormalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { describe, expect, it } from 'vitest';
import { demoHouse } from '../../../../tests/support/demoHouse.ts';
import { seasonToPlan } from '../../../contracts/plan/seasonToPlan.ts';
import { readyInTime_frac, readySpread_days } from '../../batch/inTime.ts';
import { windowOf } from '../../batch/tolerance.ts';
import { milestoneOf } from '../schedule/chain.ts';
import { outcomesOf } from './outcomes.ts';
import { USUAL_PACE, USUAL_PLANNING, handsOf, shareOfSpread } from './planning.ts';
import { hoursByWeek, stepMinutes } from './work.ts';

const sent = demoHouse();
const season = seasonToPlan(sent);
const { today } = sent.house;

describe('odds of being ready in its days', () => {
  it('are the normal share of the days to spare over the spread of what is still to come', () => {
    const batch = season.batches.find((b) => b.state.phase === 'planned' && b.progress.forecast.kind === 'chain')!;
    const { forecast } = batch.progress;
    if (forecast.kind !== 'chain') throw new Error('no chain');
    const t = (key: Parameters<typeof milestoneOf>[1]) => milestoneOf(forecast, key)!.t;
    const germinating = t('half-up') - t('sow');
    const growing = Math.min(forecast.ready_t, t('plant')) - t('half-up');
    const sd = Math.sqrt((0.2 * germinating) ** 2 + (0.15 * growing) ** 2 + (0.08 * growing) ** 2);
    const last = batch.plan.transplantOn + windowOf(batch.plan).after_days + 1;
    const spare = last - (forecast.ready_t + batch.plan.hardening_days);
    expect(readyInTime_frac(batch.progress, batch.plan, today)).toBeCloseTo(stdNormalCdf(spare / sd, 0, 1), 6);
    expect(readySpread_days(0, 0)).toBe(0);
  });

  it('a later date or worse odds is made later, an earlier one or better odds is not', () => {
    const [one] = season.batches.filter((b) => b.progress.forecast.kind === 'chain' && b.state.phase === 'planned');
    const { id, plan, progress } = one!;
    const moved = (days: number) => ({
      ...progress,
      out: { ...progress.out!, on: progress.out!.on! + days },
    });
    const later = (after: typeof progress) =>
      outcomesOf([{ id, plan, progress }], [{ id, plan, progress: after }], today)[0]!.madeLater;
    expect([later(moved(1)), later(moved(0)), later(moved(-1))]).toEqual([true, false, false]);
    expect(
      later({ ...progress, out: null, forecast: { kind: 'unreachable', stage: 'grow', placeId: null, reason: '' } }),
    ).toBe(true);
    if (progress.forecast.kind !== 'chain') throw new Error('no chain');
    const slower = (days: number) =>
      ({
        ...progress,
        forecast: { ...progress.forecast, ready_t: (progress.forecast as { ready_t: number }).ready_t + days },
      }) as typeof progress;
    expect([later(slower(15)), later(slower(0.05))]).toEqual([true, false]);
  });

  it('the middle takes no spread into the price, and the surer the more of it', () => {
    expect(shareOfSpread(0.5)).toBeCloseTo(0, 9);
    const shares = [0.5, 0.67, 0.75, 0.8, 0.9].map(shareOfSpread);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    expect(shareOfSpread(0.99)).toBe(shareOfSpread(0.9));
  });
});

describe('work by week', () => {
  // Common practice, no source: 630 plants potted in 85 minutes; eight trays a trip of three minutes.
  it('is sowing, carrying, potting and planting by the pace of the house', () => {
    const containers = season.containers;
    const minutes = stepMinutes(
      { sowContainerId: 2, potContainerId: 5 },
      { sown_count: 120, expected_count: 100 },
      containers,
      USUAL_PLANNING,
      USUAL_PACE,
    );
    expect([minutes.sow, minutes['off-heat'], minutes.plant]).toEqual([12, 0.75, 30]);
    expect(minutes.pot).toBeGreaterThan(100 / (630 / 85));
  });

  it('adds up what is still to be done, and knows the hands of other weeks', () => {
    const planning = { ...USUAL_PLANNING, hands_h: 20, handsBy: [{ week: '2027-04-19', hours: 0, why: 'away' }] };
    const list = season.batches.map((b) => ({ plan: b.plan, progress: b.progress, over: false }));
    const weeks = hoursByWeek(list, season.containers, planning, USUAL_PACE, today);
    expect(weeks[0]!.week).toBeLessThanOrEqual(today);
    expect(weeks.slice(0, 3).map((w) => w.hands_h)).toEqual([20, 0, 20]);
    expect(weeks.reduce((sum, w) => sum + w.hours, 0)).toBeGreaterThan(5);
    expect(handsOf(USUAL_PLANNING, today)).toBeNull();
  });
});
