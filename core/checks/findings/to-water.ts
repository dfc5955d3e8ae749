import { cartPosts, liftedAt, liftedEasily, mostCarried, ROLLS } from '../../water/to-water';
import { BY_WORDS, entryOf, GROUND_WORDS, type Brief } from '../../rig';
import { ground, kg, mm, over, say, type Sentence } from '../../base/units';
import { check } from './check';
import { aboutHull, type Judged, type Raw, type Try } from './finding';

const way = (judged: Judged, to: Partial<Brief['way']>, says: string): Try => {
  const { way: from } = judged.plan.brief;
  return { says: say`${says}`, changes: [{ kind: 'answerBrief', from: { way: from }, to: { way: { ...from, ...to } } }] };
};

const found = (
  judged: Judged,
  code: Raw['code'],
  [says, because]: readonly [Sentence, Sentence],
  tries: readonly Try[] = [],
  measure: Raw['measure'] = null,
): Raw => ({
  ...aboutHull(judged.hull),
  step: 'brief',
  code,
  severity: 'look',
  measure,
  fixable: tries.length > 0,
  says,
  because,
  tries,
});

const asked = ({ plan: { brief } }: Judged): Sentence =>
  say`${brief.lifts === 'two' ? 'Two carry' : 'One carries'} it ${ground(brief.way.metres)} over ${GROUND_WORDS[brief.way.ground]}`;

/** What is carried to the water by hand. */
export const carried = check({
  about: 'rig',
  finds: {
    'heavy-to-carry': { called: 'Heavy to carry', severity: 'look', since: 9 },
  },
  judge: (judged) => {
    const { plan, shop, ashore } = judged;
    const { way: how, lifts } = plan.brief;
    // Nought metres: nobody asked yet.
    if (how.by !== 'carried' || how.metres === 0) return [];
    const { all, hullKg, gearKg } = ashore;
    const most = mostCarried(how, lifts, shop.limits);
    if (all.kg <= most) return [];
    const two: Try[] =
      lifts === 'alone'
        ? [{ says: say`Two people carry it`, changes: [{ kind: 'answerBrief', from: { lifts }, to: { lifts: 'two' } }] }]
        : [];
    return [
      found(
        judged,
        'heavy-to-carry',
        [
          say`Hull and what stays on it weigh ${kg(all.kg)}; ${lifts === 'two' ? 'two people carry' : 'one person carries'} ${kg(most)} that far.`,
          say`${asked(judged)}. Hull ${kg(hullKg)}, gear that stays ${kg(gearKg)}. A cart, or more that comes off.`,
        ],
        [...two, way(judged, { by: 'scupper cart' }, 'On a cart by its scupper posts'), onCradle(judged)],
        over(all.kg, 'kg', most),
      ),
    ];
  },
});

/** Scuppers that something stands in, or that are plugged. */
const takenScuppers = ({ owned, plan, hull }: Judged): Set<string> =>
  new Set([
    ...owned.flatMap(({ placed: { place } }) => (place.on === 'scupper' ? [place.scupper] : [])),
    ...hull.model.scuppers.filter((s) => entryOf(plan.scuppers, s.id) === 'plugged').map((s) => s.id),
  ]);

/** A cart by scupper posts: it takes the load, its posts have holes, and the handle can be lifted. */
export const carted = check({
  about: 'rig',
  finds: {
    'no-wheels': { called: 'No cart for the way to the water', severity: 'look', since: 9 },
    'cart-overloaded': { called: 'Cart overloaded', severity: 'look', since: 9 },
    'wheels-stick': { called: 'Wheels stick in the ground', severity: 'look', since: 9 },
    'no-cart-posts': { called: 'Nothing for the cart to hold', severity: 'look', since: 9 },
    'cart-tips': { called: 'Cart tips', severity: 'look', since: 9 },
  },
  judge: (judged) => {
    const { by } = judged.plan.brief.way;
    if (by !== 'scupper cart' && by !== 'cradle' && by !== 'own wheels') return [];
    if (by === 'own wheels' && judged.hull.model.wheelsKg === undefined)
      return [
        found(
          judged,
          'no-wheels',
          [say`This hull has no wheels of its own.`, say`A cart, a cradle, or another hull.`],
          [onCradle(judged)],
        ),
      ];
    return [...overloaded(judged, by), ...sticking(judged), ...(by === 'scupper cart' ? onPosts(judged) : [])];
  },
});

const onCradle = (judged: Judged): Try => way(judged, { by: 'cradle' }, 'On a cradle cart');

/** What the wheels bear, against what goes on them. */
function overloaded(judged: Judged, by: 'scupper cart' | 'cradle' | 'own wheels'): Raw[] {
  const { hull, shop, ashore } = judged;
  const { cradleKg, cartKg } = shop.limits;
  const most = { cradle: cradleKg, 'scupper cart': cartKg, 'own wheels': hull.model.wheelsKg ?? 0 }[by];
  const { kg: carries } = ashore.all;
  if (carries <= most) return [];
  return [
    found(
      judged,
      'cart-overloaded',
      [
        say`Hull and what stays on it weigh ${kg(carries)}; ${by === 'own wheels' ? 'its wheels bear' : 'the cart bears'} ${kg(most)}.`,
        say`It goes ${BY_WORDS[by]}. More comes off for the way, or it leaves from the trailer.`,
      ],
      [...(by === 'scupper cart' ? [onCradle(judged)] : []), way(judged, { by: 'trailer' }, 'From the trailer')],
      over(carries, 'kg', most),
    ),
  ];
}

/** Ground that wheels do not roll over. */
function sticking(judged: Judged): Raw[] {
  const { way: how, lifts } = judged.plan.brief;
  if (ROLLS[how.ground] || how.metres <= 0) return [];
  return [
    found(judged, 'wheels-stick', [
      say`Wheels do not roll over ${GROUND_WORDS[how.ground]}: it is carried there.`,
      say`Wide soft wheels go over sand (common practice, no source); over steps and stones it is carried by ${lifts === 'two' ? 'two' : 'one'}, up to ${kg(mostCarried(how, lifts, judged.shop.limits))}.`,
    ]),
  ];
}

/** A cart's posts: two open scuppers abreast, and what is lifted at the handle over them. */
function onPosts(judged: Judged): Raw[] {
  const { plan, hull, shop, ashore } = judged;
  const { kg: carries, at } = ashore.all;
  const [posts] = cartPosts(hull.model, takenScuppers(judged), at.x);
  if (!posts)
    return [
      found(
        judged,
        'no-cart-posts',
        [
          say`No two open scuppers stand abreast for the posts of a cart.`,
          say`A plugged scupper, or one that something stands in, takes no post.`,
        ],
        [onCradle(judged)],
      ),
    ];
  const handles = (hull.model.handles ?? []).map((h) => h.x);
  const lift = liftedAt({ kg: carries, x: at.x }, posts.x, handles);
  const may = liftedEasily(plan.brief.lifts, shop.limits);
  if (!lift || lift.kg <= may) return [];
  return [
    found(
      judged,
      'cart-tips',
      [
        say`On its cart ${kg(lift.kg)} are lifted at the ${lift.x < posts.x ? 'bow' : 'stern'} handle; ${kg(may)} is easy.`,
        say`It balances ${mm(Math.abs(at.x - posts.x))} ${at.x < posts.x ? 'ahead of' : 'aft of'} the posts. A cradle goes under the balance point.`,
      ],
      [onCradle(judged)],
      over(lift.kg, 'kg', may),
    ),
  ];
}

/** A trailer wants a ramp. */
export const launched = check({
  about: 'rig',
  finds: {
    'no-ramp': { called: 'No ramp for what the boat weighs', severity: 'look', since: 9 },
  },
  judge: (judged) => {
    const { way: how } = judged.plan.brief;
    if (how.by !== 'trailer' || how.ground === 'ramp' || how.ground === 'hard') return [];
    return [
      found(
        judged,
        'no-ramp',
        [
          say`It leaves from the trailer, and the way is over ${GROUND_WORDS[how.ground]}.`,
          say`A trailer is backed down a ramp. Ask where they launch.`,
        ],
        [way(judged, { ground: 'ramp' }, 'They launch from a ramp')],
      ),
    ];
  },
});

/** The time there is to rig up. */
export const riggedUp = check({
  about: 'rig',
  finds: {
    'rig-up-long': { called: 'Rigging up takes long', severity: 'look', since: 9 },
  },
  judge: (judged) => {
    const { launch: steps, rigUpMinutes: takes } = judged.ashore;
    const { minutes } = judged.plan.brief.way;
    if (minutes === null || takes <= minutes) return [];
    const longest = [...steps].sort((a, b) => b.minutes - a.minutes).slice(0, 3);
    return [
      found(
        judged,
        'rig-up-long',
        [
          say`Rigging up at the water takes ${takes} minutes; there are ${minutes}.`,
          say`${steps.length} things go on. Longest: ${longest.map((s) => `${s.letter}, ${s.name}`).join('; ')}.`,
        ],
        [],
        over(takes, 'min', minutes),
      ),
    ];
  },
});

/** What is on the roof is tied down: by straps that lie on the hull, and a line from each end. */
export const roofTied = check({
  about: 'rig',
  finds: {
    'roof-straps': { called: 'No place for the roof straps', severity: 'look', since: 10 },
    'roof-lines': { called: 'No bow and stern lines on the roof', severity: 'look', since: 10 },
  },
  judge: (judged) => {
    const { hull, ashore } = judged;
    if (!ashore.roof) return [];
    const { under, lines } = ashore.roof;
    const out: Raw[] = [];
    if (under.length)
      out.push(
        found(judged, 'roof-straps', [
          say`No clear place for a roof strap: ${under.join(', ')} ${under.length > 1 ? 'stand' : 'stands'} where it lies.`,
          say`Straps go over the hull near a quarter of its length from each end. What is in the way comes off for the road.`,
        ]),
      );
    // Of a hull whose handles nobody entered nothing is known.
    if (hull.model.handles && lines.length < 2)
      out.push(
        found(judged, 'roof-lines', [
          say`${lines.length === 0 ? 'No handle' : 'One handle only'} to take a line at bow and stern on the roof.`,
          say`Besides the straps a line goes from each end to the car.`,
        ]),
      );
    return out;
  },
});
