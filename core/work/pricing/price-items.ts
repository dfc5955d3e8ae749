import type { Catalog, Consumable } from '../../parts/catalog';
import { wireId } from '../../electric/circuits';
import type { ShopSettings } from '../../parts/shop';
import type { Fitted } from '../../holding/fitted';
import type { LaborItem } from '../labor';
import { cordId, cordWords, TETHER, tethersOf, type Cord, type LedLine } from '../../lines';
import type { Mounted } from '../../holding/mounting';
import type { GuardKind, Plan } from '../../rig';
import { MM_PER_FOOT, printMoney, roundCents, type Rounding, roundTo, type UnitSystem } from '../../base/units';
import { terminalsOf, type Wiring } from '../../electric/wiring';

/** A line of the ledger: an item, or material that follows from the plan. */
export interface PriceItem {
  readonly key: string;
  readonly fitting: string | null;
  readonly name: string;
  readonly french: string;
  readonly from: string;
  readonly supplier: string;
  readonly eachCents: number;
  readonly quantity: number;
  readonly unit: Consumable['unit'];
  readonly cents: number;
}

export interface Totals {
  readonly partsCents: number;
  readonly laborMinutes: number;
  /** Hours as they are charged, to the hundredth: what is shown times the rate is what is paid. */
  readonly laborHours: number;
  readonly laborCents: number;
  readonly taxCents: number;
  readonly totalCents: number;
}

/** Tax on a base, cents, rounded once half away from zero. */
export const tax = (baseCents: number, percent: number): number => roundCents((baseCents * percent) / 100);

/** Holes one quarter cartridge seals (common practice, no source). */
const HOLES_A_QUARTER = 10;

function itemLine({ placed }: Fitted): PriceItem {
  const { part, fitting, id } = placed;
  const shop = fitting.suppliedBy === 'shop';
  // What is made here costs what it is made of; the hands are in the labor.
  const eachCents = shop || (fitting.suppliedBy === 'home-made' && part.made) ? part.sold.priceCents : 0;
  return {
    key: id,
    fitting: id,
    name: part.name,
    french: part.french,
    from: fitting.suppliedBy,
    supplier: shop ? part.sold.supplier : '',
    eachCents,
    quantity: 1,
    unit: 'each',
    cents: eachCents,
  };
}

/** What of wires and lines is bought by length. */
type Led = Pick<Wiring, 'runs' | 'signals' | 'guards' | 'rules'> & { readonly lines: readonly LedLine[] };

/** What the plan takes of a consumable, and what it is called where the stores have none. */
interface Taken {
  readonly quantity: number;
  readonly from: string;
  readonly called: string;
  readonly unit: Consumable['unit'];
}

/** Consumables by id with how much of each the plan takes, in the order of the work. */
function materials(items: readonly Fitted[], { runs, signals, guards, rules, lines }: Led): Map<string, Taken> {
  const out = new Map<string, Taken>();
  const add = (id: string, quantity: number, from: string, called = id, unit: Consumable['unit'] = 'each'): void => {
    if (quantity > 0) out.set(id, { quantity: (out.get(id)?.quantity ?? 0) + quantity, from, called, unit });
  };
  const addCord = (cord: Cord, cut: number): void =>
    add(cordId(cord), cut / 1000, 'follows the lines', `Cord, ${cordWords(cord)}, not in the stores`, 'metre');
  for (const { mounted } of items) {
    if (mounted.there) continue;
    if (mounted.fastener) add(FASTENER[mounted.hold], mounted.count, 'follow the holes');
    if (mounted.plate) add('backing-plate', 1, 'follow the holes');
  }
  const holes = items.reduce((sum, i) => sum + i.holes.length, 0);
  add('sealant', Math.ceil(holes / HOLES_A_QUARTER) / 4, 'follows the holes');
  // What lies as it lay keeps its ends and its protection.
  const pulled = runs.filter((r) => !r.there);
  for (const run of pulled) {
    if (run.awg && !run.given)
      add(
        wireId(run.awg, rules.series),
        (run.conductors * run.cut) / 1000,
        'follows the runs',
        `Wire, ${run.gauge}, not in the stores`,
        'metre',
      );
    add('terminal', terminalsOf(run.ends), 'follow the runs');
    add('heat-shrink', run.ends.length, 'follows the runs');
  }
  for (const { material, family, cut } of signals)
    if (material !== null) add(material, 1, 'follow the runs', `Signal cable, ${family}, ${cut} mm, not in the stores`);
  for (const { rating, kind, cable, fitting, way } of guards)
    if (rating !== null && pulled.some((r) => (cable === null ? r.from === fitting && r.way === way : r.id === cable)))
      add(cable === null ? 'fuse' : HOLDER[kind], 1, 'follow the runs');
  for (const { cord, cut, old } of lines) if (!old) addCord(cord, cut);
  for (const { cut } of tethersOf(items)) addCord(TETHER, cut);
  return out;
}

/** What a protection in a cable is bought as; one in a box is a bare fuse. */
const HOLDER: Readonly<Record<GuardKind, string>> = {
  'blade fuse': 'fuse-holder',
  breaker: 'breaker',
  'strip fuse': 'strip-fuse',
  'class T fuse': 'class-t-fuse',
};

const FASTENER: Readonly<Record<Mounted['hold'], string>> = {
  loose: 'strap',
  strap: 'strap',
  clamp: 'clamp',
  track: 'tbolt',
  insert: 'insert-screw',
  scupper: 'strap',
  glue: 'glue-pad',
  screw: 'screw',
  rivet: 'rivet',
  'well nut': 'well-nut',
  through: 'bolt-set',
  'pulled plate': 'bolt-set',
  stud: 'stud-set',
  'cable tie': 'cable-tie',
  'hook and loop': 'hook-loop-pad',
  magnet: 'strap',
};

/** Wishes that no part answers, at the price the owner named: they count from the first. */
const wishLines = (wishes: Plan['wishes']): PriceItem[] =>
  Object.entries(wishes).flatMap(([id, { text, part, count = 1, cents = 0 }]): PriceItem[] =>
    part !== null || cents === 0
      ? []
      : [
          {
            ...{ key: `wish.${id}`, fitting: null, name: text, french: text, from: 'wished for', supplier: '' },
            ...{ eachCents: cents, quantity: count, unit: 'each', cents: cents * count },
          },
        ],
  );

/** The whole ledger: items bow to stern, wishes with a price of their own, then material. */
export function priceLines(
  items: readonly Fitted[],
  wiring: Led,
  catalog: Pick<Catalog, 'consumables'> & Partial<Pick<Plan, 'wishes'>>,
): PriceItem[] {
  // What came with the boat is nobody's to buy.
  const lines = items.filter((i) => !i.placed.fitting.aboard).map(itemLine);
  lines.push(...wishLines(catalog.wishes ?? {}));
  for (const [id, { quantity: taken, from, called, unit: usual }] of materials(items, wiring)) {
    const c = catalog.consumables.find((one) => one.id === id);
    const unit = c?.unit ?? usual;
    // Charged by the length that is shown: to the hundredth, up as it is cut.
    const quantity = unit === 'metre' ? roundTo(taken * 100, 'up') / 100 : taken;
    lines.push({
      key: id,
      fitting: null,
      name: c?.name ?? called,
      french: c?.french ?? called,
      from,
      supplier: c?.supplier ?? '',
      eachCents: c?.priceCents ?? 0,
      quantity,
      unit,
      cents: roundCents((c?.priceCents ?? 0) * quantity),
    });
  }
  return lines;
}

const FEET_A_METRE = 1000 / MM_PER_FOOT;

/** A line in one unit system as plain figures that multiply to its cost: for spreadsheets. */
export interface LineFigures {
  /** What one costs, in the currency: with two places, four or more by the foot. */
  readonly each: string;
  readonly quantity: string;
  readonly unit: Consumable['unit'] | 'foot';
}

/** Price and length by the foot, with as few places more as it takes for what is shown to multiply to the cost. */
function byTheFoot({ eachCents, quantity, cents }: PriceItem): LineFigures {
  const [price, feet] = [eachCents / 100 / FEET_A_METRE, quantity * FEET_A_METRE];
  const written = (more: number, how: Rounding): LineFigures => {
    const to = (value: number, places: number): string => (roundTo(value * 10 ** places, how) / 10 ** places).toFixed(places);
    return { each: to(price, 4 + Math.ceil(more / 2)), quantity: to(feet, 2 + Math.floor(more / 2)), unit: 'foot' };
  };
  const multiply = (f: LineFigures): boolean => roundCents(Number(f.each) * Number(f.quantity) * 100) === cents;
  for (let more = 0; more <= 6; more++)
    for (const how of ['nearest', 'up'] as const) if (multiply(written(more, how))) return written(more, how);
  return written(0, 'nearest');
}

/**
 * How a line is figured in one unit system: what one costs and how many, so that what is shown multiplies to its cost,
 * rounded once.
 */
export function lineFigures(line: PriceItem, units: UnitSystem): LineFigures {
  const { eachCents, quantity, unit } = line;
  if (unit === 'metre' && units === 'imperial') return byTheFoot(line);
  const places = unit === 'metre' || !Number.isInteger(quantity) ? 2 : 0;
  return { each: (eachCents / 100).toFixed(2), quantity: quantity.toFixed(places), unit };
}

/** How a line is written in one unit system, on screen and on paper alike. */
export function lineInWords(line: PriceItem, units: UnitSystem): { readonly each: string; readonly quantity: string } {
  const { each, quantity, unit } = lineFigures(line, units);
  if (unit === 'foot') return { each: `${each} / ft`, quantity: `${quantity} ft` };
  const money = line.eachCents ? printMoney(line.eachCents) : '–';
  return unit === 'metre' ? { each: `${money} / m`, quantity: `${quantity} m` } : { each: money, quantity };
}

/** Sums of the ledger; tax by total, rounded once. */
export function totals(lines: readonly PriceItem[], labor: readonly LaborItem[], shop: ShopSettings): Totals {
  const partsCents = lines.reduce((sum, l) => sum + l.cents, 0);
  const laborMinutes = labor.reduce((sum, l) => sum + l.minutes, 0);
  const laborHours = Math.round((laborMinutes / 60) * 100) / 100;
  const laborCents = roundCents(laborHours * shop.labor.centsPerHour);
  const taxCents = tax(partsCents + (shop.taxOnLabor ? laborCents : 0), shop.taxPercent);
  return { partsCents, laborMinutes, laborHours, laborCents, taxCents, totalCents: partsCents + laborCents + taxCents };
}
