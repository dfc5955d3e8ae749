/**
 * So many of what takes long: all with LONG=yes, as `bin/test long` has it.
 * @param here so many at every run; a quarter when left out
 */
export const runs = (all: number, here = Math.ceil(all / 4)): number => (process.env.LONG ? all : here);
