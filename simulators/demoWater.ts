import type { TrayOnScale } from './scale.ts';
import type { Look } from '../src/core/watering/belief.ts';
import { DEMO_TODAY, USUAL_CONTAINERS } from './demoBooks.ts';
import { requireDay } from '../src/core/calendar/dayNumber.ts';

/** A line of the demo's water log: of a batch by its place in the list, who wrote it by theirs. */
export interface SeedWater {
  readonly batch: number;
  readonly person: number;
  readonly day: number;
  /** Wall-clock minute. */
  readonly minute: number;
  readonly kind: 'looked' | 'watered';
  readonly look: Look | null;
}

/** A place's air as it was read. */
export interface SeedAir {
  readonly place: number;
  readonly person: number;
  readonly day: number;
  readonly minute: number;
  readonly air_C: number;
  readonly humidity_frac: number;
  readonly water_C: number | null;
}

const DAYS = 8;
/** Air there is all but full: little dries. */
const DARK_CHAMBER = 1;
/** Hands that water. */
const HANDS = [2, 3] as const;

interface Standing {
  readonly plan: { readonly sowContainerId: number; readonly potContainerId: number | null };
  readonly events: readonly { readonly kind: string; readonly day: number; readonly placeId: number | null }[];
}

/** Litres of mix in a tray, or in the pots of a carrying tray. */
function litresOf(containerId: number): number {
  const { volume_L, perCarryingTray } = USUAL_CONTAINERS.find(({ id }) => id === containerId)!;
  return Math.max(2, volume_L * perCarryingTray);
}

/** What hands did of water in the last days before the demo's own: looked in the morning, watered what was getting dry. Made up, by a rule of its own. */
export function demoWater(batches: readonly Standing[]): SeedWater[] {
  const today = requireDay(DEMO_TODAY);
  const lines: SeedWater[] = [];
  batches.forEach(({ events, plan }, i) => {
    const began = events.find(({ kind }) => kind === 'sown' || kind === 'arrived');
    const over = events.some(({ kind }) => kind === 'planted-out' || kind === 'ended');
    if (!began || over || began.day > today - 2) return;
    const batch = i + 1;
    // One is watered in the afternoon by habit, and stays wet.
    const late = i % 13 === 4;
    const inChamber = events.findLast(({ placeId }) => placeId !== null)?.placeId === DARK_CHAMBER;
    // From one afternoon to the next morning little dries.
    const aDay =
      ((late ? 0.25 : inChamber ? 0.15 : 1) * (1.1 + 0.15 * ((i * 7) % 4))) /
      litresOf(events.some(({ kind }) => kind === 'potted') ? plan.potContainerId! : plan.sowContainerId);
    let share = 0.9;
    for (let day = Math.max(began.day + 1, today - DAYS); day < today; day++) {
      const person = HANDS[(day + i) % HANDS.length]!;
      share = Math.max(0.05, share - aDay * (0.8 + 0.1 * ((day * 5 + i) % 5)));
      const look: Look = share < 0.35 ? 'dry' : share > 0.7 ? 'wet' : 'moist';
      const morning = 8 * 60 + ((i * 3) % 40);
      if ((day + i) % 2 === 0 || look === 'dry')
        lines.push({ batch, person, day, minute: morning, kind: 'looked', look });
      if (share < 0.5 || late) {
        const minute = late ? 16 * 60 + 30 : morning + 5;
        lines.push({ batch, person, day, minute, kind: 'watered', look: null });
        share = 0.95;
      }
    }
  });
  return lines;
}

/** A scale of the demo with the tray on it, of a batch by its place in the list. */
export interface SeedScale extends TrayOnScale {
  readonly name: string;
  readonly batch: number;
  readonly trays: number;
  readonly tare_g: number;
}

export const DEMO_SCALES: readonly SeedScale[] = [
  { name: 'Scale at the door', device: 'scale-1', batch: 1, trays: 1, tare_g: 0, dry_g: 1_650, water_g: 840 },
];

/** Hygrometer read by hand, and the water of the tap in the propagation house. */
export const DEMO_AIR: readonly SeedAir[] = [
  { place: 3, person: 2, minute: 8 * 60 + 10, back: 2, air_C: 17, humidity_frac: 0.66, water_C: 9 },
  { place: 4, person: 2, minute: 8 * 60 + 15, back: 2, air_C: 15, humidity_frac: 0.7, water_C: null },
  { place: 5, person: 3, minute: 14 * 60, back: 3, air_C: 19, humidity_frac: 0.58, water_C: null },
].map(({ back, ...reading }) => ({ ...reading, day: requireDay(DEMO_TODAY) - back }));
