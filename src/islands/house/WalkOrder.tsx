import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ArrowDown, ArrowUp, GripVertical } from 'lucide-react';
import { useEffect, useState } from 'react';
import { trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { WORDS } from '../../words/en/house/walkPage.ts';

interface WalkLine {
  readonly id: number;
  readonly name: string;
  readonly door: string;
  readonly level: number;
}

/** Places in walking order: dragged by a handle, by its keyboard way, or a step at a time. */
export function WalkOrder({ places, was }: { readonly places: readonly WalkLine[]; readonly was: readonly number[] }) {
  const [lines, setLines] = useState<readonly WalkLine[]>(places);
  const [read, setRead] = useState<readonly number[]>(was);
  const [said, setSaid] = useState('');
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const changed = JSON.stringify(lines) !== JSON.stringify(places) && said !== WORDS.saved;
  const put = (next: readonly WalkLine[]) => {
    setLines(next);
    setSaid('');
  };
  const move = (from: number, to: number) => {
    if (to >= 0 && to < lines.length) put(arrayMove([...lines], from, to));
  };
  const nameOf = (id: unknown) => lines.find((line) => line.id === id)?.name ?? '';
  const nthOf = (id: unknown) => lines.findIndex((line) => line.id === id) + 1;
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) move(nthOf(active.id) - 1, nthOf(over.id) - 1);
  };

  async function save(): Promise<void> {
    // Places that are retired keep their turn behind the rest.
    const order = [...lines.map(({ id }) => id), ...read.filter((id) => !lines.some((line) => line.id === id))];
    const answer = await writeNow('PUT', '/api/house/walk', {
      was: read,
      places: order.map((id) => {
        const line = lines.find((one) => one.id === id);
        return { id, door: line?.door ?? '', level: line?.level ?? 0 };
      }),
    });
    if (answer.kind === 'done') setRead(order);
    setSaid(answer.kind === 'done' ? WORDS.saved : trouble(answer));
  }

  return (
    <div data-ready={ready} className="mt-3 max-w-3xl">
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={onDragEnd}
        accessibility={{
          announcements: {
            onDragStart: ({ active }) => WORDS.picked(nameOf(active.id), nthOf(active.id)),
            onDragOver: ({ active, over }) => (over ? WORDS.moved(nameOf(active.id), nthOf(over.id)) : undefined),
            onDragEnd: ({ active, over }) => WORDS.dropped(nameOf(active.id), nthOf(over?.id ?? active.id)),
            onDragCancel: ({ active }) => WORDS.left(nameOf(active.id)),
          },
        }}
      >
        <SortableContext items={lines.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
          <ol>
            {lines.map((line, i) => (
              <WalkRow
                key={line.id}
                line={line}
                nth={i + 1}
                last={i === lines.length - 1}
                onMove={(by) => move(i, i + by)}
                onChange={(part) => put(lines.map((one) => (one.id === line.id ? { ...one, ...part } : one)))}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <div className="mt-4 flex flex-wrap items-center gap-4">
        <button type="button" className="btn solid min-h-12" onClick={() => void save()}>
          {WORDS.save}
        </button>
        <p role="status" className={said !== '' && said !== WORDS.saved ? 'note-bar bad' : 'text-ink2'}>
          {said !== '' ? said : changed ? WORDS.changed : ''}
        </p>
      </div>
    </div>
  );
}

function WalkRow(props: {
  readonly line: WalkLine;
  readonly nth: number;
  readonly last: boolean;
  readonly onMove: (by: number) => void;
  readonly onChange: (part: Partial<WalkLine>) => void;
}) {
  const { line, nth, last, onMove, onChange } = props;
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: line.id,
  });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition: transition ?? '' }}
      className={`flex flex-wrap items-center gap-2 border-b border-line py-1.5 ${isDragging ? 'relative z-10 bg-plum-soft' : ''}`}
    >
      <button
        ref={setActivatorNodeRef}
        type="button"
        className="btn touch-none cursor-grab px-2"
        {...attributes}
        {...listeners}
        aria-label={WORDS.move(line.name)}
      >
        <GripVertical size={18} aria-hidden="true" />
      </button>
      <span className="num w-7 text-right text-xl">{nth}</span>
      <span className="min-w-32 flex-1 font-semibold">{line.name}</span>
      <span className="flex gap-1">
        <button
          type="button"
          className="btn px-2"
          aria-label={WORDS.up(line.name)}
          disabled={nth === 1}
          onClick={() => onMove(-1)}
        >
          <ArrowUp size={18} aria-hidden="true" />
        </button>
        <button
          type="button"
          className="btn px-2"
          aria-label={WORDS.down(line.name)}
          disabled={last}
          onClick={() => onMove(1)}
        >
          <ArrowDown size={18} aria-hidden="true" />
        </button>
      </span>
      <label className="flex items-center gap-2">
        <span className="text-[0.92rem] text-ink2">{WORDS.door}</span>
        <input
          className="input w-44"
          aria-label={WORDS.doorOf(line.name)}
          maxLength={40}
          value={line.door}
          onChange={(e) => onChange({ door: e.target.value })}
        />
      </label>
      <label className="flex items-center gap-2">
        <span className="text-[0.92rem] text-ink2">{WORDS.level}</span>
        <input
          className="input w-16"
          inputMode="numeric"
          aria-label={WORDS.levelOf(line.name)}
          value={line.level}
          onChange={(e) => onChange({ level: Math.max(-5, Math.min(20, Math.trunc(Number(e.target.value)) || 0)) })}
        />
      </label>
    </li>
  );
}
