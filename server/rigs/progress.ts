import type { Logger } from 'pino';
import { RigRow } from '../database/models';
import { draft } from '../drafting/draft';
import { inputOf, loadRig } from './load';

/**
 * Projects the progress of rigs onto their rows, after the answer and once for all that came meanwhile. It can always
 * be made again, so a failure is only logged.
 */
export class Projection {
  private readonly waiting = new Set<string>();
  private running: Promise<void> | null = null;

  constructor(private readonly log: Logger) {}

  /** Something of this rig changed. */
  touch(rigId: string): void {
    this.waiting.add(rigId);
    this.running ??= this.run().finally(() => (this.running = null));
  }

  /** Settles once everything touched is projected, or after so many ms: whoever looks then sees what was. */
  async settled(most = Infinity): Promise<void> {
    const soon = Number.isFinite(most) ? [new Promise<void>((r) => setTimeout(r, most).unref())] : [];
    while (
      this.running &&
      (await Promise.race([this.running.then(() => 'done'), ...soon.map((p) => p.then(() => 'late'))])) === 'done'
    );
  }

  private async run(): Promise<void> {
    for (let [next] = this.waiting; next !== undefined; [next] = this.waiting) {
      this.waiting.delete(next);
      await this.project(next).catch((error: unknown) => this.log.warn({ err: error, rigId: next }, 'progress not projected'));
    }
  }

  private async project(rigId: string): Promise<void> {
    const loaded = await loadRig(rigId);
    const { progress, closed, changed } = await draft('progress', inputOf(loaded));
    // Signed for, it leaves the floor; changed since, it is back.
    const { place, version } = loaded.row;
    const moved = closed ? 'handed over' : place === 'handed over' && changed ? 'yard' : place;
    await RigRow.update({ progress: JSON.stringify(progress), place: moved }, { where: { id: rigId, version } });
  }
}
