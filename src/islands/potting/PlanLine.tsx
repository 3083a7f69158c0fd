import { millimetresFromShown, shownLength } from '../../core/units/length.ts';
import { house, length } from '../../ui/house.ts';
import type { SessionLineInput, SessionLineView, SessionView } from '../../contracts/potting/potting.ts';
import { counted } from '../../ui/format.ts';
import { minutesWords } from '../../ui/minutes.ts';
import { litres } from './words.ts';
import { WORDS } from '../../words/en/potting/planLine.ts';

interface Props {
  readonly n: number;
  readonly line: SessionLineView;
  readonly typed: SessionLineInput;
  readonly choices: SessionView['choices'];
  readonly errorAt: (field: string) => string | undefined;
  readonly onChange: (next: Partial<SessionLineInput>) => void;
  readonly onOut: () => void;
}

const nameOf = (list: SessionView['choices']['mixes'], id: number | null) => list.find((m) => m.id === id)?.name;
const whole = (text: string, least: number): number => Math.max(least, Number(text.replace(/\D/g, '')) || least);

/** One batch of a session while it is planned. */
export function PlanLine({ n, line, typed, choices, errorAt, onChange, onOut }: Props) {
  const { planned } = line;
  const wrong = line.wrong ?? errorAt('containerId') ?? errorAt('base_mm') ?? errorAt('mixId') ?? errorAt('placeId');
  const locked = line.outcome !== null;
  const spare = line.keep < line.there ? WORDS.keepTheBestForWanted(line.keep, line.wanted) : WORDS.wanted(line.wanted);
  const doubtful = planned?.doubtfulPot ?? false;
  return (
    <li className="to-tick border-b border-line py-3">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <span className="num text-2xl" aria-hidden="true">
          {n}
        </span>
        <p className="font-semibold">
          <a href={`/batch/${line.batchId}`}>{line.name}</a> <span className="num text-ink2">{line.code}</span>
        </p>
        {line.spare_days < 0 && (
          <span className="tag bad">{WORDS.overItsTime(counted(-line.spare_days, WORDS.day))}</span>
        )}
        {locked && <span className="tag">{WORDS.done}</span>}
        <span className="text-ink2">
          {WORDS.there(
            line.there,
            spare,
            line.fromPlace && `; ${line.fromPlace}`,
            line.toPlace && ` → ${line.toPlace}`,
          )}
        </span>
        {planned && (
          <span className="num ml-auto">
            {minutesWords(planned.minutes.usual)}
            <span className="font-normal text-ink2">
              {WORDS.min(
                counted(planned.trays, WORDS.tray),
                planned.partTray > 0 && WORDS.inTheLast(planned.partTray),
                Math.round(planned.pace.perMinute * 10) / 10,
                planned.pace.own > 0
                  ? WORDS.ownTimed(planned.pace.own)
                  : planned.pace.all > 0
                    ? WORDS.fromOthersOfOurs
                    : WORDS.usual,
              )}
            </span>
          </span>
        )}
      </div>
      <p className="hidden text-lg print:block">
        {WORDS.into(
          <span key="1" className="num">
            {typed.plants}
          </span>,
          choices.containers.find((c) => c.id === typed.containerId)?.name,
          typed.doubled > 0 && WORDS.ofThemFromDoubles(typed.doubled),
          nameOf(choices.mixes, typed.mixId) ?? WORDS.noMix,
          typed.baseMixId !== null && WORDS.onOf(length(typed.base_mm), nameOf(choices.mixes, typed.baseMixId)),
        )}
      </p>
      {!locked && (
        <div className="no-print mt-2 flex flex-wrap items-end gap-2">
          <label className="field">
            <span className="label">{WORDS.plants}</span>
            <input
              className="input w-24"
              inputMode="numeric"
              value={typed.plants}
              onChange={(e) => onChange({ plants: whole(e.target.value, 1) })}
            />
          </label>
          <label className="field">
            <span className="label">{WORDS.fromDoubles}</span>
            <input
              className="input w-24"
              inputMode="numeric"
              value={typed.doubled}
              onChange={(e) => onChange({ doubled: whole(e.target.value, 0) })}
            />
          </label>
          <label className="field">
            <span className="label">{WORDS.into2}</span>
            <select
              className="input"
              value={typed.containerId}
              onChange={(e) => onChange({ containerId: Number(e.target.value) })}
            >
              {choices.containers.map((c) => (
                <option key={c.id} value={c.id}>
                  {c.name}
                </option>
              ))}
            </select>
          </label>
          <MixChoice
            label={WORDS.mix}
            value={typed.mixId}
            mixes={choices.mixes}
            onValue={(mixId) => onChange({ mixId })}
          />
          <MixChoice
            label={WORDS.baseLayer}
            value={typed.baseMixId}
            mixes={choices.mixes}
            onValue={(baseMixId) => onChange({ baseMixId, base_mm: baseMixId === null ? 0 : typed.base_mm || 30 })}
          />
          {typed.baseMixId !== null && (
            <label className="field">
              <span className="label">{WORDS.base(house().lengthUnit)}</span>
              <input
                className="input w-20"
                inputMode="decimal"
                defaultValue={Math.round(100 * shownLength(typed.base_mm, house().lengthUnit)) / 100}
                onChange={(e) => {
                  const depth = Number(e.target.value.replace(',', '.'));
                  if (Number.isFinite(depth) && depth >= 0 && e.target.value.trim() !== '')
                    onChange({ base_mm: Math.round(millimetresFromShown(depth, house().lengthUnit)) });
                }}
              />
            </label>
          )}
          <label className="field">
            <span className="label">{WORDS.goesTo}</span>
            <select
              className="input"
              value={typed.placeId ?? ''}
              onChange={(e) => onChange({ placeId: e.target.value === '' ? null : Number(e.target.value) })}
            >
              <option value="">{WORDS.stays}</option>
              {choices.places.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </select>
          </label>
          <button type="button" className="btn" aria-label={WORDS.takeOutOfTheSession(line.name)} onClick={onOut}>
            {WORDS.out}
          </button>
        </div>
      )}
      {planned && planned.base_L > 0 && (
        <p className="mt-1 text-[0.95rem] text-ink2">
          {WORDS.ofBaseInAboveIt(litres(planned.base_L), length(typed.base_mm), litres(planned.top_L))}
        </p>
      )}
      {doubtful && (
        <p className="mt-1 text-[0.95rem] text-ink2">
          {WORDS.theLitresAndTheMeasures(
            <a key="2" href="/books/containers">
              {WORDS.bookOfContainers}
            </a>,
          )}
        </p>
      )}
      {wrong && (
        <p role="alert" className="err mt-1">
          {WORDS.notCountedIn(wrong)}
        </p>
      )}
    </li>
  );
}

function MixChoice({
  label,
  value,
  mixes,
  onValue,
}: {
  readonly label: string;
  readonly value: number | null;
  readonly mixes: SessionView['choices']['mixes'];
  readonly onValue: (id: number | null) => void;
}) {
  return (
    <label className="field">
      <span className="label">{label}</span>
      <select
        className="input"
        value={value ?? ''}
        onChange={(e) => onValue(e.target.value === '' ? null : Number(e.target.value))}
      >
        <option value="">{WORDS.none}</option>
        {mixes.map((m) => (
          <option key={m.id} value={m.id}>
            {m.name}
          </option>
        ))}
      </select>
    </label>
  );
}
