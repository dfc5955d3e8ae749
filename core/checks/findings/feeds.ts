import { connectedBy, nominalVolts, stillFed, type Edge } from '../../electric/circuits';
import { say, over } from '../../base/units';
import { check } from './check';
import type { Raw } from './finding';
import { aboutFitting, aboutRun, nameIn } from './wires';

/** A load that no battery feeds, that has no way back, or that gets other volts than it is made for. */
export const fedRight = check({
  about: 'rig',
  finds: {
    'not-fed': { called: 'Not fed', severity: 'look', since: 1 },
    'no-return': { called: 'No way back for the current', severity: 'stop', acceptedBy: 'nobody', since: 10 },
    'wrong-source': { called: 'Fed by the wrong source', severity: 'stop', acceptedBy: 'nobody', since: 1 },
  },
  judge: (judged) => {
    const { network, potentials } = judged.wiring;
    return network.loads.flatMap((load): Raw[] => {
      const item = judged.owned.find((i) => i.placed.id === load.fitting);
      if (!item) return [];
      const { name } = item.placed.part;
      const { amps, volts } = load.of;
      const connected = connectedBy(potentials, load);
      if (connected.is === 'not fed')
        return [
          {
            ...aboutFitting(item),
            code: 'not-fed',
            says: say`${name} has no feed yet.`,
            because: say`It draws ${amps} A at ${volts} V. Route a run from a battery, or from what a battery feeds.`,
          },
        ];
      if (connected.is === 'no way back')
        return [
          {
            ...aboutFitting(item),
            code: 'no-return',
            says: say`What ${name} draws has no way back to the battery it comes from.`,
            because: say`Its minus goes to another battery or to nothing. Out and back go together, to the same battery.`,
          },
        ];
      if (connected.is !== 'fed' || connected.volts === nominalVolts(volts)) return [];
      return [
        {
          ...aboutFitting(item),
          code: 'wrong-source',
          measure: over(Math.abs(connected.volts - nominalVolts(volts)), 'V'),
          says: say`${name} wants ${volts} V; it is fed ${connected.volts} V.`,
          because: say`Feed it from a battery of ${nominalVolts(volts)} V, or through a converter.`,
        },
      ];
    });
  },
});

/** A run from something that neither stores nor hands on; or by a way that is not there. */
export const feeds = check({
  about: 'rig',
  finds: {
    'feeds-nothing': { called: 'Cable fed by nothing', severity: 'stop', acceptedBy: 'nobody', since: 10 },
    'no-way-left': { called: 'No way left in the box', severity: 'stop', acceptedBy: 'nobody', since: 10 },
  },
  judge: (judged) =>
    judged.wiring.runs.flatMap((run): Raw[] => {
      const power = judged.owned.find((i) => i.placed.id === run.from)?.placed.part.power;
      if (!power?.battery && !power?.passes)
        return [
          {
            ...aboutRun(judged, run),
            code: 'feeds-nothing',
            says: say`${nameIn(judged, run.from)} is not a battery and hands nothing on: it cannot feed ${nameIn(judged, run.to)}.`,
            because: say`A run starts at a battery, or at a switch, fuse block or relay box that a battery feeds.`,
          },
        ];
      const ways = power.passes?.ways ?? 0;
      if (run.way === null || run.way <= ways) return [];
      return [
        {
          ...aboutRun(judged, run),
          code: 'no-way-left',
          says: say`${nameIn(judged, run.to)} hangs on way ${run.way} of ${nameIn(judged, run.from)}, which has ${ways}.`,
          because: say`A free way, a second load on one that carries both, or a larger box.`,
        },
      ];
    }),
});

/** A plus and a minus joined with nothing between that draws. Nobody may accept that. */
export const shorted = check({
  about: 'rig',
  finds: {
    shorted: { called: 'Shorted', severity: 'stop', acceptedBy: 'nobody', since: 10 },
  },
  judge: (judged) =>
    judged.wiring.potentials.shorts.slice(0, 1).flatMap((edge): Raw[] => {
      const run =
        judged.wiring.runs.find((r) => judged.wiring.network.leads.some((l) => l.id === edge.id && l.cable === r.id)) ??
        judged.wiring.runs[0];
      return run
        ? [
            {
              ...aboutRun(judged, run),
              code: 'shorted',
              says: say`The cable from ${nameIn(judged, run.from)} to ${nameIn(judged, run.to)} joins points of different volts: a short circuit.`,
              because: say`Batteries side by side have the same volts, plus to plus and minus to minus; in a row plus to minus, once.`,
            },
          ]
        : [];
    }),
});

/** A motor stops when whoever steers it goes over: a lanyard switch stands in its feed. */
export const lanyards = check({
  about: 'rig',
  finds: {
    'no-lanyard': { called: 'Motor without a lanyard', severity: 'stop', since: 14 },
  },
  judge: (judged) => {
    const { network, potentials } = judged.wiring;
    const kills = new Set(network.ways.filter((w) => w.passes.kills).map((w) => w.id));
    const aboard = judged.owned.find((i) => i.placed.part.power?.passes?.kills);
    return network.loads.flatMap((load): Raw[] => {
      const item = judged.owned.find((i) => i.placed.id === load.fitting);
      if (!item || load.of.of !== 'motor' || connectedBy(potentials, load).is !== 'fed') return [];
      const feed: Edge = { id: '', from: load.plus, to: load.plus, is: 'lead' };
      if (!stillFed(network, feed, (edge) => kills.has(edge))) return [];
      const { name } = item.placed.part;
      return [
        {
          ...aboutFitting(item),
          code: 'no-lanyard',
          says: aboard
            ? say`${aboard.letter}, ${aboard.placed.part.name}, is aboard, but ${name} is not fed through it.`
            : say`Nothing stops ${name} when whoever steers it goes over.`,
          because: say`Pulled, a lanyard switch in its feed stops the propeller before it comes to the swimmer, or leaves them behind. A remote that stops it when it is lost does as well: say so.`,
        },
      ];
    });
  },
});
