import { transfer, wrap, type Remote } from 'comlink';
import type { Settled, TrayCount } from '../core/vision/countCells.ts';
import type { PanCount } from '../core/vision/pan.ts';
import type { Corners, Picture } from '../core/vision/picture.ts';
import type { Grid, VisionApi } from './vision.worker.ts';

export type { Grid };

/** Counting in a thread of the page's own; it works without a network. */
export interface VisionClient {
  take(picture: Picture, grid: Grid): Promise<Corners | null>;
  tray(corners: Corners, grid: Grid, settled: Settled): Promise<TrayCount | null>;
  pan(corners: Corners, settled: Settled): Promise<PanCount | null>;
  close(): void;
}

export function startVision(): VisionClient {
  const worker = new Worker(new URL('./vision.worker.ts', import.meta.url), { type: 'module' });
  const remote: Remote<VisionApi> = wrap<VisionApi>(worker);
  return {
    // The page keeps its own pixels: it draws them.
    take: ({ rgba, ...size }, grid) => {
      const copy = rgba.slice();
      return remote.take(transfer({ ...size, rgba: copy }, [copy.buffer]), grid);
    },
    tray: (corners, grid, settled) => remote.tray(corners, grid, settled),
    pan: (corners, settled) => remote.pan(corners, settled),
    close: () => worker.terminate(),
  };
}
