/** Where a table value comes from, shown to the user in one tap. */
export interface Source {
  readonly title: string;
  /** True when the value was written down from memory of the source and not copied from it. */
  readonly fromMemory: boolean;
}

const memory = (title: string): Source => ({ title, fromMemory: true });

export const SOURCES = {
  awg: memory('ASTM B258, wire diameters'),
  e11: memory('ABYC E-11, voltage drop, ampacity, overcurrent protection'),
  iso10133: memory('ISO 10133, voltage drop (replaced by ISO 13297)'),
  iso13297: memory('ISO 13297, voltage drop, ampacity, protection'),
  iso273: memory('ISO 273, clearance holes'),
  inchClearance: memory("Clearance drill chart, as in Machinery's Handbook"),
  iso7089: memory('ISO 7089 and 7093, washers'),
  asmeNuts: memory('ASME B18.2.2, B18.6.3 and B18.16.6, nuts'),
  asmeWashers: memory('ASME B18.22.1, washers'),
  stressAreas: memory('ISO 898-1 and ASME B1.1, stress areas'),
  ifi114: memory('IFI-114, break mandrel blind rivets'),
  plastics: memory('Plastics and laminate handbooks, ranges of materials as built into small boats'),
  iso4032: memory('ISO 4032, ISO 7040 and DIN 985, nuts'),
  iso261: memory('ISO 261 and ASME B1.1, threads'),
  machineDesign: memory('Machine-design texts, bolt groups'),
  plates: memory('Timoshenko and Woinowsky-Krieger, thin plates'),
  bodies: memory('Drillis & Contini 1966, in Winter, Biomechanics'),
  practice: { title: 'Common practice, no source', fromMemory: false },
  shop: { title: 'Shop setting', fromMemory: false },
  closedForm: { title: 'Geometry, closed form or numerical integration', fromMemory: false },
  sp811: memory('NIST SP 811, unit conversions'),
} as const satisfies Record<string, Source>;
