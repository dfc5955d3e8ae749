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
import { drawSections, notSettled, table, type Section } from './section';
import type { Paper, Sheet } from './sheet';

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

const caution: Section = ({ paper }) =>
  paper.text(
    'Fuse at the battery, always: batteries stay off until everything is tested. Wiring above the shop’s competence goes to a certified marine electrician; local rules decide.',
    true,
  );

const circuit: Section = async ({ paper, w }) => {
  const drawn = await drawnCircuit(w);
  paper.heading('The circuit');
  diagram(paper, drawn);
  const colours = new Set<WireColour>([...w.wiring.runs.map((r) => r.colour), RETURN_COLOUR]);
  paper.text(`Lines in the colours of ABYC E-11 (from memory): ${[...colours].join(', ')}.`, true);
};

/** What is cut from which reel. */
const cuts: Section = ({ paper, sheet, w }) => {
  const long = (mm: number): string => printLong(mm, sheet.units);
  paper.heading('Cut list, by gauge and colour');
  const columns = [
    { name: 'Gauge', width: 60 },
    { name: 'Colour', width: 80 },
    { name: 'Pieces, longest first', width: 'rest' },
    { name: 'In all', width: 80, end: true },
  ] as const;
  const rows = cutList(labelled(w.wiring.runs, w.aboard.owned)).map((g) => [
    ...[g.gauge, g.colour],
    ...[g.pieces.map((p) => `${p.label} ${long(p.cut)}`).join('  ·  '), long(g.total)],
  ]);
  table(paper, { columns, rows });
};

/** In what order cables are pulled, from where to where. */
const pulling: Section = ({ paper, sheet, w }) => {
  const { tape } = sheet.plan;
  const long = (mm: number): string => printLong(mm, sheet.units);
  const datum = findDatum(w.surface, tape.datum);
  const letterOf = lettersOf(w.aboard.owned);
  const placeOf = (fitting: string): string => {
    const at = w.aboard.owned.find((i) => i.placed.id === fitting)?.placed.frame.origin;
    return at ? `${letterOf(fitting)} at ${paper.length(reading(w.surface, datum, tape.run, at))}` : letterOf(fitting);
  };
  table(paper, {
    heading: 'Pulling order',
    note: `Places from the ${datum.name}, ${RUN_WORDS[tape.run]}.`,
    columns: [
      { name: 'Cable', width: 52 },
      { name: 'From', width: 92 },
      { name: 'To', width: 92 },
      { name: 'Lane', width: 78 },
      { name: 'Gauge', width: 58 },
      { name: 'Length', width: 54 },
      { name: 'Protection', width: 'rest' },
    ],
    rows: pullList(labelled(cablesOf(w.wiring), w.aboard.owned)).map(({ run, label }) => [
      ...[label, placeOf(run.from), placeOf(run.to), run.lane],
      ...(isSignal(run)
        ? ['signal', long(run.cut), comesAs(run)]
        : [`${run.conductors} × ${run.gauge}`, long(run.cut), guardWords(run)]),
    ]),
  });
};

/** What each conductor carries. */
const currents: Section = ({ paper, w }) => {
  const amps = (a: number): string => `${printAmps(a)} A`;
  table(paper, {
    heading: 'What each carries',
    columns: [
      { name: 'Cable', width: 70 },
      { name: 'May carry', width: 90, end: true },
      { name: 'Everything on', width: 100, end: true },
      { name: 'Motors held fast', width: 120, end: true },
      { name: 'Over the day, on average', width: 'rest', end: true },
    ],
    rows: labelled(w.wiring.runs, w.aboard.owned).map(({ run, label }) => {
      const { steady, most, day } = currentsOf(run, w);
      return [label, amps(run.size.ampacity), amps(steady), most === null ? 'too much' : amps(most), amps(day)];
    }),
  });
};

/** How each cable is fished through, and what holds it. */
const fishedThrough: Section = ({ paper, sheet, w }) => {
  const long = (mm: number): string => printLong(mm, sheet.units);
  const letterOf = lettersOf(w.aboard.owned);
  table(paper, {
    heading: 'How each is fished through and held',
    note: `Held no farther apart than ${paper.length(HELD_EVERY)} (ABYC E-11, from memory).`,
    columns: [{ width: 70 }, { width: 'rest' }, { width: 180 }],
    rows: pullList(labelled(cablesOf(w.wiring), w.aboard.owned)).map(({ run, label }) => {
      const pulls = fishing(w.surface, run, w.aboard.openings, sheet.shop.drilling.riggerStature, letterOf);
      const way = pulls.map((p) => `${p.from} to ${p.to} by ${p.by}${p.by === 'hand' ? '' : `, ${long(p.far)}`}`).join('; ');
      const held = heldBy(run).map((h) => `${h.count} ${h.by}`);
      return [label, way || 'outside', held.join(', ')];
    }),
  });
};

/** What each way of a box is called. */
const ways: Section = ({ paper, w }) => {
  for (const { box, channels } of channelsOf(w.wiring, w.aboard.owned))
    table(paper, {
      heading: `${box.letter}, ${box.placed.part.name}: what each way is called`,
      columns: [
        { name: 'Way', width: 50 },
        { name: 'Name', width: 150 },
        { name: 'What hangs on it', width: 'rest' },
        { name: 'Fuse', width: 70 },
      ],
      rows: channels.map((c) => [String(c.way), c.name, c.loads.join(', '), c.rating === null ? '' : `${c.rating} A`]),
    });
};

/** How the ends of each conductor are made. */
const ends: Section = ({ paper, sheet, w }) => {
  paper.heading('Ends');
  paper.text(
    'Each conductor is cut where its fuse or breaker stands: “in” is towards what feeds it. Rings are for the studs usual for such a part where its maker states none: look before crimping.',
    true,
  );
  table(paper, {
    columns: [
      { name: 'Cable', width: 64 },
      { name: 'Colour', width: 52 },
      { name: 'Gauge', width: 56 },
      { name: 'At', width: 112 },
      { name: 'Terminal', width: 98 },
      { name: 'Crimp', width: 64 },
      { name: 'Heat-shrink', width: 'rest' },
    ],
    rows: endList(labelled(w.wiring.runs, w.aboard.owned), w.aboard.owned).map(({ label, gauge, at, end }) => {
      const terminal = end.stud === null ? end.terminal : `${end.terminal}, ${studWords(end.stud, sheet.units)}`;
      return [label, end.colour, gauge, at, terminal, end.die, `${end.shrink} mm, adhesive`];
    }),
  });
};

const plugs: Section = ({ paper, w }) =>
  table(paper, {
    heading: 'Plugs',
    columns: [
      { name: 'Cable', width: 64 },
      { name: 'Plug', width: 190 },
      { name: 'At', width: 110 },
      { name: 'What it is plugged into', width: 'rest' },
    ],
    rows: pluggedOf(w.wiring, w.aboard.owned).map((p) => [p.label, p.plug, p.at, p.into]),
  });

/** What the bench test read. */
const benchTest: Section = ({ paper, w }) => {
  const volts = (v: number): string => `${v.toFixed(2)} V`;
  table(paper, {
    heading: 'Bench test',
    columns: [
      { name: 'At', width: 140 },
      { name: 'Volts', width: 'rest' },
      { name: 'Expected', width: 70, end: true },
      { name: 'Read', width: 70, end: true },
      { name: 'By', width: 90 },
    ],
    rows: w.tests.flatMap(({ reading: at, expected, read }) =>
      read
        ? [[aboutWords(at, w.wiring, w.aboard.owned), READ_WORDS[at.reads], volts(expected), volts(read.volts), readBy(read)]]
        : [],
    ),
  });
};

/** The wire sheet: the diagram, what is cut from which reel, in what order it is pulled, how its ends are made, what each way is called. */
export const wireSheet = (sheet: Sheet, w: Workup): Promise<Buffer> =>
  drawSections(
    sheet,
    'Wire sheet',
    w,
    cablesOf(w.wiring).length === 0
      ? [caution, ({ paper }) => paper.text('This plan has no wires.')]
      : [...[caution, circuit, cuts, pulling, currents, fishedThrough, ways, ends, plugs, benchTest], notSettled('wire', 'Wire')],
  );

/** The colour of a wire as a small line before its name. */
export const swatch = (doc: PDFKit.PDFDocument, colour: WireColour, x: number, y: number): void => {
  doc.rect(x, y, 10, 3).fill(DRAWN[colour]);
};
