import { createCanvas } from '@napi-rs/canvas';
import { getDocument, OPS, type PDFPageProxy } from 'pdfjs-dist/legacy/build/pdf.mjs';

const MM = 25.4 / 72;

/** A straight stroke of a page, mm from its top left. */
interface Stroke {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
}

/** A run of letters of a page. */
export interface Word {
  readonly says: string;
  readonly at: readonly [number, number];
  readonly wide: number;
  readonly size: number;
  /** It runs along the page, not up it. */
  readonly level: boolean;
}

export interface ReadPage {
  readonly text: string;
  readonly wide: number;
  readonly high: number;
  readonly strokes: readonly Stroke[];
  /** Its words, each with where its baseline starts, how wide it is, mm, and how large its letters are, points. */
  readonly words: readonly Word[];
  /** The darkest of the dots at and about a point, 0 to 255, as the page is rasterised; mm from its top left. */
  dark(x: number, y: number): number;
}

export interface ReadPdf {
  readonly pages: readonly ReadPage[];
  readonly text: string;
  /** What it tells a viewer about scaling. */
  readonly printScaling: string | undefined;
}

type Matrix = readonly [number, number, number, number, number, number];
const times = (m: Matrix, n: Matrix): Matrix => [
  m[0] * n[0] + m[2] * n[1],
  m[1] * n[0] + m[3] * n[1],
  m[0] * n[2] + m[2] * n[3],
  m[1] * n[2] + m[3] * n[3],
  m[0] * n[4] + m[2] * n[5] + m[4],
  m[1] * n[4] + m[3] * n[5] + m[5],
];

/** The straight strokes of a page as its path operators draw them, through every transform. */
async function strokesOf(page: PDFPageProxy, high: number): Promise<Stroke[]> {
  const { fnArray, argsArray } = await page.getOperatorList();
  const stack: Matrix[] = [];
  let at: Matrix = [1, 0, 0, 1, 0, 0];
  const out: Stroke[] = [];
  const place = (x: number, y: number): readonly [number, number] => [
    (at[0] * x + at[2] * y + at[4]) * MM,
    high - (at[1] * x + at[3] * y + at[5]) * MM,
  ];
  fnArray.forEach((op, i) => {
    const args = argsArray[i] as unknown[];
    if (op === OPS.save) stack.push(at);
    else if (op === OPS.restore) at = stack.pop() ?? at;
    else if (op === OPS.transform) at = times(at, args as unknown as Matrix);
    else if (op === OPS.constructPath && args[0] === OPS.stroke) {
      const path = (args[1] as [Record<number, number> & { length: number }])[0];
      let pen: readonly [number, number] = [0, 0];
      for (let k = 0; path && k < path.length;) {
        const verb = path[k++];
        const steps = verb === 2 ? 6 : verb === 3 ? 4 : verb === 4 ? 0 : 2;
        const to = steps ? place(path[k + steps - 2] ?? 0, path[k + steps - 1] ?? 0) : pen;
        if (verb === 1) out.push({ from: pen, to });
        pen = to;
        k += steps;
      }
    }
  });
  return out;
}

/** The dots of a page, so many to the millimetre. */
async function rasterised(page: PDFPageProxy, dots: number): Promise<{ data: ArrayLike<number>; width: number }> {
  const viewport = page.getViewport({ scale: dots * MM });
  const canvas = createCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height));
  const context = canvas.getContext('2d');
  await page.render({ canvas: canvas as never, canvasContext: context as never, viewport }).promise;
  return context.getImageData(0, 0, canvas.width, canvas.height);
}

/** Reads a PDF back: its words, its strokes, and how it looks when printed at so many dots to the millimetre; none, and only it is read. */
export async function readPdf(bytes: Buffer, dots = 4): Promise<ReadPdf> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: false, verbosity: 0 }).promise;
  const pages: ReadPage[] = [];
  for (let i = 1; i <= pdf.numPages; i++) {
    const page = await pdf.getPage(i);
    const [, , wide = 0, high = 0] = page.view.map((v) => v * MM);
    const { data, width } = dots > 0 ? await rasterised(page, dots) : { data: [], width: 0 };
    const words = (await page.getTextContent()).items.flatMap((item) => {
      if (!('str' in item)) return [];
      const [a = 0, b = 0, c = 0, d = 0, x = 0, y = 0] = item.transform as number[];
      return [
        {
          says: item.str,
          at: [x * MM, high - y * MM] as const,
          wide: item.width * MM,
          size: Math.hypot(c, d),
          level: Math.abs(b) < Math.abs(a) / 10,
        },
      ];
    });
    pages.push({
      text: words.map((t) => t.says).join(' '),
      words,
      wide,
      high,
      strokes: dots > 0 ? await strokesOf(page, high) : [],
      dark(x, y) {
        const near = [-1, 0, 1].flatMap((dy) =>
          [-1, 0, 1].map((dx) => data[4 * ((Math.round(y * dots) + dy) * width + Math.round(x * dots) + dx)] ?? 255),
        );
        return 255 - Math.min(...near);
      },
    });
  }
  const preferences = (await pdf.getViewerPreferences()) as { PrintScaling?: string } | null;
  return { pages, text: pages.map((p) => p.text).join(' '), printScaling: preferences?.PrintScaling };
}
