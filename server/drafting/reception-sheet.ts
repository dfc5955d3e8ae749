import type { CameThing } from '@plain-cleat/core/work/reception';
import type { BECOMES_WORDS } from '@plain-cleat/core/rig';
import type { Workup } from '@plain-cleat/core/workup';
import sharp from 'sharp';
import { Paper, type Sheet } from './sheet';

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

/** How the boat came in: everything aboard with how it is, photos of what is not sound, the holes there are, the signature. */
export async function receptionSheet(sheet: Sheet, w: Workup, photos: Photos): Promise<Buffer> {
  const t = WORDS[sheet.language];
  const { things, signed, changed } = w.reception;
  const paper = new Paper(sheet, t.title);
  paper.strip(
    w,
    things.filter((one) => one.mark && !one.feature).map((one) => ({ x: one.x, y: one.y, label: one.mark })),
  );
  paper.heading(t.things);
  if (things.length === 0) paper.text(t.nothing);
  const widths = [34, 170, 90, 90, paper.width - 384];
  const how = ({ seen, becomes }: CameThing): string =>
    becomes?.is === 'gone' ? t.becomes.gone : seen ? t.is[seen.is] : t.unseen;
  for (const one of things) {
    const name = sheet.language === 'fr' ? one.french : one.name;
    const becomes = one.becomes && one.becomes.is !== 'gone' ? t.becomes[one.becomes.is] : '';
    paper.row([one.mark, name, t.from[one.from], how(one), [one.seen?.says, becomes].filter(Boolean).join('; ')], widths);
    const photo = one.seen?.photo === undefined ? undefined : photos.get(one.seen.photo);
    if (photo) {
      paper.room(PHOTO.tall + 12);
      const small = await sharp(photo)
        .resize({ width: 2 * PHOTO.wide, height: 2 * PHOTO.tall, fit: 'inside' })
        .jpeg()
        .toBuffer();
      const top = paper.doc.y + 6;
      paper.doc.image(small, paper.doc.page.margins.left + 34, top, { fit: [PHOTO.wide, PHOTO.tall] });
      paper.doc.y = top + PHOTO.tall + 6;
    }
  }
  paper.heading(t.holes);
  const holes = w.ledger.holes.filter((h) => h.at);
  if (holes.length === 0) paper.text(t.noHoles);
  for (const h of holes) {
    const { reading, datum, offCentre } = h.measured;
    const off = offCentre === 0 ? '' : `, ${paper.length(Math.abs(offCentre))} ${offCentre < 0 ? 'P' : 'S'}`;
    const state = h.plugged === null ? '' : `${t.plugged} ${h.plugged}`;
    paper.row(['', h.label, `${paper.length(reading)} (${datum})${off}`, paper.length(h.bit), state], widths);
  }
  paper.heading(t.signed);
  if (!signed || changed) paper.text(changed ? t.changed : t.notSigned);
  if (signed) paper.signature(signed);
  return paper.finish();
}
