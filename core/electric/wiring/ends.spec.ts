import type { Power } from '../circuits';
import { endsOf, studWords, terminalsOf } from './ends';

type Input = Parameters<typeof endsOf>[0];

const PARTS: Record<string, Power> = {
  small: { battery: { ampHours: 20, volts: 12.8, chemistry: 'lithium' } },
  large: { battery: { ampHours: 100, volts: 12.8, chemistry: 'lithium' } },
  stated: { battery: { ampHours: 100, volts: 12.8, chemistry: 'lithium' }, stud: 10 },
  box: { passes: { amps: 30, ways: 6, fused: true } },
  switch: { passes: { amps: 200, ways: 1 } },
  screen: { draw: { amps: 2, volts: 12, of: 'electronics' } },
  posted: { draw: { amps: 40, volts: 12, of: 'motor' }, stud: 8 },
  plugged: { draw: { amps: 2, volts: 12, of: 'electronics' }, plug: { family: 'round', amps: 5 } },
};

const ends = (from: string, to: string, more: Partial<Input['run']> = {}, guards: Input['guards'] = []) =>
  endsOf({
    run: { from, to, way: null, has: 'both', colour: 'orange', awg: 16, given: null, there: false, ...more },
    powerOf: (fitting) => PARTS[fitting],
    guards,
    series: 'AWG',
  });

const told = (of: ReturnType<typeof ends>): string[] =>
  of.map((e) => [e.colour, e.terminal, ...(e.stud ? [studWords(e.stud, 'metric')] : []), e.die].join(' '));

describe('ends of a cable', () => {
  it('are two for each conductor: rings at posts, a joint at the load', () => {
    expect(told(ends('small', 'screen'))).toEqual([
      ...['orange ring M6 red', 'orange butt joint red', 'black ring M6 red', 'black butt joint red'],
    ]);
  });

  it('ring sizes go by the battery, or what its maker states', () => {
    expect(ends('large', 'screen')[0]?.stud).toBe(8);
    expect(ends('stated', 'screen')[0]?.stud).toBe(10);
    // A load whose maker states its posts is not joined but put on them.
    expect(told(ends('large', 'posted', { awg: 6 }))[1]).toBe('orange ring M8 6 AWG lug');
  });

  it('are two more for what stands in the conductor that goes out, and for that one alone', () => {
    const breaker = ends('large', 'box', { awg: 6 }, [{ fitting: 'large', kind: 'breaker' }]);
    expect(told(breaker)).toEqual([
      ...['orange ring M8 6 AWG lug', 'orange ring M6 6 AWG lug', 'orange ring M6 6 AWG lug', 'orange ring M5 6 AWG lug'],
      ...['black ring M8 6 AWG lug', 'black ring M5 6 AWG lug'],
    ]);
    expect(breaker.flatMap((e) => (e.at.is === 'guard' ? e.at.side : []))).toEqual(['in', 'out']);
    // A blade's holder has tails, which are joined.
    expect(ends('small', 'screen', {}, [{ fitting: 'small', kind: 'blade fuse' }]).map((e) => e.terminal)).toEqual([
      'ring',
      'butt joint',
      'butt joint',
      'butt joint',
      'ring',
      'butt joint',
    ]);
    // One at each end, of a cable that charges.
    const both = [
      { fitting: 'large', kind: 'class T fuse' },
      { fitting: 'small', kind: 'strip fuse' },
    ] as const;
    expect(ends('large', 'small', { awg: 4 }, both).length).toBe(8);
  });

  it('are ferrules under a box’s screws while the wire is thin, rings when it is not; its main studs by what it carries', () => {
    expect(told(ends('box', 'screen', { way: 3 }))[0]).toBe('orange ferrule red');
    expect(told(ends('box', 'screen', { way: 3, awg: 8 }))[0]).toBe('orange ring M4 8 AWG lug');
    expect(ends('large', 'switch', { awg: 2 })[1]?.stud).toBe(10);
    // A switch hands on over a stud like the one it is fed by.
    expect(ends('switch', 'screen', { way: 1, awg: 2 })[0]?.stud).toBe(10);
  });

  it('are none of what lies as it lay, or has no gauge, and none at a part that brings its cable', () => {
    expect(ends('small', 'screen', { there: true })).toEqual([]);
    expect(ends('small', 'screen', { awg: null })).toEqual([]);
    expect(ends('small', 'screen', { given: 'with its part' }).map((e) => e.at)).toEqual([
      { is: 'pole', fitting: 'small', pole: '+' },
      { is: 'pole', fitting: 'small', pole: '−' },
    ]);
  });

  it('no terminal is bought for the contacts of a plug', () => {
    const plugged = ends('small', 'plugged');
    expect(plugged.map((e) => e.terminal)).toEqual(['ring', 'plug contact', 'ring', 'plug contact']);
    expect(terminalsOf(plugged)).toBe(2);
  });

  it('of batteries in a row: one conductor from plus to the next minus', () => {
    expect(ends('large', 'large', { has: 'series', awg: 2 }).map((e) => (e.at.is === 'pole' ? e.at.pole : ''))).toEqual([
      '+',
      '−',
    ]);
  });

  it('dies by the colours terminals are sold in (common practice, no source)', () => {
    expect(([18, 16, 14, 12, 10, 8, 2] as const).map((awg) => ends('small', 'screen', { awg })[0]?.die)).toEqual([
      ...['red', 'red', 'blue', 'yellow', 'yellow', '8 AWG lug', '2 AWG lug'],
    ]);
  });

  it('studs are called as they are sold in either system', () => {
    expect(([4, 5, 6, 8, 10] as const).map((s) => studWords(s, 'imperial'))).toEqual([
      '#8',
      '#10',
      '1/4 in',
      '5/16 in',
      '3/8 in',
    ]);
  });
});
