import type { CameThing } from '@plain-cleat/core/work/reception';
import type { BECOMES_WORDS } from '@plain-cleat/core/rig';
import type { Workup } from '@plain-cleat/core/workup';
import sharp from 'sharp';
import { drawSections, type Section } from './section';
import type { Paper, Sheet } from './sheet';

const WORDS = {
  en: {
    title: 'Reception',
    things: 'What came with the boat, bow to stern',
    nothing: 'Nothing came with the boat but the hull.',
    holes: 'Holes already in the hull',
    noHoles: 'None known.',
    signed: 'Signed for, as it came in',
    notSigned: 'Not signed for yet. Name, date:',
    changed: 'More was seen since: a new signature is wanted.',
    from: { maker: 'maker', 'earlier rig': 'earlier rig', found: 'found aboard' },
    is: { sound: 'sound', worn: 'worn', broken: 'broken' },
    unseen: 'not looked at yet',
    becomes: { left: 'left unused', replaced: 'replaced', removed: 'taken off', gone: 'not there' } as typeof BECOMES_WORDS,
    plugged: 'plugged with',
  },
  fr: {
    title: 'Réception',
    things: 'Ce qui est venu avec le bateau, de la proue à la poupe',
    nothing: 'Rien n’est venu avec le bateau, sauf la coque.',
    holes: 'Trous déjà dans la coque',
    noHoles: 'Aucun connu.',
    signed: 'Signé, tel que reçu',
    notSigned: 'Pas encore signé. Nom, date :',
    changed: 'Autre chose a été vu depuis : une nouvelle signature est nécessaire.',
    from: { maker: 'd’origine', 'earlier rig': 'équipement précédent', found: 'trouvé à bord' },
    is: { sound: 'en bon état', worn: 'usé', broken: 'cassé' },
    unseen: 'pas encore regardé',
    becomes: { left: 'laissé sans usage', replaced: 'remplacé', removed: 'démonté', gone: 'absent' },
    plugged: 'bouché avec',
  },
} as const;

/** Photos of things, by the id of each. */
export type Photos = ReadonlyMap<string, Uint8Array>;

/** Printed no wider than so many points, at twice as many dots. */
const PHOTO = { wide: 190, tall: 130 } as const;

const widths = (paper: Paper): number[] => [34, 170, 90, 90, paper.width - 384];

const strip: Section = ({ paper, w }) =>
  paper.strip(
    w,
    w.reception.things.filter((one) => one.mark && !one.feature).map((one) => ({ x: one.x, y: one.y, label: one.mark })),
  );

/** A photo under its line. */
async function drawPhoto(paper: Paper, photo: Uint8Array): Promise<void> {
  paper.room(PHOTO.tall + 12);
  const size = { width: 2 * PHOTO.wide, height: 2 * PHOTO.tall, fit: 'inside' } as const;
  const small = await sharp(photo).resize(size).jpeg().toBuffer();
  const top = paper.doc.y + 6;
  paper.doc.image(small, paper.doc.page.margins.left + 34, top, { fit: [PHOTO.wide, PHOTO.tall] });
  paper.doc.y = top + PHOTO.tall + 6;
}

/** Everything aboard with how it is, and photos of what is not sound. */
const things =
  (photos: Photos): Section =>
  async ({ paper, sheet: { language }, w }) => {
    const t = WORDS[language];
    const how = ({ seen, becomes }: CameThing): string =>
      becomes?.is === 'gone' ? t.becomes.gone : seen ? t.is[seen.is] : t.unseen;
    paper.heading(t.things);
    if (w.reception.things.length === 0) paper.text(t.nothing);
    for (const one of w.reception.things) {
      const name = language === 'fr' ? one.french : one.name;
      const becomes = one.becomes && one.becomes.is !== 'gone' ? t.becomes[one.becomes.is] : '';
      const said = [one.seen?.says, becomes].filter(Boolean).join('; ');
      paper.row([one.mark, name, t.from[one.from], how(one), said], widths(paper));
      const photo = one.seen?.photo === undefined ? undefined : photos.get(one.seen.photo);
      if (photo) await drawPhoto(paper, photo);
    }
  };

/** The holes there are. */
const holes: Section = ({ paper, sheet, w }) => {
  const t = WORDS[sheet.language];
  const known = w.ledger.holes.filter((h) => h.at);
  paper.heading(t.holes);
  if (known.length === 0) paper.text(t.noHoles);
  for (const h of known) {
    const { reading, datum, offCentre } = h.measured;
    const off = offCentre === 0 ? '' : `, ${paper.length(Math.abs(offCentre))} ${offCentre < 0 ? 'P' : 'S'}`;
    const state = h.plugged === null ? '' : `${t.plugged} ${h.plugged}`;
    paper.row(['', h.label, `${paper.length(reading)} (${datum})${off}`, paper.length(h.bit), state], widths(paper));
  }
};

const signature: Section = ({ paper, sheet, w: { reception } }) => {
  const t = WORDS[sheet.language];
  const { signed, changed } = reception;
  paper.heading(t.signed);
  if (!signed || changed) paper.text(changed ? t.changed : t.notSigned);
  if (signed) paper.signature(signed);
};

/** How the boat came in: everything aboard with how it is, photos of what is not sound, the holes there are, the signature. */
export const receptionSheet = (sheet: Sheet, w: Workup, photos: Photos): Promise<Buffer> =>
  drawSections(sheet, WORDS[sheet.language].title, w, [strip, things(photos), holes, signature]);
