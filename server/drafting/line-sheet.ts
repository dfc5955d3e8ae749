import { cordList, cordWords, kgPerMetre, TETHER, tethersOf, USES } from '@plain-cleat/core/lines';
import { asHung, capital, printLong, printMass } from '@plain-cleat/core/base/units';
import type { Workup } from '@plain-cleat/core/workup';
import { Paper, type Sheet } from './sheet';

/** The line sheet: what is cut of which cord, how each line is led and ended, what it holds, what its owner is warned of. */
export function lineSheet(sheet: Sheet, w: Workup): Promise<Buffer> {
  const paper = new Paper(sheet, 'Line sheet');
  const long = (mm: number): string => printLong(mm, sheet.units);
  const hung = (newtons: number): string => printMass(asHung(newtons), sheet.units);
  const { lines } = w;
  const tethers = tethersOf(w.aboard.owned);
  paper.text(
    'Life jacket on, always. A knife in reach of every line that holds the boat. Lines catch legs and propellers: stow what is loose.',
    true,
  );
  if (lines.length + tethers.length === 0) {
    paper.text('This plan has no lines.');
    return paper.finish();
  }
  paper.heading('Cut list, by cord');
  const cuts = [150, paper.width - 310, 80, 80];
  paper.row(['Cord', 'Pieces, longest first', 'In all', 'Weight'], cuts, { bold: true, ends: [2, 3] });
  const pieces = [
    ...lines.filter((l) => !l.old).map((l) => ({ cord: l.cord, label: l.line.use, cut: l.cut })),
    ...tethers.map(({ letter, cut }) => ({ cord: TETHER, label: `tether of ${letter}`, cut })),
  ];
  if (pieces.length === 0) paper.text('Nothing: every line is on the boat.');
  for (const g of cordList(pieces))
    paper.row(
      [
        cordWords(g.cord),
        g.pieces.map((p) => `${p.label} ${long(p.cut)}`).join('  ·  '),
        long(g.total),
        printMass((g.total / 1000) * kgPerMetre(g.cord), sheet.units),
      ],
      cuts,
      { ends: [2, 3] },
    );

  for (const l of lines) {
    const { ends, caution } = USES[l.line.use];
    paper.heading(`${capital(l.line.use)}, ${l.line.way}`);
    const cols = [60, 190, 110, paper.width - 360];
    paper.row(['At', 'What', 'Takes a cord of', 'Pulled with'], cols, { bold: true });
    for (const p of l.led)
      paper.row([p.letter || '–', p.name, `${p.lead.takes} mm`, Number.isFinite(p.newtons) ? hung(p.newtons) : 'too much'], cols);
    paper.text(
      `${l.old ? `On the boat since ${l.old.since}, ${long(l.cut)} long` : `Cut ${long(l.cut)}`}: ${long(l.aboard)} aboard${l.rode > 0 ? `, ${long(l.rode)} overboard` : ''}, ${long(l.ends)} for knots and the hand.`,
    );
    paper.text(`First end: ${ends[0]}. Last end: ${ends[1]}.`);
    if (l.line.breaks !== undefined) paper.text(`Cable tie at the head of the anchor: one sold to hold ${hung(l.line.breaks)}.`);
    paper.text(caution, true);
  }
  const open = w.findings.filter((f) => f.step === 'wire' && !f.accepted && f.severity !== 'note');
  if (open.length) paper.text(`${open.length} not settled when this was printed: see the Wire step.`);
  return paper.finish();
}
