import fc from 'fast-check';
import { CATALOG, ORRISK, QUENBY, TOLVANE } from '../../../demo/index';
import { deck, fitted, inputOf } from '@plain-cleat/testing/plans';
import { distance } from '../../base/units';
import { workUp } from '../../workup';
import { runs } from '../../../testing/runs';

describe('random layouts', () => {
  const parts = CATALOG.parts.filter((p) => p.holes.at.length > 0 && p.holding.ways.includes('through'));

  it('no hole lands within its edge distance, near another, or on a hazard, without a finding (property)', () => {
    const spot = fc.record({
      part: fc.constantFrom(...parts.map((p) => p.id)),
      x: fc.integer({ min: 50, max: 3700 }),
      y: fc.integer({ min: -460, max: 460 }),
      turned: fc.constantFrom(0, 30, 90),
      hold: fc.constantFrom('through' as const, 'well nut' as const),
    });
    fc.assert(
      fc.property(fc.constantFrom(TOLVANE, ORRISK, QUENBY), fc.array(spot, { minLength: 1, maxLength: 4 }), (hull, spots) => {
        const fittings = Object.fromEntries(spots.map((s, i) => [`f${i}`, fitted(s.part, deck(s.x, s.y, s.turned), s.hold)]));
        const w = workUp(inputOf(fittings, {}, [], hull));
        const said = (fitting: string, code: string): boolean => w.findings.some((f) => f.where === fitting && f.code === code);
        return w.drilling.holes.every((h) => {
          const { surface } = w;
          const rims = hull.hatches.map((r) => {
            const [dx, dy] = [Math.max(r.fore - h.at.x, 0, h.at.x - r.aft), Math.max(r.port - h.at.y, 0, h.at.y - r.starboard)];
            return Math.hypot(dx, dy);
          });
          const edge = Math.min(surface.halfBreadth(h.at.x) - Math.abs(h.at.y), ...rims);
          // Two diameters of a fastener; half of a wide bore and 15 mm of wall.
          if (edge < Math.min(2 * h.bit.mm, h.bit.mm / 2 + 15) - 1e-9 && !said(h.fitting, 'hole-at-edge')) return false;
          if (h.behind.nearest && h.behind.nearest.clear <= 0 && !said(h.fitting, 'hole-near-hazard')) return false;
          return w.drilling.holes
            .filter((o) => {
              // Three diameters of holes alike: two of the smaller from edge to edge.
              const wanted = (o.bit.mm + h.bit.mm) / 2 + 2 * Math.min(o.bit.mm, h.bit.mm);
              return o.fitting !== h.fitting && distance(o.at, h.at) < wanted - 1e-9;
            })
            .every((o) => said(h.fitting, 'holes-close') || said(o.fitting, 'holes-close'));
        });
      }),
      { seed: 21, numRuns: runs(120) },
    );
  });
});
