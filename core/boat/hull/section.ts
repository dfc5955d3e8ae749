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

/** (1 − f·o)(1 − o^n), integrated term by term. */
class Curved implements Profile {
  private readonly whole: { readonly under: number; readonly deep: number };

  constructor(
    private readonly n: number,
    private readonly f: number,
  ) {
    this.whole = { under: this.underUpTo(1), deep: this.deepUpTo(1) };
  }

  share(o: number): number {
    return (1 - this.f * o) * (1 - o ** this.n);
  }

  under(o: number): number {
    return this.whole.under - this.underUpTo(o);
  }

  deep(o: number): number {
    return this.whole.deep - this.deepUpTo(o);
  }

  private underUpTo(o: number): number {
    const { n, f } = this;
    return o - (f * o ** 2) / 2 - o ** (n + 1) / (n + 1) + (f * o ** (n + 2)) / (n + 2);
  }

  private deepUpTo(o: number): number {
    const { n, f } = this;
    return o ** 2 / 2 - (f * o ** 3) / 3 - o ** (n + 2) / (n + 2) + (f * o ** (n + 3)) / (n + 3);
  }
}

/** A section from its numbers, its area and moment in closed form. Asked for thousands of times, so it is a class. */
class NumberedSection implements Section {
  private readonly profile: Profile;

  constructor(
    shape: SectionShape,
    private readonly numbers: SectionNumbers,
  ) {
    this.profile = shape === 'box' ? BOX : shape === 'ellipse' ? ELLIPSE : new Curved(numbers.fullness, numbers.flare);
  }

  get keel(): number {
    return this.numbers.keel;
  }

  get gunwale(): number {
    return this.numbers.gunwale;
  }

  halfWidth(z: number): number {
    return this.isUnder(z) ? 0 : this.numbers.half * this.profile.share(this.depthAt(z));
  }

  area(z: number): number {
    const { gunwale, keel, half } = this.numbers;
    return this.isUnder(z) ? 0 : 2 * half * (gunwale - keel) * this.profile.under(this.depthAt(z));
  }

  moment(z: number): number {
    if (this.isUnder(z)) return 0;
    const { gunwale, keel, half } = this.numbers;
    const [o, deep] = [this.depthAt(z), gunwale - keel];
    return 2 * half * deep * (gunwale * this.profile.under(o) - deep * this.profile.deep(o));
  }

  private isUnder(z: number): boolean {
    return z <= this.numbers.keel || this.numbers.gunwale <= this.numbers.keel;
  }

  private depthAt(z: number): number {
    const { gunwale, keel } = this.numbers;
    return Math.min(1, Math.max(0, (gunwale - z) / (gunwale - keel)));
  }
}

/** A section from its numbers. */
export const sectionOf = (shape: SectionShape, numbers: SectionNumbers): Section => new NumberedSection(shape, numbers);
