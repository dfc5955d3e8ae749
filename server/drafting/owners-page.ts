import { olderHoles, toldHole } from '@plain-cleat/core/work/handover';
import { toldHands } from '@plain-cleat/core/holding/hands';
import { launchWords } from '@plain-cleat/core/water/to-water';
import { workUp, type WorkupInput } from '@plain-cleat/core/workup';
import type { OwnerPage } from '@plain-cleat/api';
import { dayIn } from '@plain-cleat/core/base/units';
import { outlineOf } from './outline';

/** What an owner reads of their rig. */
export function ownersPage(input: WorkupInput, number: string, owner: string): OwnerPage {
  const { plan, hull, shop } = input;
  const w = workUp(input);
  return {
    shop: { name: shop.name, place: shop.place },
    number,
    title: plan.title,
    hull: `${hull.maker} ${hull.name}`,
    owner,
    units: shop.units,
    outline: outlineOf(hull),
    length: w.surface.length,
    stops: w.handover.walk.map((s) => ({
      fitting: s.fitting,
      letter: s.letter,
      name: { en: s.name, fr: s.french },
      x: s.x,
      y: s.y,
      use: { en: s.text.en.use, fr: s.text.fr.use },
      road: { en: s.text.en.road, fr: s.text.fr.road },
      care: { en: s.text.en.care, fr: s.text.fr.care },
      cameWith: s.cameWith,
      holes: s.holes.filter((h) => h.abandoned === null).map((h) => toldHole(w.surface, plan, h)),
      shown: s.shown,
    })),
    contents: w.handover.contents.map((c) => ({
      letter: c.letter,
      name: { en: c.name, fr: c.french },
      things: [...c.things],
    })),
    launch: w.ashore.launch.map((s) => ({
      letter: s.letter,
      name: { en: s.name, fr: s.french },
      says: { en: launchWords(s, 'en'), fr: launchWords(s, 'fr') },
    })),
    launchMinutes: w.ashore.rigUpMinutes,
    controls: w.handover.controls.map((c) => ({
      letter: c.letter,
      does: { en: c.does, fr: c.french },
      hands: { en: toldHands(c, 'en'), fr: toldHands(c, 'fr') },
    })),
    older: olderHoles(w.surface, w.drilling.oldHoles),
    signedOn: w.ledger.signed ? dayIn(w.ledger.signed.serverTime, shop.timeZone) : null,
  };
}
