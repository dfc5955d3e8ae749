import { randomUUID } from 'node:crypto';
import type { Change } from '@plain-cleat/core/rig';
import { deck, fitted } from '@plain-cleat/testing';

export const crate = fitted('crate-open', deck(2700), 'loose');
export const place = (item: string, to = crate): Change => ({ id: randomUUID(), kind: 'placeItem', item, to });
export const slide = (item: string, from: number, to: number): Change => ({
  id: randomUUID(),
  kind: 'slideItem',
  item,
  from: { on: 'deck', x: from, y: 0, heading: 0 },
  to: { on: 'deck', x: to, y: 0, heading: 0 },
});
export const step = (name: string, rig: string | null) => ({
  id: randomUUID(),
  kind: 'stepDone' as const,
  rig,
  deviceTime: new Date().toISOString(),
  step: name,
});
