import { useState } from 'react';
import type { BatchOdds } from '../../core/planting/odds.ts';
import type { HardenView, LadderView } from '../../contracts/hardening/hardenViews.ts';
import { degreesWords, COVER_WORDS } from '../../core/hardening/words.ts';
import { windWords } from '../../core/units/words.ts';
import { ExplanationText } from '../../ui/ExplanationText.tsx';
import { counted, shortDay, expectedWords, spokenDay } from '../../ui/format.ts';
import type { LogLine } from '../../contracts/batch/batches.ts';
import { endWords } from './LadderRow.tsx';
import { WORDS } from '../../words/en/hardening/ladderPanel.ts';

interface Props {
  readonly ladder: LadderView;
  readonly today: number;
  readonly unit: 'C' | 'F';
  readonly programmes: HardenView['programmes'];
  readonly trial: { readonly until: number } | null;
  readonly trialOdds: BatchOdds | null;
  readonly busy: boolean;
  readonly onTry: (until: number | null) => void;
  readonly onKeep: (until: number) => void;
  readonly onLog: (line: Omit<LogLine, 'idempotencyKey' | 'day'>, words: string) => void;
  readonly onProgramme: (programmeId: number) => void;
}

const SAY = { go: WORDS.go, hold: WORDS.hold, back: WORDS.back } as const;
const percent = (frac: number) => `${Math.round(100 * frac)}%`;

/** One batch: today's word, the figure that decided, the order, one tap; and the way round it with a reason. */
export function LadderPanel(props: Props) {
  const { ladder, today, unit, trial, trialOdds, busy, onLog } = props;
  const [reason, setReason] = useState('');
  const [anyway, setAnyway] = useState(false);
  const begun = ladder.startsOn === null;
  const target = ladder.setBackTo ?? Math.max(1, ladder.days[0]?.rung ?? ladder.rung);
  const up = Math.min(ladder.rungs.length, ladder.rung + 1);
  return (
    <div className="card">
      <h2>
        <a href={`/batch/${ladder.batchId}`}>{ladder.name}</a>
      </h2>
      <p className="text-[0.9rem] text-ink2">
        {WORDS.askedFor(
          counted(ladder.trays, WORDS.tray),
          ladder.placeName || WORDS.noPlace,
          spokenDay(ladder.transplantOn, today),
          expectedWords(ladder.expectedOn, today),
        )}
      </p>
      {!begun && (
        <p className="mt-2">
          {WORDS.hardeningIsToBeginBy(
            <b key="1">{spokenDay(ladder.startsOn!, today)}</b>,
            ladder.days[0]
              ? ladder.days[0].why ||
                  WORDS.step(ladder.days[0].rung, ladder.rungs[ladder.days[0].rung - 1]?.words ?? '')
              : WORDS.tooFarAhead,
          )}
        </p>
      )}
      {ladder.never.length > 0 && (
        <p className="note-bar bad mt-2">
          {WORDS.canAsGoodAsNever(ladder.never.length === 1 ? WORDS.rung : WORDS.rungs, ladder.never.join(', '))}
        </p>
      )}
      {begun && ladder.setBackTo !== null && (
        <p className="note-bar bad mt-2">
          {WORDS.lookAtThemAStep(
            ladder.harmedOn === null ? '' : `${shortDay(ladder.harmedOn)}: `,
            ladder.harmWords,
            ladder.setBackTo,
          )}
        </p>
      )}
      {begun && !ladder.hardened && (
        <>
          <p className="mt-2 flex items-baseline gap-3">
            <span className={`num text-5xl ${ladder.say === 'back' ? 'text-brick' : ''}`}>
              {ladder.say ? SAY[ladder.say] : WORDS.notKnown}
            </span>
            <span className="num text-2xl">{WORDS.stepOf(target, ladder.rungs.length)}</span>
          </p>
          <p className="mt-1">{ladder.today}</p>
          {ladder.order && <p className="num mt-1 text-lg">{ladder.order}</p>}
        </>
      )}
      {ladder.hardened && <p className="num mt-2 text-2xl">{WORDS.hardened}</p>}
      <p className="mt-1 text-[0.92rem] text-ink2">
        {endWords(ladder, today)}
        {ladder.inTime_frac !== null && WORDS.fitToGoOutIn(percent(ladder.inTime_frac))}
      </p>
      {ladder.explanation && (
        <details className="mt-1">
          <summary className="link-btn">{WORDS.why}</summary>
          <ExplanationText explanation={ladder.explanation} unit={unit} />
        </details>
      )}
      {begun && !ladder.hardened && (
        <div className="mt-3 flex flex-wrap gap-2">
          {ladder.loggedToday ? (
            <p className="w-full font-semibold">{WORDS.doneForToday}</p>
          ) : ladder.say === 'back' ? (
            <button
              type="button"
              className="btn solid"
              disabled={busy}
              onClick={() => onLog({ kind: 'held', cause: 'rung', count: 1 }, WORDS.keptBackToday)}
            >
              {WORDS.keptBackToday2}
            </button>
          ) : (
            <button
              type="button"
              className="btn solid"
              disabled={busy}
              onClick={() => onLog({ kind: 'rung', count: target }, WORDS.stepDone(target))}
            >
              {WORDS.stepDone2(target)}
            </button>
          )}
          <button type="button" className="btn" aria-expanded={anyway} onClick={() => setAnyway(!anyway)}>
            {WORDS.otherwise}
          </button>
        </div>
      )}
      {anyway && (
        <div className="mt-2 border-t border-line pt-2">
          <label className="field">
            <span className="label">{WORDS.reasonKeptInTheLog}</span>
            <input className="input" value={reason} maxLength={200} onChange={(e) => setReason(e.target.value)} />
          </label>
          <div className="mt-2 flex flex-wrap gap-2">
            {[ladder.rung - 1, ladder.rung, up]
              .filter((r, i, all) => r >= 1 && all.indexOf(r) === i)
              .map((r) => (
                <button
                  key={r}
                  type="button"
                  className="btn"
                  disabled={busy || reason.trim() === ''}
                  onClick={() =>
                    onLog(
                      { kind: 'rung', count: r, note: reason.trim(), cause: WORDS.ownDecision },
                      WORDS.stepByYourOwnDecision(r),
                    )
                  }
                >
                  {WORDS.stepAllTheSame(r)}
                </button>
              ))}
          </div>
          {reason.trim() === '' && <p className="text-[0.85rem] text-ink2">{WORDS.sayWhyFirstNextYear}</p>}
        </div>
      )}
      {begun && !ladder.hardened && <Hold {...props} />}
      {trial && trialOdds && (
        <p className="mt-2 text-[0.92rem]" aria-live="polite">
          {WORDS.heldSoInTimeIn(
            endWords({ end: trialOdds.hardened, hardened: false }, today),
            <b key="2">{percent(trialOdds.inTime_frac)}</b>,
            ladder.inTime_frac === null ? '' : WORDS.insteadOf(percent(ladder.inTime_frac)),
          )}
        </p>
      )}
      <details className="mt-3">
        <summary className="link-btn">
          {WORDS.theSteps(ladder.programme, ladder.chosen ? '' : WORDS.usualForItsKind)}
        </summary>
        <label className="field mt-1">
          <span className="label">{WORDS.programme}</span>
          <select
            className="input"
            value={ladder.programmeId}
            onChange={(e) => props.onProgramme(Number(e.target.value))}
          >
            {props.programmes.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </select>
        </label>
        <ol className="mt-2 text-[0.9rem]">
          {ladder.rungs.map((r, i) => (
            <li key={i} className={`border-b border-line py-1 ${i + 1 === ladder.rung ? 'font-bold' : ''}`}>
              {i + 1}. {r.words}
              <span className="block font-normal text-ink2">
                {WORDS.orMoreGustsTo(
                  degreesWords(r.floor_C, unit),
                  windWords(r.gust_m_s, unit),
                  r.cover === 'none' ? '' : `, ${COVER_WORDS[r.cover]}`,
                  r.days > 1 ? WORDS.days(r.days) : '',
                )}
              </span>
            </li>
          ))}
        </ol>
      </details>
      <details className="mt-1">
        <summary className="link-btn">{WORDS.theDaysAsATable}</summary>
        <table className="plain-table dense">
          <thead>
            <tr>
              <th>{WORDS.day}</th>
              <th>{WORDS.say}</th>
              <th className="r">{WORDS.step2}</th>
              <th>{WORDS.why}</th>
            </tr>
          </thead>
          <tbody>
            {ladder.days.map((d) => (
              <tr key={d.day}>
                <td>{spokenDay(d.day, today)}</td>
                <td>
                  {SAY[d.say].toLowerCase()}
                  {d.climbs ? WORDS.up : ''}
                  {d.done ? ', hardened' : ''}
                </td>
                <td className="r">{d.rung === 0 ? WORDS.in : d.rung}</td>
                <td>{d.why}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </div>
  );
}

function Hold({ ladder, today, trial, busy, onTry, onKeep }: Props) {
  const until = trial?.until ?? Math.max(today, ladder.heldUntil);
  const moved = trial !== null;
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2 border-t border-line pt-3">
      <span className="font-semibold">{WORDS.hold}</span>
      <button
        type="button"
        className="btn"
        aria-label={WORDS.holdADayLess}
        disabled={until <= today}
        onClick={() => onTry(until - 1)}
      >
        −
      </button>
      <span className="num min-w-24 text-center text-lg">
        {until > today ? WORDS.until(shortDay(until)) : WORDS.notHeld}
      </span>
      <button
        type="button"
        className="btn"
        aria-label={WORDS.holdADayMore}
        disabled={until >= today + 10}
        onClick={() => onTry(until + 1)}
      >
        +
      </button>
      {moved && (
        <>
          <button type="button" className="btn solid" disabled={busy} onClick={() => onKeep(until)}>
            {WORDS.keep}
          </button>
          <button type="button" className="btn" onClick={() => onTry(null)}>
            {WORDS.drop}
          </button>
        </>
      )}
    </div>
  );
}
