import { money } from '../../ui/house.ts';
import type { RoomLine } from '../../contracts/potting/potting.ts';
import { counted, shortDay } from '../../ui/format.ts';
import { WORDS } from '../../words/en/potting/room.ts';

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
    <section aria-label={WORDS.room}>
      <h2 className="border-b-2 border-ink pb-1">{WORDS.room}</h2>
      {room.map((line) => (
        <div key={line.placeId} className="mt-2">
          <p className="font-semibold">
            {line.name} <span className="font-normal text-ink2">{WORDS.traySpaces(line.room)}</span>{' '}
            {line.over && <span className="tag bad">{WORDS.tooMany(line.over.most)}</span>}
          </p>
          <table className="plain-table">
            <thead className="sr-only">
              <tr>
                <th>{WORDS.when}</th>
                <th>{WORDS.traySpaces2}</th>
                <th>{WORDS.share}</th>
              </tr>
            </thead>
            <tbody>
              {(
                [
                  ['before', line.before],
                  ['after', line.after],
                  [WORDS.mostOnceSpaced, line.spaced],
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
                {WORDS.overRoomFromTo(
                  shortDay(line.over.from),
                  shortDay(line.over.to - 1),
                  line.couldGo.length > 0 ? WORDS.theseLeaveItAnywayAnd : WORDS.nothingThatStandsThereLeaves,
                )}
              </p>
              <ul>
                {line.couldGo.map((c) => (
                  <li key={c.batchId}>
                    {WORDS.traySpacesTo(
                      <a key="1" href={`/batch/${c.batchId}`}>
                        {c.name}
                      </a>,
                      c.slots,
                      shortDay(c.on),
                      c.to,
                    )}
                  </li>
                ))}
              </ul>
              {line.offers.length > 0 && <p className="mt-1">{WORDS.orWithItsPriceBy}</p>}
              <ul>
                {line.offers.map((o) => (
                  <li key={`${o.batchId} ${o.placeId} ${o.on}`} className="flex items-center gap-2 py-1">
                    <span className="flex-1">
                      {o.name}: {o.kind === 'place' ? WORDS.to(o.place) : WORDS.on(shortDay(o.on))}
                      <span className="block text-ink2">
                        {o.later_days > 0
                          ? WORDS.laterOut(counted(o.later_days, WORDS.day))
                          : o.later_days < 0
                            ? WORDS.sooner(counted(-o.later_days, WORDS.day))
                            : WORDS.noLaterOut}
                        {o.price < -0.005 ? WORDS.saves(money(-o.price)) : WORDS.costs(money(o.price))}
                      </span>
                    </span>
                    {(o.kind === 'place' || alone) && (
                      <button
                        type="button"
                        className="btn no-print"
                        onClick={() => (o.kind === 'place' ? onPlace(o.batchId, o.placeId!) : onDay(o.on))}
                      >
                        {WORDS.doSo}
                      </button>
                    )}
                  </li>
                ))}
              </ul>
              <p className="no-print mt-1 text-ink2">
                {WORDS.theWeighsTheWholeHouse(
                  <a key="2" href="/plan/season">
                    {WORDS.seasonPlanner}
                  </a>,
                )}
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
