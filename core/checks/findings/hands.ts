import { ACTIVITY_WORDS, handsIn, type Grip, type HandsIn, type Trouble } from '../../holding/hands';
import { paddlers, usedHow } from '../../layout';
import type { Activity } from '../../parts/parts';
import { handednessOf, type Handedness } from '../../rig';
import { mm, over, say, type Sentence } from '../../base/units';
import { check } from './check';
import { about, type Judged, nameOf, type Raw, toOtherSide, type Try } from './finding';

const CODES = {
  'hand taken': 'hand-taken',
  'wrong side': 'wrong-side',
  'across a rod': 'across-rod',
  'two for one hand': 'two-for-one-hand',
  'let go': 'let-go',
} as const satisfies Readonly<Record<Trouble['is'], Raw['code']>>;

const WHY: Readonly<Record<Trouble['is'], string>> = {
  'hand taken': 'What a hand has cannot be put down for it.',
  'wrong side': 'A control comes to the hand that is free: held without leaning, touched within its reach.',
  'across a rod': 'A rod with a line out is not reached across.',
  'two for one hand': 'Each hand holds one thing at a time: put them on different sides.',
  'let go': 'Put it where the other hand gets to it.',
};

function saidOf({ control: { item }, hand }: Grip, trouble: Trouble, when: string): Sentence {
  const name = nameOf(item);
  switch (trouble.is) {
    case 'hand taken':
      return say`${name} finds no free hand while ${when}: the ${hand} has ${trouble.by}.`;
    case 'wrong side': {
      const { taken, beyond } = trouble;
      const why = taken ? `, and the ${taken.hand} has ${taken.has}` : '';
      return beyond > 0
        ? say`${name} lies ${mm(beyond, 'up')} beyond the ${hand} hand while ${when}${why}.`
        : say`${name} is a half turn away for the ${hand} hand while ${when}${why}.`;
    }
    case 'across a rod':
      return say`The ${hand} hand reaches ${name} across ${trouble.rod} while ${when}.`;
    case 'two for one hand': {
      const { letter, placed } = trouble.with.item;
      return say`${name} and ${letter}, ${placed.part.name}, both want the ${hand} hand while ${when}.`;
    }
    case 'let go':
      return say`${trouble.of === 'the reel' || trouble.of === 'the paddle' ? trouble.of.replace('t', 'T') : trouble.of} has to be let go of for ${name} while ${when}.`;
  }
}

/** What no legend can put right: too far, or no hand at all. */
const isBad = ({ held, reached }: Grip, trouble: Trouble): boolean =>
  trouble.is === 'hand taken' || trouble.is === 'two for one hand' || (held && reached.zone === 'out of reach');

function waysOut({ hull }: Judged, { control: { item } }: Grip, trouble: Trouble): Try[] {
  const { id, fitting } = item.placed;
  const own = toOtherSide(hull, item);
  const other = trouble.is === 'two for one hand' ? trouble.with.item : undefined;
  const theirs = other ? toOtherSide(hull, other).map((t) => ({ ...t, says: say`${nameOf(other)} to the other side` })) : [];
  const free: Try[] = fitting.hand
    ? [
        {
          says: say`Whichever hand is free`,
          changes: [{ kind: 'handItem', item: id, from: fitting.hand, to: null }],
        },
      ]
    : [];
  return [...own, ...theirs, ...free];
}

/** What stands against a control, whose hand it is and what is done meanwhile. */
interface Said {
  readonly grip: Grip;
  readonly trouble: Trouble;
  readonly person: HandsIn['person'];
  readonly during: Activity[];
}

const handsSaid = ({ castHand, reelHand }: Handedness): string =>
  `${castHand === 'right' ? 'Right' : 'Left'} hand casts, ${reelHand} reels.`;

/** Every control comes to a hand that is free for it, in each activity of the brief. */
export const hands = check({
  about: 'set',
  ofBody: true,
  finds: {
    'hand-taken': { called: 'Hand already taken', severity: ['look', 'stop'], since: 9 },
    'wrong-side': { called: 'On the side of the wrong hand', severity: ['look', 'stop'], since: 9 },
    'across-rod': { called: 'Worked across the rod in hand', severity: ['look', 'stop'], since: 9 },
    'two-for-one-hand': { called: 'Two things for one hand', severity: ['look', 'stop'], since: 9 },
    'let-go': { called: 'What is in hand must be let go', severity: ['look', 'stop'], since: 9 },
  },
  judge: (judged) =>
    // Nothing else aboard has a say in it: what asks for a hand, and what a hand reaches across.
    judged.memory.last(
      'hands',
      judged.items.filter(({ placed }) => placed.part.control || placed.rods.length > 0),
      () => shared(judged),
    ),
});

function shared(judged: Judged): Raw[] {
  const { plan, hull, items, shop } = judged;
  const at = (scale: number): Map<string, Said> => {
    const people = paddlers(hull, plan.brief, scale);
    const said = new Map<string, Said>();
    for (const { activity, person, grips } of handsIn({ people, brief: plan.brief, items, clear: shop.stroke.hand }))
      for (const grip of grips) {
        const { trouble } = grip;
        // What no hand reaches at all is said once, by its reach.
        const { placed } = grip.control.item;
        const alone = trouble?.is === 'wrong side' && !trouble.taken;
        if (!trouble || (alone && (!grip.held || usedHow(placed) === 'always'))) continue;
        const key = `${trouble.is} ${placed.id}`;
        const known = said.get(key);
        if (known) known.during.push(activity);
        else said.set(key, { grip, trouble, person, during: [activity] });
      }
    return said;
  };
  const nominal = at(1);
  const known = new Set([...nominal.values()].map(({ grip }) => grip.control.item));
  const bands = [at(1 - shop.stroke.body), at(1 + shop.stroke.body)].flatMap((band) =>
    [...band].filter(([, { grip }]) => !known.has(grip.control.item)),
  );
  const all = new Map([...bands, ...nominal]);
  return [...all].map(([key, { grip, trouble, person, during }]): Raw => ({
    ...about(grip.control.item),
    code: CODES[trouble.is],
    severity: nominal.has(key) && isBad(grip, trouble) ? 'stop' : 'look',
    measure: trouble.is === 'wrong side' ? over(trouble.beyond, 'mm') : null,
    fixable: true,
    says: saidOf(grip, trouble, during.map((a) => ACTIVITY_WORDS[a]).join(' and ')),
    because: say`${WHY[trouble.is]} ${handsSaid(handednessOf(plan.brief, person))}`,
    tries: waysOut(judged, grip, trouble),
  }));
}
