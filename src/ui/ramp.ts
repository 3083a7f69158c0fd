import { scaleLinear } from 'd3-scale';

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

const ramp = scaleLinear<string>()
  .domain(STOPS.map(([t]) => t))
  .range(STOPS.map(([, colour]) => colour))
  .clamp(true);

/** Colour of a temperature in degrees Celsius; the figure always stands beside it. */
export function temperatureColour(temperature_C: number): string {
  return ramp(temperature_C);
}
