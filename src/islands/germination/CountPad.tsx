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
import type { TakenCount } from './PhotoCount.tsx';
import { reasonOf, VERDICT_WORDS, BAD } from './words.ts';
import { WORDS } from '../../words/en/germination/countPad.ts';

const PhotoCount = later(() => import('./PhotoCount.tsx').then((m) => m.PhotoCount));

interface Props {
  readonly initial: CountPadView;
  /** Tray to begin with. */
  readonly tray: number | null;
  /** Begin with a photo. */
  readonly photo?: boolean;
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
  const [photo, setPhoto] = useState(props.photo === true);
  const [taken, setTaken] = useState<TakenCount | null>(null);
  const sending = useRef(false);
  useEffect(() => {
    setReady(true);
    // Opened from a page kept on the device, the address alone says so.
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
    half = false,
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
    if (half && answer.kind === 'done') {
      const emerged = {
        idempotencyKey: freshKey(),
        day: isoFromDay(dayNow(today)),
        kind: 'emerged' as const,
        count: tray === null ? count : null,
      };
      await postLine(batchId, emerged, { name });
    }
    setSaid(answer.kind === 'kept' ? WORDS.keptHere(words) : words);
    await then();
    if (answer.kind === 'done') await refresh();
  }

  /** A photo shows one tray: taken over for all of several, it is added. */
  function takeOver(of: TakenCount): void {
    const several = tray === null && trays > 1;
    if (several && (up ?? 0) === 0 && count === 0) setTyped({ tray: 1, count: of.up });
    else setCount(clamp(several ? count + of.up : of.up));
    setTaken(of);
    setPhoto(false);
  }
  /** What was corrected goes along, so that the counter settles to the house; the count itself does not hang on it. */
  function keepPhoto(): void {
    if (!taken) return;
    const day = isoFromDay(dayNow(today));
    const body = { idempotencyKey: freshKey(), day, tray, ...taken };
    void doOrKeep({ path: `/api/batch/${batchId}/photo-counts`, body, words: WORDS.correctionsOf(name), batchId });
    setTaken(null);
  }

  // Half of those expected are up: the batch is logged as half up along with the count.
  const total = tray === null ? count : Math.max(up ?? 0, (up ?? 0) + count - wasUp);
  const half = phase === 'sown' && total > 0 && total >= verdict.expectedEnd.mean / 2;
  const mark = `${tray} ${count}`;
  const save = () =>
    post(
      { kind: 'counted', count, tray },
      WORDS.upSaved(count, tray === null ? '' : WORDS.inTray(tray)),
      () => {
        setSaved(mark);
        keepPhoto();
      },
      half,
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
      {saved === mark ? (
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
