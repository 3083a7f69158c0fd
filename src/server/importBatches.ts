import { createHash } from 'node:crypto';
import Papa from 'papaparse';
import { dayFromIso, isoFromDay } from '../core/calendar/dayNumber.ts';
import { outlook } from '../core/schedule/outlook.ts';
import { milestoneOf } from '../core/schedule/chain.ts';
import { placesForStage } from '../core/schedule/suits.ts';
import { STAGES, type MainStage } from '../core/model.ts';
import { batchInput, type BatchInput, type ImportInput } from '../contracts/batches.ts';
import type { ImportAnswer, ImportLine } from '../contracts/importAnswer.ts';
import { fieldProblem, ProblemError, type FieldError } from '../contracts/problem.ts';
import { insertBatch } from '../db/batches.ts';
import type { World } from '../db/world.ts';
import { newBatch } from './changeBatches.ts';
import { database } from './database.ts';
import { readSeason, type Season } from './season.ts';

export const MOST_LINES = 5_000;
const REQUIRED = ['crop', 'plants', 'transplant_on'] as const;
const KNOWN = [
  ...REQUIRED, 'code', 'variety', 'lot', 'spare_percent', 'hardening_days', 'germinate', 'grow', 'pot', 'harden',
  'sow_tray', 'pot_container', 'note', 'phase', 'sow_on', 'half_up_on', 'pot_on', 'harden_on', 'plant_on', 'late_days', 'left',
] as const; // prettier-ignore

/**
 * Reads batches from CSV: comma, semicolon or tab, with or without byte-order mark. A preview says what would be made and
 * what is wrong, line by line; a commit makes all or none.
 */
export async function importBatches(input: ImportInput): Promise<ImportAnswer> {
  const season = await readSeason();
  const requestHash = createHash('sha256').update(input.text).digest('hex');
  if (input.commit && !input.idempotencyKey) throw fieldProblem('idempotencyKey', 'Send a fresh key with the import.');
  const { inputs, lines, errors } = parseFile(input.text, season);
  if (!input.commit) return { lines, errors, made: 0, repeated: false };
  if (errors.length > 0) {
    throw new ProblemError(422, 'Nothing was read in', 'Some lines are wrong; mend them and send the file again.', {
      errors,
    });
  }
  return database().transaction(async (transaction) => {
    const [rows] = await database().query(
      `INSERT INTO imports (idempotency_key, request_hash, batches_count) VALUES ($1, $2, $3)
       ON CONFLICT DO NOTHING RETURNING idempotency_key`,
      {
        bind: [input.idempotencyKey!, requestHash, inputs.length],
        transaction,
      },
    );
    if (rows.length === 0) return { lines, errors, made: inputs.length, repeated: true };
    for (const one of inputs) await insertBatch(database(), newBatch(one), transaction);
    return { lines, errors, made: inputs.length, repeated: false };
  });
}

type Row = Record<string, string>;

function parseFile(text: string, season: Season): { inputs: BatchInput[]; lines: ImportLine[]; errors: FieldError[] } {
  const parsed = Papa.parse<Row>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t'],
    transformHeader: (heading) => heading.trim().toLowerCase().replaceAll(' ', '_'),
    preview: MOST_LINES + 1,
  });
  const headings = parsed.meta.fields ?? [];
  const errors: FieldError[] = [];
  const missing = REQUIRED.filter((column) => !headings.includes(column));
  const strange = headings.filter((heading) => !(KNOWN as readonly string[]).includes(heading));
  if (missing.length > 0) {
    const message = `The heading lacks ${missing.join(', ')}. It needs crop, plants and transplant_on, and may have ${KNOWN.slice(4, 15).join(', ')}.`;
    return { inputs: [], lines: [], errors: [{ path: 'heading', message }] };
  }
  if (strange.length > 0) {
    errors.push({
      path: 'heading',
      message: `Not known: ${strange.join(', ')}. Take these columns out or mend their names.`,
    });
  }
  if (parsed.data.length > MOST_LINES) {
    const message = `More than ${MOST_LINES} lines. Cut the file into parts; nothing was read.`;
    return { inputs: [], lines: [], errors: [{ path: 'file', message }] };
  }
  if (parsed.data.length === 0)
    errors.push({
      path: 'file',
      message: 'The file has a heading but no lines.',
    });
  const inputs: BatchInput[] = [];
  const lines: ImportLine[] = [];
  parsed.data.forEach((row, i) => {
    const lineNumber = i + 2;
    const read = readLine(row, season);
    for (const error of read.errors)
      errors.push({
        path: `lines.${lineNumber}.${error.path}`,
        message: error.message,
      });
    if (read.input) {
      inputs.push(read.input);
      lines.push(lineOf(lineNumber, read.input, season));
    }
  });
  return { inputs, lines, errors };
}

function readLine(row: Row, season: Season): { input: BatchInput | null; errors: FieldError[] } {
  const { world } = season;
  const errors: FieldError[] = [];
  const cell = (column: string) => (row[column] ?? '').trim().replace(/^'(?=[=+\-@])/, '');
  const fail = (path: string, message: string) => void errors.push({ path, message });
  for (const [column, value] of Object.entries(row)) {
    if (column === '__parsed_extra') fail('line', 'has more cells than the heading');
    else if (/^[=+@]/.test(String(value).trim())) fail(column, 'is a formula; write its value instead');
  }
  const crop = world.crops.find((c) => same(c.name, cell('crop')));
  if (!crop) {
    fail('crop', cell('crop') === '' ? 'is empty' : `"${cell('crop')}" is not in the crop book`);
    return { input: null, errors };
  }
  const number = (column: string, otherwise: number): number => {
    const text = cell(column);
    if (text === '') return otherwise;
    if (/^-?\d+([.,]\d+)?$/.test(text)) return Number(text.replace(',', '.'));
    fail(column, `"${text}" is not a figure`);
    return otherwise;
  };
  const find = (
    column: string,
    list: readonly { id: number; name: string }[],
    otherwise: number | null,
  ): number | null => {
    const text = cell(column);
    if (text === '') return otherwise;
    const found = list.find((item) => same(item.name, text));
    if (!found) fail(column, `"${text}" is not in the books`);
    return found?.id ?? otherwise;
  };
  const varietyId = find(
    'variety',
    world.varieties.filter((v) => v.cropId === crop.id),
    null,
  );
  const lots = world.lots.filter((lot) => lot.varietyId === varietyId).map((lot) => ({ id: lot.id, name: lot.code }));
  const transplantOn = dayFromIso(cell('transplant_on'));
  if (cell('plants') === '') fail('plants', 'is empty');
  if (transplantOn === null) fail('transplant_on', `"${cell('transplant_on')}" is not a date; write it as 2027-05-20`);
  const defaults = defaultsFor(season, crop.id, transplantOn ?? season.now.today);
  const candidate = {
    cropId: crop.id,
    varietyId,
    lotId: find('lot', lots, null),
    plantsWanted: number('plants', 1),
    spare_frac: number('spare_percent', world.nursery.spare_frac * 100) / 100,
    transplantOn: isoFromDay(transplantOn ?? season.now.today),
    hardening_days: number('hardening_days', crop.hardening_days),
    places: Object.fromEntries(STAGES.map((stage) => [stage, find(stage, world.places, defaults.places[stage])])),
    sowContainerId: find(
      'sow_tray',
      world.containers.filter((c) => c.kind !== 'pot'),
      defaults.sowContainerId,
    ),
    potContainerId: find(
      'pot_container',
      world.containers.filter((c) => c.kind === 'pot'),
      defaults.potContainerId,
    ),
    note: cell('note'),
  };
  const checked = batchInput.safeParse(candidate);
  if (!checked.success) {
    const COLUMN: Record<string, string> = { plantsWanted: 'plants', spare_frac: 'spare_percent', transplantOn: 'transplant_on', sowContainerId: 'sow_tray', potContainerId: 'pot_container' }; // prettier-ignore
    for (const issue of checked.error.issues)
      fail(COLUMN[String(issue.path[0])] ?? String(issue.path.join('.')), issue.message);
  }
  return {
    input: errors.length === 0 && checked.success ? checked.data : null,
    errors,
  };
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
  return world.containers.find(test)?.id ?? null;
}

function lineOf(line: number, input: BatchInput, season: Season): ImportLine {
  const { world, now, tables } = season;
  const crop = season.crops.find((c) => c.id === input.cropId)!;
  const { plan } = newBatch(input);
  const ahead = outlook({ crop, plan, offHeat: world.nursery.offHeat, tables }, world.nursery, now.today);
  const sow = ahead.plan.kind === 'chain' ? milestoneOf(ahead.plan, 'sow')! : null;
  return {
    line,
    crop: crop.name,
    variety: world.varieties.find((v) => v.id === input.varietyId)?.name ?? '',
    plants: input.plantsWanted,
    transplantOn: input.transplantOn,
    sowOn: sow ? isoFromDay(sow.day) : null,
  };
}

const same = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();
