import { readFileSync } from 'node:fs';
import { CALCULATIONS } from '@plain-cleat/core/proposals/calculations';
import { catalogSchema } from '@plain-cleat/core/parts/catalog';
import { shopSettingsSchema } from '@plain-cleat/core/parts/shop';
import { hullModelSchema } from '@plain-cleat/core/boat/hull';
import { faultsOf, readRigFile, type Fact } from '@plain-cleat/core/rig';
import { SOURCES } from '@plain-cleat/core/base/units';
import { workUpAll, type WorkupInput } from '@plain-cleat/core/workup';
import { z } from 'zod';

/** Says what is wrong on stderr, by field, and ends with code 2. */
class BadInput extends Error {}

function readJson(path: string | 0): unknown {
  let text: string;
  try {
    text = readFileSync(path, 'utf8');
  } catch {
    throw new BadInput(`${path === 0 ? 'standard input' : path}: cannot be read; name a file that exists`);
  }
  try {
    return JSON.parse(text);
  } catch {
    throw new BadInput(`${path === 0 ? 'standard input' : path}: not JSON`);
  }
}

function checked<S extends z.ZodType>(schema: S, value: unknown, name: string): z.infer<S> {
  const parsed = schema.safeParse(value);
  if (parsed.success) return parsed.data;
  throw new BadInput(
    faultsOf(parsed.error)
      .map((f) => `${name}${f.field === '(whole)' ? '' : `.${f.field}`}: ${f.says}`)
      .join('\n'),
  );
}

// A reader that has seen enough, such as head, is no error.
process.stdout.on('error', () => process.exit(0));

const print = (value: unknown): void =>
  console.log(
    JSON.stringify(value, (_, v: unknown) => (v instanceof Map ? Object.fromEntries(v) : v instanceof Set ? [...v] : v), 2),
  );

function workup(args: readonly string[]): void {
  const [path, ...rest] = args;
  if (!path) throw new BadInput('usage: bin/calc workup FILE [--hull F] [--catalog F] [--shop F] [--as-of DATE]');
  const text = JSON.stringify(readJson(path));
  const read = readRigFile(text);
  if (!read.ok) throw new BadInput(read.faults.map((f) => `${f.field}: ${f.says}`).join('\n'));
  const { file } = read;
  let input: WorkupInput = {
    plan: file.plan,
    hull: file.hull,
    facts: file.ledger as Fact[],
    catalog: file,
    shop: file.shop,
    asOf: file.plan.opened,
  };
  for (let i = 0; i < rest.length; i += 2) {
    const [flag, value] = [rest[i], rest[i + 1]];
    if (value === undefined) throw new BadInput(`${flag}: give it a value`);
    if (flag === '--hull') input = { ...input, hull: checked(hullModelSchema, readJson(value), 'hull') };
    else if (flag === '--catalog') input = { ...input, catalog: checked(catalogSchema, readJson(value), 'catalog') };
    else if (flag === '--shop') input = { ...input, shop: checked(shopSettingsSchema, readJson(value), 'shop') };
    else if (flag === '--as-of')
      input = { ...input, asOf: checked(z.iso.date('write the date as 2026-06-12'), value, '--as-of') };
    else throw new BadInput(`${flag}: not a flag of workup`);
  }
  const { surface, ...stages } = workUpAll(input);
  print({ hull: { length: surface.length, beam: surface.beam }, ...stages, sources: SOURCES });
}

function main([command, ...args]: readonly string[]): void {
  if (command === 'workup') return workup(args);
  if (command === 'list')
    return print(
      [...CALCULATIONS.values()].map((c) => ({
        name: c.calculation,
        says: c.says,
        input: z.toJSONSchema(c.input, { io: 'input' }),
        sources: c.sources,
      })),
    );
  const found = CALCULATIONS.get(command ?? '');
  if (!found)
    throw new BadInput(
      `${command ?? '(nothing)'}: no such calculation. Known: workup, list, ${[...CALCULATIONS.keys()].join(', ')}`,
    );
  const input = checked(found.input, readJson(0), 'input');
  print({ result: found.run(input), sources: found.sources });
}

try {
  main(process.argv.slice(2));
} catch (error) {
  if (!(error instanceof BadInput || error instanceof RangeError)) throw error;
  console.error(error.message);
  process.exitCode = 2;
}
