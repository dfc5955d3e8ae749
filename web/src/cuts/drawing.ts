import type { BarCut, BoardCut } from '@plain-cleat/core/work/cutting';
import { DxfWriter, point3d, Units } from '@tarikjabiri/dxf';

/** A plate as it is cut: holes and outline from its own middle. */
export interface PlateShape {
  readonly holes: readonly { readonly u: number; readonly v: number; readonly bore: number }[];
  readonly outline: readonly (readonly [number, number])[];
}
type Shapes = ReadonlyMap<string, PlateShape>;
type Laid = BoardCut['plates'][number];

export interface Circle {
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

/** A point of a plate on its board: turned with it. */
function onBoard({ plate, x, y, turned }: Laid, u: number, v: number): { x: number; y: number } {
  const [w, h] = turned ? [plate.wide, plate.long] : [plate.long, plate.wide];
  return { x: x + w / 2 + (turned ? -v : u), y: y + h / 2 + (turned ? u : v) };
}

/** The holes of a laid plate, on its board. */
export const holesOn = (laid: Laid, shapes: Shapes): Circle[] =>
  (shapes.get(laid.plate.id)?.holes ?? []).map(({ u, v, bore }) => ({ ...onBoard(laid, u, v), r: bore / 2 }));

/** The outline of a laid plate, on its board: its corners in order, the first not repeated. */
export function outlineOn(laid: Laid, shapes: Shapes): { x: number; y: number }[] {
  const { long, wide } = laid.plate;
  const [hu, hv] = [long / 2, wide / 2];
  const whole = [
    [-hu, -hv],
    [hu, -hv],
    [hu, hv],
    [-hu, hv],
  ] as const;
  const outline = shapes.get(laid.plate.id)?.outline ?? whole;
  const [first, last] = [outline[0], outline[outline.length - 1]];
  const open = first && last && first !== last && first[0] === last[0] && first[1] === last[1] ? outline.slice(0, -1) : outline;
  return open.map(([u, v]) => onBoard(laid, u, v));
}

/** Points as SVG writes them. */
export const pointsOf = (points: readonly { x: number; y: number }[]): string => points.map((p) => `${p.x},${p.y}`).join(' ');

/** Outlines and holes of one board as SVG in millimetres, one to one. */
export function boardSvg(board: BoardCut, plates: Shapes, title: string): string {
  const shapes = board.plates.flatMap((l) => [
    `<polygon points="${pointsOf(outlineOn(l, plates))}"/>`,
    ...holesOn(l, plates).map((c) => `<circle cx="${c.x}" cy="${c.y}" r="${c.r}"/>`),
  ]);
  const escaped = title.replace(/[&<>]/g, (c) => `&#${c.charCodeAt(0)};`);
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${board.long}mm" height="${board.wide}mm" viewBox="0 0 ${board.long} ${board.wide}" fill="none" stroke="black" stroke-width="0.2"><title>${escaped}</title>${shapes.join('')}</svg>\n`;
}

/** The same for a machine: DXF, millimetres, outlines and holes on layers of their own. */
export function boardDxf(board: BoardCut, plates: Shapes): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const [layer, colour] of [
    ['OUTLINE', 7],
    ['HOLES', 1],
  ] as const)
    dxf.addLayer(layer, colour, 'CONTINUOUS');
  for (const l of board.plates) {
    dxf.setCurrentLayerName('OUTLINE');
    dxf.addLWPolyline(
      outlineOn(l, plates).map((point) => ({ point })),
      { flags: 1 },
    );
    dxf.setCurrentLayerName('HOLES');
    for (const c of holesOn(l, plates)) dxf.addCircle(point3d(c.x, c.y), c.r);
  }
  return dxf.stringify();
}

/** Where each piece starts on its bar, and the saw cuts between. */
export function alongBar(bar: BarCut, kerf: number): { id: string; x: number; length: number }[] {
  let x = 0;
  return bar.pieces.map((p) => {
    const at = { id: p.id, x, length: p.length };
    x += p.length + kerf;
    return at;
  });
}
