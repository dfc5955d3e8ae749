import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { cautionsAt, findDatum, pickList, type PlannedHole, toleranceBudget, unsettled } from '@plain-cleat/core';
import { FindingBox } from '../findings/finding-box';
import { Figure } from '../hull-view/figure';
import { HoldButton } from '../hull-view/hold-button';
import { Strip } from '../hull-view/strip';
import { Length } from '../hull-view/words';
import { documentUrl } from '../stores/document-url';
import { RigStore } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { BeforeFirst } from './before-first';
import { HolePatch } from './hole-patch';
import { Otherwise } from './otherwise';

const RUN = { taut: 'taut', centre: 'on the centre', gunwale: 'along the gunwale' } as const;

/** Drilling: one hole at a time in huge figures, one bit at a time, held to mark, always taken back. */
@Component({
  selector: 'pc-drill',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BeforeFirst, Strip, Figure, HoldButton, HolePatch, Length, FindingBox, Otherwise],
  templateUrl: './drill.html',
  styleUrl: './drill.scss',
})
export default class Drill {
  protected readonly store = inject(RigStore);
  protected readonly units = inject(UnitsStore);
  private readonly picked = signal<string | null>(null);
  protected readonly elsewhere = signal(false);
  protected readonly holes = computed(() => this.store.state()?.workup.holes ?? []);
  /** The chosen hole, else the first still to drill. */
  protected readonly hole = computed(
    () => this.holes().find((h) => h.id === this.picked()) ?? this.holes().find((h) => this.isOpen(h)) ?? this.holes()[0] ?? null,
  );
  protected readonly place = computed(() => this.holes().findIndex((h) => h.id === this.hole()?.id));
  protected readonly rounds = computed(() => this.store.state()?.workup.rounds ?? []);
  protected readonly drilled = computed(() => this.holes().filter((h) => h.drilled && !h.openUp).length);
  protected readonly datum = computed(() => {
    const state = this.store.state();
    return state ? findDatum(state.workup.surface, state.plan.tape.datum).name.toUpperCase() : '';
  });
  protected readonly run = computed(() => RUN[this.store.state()?.plan.tape.run ?? 'taut']);
  protected readonly budget = computed(() =>
    toleranceBudget(this.store.state()?.doc.shop.drilling ?? ({ tape: 0, hull: 0, wander: 0 } as never)),
  );
  protected readonly cautions = computed(() => {
    const [state, h] = [this.store.state(), this.hole()];
    return state && h ? cautionsAt(h, state.doc.hull, state.doc.shop, state.workup.float.waterline) : [];
  });
  /** What to carry to the boat. */
  protected readonly picks = computed(() => {
    const state = this.store.state();
    return state ? pickList(state.workup.owned, state.doc.shop) : [];
  });
  protected readonly gate = computed(() => this.store.state()?.workup.gate);
  protected readonly findings = computed(() => {
    const state = this.store.state();
    return unsettled(state?.workup.findings ?? []).filter(
      (f) =>
        f.step === 'drill' &&
        (f.where === this.hole()?.fitting || f.where === 'hull' || f.where === this.hole()?.id || f.code === 'open-hole'),
    );
  });
  /** Stops of the layout: a hole is for ever, so they are said before it. */
  protected readonly unsettledStops = computed(() =>
    unsettled(this.store.state()?.workup.findings ?? []).filter((f) => f.severity === 'stop' && f.step === 'lay out'),
  );
  protected readonly last = computed(() => {
    const facts = this.store.state()?.facts ?? [];
    const back = new Set(facts.flatMap((f) => (f.kind === 'tookBack' ? [f.fact] : [])));
    const f = facts
      .filter((one) => one.kind === 'holeDrilled' && one.rig === this.store.state()?.plan.id && !back.has(one.id))
      .at(-1);
    return f?.kind === 'holeDrilled' ? f : null;
  });

  protected readonly plugFault = signal('');
  protected readonly oldHoles = computed(() => this.store.state()?.workup.oldHoles ?? []);

  protected plug(hole: string, what: string): void {
    this.plugFault.set(what.trim() ? '' : 'Plug with: say what, such as a nylon plug in sealant.');
    if (!this.plugFault()) this.store.keep({ kind: 'holePlugged', hole, with: what.trim() });
  }

  protected choose(id: string): void {
    this.picked.set(id);
    this.elsewhere.set(false);
  }

  protected step(by: 1 | -1): void {
    const next = this.holes()[this.place() + by];
    if (next) this.choose(next.id);
  }

  protected neighbour = (by: 1 | -1): PlannedHole | undefined => this.holes()[this.place() + by];

  protected mark(h: PlannedHole): void {
    if (h.drilled && !h.openUp) return;
    this.store.drilled(h);
    this.picked.set(this.holes().find((n) => this.isOpen(n) && n.id !== h.id)?.id ?? h.id);
  }

  /** Still to drill, or to open up. */
  private isOpen = (h: PlannedHole): boolean => h.abandoned === null && (!h.drilled || h.openUp);

  protected takeBack(fact: string): void {
    this.store.keep({ kind: 'tookBack', fact, why: '' });
  }

  protected time = (iso: string): string =>
    new Date(iso).toLocaleTimeString('en-GB', {
      hour: '2-digit',
      minute: '2-digit',
      timeZone: this.store.state()?.doc.shop.timeZone,
    });
  protected label = (id: string): string => this.holes().find((h) => h.id === id)?.label ?? '';
  protected isDrilled = (id: string): boolean => !!this.holes().find((h) => h.id === id)?.drilled;
  protected sheet = (): string => documentUrl(this.store.state()?.doc.id ?? '', 'drill-sheet.pdf', this.units.system());
}
