/** The one cold-to-hot ramp, used for temperature and for nothing else; blue to copper, safe for colour-blind eyes. */
const STOPS: readonly [number, string][] = [
  [-5, '#27507f'],
  [5, '#5b88ab'],
  [10, '#9ab7c0'],
  [15, '#cfd3c3'],
  [20, '#ead9a4'],
  [25, '#e2a95b'],
  [30, '#c96a35'],
  [35, '#9c2f1f'],
];

const rgbOf = (colour: string): readonly number[] =>
  [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));
const COLOURS = STOPS.map(([t, colour]) => [t, rgbOf(colour)] as const);

/** Colour of a temperature in degrees Celsius, straight between the stops; the figure always stands beside it. */
export function temperatureColour(temperature_C: number): string {
  const last = COLOURS.length - 1;
  const at = COLOURS.findIndex(([t]) => temperature_C < t);
  if (at === 0 || Number.isNaN(temperature_C)) return STOPS[0]![1];
  if (at < 0) return STOPS[last]![1];
  const [[low, from], [high, to]] = [COLOURS[at - 1]!, COLOURS[at]!];
  const part = (temperature_C - low) / (high - low);
  return `rgb(${from.map((value, i) => Math.round(value + part * (to[i]! - value))).join(', ')})`;
}
