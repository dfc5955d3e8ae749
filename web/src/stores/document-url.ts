import { addressOf, ROUTES } from '@plain-cleat/api';
import type { UnitSystem } from '@plain-cleat/core/base/units';

/** A paper or file of a rig, by its route. */
export type Printed = {
  [Name in keyof typeof ROUTES]: (typeof ROUTES)[Name]['path'] extends `/api/rigs/:rig/${string}.${'pdf' | 'csv' | 'svg' | 'dxf'}`
    ? Name
    : never;
}[keyof typeof ROUTES];

/** Where a document of a rig is fetched, in the units of the moment and, if not said, on the paper that goes with them. */
export function documentUrl(rig: string, name: Printed, units: UnitSystem, more: Readonly<Record<string, string>> = {}): string {
  const paper = units === 'metric' ? 'A4' : 'LETTER';
  return addressOf(ROUTES[name], { rig }, { units, paper, language: 'en', ...more });
}
