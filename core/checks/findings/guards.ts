import {
  carries,
  chooseFuse,
  connectedBy,
  fuseWithin,
  GUARD_AT,
  inAll,
  isSold,
  KINDS,
  opensAll,
  printAmps,
  ratingsOf,
  standardWords,
  type Opens,
} from '../../electric/circuits';
import { entryOf, GUARDS } from '../../rig';
import { mm, over, say, under } from '../../base/units';
import { check } from './check';
import type { Judged, Raw, Try } from './finding';
import { aboutFitting, aboutRun, leftOpen, nameIn } from './wires';

/** Kinds of protection that open such a short circuit. */
function largerKinds({ plan }: Judged, run: string, opens: Opens): Try[] {
  const from = entryOf(plan.runs, run);
  if (!from) return [];
  return GUARDS.filter((k) => opensAll(k, opens)).map((is) => ({
    says: say`A ${is} at the battery`,
    changes: [{ kind: 'routeRun', run, from, to: { ...from, guard: { is, amps: null, along: GUARD_AT } } }],
  }));
}

/** Protection as it stands: what it carries, how far from the source it is, what it opens. */
export const guardsAsFitted = check({
  about: 'rig',
  finds: {
    'fuse-too-small': { called: 'Fuse smaller than the current', severity: ['look', 'stop'], since: 10 },
    'fuse-not-sold': { called: 'No fuse of a size that guards it', severity: 'stop', acceptedBy: 'nobody', since: 12 },
    'fuse-far': { called: 'Fuse far from its battery', severity: 'stop', acceptedBy: 'manager', since: 10 },
    'breaking-capacity': { called: 'Fuse cannot break the short circuit', severity: 'stop', acceptedBy: 'manager', since: 10 },
    'breaking-volts': { called: 'Fuse rated under the volts', severity: 'stop', acceptedBy: 'nobody', since: 14 },
  },
  judge: (judged) =>
    judged.wiring.guards.flatMap((guard): Raw[] => {
      const run = judged.wiring.runs.find((r) =>
        guard.cable === null ? r.from === guard.fitting && r.way === guard.way : r.id === guard.cable,
      );
      if (!run || guard.rating === null) return [];
      const fields = aboutRun(judged, run);
      const found: Raw[] = [];
      const { rating, asked, along, short, breaks, kind, volts } = guard;
      const { standard } = judged.wiring.rules;
      const fromBattery = judged.wiring.network.batteries.some((b) => b.fitting === guard.fitting);
      const { guard: own } = entryOf(judged.plan.runs, run.id) ?? {};
      const within = fuseWithin(standard, typeof own === 'object' && own.enclosed, fromBattery ? 'battery' : 'other');
      if (inAll(asked) > 0 && guard.own !== null && !carries(rating, asked))
        found.push({
          ...fields,
          code: 'fuse-too-small',
          severity: inAll(asked) > rating ? 'stop' : 'look',
          fixable: true,
          measure: under(rating, 'A', inAll(asked)),
          says: say`${rating} A for ${printAmps(inAll(asked))} A to ${nameIn(judged, run.to)}: it opens by itself.`,
          because: say`What flows all day takes 80 % of a fuse at the most (common practice, no source).`,
          tries: leftOpen(judged, run.id, ['guard']),
        });
      if (!isSold(rating, kind)) {
        const sold = ratingsOf(kind);
        const [under, over] = [sold.filter((r) => r < rating).at(-1), sold.find((r) => r > rating)];
        found.push({
          ...fields,
          code: 'fuse-not-sold',
          fixable: true,
          says: say`No ${kind} of ${rating} A is sold for the cable to ${nameIn(judged, run.to)}.`,
          because: say`The nearest ${under !== undefined && over !== undefined ? `are ${under} and ${over}` : `is ${under ?? over ?? '–'}`} A (makers’ ranges, from memory). Another rating, or another kind.`,
          tries: leftOpen(judged, run.id, ['guard']),
        });
      }
      // A hair past the limit is past it; what was typed in inches is as long as it says.
      if (along !== null && along > within + 1e-6 && fromBattery)
        found.push({
          ...fields,
          code: 'fuse-far',
          fixable: true,
          measure: over(along, 'mm', within),
          says: say`The ${kind} to ${nameIn(judged, run.to)} is ${mm(along, 'up')} from the battery; ${mm(within, 'down')} is the most.`,
          because: say`What lies before it is protected by nothing (${standardWords(standard)}${within > fuseWithin(standard) || standard === 'ISO 13297' ? '' : `; sheathed or enclosed all the way from the terminal, ${Math.round(fuseWithin(standard, true) / 25.4)} in`}).`,
          tries: leftOpen(judged, run.id, ['guard']),
        });
      if (short > breaks)
        found.push({
          ...fields,
          code: 'breaking-capacity',
          fixable: true,
          measure: over(short, 'A', breaks),
          says: say`Shorted behind it the battery gives up to ${Math.ceil(short)} A; a ${kind} opens ${breaks} A.`,
          because: say`More than that welds it shut or bursts it (makers' data sheets, from memory; the battery's inside is an estimate). A larger kind at the battery, and the small fuses in a block behind it.`,
          tries: guard.cable === null ? [] : [...largerKinds(judged, run.id, guard), ...leftOpen(judged, run.id, ['guard'])],
        });
      if (volts > KINDS[kind].volts + 1e-6)
        found.push({
          ...fields,
          code: 'breaking-volts',
          fixable: true,
          measure: over(volts, 'V', KINDS[kind].volts),
          says: say`The ${kind} to ${nameIn(judged, run.to)} opens ${KINDS[kind].volts} V; charging, its batteries stand at ${(Math.ceil(volts * 10 - 1e-6) / 10).toFixed(1)} V.`,
          because: say`At more volts than it is made for it goes on burning after it has opened (makers’ data sheets, from memory). A kind made for them.`,
          tries: guard.cable === null ? [] : largerKinds(judged, run.id, guard),
        });
      return found;
    }),
});

/** Without a word of its maker a load is put behind no more than so much, or so many times what it needs, A (judgement). */
const SMALL_FUSE = 5;
const TIMES_ITS_OWN = 2;

/** A load hangs behind no larger protection than its maker allows; where the maker says nothing, behind none that is many times its own. */
export const fuseForLoad = check({
  about: 'rig',
  finds: {
    'fuse-over-load': { called: 'Fuse larger than the load allows', severity: 'stop', acceptedBy: 'nobody', since: 14 },
    'fuse-unstated': { called: 'Maker states no fuse', severity: 'look', since: 14 },
  },
  judge: (judged) => {
    const { network, flows, guards, potentials } = judged.wiring;
    return network.loads.flatMap((load): Raw[] => {
      const item = judged.owned.find((i) => i.placed.id === load.fitting);
      const flow = flows.find((f) => f.fitting === load.fitting && !f.charging);
      if (!item || !flow || connectedBy(potentials, load).is !== 'fed') return [];
      const ratings = guards.flatMap((g) => ((flow.shares.get(g.edge) ?? 0) !== 0 && g.rating !== null ? [g.rating] : []));
      const least = Math.min(...ratings);
      if (ratings.length === 0) return [];
      const { name } = item.placed.part;
      const { fuse, amps } = load.of;
      if (fuse !== undefined)
        return least <= fuse
          ? []
          : [
              {
                ...aboutFitting(item),
                code: 'fuse-over-load',
                measure: over(least, 'A', fuse),
                says: say`${name} hangs behind ${least} A; its maker allows ${fuse} A at the most.`,
                because: say`The fuse protects the wire; what fails inside the load burns on behind it. A fuse of ${fuse} A in its own feed, or a way of its own.`,
              },
            ];
      const own = chooseFuse(flow.asked, Infinity).rating ?? least;
      const most = Math.max(SMALL_FUSE, TIMES_ITS_OWN * own);
      if (least <= most) return [];
      return [
        {
          ...aboutFitting(item),
          code: 'fuse-unstated',
          measure: over(least, 'A', most),
          says: say`${name} draws ${printAmps(amps)} A behind ${least} A, and nobody has said what fuse its maker wants.`,
          because: say`What fails inside it burns on behind a large fuse. Ask its maker; a fuse of ${own} A in its own feed does for what it draws.`,
        },
      ];
    });
  },
});
