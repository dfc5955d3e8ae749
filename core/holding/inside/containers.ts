import type { HullSurface } from '../../boat/hull';
import type { Placed } from '../../layout';
import { markedAt } from '../../layout';
import type { Plan, Stowed } from '../../rig';
import type { Point } from '../../base/units';

/** Whatever takes things: a room of the hull, a crate, a box, a pocket of the life jacket. */
export interface Container {
  /** The room, or which container of the fitting. */
  readonly in: string;
  /** The fitting it is a part of; null for a room of the hull. */
  readonly of: string | null;
  readonly letter: string;
  readonly name: string;
  readonly french: string;
  readonly litres: number;
  readonly dry: boolean;
  readonly shut: boolean;
  readonly fabric: boolean;
  /** It is worn: always at hand. */
  readonly worn: boolean;
  /** Where what is in it lies; of what is worn, where its part is drawn. */
  readonly at: Point;
}

/** A fitting with its letter. */
interface Lettered {
  readonly placed: Placed;
  readonly letter: string;
}

/** Everything that takes things aboard: the rooms of the hull bow to stern, then fittings in their order. */
export function containersOf(hull: HullSurface, items: readonly Lettered[]): Container[] {
  const byPlace = [...hull.rooms.values()].sort((a, b) => a.space.fore - b.space.fore);
  const rooms = byPlace.map((room): Container => {
    const { id, name, dry, worn = false } = room.space;
    return {
      in: id,
      of: null,
      letter: '',
      name,
      french: name,
      dry,
      worn,
      shut: room.hatches.length > 0 || worn,
      fabric: worn,
      // Measured when somebody asks: most rigs stow nothing.
      get litres() {
        return room.litres;
      },
      get at() {
        return room.middle;
      },
    };
  });
  const carried = items.flatMap(({ placed, letter }) =>
    (placed.part.contains ?? []).map((c): Container => {
      const { part } = placed;
      const only = part.contains?.length === 1;
      const top = Math.max(...placed.bodies.map((b) => b.top));
      const foot = markedAt(placed);
      return {
        in: c.id,
        of: placed.id,
        letter,
        name: only ? part.name : `${part.name}, ${c.name}`,
        french: only ? part.french : `${part.french}, ${c.name}`,
        litres: c.litres,
        dry: c.dry,
        shut: c.shut,
        fabric: c.fabric ?? false,
        worn: part.body.place === 'worn',
        at: { x: foot.x, y: foot.y, z: (foot.z + top) / 2 },
      };
    }),
  );
  return [...rooms, ...carried];
}

/** Whether a thing is in a container. */
export const isIn = (s: Pick<Stowed, 'in' | 'of'>, c: Pick<Container, 'in' | 'of'>): boolean =>
  s.in === c.in && (s.of ?? null) === c.of;

/** What is in a container, by name, places kept for later among it. */
export const contentsOf = (stowage: Plan['stowage'], c: Container): [string, Stowed][] =>
  Object.entries(stowage).filter(([, s]) => isIn(s, c));
