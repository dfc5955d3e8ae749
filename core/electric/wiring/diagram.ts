import type { Fitted } from '../../holding/fitted';
import type { Diagram, DiagramBox, DiagramEdge, DiagramWire, DiagramNode, DiagramPort } from './diagram-graph';
import { conductorsOf } from './ends';
import { labelled } from './lists';
import type { SignalRun } from './signals';
import type { Wiring } from './wire-up';
import type { WiredRun } from './wired-run';

const LETTER = 6.4;
const PORT = 18;
const LINE = 14;

type SideOf = 'WEST' | 'EAST';
interface Port {
  readonly id: string;
  readonly side: SideOf;
  readonly says: string;
}

/** A box before its size is known. */
interface Box extends Omit<DiagramBox, 'ports'> {
  readonly id: string;
  readonly ports: readonly Port[];
}

/** A conductor, or a piece of one, from port to port. */
interface Lead {
  readonly edge: DiagramEdge;
  readonly line: DiagramWire;
}

/** Where a box has its ports: under the words, in their order, on the side they are for. */
function nodeOf({ id, title, more, ports }: Box): DiagramNode {
  const of = (side: SideOf): readonly Port[] => ports.filter((p) => p.side === side);
  const longest = (side: SideOf): number => Math.max(0, ...of(side).map((p) => p.says.length));
  const width = Math.max(title.length, more.length, longest('WEST') + longest('EAST') + 3) * LETTER + 16;
  // What has no words at its ports has them half way up.
  const bare = ports.every((p) => !p.says);
  const height = 2 * LINE + 12 + (bare ? 0 : PORT * Math.max(of('WEST').length, of('EAST').length));
  const placed = (['WEST', 'EAST'] as const).flatMap((side) =>
    of(side).map(({ id: port }, i): DiagramPort => ({
      ...{ id: port, width: 1, height: 1, x: side === 'WEST' ? -1 : width },
      y: bare ? height / 2 : 2 * LINE + 10 + PORT * (i + 0.5),
      layoutOptions: { 'elk.port.side': side },
    })),
  );
  return { id, width, height, ports: placed, layoutOptions: { 'elk.portConstraints': 'FIXED_POS' } };
}

type Labelled<R> = readonly { readonly run: R; readonly label: string }[];

/** Everything that a box is made from. */
interface Joined {
  readonly cables: Labelled<WiredRun>;
  readonly signals: Labelled<SignalRun>;
}

/** A fitting as a box: its poles, its ways where it hands on, its jacks. */
function boxOf({ placed: { id, part }, letter }: Fitted, { cables, signals }: Joined): Box {
  const { battery, passes, draw, charges } = part.power ?? {};
  const port = (side: SideOf, what: string, says: string): Port => ({ id: `${id} ${what}`, side, says });
  const poles = (side: SideOf): Port[] => [port(side, `${side} +`, '+'), port(side, `${side} -`, '−')];
  const fed = cables.some(({ run }) => run.to === id) ? poles('WEST') : [];
  const box = { id, fitting: id, title: `${letter} ${part.name}` };
  if (passes) {
    const out = cables.filter((c) => c.run.from === id);
    const ways = [...new Set(out.map((c) => c.run.way ?? 1))].sort((a, b) => a - b);
    const says = (way: number): string =>
      `${passes.ways > 1 ? way : ''} ${out.find((c) => c.run.way === way)?.run.name ?? ''}`.trim();
    const outs = ways.map((w) => port('EAST', `EAST ${w}`, says(w) || '+'));
    const more = `${passes.amps} A${passes.switched ? ', switched' : ''}`;
    return { ...box, more, ports: [...poles('WEST'), ...outs, port('EAST', 'EAST -', '−')] };
  }
  if (battery) return { ...box, more: `${battery.volts} V`, ports: [...fed, ...poles('EAST')] };
  const jacks = signals.flatMap(({ run }): Port[] =>
    run.from === id
      ? [port('EAST', `signal ${run.id}`, 'signal')]
      : run.to === id
        ? [port('WEST', `signal ${run.id}`, 'signal')]
        : [],
  );
  const more = draw ? `${draw.amps} A` : charges ? `${charges.amps} A in` : '';
  return { ...box, more, ports: [...fed, ...jacks] };
}

/** A line from port to port, with what is written on it. */
const lead = (id: string, [from, to]: readonly [string, string], says: string, line: DiagramWire): Lead => ({
  line,
  edge: {
    ...{ id, sources: [from], targets: [to] },
    labels: says ? [{ text: says, width: says.length * 5.6 + 6, height: 12 }] : [],
  },
});

/** The conductors of a cable, and the fuse that stands in what goes out. */
function conductors(
  { run, label }: Labelled<WiredRun>[number],
  { guards }: Wiring,
  passes: (fitting: string) => boolean,
): { readonly leads: readonly Lead[]; readonly fuses: readonly Box[] } {
  const [guard] = guards.filter((g) => g.cable === run.id);
  const fuse = `${run.id} fuse`;
  const pole = (p: '+' | '−'): string => (p === '+' ? '+' : '-');
  const leads = conductorsOf(run).flatMap(({ colour, from, to }): Lead[] => {
    const out = from === '+';
    const line: DiagramWire = { run: run.id, colour, thick: Math.max(1, (20 - (run.awg ?? 18)) / 3) };
    const start = `${run.from} EAST ${out && passes(run.from) ? (run.way ?? 1) : pole(from)}`;
    const end = `${run.to} WEST ${pole(to)}`;
    const says = `${label}${out ? '' : ' −'} · ${run.gauge}`;
    const id = `${run.id} ${out ? 'out' : 'back'}`;
    return out && guard
      ? [lead(`${id} before`, [start, `${fuse} in`], '', line), lead(id, [`${fuse} out`, end], says, line)]
      : [lead(id, [start, end], says, line)];
  });
  if (!guard || leads.every(({ edge }) => !edge.targets.includes(`${fuse} in`))) return { leads, fuses: [] };
  const ports: Port[] = [
    { id: `${fuse} in`, side: 'WEST', says: '' },
    { id: `${fuse} out`, side: 'EAST', says: '' },
  ];
  const title = guard.rating === null ? 'none sold' : `${guard.rating} A`;
  return { leads, fuses: [{ id: fuse, fitting: null, title, more: guard.kind, ports }] };
}

const signalLead = ({ run, label }: Labelled<SignalRun>[number]): Lead =>
  lead(
    `${run.id} signal`,
    [`${run.from} signal ${run.id}`, `${run.to} signal ${run.id}`],
    `${label} · ${run.family ?? 'plugs do not match'}`,
    { run: run.id, colour: null, thick: 1.5 },
  );

/** How the graph is laid out: left to right, lines square. */
const LAYOUT = {
  'elk.algorithm': 'layered',
  'elk.direction': 'RIGHT',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.layered.spacing.nodeNodeBetweenLayers': '46',
  'elk.spacing.nodeNode': '22',
  'elk.spacing.edgeEdge': '10',
  'elk.spacing.edgeNode': '14',
  'elk.layered.spacing.edgeNodeBetweenLayers': '14',
  'elk.edgeLabels.inline': 'false',
  'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
} as const;

/** The circuit as a graph: batteries to the left, loads to the right, every conductor a line in its colour, signal cables besides. */
export function diagramOf(wiring: Wiring, owned: readonly Fitted[]): Diagram {
  const cables = labelled(wiring.runs, owned);
  const signals = labelled(wiring.signals, owned);
  const used = new Set([...cables, ...signals].flatMap(({ run }) => [run.from, run.to]));
  const passing = new Set(owned.flatMap((i) => (i.placed.part.power?.passes ? [i.placed.id] : [])));
  const stood = owned.filter((i) => used.has(i.placed.id)).map((i) => boxOf(i, { cables, signals }));
  const led = cables.map((c) => conductors(c, wiring, (fitting) => passing.has(fitting)));
  const boxes = [...stood, ...led.flatMap((l) => l.fuses)];
  const leads = [...led.flatMap((l) => l.leads), ...signals.map(signalLead)];
  const ports = new Set(boxes.flatMap((b) => b.ports.map((p) => p.id)));
  return {
    graph: {
      id: 'circuit',
      layoutOptions: LAYOUT,
      children: boxes.map(nodeOf),
      // What is led from a part that feeds nothing is a finding, and has no port to come from.
      edges: leads.map((l) => l.edge).filter((e) => [...e.sources, ...e.targets].every((p) => ports.has(p))),
    },
    boxes: new Map(
      boxes.map(({ id, title, more, fitting, ports: all }) => [
        id,
        { title, more, fitting, ports: new Map(all.map((p) => [p.id, p.says])) },
      ]),
    ),
    lines: new Map(leads.map(({ edge, line }) => [edge.id, line])),
  };
}
