/** Things by a name each has, in their order. */
export function grouped<T>(things: readonly T[], by: (thing: T) => string): Map<string, T[]> {
  const out = new Map<string, T[]>();
  for (const thing of things) {
    const group = out.get(by(thing));
    if (group) group.push(thing);
    else out.set(by(thing), [thing]);
  }
  return out;
}
