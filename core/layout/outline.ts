/** The convex outline of points in plan, by Andrew's monotone chain. */
export function convexOutline(points: readonly (readonly [number, number])[]): [number, number][] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (all: readonly (readonly [number, number])[]): [number, number][] => {
    const out: [number, number][] = [];
    for (const [x, y] of all) {
      for (;;) {
        const [b, a] = [out.at(-1), out.at(-2)];
        if (!a || !b || (b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0]) > 1e-9) break;
        out.pop();
      }
      out.push([x, y]);
    }
    return out.slice(0, -1);
  };
  return [...half(sorted), ...half([...sorted].reverse())];
}
