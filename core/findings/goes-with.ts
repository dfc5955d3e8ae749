import { joinFault, missingAdapters } from '../mounting';
import { say } from '../units';
import { about, aboutHull, type Judgement, isWhat, nameOf, type Raw } from './finding';

/** What stands on another fitting is joined to it by an interface both have. */
export const chains: Judgement = ({ items, parts }) =>
  items.flatMap((item): Raw[] => {
    const { below, part, fitting, place } = item.placed;
    if (!below || place.on !== 'fitting') return [];
    const aboard = items.some((i) => i.placed.id === below.id);
    if (!aboard)
      return [
        {
          ...about(item),
          code: 'stands-on-nothing',
          severity: 'stop',
          says: say`${nameOf(item)} stands on ${below.part.name}, which is not aboard in this set.`,
          because: say`Bring both, or give it a place of its own here.`,
        },
      ];
    const why = joinFault(below.part, part);
    if (!why) return [];
    const adapters = missingAdapters(below.part, part, parts);
    const id = `${item.placed.id}-adapter`.slice(0, 60);
    return [
      {
        ...about(item),
        code: 'does-not-join',
        severity: 'stop',
        curable: Boolean(adapters?.length),
        says: say`${nameOf(item)} does not join ${below.part.name}: ${why}.`,
        because: adapters?.length
          ? say`${adapters.map((a) => a.name).join(', ')} would join them.`
          : say`Nothing in the stores joins the two.`,
        tries: adapters?.length
          ? [
              {
                says: say`Add ${adapters.map((a) => a.name).join(', ')}`,
                changes: [
                  ...adapters.map((a, i) => ({
                    kind: 'placeItem' as const,
                    item: `${id}-${i + 1}`,
                    to: {
                      part: a.id,
                      place: i === 0 ? place : { on: 'fitting' as const, fitting: `${id}-${i}`, u: 0, v: 0, heading: 0 },
                      lift: 0,
                      mount: { hold: 'loose' as const, plate: false, reason: '' },
                      suppliedBy: 'shop' as const,
                      note: '',
                      ...(fitting.sets ? { sets: fitting.sets } : {}),
                    },
                  })),
                  {
                    kind: 'slideItem' as const,
                    item: item.placed.id,
                    from: place,
                    to: { on: 'fitting' as const, fitting: `${id}-${adapters.length}`, u: 0, v: 0, heading: 0 },
                  },
                ],
              },
            ]
          : [],
      },
    ];
  });

/** What a part needs aboard, and what it rules out. */
export const goesWith: Judgement = ({ items, parts }) =>
  items.flatMap((item): Raw[] => {
    const { part } = item.placed;
    if (!part.goesWith.needs && !part.goesWith.excludes) return [];
    const others = items.filter((i) => i !== item);
    const named = (what: string): string => parts.find((p) => p.id === what)?.name ?? what;
    const missing = (part.goesWith.needs ?? []).filter((what) => !others.some((i) => isWhat(i.placed.part, what)));
    const against = others.filter((i) => (part.goesWith.excludes ?? []).some((what) => isWhat(i.placed.part, what)));
    return [
      ...missing.map((what): Raw => ({
        ...about(item),
        code: 'needs',
        detail: what,
        severity: 'look',
        says: say`${nameOf(item)} needs ${named(what)}, and none is aboard.`,
        because: say`The two are sold and fitted together.`,
      })),
      ...against.map((i): Raw => ({
        ...about(item),
        code: 'excludes',
        detail: i.placed.id,
        severity: 'stop',
        says: say`${nameOf(item)} rules out ${i.letter}, ${nameOf(i)}.`,
        because: say`They take the same place or do the same work. Take one off.`,
        curable: true,
        tries: [
          {
            says: say`Take ${i.letter} off`,
            changes: [{ kind: 'takeOffItem', item: i.placed.id, from: i.placed.fitting }],
          },
        ],
      })),
    ];
  });

/** What comes off the boat for a new part: listed, bagged and given back. */
export const replaced: Judgement = ({ owned, hull }) =>
  owned.flatMap((item): Raw[] =>
    (item.placed.part.goesWith.replaces ?? []).map((what): Raw => ({
      ...aboutHull(hull, item.placed.frame.origin.x),
      code: 'replaced',
      detail: `${item.placed.id}.${what.replace(/\W+/g, '-')}`,
      severity: 'note',
      says: say`${what} comes off for ${item.letter}, ${nameOf(item)}.`,
      because: say`Bag it, list it, give it back with the boat.`,
    })),
  );
