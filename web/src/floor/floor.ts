import { ChangeDetectionStrategy, Component, computed, HostListener, inject } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { MatMenuModule } from '@angular/material/menu';
import { Router, RouterLink } from '@angular/router';
import { MatButtonModule } from '@angular/material/button';
import type { FloorPlace, RigSummary } from '@plain-cleat/api';
import { FilledHull } from './filled-hull';
import { FloorStore } from '../stores/floor.store';
import { NewRig } from '../rigs/new-rig';
import { promiseOf, type Promise_ } from '../rigs/promise';
import { SessionStore } from '../stores/session.store';
import { WhenLoaded } from '../controls/when-loaded';
import { dayWords } from '../controls/days';

const ROOMS: readonly { place: FloorPlace; name: string; says: string; wide: boolean }[] = [
  { place: 'bench 1', name: 'Bench 1', says: 'rigging bench', wide: true },
  { place: 'bench 2', name: 'Bench 2', says: 'rigging bench', wide: true },
  { place: 'curing rack', name: 'Curing rack', says: 'no load, no water', wide: false },
  { place: 'yard', name: 'Yard', says: 'hose and shallow water', wide: false },
  { place: "owner's move", name: "Owner's move", says: 'the shop waits', wide: false },
  { place: 'handed over', name: 'Handed over', says: 'first outing next', wide: false },
];

/** The shop as a plan: each hull where it lies, what comes next, what was promised. */
@Component({
  selector: 'pc-floor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FilledHull, WhenLoaded, MatMenuModule, RouterLink, MatButtonModule],
  templateUrl: './floor.html',
  styleUrl: './floor.scss',
})
export default class FloorPage {
  protected readonly store = inject(FloorStore);
  private readonly dialog = inject(MatDialog);
  private readonly router = inject(Router);
  private readonly staff = inject(SessionStore).staff;
  protected readonly rooms = computed(() => {
    const rigs = this.store.floor.value()?.rigs ?? [];
    const byPromise = (a: RigSummary, b: RigSummary): number => ((a.promised ?? '9') < (b.promised ?? '9') ? -1 : 1);
    return ROOMS.map((room) => ({ ...room, rigs: rigs.filter((r) => r.place === room.place).sort(byPromise) }));
  });
  protected readonly places = ROOMS.map(({ place, name }) => ({ place, name }));
  protected readonly open = computed(() =>
    (this.store.floor.value()?.rigs ?? [])
      .filter((r) => r.place !== 'handed over')
      .sort((a, b) => ((a.promised ?? '9') < (b.promised ?? '9') ? -1 : 1)),
  );
  protected readonly late = computed(() => this.open().filter((r) => this.promise(r).late).length);
  protected readonly mayOpen = computed(() => this.staff()?.role !== 'rigger');

  constructor() {
    this.store.floor.load();
  }

  /** Others work on too: back at this screen, the floor is looked over again. */
  @HostListener('window:focus')
  protected again(): void {
    this.store.floor.load();
  }

  protected promise = (rig: RigSummary): Promise_ => promiseOf(rig.promised, this.store.floor.value()?.today ?? '');
  protected day = (iso: string): string => dayWords(iso, 'EEEE d MMMM');

  protected newRig(): void {
    this.dialog
      .open<NewRig, void, string>(NewRig, { width: '620px', autoFocus: 'first-tabbable' })
      .afterClosed()
      .subscribe((id) => id && void this.router.navigate(['/rigs', id, 'brief']));
  }

  protected move(rig: RigSummary, place: FloorPlace): void {
    this.store.move(rig.id, place).subscribe(() => this.store.floor.load());
  }
}
