import { connectedBy, freeWay, inAll, ohmsIn, pathOf, type Poles, type Potential, type Step } from '../../electric/circuits';
import type { Fitted } from '../../holding/fitted';
import { netsOf, pluggedIn, screensFor } from '../../electric/wiring';
import { entryOf, freeKey, type Run } from '../../rig';
import { say, over } from '../../base/units';
import { check } from './check';
import type { Judged, Raw, Try } from './finding';
import { aboutFitting, aboutRun, nameIn } from './wires';

const itemOf = (judged: Judged, fitting: string): Fitted | undefined => judged.owned.find((i) => i.placed.id === fitting);

/** What a part's signal plugs are called. */
const plugsOf = (item: Fitted | undefined): string =>
  item?.placed.part.signal?.jacks.map((j) => j.family).join(' and ') ?? 'no signal plug';

/** A signal cable between parts whose plugs do not mate: they do not understand each other. */
export const signalsUnlike = check({
  about: 'rig',
  finds: {
    'signals-unlike': { called: 'Plugs of a signal cable unlike', severity: 'stop', acceptedBy: 'nobody', since: 12 },
  },
  judge: (judged) =>
    judged.wiring.signals.flatMap((run): Raw[] => {
      if (run.family !== null) return [];
      const [from, to] = [itemOf(judged, run.from), itemOf(judged, run.to)];
      return [
        {
          ...aboutRun(judged, run),
          code: 'signals-unlike',
          says: say`${nameIn(judged, run.from)} has ${plugsOf(from)}, ${nameIn(judged, run.to)} ${plugsOf(to)}: they do not match.`,
          because: say`Screen, transducer and network of one family, or the maker’s adapter between them; most makes understand only their own.`,
        },
      ];
    }),
});

/** More cables at a jack than it takes. */
export const signalsFull = check({
  about: 'rig',
  finds: {
    'signals-full': { called: 'No socket left for a signal cable', severity: 'stop', acceptedBy: 'nobody', since: 12 },
  },
  judge: (judged) =>
    judged.owned.flatMap((item): Raw[] =>
      (item.placed.part.signal?.jacks ?? []).flatMap((jack): Raw[] => {
        const count = pluggedIn(judged.wiring.signals, item.placed.id, jack.family);
        if (count <= jack.ways) return [];
        return [
          {
            ...aboutFitting(item),
            code: 'signals-full',
            detail: jack.family.replace(/\W+/g, '-'),
            measure: over(count, 'count', jack.ways),
            says: say`${item.placed.part.name} takes ${jack.ways} of ${jack.family}; ${count} cables go to it.`,
            because: say`A part with more jacks, or a network box between them.`,
          },
        ];
      }),
    ),
});

/** What senses something that no screen shows. */
export const unread = check({
  about: 'rig',
  finds: {
    unread: { called: 'Nothing reads the transducer', severity: 'look', since: 10 },
  },
  judge: (judged) => {
    const nets = netsOf(judged.wiring.signals.filter((s) => s.family !== null));
    return judged.owned.flatMap((item): Raw[] => {
      const { id, part } = item.placed;
      if (!part.signal?.senses) return [];
      const shown = nets.some((n) => n.includes(id) && n.some((other) => itemOf(judged, other)?.placed.part.screen));
      if (shown) return [];
      const tries = screensFor(judged.owned, judged.wiring.signals, item).map((screen): Try => {
        const to: Run = { from: id, to: screen.placed.id, lane: 'inside port', via: [], awg: null, has: 'signal' };
        const run = freeKey(`signal-${id}`, (key) => Object.hasOwn(judged.plan.runs, key));
        return {
          says: say`Plug it into ${screen.letter}, ${screen.placed.part.name}`,
          changes: [{ kind: 'routeRun', run, from: null, to }],
        };
      });
      return [
        {
          ...aboutFitting(item),
          code: 'unread',
          fixable: tries.length > 0,
          says: say`No screen shows what ${part.name} senses.`,
          because: say`It has ${plugsOf(item)}: a signal cable to a screen that takes it.`,
          tries,
        },
      ];
    });
  },
});

/** So much between two grounds that a signal cable joins is heard (judgement), V. */
const GROUNDS_APART = 0.05;

type OhmsOf = ReturnType<typeof ohmsIn>;

/** What each conductor resists as it is laid. */
function ohmsAsLaid({ wiring: { network, runs } }: Judged): OhmsOf {
  const laid = new Map(runs.map((r) => [r.id, r]));
  return ohmsIn(network, (cable) => ({ cut: laid.get(cable)?.cut ?? 0, area: laid.get(cable)?.area ?? 5 }));
}

/** Volts that what is not of a net raises along some steps, everything on; and the load that raises most of them. */
function raisedBy(
  { wiring: { flows } }: Judged,
  ohmsOf: OhmsOf,
  net: readonly string[],
  steps: readonly Step[],
): { volts: number; by: string | null } {
  const raised = flows
    .filter((f) => !f.charging && !net.includes(f.fitting))
    .map(({ fitting, asked, shares }) => ({
      by: fitting,
      volts: steps.reduce(
        (sum, { edge, along }) => sum + (along ? 1 : -1) * (shares.get(edge.id) ?? 0) * inAll(asked) * ohmsOf(edge),
        0,
      ),
    }))
    .sort((a, b) => Math.abs(b.volts) - Math.abs(a.volts));
  return { volts: raised.reduce((sum, r) => sum + r.volts, 0), by: raised[0]?.by ?? null };
}

/** A ground of a net: the volts it stands over the first of its net, by batteries between them and by what other loads raise. */
interface Ground {
  readonly load: Poles<unknown>;
  readonly between: number;
  readonly raised: number;
}

/** The grounds of a net that hang on the same batteries as the first of them. */
function groundsOf(judged: Judged, ohmsOf: OhmsOf, net: readonly string[]): Ground[] {
  const { network, potentials } = judged.wiring;
  const grounded = network.loads.filter(
    (l) =>
      net.includes(l.fitting) &&
      itemOf(judged, l.fitting)?.placed.part.signal?.grounded &&
      connectedBy(potentials, l).is === 'fed',
  );
  const at = (l: Poles<unknown>): Potential | undefined => potentials.of.get(l.minus);
  return grounded.map((load): Ground => {
    // What hangs on other batteries closes no loop: it has a first of its own.
    const first = grounded.find((l) => at(l)?.island === at(load)?.island) ?? load;
    const { volts } = raisedBy(judged, ohmsOf, net, pathOf(potentials, first.minus, load.minus));
    return { load, raised: volts, between: (at(load)?.volts ?? 0) - (at(first)?.volts ?? 0) };
  });
}

const apartBy = (a: Ground, b: Ground): number => Math.abs(a.raised - b.raised) + Math.abs(a.between - b.between);

/**
 * Two parts that a signal cable joins have their grounds at points of their circuit between which other loads raise volts: part of
 * their current comes back over the signal cable. Said of each part once, against the one before it that stands farthest off.
 */
export const twoGrounds = check({
  about: 'rig',
  finds: {
    'two-grounds': { called: 'Two grounds on one signal', severity: ['look', 'stop'], since: 12 },
  },
  judge: (judged) => {
    const { signals, potentials } = judged.wiring;
    const islandOf = ({ load }: Ground): string | undefined => potentials.of.get(load.minus)?.island;
    if (signals.length === 0) return [];
    const ohmsOf = ohmsAsLaid(judged);
    return netsOf(signals.filter((s) => s.family !== null)).flatMap((net): Raw[] => {
      const grounds = groundsOf(judged, ohmsOf, net);
      return grounds.flatMap((ground, i): Raw[] => {
        const before = grounds.slice(0, i).filter((g) => islandOf(g) === islandOf(ground));
        const [other] = before.sort((a, b) => apartBy(b, ground) - apartBy(a, ground));
        const item = itemOf(judged, ground.load.fitting);
        if (!other || !item || apartBy(other, ground) <= GROUNDS_APART) return [];
        const said = signals.find((s) => s.from === ground.load.fitting || s.to === ground.load.fitting);
        const { by } = raisedBy(judged, ohmsOf, net, pathOf(potentials, other.load.minus, ground.load.minus));
        const shorted = ground.between !== other.between;
        return [
          {
            ...aboutFitting(item),
            code: 'two-grounds',
            severity: shorted ? 'stop' : 'look',
            fixable: true,
            measure: over(apartBy(other, ground), 'V', GROUNDS_APART),
            says: say`${nameIn(judged, other.load.fitting)} and ${item.placed.part.name} are joined by a ${said?.family ?? 'signal'} cable, and ${apartBy(other, ground).toFixed(2)} V stand between their grounds with everything on.`,
            because: shorted
              ? say`The minus of one is the plus of a battery for the other: the signal cable shorts it. Both back to one point.`
              : say`What ${by === null ? 'others draw' : `${nameIn(judged, by)} draws`} comes back over the minus between them, and part of it over the signal cable: noise on the picture (common practice, no source). Both back to one point.`,
            tries: fedTogether(judged, other.load, ground.load),
          },
        ];
      });
    });
  },
});

/** The one fed from where the other is. */
function fedTogether({ plan, wiring, owned }: Judged, one: Poles<unknown>, other: Poles<unknown>): Try[] {
  const feedOf = (fitting: string) => wiring.runs.find((r) => r.to === fitting && r.has === 'both');
  return [
    [one, other],
    [other, one],
  ].flatMap(([stays, moves]): Try[] => {
    const [there, run] = [feedOf(stays?.fitting ?? ''), feedOf(moves?.fitting ?? '')];
    const from = run && entryOf(plan.runs, run.id);
    const box = owned.find((i) => i.placed.id === there?.from);
    if (!there || !run || !from || !box || there.from === run.from) return [];
    const { way: _, name: __, guard: ___, proposed: ____, aboard: _____, ...rest } = from;
    const taken = new Set(wiring.runs.flatMap((r) => (r.from === there.from ? (r.way ?? []) : [])));
    const ways = box.placed.part.power?.passes?.ways ?? 0;
    const free = freeWay(ways, taken);
    if (ways > 0 && free === undefined) return [];
    const to: Run = { ...rest, from: there.from, ...(free === undefined ? {} : { way: free }) };
    return [
      {
        says: say`Feed both from ${box.letter}, ${box.placed.part.name}`,
        changes: [{ kind: 'routeRun', run: run.id, from, to }],
      },
    ];
  });
}
