import { CATALOG, TOLVANE } from '../../../demo/index';
import { datums, fairHull, scupperName } from '../../boat/hull';

import { hookName } from './index';
import { toldOf } from './care';

describe('what an owner is told', () => {
  const kit = CATALOG.parts.find((p) => p.holding.ways.includes('rivet') && p.holding.ways.includes('through'));

  it('speaks of what holds this one, not of what might have', () => {
    if (!kit) throw new Error('nothing in the catalog takes rivets or bolts');
    const riveted = toldOf(kit, 'rivet');
    const bolted = toldOf(kit, 'through');
    expect(riveted.en.care).toContain('rivets');
    expect(riveted.fr.care).toContain('rivets');
    expect(bolted.en.care).not.toContain('rivets');
    expect(bolted.en.care).toContain('bolts and sealant');
    expect(bolted.fr.care).toContain('boulons');
    expect(toldOf(kit, 'loose').en.care).toBe(kit.walk.en.care);
  });

  it('says what this rig does by road where it is another than the part’s way, and where it rides', () => {
    const tube = CATALOG.parts.find((p) => p.use.comesOff);
    const fixed = CATALOG.parts.find((p) => !p.use.comesOff);
    if (!tube || !fixed) throw new Error('no such parts');
    expect(toldOf(tube, 'track', { rides: 'car' }).en.road).toBe(`${tube.walk.en.road} It rides in the car.`);
    expect(toldOf(tube, 'track', { comesOff: false, rides: 'car' }).en.road).toBe('Stays on for the road.');
    expect(toldOf(fixed, 'rivet', { comesOff: true, rides: 'home' }).fr.road).toBe(
      'À démonter pour la route. Elle reste à la maison.',
    );
  });

  it('no part of the catalog speaks of fasteners by itself', () => {
    for (const { id, walk } of CATALOG.parts)
      expect(`${walk.en.care} ${walk.fr.care}`)
        .withContext(id)
        .not.toMatch(/rivet|bolt|boulon|sealant|mastic|fastener|fixation/i);
  });

  it('scuppers are named by side and order, without a figure in some unit', () => {
    const names = TOLVANE.scuppers.map((s) => scupperName(TOLVANE.scuppers, s.id));
    expect(new Set(names).size).toBe(names.length);
    for (const name of names) expect(name).toMatch(/^(port|starboard|centre) scupper( [1-9] from the bow)?$/);
  });

  it('every hook the hull itself does not name is said in French', () => {
    const hull = fairHull({ ...TOLVANE, hatches: [], tracks: [], inserts: [] });
    for (const { name } of datums(hull))
      expect(hookName(name, 'fr'))
        .withContext(name)
        .toMatch(/^(la pointe|le dalot)/);
    expect(hookName('rear well, after edge', 'fr')).toBe('rear well, bord arrière');
    expect(hookName('bow tip', 'en')).toBe('bow tip');
  });
});
