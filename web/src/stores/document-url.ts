import type { UnitSystem } from '@plain-cleat/core';

/** Where a document of a rig is fetched, in the units of the moment and on the paper that goes with them. */
export function documentUrl(rig: string, name: string, units: UnitSystem, language: 'en' | 'fr' = 'en'): string {
  const paper = units === 'metric' ? 'A4' : 'LETTER';
  return `/api/rigs/${rig}/${name}?units=${units}&paper=${paper}&language=${language}`;
}
