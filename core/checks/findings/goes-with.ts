import { joinFault, missingAdapters } from '../../holding/mounting';
import type { Part } from '../../parts/parts';
import { fittingOf, takeOff, type Place } from '../../rig';
import { say } from '../../base/units';
import type { Fitted } from '../../holding/fitted';
import { check } from './check';
import { about, aboutHull, isWhat, nameOf, type Raw, type Try } from './finding';

/** What stands on another fitting is joined to it by an interface both have. */
export const chains = check({
  about: 'set',
  finds: {
    'stands-on-nothing': { called: 'Stands on what is not aboard', severity: 'stop', acceptedBy: 'nobody', since: 2 },
    'does-not-join': { called: 'Does not fit what carries it', severity: 'stop', acceptedBy: 'nobody', since: 2 },
  },
  judge: ({ items }) =>
    items.flatMap((item): Raw[] => {
      const { below, part, place } = item.placed;
      if (!below || place.on !== 'fitting') return [];
      const aboard = items.some((i) => i.placed.id === below.id);
      if (!aboard)
        return [
          {
            ...about(item),
            code: 'stands-on-nothing',
            says: say`${nameOf(item)} stands on ${below.part.name}, which is not aboard in this set.`,
            because: say`Bring both, or give it a place of its own here.`,
          },
        ];
      const why = joinFault(below.part, part);
      if (!why) return [];
      return [
        {
          ...about(item),
          code: 'does-not-join',
          fixable: true,
          says: say`${nameOf(item)} does not join ${below.part.name}: ${why}.`,
          because: say`Joints meet by kind and size: an adapter between them, or another part.`,
          tries: (_, range) => withAdapters(item, below.part, range),
        },
      ];
    }),
});

/** Adapters of the range put between a fitting and what it stands on. */
function withAdapters({ placed }: Fitted, below: Part, range: readonly Part[]): Try[] {
  const { fitting, part, place } = placed;
  const adapters = missingAdapters(below, part, range);
  if (!adapters?.length) return [];
  const id = `${placed.id}-adapter`.slice(0, 60);
  const onAdapter = (n: number): Place => ({ on: 'fitting', fitting: `${id}-${n}`, u: 0, v: 0, heading: 0 });
  return [
    {
      says: say`Add ${adapters.map((a) => a.name).join(', ')}`,
      changes: [
        ...adapters.map((adapter, i) => ({
          kind: 'placeItem' as const,
          item: `${id}-${i + 1}`,
          to: { ...fittingOf(adapter, i === 0 ? place : onAdapter(i)), ...(fitting.sets ? { sets: fitting.sets } : {}) },
        })),
        { kind: 'slideItem' as const, item: placed.id, from: place, to: onAdapter(adapters.length) },
      ],
    },
  ];
}

/** What a part needs aboard, and what it rules out. */
export const goesWith = check({
  about: 'set',
  finds: {
    needs: { called: 'Needs something that is not aboard', severity: 'look', alsoOfMakers: true, since: 2 },
    excludes: { called: 'Not beside each other', severity: 'stop', alsoOfMakers: true, since: 2 },
  },
  judge: ({ items }) =>
    items.flatMap((item): Raw[] => {
      const { part } = item.placed;
      if (!part.goesWith.needs && !part.goesWith.excludes) return [];
      const others = items.filter((i) => i !== item);
      const missing = (part.goesWith.needs ?? []).filter((what) => !others.some((i) => isWhat(i.placed.part, what)));
      const against = others.filter((i) => (part.goesWith.excludes ?? []).some((what) => isWhat(i.placed.part, what)));
      return [
        ...missing.map((what): Raw => ({
          ...about(item),
          code: 'needs',
          detail: what,
          says: say`${nameOf(item)} needs a ${what}, and none is aboard.`,
          because: say`The two are sold and fitted together.`,
        })),
        ...against.map((i): Raw => ({
          ...about(item),
          code: 'excludes',
          detail: i.placed.id,
          says: say`${nameOf(item)} rules out ${i.letter}, ${nameOf(i)}.`,
          because: say`They take the same place or do the same work. Take one off.`,
          fixable: true,
          tries: ({ plan }) => [{ says: say`Take ${i.letter} off`, changes: takeOff(plan, [i.placed.id]).changes }],
        })),
      ];
    }),
});

/** What comes off the boat for a new part: listed, bagged and given back. */
export const replaced = check({
  about: 'rig',
  finds: {
    replaced: { called: 'Comes off for something new', severity: 'note', since: 2 },
  },
  judge: ({ owned, hull }) =>
    owned.flatMap((item): Raw[] =>
      (item.placed.part.goesWith.replaces ?? []).map((what): Raw => ({
        ...aboutHull(hull, item.placed.frame.origin.x),
        code: 'replaced',
        detail: `${item.placed.id}.${what.replace(/\W+/g, '-')}`,
        says: say`${what} comes off for ${item.letter}, ${nameOf(item)}.`,
        because: say`Bag it, list it, give it back with the boat.`,
      })),
    ),
});
