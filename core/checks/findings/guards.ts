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
import type { WiredRun, Wiring } from '../../electric/wiring';
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
      const { rating } = guard;
      if (!run || rating === null) return [];
      return [tooSmall, notSold, tooFar, breaksTooLittle, openedTooHigh].flatMap((found) => {
        const raw = found({ judged, guard, run, rating });
        return raw ? [{ ...aboutRun(judged, run), fixable: true, ...raw }] : [];
      });
    }),
});

/** A fuse or breaker as it stands, and the cable behind it. */
interface Standing {
  readonly judged: Judged;
  readonly guard: Wiring['guards'][number];
  readonly rating: number;
  readonly run: WiredRun;
}

/** What the cable behind it goes to. */
const toOf = ({ judged, run }: Standing): string => nameIn(judged, run.to);
/** Its choice left to the shop. */
const openOf = ({ judged, run }: Standing): Try[] => leftOpen(judged, run.id, ['guard']);

/** What one look at it finds. */
type Found = Pick<Raw, 'code' | 'says' | 'because' | 'tries'> & Partial<Pick<Raw, 'severity' | 'measure'>>;

function tooSmall(at: Standing): Found | null {
  const {
    guard: { own, asked },
    rating,
  } = at;
  const amps = inAll(asked);
  if (amps <= 0 || own === null || carries(rating, asked)) return null;
  return {
    code: 'fuse-too-small',
    severity: amps > rating ? 'stop' : 'look',
    measure: under(rating, 'A', amps),
    says: say`${rating} A for ${printAmps(amps)} A to ${toOf(at)}: it opens by itself.`,
    because: say`What flows all day takes 80 % of a fuse at the most (common practice, no source).`,
    tries: openOf(at),
  };
}

function notSold(at: Standing): Found | null {
  const {
    guard: { kind },
    rating,
  } = at;
  if (isSold(rating, kind)) return null;
  const sold = ratingsOf(kind);
  const [below, above] = [sold.filter((r) => r < rating).at(-1), sold.find((r) => r > rating)];
  return {
    code: 'fuse-not-sold',
    says: say`No ${kind} of ${rating} A is sold for the cable to ${toOf(at)}.`,
    because: say`The nearest ${below !== undefined && above !== undefined ? `are ${below} and ${above}` : `is ${below ?? above ?? '–'}`} A (makers’ ranges, from memory). Another rating, or another kind.`,
    tries: openOf(at),
  };
}

function tooFar(at: Standing): Found | null {
  const {
    judged,
    guard: { along, fitting, kind },
    run,
  } = at;
  const { standard } = judged.wiring.rules;
  const fromBattery = judged.wiring.network.batteries.some((b) => b.fitting === fitting);
  const { guard: own } = entryOf(judged.plan.runs, run.id) ?? {};
  const within = fuseWithin(standard, typeof own === 'object' && own.enclosed, fromBattery ? 'battery' : 'other');
  // A hair past the limit is past it; what was typed in inches is as long as it says.
  if (along === null || along <= within + 1e-6 || !fromBattery) return null;
  return {
    code: 'fuse-far',
    measure: over(along, 'mm', within),
    says: say`The ${kind} to ${toOf(at)} is ${mm(along, 'up')} from the battery; ${mm(within, 'down')} is the most.`,
    because: say`What lies before it is protected by nothing (${standardWords(standard)}${within > fuseWithin(standard) || standard === 'ISO 13297' ? '' : `; sheathed or enclosed all the way from the terminal, ${Math.round(fuseWithin(standard, true) / 25.4)} in`}).`,
    tries: openOf(at),
  };
}

function breaksTooLittle(at: Standing): Found | null {
  const { judged, guard, run } = at;
  const { short, breaks, kind, cable } = guard;
  if (short <= breaks) return null;
  return {
    code: 'breaking-capacity',
    measure: over(short, 'A', breaks),
    says: say`Shorted behind it the battery gives up to ${Math.ceil(short)} A; a ${kind} opens ${breaks} A.`,
    because: say`More than that welds it shut or bursts it (makers' data sheets, from memory; the battery's inside is an estimate). A larger kind at the battery, and the small fuses in a block behind it.`,
    tries: cable === null ? [] : [...largerKinds(judged, run.id, guard), ...openOf(at)],
  };
}

function openedTooHigh(at: Standing): Found | null {
  const { judged, guard, run } = at;
  const { volts, kind, cable } = guard;
  if (volts <= KINDS[kind].volts + 1e-6) return null;
  return {
    code: 'breaking-volts',
    measure: over(volts, 'V', KINDS[kind].volts),
    says: say`The ${kind} to ${toOf(at)} opens ${KINDS[kind].volts} V; charging, its batteries stand at ${(Math.ceil(volts * 10 - 1e-6) / 10).toFixed(1)} V.`,
    because: say`At more volts than it is made for it goes on burning after it has opened (makers’ data sheets, from memory). A kind made for them.`,
    tries: cable === null ? [] : largerKinds(judged, run.id, guard),
  };
}

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
