import { readFileSync } from 'node:fs';
import { CATALOG, HULLS, SHOP } from '@plain-cleat/demo';
import type { Severity } from '@plain-cleat/core/checks/findings';
import { placeOf } from './corpus-places';
import { USUAL_BRIEF, type Fact, type Fitting, type Plan, type Run } from '@plain-cleat/core/rig';
import { inputOf } from './plans';
import type { WorkupInput } from '@plain-cleat/core/workup';

/** A rig as the corpus tells it. */
export interface Told {
  readonly hull?: string;
  readonly drawn?: object;
  readonly brief?: object;
  readonly shop?: object;
  readonly parts?: Readonly<Record<string, object>>;
  readonly aboard?: Readonly<Record<string, readonly [part: string, place: string | object, hold: string, more?: object]>>;
  readonly runs?: Readonly<Record<string, readonly [from: string, to: string, more?: object]>>;
  readonly facts?: readonly object[];
  readonly promised?: string;
  readonly [field: string]: unknown;
}

/** One bad rig, and the same as it should be. */
export interface BadRig extends Told {
  readonly what: string;
  readonly source: string;
  readonly must: Readonly<Record<string, Severity>>;
  readonly says?: string;
  readonly fix?: false;
  readonly inside: object;
}

/** A rig as it should be, with the codes of all that may be said of it. */
export interface OrdinaryRig extends Told {
  readonly what: string;
  readonly may: readonly string[];
}

const read = <T>(file: string): readonly T[] =>
  JSON.parse(readFileSync(new URL(`./corpus/${file}.json`, import.meta.url), 'utf8')) as T[];

export const BAD_RIGS = ['boat', 'cables', 'lines'].flatMap((file) => read<BadRig>(file));
export const ORDINARY_RIGS = read<OrdinaryRig>('ordinary');

const isPlain = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v);

/** A JSON merge patch (RFC 7396): what is null is taken away. */
export function patched(from: unknown, by: unknown): unknown {
  if (!isPlain(by)) return by;
  const out: Record<string, unknown> = isPlain(from) ? { ...from } : {};
  for (const [key, value] of Object.entries(by))
    if (value === null) delete out[key];
    else out[key] = patched(out[key], value);
  return out;
}

/** A rig of the corpus, to be worked up. */
export function rigOf(told: Told): WorkupInput {
  const base = HULLS.find((h) => h.id === (told.hull ?? 'tolvane-118'));
  if (!base) throw new Error(`no hull ${told.hull}`);
  const fittings = Object.entries(told.aboard ?? {}).map(([id, [part, place, hold, more = {}]]): [string, Fitting] => [
    id,
    {
      ...{ part, place: typeof place === 'string' ? placeOf(place) : (place as Fitting['place']), lift: 0 },
      ...{ mount: { hold: hold as Fitting['mount']['hold'], plate: false, reason: '' }, suppliedBy: 'shop', note: '' },
      ...more,
    },
  ]);
  const runs = Object.entries(told.runs ?? {}).map(([id, [from, to, more = {}]]): [string, Run] => [
    id,
    { from, to, lane: 'inside port', via: [], awg: null, ...more },
  ]);
  const { lines = {}, stowage = {}, sets = {}, scuppers = {}, features = {}, own = {}, day = null } = told;
  const plan = {
    ...{
      brief: { ...USUAL_BRIEF, ...told.brief },
      runs: Object.fromEntries(runs),
      lines,
      stowage,
      sets,
      scuppers,
      features,
      own,
      day,
    },
    ...(told.promised ? { promised: told.promised } : {}),
  } as Partial<Plan>;
  const parts = CATALOG.parts.map((p) => patched(p, told.parts?.[p.id] ?? {}) as typeof p);
  return {
    ...inputOf(Object.fromEntries(fittings), plan, (told.facts ?? []) as Fact[], patched(base, told.drawn ?? {}) as typeof base),
    catalog: { ...CATALOG, parts },
    shop: patched(SHOP, told.shop ?? {}) as typeof SHOP,
  };
}
