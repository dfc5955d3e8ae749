import type { ShopSettings } from '@plain-cleat/core/shop';
import type { HullModel } from '@plain-cleat/core/hull';
import { BODY } from '@plain-cleat/core/layout';
import type { Plan } from '@plain-cleat/core/rig';
import { printLength, printMass, printMoney, tell, type UnitSystem } from '@plain-cleat/core/units';
import type { Workup } from '@plain-cleat/core/workup';

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

  private standing(): string {
    if (this.plan.brief.stands === 'sits') return '';
    const tight = this.workup.findings.some((f) => f.code === 'standing-room' && !f.accepted);
    return tight ? ' Too little clear deck to stand on.' : ' Standing room is checked.';
  }

  of(question: string): Consequence {
    const { brief } = this.plan;
    const { workup, hull } = this;
    switch (question) {
      case 'waters': {
        // A loaded boat makes about 5 to 7 km/h (common practice, no source).
        const hours = (speed: number): string => String(Math.max(1, Math.round(brief.distanceKm / speed)));
        const way = brief.distanceKm > 0 ? ` The day's way takes ${hours(7)} to ${hours(5)} hours.` : '';
        if (brief.waters.includes('night'))
          return {
            says: `After sunset: a white light at hand, running lights under motor. Check the local rules.${way}`,
            look: !workup.aboard.items.some((i) => i.placed.part.light?.shows === 'all round'),
          };
        const current = brief.waters.some((w) => w === 'river' || w === 'inshore' || w === 'offshore');
        return {
          says: `${current ? 'Current: quick release and a knife at hand when anchored.' : 'Life jacket worn, always.'}${way}`,
        };
      }
      case 'work':
        return {
          says: brief.work.length
            ? `Laid out for ${brief.work.join(', ')}.`
            : 'Nothing named yet: the rig is laid out for day trips.',
        };
      case 'propulsion': {
        const lacks = workup.findings.find((f) => f.code === 'no-propulsion' && !f.accepted);
        if (lacks) return { says: `${tell(lacks.says, this.units)} ${tell(lacks.because, this.units)}`, look: true };
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
      case 'second': {
        if (!brief.second) return { says: 'Nobody else paddles.' };
        return hull.secondSeat
          ? { says: 'Two bodies, two strokes, two reaches are checked.' }
          : { says: 'This hull has one seat.', look: true };
      }
      case 'hand': {
        const [net, rods] = brief.castHand === 'right' ? ['right', 'left'] : ['left', 'right'];
        return {
          says: `Net just behind the ${net} shoulder, screen on the ${rods}. ${brief.reelHand === brief.castHand ? 'The other hand is free to steer while the rod is held.' : `Steering goes to the ${brief.reelHand} hand, free while the rod is held.`}`,
        };
      }
      case 'seat':
        return {
          says:
            brief.seat === 'low'
              ? `Low is steadier and checks the low stroke.${this.standing()}`
              : `High buys sight and reach, costs steadiness; the higher stroke is checked.${this.standing()}`,
        };
      case 'stroke': {
        const most = brief.paddle ?? this.shop.stroke.paddle;
        return {
          says: `Hands at ${brief.stroke === 'low' ? 'chest' : 'eye'} height, shaft ${printLength(most, this.units)}. ${brief.leash === 'always' ? 'Paddle on a leash.' : 'The leash was declined: recorded.'}`,
        };
      }
      case 'boats':
        return brief.borrowed
          ? {
              says: 'It goes back as it came: nothing is drilled, whatever else was answered.',
              look: workup.drilling.holes.length > 0,
            }
          : {
              says:
                brief.boats === 'gear moves'
                  ? 'What moves is marked, and checked against the other hull’s tracks and spaces.'
                  : 'Everything is made for this one hull.',
            };
      case 'rods': {
        const casts = workup.findings.filter((f) => f.code === 'back-cast' && !f.accepted).length;
        const side = (brief.rodSide === 'away') === (brief.castHand === 'right') ? 'port' : 'starboard';
        return {
          says: `Rods stand to ${side}. ${brief.cast === 'none' ? 'The back cast is not checked.' : `The ${brief.cast === 'both' ? 'sidearm and overhead casts are' : `${brief.cast} cast is`} checked${casts ? `: ${casts} in it` : ''}.`}`,
          look: casts > 0,
        };
      }
      case 'carries': {
        const wells = hull.decks.filter((d) => d.kind === 'tank well');
        const [well] = wells;
        return {
          says: !brief.carries.length
            ? 'Nothing bulky named.'
            : well
              ? `Well of ${printLength(well.aft - well.fore, this.units)} by ${printLength(well.starboard - well.port, this.units)} for it.`
              : 'This hull has no tank well: it goes on deck.',
          look: brief.carries.length > 0 && !well,
        };
      }
      case 'rules': {
        const broken = workup.findings.filter((f) => f.code === 'event-rule').length;
        return {
          says: brief.rules.length ? (broken ? `${broken} not kept yet.` : 'All kept.') : 'No list chosen.',
          look: broken > 0,
        };
      }
      case 'later':
        return { says: brief.later ? 'Keep a place, a channel and a conduit for it: stow a place for later.' : '' };
      case 'holes': {
        const n = workup.drilling.holes.length;
        const against = brief.holes === 'none' && n > 0;
        return {
          says: `${brief.holes === 'none' ? 'Tracks, inserts and straps only.' : brief.holes === 'few' ? 'Tracks and inserts first.' : 'Drilling is fine.'} The plan makes ${n} ${n === 1 ? 'hole' : 'holes'}.`,
          look: against,
        };
      }
      case 'wires': {
        const metres = workup.wiring.runs.reduce((sum, r) => sum + r.cut, 0) / 1000;
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
        const off = workup.aboard.items.filter((i) => i.placed.part.use.comesOff).length;
        const heavy = hull.massKg > 20.5;
        return brief.road === 'roof'
          ? {
              says: `Hull ${printMass(hull.massKg, this.units)}: ${heavy ? 'two people' : 'one can lift it'}. ${off} ${off === 1 ? 'thing comes' : 'things come'} off.`,
              look: heavy,
            }
          : { says: `${off} ${off === 1 ? 'thing comes' : 'things come'} off for the road.` };
      }
      case 'tier': {
        const { totalCents } = workup.price.totals;
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
