import { Check, ListPlus } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useEffect, useId, useState } from 'react';
import { MOST_BATCH_LINES, type LinesLooked, type LinesMade, type ReadLine } from '../../contracts/batch/batchLines.ts';
import { civilFromDay, dayFromIso } from '../../core/calendar/dayNumber.ts';
import { USUAL_WINDOW } from '../../core/plan/batchPlan.ts';
import { counted, lateness, shortDay } from '../../ui/format.ts';
import { house } from '../../ui/house.ts';
import { useLook, useWrite } from '../../ui/kit/data.ts';
import { DateField } from '../../ui/kit/DateField.tsx';
import { draftOf, forgetDraft, keepDraft } from '../../ui/kit/drafts.ts';
import { sayOnNextPage } from '../../ui/kit/said.ts';
import { useSettled } from '../../ui/kit/useSettled.ts';
import { Field } from '../../ui/Field.tsx';
import { phrasesOf, withPart, type Phrase } from './batchLine.ts';
import { WORDS } from '../../words/en/batch/lineBox.ts';

const DRAFT = '/batch/lines';
const EXAMPLES = [WORDS.words120Tomatoes24May, WORDS.words3X200LettuceEvery, WORDS.sow150Leeks1March];
/** Batches of a line whose days are shown. */
const MOST_SHOWN = 6;

const linesOf = (text: string): string[] =>
  text
    .split('\n')
    .filter((line) => line.trim() !== '')
    .slice(0, MOST_BATCH_LINES);

/** Batches by a line each, or a pasted list of them: read, placed by the planner, shown as sentences, made with one press. */
export function LineBox({ autoFocus = false }: { readonly autoFocus?: boolean }) {
  const id = useId();
  const [text, setText] = useState('');
  const settled = useSettled(text);
  const lines = linesOf(settled);
  const looked = useLook<LinesLooked>('/api/batch/lines/look', lines.length === 0 ? null : { lines });
  const make = useWrite<{ lines: string[] }, LinesMade>('POST', '/api/batch/lines');
  const [ready, setReady] = useState(false);
  useEffect(() => {
    const kept = draftOf(DRAFT, 0)?.typed['lines'];
    if (typeof kept === 'string') setText(kept);
    setReady(true);
  }, []);
  const type = (next: string): void => {
    setText(next);
    if (next.trim() === '') forgetDraft(DRAFT);
    else keepDraft(DRAFT, { version: 0, typed: { lines: next }, extra: null });
  };

  const read = lines.length === 0 ? [] : (looked.data?.lines ?? []);
  const current = settled === text && looked.isSuccess && !looked.isPlaceholderData;
  const batches = read.reduce((n, line) => n + line.batches.length, 0);
  const fine = current && read.length > 0 && read.every(({ problems }) => problems.length === 0);
  const changeLine = (i: number, next: string): void =>
    type(
      linesOf(text)
        .map((line, at) => (at === i ? next : line))
        .join('\n'),
    );

  async function send(): Promise<void> {
    if (!fine) return;
    const done = await make.mutateAsync({ lines }).catch(() => undefined);
    if (!done) return;
    forgetDraft(DRAFT);
    sayOnNextPage(done.made.length === 1 ? WORDS.batchMade : WORDS.made(counted(batches, WORDS.batch, WORDS.batches2)));
    location.assign(done.made.length === 1 ? `/batch/${done.made[0]!.id}` : '/plan/season');
  }

  return (
    <form
      className="card max-w-4xl"
      data-typing={text === '' ? undefined : true}
      data-ready={ready}
      onSubmit={(e) => {
        e.preventDefault();
        void send();
      }}
    >
      <label htmlFor={id} className="num text-lg">
        {WORDS.aBatchInALine}
      </label>
      <textarea
        id={id}
        className="input mt-2 block text-lg"
        rows={Math.min(12, Math.max(1, text.split('\n').length))}
        placeholder={EXAMPLES[0]}
        aria-describedby={`${id}-hint`}
        autoFocus={autoFocus}
        value={text}
        onChange={(e) => type(e.target.value)}
        onKeyDown={(e) => {
          if (e.key !== 'Enter' || e.shiftKey || e.nativeEvent.isComposing) return;
          e.preventDefault();
          void send();
        }}
      />
      <p id={`${id}-hint`} className="mt-1 text-[0.92rem] text-ink2">
        {text === '' ? (
          <>
            {WORDS.howManyOfWhatFor}
            {EXAMPLES.map((example, i) => (
              <span key={example}>
                {i > 0 && ', '}
                <button type="button" className="link-btn" onClick={() => type(example)}>
                  {example}
                </button>
              </span>
            ))}
            {WORDS.aPastedListMakesA}
          </>
        ) : (
          WORDS.tapAPart
        )}
      </p>
      {read.length > 0 && (
        <ul className="mt-3 flex flex-col gap-3" aria-live="polite">
          {read.map((line, i) => (
            <LineRead key={i} line={line} onLine={(next) => changeLine(i, next)} />
          ))}
        </ul>
      )}
      {(looked.error ?? make.error) && (
        <p role="alert" className="note-bar bad mt-3">
          {(looked.error ?? make.error)!.message}
        </p>
      )}
      {text !== '' && (
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <button type="submit" className="btn solid gap-2" disabled={!fine || make.isPending}>
            {batches > 1 ? <ListPlus size={20} aria-hidden="true" /> : <Check size={20} aria-hidden="true" />}
            {make.isPending
              ? WORDS.making
              : batches > 1
                ? WORDS.make(counted(batches, WORDS.batch, WORDS.batches2))
                : WORDS.makeIt}
          </button>
          {!current && <span className="text-ink2">{WORDS.lookingForPlaces}</span>}
        </div>
      )}
    </form>
  );
}

function LineRead({ line, onLine }: { readonly line: ReadLine; readonly onLine: (line: string) => void }) {
  const year = civilFromDay(dayFromIso(house().today)!).year;
  return (
    <li className="border-l-4 border-line pl-3">
      <p className="flex flex-wrap items-center gap-2">
        {phrasesOf(line, year).map((phrase) => (
          <PhraseButton key={phrase.part} phrase={phrase} line={line} onLine={onLine} />
        ))}
      </p>
      {line.problems.map(({ message }) => (
        <p key={message} className="mt-1 font-semibold text-brick">
          {message}
        </p>
      ))}
      {line.crops.length > 0 && (
        <p className="mt-1 flex flex-wrap gap-2">
          {line.crops.map((crop) => (
            <button key={crop} type="button" className="btn small" onClick={() => onLine(withPart(line, 'crop', crop))}>
              {crop}
            </button>
          ))}
        </p>
      )}
      <ul className="mt-1 text-[0.97rem]">
        {line.batches.slice(0, MOST_SHOWN).map((batch, i) => (
          <li key={i}>
            {WORDS.plannedOut(
              batch.sowOn === null ? WORDS.noDayToSowCan : WORDS.sow(shortDay(dayFromIso(batch.sowOn)!, year)),
              batch.places.length > 0 && `: ${batch.places.join(', then ')}`,
              shortDay(dayFromIso(batch.transplantOn)!, year),
              batch.late_days !== 0 && `, ${dayWords(batch.late_days)}`,
              batch.lack && (
                <b key="1" className="font-semibold text-brick">
                  {' '}
                  {batch.lack}
                </b>
              ),
            )}
          </li>
        ))}
        {line.batches.length > MOST_SHOWN && (
          <li className="text-ink2">
            {WORDS.andMore(counted(line.batches.length - MOST_SHOWN, WORDS.batch, WORDS.batches2))}
          </li>
        )}
      </ul>
    </li>
  );
}

/** How the day found stands against the day asked for. */
function dayWords(late_days: number): string {
  const { before_days, after_days } = USUAL_WINDOW;
  return late_days <= after_days && -late_days <= before_days ? WORDS.withinItsDays : lateness(late_days);
}

const LABELS: Readonly<Record<Phrase['part'], string>> = {
  times: WORDS.batches,
  plants: WORDS.plantsInEachBatch,
  crop: WORDS.crop,
  variety: WORDS.variety,
  lot: WORDS.lot,
  date: WORDS.day,
  until: WORDS.until,
  every: WORDS.daysBetweenThem,
  way: WORDS.dayOf,
};

/** A part of the sentence; tapped it can be changed. */
function PhraseButton({
  phrase,
  line,
  onLine,
}: {
  readonly phrase: Phrase;
  readonly line: ReadLine;
  readonly onLine: (line: string) => void;
}) {
  const id = useId();
  const [open, setOpen] = useState(false);
  const { part, words, isSaid } = phrase;
  const start = { times: String(line.times), plants: String(line.plants ?? ''), every: String(line.every_days ?? '') };
  const first =
    part in start ? start[part as keyof typeof start] : ((line[part as 'crop' | 'variety' | 'lot'] ?? '') as string);
  const [value, setValue] = useState('');
  const take = (next: string): void => {
    setOpen(false);
    if (next.trim() !== '') onLine(withPart(line, part, next.trim()));
  };
  return (
    <Popover.Root
      open={open}
      onOpenChange={(next) => {
        setOpen(next);
        setValue(part === 'date' ? (line.day ?? '') : first);
      }}
    >
      <Popover.Trigger asChild>
        <button
          type="button"
          className={`min-h-11 rounded-[3px] border-b-2 px-2 font-semibold ${isSaid ? 'border-plum bg-plum-soft' : 'border-brick bg-brick-soft'}`}
          aria-label={WORDS.change(LABELS[part], words)}
        >
          {words}
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="kit-pop w-72" sideOffset={6} align="start">
          <form
            className="flex flex-col gap-3"
            onSubmit={(e) => {
              e.preventDefault();
              e.stopPropagation();
              take(value);
            }}
          >
            {part === 'date' ? (
              <DateField
                id={`${id}v`}
                label={LABELS.date}
                value={value}
                hint={undefined}
                error={undefined}
                onValue={setValue}
              />
            ) : (
              <Field
                id={`${id}v`}
                label={LABELS[part]}
                inputMode={part in start ? 'numeric' : undefined}
                value={value}
                onValue={setValue}
              />
            )}
            <button type="submit" className="btn solid">
              {WORDS.takeIt}
            </button>
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
