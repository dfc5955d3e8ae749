import { type OnPaper } from './paper';

/** A line to lay the sheet by, or to see by. */
export interface TemplateStroke {
  readonly kind: 'tape line' | 'centre line' | 'along' | 'gunwale edge' | 'down' | 'axis' | 'base';
  readonly points: readonly OnPaper[];
  /** Its figure: what the tape reads there, how far off the centre line, how far down, mm. */
  readonly at: number;
}
