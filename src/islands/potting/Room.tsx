import { money } from '../../ui/house.ts';
import type { RoomLine } from '../../contracts/potting/potting.ts';
import { counted, shortDay } from '../../ui/format.ts';

interface Props {
  readonly room: readonly RoomLine[];
  readonly today: number;
  readonly alone: boolean;
  readonly onPlace: (batchId: number, placeId: number) => void;
  readonly onDay: (on: number) => void;
}

const WIDTH = 190;

/** Benches before, after and spaced out; where it does not fit, what could go and what the ways out cost. */
export function Room({ room, alone, onPlace, onDay }: Props) {
  if (room.length === 0) return null;
  return (
    <section aria-label="Room">
      <h2 className="border-b-2 border-ink pb-1">Room</h2>
      {room.map((line) => (
        <div key={line.placeId} className="mt-2">
          <p className="font-semibold">
            {line.name} <span className="font-normal text-ink2">{line.room} tray spaces</span>{' '}
            {line.over && <span className="tag bad">{line.over.most} too many</span>}
          </p>
          <table className="plain-table">
            <thead className="sr-only">
              <tr>
                <th>When</th>
                <th>Tray spaces</th>
                <th>Share</th>
              </tr>
            </thead>
            <tbody>
              {(
                [
                  ['before', line.before],
                  ['after', line.after],
                  ['most, once spaced', line.spaced],
                ] as const
              ).map(([words, slots]) => (
                <tr key={words}>
                  <td className="w-32">{words}</td>
                  <td className={`r num w-14 ${slots > line.room ? 'text-brick' : ''}`}>{slots}</td>
                  <td>
                    <Bar slots={slots} room={line.room} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {line.over && (
            <div className="mt-1 text-[0.95rem]">
              <p>
                Over room from {shortDay(line.over.from)} to {shortDay(line.over.to - 1)}.{' '}
                {line.couldGo.length > 0
                  ? 'These leave it anyway, and could go first:'
                  : 'Nothing that stands there leaves it in that time.'}
              </p>
              <ul>
                {line.couldGo.map((c) => (
                  <li key={c.batchId}>
                    <a href={`/batch/${c.batchId}`}>{c.name}</a>, {c.slots} tray spaces, {shortDay(c.on)} to {c.to}
                  </li>
                ))}
              </ul>
              {line.offers.length > 0 && <p className="mt-1">Or, with its price by the house&rsquo;s own rates:</p>}
              <ul>
                {line.offers.map((o) => (
                  <li key={`${o.batchId} ${o.placeId} ${o.on}`} className="flex items-center gap-2 py-1">
                    <span className="flex-1">
                      {o.name}: {o.kind === 'place' ? `to ${o.place}` : `on ${shortDay(o.on)}`}
                      <span className="block text-ink2">
                        {o.later_days > 0
                          ? `${counted(o.later_days, 'day')} later out, `
                          : o.later_days < 0
                            ? `${counted(-o.later_days, 'day')} sooner, `
                            : 'no later out, '}
                        {o.price < -0.005 ? `saves ${money(-o.price)}` : `costs ${money(o.price)}`}
                      </span>
                    </span>
                    {(o.kind === 'place' || alone) && (
                      <button
                        type="button"
                        className="btn no-print"
                        onClick={() => (o.kind === 'place' ? onPlace(o.batchId, o.placeId!) : onDay(o.on))}
                      >
                        Do so
                      </button>
                    )}
                  </li>
                ))}
              </ul>
              <p className="no-print mt-1 text-ink2">
                The <a href="/plan/season">season planner</a> weighs the whole house.
              </p>
            </div>
          )}
        </div>
      ))}
    </section>
  );
}

function Bar({ slots, room }: { readonly slots: number; readonly room: number }) {
  const most = Math.max(slots, room, 1);
  const scale = WIDTH / (most * 1.05);
  return (
    <svg width={WIDTH} height="16" aria-hidden="true">
      <rect width={Math.min(slots, room) * scale} height="12" y="2" className="fill-ink3" />
      {slots > room && (
        <rect x={room * scale} width={(slots - room) * scale} height="12" y="2" className="fill-brick" />
      )}
      <line x1={room * scale} x2={room * scale} y1="0" y2="16" className="stroke-ink" strokeWidth="2" />
    </svg>
  );
}
