import type { PlannedHole } from '../../holding/fitted';
import type { HullSurface } from '../../boat/hull';
import type { LedgerHole } from '../../rig';
import { distance, mm, mmApart, say, type Point, over, under } from '../../base/units';
import { check } from './check';
import { about, aboutHull, alone, type Raw } from './finding';

/**
 * From a hole's middle to an edge: two diameters (common practice, no source); of a wide bore, which holds nothing,
 * its own half and so much wall (judgement), mm.
 */
const WALL_BESIDE = 15;
const toEdge = (bit: number): number => bit / 2 + Math.min(1.5 * bit, WALL_BESIDE);
/** From middle to middle: three diameters of alike holes (common practice, no source), two of the smaller between their edges. */
const apart = (a: number, b: number): number => (a + b) / 2 + 2 * Math.min(a, b);

/** The edge of the hull nearest a hole on deck or side, and how far its middle lies from it, mm. */
function nearestEdge(hull: HullSurface, hole: Pick<PlannedHole, 'at' | 'fromEdge' | 'down'>): { name: string; far: number } {
  const { at } = hole;
  const edges = [
    { name: 'the gunwale edge', far: hole.down ?? hole.fromEdge },
    ...hull.model.hatches
      .filter(() => hole.down === null)
      .map((h) => {
        const dx = Math.max(h.fore - at.x, 0, at.x - h.aft);
        const dy = Math.max(h.port - at.y, 0, at.y - h.starboard);
        const inside = Math.min(at.x - h.fore, h.aft - at.x, at.y - h.port, h.starboard - at.y);
        return { name: `the rim of the ${h.name}`, far: dx || dy ? Math.hypot(dx, dy) : -Math.max(0, inside) };
      }),
    ...hull.model.scuppers.map((s) => ({
      name: 'a scupper',
      far: hole.down === null ? Math.hypot(s.x - at.x, s.y - at.y) - s.diameter / 2 : Infinity,
    })),
  ];
  return edges.reduce((a, b) => (b.far < a.far ? b : a));
}

/** A hole nearer an edge than two diameters, or beyond it; said once a fitting, of the nearest. */
export const holeAtEdge = check({
  about: 'rig',
  finds: {
    'hole-at-edge': { called: 'Hole close to an edge', severity: 'stop', since: 3 },
  },
  judge: alone((item, { hull }): Raw[] => {
    let worst: { hole: PlannedHole; name: string; far: number; short: number } | null = null;
    for (const hole of item.holes) {
      // A bulkhead's edge is the skin: the place itself is judged as on it or off it.
      if (hole.drilled || hole.up !== null) continue;
      const { name, far } = nearestEdge(hull, hole);
      const short = toEdge(hole.bit.mm) - far;
      if (short > 0 && (!worst || short > worst.short)) worst = { hole, name, far, short };
    }
    if (!worst) return [];
    const { hole, name, far } = worst;
    return [
      {
        ...about(item),
        step: 'drill',
        x: hole.at.x,
        code: 'hole-at-edge',
        measure: under(far, 'mm', toEdge(hole.bit.mm)),
        says:
          far < 0
            ? say`${hole.label} lies ${mm(-far, 'up')} inside ${name}: there is no wall to drill.`
            : say`${hole.label} lies ${mm(far, 'down')} from ${name}; ${mm(toEdge(hole.bit.mm), 'up')} wanted.`,
        because: say`Two diameters of a fastener from any edge, or ${mm(WALL_BESIDE)} of wall beside a wide bore, or the wall tears out.`,
      },
    ];
  }, 'owned'),
});

interface Other {
  readonly label: string;
  readonly at: Point;
  readonly bit: number;
}

/**
 * Two holes so close that the wall between them is weak: planned ones of different fittings, and old ones
 * whether plugged or open. Said once a fitting, of the closest pair; a pattern the maker drilled is his affair.
 */
export const holesClose = check({
  about: 'rig',
  finds: {
    'holes-close': { called: 'Holes close together', severity: ['look', 'stop'], since: 3 },
  },
  judge: ({ owned, oldHoles, others, shop }) => {
    const old = [
      ...[...oldHoles, ...owned.flatMap((i) => i.under)].flatMap((h): Other[] =>
        h.at ? [{ label: `the old hole ${h.label}`, at: h.at, bit: h.bit }] : [],
      ),
      ...others.map((o): Other => ({ label: `${o.label} of ${o.rig}`, at: o.at, bit: o.bit })),
    ];
    const before: (Other & { readonly drilled: boolean })[] = [];
    return owned.flatMap((item): Raw[] => {
      let worst: { hole: PlannedHole; other: Other; far: number; wanted: number } | null = null;
      for (const hole of item.holes)
        for (const other of hole.drilled ? before : [...before, ...old]) {
          if (hole.drilled && 'drilled' in other && other.drilled) continue;
          const wanted = apart(other.bit, hole.bit.mm);
          // Far apart along the boat is far apart.
          if (Math.abs(other.at.x - hole.at.x) >= wanted) continue;
          const far = distance(other.at, hole.at);
          // A new hole right over an old one that is no wider is that one, opened up.
          if (!('drilled' in other) && far <= shop.drilling.reuseWithin && hole.bit.mm >= other.bit - 0.1) continue;
          if (far < wanted && (!worst || wanted - far > worst.wanted - worst.far)) worst = { hole, other, far, wanted };
        }
      for (const h of item.holes) before.push({ label: h.label, at: h.at, bit: h.bit.mm, drilled: h.drilled !== null });
      if (!worst) return [];
      const { hole, other, far, wanted } = worst;
      return [
        {
          ...about(item),
          step: 'drill',
          x: hole.at.x,
          code: 'holes-close',
          severity: far < (other.bit + hole.bit.mm) / 2 ? 'stop' : 'look',
          measure: under(far, 'mm', wanted),
          says: say`${hole.label} lies ${mm(far, 'down')} from ${other.label}; ${mm(wanted, 'up')} wanted.`,
          because: say`Three diameters from middle to middle of holes alike, or the wall between them is weak.`,
        },
      ];
    });
  },
});

/** An old hole used again that the fitting has slid away from, or that is too wide for its bolt. */
export const reusedHole = check({
  about: 'rig',
  finds: {
    'reused-hole': { called: 'Old hole used again', severity: ['look', 'stop'], since: 3 },
  },
  judge: ({ owned, shop }) =>
    owned.flatMap((item) =>
      item.holes
        .filter((h) => h.reused && h.drilled?.at)
        .flatMap((hole): Raw[] => {
          const old = hole.drilled as LedgerHole & { at: Point };
          const off = distance(old.at, hole.at);
          const wide = old.bit > hole.bit.mm + 0.8;
          if (off <= shop.drilling.reuseWithin && !wide) return [];
          return [
            {
              ...about(item),
              step: 'drill',
              x: hole.at.x,
              code: 'reused-hole',
              detail: hole.id,
              severity: wide ? 'look' : 'stop',
              measure: wide ? over(old.bit, 'mm', hole.bit.mm) : over(off, 'mm', shop.drilling.reuseWithin),
              says: wide
                ? say`${hole.label} uses the old hole ${old.label}, ${mm(old.bit)} wide where ${hole.bit.name} would do.`
                : say`${hole.label} uses the old hole ${old.label}, which lies ${mm(off, 'up')} off.`,
              because: wide
                ? say`A wide washer, or plug it and drill anew.`
                : say`Slide the fitting back to it, or give the old hole up and drill a new one.`,
              tries: wide
                ? []
                : [
                    {
                      says: say`Drill new holes instead`,
                      changes: [{ kind: 'reuseHoles', item: item.placed.id, from: item.placed.fitting.uses ?? null, to: null }],
                    },
                  ],
              fixable: !wide,
            },
          ];
        }),
    ),
});

/** A tape pulled taut over a step reads two places alike: which of them it is was settled by the plan, or by nobody. */
export const readsAlike = check({
  about: 'rig',
  finds: {
    'reads-alike': { called: 'Two holes that read alike', severity: ['note', 'look'], since: 4 },
  },
  judge: ({ ledger, hull }) =>
    ledger.holes.flatMap((hole): Raw[] => {
      const { at, alike, measured } = hole;
      if (!at || !alike) return [];
      const settled = measured.aimed !== undefined;
      return [
        {
          ...aboutHull(hull, at.x),
          where: hole.id,
          letter: hole.label,
          step: 'drill',
          code: 'reads-alike',
          severity: settled ? 'note' : 'look',
          measure: over(distance(at, alike), 'mm'),
          says: settled
            ? say`${hole.label} reads alike at two places ${mm(distance(at, alike))} apart; the one the plan has is taken.`
            : say`${hole.label} reads alike at two places ${mm(distance(at, alike))} apart: which is it?`,
          because: say`The tape was pulled taut over a step in the deck. Stretched bow to stern and squared down it reads one place.`,
        },
      ];
    }),
});

/** Two people measured one hole and disagree; both are kept. */
export const measuredTwice = check({
  about: 'rig',
  finds: {
    'measured-twice': { called: 'Measured twice, unlike', severity: 'look', decides: 'the manager', since: 3 },
  },
  judge: ({ ledger, hull, shop }) =>
    ledger.holes.flatMap((hole): Raw[] =>
      hole.also.flatMap((other, i): Raw[] => {
        const off = hole.at && other.at ? distance(hole.at, other.at) : 0;
        if (off <= Math.max(1, shop.drilling.tape)) return [];
        const [one, two] = [hole.measured.reading, other.measured.reading];
        const along = Math.abs(Math.abs(one - two) - off) < 1;
        return [
          {
            ...aboutHull(hull, hole.at?.x),
            where: hole.id,
            letter: hole.label,
            step: 'drill',
            code: 'measured-twice',
            detail: `${i + 1}`,
            measure: over(off, 'mm'),
            says: say`${hole.label} was measured by ${hole.by} and by ${other.by}, ${along ? mmApart(one, two) : mm(off, 'up')} apart.`,
            because: say`${hole.by} reads ${mm(one)}, ${other.by} ${mm(two)} from the ${hole.measured.datum}. Measure it once more and take the wrong one back.`,
          },
        ];
      }),
    ),
});

/** This boat differs from its drawing by more than the shop allows: it is measured anew before it is drilled. */
export const hullOff = check({
  about: 'rig',
  finds: {
    'hull-off': { called: 'Hull unlike its drawing', severity: 'stop', acceptedBy: 'nobody', decides: 'the manager', since: 3 },
  },
  judge: ({ ledger, hull, shop }) =>
    ledger.correction.known.flatMap((k): Raw[] => {
      const by = Math.abs(k.off);
      if (by <= shop.drilling.knownWithin) return [];
      return [
        {
          ...aboutHull(hull, k.toX),
          step: 'drill',
          code: 'hull-off',
          detail: `${k.from}.${k.to}`,
          measure: over(by, 'mm', shop.drilling.knownWithin),
          says: say`From ${k.from} to ${k.to} this boat is ${mmApart(k.reading, k.expected)} ${k.off > 0 ? 'longer' : 'shorter'} than its drawing; ${mm(shop.drilling.knownWithin, 'down')} is allowed.`,
          because: say`The tape reads ${mm(k.reading)}, the drawing says ${mm(k.expected)}. Measure the hull anew before a hole is made.`,
        },
      ];
    }),
});
