import type { Changed, SavedFacts, LoggedChange, RigSince } from '@plain-cleat/api';
import { type Applied, applyChange, type Change, type Fact, type Plan, sameJson } from '@plain-cleat/core/rig';
import type { RigSources } from './shown-rig';
import type { WaitingChange } from './tablet';

/** What a page holds of a rig as the server has it. */
export type ServerSide = Pick<RigSources, 'doc' | 'serverPlan' | 'serverFacts'>;

/** A change applied to a plan; null when it does not go on it. */
function applied(plan: Plan, change: Change): Applied | null {
  try {
    return applyChange(plan, change);
  } catch {
    return null;
  }
}

/** The same once a change of mine was acknowledged. */
export function withChange(
  { doc, serverPlan, serverFacts }: ServerSide,
  { change, undoes }: WaitingChange,
  done: Changed,
): ServerSide {
  const inverse = applied(serverPlan, change)?.inverse;
  const logged = inverse && !doc.mine.some((m) => m.id === change.id);
  const mine: LoggedChange[] = logged ? [...doc.mine, { id: change.id, version: done.version, undoes, inverse }] : doc.mine;
  return {
    doc: { ...doc, version: Math.max(done.version, doc.version), mine },
    // What was heard of meanwhile may be newer than what my change made.
    serverPlan: done.version >= doc.version ? done.plan : serverPlan,
    serverFacts,
  };
}

/**
 * The same once facts of mine were acknowledged. `doc.factCount` counts those from the first that are here without a
 * gap: where somebody else's came in between, it stays behind the server's.
 */
export function withFacts({ doc, serverPlan, serverFacts }: ServerSide, done: SavedFacts): ServerSide {
  const ids = new Set(serverFacts.map((f) => f.id));
  const fresh = (done.facts as Fact[]).filter((f) => !ids.has(f.id));
  const whole = done.factCount === serverFacts.length + fresh.length;
  return {
    doc: { ...doc, factCount: whole ? done.factCount : doc.factCount },
    serverPlan,
    serverFacts: fresh.length ? [...serverFacts, ...fresh] : serverFacts,
  };
}

/**
 * The same with what happened since: others' changes applied to the plan as they were there, others' facts behind the
 * known ones. Null when that cannot be, and the rig is to be fetched anew: too much happened, another revision of
 * hull, parts or settings was taken, or what was told does not follow on what is known.
 */
export function withNews(now: ServerSide, news: RigSince): ServerSide | null {
  const { doc } = now;
  if (!news.changes) return null;
  let [plan, version] = [now.serverPlan, doc.version];
  for (const told of news.changes) {
    // Known already: an acknowledgement overtook the news.
    if (told.version <= version) continue;
    if (told.version !== version + 1 || takesRevision(told.change)) return null;
    const after = applied(plan, told.change);
    if (!after) return null;
    [plan, version] = [after.plan, told.version];
  }
  const serverFacts = news.facts.length
    ? [...now.serverFacts.slice(0, doc.factCount), ...(news.facts as Fact[])]
    : now.serverFacts;
  if (version < news.version || serverFacts.length !== news.factCount) return null;
  const mine = news.mine.filter((m) => !doc.mine.some((own) => own.id === m.id));
  return {
    doc: {
      ...doc,
      version,
      factCount: news.factCount,
      mine: mine.length ? [...doc.mine, ...mine] : doc.mine,
      others: sameJson(doc.others, news.others) ? doc.others : news.others,
      place: news.place,
      signed: news.signed,
    },
    serverPlan: plan,
    serverFacts,
  };
}

/** Whether a change takes another revision of something, which has to be fetched. */
export const takesRevision = (change: Change): boolean =>
  change.kind === 'together'
    ? change.changes.some(takesRevision)
    : change.kind === 'adoptRevision' || change.kind === 'adoptPart';
