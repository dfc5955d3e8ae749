import { CATALOG, ORRISK, TOLVANE } from '../../demo/index';
import { fairHull } from '../boat/hull';
import { missingAdapters, joinFault } from '../holding/mounting';
import { USUAL_BRIEF } from '../rig';
import { deck, partOf } from '@plain-cleat/testing/plans';
import { tell } from '../base/units';
import { slotFault, suits, snapPlace, takenBy } from './index';

const hull = fairHull(TOLVANE);
const part = partOf;

describe('chains', () => {
  it('join by interface, add the adapter that is missing, and refuse what nothing joins', () => {
    expect(joinFault(part('base-track-25'), part('arm-25-short'))).toBeNull();
    expect(joinFault(part('base-track-38'), part('arm-25-short'))).toContain('wants a 25 mm ball');
    expect(missingAdapters(part('base-track-38'), part('arm-25-short'), CATALOG.parts)?.map((p) => p.id)).toEqual([
      'adapter-38-25',
    ]);
    expect(missingAdapters(part('arm-25-short'), part('head-camera'), CATALOG.parts)?.map((p) => p.id)).toEqual([
      'adapter-ball-thread',
    ]);
    expect(missingAdapters(part('base-track-25'), part('head-camera'), CATALOG.parts)?.length).toBe(2);
    expect(missingAdapters(part('crate-open'), part('head-screen-9'), CATALOG.parts)).toBeUndefined();
    expect(missingAdapters(part('base-track-25'), part('arm-25-long'), CATALOG.parts)).toEqual([]);
  });
});

describe('gear that moves between boats', () => {
  it('slot geometry decides, not the maker', () => {
    const slot = { opening: 8.2, depth: 11, thread: 'M6' };
    expect(slotFault({}, slot)).toBeNull();
    expect(slotFault({ slotHead: { neck: 9.5, deep: 4 } }, slot)?.join('')).toContain('wider than the slot');
    expect(slotFault({ slotHead: { neck: 8, deep: 12 } }, slot)?.join('')).toContain('deeper than the slot');
  });

  it('says for each track and well whether it takes it, and why not', () => {
    const wide = takenBy(part('crate-wide'), ORRISK).find((t) => t.place === 'tank well');
    expect(wide && { ...wide, why: tell(wide.why, 'metric') }).toEqual({
      place: 'tank well',
      fits: false,
      why: 'too large by 36 mm, either way round',
    });
    expect(takenBy(part('crate-open'), ORRISK).find((t) => t.place === 'tank well')?.fits).toBeTrue();
    expect(takenBy(part('rod-tube-track'), TOLVANE).every((t) => t.fits)).toBeTrue();
    expect(takenBy(part('flag-pole'), TOLVANE).some((t) => t.place === 'foredeck insert' && t.fits)).toBeTrue();
  });
});

describe('what suits a place', () => {
  const at = (id: string, x: number, y: number, holes: 'none' | 'few' = 'few') =>
    suits(hull, part(id), { x, y }, { ...USUAL_BRIEF, holes });

  it('a track wants what rides it, a well what drops in, the deck what may be drilled for', () => {
    expect(at('rod-tube-track', 2500, 330)).toEqual({ rank: 3, says: 'rides the aft track, starboard' });
    expect(at('crate-open', 2500, 330).rank).toBe(0);
    expect(at('crate-open', 2760, 0)).toEqual({ rank: 2, says: 'drops into the well' });
    expect(at('pad-eye', 3300, 60).rank).toBe(1);
    expect(at('pad-eye', 3300, 60, 'none').rank).toBe(0);
    expect(at('flag-pole', 1010, 5).says).toContain('foredeck insert');
    expect(at('transducer-scupper', 2560, 190).says).toContain('scupper');
    expect(at('pad-eye', 1500, 900).rank).toBe(0);
  });

  it('a like fitting dropped opposite its partner takes the mirrored place', () => {
    const eye = part('pad-eye');
    expect(snapPlace(hull, eye, { x: 3210, y: 98, partners: [{ x: 3200, y: -110 }] }, 'metric')).toEqual(deck(3200, 110));
    expect(snapPlace(hull, eye, { x: 3300, y: 98, partners: [{ x: 3200, y: -110 }] }, 'metric')).toEqual(deck(3300, 98));
  });
});
