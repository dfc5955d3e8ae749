import { computed, type Signal } from '@angular/core';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { datums } from '@plain-cleat/core/boat/hull';
import { isInside } from '@plain-cleat/core/holding/inside';
import { strokeBand, sweptBy } from '@plain-cleat/core/layout';
import { Memory } from '@plain-cleat/core/base/stages';
import { lashingsOf } from '@plain-cleat/core/holding/ties';
import { cablesOf } from '@plain-cleat/core/electric/wiring';
import { workUp } from '@plain-cleat/core/workup';
import { cordOnBoat, wireOnBoat } from '../boat-view/lanes';
import { marksOf } from '../boat-view/marks';
import { inputOf, type RigStore } from '../stores/rig.store';

/** What of the layout is shown: the chosen fitting, the set it is compared with, whether the deck is lifted off. */
interface Shown {
  readonly item: Signal<Fitted | null>;
  readonly compare: Signal<string | null>;
  readonly lifted: Signal<boolean>;
}

/** What is drawn of the layout on the boat view. */
export class Drawn {
  constructor(
    private readonly store: RigStore,
    private readonly shown: Shown,
  ) {}

  readonly marks = computed(() => {
    const w = this.store.state()?.workup;
    return w ? marksOf(w) : [];
  });
  private readonly ghostWorkups = new Memory();
  /** The other set of a comparison, drawn faint. */
  readonly ghosts = computed(() => {
    const state = this.store.state();
    const set = this.shown.compare();
    if (!state || !set || !state.set) return [];
    const { plan, facts } = state;
    const input = { ...inputOf(state), plan, facts, set };
    const w = workUp(input, this.ghostWorkups);
    const shown = new Map(state.workup.aboard.items.map((i) => [i.placed.id, i.placed.frame.origin]));
    return marksOf(w).filter((m) => {
      const here = shown.get(m.id);
      return !here || here.x !== m.at.x || here.y !== m.at.y;
    });
  });
  /** The space swept by what turns on the chosen fitting. */
  readonly sweeps = computed(() => {
    const item = this.shown.item();
    return item ? sweptBy(item.placed).flatMap((s) => s.poses) : [];
  });
  /** Wires, lines, and the straps of what is to hand. */
  readonly runs = computed(() => {
    const w = this.store.state()?.workup;
    if (!w) return [];
    const straps = lashingsOf(w.surface, w.aboard.items, w.ledger)
      .filter((l) => isInside(l.item.placed) === this.shown.lifted())
      .map((l, i) => ({ id: `${l.item.placed.id} ${i}`, path: l.path, thick: 3, strap: true as const }));
    return [...cablesOf(w.wiring).map(wireOnBoat), ...w.lines.map(cordOnBoat), ...straps];
  });
  readonly band = computed(() => {
    const state = this.store.state();
    return state?.plan.brief.propulsion.includes('paddle') ? strokeBand(state.workup.surface, state.plan.brief) : null;
  });
  readonly hooks = computed(() => {
    const state = this.store.state();
    if (!state) return [];
    const all = datums(state.workup.surface).map((d) => ({ value: d.id, says: d.name }));
    const own = state.plan.tape.datum;
    return own.startsWith('at.') ? [...all, { value: own, says: 'a mark on the boat' }] : all;
  });
}
