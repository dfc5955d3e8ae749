import { keysSorted } from './keys-sorted';
import { z } from 'zod';
import { consumableSchema, type Catalog } from '../parts/catalog';
import { partKey, type PartRef, partSchema, revisionOf, type Part } from '../parts/parts';
import { shopSettingsSchema } from '../parts/shop';
import { hullFaults, hullModelSchema, placeFault, type HullModel, type Place } from '../boat/hull';
import { savedFactSchema, type Fact } from './fact';
import { holdsTogether } from './apply';
import { ownParts, partRef, partsOf, planSchema, type Plan } from './plan';
import type { ShopSettings } from '../parts/shop';
import { upcastFile } from './upcast';

/** The open file format: one rig with all it needs to be worked up anywhere. */
export const rigFileSchema = z.strictObject({
  format: z.literal('plain-cleat/rig'),
  version: z.literal(15),
  owner: z.strictObject({ name: z.string().min(1).max(120) }),
  plan: planSchema,
  hull: hullModelSchema,
  ledger: z.array(savedFactSchema).max(5000),
  parts: z.array(partSchema).max(2000),
  consumables: z.array(consumableSchema).max(500),
  shop: shopSettingsSchema,
});
export interface RigFile extends z.infer<typeof rigFileSchema> {
  parts: Part[];
}

/** What is wrong with a file, by field, in words that say what would be right. */
export interface FileFault {
  readonly field: string;
  readonly says: string;
}

const COUNTED: Readonly<Record<string, string>> = { string: ' characters', array: ' entries' };

/** An issue in plain words; a schema's own words stay as they are. */
function inWords(issue: z.core.$ZodIssue): string {
  if (issue.code === 'too_big' && issue.message.startsWith('Too big'))
    return `${issue.inclusive === false ? 'less than' : 'at most'} ${issue.maximum}${COUNTED[issue.origin] ?? ''}`;
  if (issue.code === 'too_small' && issue.message.startsWith('Too small'))
    return `${issue.inclusive === false ? 'more than' : 'at least'} ${issue.minimum}${COUNTED[issue.origin] ?? ''}`;
  return issue.message;
}

/** What somebody else wrote, short enough to be read. */
const short = (text: string, most: number): string => (text.length > most ? `${text.slice(0, most)}…` : text);

/** Turns Zod's issues into faults that name the field. */
export function faultsOf(error: z.ZodError): FileFault[] {
  return error.issues.slice(0, 20).map((issue) => ({
    field: short(issue.path.map(String).join('.') || '(whole)', 120),
    says: short(inWords(issue), 200),
  }));
}

export type ReadFile =
  { readonly ok: true; readonly file: RigFile } | { readonly ok: false; readonly faults: readonly FileFault[] };

/**
 * Reads a rig file's JSON text. Checks its shape and that its parts hold together.
 * @param text at most 4 MB; a longer text is refused unread
 */
export function readRigFile(text: string): ReadFile {
  const refuse = (field: string, says: string): ReadFile => ({ ok: false, faults: [{ field, says }] });
  if (text.length > 4_000_000) return refuse('(whole)', 'the file is over 4 MB; a rig file is under 1 MB');
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return refuse('(whole)', 'not JSON: choose a file that was exported as a rig file');
  }
  const parsed = rigFileSchema.safeParse(upcastFile(json));
  if (!parsed.success) return { ok: false, faults: faultsOf(parsed.error) };
  const faults = crossFaults(parsed.data);
  return faults.length ? { ok: false, faults } : { ok: true, file: parsed.data };
}

function crossFaults(file: RigFile): FileFault[] {
  const faults: FileFault[] = [];
  const fault = (field: string, says: string): void => void faults.push({ field, says });
  const { hull, plan: p } = file;
  if (hull.id !== p.pins.hull.id || hull.revision !== p.pins.hull.revision)
    fault('hull', `the plan was made on ${p.pins.hull.id} revision ${p.pins.hull.revision}; the file must carry that hull`);
  for (const f of hullFaults(hull)) fault(`hull.${f.field}`, f.says);
  const parts = new Set([...file.parts, ...ownParts(p)].map(partKey));
  if (parts.size !== file.parts.length + Object.keys(p.own).length) fault('parts', 'the same part stands twice in one revision');
  for (const [id, f] of Object.entries(p.fittings)) {
    if (!parts.has(partKey(partRef(f))))
      fault(`plan.fittings.${id}.part`, `the file carries no part ${f.part} in revision ${revisionOf(f)}`);
    const places: [string, Place][] = [
      ['place', f.place],
      ...Object.entries(f.elsewhere ?? {}).map(([set, p2]): [string, Place] => [`elsewhere.${set}`, p2]),
    ];
    for (const [where, place] of places) {
      const misplaced = placeFault(hull, place);
      if (misplaced) fault(`plan.fittings.${id}.${where}.${misplaced.field}`, misplaced.says);
    }
  }
  for (const [id, r] of Object.entries(p.runs))
    for (const end of ['from', 'to'] as const)
      if (!Object.hasOwn(p.fittings, r[end])) fault(`plan.runs.${id}.${end}`, `no fitting ${r[end]} in this plan`);
  const held = holdsTogether(p);
  if (held) fault(`plan.${held.field.replaceAll('/', '.')}`, held.says);
  const rooms = new Set(hull.spaces?.map((s) => s.id));
  for (const [id, s] of Object.entries(p.stowage))
    if (s.of === undefined && !rooms.has(s.in)) fault(`plan.stowage.${id}.in`, `this hull has no room ${s.in} inside`);
  const factIds = file.ledger.map((f) => f.id);
  if (new Set(factIds).size !== factIds.length) fault('ledger', 'the same fact stands twice');
  return faults.slice(0, 20);
}

/** What a rig file is made of. */
export interface RigFileSource {
  readonly owner: string;
  readonly plan: Plan;
  readonly hull: HullModel;
  readonly facts: readonly Fact[];
  readonly catalog: Pick<Catalog, 'parts' | 'consumables'>;
  readonly shop: ShopSettings;
}

/** Collects a rig file: only parts in use are carried, in a fixed order. */
export function makeRigFile(source: RigFileSource): RigFile {
  const used = new Set(partsOf(source.plan).map(partKey));
  const wished = new Set(Object.values(source.plan.wishes).flatMap((w) => w.part ?? []));
  const aboard = new Set(partsOf(source.plan).map((p) => p.id));
  const isUsed = (p: Part): boolean => used.has(partKey(p)) || (wished.has(p.id) && !aboard.has(p.id));
  const inOrder = (a: PartRef, b: PartRef): number => (a.id < b.id ? -1 : a.id > b.id ? 1 : revisionOf(a) - revisionOf(b));
  return {
    format: 'plain-cleat/rig',
    version: 15,
    owner: { name: source.owner },
    plan: source.plan,
    hull: source.hull,
    ledger: [...source.facts],
    parts: source.catalog.parts.filter(isUsed).sort(inOrder),
    consumables: [...source.catalog.consumables].sort(inOrder),
    shop: source.shop,
  };
}

/** The file's bytes: keys sorted, so that export, import and export again agree to the byte. */
export const writeRigFile = (file: RigFile): string => `${JSON.stringify(keysSorted(file), null, 1)}\n`;
