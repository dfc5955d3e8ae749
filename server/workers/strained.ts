import { serve } from './serve';

const asleep = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

/** Work that strains its process, for the pool's spec. */
const STRAINS = {
  add: (a: number, b: number): number => a + b,
  burn: (): never => {
    for (;;) Math.sqrt(2);
  },
  sleep: (ms: number): Promise<void> => asleep(ms),
  hoard: (): number => {
    const all: number[][] = [];
    for (;;) all.push(Array.from({ length: 100_000 }, (_, i) => i * Math.PI));
  },
  /** Memory beside the heap. */
  hoardBeside: (): number => {
    const all: Buffer[] = [];
    for (let i = 0; i < 100; i++) all.push(Buffer.alloc(50_000_000, i + 1));
    return all.length;
  },
  vanish: (): boolean => process.kill(process.pid, 'SIGKILL'),
};
export type Strains = typeof STRAINS;

serve(STRAINS);
