import type { Fitted } from '../../holding/fitted';
import type { Run } from '../../rig';
import { say, type Sentence } from '../../base/units';
import { idOf, nameOf, xOf } from './asked-of';
import { matedBy, pluggedIn, screensFor, type Joined } from './jacks';

/** Signal cables that are proposed, with why each is so, and what is lacking. */
export interface ProposedSignals {
  readonly runs: readonly { readonly run: Run; readonly why: Sentence }[];
  readonly wants: readonly Sentence[];
}

/**
 * Signal cables between what is aboard: what senses something goes to the nearest screen that takes its plug; screens with a
 * network are joined bow to stern. What the rigger's own cables join stays joined as it is.
 * @param kept the rigger's own signal cables
 */
export function proposeSignals(
  owned: readonly Fitted[],
  kept: readonly Run[],
  laneOf: (to: Fitted) => Run['lane'],
): ProposedSignals {
  const runs: { run: Run; why: Sentence }[] = [];
  const wants: Sentence[] = [];
  const signalOf = (id: string) => owned.find((i) => idOf(i) === id)?.placed.part.signal;
  const all = (): Run[] => [...kept, ...runs.map((r) => r.run)];
  const joined = (): Joined[] =>
    all().map(({ from, to }) => ({ from, to, family: matedBy(signalOf(from), signalOf(to))?.family ?? null }));
  const isFree = (item: Fitted, family: string): boolean =>
    pluggedIn(joined(), idOf(item), family) < (item.placed.part.signal?.jacks.find((j) => j.family === family)?.ways ?? 0);
  const join = (from: Fitted, to: Fitted, why: Sentence): void => {
    const run: Run = { from: idOf(from), to: idOf(to), lane: laneOf(to), via: [], awg: null, has: 'signal', proposed: true };
    runs.push({ run, why });
  };
  const screens = owned.filter((i) => i.placed.part.screen && i.placed.part.signal).sort((a, b) => xOf(a) - xOf(b));
  for (const sensor of owned.filter((i) => i.placed.part.signal?.senses)) {
    if (all().some((r) => r.from === idOf(sensor) || r.to === idOf(sensor))) continue;
    const [screen] = screensFor(screens, joined(), sensor);
    if (screen)
      join(sensor, screen, say`${nameOf(screen)} shows what it senses: the nearest screen on its side that takes its plug.`);
    else wants.push(say`A screen for ${nameOf(sensor)}: none aboard has a jack free that takes its plug.`);
  }
  screens.slice(1).forEach((screen, i) => {
    const before = screens[i];
    const network = matedBy(before?.placed.part.signal, screen.placed.part.signal)?.family;
    if (!before || network === undefined || !isFree(before, network) || !isFree(screen, network)) return;
    const already = all().some((r) => [r.from, r.to].includes(idOf(before)) && [r.from, r.to].includes(idOf(screen)));
    if (!already) join(before, screen, say`One network: each screen shows what the other’s transducer hears.`);
  });
  return { runs, wants };
}
