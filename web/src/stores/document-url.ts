import type { UnitSystem } from '@plain-cleat/core/base/units';

/** Where a document of a rig is fetched, in the units of the moment and, if not said, on the paper that goes with them. */
export function documentUrl(rig: string, name: string, units: UnitSystem, more: Readonly<Record<string, string>> = {}): string {
  const paper = units === 'metric' ? 'A4' : 'LETTER';
  return `/api/rigs/${rig}/${name}?${new URLSearchParams({ units, paper, language: 'en', ...more })}`;
}
