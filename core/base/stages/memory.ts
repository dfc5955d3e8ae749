interface Known {
  readonly value: unknown;
}

/** So many results are kept of one thing that comes in variants, such as the strokes on another water (judgement). */
const VARIANTS = 12;

/**
 * Earlier results, held by the caller, so that a drag recomputes only what it touches. Each is kept with what it
 * was worked out from and looked up while that is the very same, so it does not matter what was asked before:
 * a result is never another's, at worst it is worked out again.
 */
export class Memory {
  private readonly lasts = new Map<string, { reads: readonly unknown[]; value: unknown }>();
  private readonly variants = new Map<string, Map<string, Known>>();
  private readonly scopes = new Map<string, { reads: readonly unknown[]; memory: Memory }>();
  private readonly byThing = new WeakMap<object, Map<unknown, Known>>();
  private readonly byPair = new WeakMap<object, Map<string, WeakMap<object, Known>>>();

  /** The last result of this name, while everything it reads is identical. */
  last<T>(name: string, reads: readonly unknown[], make: () => T): T {
    const known = this.lasts.get(name);
    if (known && same(known.reads, reads)) return known.value as T;
    const value = make();
    this.lasts.set(name, { reads, value });
    return value;
  }

  /** A result that comes in variants, by what they are told apart by; the last few of them are kept. */
  among<T>(name: string, key: string, make: () => T): T {
    let all = this.variants.get(name);
    if (!all) this.variants.set(name, (all = new Map()));
    const known = all.get(key);
    if (known) return known.value as T;
    const value = make();
    const [oldest] = all.size >= VARIANTS ? all.keys() : [];
    if (oldest !== undefined) all.delete(oldest);
    all.set(key, { value });
    return value;
  }

  /** A result about one thing, kept as long as that thing is. `about` is a name, or the function that asks. */
  of<T>(about: unknown, thing: object, make: () => T): T {
    let all = this.byThing.get(thing);
    if (!all) this.byThing.set(thing, (all = new Map()));
    let known = all.get(about);
    if (!known) all.set(about, (known = { value: make() }));
    return known.value as T;
  }

  /** A result about two things, kept as long as both are. */
  pair<T>(about: string, a: object, b: object, make: () => T): T {
    let all = this.byPair.get(a);
    if (!all) this.byPair.set(a, (all = new Map()));
    let others = all.get(about);
    if (!others) all.set(about, (others = new WeakMap()));
    let known = others.get(b);
    if (!known) others.set(b, (known = { value: make() }));
    return known.value as T;
  }

  /** A memory within this one that is forgotten when anything it reads is another. */
  while(name: string, reads: readonly unknown[]): Memory {
    const known = this.scopes.get(name);
    if (known && same(known.reads, reads)) return known.memory;
    const memory = new Memory();
    this.scopes.set(name, { reads, memory });
    return memory;
  }
}

function same(a: readonly unknown[], b: readonly unknown[]): boolean {
  for (let i = 0; i < a.length; i++) if (!Object.is(a[i], b[i])) return false;
  return a.length === b.length;
}
