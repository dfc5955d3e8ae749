import type { ShopSettings } from '../parts/shop';
import type { HullSurface } from '../boat/hull';
import type { Brief } from '../rig';
import { eyeOf, hipOf, paddlers, shoulderOf } from './paddler';
import { headroom, strokeSpace } from './stroke';
import { styleOf } from './stroke-poses';

const [WIDTH, SCALE] = [900, 0.4] as const;

/**
 * The stroke model as a drawing: from above, how high gear may stand over the gunwale at each place; and the
 * section through the catch, half way and the hip. Made from the very space the judgement uses.
 *
 * @param water height of the water at the seat over the lowest keel point, mm
 */
export function strokeDrawing(hull: HullSurface, brief: Brief, shop: ShopSettings, water: number): string {
  const [p] = paddlers(hull, brief);
  if (!p) return '';
  const space = strokeSpace(hull, p, shop.stroke, styleOf(brief, shop), water);
  const fore = p.seatX - 0.75 * p.stature;
  const x = (mm: number): number => Math.round((mm - fore) * SCALE + 30);
  const y = (mm: number): number => Math.round(232 - mm * SCALE);
  const cells: string[] = [];
  for (let mx = fore; mx < p.seatX + 300; mx += 40)
    for (let my = -460; my <= 460; my += 40) {
      const room = headroom(space, mx + 20, my + 20);
      if (room === undefined) continue;
      const over = room - hull.gunwale(mx);
      const dark = Math.max(0.06, Math.min(0.6, 0.6 - over / 900));
      cells.push(
        `<rect x="${x(mx)}" y="${y(my + 40)}" width="16" height="16" fill="#7f4f05" fill-opacity="${dark.toFixed(2)}"/>`,
      );
    }
  const edge = (sign: 1 | -1): string =>
    Array.from({ length: 41 }, (_, i) => fore + ((p.seatX + 300 - fore) * i) / 40)
      .map((mx, i) => `${i ? 'L' : 'M'}${x(mx)} ${y(sign * hull.halfBreadth(mx))}`)
      .join('');
  const sections = [0.42, 0.21, 0].map((ahead, i) => section(hull, space, p.seatX - ahead * p.stature, 150 + i * 300, ahead));
  const shoulder = shoulderOf(p, 'starboard');
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} 760" font-family="sans-serif" font-size="13">`,
    `<title>The paddle stroke: how high gear may stand</title><rect width="${WIDTH}" height="760" fill="#fffdf8"/>`,
    `<text x="30" y="20" font-weight="600">From above, bow left. Darker: less room over the gunwale under shaft and hands.</text>`,
    ...cells,
    `<path d="${edge(-1)}" fill="none" stroke="#b3261e" stroke-width="3"/><path d="${edge(1)}" fill="none" stroke="#27693f" stroke-width="3"/>`,
    `<circle cx="${x(p.seatX)}" cy="${y(0)}" r="6" fill="#1d2b33"/><text x="${x(p.seatX) + 10}" y="${y(0) + 4}">hip joint</text>`,
    `<circle cx="${x(shoulder.x)}" cy="${y(shoulder.y)}" r="4" fill="none" stroke="#1d2b33"/><circle cx="${x(shoulder.x)}" cy="${y(-shoulder.y)}" r="4" fill="none" stroke="#1d2b33"/>`,
    `<text x="30" y="462" font-weight="600">Sections, looking forward: the hull, and the lowest the stroke sweeps. Gear below the line is clear.</text>`,
    ...sections,
    `<text x="30" y="748">Stature ${p.stature} mm, paddle ${styleOf(brief, shop).paddle} mm, ${brief.stroke} style; hip ${Math.round(hipOf(p).z)} mm, eyes ${Math.round(eyeOf(p).z)} mm over the keel.</text>`,
    '</svg>\n',
  ].join('\n');
}

function section(hull: HullSurface, space: ReturnType<typeof strokeSpace>, at: number, left: number, ahead: number): string {
  const k = 0.26;
  const sx = (mm: number): number => Math.round(left + mm * k);
  const sz = (mm: number): number => Math.round(715 - mm * k);
  const cut = hull.section(at);
  if (!cut) return '';
  const heights = Array.from({ length: 13 }, (_, i) => cut.keel + ((cut.gunwale - cut.keel) * i) / 12);
  const side = (sign: 1 | -1): string[] => heights.map((z) => `${sx(sign * cut.halfWidth(z))} ${sz(z)}`);
  // Where nothing sweeps the line is broken.
  let pen = 'M';
  const under = Array.from({ length: 51 }, (_, i) => -500 + i * 20).map((my) => {
    const room = headroom(space, at, my);
    const piece = room === undefined ? '' : `${pen}${sx(my)} ${sz(room)}`;
    pen = room === undefined ? 'M' : 'L';
    return piece;
  });
  const name = ahead === 0 ? 'at the hip' : `${ahead} of stature ahead of it`;
  return (
    `<path d="M${side(-1).reverse().join('L')}L${side(1).join('L')}" fill="#e6efe8" stroke="#1d2b33"/>` +
    `<path d="${under.join('')}" fill="none" stroke="#7f4f05" stroke-width="2"/>` +
    `<text x="${left}" y="480" text-anchor="middle">${name}</text>`
  );
}
