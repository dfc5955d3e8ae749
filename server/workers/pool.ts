import { cpus } from 'node:os';
import { fileURLToPath } from 'node:url';
import workerpool from 'workerpool';
import { busy, HttpProblem } from '../problems/problem';
import { limitsEnv } from './limits';

/** What a process of a pool answers: what was asked for, or what is wrong with what came. */
export type Answered<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problem: Pick<HttpProblem, 'status' | 'title' | 'says' | 'more'> };

/** Runs work in a pool's process and turns a refusal into an answer; anything else ends as the process's own fault. */
export async function answered<T>(work: () => T | Promise<T>): Promise<Answered<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (error) {
    if (!(error instanceof HttpProblem)) throw error;
    const { status, title, says, more } = error;
    return { ok: false, problem: { status, title, says, more } };
  }
}

interface Bounds {
  readonly script: URL;
  /** Processes at once. */
  readonly most: number;
  /** What may wait for one; whoever comes later is told to come again. */
  readonly waiting: number;
  /** Heap of one process, MB; of memory of all kinds it may have twice that and some more. */
  readonly memory: number;
  /** Processor time for one piece of work, seconds; then its process is ended by the operating system. */
  readonly seconds: number;
  /** By the clock it may take this long, seconds: only what sleeps or is kept waiting does. */
  readonly patience?: number;
  /** Flags of the processes. */
  readonly flags?: readonly string[];
  /** What is said of work that took more memory or processor time than it may. */
  readonly lost: () => HttpProblem;
}

/** By the clock a piece of work may take so long, waiting for its turn too, seconds. */
const PATIENCE = 180;
/** What a process needs besides twice its heap, MB. */
const BESIDES = 768;

/**
 * How the work itself ended its process: it used up its processor time, its memory, or broke what read it. Any other end
 * came from outside, and says nothing of the work.
 */
const ITS_OWN_END = /signalCode: `SIG(?:XCPU|ABRT|SEGV|BUS|ILL)`|exitCode: `134`|allocation failed/i;

/**
 * Processes of their own for what may take long or go wrong: few at once, each with little memory and little time,
 * so that whatever happens there ends that one and not the server.
 */
export class ProcessPool {
  private pool?: workerpool.Pool;

  constructor(private readonly bounds: Bounds) {}

  /**
   * Has one piece of work done.
   * @throws HttpProblem what the work refused; that it took too much; or 503 when too much waits, or it never came to it
   */
  async run<T>(method: string, ...args: readonly unknown[]): Promise<T> {
    const { lost, patience = PATIENCE } = this.bounds;
    let answer: Answered<T>;
    try {
      answer = (await this.open()
        .exec(method, [...args])
        .timeout(patience * 1000)) as Answered<T>;
    } catch (error) {
      const { name, message } = error as Error;
      if (/Max queue size/.test(message)) throw busy('much is being read and printed; try again in a moment');
      if (ITS_OWN_END.test(message)) throw lost();
      if (name === 'TimeoutError' || /terminated/i.test(message))
        throw busy('the machine has much to do and did not come to it; try again in a moment');
      throw error;
    }
    if (answer.ok) return answer.value;
    const { status, title, says, more } = answer.problem;
    throw new HttpProblem(status, title, says, more);
  }

  private open(): workerpool.Pool {
    const { script, most, waiting, memory, seconds, flags = ['--enable-source-maps'] } = this.bounds;
    return (this.pool ??= workerpool.pool(fileURLToPath(script), {
      workerType: 'process',
      maxWorkers: most,
      maxQueueSize: waiting,
      // What a parser complains of on its way is read, and nobody's news.
      emitStdStreams: true,
      forkOpts: {
        execArgv: [...flags, `--max-old-space-size=${memory}`],
        serialization: 'advanced',
        env: { NODE_ENV: process.env.NODE_ENV, PATH: process.env.PATH, ...limitsEnv({ seconds, data: 2 * memory + BESIDES }) },
      },
    }));
  }

  /** Ends its processes. */
  async close(): Promise<void> {
    await this.pool?.terminate(true);
    this.pool = undefined;
  }
}

/** Half the processors, one at least: the rest is for answering. */
export const HALF = Math.max(1, Math.floor(cpus().length / 2));
