import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { fromEvent, merge } from 'rxjs';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Courier } from './stores/courier';
import { NewerBuild } from './stores/newer-build';
import { SessionStore } from './stores/session.store';
import { Tablet } from './stores/tablet';
import { Swap } from './sign-in/swap';
import { currentUrl } from './stores/current-url';
import { UnitsStore } from './stores/units.store';

/** The shell: shop-level places, units, who is signed in. Owners see none of it. */
@Component({
  selector: 'pc-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterOutlet, RouterLink, RouterLinkActive, Swap],
  template: `
    @if (bar()) {
      <header class="bar">
        <a class="name" routerLink="/floor">Plain Cleat</a>
        <nav aria-label="Shop">
          <a routerLink="/floor" routerLinkActive="here">Floor</a>
          <a routerLink="/rigs" routerLinkActive="here">Rigs</a>
          <a routerLink="/hulls" routerLinkActive="here">Hulls</a>
          <a routerLink="/assemblies" routerLinkActive="here">Assemblies</a>
          <a routerLink="/cuts" routerLinkActive="here">Cuts</a>
          <a routerLink="/shop" routerLinkActive="here">Shop</a>
        </nav>
        <span class="grow"></span>
        <button type="button" (click)="units.toggle()" [attr.aria-label]="'Units: ' + units.label() + '. Change'">
          {{ units.label() }}
        </button>
        @if (session.alone()) {
          <span class="away" role="status">no network</span>
        }
        <button type="button" class="who" (click)="swapping.set(true)" title="Another rigger takes over">
          {{ session.staff()?.name }}
        </button>
        <button type="button" (click)="leave()">Sign out</button>
      </header>
    }
    @if (swapping()) {
      @defer {
        <pc-swap (closed)="swapping.set(false)" />
      }
    }
    @if (tablet.trouble()) {
      <p class="box stop" role="alert">{{ tablet.trouble() }}</p>
    }
    @if (bar() && session.signedInAs() && session.signedInAs() !== session.staff()?.name) {
      <p class="box look" role="status">
        The network is back. {{ session.staff()?.name }}: your PIN, and you are signed in again.
        <button class="link" type="button" (click)="swapping.set(true)">Type it</button>
      </p>
    }
    @if (session.outdated() || build.ready()) {
      <p class="box look" role="alert">
        A newer Plain Cleat is here. Reload this page; what is not sent yet is kept.
        <button class="link" type="button" (click)="reload()">Reload</button>
      </p>
    }
    <main><router-outlet /></main>
  `,
})
export class App {
  protected readonly session = inject(SessionStore);
  protected readonly units = inject(UnitsStore);
  protected readonly build = inject(NewerBuild);
  protected readonly tablet = inject(Tablet);
  private readonly courier = inject(Courier);
  protected readonly swapping = signal(false);
  private readonly router = inject(Router);
  private readonly url = currentUrl();
  protected readonly bar = computed(
    () => this.session.staff() !== null && !this.url().startsWith('/owner/') && !this.url().startsWith('/sign-in'),
  );

  constructor() {
    // What other rigs left unsent goes out when somebody is here and the server can be heard.
    const online = fromEvent(window, 'online');
    online.pipe(takeUntilDestroyed()).subscribe(() => void this.session.renew().catch(() => undefined));
    merge(this.session.signedIn$, online)
      .pipe(takeUntilDestroyed())
      .subscribe(() => void this.courier.sweep());
  }

  protected reload = (): void => location.reload();

  protected leave(): void {
    this.session.signOut().subscribe(() => void this.router.navigateByUrl('/sign-in'));
  }
}
