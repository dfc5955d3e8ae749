import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { writeRigFile } from '@plain-cleat/core/rig';
import { demoRigs, SHOP } from '@plain-cleat/demo';
import { readConfig } from './config';
import { scratchFolder } from './testing/scratch';

const calc = (args: string[], input = ''): { code: number | null; out: string; err: string } => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['server/dist/calc.js', ...args], {
    input,
    encoding: 'utf8',
  });
  return { code: status, out: stdout, err: stderr };
};

describe('the headless door', () => {
  const folder = scratchFolder();
  const rigPath = join(folder, 'rig.json');
  const [, survey] = demoRigs('2026-06-10');
  writeFileSync(rigPath, writeRigFile(survey?.file as never));

  it('lists every calculation with its input schema', () => {
    const { code, out } = calc(['list']);
    expect(code).toBe(0);
    const list = JSON.parse(out) as { name: string; input: { type: string } }[];
    expect(list.length).toBeGreaterThan(15);
    expect(list.every((c) => c.input.type === 'object')).toBeTrue();
  });

  it('runs one, with the sources it used', () => {
    const { code, out } = calc(['wire-size'], JSON.stringify({ amps: 10, volts: 12, roundTrip: 6096 }));
    expect(code).toBe(0);
    const { result, sources } = JSON.parse(out) as { result: { awg: number }; sources: { title: string; fromMemory: boolean }[] };
    expect(result.awg).toBe(10);
    expect(sources.some((s) => s.title.includes('E-11') && s.fromMemory)).toBeTrue();
  });

  it('works up a rig file, with another shop laid over it', () => {
    const plain = JSON.parse(calc(['workup', rigPath]).out) as {
      price: { totals: { laborCents: number } };
      drilling: { holes: unknown[] };
    };
    expect(plain.drilling.holes.length).toBe(10);
    const shopPath = join(folder, 'shop.json');
    writeFileSync(shopPath, JSON.stringify({ ...SHOP, labor: { ...SHOP.labor, centsPerHour: 2 * SHOP.labor.centsPerHour } }));
    const dear = JSON.parse(calc(['workup', rigPath, '--shop', shopPath, '--as-of', '2026-06-11']).out) as typeof plain;
    expect(Math.abs(dear.price.totals.laborCents - 2 * plain.price.totals.laborCents)).toBeLessThanOrEqual(1);
  });

  for (const [what, args, input, says] of [
    ['an unknown name', ['sink-boat'], '{}', 'sink-boat: no such calculation'],
    ['no name', [], '', 'no such calculation'],
    ['broken JSON', ['wire-size'], '{', 'standard input: not JSON'],
    ['a negative current', ['wire-size'], '{"amps":-1,"volts":12,"roundTrip":100}', 'input.amps'],
    ['a missing file', ['workup', '/nowhere/rig.json'], '', '/nowhere/rig.json: cannot be read'],
    ['a file that is no rig', ['workup', 'package.json'], '', 'format'],
    ['a flag it does not have', ['workup', rigPath, '--boat', 'x'], '', '--boat: not a flag'],
    ['a date that is none', ['workup', rigPath, '--as-of', 'soon'], '', '--as-of'],
  ] as const)
    it(`${what}: code 2, and what would be right on stderr`, () => {
      const { code, out, err } = calc([...args], input);
      expect(code).toBe(2);
      expect(out).toBe('');
      expect(err).toContain(says);
    });
});

describe('settings', () => {
  it('from the environment, with their defaults', () => {
    const usual = { PORT: 4600, HOST: '127.0.0.1', SECURE_COOKIES: 'no', TRUST_PROXY: 'no' } as const;
    expect(readConfig({ DATABASE_URL: 'mariadb://a:b@127.0.0.1:3306/c' }, true)).toEqual(jasmine.objectContaining(usual));
  });

  it('that are wrong are named', () => {
    for (const [env, name] of [
      [{}, 'DATABASE_URL'],
      [{ DATABASE_URL: 'postgres://x' }, 'DATABASE_URL'],
      [{ DATABASE_URL: 'mariadb://x', PORT: 'many' }, 'PORT'],
      [{ DATABASE_URL: 'mariadb://x', SESSION_SECRET: 'short' }, 'SESSION_SECRET'],
      [{ DATABASE_URL: 'mariadb://x' }, 'SESSION_SECRET'],
      // The demo's is known to everybody.
      [{ DATABASE_URL: 'mariadb://x', SESSION_SECRET: 'a secret for the demo only, known to all' }, 'SESSION_SECRET'],
    ] as const)
      expect(() => readConfig(env)).toThrowMatching((e: Error) => e.message.includes(name));
  });
});
