import { FITTING_VERBS } from './fitting-verbs';
import { PLAN_VERBS } from './plan-verbs';

/** Every verb. */
export const VERBS = [...FITTING_VERBS, ...PLAN_VERBS] as const;
