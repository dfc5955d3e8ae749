import { mm, say } from '../units';
import type { Judgement, Raw } from './finding';

/** Holes in this hull that nothing uses and nobody plugged, from this rig or an earlier one. */
export const openHoles: Judgement = ({ oldHoles, plan }) =>
  oldHoles
    .filter((hole) => hole.plugged === null)
    .map((hole): Raw => ({
      where: hole.id,
      letter: hole.label,
      x: hole.at?.x ?? 0,
      step: 'drill',
      code: 'open-hole',
      severity: 'look',
      curable: false,
      says: say`${hole.label} stands open ${mm(hole.measured.reading)} from the ${hole.measured.datum}: nothing uses it.`,
      because: say`${hole.fact.startsWith('came.') ? `Made by ${hole.by}, ${hole.found ?? ''}` : hole.found ? `Found on the boat by ${hole.by}: ${hole.found}` : `Drilled by ${hole.by}${hole.rig === plan.id ? '' : ', for an earlier rig'}`}. Plug it and note with what, or bring a fitting back to it.`,
    }));
