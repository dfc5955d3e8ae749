import type { Consumable, Stock } from '../../parts/catalog';
import type { Fitted } from '../../holding/fitted';
import { wireId } from '../../electric/circuits';
import { cordId, TETHER, tethersOf, type Cord, type LedLine } from '../../lines';
import type { Ledger } from '../../rig';
import { conductorsOf, labelled, type Wiring } from '../../electric/wiring';
import type { WantedBar } from './cut-list';

/** What a reel holds when the stores do not say: a hundred feet of wire, six hundred of cord (common practice, no source), mm. */
const REEL = { wire: 30_480, cord: 182_880 } as const;

/** What is led along a boat and comes off reels. */
export interface OffReels {
  readonly wiring: Pick<Wiring, 'runs' | 'rules'>;
  readonly lines: readonly LedLine[];
  readonly owned: readonly Fitted[];
  /** What was pulled, led or tied on was cut for it. */
  readonly ledger: Pick<Ledger, 'steps'>;
}

/**
 * Wires, lines and tethers that are to be cut for a rig, each off a reel of its own kind and, of wire, colour. The id names cable,
 * kind and length: what was cut and then wanted otherwise is wanted anew.
 * @param rig how the shop calls the rig
 */
export function reelCuts(rig: string, { wiring, lines, owned, ledger }: OffReels): WantedBar[] {
  const wires = labelled(wiring.runs, owned).flatMap(({ run, label }): WantedBar[] => {
    const { awg, cut } = run;
    if (awg === null || run.given || ledger.steps.has(`pull.${run.id}`)) return [];
    return conductorsOf(run).map(({ colour }) => ({
      ...{
        id: `${rig}.${run.id}.${awg}.${colour}.${cut}`,
        rig,
        stock: `${wireId(awg, wiring.rules.series)}-${colour.replace(' ', '-')}`,
      },
      ...{ says: `${rig} ${label}, ${colour}`, length: cut },
    }));
  });
  const cord = (of: string, says: string, what: Cord, length: number): WantedBar => ({
    ...{ id: `${rig}.${of}.${cordId(what)}.${length}`, rig, stock: cordId(what), says: `${rig} ${says}`, length },
  });
  return [
    ...wires,
    ...lines.flatMap(({ id, line, cord: what, cut, old }) =>
      old || ledger.steps.has(`lead.${id}`) ? [] : [cord(id, line.use, what, cut)],
    ),
    ...tethersOf(owned).flatMap(({ fitting, letter, cut }) =>
      ledger.steps.has(`fit.${fitting}`) || ledger.steps.has(`fasten.${fitting}`)
        ? []
        : [cord(fitting, `${letter}, tether`, TETHER, cut)],
    ),
  ];
}

/** The reels that some lengths come off: as the stores have them, else of the usual length at what a metre costs. */
export function reelsFor(
  wanted: readonly Pick<WantedBar, 'stock'>[],
  { stocks = [], consumables }: { readonly stocks?: readonly Stock[]; readonly consumables: readonly Consumable[] },
): Stock[] {
  return [...new Set(wanted.map((w) => w.stock))].map((id): Stock => {
    const [, of = id, colour = ''] = /^(wire-\d+(?:-5)?(?:mm2)?)-([a-z]+(?:-[a-z]+)?)$/.exec(id) ?? [];
    const known = stocks.find((s) => s.kind === 'reel' && s.id === of);
    const sold = consumables.find((c) => c.id === of);
    const name = `${known?.name ?? sold?.name ?? of}${colour ? `, ${colour.replace('-', ' ')}` : ''}`;
    const length = known?.length ?? (id.startsWith('cord-') ? REEL.cord : REEL.wire);
    const priceCents = known?.priceCents ?? Math.round(((sold?.priceCents ?? 0) * length) / 1000);
    return { id, name, kind: 'reel', length, width: 0, thickness: 0, priceCents };
  });
}
