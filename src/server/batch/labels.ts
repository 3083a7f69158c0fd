import bwipjs from 'bwip-js/node';
import { PDFDocument, rgb, StandardFonts, type PDFFont, type PDFPage } from 'pdf-lib';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { labelPlace, type LabelSheet } from '../../core/batch/labelSheets.ts';
import { trayCode } from '../../core/batch/trayCode.ts';
import { cellsToSow, traysFor } from '../../core/batch/trays.ts';
import { fieldProblem } from '../../contracts/problem.ts';
import { traysOf } from '../hardening/view.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import { WORDS } from '../../words/en/batch/labels.ts';

/** What stands on one label. */
export interface Label {
  readonly title: string;
  readonly code: string;
  readonly lines: readonly string[];
}

export const MOST_LABELS = 1000;
const POINTS_PER_MM = 72 / 25.4;
const INK = rgb(0, 0, 0);

/** A label for each tray of the batches, in the order given: as sown, and once potted as its plants stand now. */
export function labelsFor(season: Season, views: readonly BatchView[]): Label[] {
  const { world } = season;
  const labels = views.flatMap((view) => {
    const { batch, state, work } = view;
    const container = world.containers.find((c) => c.id === batch.plan.sowContainerId)!;
    const trays =
      state.facts.pot === undefined
        ? traysFor(state.sown_count ?? cellsToSow(batch.plan), container)
        : traysOf(view, season.now.today);
    const lot = world.lots.find((l) => l.id === batch.lotId);
    const sown = state.facts.sow;
    const due = work.find((job) => job.kind === 'sow')?.dueOn;
    const placeId = state.placeId ?? batch.plan.places.germinate;
    const lines = [
      lot ? WORDS.lot(lot.code) : '',
      sown !== undefined ? WORDS.sown(isoFromDay(sown)) : due !== undefined ? WORDS.toBeSown(isoFromDay(due)) : '',
      world.places.find((p) => p.id === placeId)?.name ?? '',
    ].filter(Boolean);
    return Array.from({ length: trays }, (_, i): Label => ({
      title: view.name,
      code: trayCode(batch.code, i + 1),
      lines,
    }));
  });
  if (labels.length === 0) throw fieldProblem('batches', WORDS.nothingToLabelChooseA);
  if (labels.length > MOST_LABELS) throw fieldProblem('batches', WORDS.thatIsLabelsPrintAt(labels.length, MOST_LABELS));
  return labels;
}

/**
 * The labels as a PDF, black on white, the code large and a square to scan that opens the tray's page.
 * @param origin address the phones call the application by
 * @param skip places on the first sheet already used
 */
export async function labelsPdf(
  labels: readonly Label[],
  sheet: LabelSheet,
  origin: string,
  skip: number,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(WORDS.trayLabels);
  const bold = await pdf.embedFont(StandardFonts.HelveticaBold);
  const plain = await pdf.embedFont(StandardFonts.Helvetica);
  const pages: PDFPage[] = [];
  for (const [i, label] of labels.entries()) {
    const at = labelPlace(sheet, i + skip);
    while (pages.length <= at.page) {
      pages.push(pdf.addPage([sheet.page_mm[0] * POINTS_PER_MM, sheet.page_mm[1] * POINTS_PER_MM]));
    }
    const image = await pdf.embedPng(await qrOf(`${origin}/t/${label.code}`));
    draw(pages[at.page]!, label, sheet, at.x_mm * POINTS_PER_MM, at.y_mm * POINTS_PER_MM, image, bold, plain);
  }
  return pdf.save();
}

/** A QR code as PNG. The library's types leave out what belongs to one kind of code alone. */
async function qrOf(text: string): Promise<Uint8Array> {
  const options = { bcid: 'qrcode', text, eclevel: 'M', scale: 6, backgroundcolor: 'FFFFFF' } as Parameters<
    typeof bwipjs.toBuffer
  >[0];
  return new Uint8Array(await (bwipjs.toBuffer(options) as Promise<Buffer>));
}

function draw(
  page: PDFPage,
  label: Label,
  { label_mm }: LabelSheet,
  x: number,
  y: number,
  image: Awaited<ReturnType<PDFDocument['embedPng']>>,
  bold: PDFFont,
  plain: PDFFont,
): void {
  const [width, height] = [label_mm[0] * POINTS_PER_MM, label_mm[1] * POINTS_PER_MM];
  const margin = 2.2 * POINTS_PER_MM;
  const square = Math.min(height - 2 * margin, width * 0.36);
  page.drawImage(image, {
    x: x + width - margin - square,
    y: y + height - margin - square,
    width: square,
    height: square,
  });
  const room = width - square - 3 * margin;
  let top = y + height - margin;
  const write = (text: string, font: PDFFont, most: number, least: number) => {
    const shown = writable(text, font);
    let size = most;
    while (size > least && font.widthOfTextAtSize(shown, size) > room) size -= 0.5;
    let fits = shown;
    while (fits.length > 1 && font.widthOfTextAtSize(fits, size) > room) fits = fits.slice(0, -1);
    top -= size;
    if (top < y + 1) return;
    page.drawText(fits, { x: x + margin, y: top, size, font, color: INK });
    top -= size * 0.2;
  };
  const unit = height / 100;
  write(label.code, bold, 24 * unit, 12);
  write(label.title, bold, 16 * unit, 7);
  for (const line of label.lines) write(line, plain, 11 * unit, 6);
}

/** Text in letters the font has: marks are dropped from letters it lacks, others become a question mark. */
function writable(text: string, font: PDFFont): string {
  const can = (s: string) => {
    try {
      font.encodeText(s);
      return true;
    } catch {
      return false;
    }
  };
  return [...text]
    .map((sign) => {
      if (can(sign)) return sign;
      const bare = sign.normalize('NFKD').replace(/\p{M}/gu, '');
      return bare !== '' && can(bare) ? bare : '?';
    })
    .join('');
}
