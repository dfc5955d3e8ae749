import { say } from '../units';
import { aboutHull, type Judgement, type Raw } from './finding';

/** Rooms hold what is put in them, and keep dry what wants to be. */
export const stowage: Judgement = ({ plan, hull, set }) => {
  if (set !== null) return [];
  const all = Object.entries(plan.stowage);
  return (hull.model.spaces ?? []).flatMap((c): Raw[] => {
    const here = all.filter(([, s]) => s.in === c.id);
    const litres = here.reduce((sum, [, s]) => sum + s.litres, 0);
    const where = aboutHull(hull, (c.fore + c.aft) / 2);
    const holds = here.length ? (hull.rooms.get(c.id)?.litres ?? 0) : 0;
    const over: Raw[] =
      litres <= holds
        ? []
        : [
            {
              ...where,
              code: 'overfull',
              detail: c.id,
              severity: 'look',
              says: say`${c.name} holds ${Math.floor(holds * 10) / 10} litres; ${Math.round(litres * 10) / 10} are put in it.`,
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
        because: say`A dry bag, or a room that keeps water out.`,
        tries: (hull.model.spaces ?? [])
          .filter((o) => o.dry && !o.worn)
          .map((o) => ({
            says: say`Into ${o.name}`,
            changes: [{ kind: 'stowThing' as const, thing: id, from: s, to: { ...s, in: o.id } }],
          })),
      }));
    return [...over, ...damp];
  });
};
