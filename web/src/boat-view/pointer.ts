import { pointer } from 'd3-selection';

/** An event of a mouse, a finger or a pen. */
type Pointed = MouseEvent | Touch;

/**
 * Where a pointer is, in the units of the drawing it is over: whatever the drawing is scaled, moved or zoomed by. Every screen
 * that turns a pointer into millimetres begins here.
 *
 * @param over what its units are asked of; the element the event is handled at, when left out
 */
export function pointIn(event: Pointed, over: Element = (event as MouseEvent).currentTarget as Element): [number, number] {
  return pointer(event, over);
}
