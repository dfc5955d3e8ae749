import type { WiredRun } from './wired-run';

/** A graph as a layout library takes it: boxes with ports on their sides, and lines between ports. Lengths in points. */
interface DiagramGraph {
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

export interface DiagramPort extends Sized {
  readonly id: string;
  readonly layoutOptions: Readonly<Record<string, string>>;
}

export interface DiagramEdge {
  readonly id: string;
  readonly sources: string[];
  readonly targets: string[];
  readonly labels: (Sized & { readonly text: string })[];
  readonly sections?: readonly { readonly startPoint: Spot; readonly endPoint: Spot; readonly bendPoints?: readonly Spot[] }[];
}

export interface Spot {
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
  readonly lines: ReadonlyMap<string, DiagramWire>;
}

export interface DiagramBox {
  readonly title: string;
  readonly more: string;
  readonly fitting: string | null;
  /** What is written beside each port. */
  readonly ports: ReadonlyMap<string, string>;
}

export interface DiagramWire {
  readonly run: string;
  /** Null for a signal cable. */
  readonly colour: WiredRun['colour'] | null;
  readonly thick: number;
}
