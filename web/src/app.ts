import { ChangeDetectionStrategy, Component, computed, inject, Injector } from '@angular/core';
import { Line } from './stores/connection';
import { Icons } from './controls/icons';
import { MatTooltipModule } from '@angular/material/tooltip';
import { BreakpointObserver } from '@angular/cdk/layout';
import { NgTemplateOutlet } from '@angular/common';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { MatMenuModule } from '@angular/material/menu';
import { catchError, concatMap, EMPTY, exhaustMap, filter, from, fromEvent, map, merge, switchMap } from 'rxjs';
import { MatDialog } from '@angular/material/dialog';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { MatButtonModule } from '@angular/material/button';
import { MatTabsModule } from '@angular/material/tabs';
import { NewerBuild } from './stores/newer-build';
import { PreferencesStore } from './stores/preferences.store';
import { SessionStore } from './stores/session.store';
import { Tablet } from './stores/tablet';
import { currentUrl } from './stores/current-url';
import { UnitsStore } from './stores/units.store';

/** The shell: shop-level places, units, who is signed in. Owners see none of it. */
@Component({
  selector: 'pc-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    RouterOutlet,
    RouterLink,
    RouterLinkActive,
    NgTemplateOutlet,
    MatButtonModule,
    MatMenuModule,
    MatTooltipModule,
    MatTabsModule,
    Icons,
  ],
  template: `
    @if (bar()) {
      <header class="bar" [class.slim]="small() && url().startsWith('/rigs/')">
        @if (small()) {
          <button mat-icon-button type="button" aria-label="Menu" [matMenuTriggerFor]="all"><mat-icon svgIcon="menu" /></button>
          <a class="name" routerLink="/floor">Plain Cleat</a>
          <span class="grow"></span>
          <ng-container [ngTemplateOutlet]="away" />
          <mat-menu #all="matMenu">
            @for (place of places; track place.path) {
              <a mat-menu-item [routerLink]="place.path">{{ place.name }}</a>
            }
            <button mat-menu-item type="button" (click)="units.toggle()">Units: {{ units.label() }}</button>
            <button mat-menu-item type="button" (click)="prefer()">Preferences</button>
            <button mat-menu-item type="button" (click)="switchUser()">Switch user: {{ session.staff()?.name }}</button>
            <button mat-menu-item type="button" (click)="leave()">Sign out</button>
          </mat-menu>
        } @else {
          <a class="name" routerLink="/floor">Plain Cleat</a>
          <nav mat-tab-nav-bar aria-label="Shop" [mat-stretch-tabs]="false" [tabPanel]="page">
            @for (place of places; track place.path) {
              <a mat-tab-link routerLinkActive #here="routerLinkActive" [routerLink]="place.path" [active]="here.isActive">{{
                place.name
              }}</a>
            }
          </nav>
          <span class="grow"></span>
          <button
            mat-button
            type="button"
            matTooltip="Change units"
            [attr.aria-label]="'Units: ' + units.label() + '. Change'"
            (click)="units.toggle()"
          >
            {{ units.label() }}
          </button>
          <ng-container [ngTemplateOutlet]="away" />
          <button mat-icon-button type="button" matTooltip="Preferences" aria-label="Preferences" (click)="prefer()">
            <mat-icon svgIcon="tune" />
          </button>
          <button mat-button type="button" class="who" matTooltip="Switch user" (click)="switchUser()">
            <mat-icon svgIcon="person" />{{ session.staff()?.name }}
          </button>
          <button mat-button type="button" class="out" matTooltip="Sign out" aria-label="Sign out" (click)="leave()">
            <mat-icon svgIcon="logout" /><span>Sign out</span>
          </button>
        }
      </header>
    }
    <ng-template #away>
      @if (session.alone()) {
        <span class="away" role="status">no network</span>
      } @else if (!line.answers()) {
        <span class="away" role="status">working on, not sent yet</span>
      }
    </ng-template>
    @if (tablet.trouble()) {
      <p class="box stop" role="alert">{{ tablet.trouble() }}</p>
    }
    @if (bar() && session.signedInAs() && session.signedInAs() !== session.staff()?.name) {
      <p class="box look" role="status">
        The network is back. {{ session.staff()?.name }}: your PIN, and you are signed in again.
        <button mat-button class="link" type="button" (click)="switchUser()">Type it</button>
      </p>
    }
    @if (session.outdated() || build.ready()) {
      <p class="box look" role="alert">
        A newer Plain Cleat is here. Reload this page; what is not sent yet is kept.
        <button mat-button class="link" type="button" (click)="reload()">Reload</button>
      </p>
    }
    <main>
      <mat-tab-nav-panel #page [attr.role]="bar() ? 'tabpanel' : null"><router-outlet /></mat-tab-nav-panel>
    </main>
  `,
})
export class App {
  protected readonly session = inject(SessionStore);
  protected readonly units = inject(UnitsStore);
  protected readonly build = inject(NewerBuild);
  protected readonly line = inject(Line);
  protected readonly tablet = inject(Tablet);
  private readonly injector = inject(Injector);
  private readonly dialog = inject(MatDialog);
  private readonly router = inject(Router);
  protected readonly url = currentUrl();
  /** A very small page, or one seen twice as large: the shop's places and the rest of the bar are a menu. */
  protected readonly small = toSignal(
    inject(BreakpointObserver)
      .observe('(max-width: 720px)')
      .pipe(map((page) => page.matches)),
    {
      initialValue: false,
    },
  );
  protected readonly places = [
    { path: '/floor', name: 'Floor' },
    { path: '/rigs', name: 'Rigs' },
    { path: '/hulls', name: 'Hulls' },
    { path: '/assemblies', name: 'Assemblies' },
    { path: '/cuts', name: 'Cuts' },
    { path: '/shop', name: 'Shop' },
  ];
  protected readonly bar = computed(
    () => this.session.staff() !== null && !this.url().startsWith('/owner/') && !this.url().startsWith('/sign-in'),
  );

  constructor() {
    const preferences = inject(PreferencesStore);
    this.session.signedIn$.pipe(takeUntilDestroyed()).subscribe(({ session }) => preferences.take(session.preferences));
    // What cannot be sent now holds here until the next sign-in.
    preferences.said$
      .pipe(
        filter(() => this.session.staff() !== null),
        concatMap((said) => this.session.prefer(said).pipe(catchError(() => EMPTY))),
        takeUntilDestroyed(),
      )
      .subscribe();
    // What other rigs left unsent goes out when somebody is here and the server can be heard.
    const online = fromEvent(window, 'online');
    online
      .pipe(
        switchMap(() => this.session.renew().pipe(catchError(() => EMPTY))),
        takeUntilDestroyed(),
      )
      .subscribe();
    merge(this.session.signedIn$, online)
      .pipe(
        exhaustMap(() => from(import('./stores/courier')).pipe(switchMap(({ Courier }) => this.injector.get(Courier).sweep()))),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  /** Another takes over: asked for only then, so that signing in stays small. */
  protected switchUser(): void {
    from(import('./sign-in/switch-user')).subscribe(({ SwitchUser }) =>
      this.dialog.open(SwitchUser, { width: '680px', maxWidth: '94vw' }),
    );
  }

  protected prefer(): void {
    from(import('./sign-in/preferences')).subscribe(({ PreferencesDialog }) =>
      this.dialog.open(PreferencesDialog, { width: '560px', maxWidth: '94vw' }),
    );
  }

  protected reload = (): void => location.reload();

  protected leave(): void {
    this.session.signOut().subscribe(() => void this.router.navigateByUrl('/sign-in'));
  }
}
