import {
  BODY,
  type HullModel,
  type Plan,
  printLength,
  printMass,
  printMoney,
  type ShopSettings,
  type UnitSystem,
  type Workup,
} from '@plain-cleat/core';

export interface Consequence {
  readonly says: string;
  readonly look?: boolean;
}

/** What each answer of the brief changes, read off the workup. */
export class Consequences {
  constructor(
    private readonly plan: Plan,
    private readonly workup: Workup,
    private readonly hull: HullModel,
    private readonly shop: ShopSettings,
    private readonly units: UnitSystem,
  ) {}

  of(question: string): Consequence {
    const { brief } = this.plan;
    const { workup, hull } = this;
    switch (question) {
      case 'waters':
        return brief.waters.includes('night')
          ? {
              says: 'After sunset: a white light at hand, running lights under motor. Check the local rules.',
              look: !workup.items.some((i) => i.placed.part.kind === 'light'),
            }
          : brief.waters.some((w) => w === 'river' || w === 'inshore')
            ? { says: 'Current: quick release and a knife at hand when anchored.' }
            : { says: 'Life jacket worn, always.' };
      case 'work':
        return {
          says: brief.work.length
            ? `Laid out for ${brief.work.join(', ')}.`
            : 'Nothing named yet: the rig is laid out for day trips.',
        };
      case 'propulsion': {
        const paddles = brief.propulsion.includes('paddle');
        const strokes = workup.findings.filter((f) => f.code === 'paddle-stroke' && !f.accepted).length;
        return {
          says: `${paddles ? `Stroke is checked${strokes ? `: ${strokes} in it` : ''}.` : 'Stroke is not checked.'} ${brief.propulsion.includes('motor') ? 'Running lights are due, lanyard on.' : 'White light at hand after sunset.'}`,
          look: strokes > 0,
        };
      }
      case 'paddler': {
        const carried = workup.weight.gearKg + brief.weightKg;
        const left = hull.capacityKg - carried;
        return left < 0
          ? { says: `With gear ${printMass(-left, this.units)} over what this hull is rated for.`, look: true }
          : {
              says: `At hand to ${printLength(BODY.grip * brief.stature, this.units, 'down')}. With gear ${printMass(left, this.units)} under the hull's rating.`,
            };
      }
      case 'hand':
        return {
          says:
            brief.hand === 'right'
              ? 'Net just behind the right shoulder, screen on the left.'
              : 'Net just behind the left shoulder, screen on the right.',
        };
      case 'seat':
        return {
          says:
            brief.seat === 'low'
              ? 'Low is steadier and checks the low stroke.'
              : 'High buys sight and reach, costs steadiness; the higher stroke is checked.',
        };
      case 'holes': {
        const n = workup.holes.length;
        const against = brief.holes === 'none' && n > 0;
        return {
          says: `${brief.holes === 'none' ? 'Tracks, inserts and straps only.' : brief.holes === 'few' ? 'Tracks and inserts first.' : 'Drilling is fine.'} The plan makes ${n} ${n === 1 ? 'hole' : 'holes'}.`,
          look: against,
        };
      }
      case 'wires': {
        const metres = workup.runs.reduce((sum, r) => sum + r.cut, 0) / 1000;
        const more = Math.round(
          metres * (this.shop.labor.runMinutesPerMetre.inside - this.shop.labor.runMinutesPerMetre.outside),
        );
        return {
          says:
            brief.wires === 'inside'
              ? `Clean, slower to pull${more ? `: ${more} min more than outside` : ''}.`
              : brief.wires === 'outside'
                ? 'Quick and removable, in a sleeve.'
                : 'All in one box that lifts out.',
        };
      }
      case 'road': {
        const off = workup.items.filter((i) => i.placed.part.comesOff).length;
        const heavy = hull.massKg > 20.5;
        return brief.road === 'roof'
          ? {
              says: `Hull ${printMass(hull.massKg, this.units)}: ${heavy ? 'two people' : 'one can lift it'}. ${off} ${off === 1 ? 'thing comes' : 'things come'} off.`,
              look: heavy,
            }
          : { says: `${off} ${off === 1 ? 'thing comes' : 'things come'} off for the road.` };
      }
      case 'tier': {
        const { totalCents } = workup.totals;
        const over = brief.budgetCents !== null && totalCents > brief.budgetCents;
        const against =
          brief.budgetCents === null
            ? ''
            : over
              ? `, ${printMoney(totalCents - brief.budgetCents)} over`
              : `, ${printMoney(brief.budgetCents - totalCents)} left`;
        return { says: `The plan comes to ${printMoney(totalCents)}${against}.`, look: over };
      }
      default:
        return { says: '' };
    }
  }
}
