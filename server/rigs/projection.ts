import { randomUUID } from 'node:crypto';
import type { Logger } from 'pino';
import { QueryTypes, type Transaction } from 'sequelize';
import { ChangeRow, FactRow, ProjectionRow, RigRow } from '../database/models';
import { draft } from '../drafting/draft';
import { caller } from '../http/caller';
import { asItIs, RIGS_PROJECTED } from './as-it-is';
import { inputOf, loadRig } from './load';

/** How often it is looked whether some projection is not of its rig as it is, ms. */
const SWEPT = 30_000;
/** So many are made anew at a sweep. */
const AT_ONCE = 40;

/** Rigs whose projection is missing, or was made of another version or of other facts. */
const STALE = `
  SELECT r.id FROM ${RIGS_PROJECTED} WHERE NOT ${asItIs()}
  ORDER BY r.place = 'handed over', r.number LIMIT ${AT_ONCE}`;

interface Within {
  readonly transaction?: Transaction | null;
}

/** Does something once a transaction is committed; at once where there is none. */
const committed = (transaction: Within['transaction'], work: () => void): void =>
  transaction ? transaction.afterCommit(work) : work();

/** For whom something is committed: one, or nobody. */
const callers = (): readonly string[] => [caller() ?? []].flat();

/** A rig that waits to be projected. */
interface Touched {
  /** Who changed something of it. */
  readonly by: Set<string>;
  /** One of them waits for it. */
  wanted: boolean;
  readonly projected: Promise<void>;
  readonly done: () => void;
}

function touchedNow(): Touched {
  let done: () => void = () => undefined;
  const projected = new Promise<void>((resolve) => (done = resolve));
  return { by: new Set(), wanted: false, projected, done };
}

/**
 * Projects rigs into the rows that lists and other rigs read, after the answer and once for all that came meanwhile.
 * A row says what it was made of and can always be made again, so a failure is only logged, and tried again later.
 */
export class Projection {
  /** By rig; what somebody waits for goes first. */
  private readonly waiting = new Map<string, Touched>();
  /** The one that is being projected. */
  private now: Touched | null = null;
  private running: Promise<void> | null = null;
  /** Hulls whose rigs are being looked for, and for whom. */
  private readonly looking = new Map<string, { readonly by: Set<string>; readonly found: Promise<void> }>();
  /** What its hooks on the log are called. */
  private readonly follows = randomUUID();
  private readonly timer: NodeJS.Timeout;

  constructor(private readonly log: Logger) {
    this.timer = setInterval(() => void this.sweep(), SWEPT).unref();
  }

  /** Follows the log from now on: every rig, change and fact that is committed here is projected, for whoever called. */
  follow(): this {
    RigRow.addHook('afterCreate', this.follows, (row: RigRow, { transaction }: Within) => {
      const by = callers();
      committed(transaction, () => this.touch(row.id, ...by));
    });
    ChangeRow.addHook('afterCreate', this.follows, (row: ChangeRow, { transaction }: Within) => {
      const by = callers();
      committed(transaction, () => this.touch(row.rigId, ...by));
    });
    FactRow.addHook('afterCreate', this.follows, (row: FactRow, { transaction }: Within) => {
      const by = callers();
      committed(transaction, () => this.touchHull(row.hullId, ...by));
    });
    return this;
  }

  /** Something of this rig changed, by whom: they are shown what follows from it. */
  touch(rigId: string, ...by: readonly string[]): void {
    const touched = this.waiting.get(rigId) ?? touchedNow();
    for (const who of by) touched.by.add(who);
    this.waiting.set(rigId, touched);
    this.running ??= this.run().finally(() => (this.running = null));
  }

  /** Something was found on this hull or done to it: all its rigs see it. Of many facts at once they are looked for once. */
  private touchHull(hullId: string, ...by: readonly string[]): void {
    const looking = this.looking.get(hullId) ?? this.lookFor(hullId);
    for (const who of by) looking.by.add(who);
  }

  private lookFor(hullId: string): { readonly by: Set<string> } {
    const by = new Set<string>();
    const found = this.rigsOf(hullId).then(
      (rigs) => {
        this.looking.delete(hullId);
        for (const id of rigs) this.touch(id, ...by);
      },
      (error: unknown) => {
        this.looking.delete(hullId);
        // The database is away: the sweep finds them.
        this.log.warn({ err: error, hullId }, 'rigs of a hull not projected');
      },
    );
    this.looking.set(hullId, { by, found });
    return { by };
  }

  private rigsOf = async (hullId: string): Promise<string[]> =>
    (await RigRow.findAll({ attributes: ['id'], where: { hullId } })).map((row) => row.id);

  /** Looks for what is not as its rig is: after an upgrade, or when a process ended before it had projected. */
  async sweep(): Promise<void> {
    try {
      const stale = await RigRow.sequelize?.query<{ id: string }>(STALE, { type: QueryTypes.SELECT });
      for (const { id } of stale ?? []) this.touch(id);
    } catch {
      // The database is away: the next sweep tells.
    }
  }

  /**
   * Settles once what this person touched is projected, or after so many ms; what others do meanwhile is waited for by nobody.
   */
  async settledOf(by: string, most: number): Promise<void> {
    const looked = [...this.looking.values()].filter((l) => l.by.has(by)).map((l) => l.found);
    const touched = this.touchedBy(by);
    if (looked.length + touched.length === 0) return;
    const late = new Promise<void>((resolve) => setTimeout(resolve, most).unref());
    const settled = async (): Promise<void> => {
      await Promise.all(looked);
      const mine = this.touchedBy(by);
      for (const t of mine) t.wanted = true;
      await Promise.all(mine.map((t) => t.projected));
    };
    await Promise.race([settled(), late]);
  }

  private touchedBy = (by: string): Touched[] =>
    [...this.waiting.values(), ...(this.now ? [this.now] : [])].filter((t) => t.by.has(by));

  /** Ends once what was touched is projected. */
  async stop(): Promise<void> {
    clearInterval(this.timer);
    RigRow.removeHook('afterCreate', this.follows);
    ChangeRow.removeHook('afterCreate', this.follows);
    FactRow.removeHook('afterCreate', this.follows);
    while (this.looking.size || this.running)
      await Promise.all([...[...this.looking.values()].map((l) => l.found), this.running]);
  }

  private async run(): Promise<void> {
    for (;;) {
      const all = [...this.waiting];
      const next = all.find(([, t]) => t.wanted) ?? all[0];
      if (!next) break;
      const [rigId, touched] = next;
      this.waiting.delete(rigId);
      this.now = touched;
      await this.project(rigId).catch((error: unknown) => this.log.warn({ err: error, rigId }, 'rig not projected'));
      touched.done();
    }
    this.now = null;
  }

  private async project(rigId: string): Promise<void> {
    const loaded = await loadRig(rigId);
    const { number, version, place, hullId } = loaded.row;
    const before = await ProjectionRow.findByPk(rigId, { attributes: ['holes'] });
    const { hull, outline, progress, closed, changed, holes, cuts } = await draft('project', { number, input: inputOf(loaded) });
    const written = JSON.stringify(holes);
    await ProjectionRow.upsert({
      rigId,
      version,
      factCount: loaded.facts.length,
      hull,
      outline: JSON.stringify(outline),
      progress: JSON.stringify(progress),
      holes: written,
      cuts: JSON.stringify(cuts),
    });
    // The other rigs of the hull are judged by its holes.
    if ((before?.holes ?? '[]') !== written) for (const id of await this.rigsOf(hullId)) if (id !== rigId) this.touch(id);
    // Signed for, it leaves the floor; changed since, it is back.
    const moved = closed ? 'handed over' : place === 'handed over' && changed ? 'yard' : place;
    if (moved !== place) await RigRow.update({ place: moved }, { where: { id: rigId, version, place } });
  }
}
