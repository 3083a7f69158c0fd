/** A picture as a camera or a canvas gives it: red, green, blue and opacity of each pixel, row by row from the top left. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray;
}

/** A point in pixels from the top left. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Corners of a tray in a picture, clockwise from the one of the first cell. */
export type Corners = readonly [Point, Point, Point, Point];

/** Red, green and blue of a pixel, by its number. */
export const redOf = ({ rgba }: Picture, i: number): number => rgba[4 * i]!;
export const greenOf = ({ rgba }: Picture, i: number): number => rgba[4 * i + 1]!;
export const blueOf = ({ rgba }: Picture, i: number): number => rgba[4 * i + 2]!;
