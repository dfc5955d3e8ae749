import type { Placed } from '../../layout';
import type { Run } from '../../rig';
import { say, type Sentence } from '../../base/units';
import { hazardsOn } from './obstacles';
import { routeRun, type Routed } from './route';
import { routesAmong, type FindsRoutes, type RoutedOn } from './route-for';
import { BESIDE_MOTOR, feedsOver, sideBySide } from './run';

/** A cable as it lies just now. */
interface Lying {
  readonly from: Placed;
  readonly to: Placed;
  /** It carries a motor's current. */
  readonly motor: boolean;
  readonly routed: Routed;
}

/**
 * Sends proposed runs another way that would go through foam, a well, a tube or a bulkhead, motors first, the rest clear of them.
 * @param runs changed in place
 * @param kept the rigger's own, which stay as they are
 * @returns what it could not do
 */
export function goAround(runs: Map<string, { run: Run; why: Sentence }>, kept: readonly Run[], among: RoutedOn): Sentence[] {
  const { hull, owned } = among;
  const wants: Sentence[] = [];
  const placed = new Map(owned.map((i) => [i.placed.id, i.placed]));
  const isMotor = new Set(owned.flatMap(({ placed: { id, part } }) => (part.power?.draw?.of === 'motor' ? [id] : [])));
  // What a motor hangs on carries its current too.
  const cables = [...[...runs.values()].map((r) => r.run), ...kept].filter(feedsOver);
  for (let size = 0; size !== isMotor.size;) {
    size = isMotor.size;
    for (const run of cables) if (isMotor.has(run.to)) isMotor.add(run.from);
  }
  const lay = (run: Run): Lying[] => {
    const [from, to] = [placed.get(run.from), placed.get(run.to)];
    if (!from || !to) return [];
    const routed = routeRun(hull, run, from.frame.origin, to.frame.origin, (id) => placed.get(id)?.frame.origin);
    return [{ from, to, motor: feedsOver(run) !== null && isMotor.has(run.to), routed }];
  };
  const others = kept.flatMap(lay);
  const lying = new Map([...runs].flatMap(([id, { run }]) => lay(run).map((l) => [id, l] as const)));
  const inOrder = [...lying].sort(([, a], [, b]) => Number(b.motor) - Number(a.motor));
  let find: FindsRoutes | undefined;
  for (const [id, { from, to, motor, routed }] of inOrder) {
    const proposed = runs.get(id);
    // What it is kept off lies as far as is known now: motors have gone their way before the rest is looked at.
    const apart = [...lying.values(), ...others].flatMap((o) => (o.motor === motor ? [] : o.routed.lies));
    const through = hazardsOn(hull, routed.legs);
    if (!proposed || (!through.length && (motor || sideBySide(routed, { lies: apart }) <= BESIDE_MOTOR))) continue;
    const found = (find ??= routesAmong(among))(from, to, apart);
    if (found) {
      const run = { ...proposed.run, lane: found.lane, via: [...found.via] };
      runs.set(id, { ...proposed, run });
      for (const l of lay(run)) lying.set(id, l);
    } else
      for (const { hazard } of through)
        wants.push(say`a way past the ${hazard.name} for ${to.part.name}: a gland, or another place`);
  }
  return wants;
}
