import { toCell } from '../../formats/csvText.ts';
import Papa from 'papaparse';
import { cellsToSow, traysFor } from '../../core/batch/trays.ts';
import { mixLitres } from '../../core/books/seedSupply.ts';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { loose_L, partsFor, type MixRecipe } from '../../core/potting/mix.ts';
import { layersOf } from '../../core/potting/pot.ts';
import { onHand, toBuy, type StockKind } from '../../core/potting/stock.ts';
import type { SessionLineInput, SessionRecord, StockLine } from '../../contracts/potting/potting.ts';
import type { World } from '../../core/house/world.ts';
import type { StockMoveRow } from '../../db/potting/potting.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import { fedLitresAhead, feedGiven, feedItem } from '../watering/feeding.ts';
import { pottingBooks } from './books.ts';
import { keepOf, plantsThere, potDay } from './ready.ts';

const USED_days = 28;

/** Pots, trays, labels and litres of a mix that one line of work takes, by thing of the stock. */
export function thingsFor(
  world: World,
  line: Pick<SessionLineInput, 'containerId' | 'plants' | 'mixId' | 'baseMixId' | 'base_mm'>,
): Map<number, number> {
  const { containers, recipes, parts } = pottingBooks(world);
  const need = new Map<number, number>();
  const container = containers.get(line.containerId);
  if (!container) return need;
  const add = (id: number | undefined, amount: number) => {
    if (id !== undefined && amount > 0) need.set(id, (need.get(id) ?? 0) + amount);
  };
  const item = (kind: StockKind) => world.stock.find((s) => s.kind === kind && s.containerId === container.id)?.id;
  const trays = traysFor(line.plants, container);
  if (container.kind === 'pot') add(item('pot'), line.plants);
  add(item('tray'), trays);
  add(world.stock.find((s) => s.kind === 'label')?.id, trays);
  const base = line.baseMixId === null ? undefined : recipes.get(line.baseMixId);
  const top = line.mixId === null ? undefined : recipes.get(line.mixId);
  let layers = { base_L: 0, top_L: 0 };
  try {
    layers = layersOf(container, base ? line.base_mm : 0);
  } catch {
    // A pot that cannot be layered is told of where it is planned; here it is filled with one mix.
    layers = layersOf(container, 0);
  }
  const litres = (each_L: number) => loose_L(each_L * line.plants, world.nursery.potting);
  const mixes: { recipe: MixRecipe; litres: number }[] = [];
  if (base) mixes.push({ recipe: base, litres: litres(layers.base_L) });
  if (top) mixes.push({ recipe: top, litres: litres(layers.top_L) });
  for (const part of partsFor(mixes, parts)) add(part.itemId, part.litres);
  return need;
}

/** What a batch still to be potted will take by its plan and the house's usual mixes. */
function plannedLine(season: Season, view: BatchView): SessionLineInput | null {
  const { plan } = view.batch;
  if (plan.potContainerId === null) return null;
  const { mixId, baseMixId, base_mm } = season.world.nursery.potting;
  const plants = Math.min(plantsThere(view), keepOf(season, view));
  if (plants < 1) return null;
  const layers = { mixId, baseMixId, base_mm };
  return { batchId: view.batch.id, containerId: plan.potContainerId, plants, doubled: 0, ...layers, placeId: null };
}

/** What the coming weeks of the plan and the sessions not yet done will take, by thing of the stock. */
function neededAhead(season: Season, sessions: readonly SessionRecord[]): Map<number, number> {
  const { world, batches, now } = season;
  const until = now.today + 7 * world.nursery.potting.ahead_weeks;
  const need = new Map<number, number>();
  const addAll = (things: ReadonlyMap<number, number>) =>
    things.forEach((amount, id) => need.set(id, (need.get(id) ?? 0) + amount));
  const feed = feedItem(season);
  const given = feed === null ? null : feedGiven(season, fedLitresAhead(season, until - now.today));
  if (feed !== null && given) addAll(new Map([[feed, given.amount]]));
  const inSession = new Set<number>();
  const views = new Map(batches.map((view) => [view.batch.id, view]));
  for (const session of sessions.filter((s) => !s.closed))
    for (const line of session.lines) {
      inSession.add(line.batchId);
      const view = views.get(line.batchId);
      const done = view?.events.some((e) => e.details?.sessionId === session.id) ?? true;
      if (!done) addAll(thingsFor(world, line));
    }
  const { containers, recipes, parts } = pottingBooks(world);
  for (const view of batches) {
    const pot = potDay(view);
    if (pot !== null && pot <= until && !inSession.has(view.batch.id)) {
      const line = plannedLine(season, view);
      if (line) addAll(thingsFor(world, line));
    }
    const sow = view.work.find((job) => job.kind === 'sow');
    if (!sow || sow.dueOn > until) continue;
    const tray = containers.get(view.batch.plan.sowContainerId)!;
    const trays = traysFor(cellsToSow(view.batch.plan), tray);
    const things = new Map<number, number>();
    const ofTray = world.stock.find((s) => s.kind === 'tray' && s.containerId === tray.id);
    if (ofTray) things.set(ofTray.id, trays);
    const label = world.stock.find((s) => s.kind === 'label');
    if (label) things.set(label.id, trays);
    const recipe = recipes.get(world.nursery.potting.sowMixId ?? 0);
    if (recipe)
      for (const part of partsFor([{ recipe, litres: mixLitres(trays, tray.volume_L) }], parts))
        things.set(part.itemId, part.litres);
    addAll(things);
  }
  return need;
}

/** The stock as it stands, what the coming weeks take and what to buy. */
export function stockView(
  season: Season,
  moves: readonly StockMoveRow[],
  sessions: readonly SessionRecord[],
): StockLine[] {
  const { world, now } = season;
  const need = neededAhead(season, sessions);
  return world.stock.map((item) => {
    const own = moves.filter((m) => m.itemId === item.id);
    const have = onHand(own);
    const needed = need.get(item.id) ?? 0;
    // Nothing planned and nothing ever counted: there is nothing to buy for.
    const idle = needed === 0 && own.length === 0;
    const { amount, packs } = idle ? { amount: 0, packs: null } : toBuy(needed, have.amount, item.least, item.pack);
    return {
      id: item.id,
      name: item.name,
      kind: item.kind,
      unit: item.unit,
      pack: item.pack,
      least: item.least,
      price: item.price,
      have: have.amount,
      counted: have.counted,
      check: have.check,
      need: needed,
      used: -own
        .filter((m) => (m.kind === 'used' || m.kind === 'corrected') && m.day > now.today - USED_days)
        .reduce((sum, m) => sum + m.amount, 0),
      buy: amount,
      packs,
      last: own
        .slice(-5)
        .reverse()
        .map(({ kind, amount: much, day, note, authorId }) => ({ kind, amount: much, day, note, authorId })),
    };
  });
}

/** What is on hand of each thing. */
export function onHandNow(world: World, moves: readonly StockMoveRow[]): Map<number, number> {
  return new Map(world.stock.map((item) => [item.id, onHand(moves.filter((m) => m.itemId === item.id)).amount]));
}

/** What to buy, as CSV. */
export function shoppingCsv(lines: readonly StockLine[], today: number): string {
  const round = (n: number) => Math.round(n * 10) / 10;
  return Papa.unparse({
    fields: ['thing', 'unit', 'on_hand', 'needed', 'least', 'to_buy', 'pack', 'packs', 'cost', 'as_of'],
    data: lines
      .filter((l) => l.buy > 0)
      .map((l) => [
        toCell(l.name),
        toCell(l.unit),
        round(l.have),
        round(l.need),
        l.least,
        round(l.buy),
        l.pack || '',
        l.packs ?? '',
        l.packs !== null && l.price !== null ? (l.packs * l.price).toFixed(2) : '',
        isoFromDay(today),
      ]),
  });
}
