import { featuresOf } from '../hull';
import { entryOf, isWorn, seenOf, type Fitting } from '../rig';
import { say, type Sentence } from '../units';
import { about, aboutHull, type Judgement, nameOf, type Raw, type Try } from './finding';

const IS_WORDS = { worn: 'is worn', broken: 'is broken' } as const;

const because = (is: 'worn' | 'broken', said: string): Sentence =>
  is === 'broken'
    ? say`${said ? `${said}. ` : ''}It holds nothing any more, and may hurt somebody. Replace it or take it off.`
    : say`${said ? `${said}. ` : ''}Sun and salt go on with it: nothing is tied to it. Replace it, take it off, or leave it unused.`;

/** What came with the boat worn or broken, and is still to be used. */
export const wornThings: Judgement = ({ owned, ledger, hull, plan }) => [
  ...owned.flatMap((item): Raw[] => {
    const { id, fitting } = item.placed;
    const seen = seenOf(ledger, id);
    if (!fitting.aboard || !seen || seen.is === 'sound' || fitting.becomes?.is === 'left') return [];
    return [
      {
        ...about(item),
        code: 'worn',
        severity: seen.is === 'broken' ? 'stop' : 'look',
        says: say`${nameOf(item)} ${IS_WORDS[seen.is]}.`,
        because: because(seen.is, seen.says),
        curable: true,
        tries: waysOut(id, fitting),
      },
    ];
  }),
  ...featuresOf(hull.model).flatMap((feature): Raw[] => {
    const seen = seenOf(ledger, feature.key);
    if (!isWorn(ledger, feature.key) || !seen || seen.is === 'sound' || entryOf(plan.features, feature.key)) return [];
    return [
      {
        ...aboutHull(hull, feature.x),
        code: 'worn',
        detail: feature.key,
        severity: seen.is === 'broken' ? 'stop' : 'look',
        says: say`The ${feature.name} ${IS_WORDS[seen.is]}.`,
        because: because(seen.is, seen.says),
      },
    ];
  }),
];

/** A new one in the same holes, or none; what stands on it must go with it, which a try that breaks the plan shows. */
function waysOut(id: string, fitting: Fitting): Try[] {
  const fresh = `${id}-new`.slice(0, 64);
  const { aboard: _, becomes: __, uses: ___, ...rest } = fitting;
  const from = fitting.becomes ?? null;
  return [
    {
      says: say`Fit a new one in its place`,
      changes: [
        { kind: 'keepItem', item: id, from, to: { is: 'replaced', for: fresh } },
        { kind: 'placeItem', item: fresh, to: { ...rest, suppliedBy: 'shop', note: '' } },
      ],
    },
    { says: say`Take it off`, changes: [{ kind: 'keepItem', item: id, from, to: { is: 'removed' } }] },
    { says: say`Leave it unused`, changes: [{ kind: 'keepItem', item: id, from, to: { is: 'left' } }] },
  ];
}
