import { nominalVolts, type Draw } from '../circuits';
import type { Fitted } from '../../holding/fitted';
import type { HullSurface } from '../../boat/hull';
import { goAround } from './go-around';
import { RINGS_ON_POST } from './rings';
import { proposePorts } from './propose-ports';
import { proposeSignals } from './propose-signals';
import { freeKey, proposedChanges, type Brief, type DraftChange, type Plan, type Run } from '../../rig';
import { idOf, nameOf, nearest, shortName, voltsOf, xOf } from './asked-of';
import { bankFor, type Bank } from './banks';
import { Box, boxFor } from './boxes';
import { feedsOver } from './run';
import { say, type Sentence, type Side } from '../../base/units';

/** What a circuit is proposed from. */
export interface ProposalInput {
  readonly hull: HullSurface;
  readonly plan: Pick<Plan, 'runs'> & { readonly brief: Pick<Brief, 'wires'> };
  readonly owned: readonly Fitted[];
}

/** A circuit for everything aboard that draws. */
export interface Proposal {
  /** Every run of it that is not the rigger's own, with why it is so. */
  readonly runs: ReadonlyMap<string, { readonly run: Run; readonly why: Sentence }>;
  /** What it changes in the plan as it is. */
  readonly changes: readonly DraftChange[];
  /** What it could not do with what is aboard. */
  readonly wants: readonly Sentence[];
}

interface Load {
  readonly item: Fitted;
  readonly draw: Draw;
  /** Shown to other boats: such lights burn together, on one way. */
  readonly running: boolean;
}

/**
 * Proposes the circuit of a rig. A motor has the largest battery to itself as long as there is another; lights and screens are
 * fed through the boxes aboard, what nothing else switches through one that switches; each way is called by what hangs on it.
 * Runs that the rigger made or changed stay, and what they feed is left alone.
 */
export const proposeCircuit = (input: ProposalInput): Proposal => new Proposing(input).propose();

class Proposing {
  private readonly kept: Readonly<Record<string, Run>>;
  /** Those of them that feed. */
  private readonly keptFeeds: readonly Run[];
  private readonly runs = new Map<string, { run: Run; why: Sentence }>();
  private readonly wants: Sentence[] = [];
  private readonly batteries: readonly Fitted[];
  private readonly boxes: Box[];
  /** The side of the motor's cable: the other than most of what it would disturb. */
  private readonly motorSide: Side;
  /** A switch of one way beside a battery, that everything but its motor hangs on. */
  private readonly mains = new Map<Fitted, Fitted>();
  /** Batteries that stand in a row, or behind the first side by side: nothing else is fed from them. */
  private readonly banked = new Set<Fitted>();

  constructor(private readonly input: ProposalInput) {
    const { plan, owned } = input;
    this.kept = Object.fromEntries(Object.entries(plan.runs).filter(([, r]) => !r.proposed));
    this.keptFeeds = Object.values(this.kept).filter(feedsOver);
    this.batteries = owned
      .filter((i) => i.placed.part.power?.battery)
      .sort((a, b) => (b.placed.part.power?.battery?.ampHours ?? 0) - (a.placed.part.power?.battery?.ampHours ?? 0));
    const leans = owned.reduce(
      (sum, { placed: { part, frame } }) =>
        sum + (part.power?.draw?.of === 'electronics' || part.screen ? Math.sign(frame.origin.y) : 0),
      0,
    );
    this.motorSide = leans > 0 ? 'port' : 'starboard';
    for (const {
      run: { from, to },
    } of Object.values(this.kept).flatMap((run) => (run.has === 'series' ? [{ run }] : [])))
      for (const id of [from, to]) {
        const inRow = this.batteries.find((b) => idOf(b) === id);
        if (inRow) this.banked.add(inRow);
      }
    this.boxes = owned.flatMap((item): Box[] => {
      const passes = item.placed.part.power?.passes;
      return passes && passes.ways > 1 ? [new Box(item, passes)] : [];
    });
  }

  propose(): Proposal {
    const { owned } = this.input;
    this.takeKept();
    this.chooseMains();
    const loads = this.loads();
    for (const load of loads.filter((l) => l.draw.of === 'motor')) this.feedMotor(load);
    for (const load of loads.filter((l) => l.draw.of !== 'motor')) this.feedRest(load, loads);
    this.feedBoxes();
    const { chargers, wants } = proposePorts(owned, this.batteries, this.keptFeeds, this.rows());
    for (const { battery, by, why } of chargers) this.add(by, { from: idOf(battery), lane: this.laneOf(by) }, why);
    this.wants.push(...wants);
    this.joinSignals();
    this.countFeeds();
    this.wants.push(...goAround(this.runs, Object.values(this.kept), this.input));
    return { runs: this.runs, changes: this.changes(), wants: this.wants };
  }

  /** What the rigger's own runs take up: ways of boxes, and from which battery a box is fed. */
  private takeKept(): void {
    for (const run of this.keptFeeds) {
      const from = this.boxes.find((b) => idOf(b.item) === run.from);
      from?.hang(run.way ?? 1, this.ampsOf(run.to));
      const to = this.boxes.find((b) => idOf(b.item) === run.to);
      if (to) to.battery ??= this.batteries.find((b) => idOf(b) === run.from) ?? null;
    }
  }

  private ampsOf = (id: string): number => this.input.owned.find((i) => idOf(i) === id)?.placed.part.power?.draw?.amps ?? 0;
  /** Every run that feeds, the rigger's and those of this proposal. */
  private feeding = (): Run[] => [...this.keptFeeds, ...[...this.runs.values()].map((r) => r.run)];
  private isFed = (item: Fitted): boolean => this.keptFeeds.some((r) => r.to === idOf(item));

  /** What draws and is not fed by the rigger's own runs, bow to stern. */
  private loads(): Load[] {
    return [...this.input.owned]
      .sort((a, b) => xOf(a) - xOf(b))
      .flatMap((item): Load[] => {
        const { power, light } = item.placed.part;
        if (!power?.draw || this.isFed(item)) return [];
        return [{ item, draw: power.draw, running: power.draw.of === 'lights' && light !== undefined && light.shows !== 'dim' }];
      });
  }

  private ofVolts = (draw: Draw): readonly Fitted[] =>
    this.batteries.filter((b) => !this.banked.has(b) && voltsOf(b) === nominalVolts(draw.volts));

  /** Inside or outside as the brief has it, along the side of what is fed; the motor's cable along one side, what it would disturb along the other. */
  private laneOf(to: Fitted, draw: Pick<Draw, 'of'> | null = null): Run['lane'] {
    const where = this.input.plan.brief.wires === 'inside' ? 'inside' : 'outside';
    const away = this.motorSide === 'port' ? 'starboard' : 'port';
    const own = to.placed.frame.origin.y > 0 ? 'starboard' : 'port';
    const heard = draw?.of === 'electronics' || to.placed.part.signal !== undefined;
    const motored = this.input.owned.some((i) => i.placed.part.power?.draw?.of === 'motor');
    return `${where} ${draw?.of === 'motor' ? this.motorSide : heard && motored ? away : own}`;
  }

  /** The id of the run that a fitting is fed by: the same each time it is proposed, and none of the rigger's. */
  private runTo = (item: Fitted): string => freeKey(`feed-${idOf(item)}`, this.isKept);
  private isKept = (key: string): boolean => Object.hasOwn(this.kept, key);

  private add(item: Fitted, run: Omit<Run, 'via' | 'awg' | 'proposed' | 'to'>, why: Sentence): void {
    this.runs.set(this.runTo(item), {
      run: { ...run, to: idOf(item), via: [], awg: null, proposed: true },
      why,
    });
  }

  /** Whether a battery turns a motor, by a run of the rigger's or of this proposal. */
  private turnsMotor = (battery: Fitted): boolean =>
    this.input.owned.some((i) => i.placed.part.power?.draw?.of === 'motor' && this.batteryOf(i) === battery);

  /** The battery that a fitting hangs on, through whatever hands current on. */
  private batteryOf(item: Fitted): Fitted | null {
    const runs = this.feeding();
    const been = new Set<string>();
    for (let at: string | undefined = idOf(item); at !== undefined && !been.has(at);) {
      been.add(at);
      const here: string = at;
      at = runs.find((r) => r.to === here)?.from;
      const battery = this.batteries.find((b) => idOf(b) === at);
      if (battery) return battery;
    }
    return null;
  }

  private feedMotor({ item, draw }: Load): void {
    const lane = this.laneOf(item, draw);
    const gives = this.ofVolts(draw).find((b) => (b.placed.part.power?.battery?.mostAmps ?? Infinity) >= draw.amps);
    const busy = new Set(this.feeding().flatMap((r) => [r.from, r.to]));
    const free = this.batteries.filter((b) => !busy.has(idOf(b)) && !this.banked.has(b));
    const bank = gives ? null : bankFor(draw, free);
    const battery = gives ?? this.ofVolts(draw)[0];
    if (!battery && !bank)
      return void this.wants.push(
        say`A battery of ${nominalVolts(draw.volts)} V for ${nameOf(item)}, or more of one kind in a row.`,
      );
    const kill = this.input.owned.find(
      (i) =>
        i.placed.part.power?.passes?.kills &&
        i.placed.part.power.passes.amps >= draw.amps &&
        !this.isFed(i) &&
        !this.runs.has(this.runTo(i)),
    );
    if (bank) {
      this.feedByBank(kill ?? item, bank, lane);
      if (kill) this.add(item, { from: idOf(kill), lane, way: 1 }, say`Behind the lanyard switch, from the batteries together.`);
      return;
    }
    if (!battery) return;
    if (!kill)
      return this.add(
        item,
        { from: idOf(battery), lane },
        say`From ${nameOf(battery)}, the largest aboard that gives ${draw.amps} A; along one side, what it would disturb along the other.`,
      );
    this.add(
      kill,
      { from: idOf(battery), lane },
      say`The motor’s feed goes through the lanyard switch: pulled, the motor stops.`,
    );
    this.add(item, { from: idOf(kill), lane, way: 1 }, say`Behind the lanyard switch, from ${nameOf(battery)}.`);
  }

  /**
   * From battery to battery, plus to minus in a row, like to like side by side; what they feed takes its plus from one end and its
   * minus from the other, so that side by side each gives as much.
   */
  private feedByBank(to: Fitted, { of, inRow }: Bank, lane: Run['lane']): void {
    const [first, last] = [of[0], of.at(-1)];
    if (!first || !last) return;
    const together = inRow
      ? say`${of.length} alike in a row give ${voltsOf(first) * of.length} V.`
      : say`${of.length} alike side by side give what one does not.`;
    of.slice(1).forEach((next, i) => {
      const from = of[i];
      if (from) this.add(next, { from: idOf(from), lane, ...(inRow ? { has: 'series' } : {}) }, together);
    });
    const [plus, minus] = inRow ? [last, first] : [first, last];
    this.add(to, { from: idOf(plus), lane, has: 'plus' }, together);
    const back: Run = { from: idOf(minus), to: idOf(to), lane, via: [], awg: null, has: 'minus', proposed: true };
    this.runs.set(freeKey(`back-${idOf(to)}`, this.isKept), { run: back, why: together });
    // Side by side the first of them may feed other things too.
    for (const b of inRow ? of : of.slice(1)) this.banked.add(b);
  }

  /** The battery for what is no motor: one that turns none, if there is one. */
  private batteryFor({ draw }: Load): Fitted | undefined {
    const of = this.ofVolts(draw);
    return of.find((b) => !this.turnsMotor(b)) ?? of[0];
  }

  private feedRest(load: Load, all: readonly Load[]): void {
    const { item, draw } = load;
    const battery = this.batteryFor(load);
    if (!battery) return void this.wants.push(say`A battery of ${nominalVolts(draw.volts)} V for ${nameOf(item)}.`);
    const why = this.turnsMotor(battery)
      ? say`From ${nameOf(battery)}, which turns the motor too: there is no other aboard.`
      : say`From ${nameOf(battery)}, which turns no motor.`;
    const lane = this.laneOf(item, draw);
    const unswitched = draw.of === 'lights' && !draw.switched;
    const box = boxFor(this.boxes, { amps: draw.amps, battery, unswitched });
    if (!box) {
      const shared = this.sharedWay(battery, draw.amps, unswitched);
      if (shared) {
        shared.box.hang(shared.way, draw.amps);
        const others = this.feeding().filter((r) => r.from === idOf(shared.box.item) && r.way === shared.way);
        const name = `${others[0]?.name ?? ''}, ${shortName(item)}`.slice(0, 40);
        for (const [id, { run, why: was }] of this.runs)
          if (others.includes(run)) this.runs.set(id, { run: { ...run, name }, why: was });
        return this.add(
          item,
          { from: idOf(shared.box.item), lane, way: shared.way, name },
          say`Every way of ${nameOf(shared.box.item)} is taken: it shares way ${shared.way}, which carries both.`,
        );
      }
      if (unswitched) this.wants.push(say`A switch panel or relay box for ${nameOf(item)}: nothing aboard switches it.`);
      return this.add(item, this.fromBattery(battery, lane), why);
    }
    box.battery ??= battery;
    const way = this.wayFor(box, load, all);
    box.hang(way, draw.amps);
    const called = this.calledOn(box, way, load.running && this.runningOf(all).length > 1 ? 'running lights' : shortName(item));
    this.add(
      item,
      { from: idOf(box.item), lane, way, name: called },
      box.passes.switched
        ? say`Through way ${way} of ${nameOf(box.item)}, which fuses and switches it; ${nameOf(battery)} feeds the box.`
        : say`Through way ${way} of ${nameOf(box.item)}, which fuses it; ${nameOf(battery)} feeds the block.`,
    );
  }

  /** A way of a box of this battery that still carries so much more; the least laden. */
  private sharedWay(battery: Fitted, amps: number, unswitched: boolean): { box: Box; way: number } | null {
    const fits = this.boxes
      .filter((b) => b.battery === battery && (!unswitched || b.passes.switched))
      .flatMap((box) => box.waysFor(amps).map((way) => ({ box, way })));
    return fits[0] ?? null;
  }

  /** A name that no other way of a box has: the second of a kind is numbered. */
  private calledOn({ item }: Box, way: number, name: string): string {
    const runs = this.feeding();
    const taken = runs.filter((r) => r.from === idOf(item) && r.way !== way).map((r) => r.name);
    const numbered = (n: number): string => (n === 1 ? name : `${name} ${n}`);
    for (let n = 1; ; n++) if (!taken.includes(numbered(n))) return numbered(n);
  }

  /** Switches of one way that no lanyard pulls, each beside the battery it stands nearest to; the rigger's own stay. */
  private chooseMains(): void {
    const { owned } = this.input;
    const switches = owned.filter((i) => {
      const passes = i.placed.part.power?.passes;
      return passes?.switched && passes.ways === 1 && !passes.kills && !this.isFed(i);
    });
    const motors = owned.filter((i) => i.placed.part.power?.draw?.of === 'motor').length;
    // The largest is the motor's as long as there is another.
    const free = this.batteries
      .filter((b) => !this.banked.has(b))
      .slice(Math.min(motors, Math.max(0, this.batteries.length - 1)));
    for (const main of switches) {
      const battery = nearest(
        xOf(main),
        free.filter((b) => !this.mains.has(b)),
        xOf,
      );
      if (battery) this.mains.set(battery, main);
    }
  }

  /** From a battery, or from its main switch where it has one; that is fed first. */
  private fromBattery(battery: Fitted, lane: Run['lane']): Pick<Run, 'from' | 'lane' | 'way'> {
    const main = this.mains.get(battery);
    if (!main) return { from: idOf(battery), lane };
    if (!this.runs.has(this.runTo(main)))
      this.add(
        main,
        { from: idOf(battery), lane: this.laneOf(main) },
        say`The main switch of ${nameOf(battery)}: everything hangs on it, behind one protection at the battery.`,
      );
    return { from: idOf(main), lane, way: 1 };
  }

  /** Rows of batteries, the rigger's and those of this proposal. */
  private rows(): Fitted[][] {
    const rows: Fitted[][] = [];
    const byId = new Map(this.batteries.map((b) => [idOf(b), b]));
    for (const { has, from, to } of this.feeding()) {
      const [a, b] = [byId.get(from), byId.get(to)];
      if (has !== 'series' || !a || !b) continue;
      const row = rows.find((r) => r.includes(a) || r.includes(b));
      if (!row) rows.push([a, b]);
      else for (const one of [a, b]) if (!row.includes(one)) row.push(one);
    }
    return rows;
  }

  /** Where many feeds leave one battery by themselves, one main and a block are wanted. */
  private countFeeds(): void {
    for (const battery of this.batteries) {
      const feeds = this.feeding().filter((r) => r.from === idOf(battery));
      if (feeds.length > RINGS_ON_POST)
        this.wants.push(say`A main switch and a fuse block at ${nameOf(battery)}: ${feeds.length} feeds would leave its post.`);
    }
  }

  private runningOf = (all: readonly Load[]): readonly Load[] => all.filter((l) => l.running);

  /** The way of a load: running lights share one, everything else has its own. */
  private wayFor(box: Box, load: Load, all: readonly Load[]): number {
    if (load.running) {
      const others = new Set(this.runningOf(all).map((l) => this.runTo(l.item)));
      const shared = [...this.runs].find(([id, r]) => others.has(id) && r.run.from === idOf(box.item))?.[1].run.way;
      if (shared !== undefined && box.sharesWay(shared, load.draw.amps)) return shared;
    }
    return box.nextWay();
  }

  private feedBoxes(): void {
    for (const { item, battery } of this.boxes) {
      if (!battery || this.isFed(item)) continue;
      this.add(
        item,
        this.fromBattery(battery, this.laneOf(item)),
        say`${nameOf(battery)} feeds the box; its fuse stands at the battery.`,
      );
    }
  }

  private joinSignals(): void {
    const kept = Object.values(this.kept).filter((r) => !feedsOver(r));
    const { runs, wants } = proposeSignals(this.input.owned, kept, (to) => this.laneOf(to));
    for (const { run, why } of runs) {
      const id = freeKey(`signal-${run.from}`, (key) => this.isKept(key) || this.runs.has(key));
      this.runs.set(id, { run, why });
    }
    this.wants.push(...wants);
  }

  private changes(): DraftChange[] {
    const made = new Map([...this.runs].map(([id, { run }]) => [id, run]));
    return proposedChanges(this.input.plan.runs, made, (run, from, to) => ({ kind: 'routeRun', run, from, to }));
  }
}
