import { busy } from '../problems/problem';

/** What waits of one caller. */
type Waiting = (() => void)[];

/**
 * So many pieces of work at once, and of those that wait one of each caller by turns: whoever brings twenty is no reason
 * for somebody else's one to wait for all of them.
 */
export class FairQueue {
  /** By whose turn it is next. */
  private readonly waiting = new Map<string, Waiting>();
  private working = 0;

  /**
   * @param most works on so many at once
   * @param each caller may have so many waiting
   * @param all may wait together
   */
  constructor(
    private readonly most: number,
    private readonly each: number,
    private readonly all: number,
  ) {}

  /**
   * Does a piece of work when its turn comes.
   * @throws HttpProblem 503 when the same caller, or all of them, have too many waiting
   */
  async run<T>(whose: string, work: () => Promise<T>): Promise<T> {
    if (this.working < this.most) this.working++;
    else await this.turn(whose);
    try {
      return await work();
    } finally {
      this.next();
    }
  }

  private turn(whose: string): Promise<void> {
    const mine = this.waiting.get(whose) ?? [];
    if (mine.length >= this.each) throw busy('what you sent before is still being read; try again in a moment');
    const others = [...this.waiting.values()].reduce((sum, w) => sum + w.length, 0);
    if (others >= this.all) throw busy('much is being read; try again in a moment');
    this.waiting.set(whose, mine);
    return new Promise((resolve) => mine.push(resolve));
  }

  /** The next caller's turn; they go to the end of the row with what else they have. */
  private next(): void {
    const [first] = this.waiting;
    if (!first) return void this.working--;
    const [whose, theirs] = first;
    this.waiting.delete(whose);
    const begin = theirs.shift();
    if (theirs.length) this.waiting.set(whose, theirs);
    begin?.();
  }
}
