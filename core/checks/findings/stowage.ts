import { containersOf, contentsOf, isIn, type Container } from '../../holding/inside';
import type { Stowed } from '../../rig';
import { say, over } from '../../base/units';
import { check } from './check';
import { keptDry } from './inside';
import { aboutHull, type Judged, type Raw, type Try } from './finding';

type Thing = readonly [id: string, stowed: Stowed];

/** Into each of some other containers. */
const into = ([id, from]: Thing, others: readonly Container[]): Try[] =>
  others.map((o) => {
    const { of: _, ...rest } = from;
    const to = { ...rest, in: o.in, ...(o.of === null ? {} : { of: o.of }) };
    return { says: say`Into ${o.name}`, changes: [{ kind: 'stowThing' as const, thing: id, from, to }] };
  });

/** Things in one container that spoil each other or the container: wet by dry, sharp in fabric. */
function spoiled(
  here: readonly Thing[],
  c: Container,
  others: readonly Container[],
): Pick<Raw, 'detail' | 'says' | 'because' | 'tries'>[] {
  const wet = here.find(([, s]) => s.is?.includes('wet'));
  const apart = here
    .filter((t) => t !== wet && t[1].wantsDry)
    .map(([id, s]) => ({
      detail: id,
      says: say`${s.what}: wants to be dry, and ${wet?.[1].what ?? ''} beside it in ${c.name} is wet.`,
      because: say`What is wet or smells gets a bin or a bag of its own.`,
      tries: wet
        ? into(
            wet,
            others.filter((o) => !o.dry),
          )
        : [],
    }));
  const sharp = here
    .filter(([, s]) => c.fabric && s.is?.includes('sharp'))
    .map(([id, s]) => ({
      detail: `sharp.${id}`,
      says: say`${s.what}: sharp, and ${c.name} is fabric.`,
      because: say`It cuts through: in a box, or with its edge covered.`,
      tries: into(
        [id, s],
        others.filter((o) => !o.fabric),
      ),
    }));
  return wet ? [...apart, ...sharp] : sharp;
}

/** What everything takes holds what is put in it, keeps dry what wants to be, and keeps apart what does not go together. */
export const stowage = check({
  about: 'rig',
  finds: {
    overfull: { called: 'Overfull', severity: 'look', since: 2 },
    'gets-wet': keptDry.finds['gets-wet'],
    'kept-apart': { called: 'Stowed together, to be kept apart', severity: 'look', since: 7 },
  },
  judge: ({ plan, hull, owned, set }: Judged) => {
    if (set !== null) return [];
    const all = containersOf(hull, owned);
    return all.flatMap((c): Raw[] => {
      const here = contentsOf(plan.stowage, c);
      if (here.length === 0) return [];
      const litres = here.reduce((sum, [, s]) => sum + s.litres, 0);
      const where = { ...aboutHull(hull, c.at.x), ...(c.of === null ? {} : { where: c.of, letter: c.letter }) };
      const room = (o: Container, t: Stowed): boolean =>
        !isIn(t, o) && !o.worn && contentsOf(plan.stowage, o).reduce((sum, [, s]) => sum + s.litres, t.litres) <= o.litres;
      const raw = (code: 'gets-wet' | 'kept-apart', more: Pick<Raw, 'detail' | 'says' | 'because' | 'tries'>): Raw => ({
        ...where,
        code,
        severity: 'look',
        fixable: true,
        ...more,
      });
      const crammed: Raw[] =
        litres <= c.litres
          ? []
          : [
              {
                ...where,
                code: 'overfull',
                detail: c.in,
                measure: over(litres, 'litres', c.litres),
                says: say`${c.name} holds ${Math.floor(c.litres * 10) / 10} litres; ${Math.round(litres * 10) / 10} are put in it.`,
                because: say`${here.map(([, s]) => s.what).join(', ')}.`,
              },
            ];
      const damp = here
        .filter(([, s]) => s.wantsDry && !c.dry)
        .map(([id, s]) =>
          raw('gets-wet', {
            detail: id,
            says: say`${s.what} wants to be dry; ${c.name} is damp.`,
            because: say`A dry bag, or a room that keeps water out.`,
            tries: into(
              [id, s],
              all.filter((o) => o.dry && room(o, s)),
            ),
          }),
        );
      const others = all.filter((o) => o !== c && here.every(([, s]) => room(o, s)));
      // Of what is damp already it is said that it gets wet.
      const beside = c.dry ? here : here.filter(([, s]) => !s.wantsDry);
      return [...crammed, ...damp, ...spoiled(beside, c, others).map((s) => raw('kept-apart', s))];
    });
  },
});
