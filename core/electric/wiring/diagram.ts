import type { Fitted } from '../../holding/fitted';
import { conductorsOf } from './ends';
import { labelled } from './lists';
import type { Wiring } from './wire-up';
import type { WiredRun } from './wired-run';

/** A graph as a layout library takes it: boxes with ports on their sides, and lines between ports. Lengths in points. */
export interface DiagramGraph {
  readonly id: string;
  readonly layoutOptions: Readonly<Record<string, string>>;
  readonly children: DiagramNode[];
  readonly edges: DiagramEdge[];
}

interface Sized {
  readonly width: number;
  readonly height: number;
  /** From the upper left corner of what it is in, as laid out. */
  readonly x?: number;
  readonly y?: number;
}

export interface DiagramNode extends Sized {
  readonly id: string;
  readonly layoutOptions: Readonly<Record<string, string>>;
  readonly ports: DiagramPort[];
}

interface DiagramPort extends Sized {
  readonly id: string;
  readonly layoutOptions: Readonly<Record<string, string>>;
}

interface DiagramEdge {
  readonly id: string;
  readonly sources: string[];
  readonly targets: string[];
  readonly labels: (Sized & { readonly text: string })[];
  readonly sections?: readonly { readonly startPoint: Spot; readonly endPoint: Spot; readonly bendPoints?: readonly Spot[] }[];
}

interface Spot {
  readonly x: number;
  readonly y: number;
}

/** The graph as it was laid out. */
export interface LaidDiagram extends Sized {
  readonly children?: readonly DiagramNode[];
  readonly edges?: readonly DiagramEdge[];
}

/** What stands on the diagram of a rig, before it is laid out. */
export interface Diagram {
  readonly graph: DiagramGraph;
  readonly boxes: ReadonlyMap<string, DiagramBox>;
  readonly lines: ReadonlyMap<string, DiagramLine>;
}

export interface DiagramBox {
  readonly title: string;
  readonly more: string;
  readonly fitting: string | null;
  /** What is written beside each port. */
  readonly ports: ReadonlyMap<string, string>;
}

export interface DiagramLine {
  readonly run: string;
  /** Null for a signal cable. */
  readonly colour: WiredRun['colour'] | null;
  readonly thick: number;
}

const LETTER = 6.4;
const PORT = 18;
const LINE = 14;

type SideOf = 'WEST' | 'EAST';
interface Port {
  readonly id: string;
  readonly side: SideOf;
  readonly says: string;
}

/** The circuit as a graph: batteries to the left, loads to the right, every conductor a line in its colour, signal cables besides. */
export function diagramOf(wiring: Wiring, owned: readonly Fitted[]): Diagram {
  const boxes = new Map<string, DiagramBox>();
  const children: DiagramNode[] = [];
  const edges: DiagramEdge[] = [];
  const lines = new Map<string, DiagramLine>();
  const add = (id: string, fitting: string | null, title: string, more: string, ports: readonly Port[]): void => {
    const of = (side: SideOf): readonly Port[] => ports.filter((p) => p.side === side);
    const longest = (side: SideOf): number => Math.max(0, ...of(side).map((p) => p.says.length));
    const width = Math.max(title.length, more.length, longest('WEST') + longest('EAST') + 3) * LETTER + 16;
    // What has no words at its ports has them half way up.
    const bare = ports.every((p) => !p.says);
    const height = 2 * LINE + 12 + (bare ? 0 : PORT * Math.max(of('WEST').length, of('EAST').length));
    // Ports stand under the words, in their order, on the side they are for.
    const placed = (['WEST', 'EAST'] as const).flatMap((side) =>
      of(side).map((p, i): DiagramPort => ({
        ...{
          id: p.id,
          width: 1,
          height: 1,
          x: side === 'WEST' ? -1 : width,
          y: bare ? height / 2 : 2 * LINE + 10 + PORT * (i + 0.5),
        },
        layoutOptions: { 'elk.port.side': side },
      })),
    );
    children.push({ id, width, height, ports: placed, layoutOptions: { 'elk.portConstraints': 'FIXED_POS' } });
    boxes.set(id, { title, more, fitting, ports: new Map(ports.map((p) => [p.id, p.says])) });
  };
  const cables = labelled(wiring.runs, owned);
  const signals = labelled(wiring.signals, owned);
  const fed = new Set(cables.map(({ run }) => run.to));
  const used = new Set([...cables, ...signals].flatMap(({ run }) => [run.from, run.to]));
  for (const { placed, letter } of owned) {
    const { id, part } = placed;
    const { battery, passes, draw, charges } = part.power ?? {};
    if (!used.has(id)) continue;
    const port = (side: SideOf, what: string, says: string): Port => ({ id: `${id} ${what}`, side, says });
    const poles = (side: SideOf): Port[] => [port(side, `${side} +`, '+'), port(side, `${side} -`, '−')];
    const title = `${letter} ${part.name}`;
    const jacks = signals.flatMap(({ run }): Port[] =>
      run.from === id
        ? [port('EAST', `signal ${run.id}`, 'signal')]
        : run.to === id
          ? [port('WEST', `signal ${run.id}`, 'signal')]
          : [],
    );
    if (passes) {
      const out = cables.filter((c) => c.run.from === id);
      const ways = [...new Set(out.map((c) => c.run.way ?? 1))].sort((a, b) => a - b);
      const says = (way: number): string =>
        `${passes.ways > 1 ? way : ''} ${out.find((c) => c.run.way === way)?.run.name ?? ''}`.trim();
      add(id, id, title, `${passes.amps} A${passes.switched ? ', switched' : ''}`, [
        ...poles('WEST'),
        ...ways.map((w) => port('EAST', `EAST ${w}`, says(w) || '+')),
        port('EAST', 'EAST -', '−'),
      ]);
    } else if (battery) add(id, id, title, `${battery.volts} V`, [...(fed.has(id) ? poles('WEST') : []), ...poles('EAST')]);
    else {
      const more = draw ? `${draw.amps} A` : charges ? `${charges.amps} A in` : '';
      add(id, id, title, more, [...(fed.has(id) ? poles('WEST') : []), ...jacks]);
    }
  }
  const passing = new Set(owned.flatMap((i) => (i.placed.part.power?.passes ? [i.placed.id] : [])));
  for (const { run, label } of cables) {
    const guards = wiring.guards.filter((g) => g.cable === run.id);
    for (const { colour, from, to } of conductorsOf(run)) {
      const out = from === '+';
      const pole = (p: '+' | '−'): string => (p === '+' ? '+' : '-');
      const start = `${run.from} EAST ${out && passing.has(run.from) ? (run.way ?? 1) : pole(from)}`;
      const end = `${run.to} WEST ${pole(to)}`;
      const [guard] = out ? guards : [];
      const says = `${label}${out ? '' : ' −'} · ${run.gauge}`;
      const line = (id: string, a: string, b: string, said: boolean): void => {
        const labels = said ? [{ text: says, width: says.length * 5.6 + 6, height: 12 }] : [];
        edges.push({ id, sources: [a], targets: [b], labels });
        lines.set(id, { run: run.id, colour, thick: Math.max(1, (20 - (run.awg ?? 18)) / 3) });
      };
      const id = `${run.id} ${out ? 'out' : 'back'}`;
      if (!guard) {
        line(id, start, end, true);
        continue;
      }
      const fuse = `${run.id} fuse`;
      add(fuse, null, guard.rating === null ? 'none sold' : `${guard.rating} A`, guard.kind, [
        { id: `${fuse} in`, side: 'WEST', says: '' },
        { id: `${fuse} out`, side: 'EAST', says: '' },
      ]);
      line(`${id} before`, start, `${fuse} in`, false);
      line(id, `${fuse} out`, end, true);
    }
  }
  for (const { run, label } of signals) {
    const id = `${run.id} signal`;
    const says = `${label} · ${run.family ?? 'plugs do not match'}`;
    const labels = [{ text: says, width: says.length * 5.6 + 6, height: 12 }];
    edges.push({ id, sources: [`${run.from} signal ${run.id}`], targets: [`${run.to} signal ${run.id}`], labels });
    lines.set(id, { run: run.id, colour: null, thick: 1.5 });
  }
  const ports = new Set(children.flatMap((c) => c.ports.map((p) => p.id)));
  return {
    graph: {
      id: 'circuit',
      layoutOptions: {
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
      },
      children,
      // What is led from a part that feeds nothing is a finding, and has no port to come from.
      edges: edges.filter((e) => [...e.sources, ...e.targets].every((p) => ports.has(p))),
    },
    boxes,
    lines,
  };
}

/** One thing on the drawn diagram; lengths in points from the upper left. */
export type DiagramShape =
  | {
      readonly is: 'box';
      readonly id: string;
      readonly fitting: string | null;
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
    }
  | {
      readonly is: 'line';
      readonly id: string;
      readonly run: string;
      readonly colour: DiagramLine['colour'];
      readonly thick: number;
      readonly points: readonly Spot[];
    }
  | {
      readonly is: 'text';
      readonly id: string;
      readonly x: number;
      readonly y: number;
      readonly says: string;
      readonly from: 'start' | 'middle' | 'end';
      readonly bold: boolean;
      readonly run: string | null;
    };

export interface DrawnDiagram {
  readonly width: number;
  readonly height: number;
  readonly shapes: readonly DiagramShape[];
}

/** The laid out graph as shapes: lines under boxes under words. */
export function drawDiagram({ boxes, lines }: Diagram, laid: LaidDiagram): DrawnDiagram {
  const drawn = (laid.edges ?? []).flatMap((edge): DiagramShape[] => {
    const line = lines.get(edge.id);
    if (!line) return [];
    const paths = (edge.sections ?? []).map((s, i): DiagramShape => ({
      ...{ is: 'line', id: `${edge.id} ${i}`, ...line },
      points: [s.startPoint, ...(s.bendPoints ?? []), s.endPoint],
    }));
    const words = edge.labels.map((l, i): DiagramShape => ({
      ...{ is: 'text', id: `${edge.id} label ${i}`, says: l.text, from: 'start', bold: false, run: line.run },
      ...{ x: (l.x ?? 0) + 3, y: (l.y ?? 0) + 9 },
    }));
    return [...paths, ...words];
  });
  const stood = (laid.children ?? []).flatMap(({ id, x = 0, y = 0, width, height, ports }): DiagramShape[] => {
    const box = boxes.get(id);
    if (!box) return [];
    const text = (key: string, at: Spot, says: string, from: 'start' | 'middle' | 'end', bold = false): DiagramShape => ({
      ...{ is: 'text', id: `${id} ${key}`, ...at, says, from, bold, run: null },
    });
    return [
      { is: 'box', id, fitting: box.fitting, x, y, width, height },
      text('title', { x: x + width / 2, y: y + 15 }, box.title, 'middle', true),
      text('more', { x: x + width / 2, y: y + 29 }, box.more, 'middle'),
      ...ports.flatMap((p) => {
        const says = box.ports.get(p.id) ?? '';
        const west = (p.x ?? 0) < width / 2;
        return says ? [text(p.id, { x: x + (west ? 6 : width - 6), y: y + (p.y ?? 0) + 4 }, says, west ? 'start' : 'end')] : [];
      }),
    ];
  });
  return {
    width: laid.width,
    height: laid.height,
    shapes: [...drawn.filter((s) => s.is === 'line'), ...stood, ...drawn.filter((s) => s.is === 'text')],
  };
}
