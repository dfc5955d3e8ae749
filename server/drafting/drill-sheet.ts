import { crossMeasure, sealantWords, toleranceBudget, toolName } from '@plain-cleat/core/holding/drilling';
import type { PlannedHole } from '@plain-cleat/core/holding/fitted';
import { findDatum, RUN_WORDS } from '@plain-cleat/core/boat/hull';
import { tell } from '@plain-cleat/core/base/units';
import { pickList } from '@plain-cleat/core/holding/mounting';
import type { Workup } from '@plain-cleat/core/workup';
import { Paper, type Sheet } from './sheet';

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

/** The drill sheet: the strip, every hole with its measures, one bit at a time, cautions, the check bar. */
export function drillSheet(sheet: Sheet, w: Workup): Promise<Buffer> {
  const paper = new Paper(sheet, 'Drill sheet');
  const datum = findDatum(w.surface, sheet.plan.tape.datum);
  paper.strip(
    w,
    w.drilling.holes.map((h) => ({ x: h.at.x, y: h.at.y, label: h.label })),
  );
  paper.text(
    `Tape hooked on ${datum.name.toUpperCase()}, ${RUN_WORDS[sheet.plan.tape.run]}. All measures in ${sheet.units === 'imperial' ? 'inches' : 'millimetres'}. A hole can be off by ${paper.length(toleranceBudget(sheet.shop.drilling), 'up')}: tape, hull and drill together.`,
  );
  paper.text(
    `Eye protection on. Know what is behind. Never below the waterline without a very good reason. Deburr, seal hole and threads. ${sealantWords(sheet.hull, sheet.shop)}`,
    true,
  );
  paper.checkBar();
  if (!w.drilling.gate.open)
    paper.text(
      `Not to be drilled yet: ${w.drilling.gate.wants
        .filter((g) => !g.done)
        .map((g) => tell(g.says, sheet.units))
        .join(' ')}`,
      true,
    );
  if (w.drilling.holes.length === 0) paper.text('This plan makes no holes.');
  else {
    paper.heading(`${w.drilling.holes.length} ${w.drilling.holes.length === 1 ? 'hole' : 'holes'}, bow to stern`);
    const widths = [14, 30, 26, 66, 50, 62, 66, 74, 40, paper.width - 428];
    paper.row(
      [
        '',
        'Hole',
        'Side',
        `From ${datum.id === 'bow' ? 'bow' : datum.id}`,
        'Off centre',
        'From edge',
        'Check',
        'Pilot, bit',
        'Flag',
        'Behind',
      ],
      widths,
      { bold: true },
    );
    for (const h of w.drilling.holes) {
      const cross = crossMeasure(h, w.drilling.holes, w.drilling.oldHoles);
      paper.row(
        [
          '',
          h.label,
          SIDE[h.side],
          `${paper.figure(h.reading)}${h.run === sheet.plan.tape.run ? '' : ' along'}`,
          h.down === null ? paper.figure(Math.abs(h.offCentre)) : '',
          h.up !== null
            ? `${paper.figure(h.up)} up`
            : h.down === null
              ? paper.figure(h.fromEdge)
              : `${paper.figure(h.down)} down`,
          cross ? `to ${cross.to}: ${paper.figure(cross.distance)}` : '',
          `${h.pilot.name}, ${toolName(h.bit)}`,
          paper.figure(h.flag, 'up'),
          behind(paper, h),
        ],
        widths,
        { tick: true },
      );
    }
    if (w.drilling.holes.some((h) => h.down !== null))
      paper.text('Holes in a side: tape laid along the gunwale, then down the side from its edge.', true);
    if (w.drilling.holes.some((h) => h.up !== null))
      paper.text('Holes in a bulkhead: off the centre line, and up from the inside of the bottom there.', true);
    paper.text('Check: centre to centre with the rule, to the hole named, before the bit goes in.', true);
    paper.heading('One bit at a time, by the shortest walk');
    for (const r of w.rounds)
      paper.text(
        `${toolName(r.bit)}${r.work === 'final' ? '' : ` ${r.work}`}: ${r.holes.map((id) => w.drilling.holes.find((h) => h.id === id)?.label ?? '').join('  ')}`,
      );
  }
  const picks = pickList(w.aboard.owned, sheet.shop);
  if (picks.length) {
    paper.heading('Fasteners to carry, with spares');
    paper.text(picks.map((p) => `${p.count}${p.spares ? ` + ${p.spares}` : ''} ${p.what}`).join('  ·  '));
  }
  const open = w.findings.filter((f) => f.step === 'drill' && !f.accepted);
  if (open.length) paper.text(`${open.length} not settled when this was printed: see the Drill step.`);
  return paper.finish();
}
