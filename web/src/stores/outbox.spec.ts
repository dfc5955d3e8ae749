import type { NewFact } from '@plain-cleat/core';
import { Outbox, type Waiting } from './outbox';

const fact = (id: string): Waiting => ({
  what: 'fact',
  fact: { id, kind: 'stepDone', rig: 'p', deviceTime: '2026-06-01T10:00:00Z', step: 's' } as NewFact,
});

class Memory {
  readonly kept = new Map<string, string>();
  get length(): number {
    return this.kept.size;
  }
  key = (i: number): string | null => [...this.kept.keys()][i] ?? null;
  getItem = (k: string): string | null => this.kept.get(k) ?? null;
  setItem = (k: string, v: string): void => void this.kept.set(k, v);
  removeItem = (k: string): void => void this.kept.delete(k);
}

describe('the outbox', () => {
  it('keeps what was not sent in order, across a reload', () => {
    const memory = new Memory();
    const box = new Outbox('rig', memory);
    for (const id of ['3', '1', '2']) box.add(fact(id));
    const after = new Outbox('rig', memory);
    expect(after.all()).toEqual(['3', '1', '2'].map(fact));
    const first = after.first();
    if (first) after.drop(first);
    expect(new Outbox('rig', memory).first()).toEqual(fact('1'));
  });

  it('loses nothing of two tabs on one rig', () => {
    const memory = new Memory();
    const [one, other] = [new Outbox('rig', memory), new Outbox('rig', memory)];
    one.add(fact('a'));
    other.add(fact('b'));
    const sent = one.first();
    if (sent) one.drop(sent);
    expect(new Outbox('rig', memory).all()).toEqual([fact('b')]);
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

  it('passes over what is broken in the store', () => {
    const memory = new Memory();
    memory.setItem('plain-cleat.unsent.rig.1', '{broken');
    expect(new Outbox('rig', memory).all()).toEqual([]);
  });
});
