import { length } from '../../ui/house.ts';
import { temperatureOn } from '../../core/plan/schedule/placeClimate.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { dayNight } from '../../ui/format.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import { HEAD_px } from './OccupancyTimeline.tsx';
import { LANE_GAP, type Lane } from './lanes.ts';
import { SITE_px } from './SiteStrip.tsx';
import { WORK_px } from './WorkStrip.tsx';
import type { Band, SeasonWork } from './useSeason.ts';
import { WORDS } from '../../words/en/plan/laneLabels.ts';

interface Props {
  readonly house: HouseData;
  readonly lanes: readonly Lane[];
  readonly bands: readonly Band[];
  readonly work: SeasonWork;
}

/** Names of the lanes, with their temperature today and what stands in them. */
export function LaneLabels({ house, lanes, bands, work }: Props) {
  const planned = new Set(work.worked.filter((w) => w.batch.state.phase === 'planned').map((w) => w.batch.id));
  return (
    <div className="w-[118px] shrink-0" style={{ paddingTop: HEAD_px }}>
      {lanes.map((lane) => {
        const { day_C, night_C } = temperatureOn(work.tables.climateOf(lane.place.id), house.today);
        const used = bands
          .filter((b) => b.placeId === lane.place.id && b.from <= house.today && b.to > house.today)
          .filter((b) => !planned.has(b.batchId))
          .reduce((sum, b) => sum + b.slots, 0);
        const tight = lane.roomHeight_px < 50;
        const temperature = dayNight(day_C, night_C, house.unit);
        const isOver = used > lane.place.room_trays;
        return (
          <div
            key={lane.place.id}
            className="relative pr-3 text-right leading-tight"
            style={{ height: lane.height, marginBottom: LANE_GAP }}
          >
            <svg width="6" height={lane.roomHeight_px} className="absolute top-0 right-1" aria-hidden="true">
              <rect width="6" height={lane.roomHeight_px} fill={temperatureColour((day_C + night_C) / 2)} />
            </svg>
            <div className={`pr-1 ${tight ? 'text-[0.82rem]' : ''}`}>
              <span className={`font-semibold ${tight ? 'block truncate' : ''}`} title={lane.place.name}>
                {lane.place.name}
              </span>{' '}
              {tight ? (
                <span className="block text-[0.8rem] whitespace-nowrap text-ink2">
                  <span className="num text-ink">{temperature}</span> {used}/{lane.place.room_trays}
                </span>
              ) : (
                <>
                  <span className="num block text-[1.1rem]">{temperature}</span>
                  <span className={`text-[0.82rem] ${isOver ? 'tag bad' : 'text-ink2'}`}>
                    {WORDS.of(used, lane.place.room_trays)}
                  </span>
                </>
              )}
            </div>
          </div>
        );
      })}
      {house.siteDays && (
        <div className="pr-2 text-right text-[0.8rem] leading-tight" style={{ height: SITE_px, paddingTop: 6 }}>
          <p className="h-[34px] pt-2.5 text-ink2">{WORDS.frostToCome}</p>
          <p className="text-ink2">{WORDS.soil(length(100))}</p>
        </div>
      )}
      <p className="pt-2 pr-2 text-right text-[0.8rem] leading-tight text-ink2" style={{ height: WORK_px }}>
        {WORDS.hoursOfWorkByWeek}
      </p>
    </div>
  );
}
