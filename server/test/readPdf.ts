import { getDocument, OPS, type PDFPageProxy } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { compose, IDENTITY, type Matrix, type Point } from '#core/geometry';

const MM_PER_PT = 25.4 / 72;

/** What another program reads from a page of a PDF: mm from the upper left corner. */
export interface PageRead {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly lines: readonly (readonly Point[])[];
  readonly words: readonly { readonly at: Point; readonly words: string }[];
}

export async function readPdf(pdf: Uint8Array): Promise<PageRead[]> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const pages: PageRead[] = [];
  for (let n = 1; n <= document.numPages; n++) pages.push(await readPage(await document.getPage(n)));
  await document.loadingTask.destroy();
  return pages;
}

async function readPage(page: PDFPageProxy): Promise<PageRead> {
  const [, , width = 0, height = 0] = page.view;
  const toMm = ([x, y]: Point): Point => [x * MM_PER_PT, (height - y) * MM_PER_PT];
  const { fnArray, argsArray } = await page.getOperatorList();
  const lines: Point[][] = [];
  const kept: Matrix[] = [];
  let now: Matrix = IDENTITY;
  fnArray.forEach((fn, i) => {
    const args = argsArray[i] as unknown[];
    if (fn === OPS.save) kept.push(now);
    else if (fn === OPS.restore) now = kept.pop() ?? IDENTITY;
    else if (fn === OPS.transform) now = compose(now, args as unknown as Matrix);
    else if (fn === OPS.constructPath) lines.push(...pathsOf(args, now).map((line) => line.map(toMm)));
  });
  const content = await page.getTextContent();
  const words = content.items.flatMap((item) =>
    'str' in item && item.str.trim() !== ''
      ? [{ at: toMm([item.transform[4] as number, item.transform[5] as number]), words: item.str }]
      : [],
  );
  return { widthMm: width * MM_PER_PT, heightMm: height * MM_PER_PT, lines, words };
}

/** How many numbers follow each step of a path: move, line, curves, close. */
const STEPS = [2, 2, 6, 4, 0];

function pathsOf(args: readonly unknown[], [a, b, c, d, e, f]: Matrix): Point[][] {
  const [data] = args[1] as [Float32Array | null];
  const paths: Point[][] = [];
  if (!data) return paths;
  for (let i = 0; i < data.length;) {
    const step = data[i] ?? 0;
    const count = STEPS[step] ?? 0;
    const path = paths.at(-1);
    if (step === 4) {
      const [first] = path ?? [];
      if (path && first) path.push(first);
    } else {
      const [x = 0, y = 0] = [data[i + count - 1], data[i + count]];
      const at: Point = [a * x + c * y + e, b * x + d * y + f];
      if (step === 0) paths.push([at]);
      else path?.push(at);
    }
    i += 1 + count;
  }
  return paths;
}
