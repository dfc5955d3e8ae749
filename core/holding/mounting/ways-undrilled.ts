import { railFault } from '../../layout';
import { distance, say } from '../../base/units';
import { none, refuse, type MountedBy } from './mounted';

/** On a pad glued down. */
export const glued: MountedBy = (_placed, _mount, _shop, hull) =>
  hull.material === 'polyethylene'
    ? refuse(say`few adhesives hold on polyethylene`)
    : { ...none, fastener: 'Glue pad', count: 1, spots: [{ u: 0, v: 0 }] };

/** A clamp closed on a rail. */
export const clamped: MountedBy = ({ part, place }, _mount, _shop, hull) => {
  const rail = place.on === 'rail' ? hull.rails?.find((r) => r.id === place.rail) : undefined;
  if (!rail && place.on !== 'fitting') return refuse(say`no rail here to clamp on`);
  return { ...none, fastener: 'Clamp', count: 1, spots: [{ u: 0, v: 0 }], cannot: rail ? railFault(part, rail) : null };
};

/** Cable ties round what stands close by. */
export const tied: MountedBy = ({ place, frame }, _mount, _shop, hull) => {
  const round = place.on === 'rail' || place.on === 'fitting';
  const near = (hull.ties ?? []).filter((t) => t.room === undefined && distance(t, frame.origin) <= TIE_REACH);
  if (!round && near.length < 2) return refuse(say`nothing here to put a tie round: a rail, a crate, two tie points`);
  return { ...none, fastener: 'Cable tie', count: TIES, spots: [{ u: 0, v: 0 }] };
};

/** Two ties, so that one may let go (judgement); round eyes no farther off than a long tie goes, mm. */
const TIES = 2;
const TIE_REACH = 150;

/** Hook-and-loop, where it stays dry and shaded. */
export const padded: MountedBy = ({ place, below }, _mount, _shop, hull) =>
  !below && hull.material === 'polyethylene'
    ? refuse(say`its pads do not stay on polyethylene`)
    : place.on === 'rail' || place.on === 'side'
      ? refuse(say`it wants a flat place for its pads`)
      : { ...none, fastener: 'Hook-and-loop pad', count: 1, spots: [{ u: 0, v: 0 }] };

/** A magnet on steel put there for it. */
export const onSteel: MountedBy = ({ part, below }) => {
  if (part.holding.magnet === undefined) return refuse(say`it has no magnet`);
  return below?.part.joins?.heads.some((h) => h.kind === 'steel')
    ? { ...none, spots: [{ u: 0, v: 0 }] }
    : refuse(say`no steel under it: put a steel disc there first`);
};

/** Tie points so near a thing's middle take its straps, where nobody said which (judgement), mm. */
export const STRAP_REACH = 600;

/** Straps to tie points. */
export const strapped: MountedBy = ({ place, frame, fitting, below }, _mount, _shop, hull) => {
  // Where its straps are said, that they hold is judged with all the ties aboard.
  if (fitting.straps?.length) return { ...none, fastener: 'Strap', count: fitting.straps.length };
  // A board or a tray with slots of its own holds what stands on it.
  if ((below?.part.ties?.length ?? 0) >= 2) return { ...none, fastener: 'Strap', count: 1 };
  const room = place.on === 'space' ? place.space : undefined;
  const near = (hull.ties ?? []).filter((t) => t.room === room && distance(t, frame.origin) <= STRAP_REACH);
  if (near.length < 2) return refuse(say`no two tie points near it to draw a strap between`);
  return { ...none, fastener: 'Strap', count: 1 };
};
