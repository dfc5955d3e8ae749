import type { NewFact } from '@plain-cleat/core';
import { Outbox, type Waiting } from './outbox';

const fact = (id: string): Waiting => ({
  what: 'fact',
  fact: { id, kind: 'stepDone', rig: 'p', deviceTime: '2026-06-01T10:00:00Z', step: 's' } as NewFact,
});

class Memory implements Pick<Storage, 'getItem' | 'setItem' | 'removeItem'> {
  readonly kept = new Map<string, string>();
  getItem = (k: string): string | null => this.kept.get(k) ?? null;
  setItem = (k: string, v: string): void => void this.kept.set(k, v);
  removeItem = (k: string): void => void this.kept.delete(k);
}

describe('the outbox', () => {
  it('keeps what was not sent in order, across a reload', () => {
    const memory = new Memory();
    const box = new Outbox('rig', memory);
    box.add(fact('1'));
    box.add(fact('2'));
    const after = new Outbox('rig', memory);
    expect(after.all().length).toBe(2);
    const first = after.first();
    if (first) after.drop(first);
    expect(new Outbox('rig', memory).first()).toEqual(fact('2'));
  });

  it('leaves nothing behind when all is sent, and mixes no rigs', () => {
    const memory = new Memory();
    const box = new Outbox('rig', memory);
    box.add(fact('1'));
    expect(new Outbox('other', memory).all()).toEqual([]);
    const first = box.first();
    if (first) box.drop(first);
    expect(memory.kept.size).toBe(0);
  });

  it('starts empty over a broken store', () => {
    const memory = new Memory();
    memory.setItem('plain-cleat.unsent.rig', '{broken');
    expect(new Outbox('rig', memory).all()).toEqual([]);
  });
});
