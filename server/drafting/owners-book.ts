import { toldHands } from '@plain-cleat/core/holding/hands';
import { launchWords } from '@plain-cleat/core/water/way';
import { COLOUR_WORDS } from '@plain-cleat/core/electric/circuits';
import { channelsOf } from '@plain-cleat/core/electric/wiring';
import type { ShopSettings } from '@plain-cleat/core/parts/shop';
import { HOLE_WORDS, hookName, olderHoles, toldHole, toldLines } from '@plain-cleat/core/work/handover';
import { printClock, tell } from '@plain-cleat/core/base/units';
import type { Workup } from '@plain-cleat/core/workup';
import { Paper, type Sheet } from './sheet';

type Sealed = Readonly<Record<ShopSettings['holding']['sealant'], string>>;

const WORDS = {
  en: {
    ...HOLE_WORDS.en,
    title: "Owner's book",
    walk: 'Your boat, bow to stern',
    use: 'Use',
    road: 'Road',
    care: 'Look again',
    holes: 'Holes',
    none: 'none',
    cameWith: (n: number) => `${n} that came with the boat`,
    wire: 'Wire',
    fuse: 'A fuse',
    from: 'from',
    sub: 'Changed',
    cautions: 'Before you go',
    undone: 'Left undone or accepted',
    roof: 'On the roof',
    straps: 'straps over it, from the bow',
    lines: 'a line from each',
    launch: (n: number) => `At the water, in this order: ${n} minutes; home again the other way round`,
    controls: 'Which control, which hand',
    bases: 'Bases, and what goes on them',
    stays: 'stay standing with nothing on',
    ways: 'which button is what',
    ropes: 'Lines',
    newBy: (year: number) => `New before the season of ${year}.`,
    lasts: (start: string, hours: number) => `A day from ${start}, ${hours} h: what is left in each battery`,
    leftOf: (least: number, most: number) => `${least} to ${most} %, an estimate`,
    contents: 'What is in what',
    bag: 'Taken off, back in a bag',
    sign: 'Signed for',
    notSigned: 'Not signed yet',
    accepted: (by: string, why: string) => `Accepted by ${by}: ${why}`,
    passed: (by: string, why: string) => `let pass by ${by}: ${why}`,
    stillOpen: 'open when it was signed for',
    sealed: {
      'neutral-cure silicone': 'Drilled holes are sealed with neutral-cure silicone.',
      'marine adhesive': 'Drilled holes are sealed with marine adhesive.',
      'butyl tape': 'Drilled holes are sealed with butyl tape.',
    } satisfies Sealed,
    gaveUp: 'not drilled',
    with: 'with',
    list: [
      'Wear a life jacket, always.',
      'Try getting back on in shallow water, with the gear aboard.',
      'Fuse at the battery; the right charger; never charge unattended in a closed hull.',
      'Anchoring in current can capsize: quick release and a knife.',
      'Kill-switch lanyard on with a motor. Lines and leashes can entangle.',
      'Floating and stability figures are estimates: they replace neither the rated capacity nor a test in shallow water.',
      'Lights, registration and sound signals: check the local rules.',
    ],
  },
  fr: {
    ...HOLE_WORDS.fr,
    title: 'Livret du propriétaire',
    walk: 'Votre bateau, de la proue à la poupe',
    use: 'Usage',
    road: 'Route',
    care: 'À revoir',
    holes: 'Trous',
    none: 'aucun',
    cameWith: (n: number) => `${n} venus avec le bateau`,
    wire: 'Fil',
    fuse: 'A de fusible',
    from: 'depuis',
    sub: 'Remplacé',
    cautions: 'Avant de partir',
    undone: 'Laissé ou accepté',
    roof: 'Sur le toit',
    straps: 'sangles par-dessus, depuis la proue',
    lines: 'un bout à chacune',
    launch: (n: number) => `Au bord de l’eau, dans cet ordre : ${n} minutes ; au retour, l’inverse`,
    controls: 'Quelle commande, quelle main',
    bases: 'Embases et ce qui s’y monte',
    stays: 'restent en place sans rien dessus',
    ways: 'quel bouton pour quoi',
    ropes: 'Cordages',
    newBy: (year: number) => `À remplacer avant la saison ${year}.`,
    lasts: (start: string, hours: number) => `Une journée dès ${start}, ${hours} h : ce qui reste dans chaque batterie`,
    leftOf: (least: number, most: number) => `${least} à ${most} %, une estimation`,
    contents: 'Ce qui est rangé où',
    bag: 'Démonté, rendu dans un sac',
    sign: 'Signé',
    notSigned: 'Pas encore signé',
    accepted: (by: string, why: string) => `Accepté par ${by} : ${why}`,
    passed: (by: string, why: string) => `laissé passer par ${by} : ${why}`,
    stillOpen: 'pas fait au moment de la signature',
    sealed: {
      'neutral-cure silicone': 'Les trous percés sont étanchés au silicone neutre.',
      'marine adhesive': 'Les trous percés sont étanchés à la colle marine.',
      'butyl tape': 'Les trous percés sont étanchés au ruban butyle.',
    } satisfies Sealed,
    gaveUp: 'non percé',
    with: 'avec',
    list: [
      'Portez toujours un gilet.',
      'Essayez de remonter à bord en eau peu profonde, avec le matériel.',
      'Fusible à la batterie ; le bon chargeur ; jamais de charge sans surveillance dans une coque fermée.',
      'Mouiller dans le courant peut faire chavirer : largage rapide et couteau.',
      'Coupe-circuit au poignet sous moteur. Cordes et longes peuvent emmêler.',
      'Flottaison et stabilité sont des estimations : elles ne remplacent ni la capacité du fabricant ni un essai en eau peu profonde.',
      'Feux, immatriculation, signaux sonores : vérifiez les règles locales.',
    ],
  },
} as const;

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

/** The owner's book: the walk bow to stern, where every hole is, what was left undone, the signature. */
export function ownersBook(sheet: Sheet, w: Workup): Promise<Buffer> {
  const t = WORDS[sheet.language];
  const paper = new Paper(sheet, t.title);
  const named = (thing: { readonly name: string; readonly french: string }): string =>
    sheet.language === 'fr' ? thing.french : thing.name;
  const lettered = (thing: Parameters<typeof named>[0] & { readonly letter: string }): string =>
    [thing.letter, named(thing)].filter(Boolean).join(' · ');
  paper.strip(
    w,
    w.handover.walk.map((s) => ({ x: s.x, y: s.y, label: s.letter })),
  );
  paper.heading(t.walk);
  const widths = [70, paper.width - 70];
  for (const stop of w.handover.walk) {
    const text = stop.text[sheet.language];
    paper.heading(lettered(stop));
    paper.row([t.use, text.use], widths);
    paper.row([t.road, text.road], widths);
    paper.row([t.care, text.care], widths);
    const holes = stop.holes.map((h) => {
      const { label, reading, from, state, old } = toldHole(w.surface, sheet.plan, h);
      const said = h.abandoned === null ? `${t.states[state]}${old ? ` (${old})` : ''}` : `${t.gaveUp}: ${h.abandoned}`;
      return `${label} ${paper.length(reading)} ${t.from} ${hookName(from, sheet.language)}${said ? `, ${said}` : ''}`;
    });
    if (stop.cameWith) holes.push(t.cameWith(stop.cameWith));
    paper.row([t.holes, holes.join('; ') || t.none], widths);
    for (const r of stop.runs)
      paper.row(
        [t.wire, `${t.with} ${r.with}, ${r.gauge}, ${COLOUR_WORDS[r.colour][sheet.language]}, ${r.fuse ?? '–'} ${t.fuse}`],
        widths,
      );
    for (const s of stop.substituted) paper.row([t.sub, s], widths);
  }
  const { launch, rigUpMinutes, roof } = w.ashore;
  const { controls, bases, contents } = w.handover;
  const table = (heading: string, rows: readonly (readonly [string, string])[]): void => {
    if (rows.length) paper.heading(heading);
    for (const row of rows) paper.row(row, [200, paper.width - 200]);
  };
  if (roof)
    table(t.roof, [
      [t.straps, roof.straps.map((x) => paper.length(x)).join(', ')],
      ...(roof.lines.length ? [[t.lines, roof.lines.map((l) => l.name).join(', ')] as const] : []),
    ]);
  table(
    t.launch(rigUpMinutes),
    launch.map((step) => [lettered(step), launchWords(step, sheet.language)]),
  );
  table(
    t.controls,
    controls.map((c) => [lettered({ ...c, name: c.does }), toldHands(c, sheet.language)]),
  );
  // Which button is what stands on the box too; here it is read at home.
  for (const { box, channels } of channelsOf(w.wiring, w.aboard.owned))
    table(
      `${box.letter}, ${sheet.language === 'fr' ? box.placed.part.french : box.placed.part.name}: ${t.ways}`,
      channels
        .filter((c) => c.loads.length > 0)
        .map((c) => [`${c.way}`, `${c.name}${c.rating === null ? '' : `, ${c.rating} ${t.fuse}`}`]),
    );
  table(
    t.ropes,
    toldLines(w.lines, sheet.plan.opened, sheet.language).map((l) => [
      `${l.name}, ${l.cord}`,
      `${l.caution} ${t.newBy(l.newBy)}`,
    ]),
  );
  if (sheet.plan.day)
    table(
      t.lasts(printClock(sheet.plan.day.starts), Math.round(w.day.minutes / 6) / 10),
      w.day.batteries.map((b) => {
        const { easy = 1, hard = 1 } = b.moments.at(-1)?.left ?? {};
        const item = w.aboard.owned.find((i) => i.placed.id === b.fitting);
        return [
          lettered({ letter: b.letter, name: b.name, french: item?.placed.part.french ?? b.name }),
          t.leftOf(Math.floor(100 * hard), Math.floor(100 * easy)),
        ];
      }),
    );
  table(
    t.bases,
    bases.map((b) => {
      const tops = b.tops.map((top) => `${top.letter} ${named(top)}`).join(', ');
      return [lettered(b), `${tops}; ${paper.length(b.stands)} ${t.stays}`];
    }),
  );
  table(
    t.contents,
    contents.map((c) => [lettered(c), c.things.join(', ')]),
  );
  const older = olderHoles(w.surface, w.drilling.oldHoles);
  if (older.length) {
    paper.heading(t.older);
    for (const o of older)
      paper.row(
        [
          o.label,
          `${paper.length(o.reading)} ${t.from} ${hookName(o.from, sheet.language)}, ${o.plugged ? `${t.plugged} ${o.plugged}` : t.open}`,
        ],
        widths,
      );
  }
  if (w.drilling.holes.some((h) => h.drilled && !h.reused)) paper.text(t.sealed[sheet.shop.holding.sealant]);
  const undone = leftUndone(sheet, w);
  if (undone.length) {
    paper.heading(t.undone);
    for (const line of undone) paper.text(line);
  }
  if (w.handover.givenBack.length) {
    paper.heading(t.bag);
    for (const b of w.handover.givenBack) paper.text(b.letter ? `${b.what} (${b.letter})` : b.what);
  }
  paper.heading(t.cautions);
  for (const line of t.list) paper.text(`· ${line}`);
  paper.heading(t.sign);
  const { signed } = w.ledger;
  if (!signed) paper.text(t.notSigned);
  else paper.signature(signed);
  return paper.finish();
}
