import { fuseWithin, gaugeWords, printAmps, standardWords } from '../../electric/circuits';
import type { Fitted } from '../../holding/fitted';
import { entryOf, sameJson, type Run } from '../../rig';
import { mm, over, say } from '../../base/units';
import type { WiredRun } from '../../electric/wiring';
import { check } from './check';
import { about, type Judged, type Raw, type Try } from './finding';

/** The fields of a finding about a cable. */
export function aboutRun(
  judged: Judged,
  run: Pick<WiredRun, 'id' | 'to'>,
): Pick<Raw, 'where' | 'letter' | 'x' | 'step' | 'fixable'> {
  const load = judged.owned.find((i) => i.placed.id === run.to);
  return { where: run.id, letter: load?.letter ?? '', x: load?.placed.frame.origin.x ?? 0, step: 'wire', fixable: false };
}

/** The fields of a finding about what a fitting is to the circuit. */
export const aboutFitting = (item: Fitted): ReturnType<typeof about> => ({ ...about(item), step: 'wire' });

export const nameIn = (judged: Judged, fitting: string): string =>
  judged.owned.find((i) => i.placed.id === fitting)?.placed.part.name ?? fitting;

/** A cable with fields of its own left to the core again. */
export function leftOpen({ plan }: Judged, run: string, fields: readonly ('awg' | 'guard')[]): Try[] {
  const from = entryOf(plan.runs, run);
  if (!from) return [];
  const { guard, ...bare } = from;
  const to: Run = {
    ...bare,
    ...(guard === undefined || fields.includes('guard') ? {} : { guard }),
    awg: fields.includes('awg') ? null : from.awg,
  };
  return sameJson(to, from) ? [] : [{ says: say`As the tables choose`, changes: [{ kind: 'routeRun', run, from, to }] }];
}

/** A size in the series that the shop buys. */
const called = ({ wiring }: Judged, awg: number | null): string => gaugeWords(awg, wiring.rules.series);

/** A gauge that what flows heats beyond what its insulation takes. */
export const overheats = check({
  about: 'rig',
  finds: {
    'wire-overheats': { called: 'Wire overheats', severity: 'stop', acceptedBy: 'nobody', since: 4 },
  },
  judge: (judged) =>
    judged.wiring.runs
      .filter(({ awg, amps, size }) => awg === null || size.ampacity < amps)
      .map((run): Raw => {
        const { amps, awg, bundle, size } = run;
        return {
          ...aboutRun(judged, run),
          code: 'wire-overheats',
          fixable: true,
          measure: over(amps, 'A', size.ampacity),
          says:
            awg === null
              ? say`No gauge in the table carries ${printAmps(amps)} A to ${nameIn(judged, run.to)} in a bundle of ${bundle}.`
              : say`${run.gauge} is too thin for ${printAmps(amps)} A in a bundle of ${bundle}; ${called(judged, size.byHeat)} carries it.`,
          because: say`By ${size.sources[0]?.title ?? 'the shop'}: what lies together warms each other.`,
          tries: leftOpen(judged, run.id, ['awg']),
        };
      }),
});

/** A share of volts in words, rounded up: what is over its limit never reads as if it were at it. */
export const percentUp = (percent: number): string => (Math.ceil(percent * 10 - 1e-6) / 10).toFixed(1);

/** More volts lost on the way to a load, over all the cables it hangs on, than its class may lose. */
export const thinWire = check({
  about: 'rig',
  finds: {
    'thin-wire': { called: 'Volts dropped on the way', severity: 'stop', since: 1 },
  },
  judge: (judged) =>
    [...judged.wiring.drops].flatMap(([load, { percent, allowedPercent }]): Raw[] => {
      if (percent <= allowedPercent + 1e-6) return [];
      const { runs, flows } = judged.wiring;
      if (flows.some((f) => f.charging && f.fitting === load)) return [];
      const way = runs.filter((r) => r.feeds.includes(load));
      const last = way.find((r) => r.to === load) ?? way[0];
      if (!last || way.some((r) => r.awg === null)) return [];
      const thin = way.find((r) => (r.size.chosen ?? 99) < (r.awg ?? 0)) ?? last;
      return [
        {
          ...aboutRun(judged, last),
          code: 'thin-wire',
          fixable: true,
          measure: over(percent, '%', allowedPercent),
          says: say`${nameIn(judged, load)} loses ${percentUp(percent)} % on its way from the battery with everything on; ${allowedPercent} % allowed.`,
          because: say`By ${thin.size.sources[0]?.title ?? 'the shop'}, over ${way.length === 1 ? 'its cable' : `all ${way.length} cables on the way`}. ${thin.size.byDrop === null ? 'No gauge of the last alone is enough' : `${called(judged, thin.size.byDrop)} to ${nameIn(judged, thin.to)} is enough`}.`,
          tries: way.flatMap((r) => leftOpen(judged, r.id, ['awg'])),
        },
      ];
    }),
});

/** Nothing between a conductor and a battery that opens when it is shorted. Nobody may accept that. */
export const unguarded = check({
  about: 'rig',
  finds: {
    unguarded: { called: 'Wire without a fuse', severity: 'stop', acceptedBy: 'nobody', since: 10 },
  },
  judge: (judged) =>
    judged.wiring.runs
      .filter((r) => r.guarded === 'no')
      .map((run): Raw => ({
        ...aboutRun(judged, run),
        code: 'unguarded',
        fixable: true,
        says: say`Nothing protects the cable from ${nameIn(judged, run.from)} to ${nameIn(judged, run.to)}.`,
        because: say`Shorted, it glows until the battery is empty. Every conductor that leaves a battery has a fuse or breaker within ${mm(fuseWithin(judged.wiring.rules.standard), 'down')} (${standardWords(judged.wiring.rules.standard)}).`,
        tries: [run, ...judged.wiring.runs.filter((r) => r.guarded === 'no' && r.id !== run.id)].flatMap((r) =>
          leftOpen(judged, r.id, ['guard']),
        ),
      })),
});

/** No protection sold that both carries the load and guards the wire. Nobody may accept that. */
export const noFuse = check({
  about: 'rig',
  finds: {
    'no-fuse': { called: 'No fuse', severity: 'stop', acceptedBy: 'nobody', since: 1 },
  },
  judge: (judged) =>
    judged.wiring.runs
      .filter((r) => r.guarded !== 'no' && r.guard !== null && r.guard.rating === null && r.amps > 0 && r.size.ampacity >= r.amps)
      .map((run): Raw => ({
        ...aboutRun(judged, run),
        code: 'no-fuse',
        measure: over(run.amps, 'A'),
        says: say`No fuse sold both carries ${printAmps(run.amps)} A and guards ${run.gauge}.`,
        because: say`Protection stands between load and ampacity, within ${mm(fuseWithin(judged.wiring.rules.standard), 'down')} of the battery. Shared over two feeds each takes a smaller one.`,
      })),
});

/** What protects a wire lets more through than the wire carries. */
export const fuseTooLarge = check({
  about: 'rig',
  finds: {
    'fuse-too-large': { called: 'Fuse larger than the wire allows', severity: 'stop', acceptedBy: 'nobody', since: 10 },
  },
  judge: (judged) =>
    judged.wiring.runs
      .filter((r) => r.guarded === 'too large' && r.guard?.rating !== null && r.size.ampacity >= r.amps)
      .map((run): Raw => {
        const own = run.guard?.cable === run.id ? run.guard.rating : null;
        return {
          ...aboutRun(judged, run),
          code: 'fuse-too-large',
          fixable: true,
          measure: over(run.guard?.rating ?? 0, 'A', run.size.ampacity),
          says: say`The ${run.gauge} to ${nameIn(judged, run.to)} carries ${Math.floor(run.size.ampacity)} A; ${own === null ? 'what stands before it is rated higher' : `its ${own} A fuse is larger`}.`,
          because: say`The wire burns before the fuse opens. A smaller fuse, a fuse of its own, or a thicker wire (${standardWords(judged.wiring.rules.standard)}).`,
          tries: leftOpen(judged, run.id, ['awg', 'guard']),
        };
      }),
});

/** A rigger's own gauge: none thinner than the shop works with, and none that E-11 lets lie singly only in a sheath. */
export const ownGauge = check({
  about: 'rig',
  finds: {
    'thin-singly': { called: 'Thin wire lying singly', severity: 'stop', acceptedBy: 'manager', since: 14 },
    'under-shop-least': { called: 'Under the shop’s least gauge', severity: 'look', since: 14 },
  },
  judge: (judged) =>
    judged.wiring.runs.flatMap((run): Raw[] => {
      const own = entryOf(judged.plan.runs, run.id);
      const { byShop } = run.size;
      if (!own || own.awg === null || own.aboard || run.awg === null) return [];
      const fields = { ...aboutRun(judged, run), fixable: true, tries: leftOpen(judged, run.id, ['awg']) };
      if (run.awg === 18 && run.has !== 'both' && judged.wiring.rules.standard !== 'ISO 13297')
        return [
          {
            ...fields,
            code: 'thin-singly',
            says: say`${run.gauge} lies singly on its way to ${nameIn(judged, run.to)}.`,
            because: say`By ABYC E-11, from memory, 16 AWG is the least of a single conductor; 18 AWG lies in the sheath of a cable.`,
          },
        ];
      if (byShop === null || run.awg <= byShop) return [];
      return [
        {
          ...fields,
          code: 'under-shop-least',
          measure: over(run.awg, 'count', byShop),
          says: say`${run.gauge} to ${nameIn(judged, run.to)} is under the least this shop works with, ${called(judged, byShop)}.`,
          because: say`Thinner wire breaks at its terminals when it is pulled and shaken.`,
        },
      ];
    }),
});
