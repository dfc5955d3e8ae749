import { BODY, legSpan, overBand } from '../../layout';
import { mm, say, over } from '../../base/units';
import { check } from './check';
import { aboutHull, type Raw } from './finding';

/** How far the nearest setting of seat and pegs misses what these legs need, mm; positive is too long a reach. */
function legsMiss(stature: number, seat: { fore: number; aft: number }, feet: { fore: number; aft: number }): number {
  const { least, most } = legSpan(stature);
  const [shortest, longest] = [seat.fore - feet.aft, seat.aft - feet.fore];
  if (shortest > most) return shortest - most;
  return longest < least ? longest - least : 0;
}

/** Seat and pegs or pedals fit the legs. */
export const legs = check({
  about: 'set',
  ofBody: true,
  finds: {
    legs: { called: 'Legs do not fit the footrests', severity: ['look', 'stop'], decides: 'the owner', since: 2 },
  },
  judge: ({ hull, plan, shop }) => {
    const { seat, feet } = hull.model;
    if (!feet) return [];
    const slide = seat.slide ?? { fore: seat.x, aft: seat.x };
    const verdict = overBand(shop, (scale) => legsMiss(plan.brief.stature * scale, slide, feet) || undefined);
    if (!verdict) return [];
    const far = verdict.hit > 0;
    return [
      {
        ...aboutHull(hull, feet.aft),
        step: 'brief',
        code: 'legs',
        severity: verdict.nominal ? 'stop' : 'look',
        measure: over(Math.abs(verdict.hit), 'mm'),
        says: far
          ? say`The nearest ${feet.kind} are ${mm(verdict.hit, 'up')} too far for these legs.`
          : say`The furthest ${feet.kind} are ${mm(-verdict.hit, 'up')} too near for these legs.`,
        because: say`Stature ${mm(plan.brief.stature)}: hip to sole ${mm(BODY.leg * plan.brief.stature)}, knee bent. Another seat place, pegs moved, or another hull.`,
      },
    ];
  },
});

/** Each seat is set where it can stand. */
export const seatPlace = check({
  about: 'set',
  finds: {
    'seat-place': { called: 'Seat out of its place', severity: 'stop', decides: 'the owner', since: 8 },
  },
  judge: ({ hull, plan, drawn }): Raw[] => {
    const { seatAt, second } = plan.brief;
    const seats = [
      { name: 'seat', at: seatAt, drawn: drawn.seat },
      { name: 'second seat', at: second?.at ?? null, drawn: drawn.secondSeat },
    ];
    return seats.flatMap(({ name, at, drawn: seat }): Raw[] => {
      if (at === null || !seat) return [];
      const { x, slide = { fore: x, aft: x } } = seat;
      const off = Math.max(slide.fore - at, at - slide.aft);
      if (off <= 0.5) return [];
      return [
        {
          ...aboutHull(hull, at),
          step: 'brief',
          code: 'seat-place',
          ...(name === 'seat' ? {} : { detail: 'second' }),
          measure: over(off, 'mm'),
          says: say`The ${name} is set ${mm(off, 'up')} beyond where it slides.`,
          because: say`On this hull it stands from ${mm(slide.fore)} to ${mm(slide.aft)} aft of the bow.`,
        },
      ];
    });
  },
});

/** In step, the after one's catch stays aft of the forward one's hip. */
export const twoPaddlers = check({
  about: 'set',
  ofBody: true,
  finds: {
    'second-seat': { called: 'Two paddlers too close', severity: 'stop', decides: 'the owner', since: 2 },
    'strokes-meet': { called: 'Strokes of two paddlers meet', severity: ['look', 'stop'], decides: 'the owner', since: 2 },
  },
  judge: ({ hull, plan, shop }): Raw[] => {
    const { second } = plan.brief;
    const { seat, secondSeat } = hull.model;
    if (!second) return [];
    if (!secondSeat)
      return [
        {
          ...aboutHull(hull, seat.x),
          step: 'brief',
          code: 'second-seat',
          says: say`The brief has two paddlers; this hull has one seat.`,
          because: say`Another hull, or one paddler.`,
        },
      ];
    const apart = Math.abs(secondSeat.x - seat.x);
    const aftStature = secondSeat.x > seat.x ? second.stature : plan.brief.stature;
    const need = (scale: number): number => (BODY.grip + 0.06) * aftStature * scale;
    const verdict = overBand(shop, (scale) => (apart < need(scale) ? need(scale) - apart : undefined));
    if (!verdict || !plan.brief.propulsion.includes('paddle')) return [];
    return [
      {
        ...aboutHull(hull, seat.x),
        step: 'brief',
        code: 'strokes-meet',
        severity: verdict.nominal ? 'stop' : 'look',
        measure: over(verdict.hit, 'mm'),
        says: say`The seats are ${mm(verdict.hit, 'up')} too near for two strokes.`,
        because: say`They stand ${mm(apart)} apart; the after paddler's catch is ${mm(need(1))} ahead of the hip.`,
      },
    ];
  },
});
