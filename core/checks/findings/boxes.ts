import { connectedBy, pathOf, printAmps } from '../../electric/circuits';
import { say, over } from '../../base/units';
import { check } from './check';
import type { Raw } from './finding';
import { aboutFitting } from './wires';

/** What hands on current carries no more than it is made for: all of it, and each way. */
export const boxesHold = check({
  about: 'rig',
  finds: {
    'over-way': { called: 'More current than a way of the box carries', severity: 'stop', acceptedBy: 'nobody', since: 10 },
    'over-box': { called: 'More current than the box carries', severity: 'stop', acceptedBy: 'nobody', since: 10 },
  },
  judge: (judged) =>
    judged.owned.flatMap((item): Raw[] => {
      const passes = item.placed.part.power?.passes;
      if (!passes) return [];
      const { wayAmps = passes.amps } = passes;
      const out = judged.wiring.runs.filter((r) => r.from === item.placed.id && r.conductors > 0);
      const byWay = new Map<number, number>();
      for (const r of out) byWay.set(r.way ?? 1, (byWay.get(r.way ?? 1) ?? 0) + r.amps);
      const whole = [...byWay.values()].reduce((a, b) => a + b, 0);
      const loaded = [...byWay].find(([, amps]) => amps > wayAmps + 1e-9);
      const { name } = item.placed.part;
      const found = (code: 'over-way' | 'over-box', amps: number, most: number, what: string): Raw => ({
        ...aboutFitting(item),
        code,
        severity: 'stop',
        measure: over(amps, 'A', most),
        says: say`${what} carries ${most} A; ${printAmps(amps)} A go through it.`,
        because: say`Its contacts burn or weld. A larger one, or less on it.`,
      });
      return [
        ...(loaded && passes.ways > 1 ? [found('over-way', loaded[1], wayAmps, `Way ${loaded[0]} of ${name}`)] : []),
        ...(whole > passes.amps + 1e-9 ? [found('over-box', whole, passes.amps, name)] : []),
      ];
    }),
});

/** A way that is switched says what it switches. */
export const waysNamed = check({
  about: 'rig',
  finds: {
    'way-unnamed': { called: 'Way of a box without a name', severity: 'note', since: 10 },
  },
  judge: (judged) =>
    judged.owned.flatMap((item): Raw[] => {
      const passes = item.placed.part.power?.passes;
      if (!passes?.switched || passes.ways < 2) return [];
      const bare = judged.wiring.runs.filter((r) => r.from === item.placed.id && r.name === null);
      const [first] = bare;
      if (!first) return [];
      return [
        {
          ...aboutFitting(item),
          code: 'way-unnamed',
          says: say`Way ${[...new Set(bare.map((r) => r.way ?? 1))].sort((a, b) => a - b).join(', ')} of ${item.placed.part.name} has no name.`,
          because: say`Whoever presses a button in the dark reads on it what it switches.`,
        },
      ];
    }),
});

/** A light that nothing switches burns until its battery is unplugged. */
export const lightsSwitched = check({
  about: 'rig',
  finds: {
    'light-unswitched': { called: 'Light without a switch', severity: 'look', since: 10 },
  },
  judge: (judged) => {
    const { network, potentials } = judged.wiring;
    return network.loads.flatMap((load): Raw[] => {
      const item = judged.owned.find((i) => i.placed.id === load.fitting);
      if (!item || load.of.of !== 'lights' || load.of.switched || connectedBy(potentials, load).is !== 'fed') return [];
      const on = pathOf(potentials, load.minus, load.plus).map((p) => p.edge.id);
      if (network.ways.some((w) => w.passes.switched && on.includes(w.id))) return [];
      return [
        {
          ...aboutFitting(item),
          code: 'light-unswitched',
          says: say`Nothing switches ${item.placed.part.name}.`,
          because: say`It burns until the battery is unplugged. A way of a switch panel or relay box, or a switch in its cable.`,
        },
      ];
    });
  },
});
