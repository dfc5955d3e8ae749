import type { Fitted } from '../drilling';
import type { HullSurface } from '../hull';
import type { Brief, Run } from '../rig';
import { say, type Sentence } from '../units';
import { hazardsOn } from './obstacles';
import { routeRun, type Routed } from './route';
import { routeBetween } from './route-for';
import { BESIDE_MOTOR, sideBySide } from './run';

/** What proposed runs are led around. */
interface Among {
  readonly hull: HullSurface;
  readonly owned: readonly Fitted[];
  readonly plan: { readonly brief: Pick<Brief, 'wires'> };
}

const idOf = (item: Fitted): string => item.placed.id;

/**
 * Sends proposed runs another way that would go through foam, a well, a tube or a bulkhead, motors first, the rest clear of them.
 * @param runs changed in place
 * @param kept the rigger's own, which stay as they are
 * @returns what it could not do
 */
export function goAround(
  runs: Map<string, { run: Run; why: Sentence }>,
  kept: readonly Run[],
  { hull, owned, plan }: Among,
): Sentence[] {
  const wants: Sentence[] = [];
  const isMotor = new Set(owned.flatMap((i) => (i.placed.part.power?.draw?.of === 'motor' ? [idOf(i)] : [])));
  // What a motor hangs on carries its current too.
  const cables = [...[...runs.values()].map((r) => r.run), ...kept];
  for (let size = 0; size !== isMotor.size;) {
    size = isMotor.size;
    for (const run of cables) if (isMotor.has(run.to)) isMotor.add(run.from);
  }
  const ends = (run: Run) => [run.from, run.to].map((end) => owned.find((i) => idOf(i) === end)?.placed);
  const lies = (run: Run): Routed | null => {
    const [from, to] = ends(run);
    return from && to ? routeRun(hull, run, from.frame.origin, to.frame.origin) : null;
  };
  const all = [...runs].map(([id, { run, why }]) => ({ id, run, why, motor: isMotor.has(run.to) }));
  const inOrder = all.sort((a, b) => Number(b.motor) - Number(a.motor));
  for (const one of inOrder) {
    const [from, to] = ends(one.run);
    const routed = lies(one.run);
    if (!from || !to || !routed) continue;
    // What it is kept off lies as far as is known now: motors have gone their way before the rest is looked at.
    const others = [...inOrder, ...kept.map((run) => ({ run, motor: isMotor.has(run.to) }))];
    const apart = others.flatMap((o) => (o.motor === one.motor ? [] : (lies(o.run)?.lies ?? [])));
    const through = hazardsOn(hull, routed.legs);
    const beside = one.motor ? 0 : sideBySide(routed, { lies: apart });
    if (!through.length && beside <= BESIDE_MOTOR) continue;
    const found = routeBetween({ hull, plan, owned, apart }, from, to);
    if (found) {
      one.run = { ...one.run, lane: found.lane, via: [...found.via] };
      runs.set(one.id, { run: one.run, why: one.why });
    } else
      for (const { hazard } of through)
        wants.push(say`a way past the ${hazard.name} for ${to.part.name}: a gland, or another place`);
  }
  return wants;
}
