import type { Tablet, Waiting, WaitingChange, WaitingFact } from './tablet';

interface Unsent {
  one: Waiting;
  /** Its key on the tablet, once it is kept there. */
  key: Promise<number | undefined>;
}

/**
 * What of one rig is not yet acknowledged, in order, at hand at once and kept on the tablet across restarts. Two
 * tabs of one rig each add their own; the server keeps an id sent twice once.
 */
export class Outbox {
  private constructor(
    readonly rig: string,
    private readonly tablet: Tablet,
    private held: readonly Unsent[],
  ) {}

  /** Nothing waits, and nowhere. */
  static empty = (tablet: Tablet): Outbox => new Outbox('', tablet, []);

  static async open(rig: string, tablet: Tablet): Promise<Outbox> {
    const kept = await tablet.waitingOf(rig);
    return new Outbox(
      rig,
      tablet,
      kept.map(({ key, one }) => ({ one, key: Promise.resolve(key) })),
    );
  }

  all = (): readonly Waiting[] => this.held.map((h) => h.one);
  /** What is on its way, without what is to be chosen from first. */
  onTheWay = (): readonly Waiting[] => this.all().filter((w) => w.what === 'fact' || w.clash === undefined);
  clashed = (): readonly WaitingChange[] =>
    this.all().filter((w) => w.what === 'change' && w.clash !== undefined) as WaitingChange[];
  /** Whether it is still here and to be sent. */
  isToSend = (one: Waiting): boolean =>
    this.all().includes(one) && (one.what === 'change' ? one.clash === undefined : one.refused === undefined);
  refused = (): readonly WaitingFact[] => this.all().filter((w) => w.what === 'fact' && w.refused !== undefined) as WaitingFact[];

  /** Settles once all of it is kept on the tablet. */
  kept = (): Promise<unknown> => Promise.all(this.held.map((h) => h.key));

  add(one: Waiting): void {
    this.held = [...this.held, { one, key: this.tablet.addWaiting(this.rig, one) }];
  }

  drop(one: Waiting): void {
    const gone = this.held.find((h) => h.one === one);
    this.held = this.held.filter((h) => h !== gone);
    void gone?.key.then((key) => key !== undefined && this.tablet.dropWaiting(key));
  }

  /** Something else in its place: what the server refused, or is to be tried again. */
  replace(one: Waiting, by: Waiting): void {
    const was = this.held.find((h) => h.one === one);
    if (!was) return;
    const key = was.key.then(async (k) => {
      if (k !== undefined) await this.tablet.putWaiting(k, this.rig, by);
      return k;
    });
    this.held = this.held.map((h) => (h === was ? { one: by, key } : h));
  }
}
