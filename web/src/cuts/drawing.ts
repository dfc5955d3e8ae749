import type { BarCut, BoardCut } from '@plain-cleat/core';
import { DxfWriter, point3d, Units } from '@tarikjabiri/dxf';

interface Hole {
  readonly u: number;
  readonly v: number;
  readonly bore: number;
}
type Holes = ReadonlyMap<string, readonly Hole[]>;

export interface Circle {
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

/** The holes of a laid plate, on its board: turned with it. */
export function holesOn(laid: BoardCut['plates'][number], holes: Holes): Circle[] {
  const { plate, x, y, turned } = laid;
  const [w, h] = turned ? [plate.wide, plate.long] : [plate.long, plate.wide];
  return (holes.get(plate.id) ?? []).map(({ u, v, bore }) => ({
    x: x + w / 2 + (turned ? -v : u),
    y: y + h / 2 + (turned ? u : v),
    r: bore / 2,
  }));
}

/** Outlines and holes of one board as SVG in millimetres, one to one. */
export function boardSvg(board: BoardCut, holes: Holes, title: string): string {
  const shapes = board.plates.flatMap((l) => {
    const [w, h] = l.turned ? [l.plate.wide, l.plate.long] : [l.plate.long, l.plate.wide];
    return [
      `<rect x="${l.x}" y="${l.y}" width="${w}" height="${h}"/>`,
      ...holesOn(l, holes).map((c) => `<circle cx="${c.x}" cy="${c.y}" r="${c.r}"/>`),
    ];
  });
  const escaped = title.replace(/[&<>]/g, (c) => `&#${c.charCodeAt(0)};`);
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${board.long}mm" height="${board.wide}mm" viewBox="0 0 ${board.long} ${board.wide}" fill="none" stroke="black" stroke-width="0.2"><title>${escaped}</title>${shapes.join('')}</svg>\n`;
}

/** The same for a machine: DXF, millimetres, outlines and holes on layers of their own. */
export function boardDxf(board: BoardCut, holes: Holes): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const [layer, colour] of [
    ['OUTLINE', 7],
    ['HOLES', 1],
  ] as const)
    dxf.addLayer(layer, colour, 'CONTINUOUS');
  for (const l of board.plates) {
    const [w, h] = l.turned ? [l.plate.wide, l.plate.long] : [l.plate.long, l.plate.wide];
    dxf.setCurrentLayerName('OUTLINE');
    const corners = [
      [l.x, l.y],
      [l.x + w, l.y],
      [l.x + w, l.y + h],
      [l.x, l.y + h],
    ] as const;
    dxf.addLWPolyline(
      corners.map(([x, y]) => ({ point: { x, y } })),
      { flags: 1 },
    );
    dxf.setCurrentLayerName('HOLES');
    for (const c of holesOn(l, holes)) dxf.addCircle(point3d(c.x, c.y), c.r);
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
