/** Something that hangs together in a mask. */
export interface Blob {
  readonly area: number;
  /** Its middle, in pixels. */
  readonly x: number;
  readonly y: number;
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

export interface Components {
  /** For each pixel the number of its blob from 1 on; 0: none. */
  readonly of: Int32Array;
  readonly blobs: readonly Blob[];
}

/**
 * What hangs together in a mask, pixels touching by side or corner: two passes with a union of equal labels (Rosenfeld & Pfaltz 1966,
 * J. ACM 13, 471-494; from memory).
 * @param mask 1 where something is, width by height
 */
export function componentsOf(mask: Uint8Array, width: number, height: number): Components {
  const label = new Int32Array(width * height);
  const parent: number[] = [0];
  const root = (a: number): number => {
    while (parent[a] !== a) a = parent[a] = parent[parent[a]!]!;
    return a;
  };
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      if (mask[i] !== 1) continue;
      let mine = 0;
      const near = [
        x > 0 ? i - 1 : -1,
        ...(y > 0 ? [x > 0 ? i - width - 1 : -1, i - width, x < width - 1 ? i - width + 1 : -1] : []),
      ];
      for (const j of near) {
        if (j < 0 || label[j] === 0) continue;
        const other = root(label[j]!);
        if (mine === 0) mine = other;
        else if (other !== mine) {
          const least = Math.min(mine, other);
          parent[Math.max(mine, other)] = least;
          mine = least;
        }
      }
      if (mine === 0) {
        mine = parent.length;
        parent.push(mine);
      }
      label[i] = mine;
    }
  const number = new Map<number, number>();
  const sums: { area: number; x: number; y: number; left: number; top: number; right: number; bottom: number }[] = [];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      if (label[i] === 0) continue;
      const of = root(label[i]!);
      let n = number.get(of);
      if (n === undefined) {
        n = sums.push({ area: 0, x: 0, y: 0, left: x, top: y, right: x, bottom: y });
        number.set(of, n);
      }
      label[i] = n;
      const blob = sums[n - 1]!;
      blob.area++;
      blob.x += x;
      blob.y += y;
      blob.left = Math.min(blob.left, x);
      blob.right = Math.max(blob.right, x);
      blob.bottom = y;
    }
  return { of: label, blobs: sums.map((blob) => ({ ...blob, x: blob.x / blob.area, y: blob.y / blob.area })) };
}
