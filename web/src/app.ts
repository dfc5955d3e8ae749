import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { SessionStore } from './stores/session.store';
import { currentUrl } from './stores/current-url';
import { UnitsStore } from './stores/units.store';

/** The shell: shop-level places, units, who is signed in. Owners see none of it. */
@Component({
  selector: 'pc-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterOutlet, RouterLink, RouterLinkActive],
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
        <span class="who">{{ session.staff()?.name }}</span>
        <button type="button" (click)="leave()">Sign out</button>
      </header>
    }
    @if (session.outdated()) {
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
  private readonly router = inject(Router);
  private readonly url = currentUrl();
  protected readonly bar = computed(
    () => this.session.staff() !== null && !this.url().startsWith('/owner/') && !this.url().startsWith('/sign-in'),
  );

  protected reload = (): void => location.reload();

  protected leave(): void {
    this.session.signOut().subscribe(() => void this.router.navigateByUrl('/sign-in'));
  }
}
