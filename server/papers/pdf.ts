import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import { create as squareCode } from 'qrcode';
import { isHex, type HouseInk, type Ink, type Mark, type Page, type TextMark } from '#core/papers';

const PT_PER_MM = 72 / 25.4;
const here = createRequire(import.meta.url);
const FACES = {
  body: '@expo-google-fonts/source-sans-3/400Regular/SourceSans3_400Regular.ttf',
  bold: '@expo-google-fonts/source-sans-3/600SemiBold/SourceSans3_600SemiBold.ttf',
  head: '@expo-google-fonts/besley/500Medium/Besley_500Medium.ttf',
} as const satisfies Readonly<Record<TextMark['face'], string>>;

/** The house's inks on white paper. */
const INKS: Readonly<Record<HouseInk, string>> = {
  line: '#1d2428',
  soft: '#566067',
  faint: '#c9cfd2',
  copper: '#a5532a',
  paper: '#ffffff',
};
const colourOf = (ink: Ink): string => (isHex(ink) ? ink : INKS[ink]);

/** Pages as a PDF with its typefaces in it; 1 mm of a page is 1 mm of the PDF. */
export function pdfOf(pages: readonly Page[], title: string): Promise<Buffer> {
  const doc = new PDFDocument({ autoFirstPage: false, margin: 0, info: { Title: title, Creator: 'Nelvik' } });
  const parts: Buffer[] = [];
  const whole = new Promise<Buffer>((done, failed) => {
    doc.on('data', (part: Buffer) => parts.push(part));
    doc.on('end', () => done(Buffer.concat(parts)));
    doc.on('error', failed);
  });
  for (const [face, file] of Object.entries(FACES)) doc.registerFont(face, here.resolve(file));
  for (const { widthMm, heightMm, marks } of pages) {
    doc.addPage({ size: [widthMm * PT_PER_MM, heightMm * PT_PER_MM], margin: 0 });
    doc.save().scale(PT_PER_MM);
    for (const mark of marks) draw(doc, mark);
    doc.restore();
  }
  doc.end();
  return whole;
}

type Doc = InstanceType<typeof PDFDocument>;

function draw(doc: Doc, mark: Mark): void {
  switch (mark.kind) {
    case 'path':
      return drawPath(doc, mark);
    case 'text':
      return drawText(doc, mark);
    case 'code':
      return drawCode(doc, mark);
    case 'group': {
      const { minX, minY, maxX, maxY } = mark.clip;
      doc.save();
      doc.rect(minX, minY, maxX - minX, maxY - minY).clip();
      doc.translate(mark.by[0], mark.by[1]);
      for (const one of mark.marks) draw(doc, one);
      doc.restore();
    }
  }
}

function drawPath(doc: Doc, { rings, isClosed, stroke, widthMm, fill, dashMm }: Extract<Mark, { kind: 'path' }>): void {
  for (const ring of rings) {
    ring.forEach(([x, y], i) => (i === 0 ? doc.moveTo(x, y) : doc.lineTo(x, y)));
    if (isClosed) doc.closePath();
  }
  doc
    .lineWidth(widthMm)
    .lineJoin('round')
    .lineCap(dashMm ? 'butt' : 'round');
  if (dashMm) doc.dash(dashMm[0], { space: dashMm[1] });
  else doc.undash();
  if (fill !== null && stroke !== null) doc.fillAndStroke(colourOf(fill), colourOf(stroke), 'even-odd');
  else if (fill !== null) doc.fill(colourOf(fill), 'even-odd');
  else if (stroke !== null) doc.stroke(colourOf(stroke));
}

function drawText(doc: Doc, { at, words, sizeMm, face, anchor, ink }: TextMark): void {
  doc.font(face).fontSize(sizeMm);
  const wide = doc.widthOfString(words);
  const left = anchor === 'start' ? 0 : anchor === 'middle' ? wide / 2 : wide;
  doc.fillColor(colourOf(ink)).text(words, at[0] - left, at[1], { lineBreak: false, baseline: 'alphabetic' });
}

/** A QR code (ISO/IEC 18004), its modules joined along rows so that no hair of white stands between them. */
function drawCode(doc: Doc, { at, sizeMm, text }: Extract<Mark, { kind: 'code' }>): void {
  const { modules } = squareCode(text, { errorCorrectionLevel: 'M' });
  const side = sizeMm / modules.size;
  for (let row = 0; row < modules.size; row++)
    for (let from = 0; from < modules.size; from++) {
      if (!modules.get(row, from)) continue;
      let to = from;
      while (to < modules.size && modules.get(row, to)) to++;
      doc.rect(at[0] + from * side, at[1] + row * side, (to - from) * side, side);
      from = to;
    }
  doc.fill(INKS.line);
}
