import { say } from '../units';
import { aboutHull, type Judgement, type Raw } from './finding';

/** Compartments hold what is put in them, dry what wants dry, and are opened no oftener than is sensible. */
export const stowage: Judgement = ({ plan, hull, set }) => {
  if (set !== null) return [];
  const all = Object.entries(plan.stowage);
  return (hull.model.compartments ?? []).flatMap((c): Raw[] => {
    const here = all.filter(([, s]) => s.in === c.id);
    const litres = here.reduce((sum, [, s]) => sum + s.litres, 0);
    const where = aboutHull(hull, c.x);
    const over: Raw[] =
      litres <= c.litres
        ? []
        : [
            {
              ...where,
              code: 'overfull',
              detail: c.id,
              severity: 'look',
              says: say`${c.name} holds ${c.litres} litres; ${Math.round(litres * 10) / 10} are put in it.`,
              because: say`${here.map(([, s]) => s.what).join(', ')}.`,
            },
          ];
    const damp = here
      .filter(([, s]) => s.wantsDry && !c.dry)
      .map(([id, s]): Raw => ({
        ...where,
        code: 'gets-wet',
        detail: id,
        severity: 'look',
        curable: true,
        says: say`${s.what} wants to be dry; ${c.name} is damp.`,
        because: say`A dry bag, or a compartment that keeps water out.`,
        tries: (hull.model.compartments ?? [])
          .filter((o) => o.dry)
          .map((o) => ({
            says: say`Into ${o.name}`,
            changes: [{ kind: 'stowThing' as const, thing: id, from: s, to: { ...s, in: o.id } }],
          })),
      }));
    return [...over, ...damp];
  });
};
