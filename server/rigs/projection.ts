import type { Logger } from 'pino';
import { QueryTypes } from 'sequelize';
import { ProjectionRow, RigRow } from '../database/models';
import { draft } from '../drafting/draft';
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

/**
 * Projects rigs into the rows that lists and other rigs read, after the answer and once for all that came meanwhile.
 * A row says what it was made of and can always be made again, so a failure is only logged, and tried again later.
 */
export class Projection {
  private readonly waiting = new Set<string>();
  private running: Promise<void> | null = null;
  private readonly timer: NodeJS.Timeout;

  constructor(private readonly log: Logger) {
    this.timer = setInterval(() => void this.sweep(), SWEPT).unref();
  }

  /** Something of this rig changed. */
  touch(rigId: string): void {
    this.waiting.add(rigId);
    this.running ??= this.run().finally(() => (this.running = null));
  }

  /** Something was found on this hull or done to it: all its rigs see it. */
  async touchHull(hullId: string, but?: string): Promise<void> {
    const rigs = await RigRow.findAll({ attributes: ['id'], where: { hullId } });
    for (const { id } of rigs) if (id !== but) this.touch(id);
  }

  /** Looks for what is not as its rig is: after an upgrade, or when a process ended before it had projected. */
  async sweep(): Promise<void> {
    try {
      const stale = await RigRow.sequelize?.query<{ id: string }>(STALE, { type: QueryTypes.SELECT });
      for (const { id } of stale ?? []) this.touch(id);
    } catch {
      // The database is away: the next sweep tells.
    }
  }

  /** Settles once everything touched is projected, or after so many ms: whoever looks then sees what was. */
  async settled(most = Infinity): Promise<void> {
    const soon = Number.isFinite(most) ? [new Promise<void>((r) => setTimeout(r, most).unref())] : [];
    while (
      this.running &&
      (await Promise.race([this.running.then(() => 'done'), ...soon.map((p) => p.then(() => 'late'))])) === 'done'
    );
  }

  /** Ends once what was touched is projected. */
  async stop(): Promise<void> {
    clearInterval(this.timer);
    await this.settled();
  }

  private async run(): Promise<void> {
    for (let [next] = this.waiting; next !== undefined; [next] = this.waiting) {
      this.waiting.delete(next);
      await this.project(next).catch((error: unknown) => this.log.warn({ err: error, rigId: next }, 'rig not projected'));
    }
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
    if ((before?.holes ?? '[]') !== written) await this.touchHull(hullId, rigId);
    // Signed for, it leaves the floor; changed since, it is back.
    const moved = closed ? 'handed over' : place === 'handed over' && changed ? 'yard' : place;
    if (moved !== place) await RigRow.update({ place: moved }, { where: { id: rigId, version, place } });
  }
}
