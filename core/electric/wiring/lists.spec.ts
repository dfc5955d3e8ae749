import { demoRigs, CATALOG, SHOP } from '../../../demo/index';
import type { Fact } from '../../rig';
import { tell } from '../../base/units';
import { workUp } from '../../workup';
import {
  cablesOf,
  channelsOf,
  conductorsOf,
  cutList,
  diagramOf,
  drawDiagram,
  endList,
  labelled,
  printOn,
  pullList,
  tapeLabels,
  wireLabels,
} from './index';

const rigOf = (title: string) => {
  const file = demoRigs('2026-06-10').find((d) => d.file.plan.title.includes(title))?.file;
  if (!file) throw new Error('no such rig');
  return workUp({
    plan: file.plan,
    hull: file.hull,
    facts: file.ledger as Fact[],
    catalog: CATALOG,
    shop: SHOP,
    asOf: '2026-06-10',
  });
};

describe('lists of wires', () => {
  const w = rigOf('night-tour');
  const owned = w.aboard.owned;
  const cables = labelled(w.wiring.runs, owned);
  const letter = (id: string): string => owned.find((i) => i.placed.id === id)?.letter ?? '?';

  it('label each cable from where, by which way, to where, no two alike', () => {
    const [battery, relay, mast] = ['battery', 'relay', 'mast'].map(letter);
    expect(cables.map((c) => c.label)).toContain(`${battery}–${relay}`);
    expect(cables.map((c) => c.label)).toContain(`${relay}.3–${mast}`);
    expect(new Set(cables.map((c) => c.label)).size).toBe(cables.length);
  });

  it('cut every conductor once, of its colour, and add up to what is bought', () => {
    const groups = cutList(cables);
    const pieces = groups.flatMap((g) => g.pieces);
    expect(pieces.length).toBe(w.wiring.runs.reduce((sum, r) => sum + r.conductors, 0));
    for (const g of groups)
      expect(g.total).toBeCloseTo(
        g.pieces.reduce((sum, p) => sum + p.cut, 0),
        9,
      );
    const metres = groups.reduce((sum, g) => sum + g.total, 0) / 1000;
    const bought = w.price.lines.filter((l) => l.key.startsWith('wire-')).reduce((sum, l) => sum + l.quantity, 0);
    // Each kind is charged by the centimetre, up.
    const kinds = w.price.lines.filter((l) => l.key.startsWith('wire-')).length;
    expect(bought).toBeGreaterThanOrEqual(metres - 1e-6);
    expect(bought).toBeLessThan(metres + 0.01 * kinds + 1e-6);
    expect(groups.filter((g) => g.colour === 'black').flatMap((g) => g.pieces).length).toBe(cables.length);
  });

  it('print both ends of each cable off a tape, whole labels while it lasts', () => {
    const labels = tapeLabels(wireLabels(w.wiring, owned, 'metric'));
    expect(labels.length).toBe(2 * cables.length);
    expect(labels.map((l) => l.mark)).toEqual(cables.flatMap((c) => [c.label, c.label]));
    // Each says which end it is for: its letter stands in the mark.
    for (const [i, { mark, end }] of labels.entries())
      expect(mark.split('–')[i % 2]?.split('.')[0])
        .withContext(mark)
        .toBe(end);
    const long = labels.reduce((sum, l) => sum + l.long, 0);
    expect(printOn(long, labels)).toEqual({ printed: labels.length, left: 0 });
    const short = printOn(long - 1, labels);
    expect(short.printed).toBe(labels.length - 1);
    expect(short.left).toBe((labels.at(-1)?.long ?? NaN) - 1);
    expect(printOn(0, labels)).toEqual({ printed: 0, left: 0 });
  });

  it('pull each cable once, lane by lane', () => {
    const order = pullList(cables).map((c) => c.run.lane);
    expect(order.length).toBe(cables.length);
    expect(order.filter((lane, i) => lane !== order[i - 1]).length).toBe(new Set(order).size);
  });

  it('have every end of every conductor, each with where it goes in letters', () => {
    const ends = endList(cables, owned);
    expect(ends.length).toBe(w.wiring.runs.reduce((sum, r) => sum + r.ends.length, 0));
    expect(ends.filter((e) => e.at === `${letter('battery')} +`).map((e) => e.end.terminal)).toEqual(['ring', 'ring']);
    expect(ends.map((e) => e.at)).toContain(`${letter('relay')} way 3`);
    // The battery's fuse is a holder with two tails.
    expect(ends.filter((e) => e.at.includes('fuse')).map((e) => e.at)).toEqual([
      ...[`${letter('battery')} blade fuse in`, `${letter('battery')} blade fuse out`],
      ...[`${letter('battery')} blade fuse in`, `${letter('battery')} blade fuse out`],
    ]);
  });

  it('say what each way is called, and which are free', () => {
    const [relay] = channelsOf(w.wiring, owned);
    expect(relay?.channels.map((c) => c.name)).toEqual(['lantern', 'deck light', 'mast light', 'free', 'free', 'free']);
    expect(relay?.channels[0]?.rating).toBe(1);
  });

  it('of batteries in a row the link goes from plus to the next minus, and one conductor is one', () => {
    expect(conductorsOf({ has: 'series', colour: 'orange' })).toEqual([{ colour: 'red', from: '+', to: '−' }]);
    expect(conductorsOf({ has: 'minus', colour: 'orange' })).toEqual([{ colour: 'black', from: '−', to: '−' }]);
  });
});

describe('diagram', () => {
  for (const title of ['night-tour', 'bird', 'survey'])
    it(`has every conductor and every part of the ${title} rig, each line from a port to a port`, () => {
      const { wiring, aboard } = rigOf(title);
      const { graph, lines, boxes } = diagramOf(wiring, aboard.owned);
      const ports = new Set(graph.children.flatMap((c) => c.ports.map((p) => p.id)));
      for (const e of graph.edges) expect([...e.sources, ...e.targets].every((p) => ports.has(p))).toBeTrue();
      const fuses = wiring.guards.filter((g) => g.cable !== null).length;
      expect(lines.size).toBe(wiring.runs.reduce((sum, r) => sum + r.conductors, 0) + fuses + wiring.signals.length);
      const parts = new Set(cablesOf(wiring).flatMap((r) => [r.from, r.to]));
      expect(new Set([...boxes.values()].flatMap((b) => b.fitting ?? []))).toEqual(parts);
      // Laid out anyhow, everything is drawn.
      const drawn = drawDiagram({ graph, lines, boxes }, { width: 100, height: 100, children: graph.children, edges: [] });
      expect(drawn.shapes.filter((s) => s.is === 'box').length).toBe(boxes.size);
    });

  it('call wires as they are sold: in mm² and by ISO 13297 on lists, labels, ends, in the price and in findings', () => {
    const file = demoRigs('2026-06-10').find((d) => d.file.plan.title.includes('night-tour'))?.file;
    if (!file) return fail('no such rig');
    const w = rigOf('night-tour');
    const { owned } = w.aboard;
    const shop = { ...SHOP, wiring: { ...SHOP.wiring, standard: 'ISO 13297' as const, series: 'mm²' as const } };
    const input = { plan: file.plan, hull: file.hull, facts: file.ledger as Fact[], catalog: CATALOG, shop, asOf: '2026-06-10' };
    const metric = workUp(input);
    expect(new Set(metric.wiring.runs.map((r) => r.gauge))).toEqual(new Set(['1.5 mm²']));
    expect(metric.wiring.runs.map((r) => r.area)).toEqual(metric.wiring.runs.map(() => 1.5));
    const all = labelled(metric.wiring.runs, owned);
    expect(cutList(all).map((g) => g.gauge)).toEqual(cutList(all).map(() => '1.5 mm²'));
    expect(wireLabels(metric.wiring, owned, 'metric')[0]?.says[0]).toMatch(/^1\.5 mm² · \d/);
    expect(metric.price.lines.filter((l) => l.key.startsWith('wire-')).map((l) => [l.key, l.eachCents > 0])).toEqual([
      ['wire-1-5mm2', true],
    ]);
    // Thicker copper loses less: the same way in 1.5 mm² against 1.31, each by its own constant.
    const [before, after] = [w, metric].map((of) => of.wiring.runs.find((r) => r.id === 'feed-mast')?.drop?.volts ?? NaN);
    expect(after).toBeLessThan(before ?? NaN);
    const runs = {
      ...file.plan.runs,
      'feed-relay': { ...file.plan.runs['feed-relay'], awg: 16, guard: { is: null, amps: 40, along: 199 } },
    };
    const large = workUp({ ...input, plan: { ...file.plan, runs } as never });
    const says = (code: string): string => tell(large.findings.find((f) => f.code === code)?.says ?? [], 'metric');
    expect(says('fuse-too-large')).toMatch(/The 1\.5 mm² to Relay box, six channels carries 1\d A; its 40 A fuse is larger/);
    expect(says('fuse-far')).toBe('');
  });
});
