import { assemblySchema, type Assembly, type Fitting } from '@plain-cleat/core/rig';

const loose = (part: string, place: Fitting['place']): Fitting => ({
  part,
  place,
  lift: 0,
  mount: { hold: 'loose', plate: false, reason: '' },
  suppliedBy: 'shop',
  note: '',
});
const base: Fitting['place'] = { on: 'deck', x: 0, y: 0, heading: 0 };
const on = (fitting: string, u: number, v = 0): Fitting['place'] => ({ on: 'fitting', fitting, u, v, heading: 0 });

/** What Alder Slip has built at its own bench and places again and again. */
export const ASSEMBLIES: readonly Assembly[] = [
  {
    id: 'crate-two-tubes',
    name: 'Crate with two tubes behind',
    version: 1,
    base: 'crate',
    fittings: { crate: loose('crate-open', base), tubes: loose('rod-tubes-crate-2', on('crate', 258)) },
  },
  {
    id: 'screen-pod',
    name: 'Lift-out pod, 5 in screen',
    version: 1,
    base: 'pod',
    fittings: {
      pod: loose('pod', base),
      arm: loose('arm-25-short', on('pod', -100)),
      screen: loose('head-screen-5', on('arm', 0)),
      battery: loose('battery-18', on('pod', 80)),
    },
  },
].map((a) => assemblySchema.parse(a));
