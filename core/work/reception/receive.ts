import type { Fitted } from '../../holding/fitted';
import { featuresOf, type HullModel } from '../../boat/hull';
import { markedAt, type Placed } from '../../layout';
import { entryOf, fingerprint, type Fact, type Fitting, type Ledger, type Plan, type Seen } from '../../rig';

/** What a reception follows from. */
export interface ReceptionInput extends Pick<Plan, 'features'> {
  readonly hull: HullModel;
  readonly owned: readonly Fitted[];
  /** What left the boat, or was not on it, where it stood. */
  readonly gone: readonly Placed[];
  readonly ledger: Ledger;
}

/** Something that came with the boat: a fitting, or a feature of the hull itself. */
export interface CameThing {
  readonly key: string;
  readonly name: string;
  readonly french: string;
  /** Its letter, or the number of a feature, bow to stern; empty for what stands aboard no more. */
  readonly mark: string;
  readonly x: number;
  readonly y: number;
  readonly z: number;
  /** Of the hull itself: it has no part. */
  readonly feature: boolean;
  /** It cannot be taken off here. */
  readonly stays: boolean;
  readonly from: NonNullable<Fitting['aboard']>['from'];
  readonly becomes: Fitting['becomes'];
  /** How it was seen last; null while nobody has looked. */
  readonly seen: Seen | null;
}

/** How a boat came in. */
export interface Reception {
  /** Everything it came with, bow to stern. */
  readonly things: readonly CameThing[];
  /** Fittings nobody has looked at yet: receiving is not done before they are. */
  readonly unseen: readonly CameThing[];
  readonly signed: Extract<Fact, { kind: 'received' }> | null;
  /** What a signature is for, as a fingerprint. */
  readonly for: string;
  /** Somebody looked again, or found more, since it was signed for. */
  readonly changed: boolean;
}

/** What came with the boat, how each thing is, and whether its owner has signed for that. */
export function receive({ hull, features, owned, gone, ledger }: ReceptionInput): Reception {
  const seen = (key: string): Seen | null => ledger.seen.get(key) ?? null;
  const ofPlaced = (placed: Placed, mark: string): CameThing[] => {
    const { id, fitting, part } = placed;
    if (!fitting.aboard) return [];
    const { x, y, z } = markedAt(placed);
    const { from } = fitting.aboard;
    const { name, french } = part;
    return [
      { key: id, name, french, mark, x, y, z, feature: false, stays: false, from, becomes: fitting.becomes, seen: seen(id) },
    ];
  };
  const things = [
    ...featuresOf(hull).map((f, i): CameThing => ({
      ...{ key: f.key, name: f.name, french: f.name, mark: String(i + 1), x: f.x, y: f.y, z: 0 },
      ...{ feature: true, stays: f.stays ?? false, from: 'maker', becomes: entryOf(features, f.key), seen: seen(f.key) },
    })),
    ...owned.flatMap((i) => ofPlaced(i.placed, i.letter)),
    ...gone.flatMap((p) => ofPlaced(p, '')),
  ].sort((a, b) => a.x - b.x || a.y - b.y || (a.key < b.key ? -1 : 1));
  const now = fingerprint(
    things.map((t) => [t.key, t.becomes?.is === 'gone', t.seen?.is ?? '', t.seen?.says ?? '', t.seen?.photo ?? '']),
  );
  const { received } = ledger;
  return {
    things,
    unseen: things.filter((t) => !t.feature && t.becomes?.is !== 'gone' && t.seen === null),
    signed: received,
    for: now,
    changed: received !== null && received.for !== now,
  };
}
