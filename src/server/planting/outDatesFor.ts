import { nearestOccurrence } from '../../core/calendar/monthDay.ts';
import type { OutDatesView } from '../../contracts/hardening/hardenViews.ts';
import { fieldProblem } from '../../contracts/problem.ts';
import { cropOf } from '../../core/books/cropOf.ts';
import type { Season } from '../../core/plan/season.ts';
import { USUAL_RISK_frac } from '../../core/planting/outFrom.ts';
import { outFromBy } from './view.ts';
import { WORDS } from '../../words/en/planting/outDatesFor.ts';

/** Transplant dates to suggest for a crop: in the open and under each cover, at the risk taken. */
export function outDates(season: Season, cropId: number, varietyId: number | null, near: number | null): OutDatesView {
  if (!season.crops.some((c) => c.id === cropId)) throw fieldProblem('crop', WORDS.thereIsNoSuchCrop);
  const crop = cropOf(season, { cropId, varietyId });
  const { nursery } = season.world;
  const risk_frac = nursery.frost?.risk_frac ?? USUAL_RISK_frac;
  if (!season.site) return { risk_frac, dates: [] };
  // Without a day in mind: the spring that comes next.
  const last = nearestOccurrence(nursery.lastFrost, season.now.today);
  const meant = near ?? (last < season.now.today - 45 ? last + 365 : last);
  return { risk_frac, dates: outFromBy(season, season.site, crop, meant) };
}
