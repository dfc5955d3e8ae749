import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { lengthParts, printLength, type Rounding } from '@plain-cleat/core/base/units';
import { UnitsStore } from '../stores/units.store';

/** A length with its fraction stacked, in the units of the moment. */
@Component({
  selector: 'pc-figure',
  changeDetection: ChangeDetectionStrategy.OnPush,
  styles: `
    .figure {
      display: inline-flex;
      vertical-align: middle;
      align-items: center;
    }
  `,
  template: `<span class="hidden">{{ spoken() }}</span
    ><span class="figure" aria-hidden="true"
      >{{ parts().negative ? '−' : '' }}{{ showWhole() ? parts().whole : '' }}
      @if (parts().numerator) {
        <span class="frac"
          ><span>{{ parts().numerator }}</span
          ><span>{{ parts().denominator }}</span></span
        >
      }
      @if (unit()) {
        <span class="small muted">&nbsp;{{ parts().unit }}</span>
      }
    </span>`,
})
export class Figure {
  readonly mm = input.required<number>();
  readonly how = input<Rounding>('nearest');
  readonly unit = input(false);
  private readonly units = inject(UnitsStore);
  protected readonly parts = computed(() => lengthParts(this.mm(), this.units.system(), this.how()));
  protected readonly showWhole = computed(() => this.parts().whole > 0 || this.parts().numerator === 0);
  protected readonly spoken = computed(() => printLength(this.mm(), this.units.system(), this.how()));
}
