import { entryOf, type Run } from '../../rig';
import { longApart, longMm, mm, say, over, under } from '../../base/units';
import { bundleAcross, cablesOf, HELD_EVERY, longestFree, routeFor, wiresOf, type LaidRun } from '../../electric/wiring';
import { check } from './check';
import { about, type Judged, type Raw, type Try } from './finding';
import { aboutRun, nameIn } from './wires';

/** The way out of another way, where there is one. */
export function routeAround(judged: Judged, run: LaidRun): Try[] {
  const from = entryOf(judged.plan.runs, run.id);
  const found = routeFor(judged, run);
  return from && found
    ? [
        {
          says: say`Route it around, ${longMm(found.length)}`,
          changes: [{ kind: 'routeRun', run: run.id, from, to: found.run }],
        },
      ]
    : [];
}

/** Whether one of the glands that a cable goes through is in a bulkhead. */
const letThrough = ({ owned }: Judged, run: LaidRun, bulkhead: string): boolean =>
  run.glands.some((g) => {
    const place = owned.find((i) => i.placed.id === g)?.placed.place;
    return place?.on === 'bulkhead' && place.bulkhead === bulkhead;
  });

/** Through foam, a well, a bulkhead or a tube. */
export const runThrough = check({
  about: 'rig',
  finds: {
    'run-through': { called: 'Cable through a hazard', severity: 'look', since: 11 },
  },
  judge: (judged) =>
    cablesOf(judged.wiring).flatMap((run) =>
      run.through
        .filter(({ hazard }) => !letThrough(judged, run, hazard.id))
        .map(({ hazard }): Raw => ({
          ...aboutRun(judged, run),
          ...{ code: 'run-through', fixable: true, detail: hazard.id },
          says: say`The cable to ${nameIn(judged, run.to)} goes through the ${hazard.name}.`,
          because:
            hazard.kind === 'bulkhead'
              ? say`What keeps water out of the next room wants a gland there, or a way round by the deck.`
              : say`Nothing is pulled through there. Another lane, or a way round.`,
          tries: () => routeAround(judged, run),
        })),
    ),
});

/** More in a gland than goes through it. */
export const glandSmall = check({
  about: 'rig',
  finds: {
    'gland-small': { called: 'Gland too small', severity: 'look', since: 11 },
  },
  judge: ({ wiring, owned }) =>
    owned.flatMap((item): Raw[] => {
      const { gland } = item.placed.part;
      if (!gland) return [];
      const wires = cablesOf(wiring)
        .filter((r) => r.glands.includes(item.placed.id))
        .flatMap(wiresOf);
      const across = bundleAcross(wires);
      if (across <= gland.takes) return [];
      return [
        {
          ...about(item),
          ...{ code: 'gland-small', step: 'lay out' },
          measure: over(across, 'mm', gland.takes),
          says: say`${item.letter}, ${item.placed.part.name} lets ${mm(gland.takes, 'down')} through; ${wires.length} wires are ${mm(across, 'up')} across.`,
          because: say`A gland closed over too much leaks, one forced cuts. A larger one, or a second beside it.`,
        },
      ];
    }),
});

/** A cable that came with its load and does not reach. */
export const cableShort = check({
  about: 'rig',
  finds: {
    'cable-short': { called: 'Cable short', severity: 'stop', acceptedBy: 'nobody', since: 11 },
  },
  judge: (judged) =>
    cablesOf(judged.wiring).flatMap((run): Raw[] => {
      if (!run.given || run.wanted <= run.cut) return [];
      const from = entryOf(judged.plan.runs, run.id);
      const { aboard: _, ...anew } = from ?? {};
      const pullAnew: Try[] = from?.aboard
        ? [{ says: say`Pull a new one`, changes: [{ kind: 'routeRun', run: run.id, from, to: anew as Run }] }]
        : [];
      return [
        {
          ...aboutRun(judged, run),
          ...{ code: 'cable-short', fixable: true },
          measure: under(run.cut, 'mm', run.wanted),
          says: say`The cable of ${nameIn(judged, run.to)} is ${longApart(run.wanted, run.cut)} too short.`,
          because: say`It ${run.given === 'aboard' ? 'lies in the boat' : 'comes'} ${longMm(run.cut)} long; its way with loops takes ${longMm(run.wanted)}. ${run.given === 'aboard' ? 'A new one' : 'An extension of its maker’s'}, or a shorter way.`,
          tries: () => [...routeAround(judged, run), ...pullAnew],
        },
      ];
    }),
});

/** A piece of a cable that hangs with nothing to hold it. */
export const hangsFree = check({
  about: 'rig',
  finds: {
    'hangs-free': { called: 'Cable hangs free', severity: 'note', since: 11 },
  },
  judge: (judged) =>
    cablesOf(judged.wiring).flatMap((run): Raw[] => {
      const far = longestFree(run);
      if (far <= HELD_EVERY) return [];
      return [
        {
          ...aboutRun(judged, run),
          ...{ code: 'hangs-free' },
          measure: over(far, 'mm', HELD_EVERY),
          says: say`${longMm(far)} of the cable to ${nameIn(judged, run.to)} hangs free of its lane.`,
          because: say`A cable is held every ${mm(HELD_EVERY, 'down')} (ABYC E-11, from memory): a clip on the way, or a point it must pass.`,
        },
      ];
    }),
});
