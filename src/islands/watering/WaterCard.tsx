import { Droplets } from 'lucide-react';
import { Suspense, useState } from 'react';
import type { PlaceWater, WaterTray } from '../../contracts/watering/water.ts';
import { clockWords, spokenDay, degrees } from '../../ui/format.ts';
import { house, volume } from '../../ui/house.ts';
import { later } from '../../ui/kit/later.tsx';
import { decimal, percent } from '../../ui/numbers.ts';
import { minutesWords } from '../../ui/minutes.ts';
import { WORDS } from '../../words/en/watering/card.ts';
import { useWaterLog, useWaterWaiting } from './useWaterLog.ts';

const WaterPanel = later(() => import('./WaterPanel.tsx').then((m) => m.WaterPanel));

/** Chance from which a surface is called likely wet at dusk. */
const LIKELY = 0.5;
/** Water colder than this checks tender crops. Common practice, no source. */
const COLD_C = 10;
/** Before this nobody asks whether it dries by dark. */
const NOON_min = 12 * 60;

interface Props {
  readonly place: { readonly id: number; readonly name: string };
  readonly water: PlaceWater;
  readonly today: number;
  /** Minute of the day. */
  readonly minute: number;
  readonly refresh: () => Promise<void>;
  /** On the place's own page: no way there, and its notes are told below. */
  readonly own?: boolean;
}

/** Which trays of a place want water before tonight, how and how much, with one tap for all; which can wait, and which must have none. */
export function WaterCard({ place, water, today, minute, refresh, own = false }: Props) {
  const [open, setOpen] = useState<number | null>(null);
  const { log, wrong, busy, away } = useWaterLog(refresh);
  const waiting = useWaterWaiting();
  // What is on its way may be refused: who has just typed it keeps it before them.
  const isKept = ({ batchId }: WaterTray) => waiting.has(batchId) && batchId !== open;
  // What was just watered and is not read again yet wants none.
  const trays = water.trays.filter((one) => !isKept(one) && !away.has(one.batchId));
  const kept = water.trays.filter(isKept);
  const by = (...wants: readonly WaterTray['want'][]) => trays.filter(({ want }) => wants.includes(want));
  const [now, look, later_] = [by('now'), by('look'), by('later')];
  const again = by('not').filter((one) => one.again !== null);
  const not = by('not').filter((one) => one.again === null);
  const litres = now.reduce((sum, one) => sum + one.litres, 0);
  const minutes = now.reduce((sum, one) => sum + one.minutes, 0);
  const dusk = (of: readonly WaterTray[]): string => {
    const wet = Math.max(0, ...of.map(({ wetAtDusk_prob }) => wetAtDusk_prob ?? 0));
    if (minute < NOON_min || of.every(({ wetAtDusk_prob }) => wetAtDusk_prob === null)) return '';
    return wet > LIKELY ? WORDS.stillWetAtDusk : WORDS.dryAtDusk;
  };
  const pour = (of: readonly WaterTray[], words: string) =>
    void log(
      {
        kind: 'watered',
        batchIds: of.map(({ batchId }) => batchId),
        fedIds: of.filter(({ feed }) => feed).map(({ batchId }) => batchId),
      },
      words,
      dusk(of),
    );
  const Title = own ? 'h2' : 'h3';
  const shown = (one: WaterTray, list: 'full' | 'short') => (
    <TrayLine
      key={one.batchId}
      tray={one}
      today={today}
      short={list === 'short'}
      alone={now.length === 1}
      open={open === one.batchId}
      busy={busy}
      onOpen={() => setOpen(open === one.batchId ? null : one.batchId)}
      onWatered={() => pour([one], WORDS.wateredOne(one.name))}
    >
      {open === one.batchId && (
        <Suspense fallback={null}>
          <WaterPanel
            tray={one}
            today={today}
            busy={busy}
            log={log}
            refresh={refresh}
            dusk={dusk([one])}
            onDone={() => setOpen(null)}
          />
        </Suspense>
      )}
    </TrayLine>
  );
  return (
    <section className="border-b border-line py-2" aria-label={`${WORDS.water}, ${place.name}`} data-water={place.id}>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <Title className="flex items-center gap-1.5">
          <Droplets size={18} aria-hidden="true" />
          {WORDS.water}
        </Title>
        <p className="min-w-0 flex-1 leading-snug">
          <b>{now.length > 0 ? WORDS.beforeTonight(now.length) : WORDS.nothingBeforeTonight}</b>
          {look.length > 0 && `, ${WORDS.lookFirst(look.length)}`}
          {again.length > 0 && `, ${WORDS.lookLater(again.length)}`}
          {now.length > 0 && <span className="text-ink2"> {WORDS.about(volume(litres), minutesWords(minutes))}</span>}
        </p>
        {!own && (
          <a
            className="no-print inline-flex min-h-12 items-center text-[0.92rem]"
            href={`/watering?place=${place.id}`}
            aria-label={WORDS.placePageOf(place.name)}
          >
            {WORDS.placePage}
          </a>
        )}
        {now.length > 0 && (
          <button
            type="button"
            className="btn solid no-print min-h-12 max-[700px]:w-full"
            disabled={busy}
            aria-label={WORDS.waterAllOf(place.name)}
            onClick={() => pour(now, WORDS.wateredSome(now.length, place.name))}
          >
            {WORDS.waterAll(now.length)}
          </button>
        )}
      </div>
      {wrong !== '' && (
        <p role="alert" className="note-bar bad my-1">
          {wrong}
        </p>
      )}
      <ul>{[...now, ...look, ...again].map((one) => shown(one, 'full'))}</ul>
      {kept.length > 0 && (
        <p className="text-[0.92rem] text-ink3">
          {kept.map(({ name }) => name).join(', ')}: {WORDS.keptHere}
        </p>
      )}
      <Short title={WORDS.canWait} trays={later_} whole={own}>
        {(one) => shown(one, 'short')}
      </Short>
      <Short title={WORDS.none} trays={not} whole={own}>
        {(one) => shown(one, 'short')}
      </Short>
      {water.feed && now.length > 0 && (
        <Note
          words={WORDS.feed(
            volume(water.feed.litres),
            `${water.feed.amount < 10 ? decimal(water.feed.amount, 1) : Math.round(water.feed.amount)} ${water.feed.unit}`,
            water.feed.name,
            percent(water.feed.fraction),
          )}
        />
      )}
      {water.hoseFrozen && <Note words={WORDS.hoseFrozen} />}
      {water.hoseTonight && <Note words={WORDS.hoseTonight} />}
      {water.rainUnknown && now.length > 0 && <Note words={WORDS.rainUnknown} />}
      {water.weatherShort && own && <Note words={WORDS.weatherShort} />}
      {!water.humidityKnown && own && <Note words={WORDS.humidityUnknown} />}
      {water.tender && water.water_C !== null && water.water_C < COLD_C && (
        <Note words={WORDS.coldWater(degrees(water.water_C, house().unit))} />
      )}
    </section>
  );
}

const Note = ({ words }: { readonly words: string }) => <p className="text-[0.92rem] text-ink2">{words}</p>;

/** Batches that want nothing now, folded to their codes. In the round their lines are drawn once they are asked for. */
function Short(props: {
  readonly title: string;
  readonly trays: readonly WaterTray[];
  /** Lines are drawn at once: on the place's own page, which is also read without script. */
  readonly whole: boolean;
  readonly children: (tray: WaterTray) => React.ReactNode;
}) {
  const { title, trays, whole, children } = props;
  const [opened, setOpened] = useState(false);
  if (trays.length === 0) return null;
  return (
    <details className="text-[0.95rem]" onToggle={() => setOpened(true)}>
      <summary className="inline-flex min-h-12 cursor-pointer items-center gap-x-2 text-ink2">
        <span>
          {title}:{' '}
          <span className="num text-ink">{trays.map((one) => WORDS.batchTrays(one.code, one.trays)).join(', ')}</span>
        </span>
      </summary>
      <ul>{(whole || opened) && trays.map(children)}</ul>
    </details>
  );
}

/** A mark that is no fault: framed in the colour of its words, which stand out in every look. */
const MARK = 'rounded-[2px] border border-current px-1 text-[0.88rem] font-semibold';

interface LineProps {
  readonly tray: WaterTray;
  readonly today: number;
  readonly short: boolean;
  /** The button of the place does it. */
  readonly alone: boolean;
  readonly open: boolean;
  readonly busy: boolean;
  readonly onOpen: () => void;
  readonly onWatered: () => void;
  readonly children: React.ReactNode;
}

function TrayLine({ tray, today, short, alone, open, busy, onOpen, onWatered, children }: LineProps) {
  const when = (at: { readonly day: number; readonly minute: number }) =>
    WORDS.at(spokenDay(at.day, today), clockWords(at.minute));
  const dry = tray.dryNow
    ? tray.keepMoist
      ? WORDS.lessThanMoist
      : WORDS.dryNow
    : tray.dry
      ? WORDS.dryBy(when(tray.dry))
      : WORDS.lastsLong;
  return (
    <li className={short ? 'border-t border-line' : 'border-t border-line py-1'} data-tray={tray.batchId}>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <button
          type="button"
          className="min-h-12 min-w-[200px] flex-1 cursor-pointer text-left leading-snug hover:underline"
          aria-expanded={open}
          aria-label={WORDS.openBatch(tray.name)}
          onClick={onOpen}
        >
          <span className="font-semibold">{tray.name}</span> <span className="num text-ink2">{tray.code}</span>
          <br />
          <span className="text-[0.95rem] text-ink2">
            {tray.want === 'not'
              ? WORDS.noneNow(tray.trays)
              : WORDS.line(tray.trays, WORDS.way[tray.way], volume(tray.litres))}
            {tray.lid && `, ${tray.lidAdvice ? WORDS.lidAdvice[tray.lidAdvice] : WORDS.underLid}`}
            {tray.keepMoist && !tray.lid && `, ${WORDS.keepMoist}`}
            {tray.feed && tray.want !== 'not' && `, ${WORDS.withFeed}`}
            {' · '}
            {tray.want !== 'look' ? dry : tray.share === null ? WORDS.notKnown : WORDS.mayBeDry}
          </span>
        </button>
        {tray.again && (
          <span className={tray.again.away ? 'tag bad' : MARK}>
            {tray.again.away
              ? WORDS.nobodyThere(clockWords(tray.again.minute))
              : WORDS.againBy(clockWords(tray.again.minute))}
          </span>
        )}
        {tray.want === 'now' && !alone && (
          <button
            type="button"
            className="btn no-print min-h-12 max-[700px]:hidden"
            disabled={busy}
            aria-label={WORDS.wateredOne(tray.name)}
            onClick={onWatered}
          >
            {WORDS.watered}
          </button>
        )}
      </div>
      {tray.wet && (
        <p className="text-[0.92rem]">
          <b>
            {tray.wet.evenings >= 3 ? WORDS.wetEvenings(tray.wet.evenings) : WORDS.wetHours(String(tray.wet.wet_h))}
          </b>
          {`: ${WORDS.riskOf(WORDS.risk[tray.wet.risk])}. ${WORDS.cause[tray.wet.causes[0]!].replace(/^./, (c) => c.toUpperCase())}.`}
        </p>
      )}
      {children}
    </li>
  );
}
