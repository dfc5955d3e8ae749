/** How the outline of a section runs from keel to gunwale. */
export const SECTION_SHAPES = ['curve', 'box', 'ellipse'] as const;
export type SectionShape = (typeof SECTION_SHAPES)[number];

/** One cross-section: symmetric about the centre line, from the keel up to the gunwale. */
export interface Section {
  readonly keel: number;
  readonly gunwale: number;
  /** Centre line to the outside at a height, mm; nought below the keel, that of the gunwale above it. */
  halfWidth(z: number): number;
  /** Area up to a height, both sides, mm²; what is over the gunwale does not count. */
  area(z: number): number;
  /** First moment of that area about the lowest keel point, mm³. */
  moment(z: number): number;
}

export interface SectionNumbers {
  readonly keel: number;
  readonly gunwale: number;
  readonly half: number;
  /** 1 is a straight V, larger is boxier; of a curve only. */
  readonly fullness: number;
  /** Share of the half-breadth lost from gunwale to keel; of a curve only. */
  readonly flare: number;
}

/** Share of the half-breadth at depth `o` under the gunwale (0 there, 1 at the keel), its integral from `o` to 1, and that of `o` times it. */
interface Profile {
  share(o: number): number;
  under(o: number): number;
  deep(o: number): number;
}

const BOX: Profile = { share: (o) => (o >= 1 ? 0 : 1), under: (o) => 1 - o, deep: (o) => (1 - o * o) / 2 };

/** Lower half of an ellipse, its middle at the gunwale. */
const ELLIPSE: Profile = {
  share: (o) => Math.sqrt(Math.max(0, 1 - o * o)),
  under: (o) => (Math.PI / 2 - o * Math.sqrt(Math.max(0, 1 - o * o)) - Math.asin(Math.min(1, o))) / 2,
  deep: (o) => Math.max(0, 1 - o * o) ** 1.5 / 3,
};

/** (1 − flare·o)(1 − o^fullness), integrated term by term. */
function curve(n: number, f: number): Profile {
  const under = (o: number): number => o - (f * o ** 2) / 2 - o ** (n + 1) / (n + 1) + (f * o ** (n + 2)) / (n + 2);
  const deep = (o: number): number => o ** 2 / 2 - (f * o ** 3) / 3 - o ** (n + 2) / (n + 2) + (f * o ** (n + 3)) / (n + 3);
  return {
    share: (o) => (1 - f * o) * (1 - o ** n),
    under: (o) => under(1) - under(o),
    deep: (o) => deep(1) - deep(o),
  };
}

/** A section from its numbers, its area and moment in closed form. */
export function sectionOf(shape: SectionShape, { keel, gunwale, half, fullness, flare }: SectionNumbers): Section {
  const profile = shape === 'box' ? BOX : shape === 'ellipse' ? ELLIPSE : curve(fullness, flare);
  const deep = gunwale - keel;
  const over = (z: number): number => Math.min(1, Math.max(0, (gunwale - z) / deep));
  return {
    keel,
    gunwale,
    halfWidth: (z) => (z <= keel || deep <= 0 ? 0 : half * profile.share(over(z))),
    area: (z) => (z <= keel || deep <= 0 ? 0 : 2 * half * deep * profile.under(over(z))),
    moment(z) {
      if (z <= keel || deep <= 0) return 0;
      const o = over(z);
      return 2 * half * deep * (gunwale * profile.under(o) - deep * profile.deep(o));
    },
  };
}
