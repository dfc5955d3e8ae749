import { mostCarried } from '../../water/to-water';
import type { HullModel } from '../../boat/hull';
import { BODY, comesOff, seatForLegs } from '../../layout';
import type { Finding } from '../../checks/findings';
import { BY_WORDS, type Brief, type Plan } from '../../rig';
import type { ShopSettings } from '../../parts/shop';
import { kg, mm, printMoney, say, type Sentence } from '../../base/units';
import { cablesOf } from '../../electric/wiring';
import type { Workup } from '../../workup';

/** What is said of the way to the water. */
const WAY_CODES: ReadonlySet<Finding['code']> = new Set([
  ...(['heavy-to-carry', 'cart-overloaded', 'no-wheels', 'wheels-stick', 'no-cart-posts', 'cart-tips'] as const),
  ...(['no-ramp', 'rig-up-long'] as const),
]);

/** What an answer of the brief changes. */
export interface Consequence {
  readonly says: Sentence;
  /** It wants looking at. */
  readonly look?: boolean;
}

/** A loaded boat makes about so much, slow and fast (common practice, no source), km/h. */
const SPEEDS = { slow: 5, fast: 7 } as const;

/** What the answers of a brief are read off. */
export interface Answered {
  readonly plan: Plan;
  readonly workup: Workup;
  readonly hull: HullModel;
  readonly shop: ShopSettings;
}

const things = (n: number): string => `${n} ${n === 1 ? 'thing comes' : 'things come'} off`;

function standingOf(brief: Brief, { findings }: Workup): string {
  if (brief.stands === 'sits') return '';
  const tight = findings.some((f) => f.code === 'standing-room' && !f.accepted);
  return tight ? ' Too little clear deck to stand on.' : ' Standing room is checked.';
}

/** Where the seat may stand for these legs, on the careful side. */
function seatSays({ stature }: Pick<Brief, 'stature'>, hull: HullModel): Sentence {
  const fits = seatForLegs(stature, hull);
  if (!fits) return say`No seat place on this hull fits these legs.`;
  return fits.aft - fits.fore < 1
    ? say`These legs fit where it stands.`
    : say`These legs fit with the seat ${mm(fits.fore, 'up')} to ${mm(fits.aft, 'down')} from the bow.`;
}

/** What the answer to each question changes, read off the workup. */
const CONSEQUENCES = {
  waters: ({ plan: { brief }, workup }) => {
    const hours = (speed: number): string => String(Math.max(1, Math.round(brief.distanceKm / speed)));
    const way = brief.distanceKm > 0 ? ` The day's way takes ${hours(SPEEDS.fast)} to ${hours(SPEEDS.slow)} hours.` : '';
    if (brief.waters.includes('night'))
      return {
        says: say`After sunset: a white light at hand, running lights under motor. Check the local rules.${way}`,
        look: !workup.aboard.items.some((i) => i.placed.part.light?.shows === 'all round'),
      };
    const current = brief.waters.some((w) => w === 'river' || w === 'inshore' || w === 'offshore');
    return {
      says: say`${current ? 'Current: quick release and a knife at hand when anchored.' : 'Life jacket worn, always.'}${way}`,
    };
  },
  work: ({ plan: { brief } }) => ({
    says: brief.work.length
      ? say`Laid out for ${brief.work.join(', ')}.`
      : say`Nothing named yet: the rig is laid out for day trips.`,
  }),
  propulsion: ({ plan: { brief }, workup }) => {
    const lacks = workup.findings.find((f) => f.code === 'no-propulsion' && !f.accepted);
    if (lacks) return { says: [...lacks.says, ' ', ...lacks.because], look: true };
    const paddles = brief.propulsion.includes('paddle');
    const strokes = workup.findings.filter((f) => f.code === 'paddle-stroke' && !f.accepted).length;
    return {
      says: say`${paddles ? `Stroke is checked${strokes ? `: ${strokes} in it` : ''}.` : 'Stroke is not checked.'} ${brief.propulsion.includes('motor') ? 'Running lights are due, lanyard on.' : 'White light at hand after sunset.'}`,
      look: strokes > 0,
    };
  },
  paddler: ({ plan: { brief }, workup, hull }) => {
    const carried = workup.weight.gearKg + brief.weightKg;
    const left = hull.capacityKg - carried;
    return left < 0
      ? { says: say`With gear ${kg(-left)} over what this hull is rated for.`, look: true }
      : {
          says: say`At hand to ${mm(BODY.grip * brief.stature, 'down')}. With gear ${kg(left)} under the hull's rating.`,
        };
  },
  second: ({ plan: { brief }, hull }) => {
    if (!brief.second) return { says: say`Nobody else paddles.` };
    return hull.secondSeat
      ? { says: say`Two bodies, two strokes, two reaches are checked.` }
      : { says: say`This hull has one seat.`, look: true };
  },
  hand: ({ plan: { brief } }) => {
    const [net, rods] = brief.castHand === 'right' ? ['right', 'left'] : ['left', 'right'];
    return {
      says: say`Net just behind the ${net} shoulder, screen on the ${rods}. ${brief.reelHand === brief.castHand ? 'The other hand is free to steer while the rod is held.' : `Steering goes to the ${brief.reelHand} hand, free while the rod is held.`}`,
    };
  },
  seat: ({ plan: { brief }, workup, hull }) => {
    const off = workup.findings.find((f) => f.code === 'seat-place' && !f.accepted);
    if (off) return { says: [...off.says, ' ', ...off.because], look: true };
    const buys =
      brief.seat === 'low'
        ? say`Low is steadier and checks the low stroke.`
        : say`High buys sight and reach, costs steadiness; the higher stroke is checked.`;
    return { says: say`${buys}${standingOf(brief, workup)} ${seatSays(brief, hull)}` };
  },
  stroke: ({ plan: { brief }, shop }) => {
    const most = brief.paddle ?? shop.stroke.paddle;
    return {
      says: say`Hands at ${brief.stroke === 'low' ? 'chest' : 'eye'} height, shaft ${mm(most)}. ${brief.leash === 'always' ? 'Paddle on a leash.' : 'The leash was declined: recorded.'}`,
    };
  },
  boats: ({ plan: { brief }, workup }) =>
    brief.borrowed
      ? {
          says: say`It goes back as it came: nothing is drilled, whatever else was answered.`,
          look: workup.drilling.holes.length > 0,
        }
      : {
          says:
            brief.boats === 'gear moves'
              ? say`What moves is marked, and checked against the other hull’s tracks and spaces.`
              : say`Everything is made for this one hull.`,
        },
  rods: ({ plan: { brief }, workup }) => {
    const casts = workup.findings.filter((f) => f.code === 'back-cast' && !f.accepted).length;
    const side = (brief.rodSide === 'away') === (brief.castHand === 'right') ? 'port' : 'starboard';
    return {
      says: say`Rods stand to ${side}. ${brief.cast === 'none' ? 'The back cast is not checked.' : `The ${brief.cast === 'both' ? 'sidearm and overhead casts are' : `${brief.cast} cast is`} checked${casts ? `: ${casts} in it` : ''}.`}`,
      look: casts > 0,
    };
  },
  carries: ({ plan: { brief }, hull }) => {
    const wells = hull.decks.filter((d) => d.kind === 'tank well');
    const [well] = wells;
    return {
      says: !brief.carries.length
        ? say`Nothing bulky named.`
        : well
          ? say`Well of ${mm(well.aft - well.fore)} by ${mm(well.starboard - well.port)} for it.`
          : say`This hull has no tank well: it goes on deck.`,
      look: brief.carries.length > 0 && !well,
    };
  },
  rules: ({ plan: { brief }, workup }) => {
    const broken = workup.findings.filter((f) => f.code === 'event-rule').length;
    return {
      says: say`${brief.rules.length ? (broken ? `${broken} not kept yet.` : 'All kept.') : 'No list chosen.'}`,
      look: broken > 0,
    };
  },
  later: ({ plan: { brief } }) => ({
    says: brief.later ? say`Keep a place, a channel and a conduit for it: stow a place for later.` : [],
  }),
  holes: ({ plan: { brief }, workup }) => {
    const n = workup.drilling.holes.length;
    const against = brief.holes === 'none' && n > 0;
    return {
      says: say`${brief.holes === 'none' ? 'Tracks, inserts and straps only.' : brief.holes === 'few' ? 'Tracks and inserts first.' : 'Drilling is fine.'} The plan makes ${n} ${n === 1 ? 'hole' : 'holes'}.`,
      look: against,
    };
  },
  wires: ({ plan: { brief }, workup, shop }) => {
    const metres = cablesOf(workup.wiring).reduce((sum, r) => sum + r.cut, 0) / 1000;
    const more = Math.round(metres * (shop.labor.runMinutesPerMetre.inside - shop.labor.runMinutesPerMetre.outside));
    return {
      says:
        brief.wires === 'inside'
          ? say`Clean, slower to pull${more ? `: ${more} min more than outside` : ''}.`
          : brief.wires === 'outside'
            ? say`Quick and removable, in a sleeve.`
            : say`All in one box that lifts out.`,
    };
  },
  road: ({ plan: { brief }, workup, shop }) => {
    const off = workup.aboard.items.filter((i) => comesOff(i.placed)).length;
    const { roof, all: load } = workup.ashore;
    if (!roof) return { says: say`${things(off)} for the road.` };
    const all = load.kg;
    const alone = all <= shop.limits.aloneKg;
    const { straps, lines } = roof;
    const tied = say` Straps over it ${mm(straps[0])} and ${mm(straps[1])} from the bow${lines.length ? `, lines from ${lines.map((l) => l.name).join(' and ')}` : ''}.`;
    return {
      says: [...say`Hull and what stays on it ${kg(all)}: ${alone ? 'one can lift it' : 'two people'}. ${things(off)}.`, ...tied],
      look: !alone && brief.lifts === 'alone',
    };
  },
  way: ({ plan: { brief }, workup, shop }) => {
    const { all, rigUpMinutes: takes } = workup.ashore;
    const wrong = workup.findings.find((f) => WAY_CODES.has(f.code) && !f.accepted);
    if (wrong) return { says: [...wrong.says, ' ', ...wrong.because], look: true };
    const most = mostCarried(brief.way, brief.lifts, shop.limits);
    if (brief.way.by === 'carried' && brief.way.metres === 0)
      return { says: say`Ask how far it is to the water, over what, and who carries. Rigging up takes ${takes} minutes.` };
    const by = brief.way.by === 'carried' ? say`, and ${kg(most)} is carried that far` : say`, ${BY_WORDS[brief.way.by]}`;
    return { says: [...say`Hull and what stays on it ${kg(all.kg)}`, ...by, ...say`. Rigging up takes ${takes} minutes.`] };
  },
  tier: ({ plan: { brief }, workup }) => {
    const { totalCents } = workup.price.totals;
    const over = brief.budgetCents !== null && totalCents > brief.budgetCents;
    const against =
      brief.budgetCents === null
        ? ''
        : over
          ? `, ${printMoney(totalCents - brief.budgetCents)} over`
          : `, ${printMoney(brief.budgetCents - totalCents)} left`;
    return { says: say`The plan comes to ${printMoney(totalCents)}${against}.`, look: over };
  },
} as const satisfies Readonly<Record<string, (answered: Answered) => Consequence>>;
export type QuestionId = keyof typeof CONSEQUENCES;

/** The questions of the brief. */
export const BRIEF_QUESTIONS = Object.keys(CONSEQUENCES) as readonly QuestionId[];

/** What the answer to a question changes, read off the workup. */
export const consequenceOf = (question: QuestionId, answered: Answered): Consequence => CONSEQUENCES[question](answered);
