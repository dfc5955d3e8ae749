import { nominalVolts, type Draw } from '../circuits';
import type { Fitted } from '../../holding/fitted';
import { goAround } from './go-around';
import { RINGS_ON_POST } from './rings';
import { proposePorts } from './propose-ports';
import { proposeSignals } from './propose-signals';
import { freeKey, type Run } from '../../rig';
import { lanesFor, RunsSoFar, type Proposal, type ProposalInput } from './proposed-runs';
import { idOf, nameOf, nearest, shortName, voltsOf, xOf } from './asked-of';
import { bankFor, behind, rowsOf, type Bank } from './banks';
import { Box, boxFor, sharedWay } from './boxes';
import { feedsOver } from './run';
import { say } from '../../base/units';

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
  private readonly batteries: readonly Fitted[];
  private readonly boxes: Box[];
  /** A switch of one way beside a battery, that everything but its motor hangs on. */
  private readonly mains = new Map<Fitted, Fitted>();
  /** Batteries that stand in a row, or behind the first side by side: nothing else is fed from them. */
  private readonly banked = new Set<Fitted>();

  private readonly so: RunsSoFar;
  private readonly laneOf: (to: Fitted, draw?: Pick<Draw, 'of'> | null) => Run['lane'];

  constructor(private readonly input: ProposalInput) {
    const { plan, owned } = input;
    this.so = new RunsSoFar(plan.runs);
    this.laneOf = lanesFor(input);
    this.batteries = owned
      .filter((i) => i.placed.part.power?.battery)
      .sort((a, b) => (b.placed.part.power?.battery?.ampHours ?? 0) - (a.placed.part.power?.battery?.ampHours ?? 0));
    for (const { from, to } of Object.values(this.so.kept).filter((run) => run.has === 'series'))
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
    const { chargers, wants } = proposePorts(owned, this.batteries, this.so.keptFeeds, rowsOf(this.batteries, this.so.feeding()));
    for (const { battery, by, why } of chargers) this.so.add(by, { from: idOf(battery), lane: this.laneOf(by) }, why);
    this.so.wants.push(...wants);
    this.joinSignals();
    this.countFeeds();
    this.so.wants.push(...goAround(this.so.runs, Object.values(this.so.kept), this.input));
    return this.so.proposal(this.input.plan.runs);
  }

  /** What the rigger's own runs take up: ways of boxes, and from which battery a box is fed. */
  private takeKept(): void {
    for (const run of this.so.keptFeeds) {
      const from = this.boxes.find((b) => idOf(b.item) === run.from);
      from?.hang(run.way ?? 1, this.ampsOf(run.to));
      const to = this.boxes.find((b) => idOf(b.item) === run.to);
      if (to) to.battery ??= this.batteries.find((b) => idOf(b) === run.from) ?? null;
    }
  }

  private ampsOf = (id: string): number => this.input.owned.find((i) => idOf(i) === id)?.placed.part.power?.draw?.amps ?? 0;

  /** What draws and is not fed by the rigger's own runs, bow to stern. */
  private loads(): Load[] {
    return [...this.input.owned]
      .sort((a, b) => xOf(a) - xOf(b))
      .flatMap((item): Load[] => {
        const { power, light } = item.placed.part;
        if (!power?.draw || this.so.isFed(item)) return [];
        return [{ item, draw: power.draw, running: power.draw.of === 'lights' && light !== undefined && light.shows !== 'dim' }];
      });
  }

  private ofVolts = (draw: Draw): readonly Fitted[] =>
    this.batteries.filter((b) => !this.banked.has(b) && voltsOf(b) === nominalVolts(draw.volts));

  /** Whether a battery turns a motor, by a run of the rigger's or of this proposal. */
  private turnsMotor = (battery: Fitted): boolean =>
    this.input.owned.some(
      (i) => i.placed.part.power?.draw?.of === 'motor' && behind(i, this.so.feeding(), this.batteries) === battery,
    );

  private feedMotor({ item, draw }: Load): void {
    const lane = this.laneOf(item, draw);
    const gives = this.ofVolts(draw).find((b) => (b.placed.part.power?.battery?.mostAmps ?? Infinity) >= draw.amps);
    const busy = new Set(this.so.feeding().flatMap((r) => [r.from, r.to]));
    const free = this.batteries.filter((b) => !busy.has(idOf(b)) && !this.banked.has(b));
    const bank = gives ? null : bankFor(draw, free);
    const battery = gives ?? this.ofVolts(draw)[0];
    if (!battery && !bank)
      return void this.so.wants.push(
        say`A battery of ${nominalVolts(draw.volts)} V for ${nameOf(item)}, or more of one kind in a row.`,
      );
    const kill = this.input.owned.find(
      (i) =>
        i.placed.part.power?.passes?.kills &&
        i.placed.part.power.passes.amps >= draw.amps &&
        !this.so.isFed(i) &&
        !this.so.runs.has(this.so.runTo(i)),
    );
    if (bank) {
      this.feedByBank(kill ?? item, bank, lane);
      if (kill)
        this.so.add(item, { from: idOf(kill), lane, way: 1 }, say`Behind the lanyard switch, from the batteries together.`);
      return;
    }
    if (!battery) return;
    if (!kill)
      return this.so.add(
        item,
        { from: idOf(battery), lane },
        say`From ${nameOf(battery)}, the largest aboard that gives ${draw.amps} A; along one side, what it would disturb along the other.`,
      );
    this.so.add(
      kill,
      { from: idOf(battery), lane },
      say`The motor’s feed goes through the lanyard switch: pulled, the motor stops.`,
    );
    this.so.add(item, { from: idOf(kill), lane, way: 1 }, say`Behind the lanyard switch, from ${nameOf(battery)}.`);
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
      if (from) this.so.add(next, { from: idOf(from), lane, ...(inRow ? { has: 'series' } : {}) }, together);
    });
    const [plus, minus] = inRow ? [last, first] : [first, last];
    this.so.add(to, { from: idOf(plus), lane, has: 'plus' }, together);
    const back: Run = { from: idOf(minus), to: idOf(to), lane, via: [], awg: null, has: 'minus', proposed: true };
    this.so.runs.set(freeKey(`back-${idOf(to)}`, this.so.isKept), { run: back, why: together });
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
    if (!battery) return void this.so.wants.push(say`A battery of ${nominalVolts(draw.volts)} V for ${nameOf(item)}.`);
    const why = this.turnsMotor(battery)
      ? say`From ${nameOf(battery)}, which turns the motor too: there is no other aboard.`
      : say`From ${nameOf(battery)}, which turns no motor.`;
    const lane = this.laneOf(item, draw);
    const unswitched = draw.of === 'lights' && !draw.switched;
    const box = boxFor(this.boxes, { amps: draw.amps, battery, unswitched });
    if (!box) {
      const shared = sharedWay(this.boxes, { amps: draw.amps, battery, unswitched });
      if (shared) {
        shared.box.hang(shared.way, draw.amps);
        const others = this.so.feeding().filter((r) => r.from === idOf(shared.box.item) && r.way === shared.way);
        const name = `${others[0]?.name ?? ''}, ${shortName(item)}`.slice(0, 40);
        for (const [id, { run, why: was }] of this.so.runs)
          if (others.includes(run)) this.so.runs.set(id, { run: { ...run, name }, why: was });
        return this.so.add(
          item,
          { from: idOf(shared.box.item), lane, way: shared.way, name },
          say`Every way of ${nameOf(shared.box.item)} is taken: it shares way ${shared.way}, which carries both.`,
        );
      }
      if (unswitched) this.so.wants.push(say`A switch panel or relay box for ${nameOf(item)}: nothing aboard switches it.`);
      return this.so.add(item, this.fromBattery(battery, lane), why);
    }
    box.battery ??= battery;
    const way = this.wayFor(box, load, all);
    box.hang(way, draw.amps);
    const called = box.called(
      this.so.feeding(),
      way,
      load.running && this.runningOf(all).length > 1 ? 'running lights' : shortName(item),
    );
    this.so.add(
      item,
      { from: idOf(box.item), lane, way, name: called },
      box.passes.switched
        ? say`Through way ${way} of ${nameOf(box.item)}, which fuses and switches it; ${nameOf(battery)} feeds the box.`
        : say`Through way ${way} of ${nameOf(box.item)}, which fuses it; ${nameOf(battery)} feeds the block.`,
    );
  }

  /** Switches of one way that no lanyard pulls, each beside the battery it stands nearest to; the rigger's own stay. */
  private chooseMains(): void {
    const { owned } = this.input;
    const switches = owned.filter((i) => {
      const passes = i.placed.part.power?.passes;
      return passes?.switched && passes.ways === 1 && !passes.kills && !this.so.isFed(i);
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
    if (!this.so.runs.has(this.so.runTo(main)))
      this.so.add(
        main,
        { from: idOf(battery), lane: this.laneOf(main) },
        say`The main switch of ${nameOf(battery)}: everything hangs on it, behind one protection at the battery.`,
      );
    return { from: idOf(main), lane, way: 1 };
  }

  /** Where many feeds leave one battery by themselves, one main and a block are wanted. */
  private countFeeds(): void {
    for (const battery of this.batteries) {
      const feeds = this.so.feeding().filter((r) => r.from === idOf(battery));
      if (feeds.length > RINGS_ON_POST)
        this.so.wants.push(
          say`A main switch and a fuse block at ${nameOf(battery)}: ${feeds.length} feeds would leave its post.`,
        );
    }
  }

  private runningOf = (all: readonly Load[]): readonly Load[] => all.filter((l) => l.running);

  /** The way of a load: running lights share one, everything else has its own. */
  private wayFor(box: Box, load: Load, all: readonly Load[]): number {
    if (load.running) {
      const others = new Set(this.runningOf(all).map((l) => this.so.runTo(l.item)));
      const shared = [...this.so.runs].find(([id, r]) => others.has(id) && r.run.from === idOf(box.item))?.[1].run.way;
      if (shared !== undefined && box.sharesWay(shared, load.draw.amps)) return shared;
    }
    return box.nextWay();
  }

  private feedBoxes(): void {
    for (const { item, battery } of this.boxes) {
      if (!battery || this.so.isFed(item)) continue;
      this.so.add(
        item,
        this.fromBattery(battery, this.laneOf(item)),
        say`${nameOf(battery)} feeds the box; its fuse stands at the battery.`,
      );
    }
  }

  private joinSignals(): void {
    const kept = Object.values(this.so.kept).filter((r) => !feedsOver(r));
    const { runs, wants } = proposeSignals(this.input.owned, kept, (to) => this.laneOf(to));
    for (const { run, why } of runs) {
      const id = freeKey(`signal-${run.from}`, (key) => this.so.isKept(key) || this.so.runs.has(key));
      this.so.runs.set(id, { run, why });
    }
    this.so.wants.push(...wants);
  }
}
