import type { Network, Poles, Power } from '../../electric/circuits';
import { over, say } from '../../base/units';
import { check } from './check';
import type { Judged, Raw } from './finding';
import { aboutFitting, nameIn } from './wires';

type StoredBattery = Poles<NonNullable<Power['battery']>>;

/** In what two batteries differ, the worst first; null where they are alike. */
function unlikeness({ owned }: Judged, a: StoredBattery, b: StoredBattery): keyof typeof ALIKE | null {
  if (a.of.chemistry !== b.of.chemistry) return 'kind';
  if (a.of.ampHours !== b.of.ampHours) return 'size';
  const isNew = ({ fitting }: StoredBattery): boolean | undefined => {
    const of = owned.find((i) => i.placed.id === fitting)?.placed.fitting;
    return of && of.suppliedBy === 'shop' && !of.aboard;
  };
  return isNew(a) === isNew(b) ? null : 'age';
}
const ALIKE = { kind: 'of one kind', size: 'of one size', age: 'as old as each other' } as const;

/** The batteries of each row, bow to stern as they are joined. */
function rowsOf({ leads, batteries }: Network): StoredBattery[][] {
  const byPlus = new Map(batteries.map((b) => [b.plus, b]));
  const byMinus = new Map(batteries.map((b) => [b.minus, b]));
  const next = new Map(
    leads.flatMap(({ from, to }) => {
      const [one, other] = [byPlus.get(from), byMinus.get(to)];
      return one && other ? [[one, other] as const] : [];
    }),
  );
  const behind = new Set(next.values());
  return batteries
    .filter((b) => next.has(b) && !behind.has(b))
    .map((first) => {
      const row = [first];
      for (let at = next.get(first); at && !row.includes(at); at = next.get(at)) row.push(at);
      return row;
    });
}

/** Batteries in a row are alike: the same current goes through all of them. */
export const alikeInRow = check({
  about: 'rig',
  finds: {
    'unlike-in-row': { called: 'Unlike batteries in a row', severity: ['look', 'stop'], acceptedBy: 'manager', since: 14 },
  },
  judge: (judged) =>
    rowsOf(judged.wiring.network).flatMap(([first, ...others]) =>
      others.flatMap((b): Raw[] => {
        const unlike = first && unlikeness(judged, b, first);
        const item = judged.owned.find((o) => o.placed.id === b.fitting);
        if (!first || !item || !unlike) return [];
        return [
          {
            ...aboutFitting(item),
            code: 'unlike-in-row',
            severity: unlike === 'age' ? 'look' : 'stop',
            says: say`${nameIn(judged, b.fitting)} and ${nameIn(judged, first.fitting)} stand in a row and are not ${ALIKE[unlike]}.`,
            because:
              unlike === 'kind'
                ? say`One current goes through both and each ends at other volts: one is charged past what it takes, and drawn past empty.`
                : say`The one with less in it is empty first, and the other goes on through it, the wrong way round. Two of the same, as old as each other (common practice, no source).`,
          },
        ];
      }),
    ),
});

/** What takes or gives current at a part of a row of batteries alone: that part is empty, or full, before the rest. */
export const onPartOfARow = check({
  about: 'rig',
  finds: {
    'part-of-a-row': { called: 'Fed by part of a row of batteries', severity: 'stop', acceptedBy: 'manager', since: 14 },
  },
  judge: (judged) => {
    const { network, flows } = judged.wiring;
    const rows = rowsOf(network).filter((row) => row.length > 1);
    return flows.flatMap((f): Raw[] => {
      const item = judged.owned.find((i) => i.placed.id === f.fitting);
      const on = (b: StoredBattery, of = f): boolean => (of.shares.get(b.fitting) ?? 0) !== 0;
      const row = rows.find((r) => r.some((b) => on(b)) && !r.every((b) => on(b)));
      if (!item || !row) return [];
      // Each charged by one of its own, alike, all of them are full together.
      const amps = Math.abs(f.asked.steady);
      const everyone = row.every((b) =>
        flows.some(
          (o) => o.charging && Math.abs(o.asked.steady) === amps && row.filter((r) => on(r, o)).length === 1 && on(b, o),
        ),
      );
      if (f.charging && everyone) return [];
      const part = row.filter((b) => on(b)).length;
      return [
        {
          ...aboutFitting(item),
          code: 'part-of-a-row',
          measure: over(Math.abs(f.asked.steady + f.asked.thrust), 'A', 0),
          says: say`${item.placed.part.name} ${f.charging ? 'charges' : 'is fed by'} ${part} of the ${row.length} batteries in a row.`,
          because: f.charging
            ? say`That part is full while the rest is not, and the row ends at the emptiest. A charger for the whole row, or one for each.`
            : say`That part is empty before the rest, which goes on through it the wrong way round. A converter from the whole row, or a battery of its own.`,
        },
      ];
    });
  },
});

/** Batteries side by side are alike. */
export const alikeInParallel = check({
  about: 'rig',
  finds: {
    'unlike-in-parallel': {
      called: 'Unlike batteries in parallel',
      severity: ['look', 'stop'],
      acceptedBy: 'manager',
      since: 10,
    },
  },
  judge: (judged) => {
    const { network, potentials } = judged.wiring;
    const at = ({ plus, minus }: Poles<unknown>): string =>
      [plus, minus].map((t) => `${potentials.of.get(t)?.island ?? t} ${potentials.of.get(t)?.volts ?? ''}`).join();
    return network.batteries.flatMap((b, i): Raw[] => {
      const other = network.batteries.slice(0, i).find((o) => at(o) === at(b) && o.fitting !== b.fitting);
      const item = judged.owned.find((o) => o.placed.id === b.fitting);
      const unlike = other && unlikeness(judged, b, other);
      if (!other || !item || !unlike) return [];
      const mixed = unlike === 'kind';
      return [
        {
          ...aboutFitting(item),
          code: 'unlike-in-parallel',
          severity: mixed ? 'stop' : 'look',
          says: say`${nameIn(judged, b.fitting)} and ${nameIn(judged, other.fitting)} stand side by side and are not ${ALIKE[unlike]}.`,
          because: mixed
            ? say`Of two chemistries one charges the other past what it takes. One of each kind on a circuit of its own.`
            : say`The fuller one fills the other, and the smaller one is worn first. Two of the same, as old as each other (common practice, no source).`,
        },
      ];
    });
  },
});
