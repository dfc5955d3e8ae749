import type { ShopSettings } from '../../parts/shop';
import { waterAt, type Laden } from '../../water/float';
import type { HullSurface } from '../../boat/hull';
import { paddleLack, paddlers, strokeSpace, styleOf, type PaddleLack, type StrokeSpaces } from '../../layout';
import type { Brief } from '../../rig';
import type { Memory } from '../../base/stages';

/** Strokes are worked out anew when the water moves by this (judgement), mm. */
const WATER_STEP = 5;

/**
 * The strokes of everybody aboard, on the water as the boat floats lightest and heaviest. Looked up by where the
 * water stands at the seats to a few millimetres, the lightest down and the heaviest up: the careful side.
 */
export function strokesOn(
  { surface, brief, shop }: { surface: HullSurface; brief: Brief; shop: ShopSettings },
  { light, laden }: Laden,
  memory: Memory,
): StrokeSpaces {
  const people = paddlers(surface, brief);
  const seats = [...new Set(people.map((p) => p.seatX))];
  const waters = seats.map((x) => {
    const at = [light, laden].map((f) => waterAt(f, x));
    const [low, high] = [Math.floor(Math.min(...at) / WATER_STEP), Math.ceil(Math.max(...at) / WATER_STEP)];
    return { x, low: low * WATER_STEP, high: high * WATER_STEP };
  });
  const style = styleOf(brief, shop);
  const key = JSON.stringify([brief.stature, brief.second, brief.seat, style, shop.stroke, waters]);
  return memory.while('strokes', [surface]).among('strokes', key, () => {
    const space = (scale: number): StrokeSpaces['nominal'] =>
      paddlers(surface, brief, scale).flatMap((p) => {
        const here = waters.find((w) => w.x === p.seatX);
        const levels = here ? [...new Set([here.low, here.high])] : [];
        return levels.map((water) => strokeSpace(surface, p, shop.stroke, style, water));
      });
    const nominal = space(1);
    let lack: PaddleLack | null | undefined = nominal.every((s) => s.misses === 0) ? null : undefined;
    return {
      nominal,
      band: [...space(1 - shop.stroke.body), ...space(1 + shop.stroke.body)],
      lack() {
        if (lack === undefined)
          lack =
            people
              .map((p) => paddleLack(surface, p, style, waters.find((w) => w.x === p.seatX)?.low ?? 0))
              .filter((l) => l !== null)
              .sort((x, y) => y.by - x.by)[0] ?? null;
        return lack;
      },
    };
  });
}
