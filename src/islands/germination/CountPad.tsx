import { Camera } from 'lucide-react';
import { Suspense, useEffect, useRef, useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { CountPadView } from '../../contracts/germination/countPad.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { counted, shortDay } from '../../ui/format.ts';
import type { LogLine } from '../../contracts/batch/batches.ts';
import { useView } from '../../ui/kit/data.ts';
import { useKept } from '../../ui/kit/useKept.ts';
import { dayNow } from '../../ui/today.ts';
import { doOrKeep, postLine } from '../../ui/logPost.ts';
import { later } from '../../ui/kit/later.tsx';
import { dataUrlOf, keepPhoto } from '../../ui/photo/keepPhoto.ts';
import type { TakenCount } from './PhotoCount.tsx';
import { reasonOf, VERDICT_WORDS, BAD } from './words.ts';
import { WORDS } from '../../words/en/germination/countPad.ts';

const BlindCount = later(() => import('./BlindCount.tsx').then((m) => m.BlindCount));
const PhotoCount = later(() => import('./PhotoCount.tsx').then((m) => m.PhotoCount));

interface Props {
  readonly initial: CountPadView;
  /** Tray to begin with. */
  readonly tray: number | null;
}

interface Counting {
  readonly tray: number | null;
  readonly count: number;
}

/** Counting with wet thumbs: one number, large; steps of one, five and twenty-five; none, all; the cover. */
export function CountPad(props: Props) {
  const { view, refresh } = useView<CountPadView>(`/api/batch/${props.initial.batchId}/count`, props.initial);
  const { batchId, name, code, sown, sownOn, cells, trays, trayUp, up, covered, phase, verdict, needed, today } = view;
  const byTray = Object.keys(trayUp).length > 0;
  // A page that is loaded again in the middle of a tray goes on where the counting was.
  const { typed, setTyped } = useKept<Counting>(`count/${batchId}/${props.tray ?? ''}`, up ?? 0, () => {
    const first = props.tray ?? (byTray ? 1 : null);
    return { tray: first, count: first === null ? (up ?? 0) : (trayUp[first] ?? 0) };
  });
  const { tray, count } = typed;
  const setCount = (n: number) => setTyped({ tray, count: n });
  const size = tray === null ? sown : Math.min(cells, sown - (tray - 1) * cells);
  const wasUp = tray === null ? (up ?? 0) : (trayUp[tray] ?? 0);
  const [said, setSaid] = useState('');
  const [wrong, setWrong] = useState('');
  // What was saved last; while it stands the next tray is offered, and nothing is saved twice.
  const [saved, setSaved] = useState<string | null>(null);
  const [ready, setReady] = useState(false);
  const [photo, setPhoto] = useState(false);
  const [blind, setBlind] = useState(false);
  const [taken, setTaken] = useState<TakenCount | null>(null);
  const sending = useRef(false);
  useEffect(() => {
    setReady(true);
    // By the address, so that a page kept on the device begins with a photo as well.
    if (new URLSearchParams(location.search).has('photo')) setPhoto(true);
  }, []);
  const clamp = (n: number) => Math.min(size, Math.max(0, n));
  const open = phase === 'sown' || phase === 'emerged';
  const next = view.onHeat.find((b) => b.code !== code && !b.countedToday);

  function choose(to: number | null): void {
    setTyped({ tray: to, count: to === null ? (up ?? 0) : (trayUp[to] ?? 0) });
    setWrong('');
  }

  async function post(
    line: Omit<LogLine, 'idempotencyKey' | 'day'>,
    words: string,
    then: () => Promise<void> | void,
    half: Counting | null = null,
  ): Promise<void> {
    if (sending.current) return;
    sending.current = true;
    setWrong('');
    const answer = await postLine(
      batchId,
      { idempotencyKey: freshKey(), day: isoFromDay(dayNow(today)), ...line },
      { name },
    );
    sending.current = false;
    if (answer.kind === 'problem' || answer.kind === 'offline') return setWrong(trouble(answer));
    // Without a network half up waits behind its count.
    if (half) {
      const emerged = {
        idempotencyKey: freshKey(),
        day: isoFromDay(dayNow(today)),
        kind: 'emerged' as const,
        count: half.tray === null ? half.count : null,
      };
      await postLine(batchId, emerged, { name });
    }
    setSaid(answer.kind === 'kept' ? WORDS.keptHere(words) : words);
    await then();
    if (answer.kind === 'done') await refresh();
  }

  /** A photo shows one tray: taken over for all of several, it is added. */
  function takeOver(of: TakenCount, andSave: boolean, picture: Blob | null): void {
    const several = tray === null && trays > 1;
    const first = several && (up ?? 0) === 0 && count === 0;
    const to: Counting = first ? { tray: 1, count: of.up } : { tray, count: clamp(several ? count + of.up : of.up) };
    setTyped(to);
    setTaken(of);
    setPhoto(false);
    if (picture) void keepPicture(picture, to);
    if (andSave) void save(to, of);
  }
  async function keepPicture(picture: Blob, { tray: of, count: n }: Counting): Promise<void> {
    const taken = { url: await dataUrlOf(picture), key: freshKey() };
    await keepPhoto({ batchId }, name, today, WORDS.noteOfPicture(of, n), taken);
  }
  /** What was corrected goes along, so that the counter settles to the house; the count itself does not hang on it. */
  function keepCorrections(taken: TakenCount | null, tray: number | null): void {
    if (!taken) return;
    const day = isoFromDay(dayNow(today));
    const body = { idempotencyKey: freshKey(), day, tray, ...taken };
    void doOrKeep({ path: `/api/batch/${batchId}/photo-counts`, body, words: WORDS.correctionsOf(name), batchId });
    setTaken(null);
  }

  // Half of those expected are up: the batch is logged as half up along with the count.
  const halfWith = (to: Counting): boolean => {
    const before = to.tray === null ? (up ?? 0) : (trayUp[to.tray] ?? 0);
    const total = to.tray === null ? to.count : Math.max(up ?? 0, (up ?? 0) + to.count - before);
    return phase === 'sown' && total > 0 && total >= verdict.expectedEnd.mean / 2;
  };
  const half = halfWith({ tray, count });
  const markOf = (to: Counting): string => `${to.tray} ${to.count}`;
  const save = (to: Counting = { tray, count }, of: TakenCount | null = taken) =>
    post(
      { kind: 'counted', count: to.count, tray: to.tray },
      WORDS.upSaved(to.count, to.tray === null ? '' : WORDS.inTray(to.tray)),
      () => {
        setSaved(markOf(to));
        keepCorrections(of, to.tray);
      },
      halfWith(to) ? to : null,
    );

  return (
    <div data-ready={ready} className="mx-auto max-w-md" data-typing>
      <h1>{name}</h1>
      <p className="text-ink2">
        {WORDS.sownDay(
          <span key="1" className="num text-lg text-ink">
            {code}
          </span>,
          sown,
          shortDay(sownOn),
          today - sownOn,
          <a key="2" href={`/batch/${batchId}/emergence`}>
            {WORDS.howItComesUp}
          </a>,
        )}
      </p>
      <p className={`note-bar mt-2 ${BAD.includes(verdict.kind) ? 'bad' : ''}`}>
        <strong>{VERDICT_WORDS[verdict.kind]}.</strong> {reasonOf(verdict, up, sown, needed, today)}
      </p>
      {!open && <p className="mt-2">{WORDS.thisBatchIsOffThe}</p>}
      {trays > 1 && (
        <fieldset className="mt-3">
          <legend className="sr-only">{WORDS.whatIsCounted}</legend>
          <div className="flex gap-2 overflow-x-auto pb-1">
            <Choice on={tray === null} disabled={byTray} onPick={() => choose(null)}>
              {WORDS.allTrays(trays)}
            </Choice>
            {Array.from({ length: trays }, (_, i) => i + 1).map((n) => (
              <Choice key={n} on={tray === n} disabled={!byTray && (up ?? 0) > 0} onPick={() => choose(n)}>
                {WORDS.tray(n)}
                {trayUp[n] !== undefined && <span className="text-ink2">: {trayUp[n]}</span>}
              </Choice>
            ))}
          </div>
        </fieldset>
      )}
      <div className="mt-4 grid grid-cols-[88px_1fr_88px] items-center gap-2 text-center">
        <button
          type="button"
          className="btn h-22 text-4xl"
          aria-label={WORDS.oneFewer}
          onClick={() => setCount(clamp(count - 1))}
        >
          −
        </button>
        <div>
          <input
            aria-label={WORDS.numberUpOf(size)}
            className="num w-full bg-transparent text-center text-7xl"
            inputMode="numeric"
            value={count}
            onChange={(e) => setCount(Number(e.target.value.replace(/\D/g, '').slice(0, 7)))}
          />
          <p className="text-ink2">{WORDS.upOf(size, wasUp > 0 && WORDS.lastTime(wasUp))}</p>
        </div>
        <button
          type="button"
          className="btn h-22 text-4xl"
          aria-label={WORDS.oneMore}
          onClick={() => setCount(clamp(count + 1))}
        >
          +
        </button>
      </div>
      <div className="mt-3 grid grid-cols-4 gap-2">
        <button type="button" className="btn min-h-14" onClick={() => setCount(clamp(count + 5))}>
          +5
        </button>
        <button type="button" className="btn min-h-14" onClick={() => setCount(clamp(count + 25))}>
          +25
        </button>
        <button type="button" className="btn min-h-14" disabled={wasUp > 0} onClick={() => setCount(0)}>
          {WORDS.noneYet}
        </button>
        <button type="button" className="btn min-h-14" onClick={() => setCount(size)}>
          {WORDS.allUp}
        </button>
      </div>
      {open && (
        <button
          type="button"
          className="btn mt-2 min-h-12 w-full gap-2"
          aria-expanded={photo}
          onClick={() => setPhoto(!photo)}
        >
          <Camera size={20} aria-hidden="true" />
          {WORDS.byPhoto}
        </button>
      )}
      <button type="button" className="btn mt-2 min-h-12 w-full" onClick={() => setBlind(true)}>
        {WORDS.withoutLooking}
      </button>
      {blind && (
        <Suspense fallback={null}>
          <BlindCount
            title={name}
            count={count}
            most={size}
            onCount={(n) => setCount(clamp(n))}
            onClose={() => setBlind(false)}
          />
        </Suspense>
      )}
      {photo && (
        <Suspense fallback={null}>
          <PhotoCount grid={view.grid} settled={view.settled} most={Math.min(size, cells)} onTake={takeOver} />
        </Suspense>
      )}
      {taken && <p className="note-bar mt-3">{WORDS.takenOver(taken.up, taken.doubled, taken.empty)}</p>}
      {wrong && (
        <p role="alert" className="note-bar bad mt-3">
          {wrong}
        </p>
      )}
      <p role="status" aria-live="polite" className={said ? 'note-bar mt-3' : 'sr-only'}>
        {said}
      </p>
      {half && <p className="note-bar mt-3">{WORDS.halfAreUpSavedWith}</p>}
      {/* A photo that is looked over is saved by its own button: two would be one too many. */}
      {photo ? null : saved === markOf({ tray, count }) ? (
        <Next
          tray={tray}
          trays={trays}
          next={next}
          onTray={(n) => {
            choose(n);
            setSaid('');
          }}
        />
      ) : (
        <button type="button" className="btn solid mt-4 min-h-16 w-full text-xl" onClick={() => void save()}>
          {WORDS.saveUp(count, tray !== null && WORDS.inTray(tray))}
        </button>
      )}
      {open && (
        <div className="mt-3 flex flex-wrap items-center justify-between gap-2">
          <span>
            {WORDS.cover(
              covered === null ? WORDS.notLogged : covered ? WORDS.on : WORDS.off,
              covered !== false && count > 0 && <strong key="3">{WORDS.theFirstAreUpIt}</strong>,
            )}
          </span>
          <button
            type="button"
            className="btn min-h-12"
            onClick={() =>
              void post(
                { kind: 'cover', count: covered === false ? 1 : 0 },
                covered === false ? WORDS.coverOnSaved : WORDS.coverOffSaved,
                () => undefined,
              )
            }
          >
            {covered === false ? WORDS.coverOnAgain : WORDS.coverIsOff}
          </button>
        </div>
      )}
      <p className="mt-4 text-[0.92rem] text-ink2">
        {WORDS.aWrongCountWhatWas(
          <a key="5" href={`/batch/${batchId}`}>
            {WORDS.correctItInTheLog}
          </a>,
        )}
        {next && (
          <>
            {WORDS.nextNotCountedToday(
              <a key="4" href={`/germination/count/${next.code}`}>
                {next.name}
              </a>,
              counted(view.onHeat.filter((b) => !b.countedToday).length, WORDS.batch, WORDS.batches),
            )}
          </>
        )}
      </p>
    </div>
  );
}

/** What comes after a saved count: the next tray, the next batch, or the list. */
function Next(props: {
  readonly tray: number | null;
  readonly trays: number;
  readonly next: CountPadView['onHeat'][number] | undefined;
  readonly onTray: (tray: number) => void;
}) {
  const { tray, trays, next, onTray } = props;
  const big = 'btn solid mt-4 min-h-16 w-full text-xl';
  if (tray !== null && tray < trays)
    return (
      <button type="button" className={big} onClick={() => onTray(tray + 1)}>
        {WORDS.nextTray(tray + 1)}
      </button>
    );
  return next ? (
    <a className={big} href={`/germination/count/${next.code}`}>
      {WORDS.next(next.name)}
    </a>
  ) : (
    <a className={big} href="/germination/count">
      {WORDS.allAreCounted}
    </a>
  );
}

function Choice({
  on,
  disabled,
  onPick,
  children,
}: {
  readonly on: boolean;
  readonly disabled: boolean;
  readonly onPick: () => void;
  readonly children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      className={`btn min-h-12 shrink-0 ${on ? 'solid' : ''}`}
      aria-pressed={on}
      disabled={disabled && !on}
      onClick={onPick}
    >
      {children}
    </button>
  );
}
