import { CATALOG, TOLVANE } from '@plain-cleat/demo';
import type { Finding, FindingCode } from '@plain-cleat/core/checks/findings';
import type { HullModel } from '@plain-cleat/core/boat/hull';
import { type Brief, type Plan, USUAL_BRIEF } from '@plain-cleat/core/rig';
import { tell } from '@plain-cleat/core/base/units';
import { workUp, type WorkupInput } from '@plain-cleat/core/workup';
import { inputOf } from './plans';

/** How fixes are searched in specs. */
export const search = {
  units: 'metric' as const,
  budget: 300,
  newId: () => '00000000-0000-4000-8000-000000000000',
  range: CATALOG.parts,
};
/** The usual brief with other answers. */
const brief = (more: Partial<Brief>): Brief => ({ ...USUAL_BRIEF, ...more });
/** A rig of these fittings. */
export const rig = (
  fittings: Plan['fittings'],
  more: Partial<Brief> = {},
  hull: HullModel = TOLVANE,
  plan: Partial<Plan> = {},
): WorkupInput => inputOf(fittings, { brief: brief(more), ...plan }, [], hull);
export const found = (input: WorkupInput, code: FindingCode): Finding | undefined =>
  workUp(input).findings.find((f) => f.code === code);
export const words = (input: WorkupInput, code: FindingCode): string => tell(found(input, code)?.says ?? [], 'metric');
