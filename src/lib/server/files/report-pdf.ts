import PDFDocument from 'pdfkit';
import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?inline';
import regular from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?inline';
import { lazy } from '../../../core/base/lazy';
import type { Point } from '../../../core/handover/report/picture';
import type { Report, ReportTable } from '../../../core/handover/report/report';
import { sfntOf } from './sfnt';
import { formatQuantity } from '../../../core/units/quantity';
import { chosenUnit, inUnits, plainText, type UnitChoice } from '../../../core/units/say';
import { ticksInUnit } from '../../../core/units/ticks';
import type { Unit } from '../../../core/units/units';

const font = (dataUri: string): Buffer =>
  sfntOf(Buffer.from(dataUri.slice(dataUri.indexOf(',') + 1), 'base64'));
/** Unpacked when the first report is drawn. */
const faces = lazy(() => ({ text: font(regular), bold: font(bold) }));

/** A4 upright, in points. */
const MARGIN = 48;
const WIDTH = 595.28 - 2 * MARGIN;
const INK = '#1d2126';
const SOFT = '#565d66';
const LINE = '#c9c4bb';
const SIZE = { title: 20, head: 12.5, text: 9.5, small: 8 } as const;
const PICTURE_H = 190;

/** What the embedded faces lack, spelt out. */
const spelt = (text: string): string =>
  plainText(text)
    .replace(/Ω/g, 'ohm')
    .replace(/→/g, 'to')
    .replace(/≥/g, 'at least ')
    .replace(/≤/g, 'at most ')
    .replace(/τ/g, 'tau');

/** The report as a PDF of one to three pages, in the reader's units. */
export function reportPdf(report: Report, units: UnitChoice, madeAt: string): Promise<Buffer> {
  const inReaderUnits = (text: string) => spelt(inUnits(text, units));
  const doc = new PDFDocument({
    size: 'A4',
    margins: { top: MARGIN, bottom: MARGIN, left: MARGIN, right: MARGIN },
    bufferPages: true,
    // Read aloud it is a document with headings, tables and a figure, and not a heap of words.
    pdfVersion: '1.7',
    tagged: true,
    lang: 'en',
    displayTitle: true,
    info: { Title: spelt(`${report.title}: ${report.subtitle}`), Creator: 'Pyrethos' }
  });
  doc.registerFont('text', faces().text).registerFont('bold', faces().bold);
  const chunks: Buffer[] = [];
  const whole = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });

  const root = doc.struct('Document');
  doc.addStructure(root);
  part(doc, root, 'H1', () =>
    doc.font('bold').fontSize(SIZE.title).fillColor(INK).text(inReaderUnits(report.title))
  );
  part(doc, root, 'P', () =>
    doc.font('text').fontSize(SIZE.text).fillColor(SOFT).text(inReaderUnits(report.subtitle))
  );
  doc.moveDown(0.6);
  for (const paragraph of report.summary) {
    part(doc, root, 'P', () =>
      doc.font('text').fontSize(11).fillColor(INK).text(inReaderUnits(paragraph), { lineGap: 1.5 })
    );
    doc.moveDown(0.35);
  }
  doc.moveDown(0.3);
  table(doc, root, { title: '', head: [], rows: report.facts }, inReaderUnits, [0.18, 0.82]);
  if (report.picture) picture(doc, root, report.picture, inReaderUnits, chosenUnit(units, 'temperature'));
  for (const t of report.tables) table(doc, root, t, inReaderUnits, WIDTHS[t.head.length]);
  const line = (text: string) =>
    doc.font('text').fontSize(SIZE.text).fillColor(INK).text(text, { indent: 0, lineGap: 1 });
  for (const { title, items } of report.lists) {
    heading(doc, root, inReaderUnits(title));
    const list = doc.struct('L');
    root.add(list);
    for (const item of items) part(doc, list, 'LI', () => line(`•  ${inReaderUnits(item)}`));
    list.end();
  }
  heading(doc, root, 'Cautions');
  for (const caution of report.cautions) part(doc, root, 'P', () => line(inReaderUnits(caution)));
  doc.moveDown(0.6);
  part(doc, root, 'P', () =>
    doc.font('text').fontSize(SIZE.small).fillColor(SOFT).text(inReaderUnits(report.deference))
  );
  root.end();
  footers(doc, inReaderUnits(report.title), madeAt);
  doc.end();
  return whole;
}

type Structure = PDFKit.PDFStructureElement;

/** Draws something as a part of the document’s structure. */
function part(
  doc: PDFKit.PDFDocument,
  of: Structure,
  type: string,
  draw: () => unknown,
  options: { alt?: string } = {}
): void {
  of.add(doc.struct(type, options, [() => void draw()]));
}

/** Draws what only adorns: it is not read aloud. */
function adornment(doc: PDFKit.PDFDocument, draw: () => void): void {
  doc.markContent('Artifact', { type: 'Layout' });
  draw();
  doc.endMarkedContent();
}

/** Shares of the width by the number of columns. */
const WIDTHS: Readonly<Record<number, readonly number[]>> = {
  3: [0.3, 0.12, 0.58],
  4: [0.22, 0.2, 0.22, 0.36],
  5: [0.17, 0.15, 0.34, 0.24, 0.1]
};

/** Starts a new page where less than this is left. */
function room(doc: PDFKit.PDFDocument, needed: number): void {
  if (doc.y + needed > doc.page.height - MARGIN) doc.addPage();
}

function heading(doc: PDFKit.PDFDocument, root: Structure, text: string): void {
  room(doc, 60);
  doc.x = MARGIN;
  doc.moveDown(0.8);
  part(doc, root, 'H2', () => doc.font('bold').fontSize(SIZE.head).fillColor(INK).text(text));
  doc.moveDown(0.25);
}

/** Rows that break over pages between them, never within one. */
function table(
  doc: PDFKit.PDFDocument,
  root: Structure,
  { title, note, head, rows }: ReportTable,
  inReaderUnits: (text: string) => string,
  shares: readonly number[]
): void {
  if (title) heading(doc, root, inReaderUnits(title));
  if (note) {
    part(doc, root, 'P', () =>
      doc.font('text').fontSize(SIZE.small).fillColor(SOFT).text(inReaderUnits(note))
    );
    doc.moveDown(0.3);
  }
  const whole = doc.struct('Table');
  root.add(whole);
  const widths = shares.map((s) => s * WIDTH);
  const line = (
    cells: readonly string[],
    face: (column: number) => 'text' | 'bold',
    colour: string,
    names: (column: number) => boolean
  ) => {
    doc.fontSize(head.length > 4 ? SIZE.small : SIZE.text - 0.5);
    const texts = cells.map(inReaderUnits);
    const height =
      Math.max(
        ...texts.map((text, i) => doc.font(face(i)).heightOfString(text || ' ', { width: widths[i] - 8 }))
      ) + 5;
    room(doc, height);
    const y = doc.y;
    const row = doc.struct('TR');
    whole.add(row);
    texts.forEach((text, i) => {
      const x = MARGIN + widths.slice(0, i).reduce((sum, w) => sum + w, 0);
      part(doc, row, names(i) ? 'TH' : 'TD', () =>
        doc
          .font(face(i))
          .fillColor(colour)
          .text(text, x, y + 2.5, { width: widths[i] - 8 })
      );
    });
    row.end();
    adornment(doc, () =>
      doc
        .moveTo(MARGIN, y + height)
        .lineTo(MARGIN + WIDTH, y + height)
        .lineWidth(0.4)
        .strokeColor(LINE)
        .stroke()
    );
    doc.x = MARGIN;
    doc.y = y + height;
  };
  if (head.length > 0)
    line(
      head,
      () => 'text',
      SOFT,
      () => true
    );
  for (const row of rows)
    line(
      row,
      (i) => (i === 0 ? 'bold' : 'text'),
      INK,
      (i) => i === 0
    );
  whole.end();
}

/** The curve as a figure, with what it shows in words beside it. */
function picture(
  doc: PDFKit.PDFDocument,
  root: Structure,
  drawn: NonNullable<Report['picture']>,
  inReaderUnits: (text: string) => string,
  degrees: Unit
): void {
  doc.moveDown(0.8);
  room(doc, PICTURE_H + 50);
  const below = doc.y + PICTURE_H + 20;
  part(doc, root, 'Figure', () => drawCurve(doc, drawn, degrees), { alt: inReaderUnits(drawn.caption) });
  doc.x = MARGIN;
  doc.y = below;
  part(doc, root, 'Caption', () =>
    doc.font('text').fontSize(SIZE.small).fillColor(SOFT).text(inReaderUnits(drawn.caption), { width: WIDTH })
  );
}

function drawCurve(doc: PDFKit.PDFDocument, drawn: NonNullable<Report['picture']>, degrees: Unit): void {
  const box = { x: MARGIN + 40, y: doc.y, w: WIDTH - 40, h: PICTURE_H };
  const at = ([x, y]: Point): Point => [box.x + x * box.w, box.y + (1 - y) * box.h];
  const trace = (points: readonly Point[]) =>
    points.forEach((p, i) => (i === 0 ? doc.moveTo(...at(p)) : doc.lineTo(...at(p))));
  if (drawn.band.length > 0) {
    trace(drawn.band);
    doc.closePath().fillOpacity(0.28).fill('#8d96a3').fillOpacity(1);
  }
  doc.font('text').fontSize(SIZE.small).fillColor(SOFT);
  for (const c of ticksInUnit(drawn.fromC, drawn.toC, 7, degrees)) {
    const [x, y] = at([0, (c - drawn.fromC) / (drawn.toC - drawn.fromC)]);
    doc
      .moveTo(x, y)
      .lineTo(x + box.w, y)
      .lineWidth(0.3)
      .strokeColor(LINE)
      .stroke();
    doc.text(formatQuantity(c, 'temperature', degrees, 0), MARGIN, y - 4, {
      width: 36,
      align: 'right',
      lineBreak: false
    });
  }
  for (const m of drawn.ticksMin) {
    const [x] = at([m / drawn.minutes, 0]);
    doc.text(`${m} min`, x - 20, box.y + box.h + 4, { width: 40, align: 'center', lineBreak: false });
  }
  for (const { name, y } of drawn.levels) {
    doc
      .moveTo(...at([0, y]))
      .lineTo(...at([1, y]))
      .dash(1.5, { space: 2 })
      .lineWidth(0.6)
      .strokeColor(SOFT)
      .stroke()
      .undash();
    doc.text(name, box.x + 4, at([0, y])[1] - 10, { lineBreak: false });
  }
  doc.lineWidth(1.4).lineJoin('round');
  const dashed = drawn.after.length > 0;
  for (const part of drawn.before) {
    trace(part);
    if (dashed) doc.dash(4, { space: 3 });
    doc
      .strokeColor(dashed ? SOFT : INK)
      .stroke()
      .undash();
  }
  for (const part of drawn.after) {
    trace(part);
    doc.strokeColor(INK).stroke();
  }
}

function footers(doc: PDFKit.PDFDocument, title: string, madeAt: string): void {
  const { start, count } = doc.bufferedPageRange();
  for (let i = start; i < start + count; i++) {
    doc.switchToPage(i);
    // Text below the margin would open a page of its own.
    doc.page.margins.bottom = 0;
    doc.markContent('Artifact', { type: 'Pagination' });
    doc
      .font('text')
      .fontSize(SIZE.small)
      .fillColor(SOFT)
      .text(
        `${title} · report made ${madeAt} · page ${i - start + 1} of ${count}`,
        MARGIN,
        doc.page.height - 34,
        {
          width: WIDTH,
          align: 'center',
          lineBreak: false
        }
      );
    doc.endMarkedContent();
  }
}
