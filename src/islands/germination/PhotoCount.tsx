import { useDrag } from '@use-gesture/react';
import { useEffect, useId, useRef, useState } from 'react';
import type { Cell, Settled, TrayCount } from '../../core/vision/countCells.ts';
import { homographyOf, seenAt } from '../../core/vision/homography.ts';
import type { PanCount } from '../../core/vision/pan.ts';
import type { Corners, Point } from '../../core/vision/picture.ts';
import { startVision, type VisionClient } from '../../workers/vision.client.ts';
import { PictureInput } from '../../ui/photo/PictureInput.tsx';
import { readPhoto, type Photo } from '../../ui/photo/readPhoto.ts';
import { recall, remember } from '../../ui/remembered.ts';
import { WORDS } from '../../words/en/germination/photoCount.ts';

/** A count as it was taken over, with what was corrected in it. */
export interface TakenCount {
  readonly up: number;
  readonly cells: number;
  readonly doubled: number;
  readonly empty: number;
  readonly missed: number;
  readonly falseUp: number;
  readonly merged: number;
  readonly split: number;
}

interface Props {
  /** Rows and columns of the tray; null: a pan, counted without cells. */
  readonly grid: { readonly rows: number; readonly columns: number } | null;
  readonly settled: Settled;
  /** Most there can be in it. */
  readonly most: number;
  /**
   * @param save it is logged as it stands, by the tap of whoever looked it over
   * @param picture what is kept of the batch; null: nothing is
   */
  readonly onTake: (count: TakenCount, save: boolean, picture: Blob | null) => void;
}

/** The longer side of a picture that is counted in. */
const WIDE_px = 1600;
/** Name under which this device remembers whether pictures are kept. */
const KEPT = 'crook.photo-count';
const CORNER_WORDS = ['topLeft', 'topRight', 'bottomRight', 'bottomLeft'] as const;
/** A tap goes to the next of these. */
const NEXT: Readonly<Record<Cell['kind'], Cell['kind']>> = {
  empty: 'one',
  one: 'doubled',
  doubled: 'empty',
  doubtful: 'one',
};
const PLANTS: Readonly<Record<Cell['kind'], number>> = { empty: 0, one: 1, doubled: 2, doubtful: 1 };

/** Counts a tray in a photo: the tray is found, its cells marked; a tap puts a cell right. The count is offered, never logged by itself. */
export function PhotoCount({ grid, settled, most, onTake }: Props) {
  const vision = useRef<VisionClient | null>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [picture, setPicture] = useState<ImageData | null>(null);
  const [photo, setPhoto] = useState<Photo | null>(null);
  const [kept, setKept] = useState(() => recall(KEPT, { picture: false }));
  const [corners, setCorners] = useState<Corners | null>(null);
  const [found, setFound] = useState(true);
  const [tray, setTray] = useState<TrayCount | null>(null);
  const [pan, setPan] = useState<PanCount | null>(null);
  const [changed, setChanged] = useState<ReadonlyMap<number, Cell['kind']>>(new Map());
  const [wrong, setWrong] = useState('');
  const [busy, setBusy] = useState(false);
  const wanted = useRef(0);
  useEffect(() => () => vision.current?.close(), []);
  useEffect(() => {
    if (picture) canvas.current?.getContext('2d')?.putImageData(picture, 0, 0);
  }, [picture]);

  async function take(file: File): Promise<void> {
    setWrong('');
    setBusy(true);
    try {
      const read = await readPhoto(file, WIDE_px);
      const { pixels } = read;
      setPhoto(read);
      vision.current ??= startVision();
      const { width, height, data } = pixels;
      const at = await vision.current.take({ width, height, rgba: data }, grid ?? { rows: 5, columns: 8 });
      setFound(at !== null);
      setPicture(pixels);
      await count(at ?? inset(width, height));
    } catch (error) {
      setWrong((error as Error).message);
    } finally {
      setBusy(false);
    }
  }

  async function count(at: Corners): Promise<void> {
    const turn = ++wanted.current;
    setCorners(at);
    const [cells, spots] = grid
      ? [await vision.current!.tray(at, grid, settled), null]
      : [null, await vision.current!.pan(at, settled)];
    // A corner that is still being drawn asks again.
    if (turn !== wanted.current) return;
    setTray(cells);
    setPan(spots);
    setChanged(new Map());
  }

  const cells = tray?.cells.map((cell, i) => ({ ...cell, kind: changed.get(i) ?? cell.kind })) ?? [];
  const up = tray
    ? cells.filter((cell, i) => (changed.has(i) ? PLANTS[cell.kind] : tray.cells[i]!.plants) > 0).length
    : (pan?.up ?? 0);
  const doubts = tray?.doubts ?? pan?.doubts ?? [];
  const of = (kind: Cell['kind']) => cells.filter((cell) => cell.kind === kind).length;
  const taken = (): TakenCount => {
    const was = (i: number) => tray!.cells[i]!.plants;
    const pairs = tray ? cells.map((cell, i) => [was(i), changed.has(i) ? PLANTS[cell.kind] : was(i)] as const) : [];
    const times = (from: (n: number) => boolean, to: (n: number) => boolean) =>
      pairs.filter(([a, b]) => from(a) && to(b)).length;
    return {
      up: Math.min(up, most),
      cells: cells.length,
      doubled: of('doubled'),
      empty: cells.length - up,
      missed: times(
        (n) => n === 0,
        (n) => n > 0,
      ),
      falseUp: times(
        (n) => n > 0,
        (n) => n === 0,
      ),
      merged: times(
        (n) => n === 2,
        (n) => n === 1,
      ),
      split: times(
        (n) => n === 1,
        (n) => n === 2,
      ),
    };
  };

  async function handOver(save: boolean): Promise<void> {
    // A picture that cannot be made small is no reason to lose a count.
    const small = kept.picture && photo ? await photo.toJpeg().catch(() => null) : null;
    onTake(taken(), save, small);
  }

  return (
    <section aria-label={WORDS.countByPhoto} className="mt-3">
      <div className="grid grid-cols-2 gap-2">
        <PictureInput
          label={picture ? WORDS.takeAnother : WORDS.takeAPhoto}
          camera
          solid={!picture}
          onPicture={(file) => void take(file)}
        />
        <PictureInput label={WORDS.chooseAPicture} onPicture={(file) => void take(file)} />
      </div>
      {!picture && !busy && <p className="mt-2 text-[0.92rem] text-ink2">{WORDS.howToTake}</p>}
      {busy && (
        <p role="status" className="mt-2">
          {WORDS.looking}
        </p>
      )}
      {wrong && (
        <p role="alert" className="note-bar bad mt-2">
          {wrong}
        </p>
      )}
      {picture && corners && (
        <>
          <p role="status" className="mt-3 leading-none">
            <span className="num text-6xl">{up}</span>{' '}
            <span className="text-ink2">
              {pan ? WORDS.giveOrTake(Math.ceil(2 * pan.error)) : WORDS.upOfCells(cells.length)}
            </span>
          </p>
          {tray && <p className="mt-1 text-ink2">{WORDS.sums(of('empty'), of('doubled'), of('doubtful'))}</p>}
          {!tray && !pan && <p className="note-bar bad mt-2">{WORDS.noTrayWithinCorners}</p>}
          {(!found || doubts.length > 0) && (
            <ul className="note-bar bad mt-2">
              {!found && <li>{WORDS.noTrayFound}</li>}
              {doubts.map((doubt) => (
                <li key={doubt}>{WORDS.doubts[doubt]}</li>
              ))}
            </ul>
          )}
          <div
            className="relative mt-2 touch-none select-none"
            style={{ aspectRatio: `${picture.width} / ${picture.height}` }}
          >
            <canvas
              ref={canvas}
              width={picture.width}
              height={picture.height}
              className="h-full w-full"
              aria-hidden="true"
            />
            <Marks
              picture={picture}
              corners={corners}
              grid={grid}
              cells={cells}
              pan={pan}
              onCell={(i) => setChanged(new Map(changed).set(i, NEXT[cells[i]!.kind]))}
              onCorners={(at) => void count(at)}
            />
          </div>
          <p className="mt-1 text-[0.92rem] text-ink2">{tray ? WORDS.tapToPutRight : WORDS.moveTheCorners}</p>
          {(tray || pan) && (
            <div className="mt-3 grid grid-cols-[2fr_1fr] gap-2">
              <button type="button" className="btn solid min-h-16 text-xl" onClick={() => void handOver(true)}>
                {WORDS.save(Math.min(up, most))}
              </button>
              <button type="button" className="btn min-h-16" onClick={() => void handOver(false)}>
                {WORDS.takeOver}
              </button>
            </div>
          )}
          <label className="mt-2 flex min-h-12 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-plum"
              checked={kept.picture}
              onChange={(e) => {
                setKept({ picture: e.target.checked });
                remember(KEPT, { picture: e.target.checked });
              }}
            />
            {WORDS.keepThePicture}
          </label>
          <p className="mt-2 text-[0.88rem] text-ink2">{WORDS.whatItRestsOn}</p>
        </>
      )}
    </section>
  );
}

/** Where corners are put when none are found. */
const inset = (width: number, height: number): Corners => [
  { x: 0.1 * width, y: 0.1 * height },
  { x: 0.9 * width, y: 0.1 * height },
  { x: 0.9 * width, y: 0.9 * height },
  { x: 0.1 * width, y: 0.9 * height },
];

const unit: Corners = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
];

interface MarksProps {
  readonly picture: ImageData;
  readonly corners: Corners;
  readonly grid: Props['grid'];
  readonly cells: readonly Cell[];
  readonly pan: PanCount | null;
  readonly onCell: (i: number) => void;
  readonly onCorners: (corners: Corners) => void;
}

/** Cells and corners over the picture. Cells are gone through with the arrow keys; corners are drawn, or moved with the arrow keys. */
function Marks({ picture, corners, grid, cells, pan, onCell, onCorners }: MarksProps) {
  const id = useId();
  const [at, setAt] = useState(0);
  const [focused, setFocused] = useState(false);
  const { width, height } = picture;
  const h = homographyOf(unit, corners);
  if (!h) return null;
  const seen = (x: number, y: number): Point => seenAt(h, { x, y });
  const r = Math.max(
    3,
    (0.26 * Math.hypot(corners[1].x - corners[0].x, corners[1].y - corners[0].y)) / (grid?.columns ?? 12),
  );
  const line = { strokeWidth: Math.max(1.5, width / 500), vectorEffect: 'none' } as const;
  const outline = corners.map(({ x, y }) => `${x},${y}`).join(' ');
  const onKey = (e: React.KeyboardEvent) => {
    const columns = grid?.columns ?? 1;
    const by = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: columns, ArrowUp: -columns }[e.key];
    if (by !== undefined) {
      e.preventDefault();
      setAt(Math.max(0, Math.min(cells.length - 1, at + by)));
    }
    if ((e.key === 'Enter' || e.key === ' ') && cells.length > 0) {
      e.preventDefault();
      onCell(at);
    }
  };
  const cell = cells[at];
  return (
    <svg viewBox={`0 0 ${width} ${height}`} className="absolute inset-0 h-full w-full">
      <polygon points={outline} fill="none" stroke="#fff" {...line} strokeWidth={3 * line.strokeWidth} opacity="0.7" />
      <polygon points={outline} fill="none" stroke="#6a2160" {...line} />
      {grid && cells.length > 0 && (
        <g
          role="group"
          tabIndex={0}
          aria-label={cell ? WORDS.cellIs(cell.row + 1, cell.column + 1, WORDS.kinds[cell.kind]) : WORDS.cells}
          aria-describedby={`${id}how`}
          onKeyDown={onKey}
          onFocus={() => setFocused(true)}
          onBlur={() => setFocused(false)}
        >
          <desc id={`${id}how`}>{WORDS.arrowKeys}</desc>
          {cells.map(({ row, column, kind }, i) => {
            const { x, y } = seen((column + 0.5) / grid.columns, (row + 0.5) / grid.rows);
            return (
              <g key={i} data-cell={kind} onClick={() => onCell(i)} className="cursor-pointer">
                <circle cx={x} cy={y} r={1.7 * r} fill="transparent" />
                {kind !== 'empty' && (
                  <circle cx={x} cy={y} r={r} fill="none" stroke="#fff" strokeWidth={3 * line.strokeWidth} />
                )}
                {kind === 'empty' && (
                  <circle cx={x} cy={y} r={0.22 * r} fill="#fff" stroke="#1d2823" strokeWidth={line.strokeWidth / 2} />
                )}
                {(kind === 'one' || kind === 'doubled') && (
                  <circle cx={x} cy={y} r={r} fill="none" stroke="#6a2160" strokeWidth={1.6 * line.strokeWidth} />
                )}
                {(kind === 'doubled' || kind === 'doubtful') && (
                  <text
                    x={x}
                    y={y}
                    dy="0.36em"
                    textAnchor="middle"
                    fontSize={1.7 * r}
                    fontWeight="700"
                    fill="#1d2823"
                    stroke="#fff"
                    strokeWidth={2 * line.strokeWidth}
                    paintOrder="stroke"
                  >
                    {kind === 'doubled' ? '2' : '?'}
                  </text>
                )}
                {focused && i === at && (
                  <circle cx={x} cy={y} r={1.5 * r} fill="none" stroke="#e2a95b" strokeWidth={2 * line.strokeWidth} />
                )}
              </g>
            );
          })}
        </g>
      )}
      {pan?.spots.map(({ x, y, plants }, i) => {
        const p = seen(x, y);
        return (
          <circle
            key={i}
            cx={p.x}
            cy={p.y}
            r={0.5 * r * Math.sqrt(plants)}
            fill="none"
            stroke="#6a2160"
            strokeWidth={1.5 * line.strokeWidth}
          />
        );
      })}
      {corners.map((corner, i) => (
        <Handle
          key={i}
          name={WORDS.corners[CORNER_WORDS[i]!]}
          at={corner}
          size={{ width, height }}
          onMove={(to) => onCorners(corners.map((one, j) => (j === i ? to : one)) as unknown as Corners)}
        />
      ))}
    </svg>
  );
}

interface HandleProps {
  readonly name: string;
  readonly at: Point;
  readonly size: { readonly width: number; readonly height: number };
  readonly onMove: (to: Point) => void;
}

function Handle({ name, at, size, onMove }: HandleProps) {
  const clamp = ({ x, y }: Point): Point => ({
    x: Math.max(0, Math.min(size.width, x)),
    y: Math.max(0, Math.min(size.height, y)),
  });
  const drag = useDrag(({ event, xy: [clientX, clientY] }) => {
    const svg = (event.target as SVGElement).ownerSVGElement;
    if (!svg) return;
    const box = svg.getBoundingClientRect();
    onMove(
      clamp({
        x: ((clientX - box.left) / box.width) * size.width,
        y: ((clientY - box.top) / box.height) * size.height,
      }),
    );
  });
  const step = size.width / 200;
  const r = size.width / 28;
  const moves: Readonly<Record<string, Point>> = {
    ArrowRight: { x: step, y: 0 },
    ArrowLeft: { x: -step, y: 0 },
    ArrowDown: { x: 0, y: step },
    ArrowUp: { x: 0, y: -step },
  };
  return (
    <circle
      {...drag()}
      cx={at.x}
      cy={at.y}
      r={r}
      role="button"
      tabIndex={0}
      aria-label={name}
      className="cursor-move touch-none"
      fill="#6a2160"
      fillOpacity="0.35"
      stroke="#fff"
      strokeWidth={size.width / 300}
      onKeyDown={(e) => {
        const by = moves[e.key];
        if (!by) return;
        e.preventDefault();
        e.stopPropagation();
        onMove(clamp({ x: at.x + by.x, y: at.y + by.y }));
      }}
    />
  );
}
