import type { CableChecked } from '../../electric/bench-test';
import type { StepWork } from './step-work';
import type { ShopSettings } from '../../parts/shop';
import type { DrillGate } from '../../holding/drilling';
import type { Fitted } from '../../holding/fitted';
import type { Placed } from '../../layout';
import type { Fact, Ledger } from '../../rig';
import { say, type Sentence } from '../../base/units';

/** Somebody said it too early: kept, shown, and not counted. */
interface Early {
  readonly by: string;
  readonly when: string;
  /** Why it does not count yet. */
  readonly why: Sentence;
}

/** Whether a step of the build is done, by what was really done and when. */
export interface Standing {
  readonly done: { readonly by: string; readonly when: string } | null;
  readonly early: Early | null;
  /** A manager let it pass, with the reason. */
  readonly passed: { readonly by: string; readonly why: string } | null;
  /** A cure that runs: from when on it is over; null for everything else. */
  readonly opens: string | null;
}

/** Nothing was done or said of it. */
export const NOT_YET: Standing = { done: null, early: null, passed: null, opens: null };

/** A step as its gate sees it. */
export interface Gated {
  readonly id: string;
  readonly work: StepWork;
  readonly says: string;
  readonly fitting: string | null;
  readonly needs: readonly string[];
  readonly cureHours: number;
}

/** When something was done, by each clock that tells. */
interface Moment {
  readonly by: string;
  readonly device: string;
  readonly server?: string;
}

const momentOf = (f: Fact): Moment => ({ by: f.by, device: f.deviceTime, server: f.serverTime });

/** By either clock: where they disagree the careful one counts. */
const before = (a: Moment, b: Moment): boolean =>
  a.device < b.device || (a.server !== undefined && b.server !== undefined && a.server < b.server);

/** Hours from one moment to another by the clock that makes them fewer. */
function hoursBetween(a: Moment, b: Moment): number {
  const by = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / 3_600_000;
  const device = by(a.device, b.device);
  return a.server !== undefined && b.server !== undefined ? Math.min(device, by(a.server, b.server)) : device;
}

/** What the gates go by. */
export interface GateFacts {
  readonly items: readonly Fitted[];
  /** What is taken off the boat. */
  readonly takenOff: readonly Placed[];
  readonly ledger: Ledger;
  readonly gate: DrillGate;
  readonly shop: ShopSettings;
  /** What the bench test reads and checks, and what of it still holds its step open. */
  readonly tests: readonly CableChecked[];
  readonly open: readonly CableChecked[];
}

/** The owner's signature for how the boat came in, while nothing was seen after it. */
function receivedAsSeen({ received, seen }: Ledger): Fact | null {
  if (!received) return null;
  return [...seen.values()].some((f) => f.serverTime > received.serverTime) ? null : received;
}

/** The moment a cure is over: its hours after the last seal, by the later clock. */
function overAt(step: Gated, moments: ReadonlyMap<string, Moment>): string | null {
  const seals = step.needs.flatMap((n) => {
    const m = moments.get(n);
    return m ? [m.device, ...(m.server === undefined ? [] : [m.server])] : [];
  });
  const last = Math.max(...seals.map((iso) => Date.parse(iso)));
  return Number.isFinite(last) ? new Date(last + step.cureHours * 3_600_000).toISOString() : null;
}

/** What a step is done by: a tick, or what was marked, measured or agreed on the boat; else why not. */
function doneBy(step: Gated, { items, takenOff, ledger, gate, shop, tests, open }: GateFacts): Moment | Sentence {
  const said = ledger.steps.get(step.id);
  if (step.work === 'receive') {
    const came = [...items.map((i) => i.placed), ...takenOff].filter((p) => p.fitting.aboard);
    const unseen = came.filter((p) => !ledger.seen.has(p.id));
    if (unseen.length) return say`not looked at yet: ${unseen.map((p) => p.part.name).join(', ')}`;
    // What the owner signed for as it came in is received.
    const signed = receivedAsSeen(ledger);
    if (signed) return momentOf(signed);
  }
  if (step.work === 'drill') {
    const holes = items.find((i) => i.placed.id === step.fitting)?.holes ?? [];
    const wanting = holes.filter((h) => h.abandoned === null && (!h.drilled || h.openUp));
    if (wanting.length) return say`${wanting.map((h) => h.label).join(', ')} not marked`;
    const last = holes.flatMap((h) => h.drilled ?? []).sort((a, b) => (a.when < b.when ? 1 : -1))[0];
    return last ? { by: last.by, device: last.when } : said ? momentOf(said) : say`no hole marked`;
  }
  if (step.work === 'measure' && items.some((i) => i.holes.length > 0)) {
    const wanting = gate.wants.filter((w) => w.id !== 'agreed' && !w.done);
    const last = ledger.readings.at(-1);
    if (wanting.length) return wanting[0]?.says ?? say`not measured`;
    return last ? momentOf(last) : said ? momentOf(said) : [];
  }
  if (step.work === 'test') {
    const own = (t: CableChecked): boolean => `test.${t.run}` === step.id;
    const wanting = open.filter(own);
    const unread = wanting.filter((t) => !t.read).length;
    if (unread) return say`${unread} of ${tests.filter(own).length} readings and checks not taken`;
    if (wanting.length) return say`a reading or a check is not as it should be`;
    const [last] = tests
      .filter(own)
      .flatMap((t) => t.read ?? [])
      .sort((a, b) => (a.when < b.when ? 1 : -1));
    if (last) return { by: last.by, device: last.device, server: last.when };
  }
  if (step.work === 'agree' && shop.drilling.agree)
    return ledger.agreed ? momentOf(ledger.agreed) : say`the owner has not agreed to the taped layout`;
  return said ? momentOf(said) : [];
}

/**
 * Where every step stands. A fact that came too early is kept and shown as early, and the step is not done: it is
 * said again when its turn has come. A drill step is done by its holes, measuring by its readings, the owner's
 * agreement by itself where the shop asks for it, a cure by its hours from the last seal. A manager may let a step
 * pass, with a reason.
 *
 * @param steps in working order: what a step needs comes before it
 */
export function standings(steps: readonly Gated[], facts: GateFacts): Map<string, Standing> {
  const out = new Map<string, Standing>();
  const moments = new Map<string, Moment>();
  const byId = new Map(steps.map((s) => [s.id, s]));
  for (const step of steps) {
    const pass = facts.ledger.passed.get(step.id);
    if (pass) {
      moments.set(step.id, momentOf(pass));
      out.set(step.id, {
        ...NOT_YET,
        done: { by: pass.by, when: pass.serverTime },
        passed: { by: pass.by, why: pass.why },
      });
      continue;
    }
    const moment = doneBy(step, facts);
    const said = facts.ledger.steps.get(step.id);
    const ready = step.needs.every((n) => out.get(n)?.done);
    const opens = step.cureHours > 0 && ready ? overAt(step, moments) : null;
    const early = (by: string, when: string, why: Sentence): void =>
      void out.set(step.id, { ...NOT_YET, opens, early: { by, when, why } });
    if ('length' in moment) {
      if (said) early(said.by, said.serverTime, moment);
      else out.set(step.id, { ...NOT_YET, opens });
      continue;
    }
    const when = moment.server ?? moment.device;
    const open = step.needs.find((n) => !out.get(n)?.done);
    if (open !== undefined) {
      early(moment.by, when, say`${byId.get(open)?.says ?? open}: not done`);
      continue;
    }
    const why = tooSoon(step, moment, moments, facts, byId);
    if (why.length) {
      early(moment.by, when, why);
      continue;
    }
    moments.set(step.id, moment);
    out.set(step.id, { ...NOT_YET, done: { by: moment.by, when } });
  }
  return out;
}

/** Why a moment does not count though everything it needs is done by now, or nothing. */
function tooSoon(
  step: Gated,
  moment: Moment,
  moments: ReadonlyMap<string, Moment>,
  { shop, ledger }: GateFacts,
  byId: ReadonlyMap<string, Gated>,
): Sentence {
  if (step.cureHours > 0) {
    const seals = step.needs.flatMap((n) => moments.get(n) ?? []);
    const hours = Math.min(Infinity, ...seals.map((s) => hoursBetween(s, moment)));
    return hours < step.cureHours ? say`${Math.max(0, Math.floor(hours))} of ${step.cureHours} h since the last seal` : [];
  }
  // Holes and readings are what they are, whenever the rest was ticked; but the owner agrees before the first of them.
  if (step.work === 'measure') return [];
  if (step.work === 'drill') {
    const { agreed } = ledger;
    return shop.drilling.agree && agreed && before(moment, momentOf(agreed)) ? say`drilled before the owner agreed` : [];
  }
  const later = step.needs.find((n) => {
    const need = moments.get(n);
    return need !== undefined && before(moment, need);
  });
  return later === undefined ? [] : say`said before: ${byId.get(later)?.says ?? later}`;
}
