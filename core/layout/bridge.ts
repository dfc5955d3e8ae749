import type { Part } from '../parts/parts';
import type { HullModel, Track } from '../boat/hull';
import type { Place } from '../rig';
import type { Point } from '../base/units';

/** The track abreast on the other side, how far it is, and the middle between them at the place. */
export interface Twin {
  readonly track: Track;
  readonly apart: number;
  readonly middle: Point;
}

/** The track that a bar at this place would cross to: on the other side, with slot abreast; undefined when there is none. */
export function twinTrack(model: HullModel, place: Place & { on: 'track' }): Twin | undefined {
  const here = model.tracks.find((t) => t.id === place.track);
  const there = here && model.tracks.find((t) => t.side !== here.side && t.fore <= place.x && t.aft >= place.x);
  if (!here || !there) return undefined;
  return {
    track: there,
    apart: Math.abs(there.y - here.y),
    middle: { x: place.x, y: (here.y + there.y) / 2, z: (here.height + there.height) / 2 },
  };
}

/** A bar drawn out to the tracks it lies on: what is sold is symmetric about its middle, and its ends stand on the slots. */
export function bridged(part: Part, apart: number): Part {
  const { body } = part;
  const { bridges } = body;
  if (!bridges) return part;
  // Drawn out no further than it goes: what is wider apart is said by its mount.
  const to = Math.min(bridges.most, Math.max(bridges.least, apart));
  const sold = body.base.width - 2 * bridges.over;
  const moved = (v: number): number => v + (Math.sign(v) * (to - sold)) / 2;
  return {
    ...part,
    body: {
      ...body,
      base: { ...body.base, width: to + 2 * bridges.over },
      solids: body.solids.map((s) => ({ ...s, v: [moved(s.v[0]), moved(s.v[1])] })),
      moves: body.moves?.map((m) => ({ ...m, solid: { ...m.solid, v: [moved(m.solid.v[0]), moved(m.solid.v[1])] } })),
    },
  };
}
