import type { Diagram, DiagramWire, LaidDiagram, Spot } from './diagram-graph';

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
      readonly colour: DiagramWire['colour'];
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
