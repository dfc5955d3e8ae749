import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { ACTIVITY_WORDS, handsOf, type Grip, type HandsIn } from '@plain-cleat/core/holding/hands';
import { HAND_NAMES, type Hand } from '@plain-cleat/core/parts/parts';
import { capital } from '@plain-cleat/core/base/units';
import type { RigState } from '../stores/rig.store';

/** Who has what in which hand, activity by activity, and what each control is for. */
@Component({
  selector: 'pc-hands',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    <h2>Hands</h2>
    @for (row of rows(); track row.key) {
      <section>
        <h3>{{ row.says }}</h3>
        <div class="two">
          @for (hand of row.hands; track hand.name) {
            <div class="hand" [class.port]="hand.name === 'left'" [class.star]="hand.name === 'right'">
              <span class="small muted">{{ hand.name }} hand</span>
              @if (hand.has) {
                <span>{{ hand.has }}</span>
              }
              @for (g of hand.grips; track g.id) {
                <button mat-button type="button" class="link" [class.look]="g.trouble" (click)="picked.emit(g.id)">
                  {{ g.letter }} {{ g.name }}{{ g.held ? '' : ', touched' }}{{ g.trouble ? ' (to settle)' : '' }}
                </button>
              }
              @if (!hand.has && !hand.grips.length) {
                <span class="muted">free</span>
              }
            </div>
          }
        </div>
      </section>
    } @empty {
      <p class="muted">Nothing in the brief asks for hands yet: say what moves the boat, and whether they cast or film.</p>
    }
    @if (legend().length) {
      <h3>What each is for</h3>
      <ul>
        @for (c of legend(); track c.fitting) {
          <li>{{ c.letter }}, {{ c.does }}</li>
        }
      </ul>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 8px;
    }
    .hand {
      display: flex;
      flex-direction: column;
      align-items: flex-start;
      padding: 6px 8px;
      background: var(--card);
    }
    .hand button {
      text-align: start;
      white-space: normal;
      height: auto;
      padding: 4px 0;
    }
    .port {
      border-left: 4px solid var(--port);
    }
    .star {
      border-left: 6px double var(--starboard);
    }
    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px;
    }
    h3 {
      margin: 8px 0 2px;
    }
    ul {
      margin: 0;
      padding-left: 18px;
    }
  `,
})
export class Hands {
  readonly state = input.required<RigState>();
  readonly picked = output<string>();

  private readonly hands = computed(() => {
    const { plan, workup, doc } = this.state();
    const { seats, aboard } = workup;
    const { paddlers: people, brief } = seats.shown;
    return plan.brief.forgotten
      ? { activities: [], legend: [] }
      : handsOf({ people, brief, items: aboard.items, clear: doc.shop.stroke.hand });
  });
  protected readonly legend = computed(() => this.hands().legend);
  protected readonly rows = computed(() => {
    const { activities } = this.hands();
    const two = activities.some((a) => a.person === 'second');
    return activities.map((a) => ({
      key: `${a.activity} ${a.person}`,
      says: `${capital(ACTIVITY_WORDS[a.activity])}${two ? `, ${a.person} paddler` : ''}`,
      hands: HAND_NAMES.map((name) => ({ name, has: a.busy[name]?.what ?? '', grips: gripsOf(a, name) })),
    }));
  });
}

function gripsOf(
  { grips }: HandsIn,
  hand: Hand,
): { id: string; letter: string; name: string; held: boolean; trouble: boolean }[] {
  const told = ({ control: { item }, held, trouble }: Grip) => ({
    id: item.placed.id,
    letter: item.letter,
    name: item.placed.part.name,
    held,
    trouble: trouble !== null,
  });
  return grips.filter((g) => g.hand === hand).map(told);
}
