import { inject, Pipe, type PipeTransform } from '@angular/core';
import { printLength, printLong, printMass, type Rounding, type Sentence, tell } from '@plain-cleat/core/base/units';
import { UnitsStore } from '../stores/units.store';

/** Sentences, lengths and masses printed in the units of the moment. */
@Pipe({ name: 'words', pure: false })
export class Words implements PipeTransform {
  private readonly units = inject(UnitsStore);
  transform = (sentence: Sentence): string => tell(sentence, this.units.system());
}

@Pipe({ name: 'length', pure: false })
export class Length implements PipeTransform {
  private readonly units = inject(UnitsStore);
  transform = (mm: number, how: Rounding = 'nearest'): string => printLength(mm, this.units.system(), how);
}

@Pipe({ name: 'cut', pure: false })
export class Cut implements PipeTransform {
  private readonly units = inject(UnitsStore);
  transform = (mm: number): string => printLong(mm, this.units.system());
}

@Pipe({ name: 'mass', pure: false })
export class Mass implements PipeTransform {
  private readonly units = inject(UnitsStore);
  transform = (kg: number): string => printMass(kg, this.units.system());
}
