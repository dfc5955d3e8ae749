import type { LoggedChange } from '@plain-cleat/api';
import { undoStacks } from './undo';

const change = (id: string, undoes: string | null = null, kind = 'nameRig'): LoggedChange =>
  ({ id, version: 1, undoes, inverse: { id, kind, from: 'a', to: 'b' } }) as unknown as LoggedChange;
const ids = (list: readonly LoggedChange[]): string[] => list.map((c) => c.id);

describe('undo and redo', () => {
  it('fold from my own changes, across reloads', () => {
    const { undo, redo } = undoStacks([change('a'), change('b'), change('u1', 'b')]);
    expect(ids(undo)).toEqual(['a']);
    expect(ids(redo)).toEqual(['u1']);
  });

  it('a redo puts the change back to be undone', () => {
    const { undo, redo } = undoStacks([change('a'), change('b'), change('u1', 'b'), change('r1', 'u1')]);
    expect(ids(undo)).toEqual(['a', 'r1']);
    expect(ids(redo)).toEqual([]);
  });

  it('a new change forgets what could be redone', () => {
    expect(undoStacks([change('a'), change('u', 'a'), change('b')]).redo).toEqual([]);
  });

  it('goes back no further than frozen letters', () => {
    expect(ids(undoStacks([change('a'), change('f', null, 'freezeLetters'), change('b')]).undo)).toEqual(['b']);
  });
});
