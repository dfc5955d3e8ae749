import { Memory } from './memory';

/** One stage as it is run: what it reads of the input and of the stages before it, and what it makes of that. */
interface Stage {
  readonly name: string;
  readonly reads: (w: never) => object;
  readonly make: (reads: never, memory: Memory) => unknown;
}

/**
 * A row of stages from an input to results. Each is a pure function of what it reads; it is worked out when its
 * result is first read, and looked up in the memory while all it reads is identical.
 *
 * @example
 * const row = rowOf<{ a: number }>()
 *   .stage('double', ({ a }) => ({ a }), ({ a }) => 2 * a)
 *   .stage('more', ({ double }) => ({ double }), ({ double }) => double + 1);
 * row.run({ a: 4 }).more; // 9
 */
export class Row<In extends object, Out extends object> {
  constructor(private readonly stages: readonly Stage[]) {}

  /** The row with one stage more. */
  stage<Name extends string, Reads extends object, Made>(
    name: Exclude<Name, keyof In | keyof Out>,
    reads: (w: Readonly<In & Out>) => Reads,
    make: (reads: Reads, memory: Memory) => Made,
  ): Row<In, Out & Readonly<Record<Name, Made>>> {
    return new Row([...this.stages, { name, reads, make }]);
  }

  /** The names of its stages, in their order. */
  get names(): readonly string[] {
    return this.stages.map((s) => s.name);
  }

  /** The results, each worked out when it is read. */
  run(input: In, memory = new Memory()): Out {
    const out = {} as Out;
    const seen = Object.create(out, Object.getOwnPropertyDescriptors(input)) as In & Out;
    for (const { name, reads, make } of this.stages) {
      let made: { readonly value: unknown } | undefined;
      const get = (): unknown => {
        if (!made) {
          const read = reads(seen as never);
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

/** A row that has no stage yet. */
export const rowOf = <In extends object>(): Row<In, {}> => new Row([]);
