/**
 * Nurseries whose trays dry by another law than the program's: by vapour pressure deficit to a power and light, slowed by the square root
 * of what is left, with places, containers, days and hands of their own. Shares nothing with src/core/watering.
 */
export interface DryingTray {
  /** Litres of mix, m2 of ground, share covered by leaves: what is written in the books. */
  readonly mix_L: number;
  readonly ground_m2: number;
  readonly cover: number;
  /** Hourly air as it is known, from the first midnight on. */
  readonly air: readonly { readonly temp_C: number; readonly humidity: number; readonly light_W_m2: number }[];
  /** What this tray truly holds and how it truly dries: water left after an hour, mm. */
  readonly holds_mm: number;
  after(left_mm: number, hour: number): number;
  /** How a hand finds it. */
  look(left_mm: number): 'dry' | 'moist' | 'wet';
  /** How far a weighing is off, as a share of what it holds. */
  slipOfScale(): number;
  /** What a hand's watering leaves in it, mm. */
  watered(): number;
}

const gauss = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/**
 * @param random air, places and trays
 * @param hands what hands see and pour, drawn apart, so that the trays are the same whatever is done to them
 */
export function dryingNursery(
  random: () => number,
  trays: number,
  days: number,
  hands: () => number = random,
): DryingTray[] {
  const place = Math.exp(0.3 * gauss(random));
  const hand = 0.05 * gauss(random);
  const [base_C, swing_K, damp] = [14 + 8 * random(), 3 + 6 * random(), 0.5 + 0.3 * random()];
  const dull = Array.from({ length: days + 1 }, () => 0.25 + 0.75 * random());
  const moods = Array.from({ length: days + 1 }, () => Math.exp(0.1 * gauss(random)));
  const air = Array.from({ length: 24 * (days + 1) }, (_, h) => {
    const sun = Math.max(0, Math.sin((Math.PI * ((h % 24) - 6)) / 12));
    const bright = dull[Math.floor(h / 24)]!;
    return {
      temp_C: base_C + swing_K * bright * Math.sin((Math.PI * ((h % 24) - 9)) / 12),
      humidity: Math.min(0.98, damp + 0.15 * (1 - bright) - 0.12 * sun * bright),
      light_W_m2: 190 * sun * bright,
    };
  });
  return Array.from({ length: trays }, () => {
    const kind = Math.exp(0.15 * gauss(random));
    const mix_L = 2.4 + 4 * random();
    const cover = 0.1 + 0.8 * random();
    const holds_mm = (mix_L * (0.24 + 0.09 * random())) / 0.151;
    return {
      mix_L,
      ground_m2: 0.151,
      cover,
      air,
      holds_mm,
      after: (left_mm, hour) => {
        const { temp_C, humidity, light_W_m2 } = air[hour]!;
        // Magnus, in hPa: another fit than the program's.
        const deficit_hPa = 6.1094 * Math.exp((17.625 * temp_C) / (temp_C + 243.04)) * (1 - humidity);
        const asked = 0.0095 * deficit_hPa ** 0.9 + 0.00075 * light_W_m2;
        const mood = moods[Math.floor(hour / 24)]!;
        const left = left_mm / holds_mm;
        return Math.max(
          0,
          left_mm - asked * place * kind * mood * (0.35 * cover + 0.65) * Math.sqrt(Math.max(0, left)),
        );
      },
      look: (left_mm) => {
        if (hands() < 0.03) return (['dry', 'moist', 'wet'] as const)[Math.floor(3 * hands())]!;
        const seen = left_mm / holds_mm + hand + 0.06 * gauss(hands);
        return seen < 0.35 ? 'dry' : seen > 0.7 ? 'wet' : 'moist';
      },
      slipOfScale: () => 0.03 * gauss(hands),
      watered: () => holds_mm * (0.88 + 0.12 * hands()),
    };
  });
}
