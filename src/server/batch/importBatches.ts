import { inUse } from '../../core/books/inUse.ts';
import { inTransaction } from '../../db/inTransaction.ts';
import { cropOf } from '../../core/books/cropOf.ts';
import Papa from 'papaparse';
import { isoFromDay, requireDay } from '../../core/calendar/dayNumber.ts';
import { outlook } from '../../core/plan/schedule/outlook.ts';
import { startOf } from '../../core/plan/schedule/chain.ts';
import { placesForStage } from '../../core/plan/schedule/suits.ts';
import { ALL_STAGES, STAGES, WORK_KEYS, type MainStage } from '../../core/plan/stage.ts';
import { USUAL_WINDOW } from '../../core/plan/batchPlan.ts';
import { batchInput, type BatchInput, type ImportInput } from '../../contracts/batch/batches.ts';
import type { ImportAnswer, ImportLine } from '../../contracts/batch/importAnswer.ts';
import { fieldProblem, ProblemError, type FieldError } from '../../contracts/problem.ts';
import { insertBatch } from '../../db/batch/batches.ts';
import { makeVarieties, type NewVariety } from '../../db/books/varieties.ts';
import type { World } from '../../core/house/world.ts';
import type { ProposedSetPoints } from '../../core/plan/placement/proposal.ts';
import { hashOf } from '../requestHash.ts';
import { newBatch, requireKnown } from './batchInput.ts';
import { database } from '../database.ts';
import { MOST_PLACED, placeForMe } from '../plan/placeForMe.ts';
import { readSeason } from '../plan/season.ts';
import { type Season } from '../../core/plan/season.ts';
import { withVersions, writeSetPoints } from '../heat/writeSetPoints.ts';
import {
  DAY_COLUMNS,
  exact,
  gatesFromCell,
  NONE,
  offHeatFromCell,
  PLAN_COLUMNS,
  STAYS,
  type PlanColumn,
} from '../../formats/batchColumns.ts';
import { firstTime } from '../../db/batch/firstTime.ts';
import { csvLines, fromCell, toCell } from '../../formats/csvText.ts';
import { FORECAST_COLUMNS } from '../house/takeAlong.ts';
import { dateOrderOf, typedDay, type DateOrder } from '../../formats/typedDay.ts';
import { WORDS } from '../../words/en/batch/importBatches.ts';

export const MOST_LINES = 5_000;
const MOST_NAME = 80;
const REQUIRED = ['crop', 'plants', 'transplant_on'] as const;
const KNOWN: readonly string[] = [...PLAN_COLUMNS, ...FORECAST_COLUMNS, 'problem'];
const DATE_COLUMNS: readonly string[] = ['transplant_on', 'bought_on', ...Object.values(DAY_COLUMNS)];

/**
 * Reads batches from CSV: comma, semicolon or tab, with or without byte-order mark. A preview says what would be made and
 * what is wrong, line by line. A commit makes all or none, or where that is asked the good lines, and gives the others back.
 */
export async function importBatches(input: ImportInput): Promise<ImportAnswer> {
  const season = await readSeason();
  const { idempotencyKey: key, ...asked } = input;
  const requestHash = hashOf(asked);
  if (input.commit && !key) throw fieldProblem('idempotencyKey', WORDS.sendAFreshKeyWith);
  const file = parseFile(input, season);
  const { inputs, lines, errors, rest, newVarieties } = file;
  const answer = { lines, errors, newVarieties, dateOrder: file.dateOrder, rest: null, made: 0, repeated: false };
  if (!input.commit) return answer;
  if (errors.length > 0 && !(input.takeGood && inputs.length > 0)) {
    throw new ProblemError(422, WORDS.nothingWasReadIn, WORDS.someLinesAreWrongMend, {
      errors,
    });
  }
  const back = rest.length > 0 ? restCsv(file.headings, rest) : null;
  return inTransaction(database(), async (transaction) => {
    const sent = { key: key!, hash: requestHash, batches_count: inputs.length };
    if (!(await firstTime(database(), sent, transaction)))
      return { ...answer, rest: back, made: inputs.length, repeated: true };
    if (file.setPoints.length > 0)
      await writeSetPoints(withVersions(file.setPoints, season.world), season.world, transaction);
    const made = await makeVarieties(database(), newVarieties, transaction);
    for (const { input: one, variety } of inputs)
      await insertBatch(
        database(),
        newBatch(variety === null ? one : { ...one, varietyId: made.get(variety)! }),
        transaction,
      );
    return { ...answer, rest: back, made: inputs.length, repeated: false };
  });
}

interface Parsed {
  readonly headings: readonly string[];
  /** With the key of the variety to be made first, where there is one. */
  readonly inputs: readonly { readonly input: BatchInput; readonly variety: string | null }[];
  readonly lines: readonly ImportLine[];
  /** Set-points wanted where nothing stood till now. */
  readonly setPoints: readonly ProposedSetPoints[];
  readonly errors: FieldError[];
  /** Lines that cannot be read, as they stood, with what is wrong. */
  readonly rest: readonly { readonly row: Row; readonly problem: string }[];
  readonly newVarieties: readonly NewVariety[];
  readonly dateOrder: ImportAnswer['dateOrder'];
}

/** Lines that were not taken, as a file to mend and read in again. */
function restCsv(headings: readonly string[], rest: Parsed['rest']): string {
  const fields = [...headings.filter((h) => h !== 'problem'), 'problem'];
  return Papa.unparse(
    {
      fields,
      data: rest.map(({ row, problem }) => fields.map((f) => (f === 'problem' ? toCell(problem) : (row[f] ?? '')))),
    },
    { newline: '\r\n' },
  );
}

type Row = Readonly<Record<string, string>>;

function parseFile({ text, dateOrder: asked, makeVarieties: making }: ImportInput, season: Season): Parsed {
  const { headings, rows } = csvLines(text, MOST_LINES);
  const errors: FieldError[] = [];
  const missing = REQUIRED.filter((column) => !headings.includes(column));
  const strange = headings.filter((heading) => !KNOWN.includes(heading));
  const nothing = {
    headings,
    inputs: [],
    lines: [],
    setPoints: [],
    rest: [],
    newVarieties: [],
    dateOrder: 'none' as const,
  };
  if (missing.length > 0) {
    const message = WORDS.theHeadingLacksItNeeds(
      missing.join(', '),
      PLAN_COLUMNS.filter((c) => !(REQUIRED as readonly string[]).includes(c)).join(', '),
    );
    return { ...nothing, errors: [{ path: 'heading', message }] };
  }
  if (strange.length > 0) {
    errors.push({
      path: 'heading',
      message: WORDS.notKnownTakeTheseColumns(strange.join(', ')),
    });
  }
  if (rows.length > MOST_LINES) {
    const message = WORDS.moreThanLinesCutThe(MOST_LINES);
    return { ...nothing, errors: [{ path: 'file', message }] };
  }
  if (rows.length === 0)
    errors.push({
      path: 'file',
      message: WORDS.theFileHasAHeading,
    });
  const found = dateOrderOf(rows.flatMap((row) => DATE_COLUMNS.map((c) => (row[c] ?? '').trim())));
  if (found === 'either' && !asked) {
    const message = WORDS.itsDatesCanBeRead;
    return { ...nothing, errors: [...errors, { path: 'dateOrder', message }], dateOrder: found };
  }
  const order = asked ?? (found === 'dmy' || found === 'mdy' ? found : null);
  const inputs: { input: BatchInput; variety: string | null; open: boolean }[] = [];
  const lines: ImportLine[] = [];
  const rest: { row: Row; problem: string }[] = [];
  const toMake = new Map<string, NewVariety>();
  const whole = errors.length > 0;
  rows.forEach((row, i) => {
    const lineNumber = i + 2;
    const read = readLine(row, season, order, making);
    for (const error of read.errors)
      errors.push({
        path: `lines.${lineNumber}.${error.path}`,
        message: error.message,
      });
    if (read.input && !whole) {
      // Written in two ways it is made as it was written first.
      if (read.variety && !toMake.has(varietyKey(read.variety))) toMake.set(varietyKey(read.variety), read.variety);
      inputs.push({ input: read.input, variety: read.variety && varietyKey(read.variety), open: isOpen(row) });
      lines.push(lineOf(lineNumber, read.input, read.variety, season));
    } else rest.push({ row, problem: read.errors.map((e) => `${e.path}: ${e.message}`).join('; ') });
  });
  const { setPoints, ...placed } = placedLines(season, inputs, lines);
  return { headings, ...placed, setPoints, errors, rest, newVarieties: [...toMake.values()], dateOrder: found };
}

/** Whether a line leaves it to the planner where and when it stands. */
const isOpen = (row: Row): boolean =>
  [...ALL_STAGES, ...Object.values(DAY_COLUMNS)].every((column) => (row[column] ?? '').trim() === '');

/** The lines that name no place, placed by the planner beside what stands there, in the order of the file. */
function placedLines(
  season: Season,
  inputs: readonly { readonly input: BatchInput; readonly variety: string | null; readonly open: boolean }[],
  lines: readonly ImportLine[],
): Pick<Parsed, 'inputs' | 'lines' | 'setPoints'> {
  const open = inputs.flatMap((one, i) => (one.open ? [i] : []));
  if (open.length === 0 || open.length > MOST_PLACED) return { inputs, lines, setPoints: [] };
  const found = placeForMe(
    season,
    open.map((i) => inputs[i]!.input),
  );
  const at = new Map(open.map((i, n) => [i, n]));
  const name = (id: number | null | undefined) => season.world.places.find((p) => p.id === id)?.name;
  return {
    setPoints: found.setPoints,
    inputs: inputs.map((one, i) => (at.has(i) ? { ...one, input: found.inputs[at.get(i)!]! } : one)),
    lines: lines.map((line, i) => {
      const n = at.get(i);
      if (n === undefined) return line;
      const way = found.placed[n]!.ways[0];
      const { places, steps } = found.inputs[n]!;
      const most = way?.lacks.reduce((a, b) => (b.slots > a.slots ? b : a), way.lacks[0]!);
      return {
        ...line,
        sowOn: steps?.sow ?? line.sowOn,
        places: way ? [...new Set(ALL_STAGES.flatMap((s) => name(places[s]) ?? []))].join(', ') : '',
        lack: !way
          ? WORDS.noPlaceWillDoFor
          : most
            ? WORDS.traySpacesShortInFrom(Math.ceil(most.slots), name(most.placeId), isoFromDay(most.from))
            : null,
      };
    }),
  };
}

const varietyKey = ({ cropId, name }: NewVariety): string => `${cropId} ${name.toLowerCase()}`;

/** Column that a field of the plan is written in. */
const COLUMN: Readonly<Record<string, string>> = {
  plantsWanted: 'plants',
  spare_frac: 'spare_percent',
  transplantOn: 'transplant_on',
  sowContainerId: 'sow_tray',
  potContainerId: 'pot_container',
  before_days: 'days_before',
  after_days: 'days_after',
  weight: 'matters',
  age_frac: 'size_percent',
  sure_frac: 'sure_percent',
  offHeat: 'off_heat',
  joins: 'bought',
};

interface ReadLine {
  readonly input: BatchInput | null;
  /** Variety to be made first. */
  readonly variety: NewVariety | null;
  readonly errors: FieldError[];
}

function readLine(row: Row, season: Season, order: DateOrder | null, making: boolean): ReadLine {
  const { world } = season;
  const errors: FieldError[] = [];
  const cell = (column: PlanColumn) => fromCell((row[column] ?? '').trim());
  const fail = (path: string, message: string) => void errors.push({ path, message });
  for (const [column, value] of Object.entries(row)) {
    if (column === '__parsed_extra') fail('line', WORDS.hasMoreCellsThanThe);
    else if (/^[=+@]/.test(String(value).trim())) fail(column, WORDS.isAFormulaWriteIts);
  }
  const crop =
    world.crops.find((c) => same(c.name, cell('crop'))) ??
    world.crops.find((c) => c.synonyms.split(';').some((other) => same(other.trim(), cell('crop'))));
  if (!crop) {
    fail('crop', cell('crop') === '' ? WORDS.isEmpty : WORDS.isNotInTheCrop(cell('crop')));
    return { input: null, variety: null, errors };
  }
  const number = <T extends number | null>(column: PlanColumn, otherwise: T): number | T => {
    const text = cell(column);
    if (text === '') return otherwise;
    if (/^-?\d+([.,]\d+)?$/.test(text)) return Number(text.replace(',', '.'));
    fail(column, WORDS.isNotAFigure(text));
    return otherwise;
  };
  const find = (
    column: PlanColumn,
    list: readonly { id: number; name: string }[],
    otherwise: number | null,
  ): number | null => {
    const text = cell(column);
    if (text === '') return otherwise;
    if (same(text, NONE)) return null;
    const found = list.find((item) => same(item.name, text));
    if (!found) fail(column, WORDS.isNotInTheBooks(text));
    return found?.id ?? otherwise;
  };
  const day = (column: PlanColumn): string | null => {
    const text = cell(column);
    if (text === '') return null;
    const on = typedDay(text, order);
    if (on === null) fail(column, WORDS.isNotADateWrite(text));
    return on === null ? null : isoFromDay(on);
  };
  const said = <T>(column: PlanColumn, value: T | undefined, otherwise: T): T => {
    if (value === undefined) fail(column, WORDS.cannotBeRead(cell(column)));
    return value ?? otherwise;
  };
  const varieties = inUse(world.varieties).filter((v) => v.cropId === crop.id);
  const varietyName = cell('variety');
  const unknown = varietyName !== '' && !varieties.some((v) => same(v.name, varietyName));
  const variety = unknown && making && varietyName.length <= MOST_NAME ? { cropId: crop.id, name: varietyName } : null;
  if (unknown && !variety) fail('variety', making ? WORDS.isTooLongForA : WORDS.isNotInTheBooksIt(varietyName));
  const varietyId = varieties.find((v) => same(v.name, varietyName))?.id ?? null;
  const lots = inUse(world.lots)
    .filter((lot) => lot.varietyId === varietyId)
    .map((lot) => ({ id: lot.id, name: lot.code }));
  const transplantOn = day('transplant_on');
  if (cell('plants') === '') fail('plants', WORDS.isEmpty);
  if (cell('transplant_on') === '') fail('transplant_on', WORDS.isEmptyWriteItAs);
  const on = transplantOn ?? isoFromDay(season.now.today);
  const defaults = defaultsFor(season, crop.id, requireDay(on));
  const { bought } = { bought: cell('bought').toLowerCase() };
  if (!['', 'to grow on', 'for the pot'].includes(bought)) fail('bought', WORDS.isToGrowOnFor);
  const boughtOn = day('bought_on');
  if (bought !== '' && boughtOn === null) fail('bought_on', WORDS.isEmptySayTheDay);
  const steps = Object.fromEntries(
    WORK_KEYS.flatMap((key) => {
      const iso = day(DAY_COLUMNS[key]);
      return iso === null ? [] : [[key, iso]];
    }),
  );
  const stays = same(cell('pot_container'), STAYS);
  const candidate: BatchInput = {
    cropId: crop.id,
    varietyId,
    lotId: find('lot', lots, null),
    plantsWanted: number('plants', 1),
    spare_frac: exact(number('spare_percent', exact(world.nursery.spare_frac * 100)) / 100),
    transplantOn: on,
    hardening_days: number('hardening_days', crop.hardening_days),
    places: {
      ...(Object.fromEntries(
        STAGES.map((stage) => [stage, find(stage, inUse(world.places), defaults.places[stage])]),
      ) as Record<MainStage, number | null>),
      space: find('space', inUse(world.places), null),
    },
    sowContainerId: find(
      'sow_tray',
      inUse(world.containers).filter((c) => c.kind !== 'pot'),
      defaults.sowContainerId,
    )!,
    potContainerId: stays
      ? null
      : find(
          'pot_container',
          inUse(world.containers).filter((c) => c.kind !== 'seed-tray'),
          defaults.potContainerId,
        ),
    note: cell('note'),
    before_days: number('days_before', USUAL_WINDOW.before_days),
    after_days: number('days_after', USUAL_WINDOW.after_days),
    weight: number('matters', 1),
    age_frac: exact(number('size_percent', 100) / 100),
    sure_frac: sureOf(number('sure_percent', null)),
    pinned: said('pinned', { yes: true, no: false, '': false }[cell('pinned').toLowerCase()], false),
    coverId: find('cover', inUse(world.covers), null),
    programmeId: find('programme', inUse(world.programmes), null),
    offHeat: said('off_heat', offHeatFromCell(cell('off_heat').toLowerCase()), null),
    gates: said('gates', gatesFromCell(cell('gates').toLowerCase()), {}),
    joins:
      bought === '' || boughtOn === null
        ? null
        : {
            stage: bought === 'for the pot' ? 'pot' : 'grow',
            on: boughtOn,
            age_weeks: number('bought_weeks', null),
            leaves_count: number('bought_leaves', null),
          },
    steps,
  };
  const checked = batchInput.safeParse(candidate);
  if (!checked.success) {
    for (const issue of checked.error.issues)
      fail(COLUMN[String(issue.path[0])] ?? String(issue.path.join('.')), issue.message);
  }
  if (errors.length === 0 && checked.success) {
    try {
      requireKnown(world, checked.data, season.now.today);
    } catch (error) {
      if (!(error instanceof ProblemError)) throw error;
      for (const { path, message } of error.problem.errors ?? []) fail(COLUMN[path.split('.')[0]!] ?? path, message);
    }
  }
  return { input: errors.length === 0 && checked.success ? checked.data : null, variety, errors };
}

/** Places and containers a batch of a crop gets when nothing is said: the best fitting, the crop's usual route. */
export function defaultsFor(
  season: Pick<Season, 'world' | 'tables'>,
  cropId: number,
  transplantOn: number,
): {
  places: Record<MainStage, number | null>;
  sowContainerId: number | null;
  potContainerId: number | null;
} {
  const { world, tables } = season;
  const crop = world.crops.find((c) => c.id === cropId)!;
  const rough = { germinate: 56, grow: 42, pot: 21, harden: 7 };
  const best = (stage: MainStage) =>
    placesForStage(tables, crop, stage, transplantOn - rough[stage])[0]?.placeId ?? null;
  return {
    places: {
      germinate: best('germinate'),
      grow: best('grow'),
      pot: best('pot'),
      harden: best('harden'),
    },
    sowContainerId: firstOf(world, (c) => c.kind === 'cell-tray') ?? firstOf(world, (c) => c.kind !== 'pot'),
    potContainerId: crop.potted ? firstOf(world, (c) => c.kind === 'pot') : null,
  };
}

function firstOf(world: World, test: (container: World['containers'][number]) => boolean): number | null {
  return inUse(world.containers).find(test)?.id ?? null;
}

function lineOf(line: number, input: BatchInput, variety: NewVariety | null, season: Season): ImportLine {
  const { world, now, tables } = season;
  const crop = cropOf(season, input);
  const { plan } = newBatch(input);
  const ahead = outlook({ crop, plan, offHeat: world.nursery.offHeat, tables }, world.nursery, now.today);
  const sow = ahead.plan.kind === 'chain' ? startOf(ahead.plan) : null;
  return {
    line,
    crop: crop.name,
    variety: variety?.name ?? world.varieties.find((v) => v.id === input.varietyId)?.name ?? '',
    isNew: variety !== null,
    plants: input.plantsWanted,
    transplantOn: input.transplantOn,
    sowOn: sow ? isoFromDay(sow.day) : null,
    places: STAGES.flatMap((stage) => world.places.find((p) => p.id === input.places[stage])?.name ?? []).join(', '),
    lack: null,
  };
}

const sureOf = (percent: number | null): number | null => (percent === null ? null : exact(percent / 100));
const same = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();
