import { toldHands } from '@plain-cleat/core/holding/hands';
import { launchWords } from '@plain-cleat/core/water/to-water';
import { COLOUR_WORDS } from '@plain-cleat/core/electric/circuits';
import { channelsOf } from '@plain-cleat/core/electric/wiring';
import { hookName, olderHoles, toldHole, toldLines, type WalkStop } from '@plain-cleat/core/work/handover';
import { printClock, tell } from '@plain-cleat/core/base/units';
import type { Workup } from '@plain-cleat/core/workup';
import { WORDS } from './owners-words';
import { drawSections, type Drawing, type Section, table } from './section';
import type { Sheet } from './sheet';

interface Named {
  readonly name: string;
  readonly french: string;
}

const named = ({ language }: Sheet, thing: Named): string => (language === 'fr' ? thing.french : thing.name);
const lettered = (sheet: Sheet, thing: Named & { readonly letter: string }): string =>
  [thing.letter, named(sheet, thing)].filter(Boolean).join(' · ');

/** Two columns: what, and what is said of it. */
const pairs = (paper: Drawing['paper'], heading: string, rows: readonly (readonly [string, string])[]): void =>
  table(paper, { heading, columns: [{ width: 200 }, { width: 'rest' }], rows });

/** A hole of a stop: where it is read, and what became of it. */
function holeWords({ paper, sheet, w }: Drawing, hole: WalkStop['holes'][number]): string {
  const t = WORDS[sheet.language];
  const { label, reading, from, state, old } = toldHole(w.surface, sheet.plan, hole);
  const said = hole.abandoned === null ? `${t.states[state]}${old ? ` (${old})` : ''}` : `${t.gaveUp}: ${hole.abandoned}`;
  return `${label} ${paper.length(reading)} ${t.from} ${hookName(from, sheet.language)}${said ? `, ${said}` : ''}`;
}

function stopRows(drawing: Drawing, stop: WalkStop): string[][] {
  const { language } = drawing.sheet;
  const t = WORDS[language];
  const text = stop.text[language];
  const holes = [...stop.holes.map((hole) => holeWords(drawing, hole)), ...(stop.cameWith ? [t.cameWith(stop.cameWith)] : [])];
  return [
    [t.use, text.use],
    [t.road, text.road],
    [t.care, text.care],
    [t.holes, holes.join('; ') || t.none],
    ...stop.runs.map((r) => [
      t.wire,
      `${t.with} ${r.with}, ${r.gauge}, ${COLOUR_WORDS[r.colour][language]}, ${r.fuse ?? '–'} ${t.fuse}`,
    ]),
    ...stop.substituted.map((s) => [t.sub, s]),
  ];
}

/** The walk bow to stern. */
const walk: Section = (drawing) => {
  const { paper, sheet, w } = drawing;
  paper.strip(
    w,
    w.handover.walk.map((s) => ({ x: s.x, y: s.y, label: s.letter })),
  );
  paper.heading(WORDS[sheet.language].walk);
  for (const stop of w.handover.walk)
    table(paper, {
      heading: lettered(sheet, stop),
      columns: [{ width: 70 }, { width: 'rest' }],
      rows: stopRows(drawing, stop),
    });
};

/** By road, and what goes on at the water. */
const onTheWay: Section = ({ paper, sheet, w: { ashore } }) => {
  const t = WORDS[sheet.language];
  const { launch, rigUpMinutes, roof } = ashore;
  if (roof)
    pairs(paper, t.roof, [
      [t.straps, roof.straps.map((x) => paper.length(x)).join(', ')],
      ...(roof.lines.length ? [[t.lines, roof.lines.map((l) => l.name).join(', ')] as const] : []),
    ]);
  pairs(
    paper,
    t.launch(rigUpMinutes),
    launch.map((step) => [lettered(sheet, step), launchWords(step, sheet.language)]),
  );
};

/** Which control, which hand, and which button is what. */
const controls: Section = ({ paper, sheet, w }) => {
  const t = WORDS[sheet.language];
  pairs(
    paper,
    t.controls,
    w.handover.controls.map((c) => [lettered(sheet, { ...c, name: c.does }), toldHands(c, sheet.language)]),
  );
  // Which button is what stands on the box too; here it is read at home.
  for (const { box, channels } of channelsOf(w.wiring, w.aboard.owned))
    pairs(
      paper,
      `${box.letter}, ${named(sheet, box.placed.part)}: ${t.ways}`,
      channels
        .filter((c) => c.loads.length > 0)
        .map((c) => [`${c.way}`, `${c.name}${c.rating === null ? '' : `, ${c.rating} ${t.fuse}`}`]),
    );
};

const ropes: Section = ({ paper, sheet, w }) => {
  const t = WORDS[sheet.language];
  pairs(
    paper,
    t.ropes,
    toldLines(w.lines, sheet.plan.opened, sheet.language).map((l) => [
      `${l.name}, ${l.cord}`,
      `${l.caution} ${t.newBy(l.newBy)}`,
    ]),
  );
};

/** What a day leaves in each battery. */
const day: Section = ({ paper, sheet, w }) => {
  const t = WORDS[sheet.language];
  if (!sheet.plan.day) return;
  pairs(
    paper,
    t.lasts(printClock(sheet.plan.day.starts), Math.round(w.day.minutes / 6) / 10),
    w.day.batteries.map(({ fitting, letter, name, moments }) => {
      const { easy = 1, hard = 1 } = moments.at(-1)?.left ?? {};
      const part = w.aboard.owned.find((i) => i.placed.id === fitting)?.placed.part;
      return [
        lettered(sheet, { letter, name, french: part?.french ?? name }),
        t.leftOf(Math.floor(100 * hard), Math.floor(100 * easy)),
      ];
    }),
  );
};

/** What stands where in which set, and what is in what. */
const places: Section = ({ paper, sheet, w: { handover } }) => {
  const t = WORDS[sheet.language];
  pairs(
    paper,
    t.bases,
    handover.bases.map((b) => {
      const tops = b.tops.map((top) => `${top.letter} ${named(sheet, top)}`).join(', ');
      return [lettered(sheet, b), `${tops}; ${paper.length(b.stands)} ${t.stays}`];
    }),
  );
  pairs(
    paper,
    t.contents,
    handover.contents.map((c) => [lettered(sheet, c), c.things.join(', ')]),
  );
};

/** Holes from before, and what seals the new ones. */
const holes: Section = ({ paper, sheet, w }) => {
  const t = WORDS[sheet.language];
  table(paper, {
    heading: t.older,
    columns: [{ width: 70 }, { width: 'rest' }],
    rows: olderHoles(w.surface, w.drilling.oldHoles).map((o) => [
      o.label,
      `${paper.length(o.reading)} ${t.from} ${hookName(o.from, sheet.language)}, ${o.plugged ? `${t.plugged} ${o.plugged}` : t.open}`,
    ]),
  });
  if (w.drilling.holes.some((h) => h.drilled && !h.reused)) paper.text(t.sealed[sheet.shop.holding.sealant]);
};

/** Lines of text under a heading; nothing where there are none. */
const listed = ({ paper }: Drawing, heading: string, lines: readonly string[]): void => {
  if (lines.length === 0) return;
  paper.heading(heading);
  for (const line of lines) paper.text(line);
};

/** What was accepted, let pass, left open at the signature, or noted on the walk, a line each. */
function leftUndone({ language, units }: Sheet, w: Workup): string[] {
  const t = WORDS[language];
  const taken = new Set(w.ledger.signed?.open);
  return [
    ...w.findings.flatMap(({ accepted, letter, says }) =>
      accepted
        ? [`${language === 'en' ? tell(says, units) : (letter ?? '')} ${t.accepted(accepted.by, accepted.reason)}`.trim()]
        : [],
    ),
    ...w.build.steps.flatMap((s) =>
      s.passed
        ? [`${s.says}: ${t.passed(s.passed.by, s.passed.why)}`]
        : taken.has(s.id) && !s.done
          ? [`${s.says}: ${t.stillOpen}`]
          : [],
    ),
    ...w.ledger.snags.flatMap((s) => (s.kind === 'snagNoted' ? [s.says] : [])),
  ];
}

/** What was left, what goes back in a bag, and what one looks out for. */
const leftAndCautions: Section = (drawing) => {
  const { sheet, w } = drawing;
  const t = WORDS[sheet.language];
  listed(drawing, t.undone, leftUndone(sheet, w));
  listed(
    drawing,
    t.bag,
    w.handover.givenBack.map((b) => (b.letter ? `${b.what} (${b.letter})` : b.what)),
  );
  listed(
    drawing,
    t.cautions,
    t.list.map((line) => `· ${line}`),
  );
};

const signature: Section = ({ paper, sheet, w: { ledger } }) => {
  const t = WORDS[sheet.language];
  paper.heading(t.sign);
  if (ledger.signed) paper.signature(ledger.signed);
  else paper.text(t.notSigned);
};

/** The owner's book: the walk bow to stern, where every hole is, what was left undone, the signature. */
export const ownersBook = (sheet: Sheet, w: Workup): Promise<Buffer> =>
  drawSections(sheet, WORDS[sheet.language].title, w, [
    ...[walk, onTheWay, controls, ropes, day, places, holes],
    ...[leftAndCautions, signature],
  ]);
