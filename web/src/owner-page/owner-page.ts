import type { HttpErrorResponse } from '@angular/common/http';
import { MatExpansionModule } from '@angular/material/expansion';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal, linkedSignal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type OwnerPage } from '@plain-cleat/api';
import { HOLE_WORDS, hookName } from '@plain-cleat/core/work/handover';
import { printLength } from '@plain-cleat/core/base/units';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { switchMap } from 'rxjs';
import { asLoaded, type Loaded, LOADING } from '../stores/loaded';
import { OwnerStore } from '../stores/owner.store';
import { enGB, fr } from 'date-fns/locale';
import { dayWords } from '../controls/days';

const WORDS = {
  en: {
    ...HOLE_WORDS.en,
    title: 'Your boat, bow to stern',
    other: 'en français',
    launch: (n: number) => `At the water: ${n} minutes`,
    controls: 'Which control, which hand',
    contents: 'What is in what',
    holes: 'Holes',
    none: 'No holes.',
    cameWith: (n: number) => `${n} that came with the boat.`,
    from: 'from',
    signed: 'Signed for',
    empty: 'Nothing is aboard yet.',
    drawing: 'The boat from above, bow up',
    bow: 'BOW',
    port: 'P',
    starboard: 'S',
    waiting: 'Fetching your boat',
    shut: 'This page does not open',
    ended: 'This link does not hold any more: ask the shop for a new one.',
    silent: 'Nothing answers: try again once there is a network.',
    safety: 'Wear a life jacket, always. Try getting back on in shallow water.',
  },
  fr: {
    ...HOLE_WORDS.fr,
    title: 'Votre bateau, de la proue à la poupe',
    other: 'in English',
    launch: (n: number) => `Au bord de l’eau : ${n} minutes`,
    controls: 'Quelle commande, quelle main',
    contents: 'Ce qui est rangé où',
    holes: 'Trous',
    none: 'Aucun trou.',
    cameWith: (n: number) => `${n} venus avec le bateau.`,
    from: 'depuis',
    signed: 'Signé le',
    empty: 'Rien à bord pour le moment.',
    drawing: 'Le bateau vu de dessus, proue en haut',
    bow: 'PROUE',
    port: 'B',
    starboard: 'T',
    waiting: 'Votre bateau arrive',
    shut: 'Cette page ne s’ouvre pas',
    ended: 'Ce lien n’est plus valable : demandez-en un nouveau au magasin.',
    silent: 'Rien ne répond : réessayez quand il y aura du réseau.',
    safety: 'Portez toujours un gilet. Essayez de remonter à bord en eau peu profonde.',
  },
} as const;

/** Whether a link is over, or the server is silent. */
const endedOrSilent = (error: unknown): 'ended' | 'silent' => {
  const { status } = error as HttpErrorResponse;
  return status === 404 || status === 410 ? 'ended' : 'silent';
};

/** The owner's page, by link: the boat standing on its stern, each stop at its place. */
@Component({
  selector: 'pc-owner-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatExpansionModule],
  template: `
    @if (page(); as p) {
      <header>
        <h1>{{ t().title }}</h1>
        <p class="muted">{{ p.hull }} · {{ p.title }} · {{ p.shop.name }}, {{ p.shop.place }}</p>
        <button mat-button class="link" type="button" (click)="language.set(language() === 'en' ? 'fr' : 'en')">
          {{ t().other }}
        </button>
      </header>
      <div class="both">
        <svg viewBox="0 0 110 600" role="img" [attr.aria-label]="t().drawing">
          <text x="55" y="14" text-anchor="middle">{{ t().bow }}</text>
          <path class="body" [attr.d]="side(-1) + 'L' + side(1, true)" />
          <path class="port" [attr.d]="side(-1)" />
          <path class="starboard" [attr.d]="side(1)" />
          <text x="2" y="120" class="side p">{{ t().port }}</text>
          <text x="98" y="120" class="side s">{{ t().starboard }}</text>
          @for (s of p.stops; track s.fitting) {
            <g
              [attr.transform]="'translate(' + across(s.y) + ' ' + down(s.x) + ')'"
              [class.on]="s.fitting === open()"
              (click)="open.set(s.fitting)"
            >
              <circle r="11" />
              <text text-anchor="middle" y="5">{{ s.letter }}</text>
            </g>
          }
        </svg>
        <ol>
          @for (s of p.stops; track s.fitting) {
            <li [class.on]="s.fitting === open()">
              <button
                mat-button
                class="across"
                type="button"
                [attr.aria-expanded]="s.fitting === open()"
                (click)="open.set(s.fitting === open() ? '' : s.fitting)"
              >
                <span class="mark" [class.here]="s.fitting === open()">{{ s.letter }}</span><span class="grow">{{
                  s.name[language()]
                }}</span>
              </button>
              @if (s.fitting === open()) {
                <p>{{ s.use[language()] }}</p>
                <p class="muted">{{ s.road[language()] }}</p>
                <p class="muted">{{ s.care[language()] }}</p>
                <p class="small">
                  {{ s.holes.length || s.cameWith ? t().holes + ': ' : t().none
                  }}{{ s.cameWith ? t().cameWith(s.cameWith) + ' ' : '' }}
                  @for (h of s.holes; track h.label; let last = $last) {
                    <span
                      >{{ h.label }} {{ print(h.reading, h.from) }}{{ t().states[h.state] ? ', ' + t().states[h.state] : ''
                      }}{{ last ? '.' : '; ' }}</span
                    >
                  }
                </p>
              }
            </li>
          } @empty {
            <li class="muted">{{ t().empty }}</li>
          }
        </ol>
      </div>
      @if (p.launch.length) {
        <mat-expansion-panel>
          <mat-expansion-panel-header
            ><mat-panel-title>{{ t().launch(p.launchMinutes) }}</mat-panel-title></mat-expansion-panel-header
          >
          <ol>
            @for (s of p.launch; track $index) {
              <li>
                <b>{{ s.letter }}, {{ s.name[language()] }}</b
                >{{ s.says[language()] ? ': ' + s.says[language()] : '' }}
              </li>
            }
          </ol>
        </mat-expansion-panel>
      }
      @if (p.controls.length) {
        <mat-expansion-panel>
          <mat-expansion-panel-header
            ><mat-panel-title>{{ t().controls }}</mat-panel-title></mat-expansion-panel-header
          >
          <ul>
            @for (c of p.controls; track $index) {
              <li>
                <b>{{ c.letter }}</b> {{ c.does[language()] }}: {{ c.hands[language()] }}
              </li>
            }
          </ul>
        </mat-expansion-panel>
      }
      @if (p.contents.length) {
        <mat-expansion-panel>
          <mat-expansion-panel-header
            ><mat-panel-title>{{ t().contents }}</mat-panel-title></mat-expansion-panel-header
          >
          <ul>
            @for (c of p.contents; track $index) {
              <li>
                <b>{{ c.letter ? c.letter + ', ' : '' }}{{ c.name[language()] }}</b
                >: {{ c.things.join(', ') }}
              </li>
            }
          </ul>
        </mat-expansion-panel>
      }
      @if (p.older.length) {
        <mat-expansion-panel>
          <mat-expansion-panel-header
            ><mat-panel-title>{{ t().older }} ({{ p.older.length }})</mat-panel-title></mat-expansion-panel-header
          >
          <ul class="small">
            @for (o of p.older; track $index) {
              <li>{{ o.label }} {{ print(o.reading, o.from) }}, {{ o.plugged ? t().plugged + ' ' + o.plugged : t().open }}</li>
            }
          </ul>
        </mat-expansion-panel>
      }
      @if (p.signedOn) {
        <p class="box">{{ t().signed }} {{ signedOn() }}</p>
      }
      <p class="box look">{{ t().safety }}</p>
    } @else {
      <div class="waiting-page" role="status">
        @if (fault(); as f) {
          <h1>{{ t().shut }}</h1>
          <p>{{ t()[f] }}</p>
        } @else {
          <p>{{ t().waiting }}</p>
        }
      </div>
    }
  `,
  styles: `
    :host {
      padding: 18px;
      max-width: 560px;
      margin: 0 auto;
      gap: 14px;
      width: 100%;
    }
    .both {
      display: grid;
      grid-template-columns: 110px 1fr;
      gap: 18px;
    }
    svg {
      width: 110px;
    }
    circle {
      fill: var(--card);
      stroke: var(--tide);
      stroke-width: 2;
    }
    .on circle {
      fill: var(--tape);
      stroke: var(--look);
    }
    text {
      font-size: 13px;
      font-weight: 600;
    }
    g {
      cursor: pointer;
    }
    li {
      border-bottom: 1px solid var(--line);
      padding: 4px 0;
    }
    li.on {
      background: color-mix(in srgb, var(--tape) 30%, transparent);
    }
    li p {
      padding: 2px 6px 6px 46px;
    }
    li button {
      min-height: 48px;
    }
  `,
})
export default class OwnerPageScreen {
  readonly token = input.required<string>();
  private readonly store = inject(OwnerStore);
  private readonly shown = toSignal(
    toObservable(this.token).pipe(switchMap((token) => this.store.page(token).pipe(asLoaded(endedOrSilent)))),
    { initialValue: LOADING as Loaded<OwnerPage> },
  );
  protected readonly page = computed(() => this.shown().value);
  protected readonly fault = computed(() => {
    const shown = this.shown();
    return shown.is !== 'failed' ? null : shown.says === 'ended' ? ('ended' as const) : ('silent' as const);
  });
  protected readonly open = linkedSignal(() => this.page()?.stops[0]?.fitting ?? '');
  protected readonly language = signal<'en' | 'fr'>(navigator.language.startsWith('fr') ? 'fr' : 'en');
  protected readonly t = computed(() => WORDS[this.language()]);

  protected readonly signedOn = computed(() =>
    dayWords(this.page()?.signedOn ?? '', 'd MMMM yyyy', this.language() === 'fr' ? fr : enGB),
  );

  protected print = (mm: number, from: string): string =>
    `${printLength(mm, this.page()?.units ?? 'imperial')} ${this.t().from} ${hookName(from, this.language())}`;
  private readonly k = computed(() => 560 / (this.page()?.length ?? 1));
  protected down = (x: number): number => 22 + x * this.k();
  /** Seen from above with the bow up, starboard lies to the right. */
  protected across = (y: number): number =>
    55 + y * Math.min(this.k(), 48 / Math.max(1, ...(this.page()?.outline ?? []).map(([, b]) => b)));
  protected side(sign: 1 | -1, back = false): string {
    const points = (this.page()?.outline ?? []).map(([x, b]) => `${this.across(sign * b)} ${this.down(x)}`);
    return back ? points.reverse().join('L') : `M${points.join('L')}`;
  }
}
