import { aboutWords, READ_WORDS, readBy } from '@plain-cleat/core/electric/bench-test';
import { DRAWN, printAmps, RETURN_COLOUR, type WireColour } from '@plain-cleat/core/electric/circuits';
import { currentsOf } from '@plain-cleat/core/electric/day';
import { findDatum, reading, RUN_WORDS } from '@plain-cleat/core/boat/hull';
import { printLong } from '@plain-cleat/core/base/units';
import type { Workup } from '@plain-cleat/core/workup';
import {
  isSignal,
  cablesOf,
  channelsOf,
  cutList,
  type DrawnDiagram,
  endList,
  fishing,
  guardWords,
  HELD_EVERY,
  heldBy,
  labelled,
  lettersOf,
  pluggedOf,
  pullList,
  studWords,
  type SignalRun,
} from '@plain-cleat/core/electric/wiring';
import { drawInto, drawnCircuit, stretches } from './circuit-drawing';
import { Paper, type Sheet } from './sheet';

/** How a signal cable comes: it is never cut. */
const comesAs = ({ given }: SignalRun): string =>
  given === 'aboard' ? 'The old one.' : given === 'with its part' ? 'Not cut.' : 'As it is sold.';

/** Letters of a diagram are eleven points at its own size; on paper they are eight at the least. */
const LEAST = 8 / 11;

/** The diagram on the page, across a page of its own, or over as many as it takes at a size that is read. */
function diagram(paper: Paper, drawn: DrawnDiagram): void {
  const { doc } = paper;
  const { left, bottom } = doc.page.margins;
  const tall = Math.min(1, 300 / drawn.height);
  const upright = Math.min(tall, paper.width / drawn.width);
  if (upright >= LEAST) {
    paper.room(drawn.height * upright + 12);
    const top = doc.y;
    drawInto(doc, drawn, { x: left, y: top, scale: upright, stretch: { from: 0, to: drawn.width } });
    doc.y = top + drawn.height * upright + 10;
    doc.x = left;
    return;
  }
  paper.text('Drawn across on the pages that follow.', true);
  const across = doc.page.height - 2 * left;
  const down = doc.page.width - 2 * left - bottom;
  const scale = Math.max(LEAST, Math.min(1, across / drawn.width, down / drawn.height));
  const all = stretches(drawn, across / scale);
  all.forEach((stretch, i) => {
    doc.addPage({ size: paper.sheet.paper, margin: left, layout: 'landscape' });
    paper.text(`The circuit${all.length > 1 ? `, ${i + 1} of ${all.length}: lines go on from page to page` : ''}`, true);
    drawInto(doc, drawn, { x: left, y: doc.y + 12, scale, stretch });
  });
  doc.addPage({ size: paper.sheet.paper, margin: left, layout: 'portrait' });
}

/** The wire sheet: the diagram, what is cut from which reel, in what order it is pulled, how its ends are made, what each way is called. */
export async function wireSheet(sheet: Sheet, w: Workup): Promise<Buffer> {
  const paper = new Paper(sheet, 'Wire sheet');
  const long = (mm: number): string => printLong(mm, sheet.units);
  const cables = labelled(w.wiring.runs, w.aboard.owned);
  const all = labelled(cablesOf(w.wiring), w.aboard.owned);
  paper.text(
    'Fuse at the battery, always: batteries stay off until everything is tested. Wiring above the shop’s competence goes to a certified marine electrician; local rules decide.',
    true,
  );
  if (all.length === 0) {
    paper.text('This plan has no wires.');
    return paper.finish();
  }
  const drawn = await drawnCircuit(w);
  paper.heading('The circuit');
  diagram(paper, drawn);
  paper.text(
    `Lines in the colours of ABYC E-11 (from memory): ${[...new Set<WireColour>([...w.wiring.runs.map((r) => r.colour), RETURN_COLOUR])].join(', ')}.`,
    true,
  );

  paper.heading('Cut list, by gauge and colour');
  const cuts = [60, 80, paper.width - 220, 80];
  paper.row(['Gauge', 'Colour', 'Pieces, longest first', 'In all'], cuts, { bold: true, ends: [3] });
  for (const g of cutList(cables))
    paper.row([g.gauge, g.colour, g.pieces.map((p) => `${p.label} ${long(p.cut)}`).join('  ·  '), long(g.total)], cuts, {
      ends: [3],
    });

  paper.heading('Pulling order');
  const datum = findDatum(w.surface, sheet.plan.tape.datum);
  paper.text(`Places from the ${datum.name}, ${RUN_WORDS[sheet.plan.tape.run]}.`, true);
  const letterOf = lettersOf(w.aboard.owned);
  const placeOf = (fitting: string): string => {
    const at = w.aboard.owned.find((i) => i.placed.id === fitting)?.placed.frame.origin;
    return at ? `${letterOf(fitting)} at ${paper.length(reading(w.surface, datum, sheet.plan.tape.run, at))}` : letterOf(fitting);
  };
  const pulls = [52, 92, 92, 78, 58, 54, paper.width - 426];
  paper.row(['Cable', 'From', 'To', 'Lane', 'Gauge', 'Length', 'Protection'], pulls, { bold: true });
  for (const { run, label } of pullList(all))
    paper.row(
      [
        ...[label, placeOf(run.from), placeOf(run.to), run.lane],
        ...(isSignal(run)
          ? ['signal', long(run.cut), comesAs(run)]
          : [`${run.conductors} × ${run.gauge}`, long(run.cut), guardWords(run)]),
      ],
      pulls,
    );

  if (cables.length) {
    paper.heading('What each carries');
    const carries = [70, 90, 100, 120, paper.width - 380];
    paper.row(['Cable', 'May carry', 'Everything on', 'Motors held fast', 'Over the day, on average'], carries, {
      bold: true,
      ends: [1, 2, 3, 4],
    });
    const amps = (a: number): string => `${printAmps(a)} A`;
    for (const { run, label } of cables) {
      const { steady, most, day } = currentsOf(run, w);
      const held = most === null ? 'too much' : amps(most);
      paper.row([label, amps(run.size.ampacity), amps(steady), held, amps(day)], carries, { ends: [1, 2, 3, 4] });
    }
  }

  paper.heading('How each is fished through and held');
  paper.text(`Held no farther apart than ${paper.length(HELD_EVERY)} (ABYC E-11, from memory).`, true);
  const fished = [70, paper.width - 250, 180];
  for (const { run, label } of pullList(all)) {
    const pulls = fishing(w.surface, run, w.aboard.openings, sheet.shop.drilling.riggerStature, letterOf);
    const way = pulls.map((p) => `${p.from} to ${p.to} by ${p.by}${p.by === 'hand' ? '' : `, ${long(p.far)}`}`).join('; ');
    paper.row(
      [
        label,
        way || 'outside',
        heldBy(run)
          .map((h) => `${h.count} ${h.by}`)
          .join(', '),
      ],
      fished,
    );
  }

  for (const { box, channels } of channelsOf(w.wiring, w.aboard.owned)) {
    paper.heading(`${box.letter}, ${box.placed.part.name}: what each way is called`);
    const ways = [50, 150, paper.width - 270, 70];
    paper.row(['Way', 'Name', 'What hangs on it', 'Fuse'], ways, { bold: true });
    for (const c of channels)
      paper.row([String(c.way), c.name, c.loads.join(', '), c.rating === null ? '' : `${c.rating} A`], ways);
  }

  paper.heading('Ends');
  paper.text(
    'Each conductor is cut where its fuse or breaker stands: “in” is towards what feeds it. Rings are for the studs usual for such a part where its maker states none: look before crimping.',
    true,
  );
  const ends = [64, 52, 56, 112, 98, 64, paper.width - 446];
  paper.row(['Cable', 'Colour', 'Gauge', 'At', 'Terminal', 'Crimp', 'Heat-shrink'], ends, { bold: true });
  for (const { label, gauge, at, end } of endList(cables, w.aboard.owned)) {
    const terminal = end.stud === null ? end.terminal : `${end.terminal}, ${studWords(end.stud, sheet.units)}`;
    paper.row([label, end.colour, gauge, at, terminal, end.die, `${end.shrink} mm, adhesive`], ends);
  }
  const plugged = pluggedOf(w.wiring, w.aboard.owned);
  if (plugged.length) {
    paper.heading('Plugs');
    const plugs = [64, 190, 110, paper.width - 364];
    paper.row(['Cable', 'Plug', 'At', 'What it is plugged into'], plugs, { bold: true });
    for (const p of plugged) paper.row([p.label, p.plug, p.at, p.into], plugs);
  }
  const read = w.tests.filter((t) => t.read);
  if (read.length) {
    paper.heading('Bench test');
    const reads = [140, paper.width - 370, 70, 70, 90];
    paper.row(['At', 'Volts', 'Expected', 'Read', 'By'], reads, { bold: true, ends: [2, 3] });
    const volts = (v: number): string => `${v.toFixed(2)} V`;
    for (const { reading: at, expected, read: r } of read)
      if (r) {
        const where = aboutWords(at, w.wiring, w.aboard.owned);
        paper.row([where, READ_WORDS[at.reads], volts(expected), volts(r.volts), readBy(r)], reads, { ends: [2, 3] });
      }
  }
  const open = w.findings.filter((f) => f.step === 'wire' && !f.accepted && f.severity !== 'note');
  if (open.length) paper.text(`${open.length} not settled when this was printed: see the Wire step.`);
  return paper.finish();
}

/** The colour of a wire as a small line before its name. */
export const swatch = (doc: PDFKit.PDFDocument, colour: WireColour, x: number, y: number): void => {
  doc.rect(x, y, 10, 3).fill(DRAWN[colour]);
};
