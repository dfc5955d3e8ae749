import { connectedBy, nominalVolts, pathOf, printAmps, stillFed, type Edge } from '../../electric/circuits';
import { say, over } from '../../base/units';
import { comesOff } from '../../layout';
import type { Judgement, Raw } from './finding';
import { aboutFitting, aboutRun, nameIn } from './wires';

/** A load that no battery feeds, that has no way back, or that gets other volts than it is made for. */
export const fedRight: Judgement = (judged) => {
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
          severity: 'look',
          says: say`${name} has no feed yet.`,
          because: say`It draws ${amps} A at ${volts} V. Route a run from a battery, or from what a battery feeds.`,
        },
      ];
    if (connected.is === 'no way back')
      return [
        {
          ...aboutFitting(item),
          code: 'no-return',
          severity: 'stop',
          says: say`What ${name} draws has no way back to the battery it comes from.`,
          because: say`Its minus goes to another battery or to nothing. Out and back go together, to the same battery.`,
        },
      ];
    if (connected.is !== 'fed' || connected.volts === nominalVolts(volts)) return [];
    return [
      {
        ...aboutFitting(item),
        code: 'wrong-source',
        severity: 'stop',
        measure: over(Math.abs(connected.volts - nominalVolts(volts)), 'V'),
        says: say`${name} wants ${volts} V; it is fed ${connected.volts} V.`,
        because: say`Feed it from a battery of ${nominalVolts(volts)} V, or through a converter.`,
      },
    ];
  });
};

/** A run from something that neither stores nor hands on; or by a way that is not there. */
export const feeds: Judgement = (judged) =>
  judged.wiring.runs.flatMap((run): Raw[] => {
    const power = judged.owned.find((i) => i.placed.id === run.from)?.placed.part.power;
    if (!power?.battery && !power?.passes)
      return [
        {
          ...aboutRun(judged, run),
          code: 'feeds-nothing',
          severity: 'stop',
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
        severity: 'stop',
        says: say`${nameIn(judged, run.to)} hangs on way ${run.way} of ${nameIn(judged, run.from)}, which has ${ways}.`,
        because: say`A free way, a second load on one that carries both, or a larger box.`,
      },
    ];
  });

/** A plus and a minus joined with nothing between that draws. Nobody may accept that. */
export const shorted: Judgement = (judged) =>
  judged.wiring.potentials.shorts.slice(0, 1).flatMap((edge): Raw[] => {
    const run =
      judged.wiring.runs.find((r) => judged.wiring.network.leads.some((l) => l.id === edge.id && l.cable === r.id)) ??
      judged.wiring.runs[0];
    return run
      ? [
          {
            ...aboutRun(judged, run),
            code: 'shorted',
            severity: 'stop',
            says: say`The cable from ${nameIn(judged, run.from)} to ${nameIn(judged, run.to)} joins points of different volts: a short circuit.`,
            because: say`Batteries side by side have the same volts, plus to plus and minus to minus; in a row plus to minus, once.`,
          },
        ]
      : [];
  });

/** A motor stops when whoever steers it goes over: a lanyard switch stands in its feed. */
export const lanyards: Judgement = (judged) => {
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
        severity: 'stop',
        says: aboard
          ? say`${aboard.letter}, ${aboard.placed.part.name}, is aboard, but ${name} is not fed through it.`
          : say`Nothing stops ${name} when whoever steers it goes over.`,
        because: say`Pulled, a lanyard switch in its feed stops the propeller before it comes to the swimmer, or leaves them behind. A remote that stops it when it is lost does as well: say so.`,
      },
    ];
  });
};

/** What hands on current carries no more than it is made for: all of it, and each way. */
export const boxesHold: Judgement = (judged) =>
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
  });

/** A way that is switched says what it switches. */
export const waysNamed: Judgement = (judged) =>
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
        severity: 'note',
        says: say`Way ${[...new Set(bare.map((r) => r.way ?? 1))].sort((a, b) => a - b).join(', ')} of ${item.placed.part.name} has no name.`,
        because: say`Whoever presses a button in the dark reads on it what it switches.`,
      },
    ];
  });

/** A light that nothing switches burns until its battery is unplugged. */
export const lightsSwitched: Judgement = (judged) => {
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
        severity: 'look',
        says: say`Nothing switches ${item.placed.part.name}.`,
        because: say`It burns until the battery is unplugged. A way of a switch panel or relay box, or a switch in its cable.`,
      },
    ];
  });
};

/** A battery that stays aboard is charged where it stands. */
export const chargedAboard: Judgement = (judged) => {
  const { network, flows } = judged.wiring;
  return network.batteries.flatMap((b): Raw[] => {
    const item = judged.owned.find((i) => i.placed.id === b.fitting);
    if (!item || comesOff(item.placed)) return [];
    if (flows.some((f) => f.charging && (f.shares.get(b.fitting) ?? 0) !== 0)) return [];
    return [
      {
        ...aboutFitting(item),
        code: 'battery-uncharged',
        severity: 'look',
        says: say`${item.placed.part.name} stays aboard and no charge port goes to it.`,
        because: say`Charged where it stands it is never carried, but nobody opens a hatch for it each night: a port outside, with a cap and a label.`,
      },
    ];
  });
};

/** What charges a battery, or a row of them, is made for its volts. */
export const chargedAt: Judgement = (judged) =>
  judged.wiring.flows.flatMap((f): Raw[] => {
    const item = judged.owned.find((i) => i.placed.id === f.fitting);
    const volts = f.charging ? item?.placed.part.power?.charges?.volts : undefined;
    if (!item || volts === undefined || f.volts === nominalVolts(volts)) return [];
    const across = judged.wiring.network.batteries.filter((b) => (f.shares.get(b.fitting) ?? 0) !== 0);
    return [
      {
        ...aboutFitting(item),
        ...{ code: 'charger-volts', severity: 'stop' },
        measure: over(Math.abs(f.volts - nominalVolts(volts)), 'V'),
        says: say`${item.placed.part.name} charges ${nominalVolts(volts)} V; it is wired to ${f.volts} V.`,
        because:
          across.length > 1
            ? say`It lies across ${across.length} batteries in a row: one charger of ${f.volts} V, or one for each of them.`
            : say`Too few volts put nothing in, too many ruin the battery. A charger of ${f.volts} V.`,
      },
    ];
  });

/** What charges a battery is made for its kind, and charges it no faster than it takes. */
export const chargedRight: Judgement = (judged) => {
  const { network, flows } = judged.wiring;
  return network.batteries.flatMap((b): Raw[] =>
    flows
      .filter((f) => f.charging && (f.shares.get(b.fitting) ?? 0) !== 0)
      .flatMap((f): Raw[] => {
        const item = judged.owned.find((i) => i.placed.id === f.fitting);
        const charges = item?.placed.part.power?.charges;
        if (!item || !charges) return [];
        const { suits, amps } = charges;
        const { chemistry, takes } = b.of;
        const unlike = suits !== undefined && suits !== chemistry;
        const through = amps * Math.abs(f.shares.get(b.fitting) ?? 0);
        const fast = takes !== undefined && through > takes + 1e-9;
        const found = (
          code: 'charger-unlike' | 'charged-too-fast',
          says: Raw['says'],
          because: Raw['because'],
          measure: Raw['measure'] = null,
        ): Raw => ({
          ...aboutFitting(item),
          ...{ code, severity: 'stop', measure, says, because },
        });
        return [
          ...(unlike
            ? [
                found(
                  'charger-unlike',
                  say`${item.placed.part.name} charges ${suits}; ${nameIn(judged, b.fitting)} is ${chemistry}.`,
                  say`Each kind ends at other volts: charged wrong it is never full, or it is ruined, and lead gasses. A charger for ${chemistry}.`,
                ),
              ]
            : []),
          ...(fast
            ? [
                found(
                  'charged-too-fast',
                  say`${printAmps(through)} A come in through ${item.placed.part.name}; ${nameIn(judged, b.fitting)} takes ${printAmps(takes ?? 0)} A.`,
                  say`Its own protection switches it off, or it is worn by it. A smaller charger, or a larger battery.`,
                  over(through, 'A', takes),
                ),
              ]
            : []),
        ];
      }),
  );
};
