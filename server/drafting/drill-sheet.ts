import { crossMeasure, sealantWords, toleranceBudget, toolName } from '@plain-cleat/core/holding/drilling';
import type { PlannedHole } from '@plain-cleat/core/holding/fitted';
import { findDatum, RUN_WORDS } from '@plain-cleat/core/boat/hull';
import { tell } from '@plain-cleat/core/base/units';
import { pickList } from '@plain-cleat/core/holding/mounting';
import type { Workup } from '@plain-cleat/core/workup';
import { drawSections, notSettled, table, type Section } from './section';
import type { Paper, Sheet } from './sheet';

const SIDE = { port: 'P', starboard: 'S', centre: 'C' } as const;

function behind(paper: Paper, h: PlannedHole): string {
  const { nearest, access, blocked } = h.behind;
  const budget = paper.length(toleranceBudget(paper.sheet.shop.drilling), 'up');
  const what = nearest ? `${nearest.name} ${paper.length(nearest.clear, 'down')} away, give or take ${budget}` : 'nothing known';
  const hand = access
    ? `; hand from ${access.hatch}, ${paper.length(access.away, 'up')}`
    : blocked
      ? `; no hand: ${blocked}`
      : '';
  return `${what}${hand}`;
}

/** The strip, how the tape is hooked, what one looks out for, and whether it may be drilled. */
const before: Section = ({ paper, sheet, w }) => {
  const datum = findDatum(w.surface, sheet.plan.tape.datum);
  const { gate, holes } = w.drilling;
  paper.strip(
    w,
    holes.map((h) => ({ x: h.at.x, y: h.at.y, label: h.label })),
  );
  paper.text(
    `Tape hooked on ${datum.name.toUpperCase()}, ${RUN_WORDS[sheet.plan.tape.run]}. All measures in ${sheet.units === 'imperial' ? 'inches' : 'millimetres'}. A hole can be off by ${paper.length(toleranceBudget(sheet.shop.drilling), 'up')}: tape, hull and drill together.`,
  );
  paper.text(
    `Eye protection on. Know what is behind. Never below the waterline without a very good reason. Deburr, seal hole and threads. ${sealantWords(sheet.hull, sheet.shop)}`,
    true,
  );
  paper.checkBar();
  if (gate.open) return;
  const wanting = gate.wants.filter((g) => !g.done).map((g) => tell(g.says, sheet.units));
  paper.text(`Not to be drilled yet: ${wanting.join(' ')}`, true);
};

/** Every hole with its measures, bow to stern. */
const everyHole: Section = ({ paper, sheet, w }) => {
  const { holes, oldHoles } = w.drilling;
  if (holes.length === 0) return paper.text('This plan makes no holes.');
  const { datum, run } = sheet.plan.tape;
  const row = (h: PlannedHole): string[] => {
    const cross = crossMeasure(h, holes, oldHoles);
    const edge =
      h.up !== null ? `${paper.figure(h.up)} up` : h.down === null ? paper.figure(h.fromEdge) : `${paper.figure(h.down)} down`;
    return [
      ...['', h.label, SIDE[h.side], `${paper.figure(h.reading)}${h.run === run ? '' : ' along'}`],
      ...[h.down === null ? paper.figure(Math.abs(h.offCentre)) : '', edge],
      ...[cross ? `to ${cross.to}: ${paper.figure(cross.distance)}` : '', `${h.pilot.name}, ${toolName(h.bit)}`],
      ...[paper.figure(h.flag, 'up'), behind(paper, h)],
    ];
  };
  table(paper, {
    heading: `${holes.length} ${holes.length === 1 ? 'hole' : 'holes'}, bow to stern`,
    columns: [
      { name: '', width: 14 },
      { name: 'Hole', width: 30 },
      { name: 'Side', width: 26 },
      { name: `From ${findDatum(w.surface, datum).id}`, width: 66 },
      { name: 'Off centre', width: 50 },
      { name: 'From edge', width: 62 },
      { name: 'Check', width: 66 },
      { name: 'Pilot, bit', width: 74 },
      { name: 'Flag', width: 40 },
      { name: 'Behind', width: 'rest' },
    ],
    rows: holes.map(row),
    tick: true,
  });
  if (holes.some((h) => h.down !== null))
    paper.text('Holes in a side: tape laid along the gunwale, then down the side from its edge.', true);
  if (holes.some((h) => h.up !== null))
    paper.text('Holes in a bulkhead: off the centre line, and up from the inside of the bottom there.', true);
  paper.text('Check: centre to centre with the rule, to the hole named, before the bit goes in.', true);
};

/** One bit, all its holes, by the shortest walk. */
const bits: Section = ({ paper, w }) => {
  if (w.drilling.holes.length === 0) return;
  const labels = new Map(w.drilling.holes.map((h) => [h.id, h.label]));
  paper.heading('One bit at a time, by the shortest walk');
  for (const { bit, work, holes } of w.rounds)
    paper.text(`${toolName(bit)}${work === 'final' ? '' : ` ${work}`}: ${holes.map((id) => labels.get(id) ?? '').join('  ')}`);
};

/** Fasteners to carry to the boat. */
const fasteners: Section = ({ paper, sheet, w }) => {
  const picks = pickList(w.aboard.owned, sheet.shop);
  if (picks.length === 0) return;
  paper.heading('Fasteners to carry, with spares');
  paper.text(picks.map((p) => `${p.count}${p.spares ? ` + ${p.spares}` : ''} ${p.what}`).join('  ·  '));
};

/** The drill sheet: the strip, every hole with its measures, one bit at a time, cautions, the check bar. */
export const drillSheet = (sheet: Sheet, w: Workup): Promise<Buffer> =>
  drawSections(sheet, 'Drill sheet', w, [before, everyHole, bits, fasteners, notSettled('drill', 'Drill', true)]);
