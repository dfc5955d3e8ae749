import { Memory } from './memory';

/** What stands at a path of names: `plan.fittings`. */
type At<W, Path extends string> = Path extends `${infer Head}.${infer Rest}`
  ? Head extends keyof W
    ? At<W[Head], Rest>
    : unknown
  : Path extends keyof W
    ? W[Path]
    : unknown;
type Last<Path extends string> = Path extends `${string}.${infer Rest}` ? Last<Rest> : Path;

/** What is read by paths, each under its last name. */
type Read<W, Paths extends readonly string[]> = { readonly [P in Paths[number] as Last<P>]: At<W, P> };

/** One stage as it is run: what it reads of the input and of the stages before it, and what it makes of that. */
interface Stage {
  readonly name: string;
  readonly paths: readonly (readonly string[])[];
  readonly sometimes: (w: never) => object;
  readonly make: (reads: never, memory: Memory) => unknown;
}

/**
 * A row of stages from an input to results. Each is a pure function of what it reads; it is worked out when its
 * result is first read, and looked up in the memory while all it reads is identical.
 *
 * @example
 * const row = rowOf<{ plan: { a: number } }>()
 *   .stage('double', ['plan.a'], ({ a }) => 2 * a)
 *   .stage('more', ['double'], ({ double }) => double + 1);
 * row.run({ plan: { a: 4 } }).more; // 9
 */
export class Row<In extends object, Out extends object> {
  constructor(private readonly stages: readonly Stage[]) {}

  /**
   * The row with one stage more.
   *
   * @param reads what it reads of the input and the stages before it, as paths of names; each comes under its last name
   */
  stage<Name extends string, const Reads extends readonly string[], Made>(
    name: Exclude<Name, keyof In | keyof Out>,
    reads: Reads,
    make: (reads: Read<In & Out, Reads>, memory: Memory) => Made,
  ): Row<In, Out & Readonly<Record<Name, Made>>> {
    return this.stageWith(name, reads, () => ({}), make);
  }

  /**
   * The same for a stage that reads some things only where something else is so, that they may not be worked out for nothing.
   *
   * @param sometimes what it reads besides
   */
  stageWith<Name extends string, const Reads extends readonly string[], Sometimes extends object, Made>(
    name: Exclude<Name, keyof In | keyof Out>,
    reads: Reads,
    sometimes: (w: Readonly<In & Out>) => Sometimes,
    make: (reads: Read<In & Out, Reads> & Sometimes, memory: Memory) => Made,
  ): Row<In, Out & Readonly<Record<Name, Made>>> {
    return new Row([...this.stages, { name, paths: reads.map((path) => path.split('.')), sometimes, make }]);
  }

  /** The names of its stages, in their order. */
  get names(): readonly string[] {
    return this.stages.map((s) => s.name);
  }

  /** The results, each worked out when it is read. */
  run(input: In, memory = new Memory()): Out {
    const out = {} as Out;
    const seen = Object.create(out, Object.getOwnPropertyDescriptors(input)) as In & Out;
    for (const { name, paths, make, sometimes } of this.stages) {
      let made: { readonly value: unknown } | undefined;
      const get = (): unknown => {
        if (!made) {
          const read = { ...readAt(seen, paths), ...sometimes(seen as never) };
          const value = memory.last(name, Object.values(read), () => make(read as never, memory.while(name, [])));
          made = { value };
        }
        return made.value;
      };
      Object.defineProperty(out, name, { enumerable: true, get });
    }
    return out;
  }
}

/** What stands at some paths, each under its last name. */
function readAt(from: object, paths: readonly (readonly string[])[]): Readonly<Record<string, unknown>> {
  const read: Record<string, unknown> = {};
  for (const path of paths) {
    let at: unknown = from;
    for (const name of path) at = (at as Record<string, unknown>)[name];
    read[path[path.length - 1] ?? ''] = at;
  }
  return read;
}

/** A row that has no stage yet. */
export const rowOf = <In extends object>(): Row<In, {}> => new Row([]);
