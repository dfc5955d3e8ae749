/** So many tries of what takes long: a quarter of them at every run, all with LONG=yes, as `bin/test long` has it. */
export const runs = (all: number): number => (process.env.LONG ? all : Math.ceil(all / 4));
