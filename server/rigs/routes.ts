import { type Fact, makeRigFile, writeRigFile } from '@plain-cleat/core/rig';
import { ROUTES, type FloorPlace, type RigDocument } from '@plain-cleat/api';
import type { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { RigRow } from '../database/models';
import { attach } from '../http/attach';
import { bind } from '../http/bind';
import type { Range } from '../parts/range';
import { badInput, HttpProblem, notFound } from '../problems/problem';
import { read } from '../reading/read';
import { withOwnAmounts } from './amounts';
import { recordChange } from './changes';
import { acceptedBy, checkAcceptance } from './check';
import { keepFacts, provenBy, vouchesForPasses, whoKept } from './facts';
import { asInFile, findRig, loadRig, todayIn } from './load';
import { newerThan } from './newer';
import { duplicateRig, importRig, openNewRig } from './open';
import type { Projection } from './projection';
import { rigSince } from './since';
import { type Signing, wantsManager } from '../staff/signing';

async function describe(rigId: string, author: string, range: Range): Promise<RigDocument> {
  const [{ row, plan, hull, facts, others, mine, catalog, shop }, { hash }] = await Promise.all([
    loadRig(rigId, author),
    range.now(),
  ]);
  return {
    id: row.id,
    number: row.number,
    owner: { id: row.ownerId, name: row.owner, email: row.email },
    serial: row.serial,
    place: row.place as FloorPlace,
    version: row.version,
    factCount: row.factCount,
    plan,
    hull,
    facts: [...facts],
    others: [...(others ?? [])],
    catalog,
    range: hash,
    shop,
    today: todayIn(shop.timeZone),
    mine: [...mine],
    signed: facts.some((f) => f.kind === 'signed' && f.rig === plan.id),
  };
}

/** Rigs: open, read, change, keep facts, files. */
export function rigRoutes(
  router: Router,
  {
    db,
    projection,
    range,
    signing,
    secret,
  }: {
    readonly db: Sequelize;
    readonly projection: Projection;
    readonly range: Range;
    readonly signing: Signing;
    readonly secret: string;
  },
): void {
  bind(router, ROUTES.openRig, async ({ body, staff }) => {
    const made = await openNewRig(db, body);
    projection.touch(made.id, staff.id);
    return made;
  });
  bind(router, ROUTES.importRig, async ({ body, staff }) => {
    const made = await importRig(db, await read(staff.id, 'rig', body.text));
    projection.touch(made.id, staff.id);
    return made;
  });
  bind(router, ROUTES.rig, async ({ params, staff }) => describe(params.rig ?? '', staff.id, range));
  bind(router, ROUTES.rigSince, async ({ params, query, staff }) => rigSince(params.rig ?? '', staff.id, query));
  bind(router, ROUTES.newer, async ({ params }) => newerThan(await findRig(params.rig ?? '')));
  bind(router, ROUTES.change, async ({ req, params, body: { override, keptBy, ...body }, staff }) => {
    const rigId = params.rig ?? '';
    const manager = override ? await signing(override, req.ip ?? '') : null;
    const change = manager ? acceptedBy(manager, body.change) : body.change;
    // Made by one and sent by another, after a tablet was swapped with no network: it is logged as of who made it.
    const maker = (keptBy && (await provenBy(keptBy.proof, secret))) || staff;
    checkAcceptance(change, maker, manager);
    const own = await withOwnAmounts(rigId, change, body.undoes);
    const done = await recordChange(db, { rigId, author: (manager ?? maker).id, ...body, change: own });
    projection.touch(rigId, staff.id);
    return done;
  });
  bind(router, ROUTES.facts, async ({ req, params, body, staff }) => {
    const { override } = body;
    const passes = body.facts.some((f) => f.kind === 'gatePassed') || (await vouchesForPasses(params.rig ?? '', body.facts));
    if (passes && !override) throw wantsManager();
    if (override && !passes) throw badInput([{ field: 'override', says: 'it is for letting a step pass, and for nothing else' }]);
    // The password covers what it was typed for, and nothing that is sent along with it.
    if (override && body.facts.length > 1)
      throw badInput([{ field: 'override', says: 'it is for one fact: send the others apart' }]);
    const manager = override ? await signing(override, req.ip ?? '') : null;
    for (const f of body.facts) if ('drawing' in f) await read(staff.id, 'signature', f.drawing);
    const by = manager
      ? { name: manager.name }
      : body.keptBy
        ? await whoKept(body.keptBy, staff.name, secret)
        : { name: staff.name };
    const done = await keepFacts(db, params.rig ?? '', by, body.facts);
    await projection.touchHull(done.hullId, staff.id);
    return done.kept;
  });
  bind(router, ROUTES.duplicate, async ({ params, body, staff }) => {
    const made = await duplicateRig(db, params.rig ?? '', body.title);
    projection.touch(made.id, staff.id);
    return made;
  });
  bind(router, ROUTES.move, async ({ params, body, staff }) => {
    const { place } = await findRig(params.rig ?? '');
    if (staff.role !== 'manager' && (place === 'set aside' || body.place === 'set aside'))
      throw new HttpProblem(403, 'Not yours to do', 'only a manager sets a rig aside or takes it up again', { field: 'place' });
    const [count] = await RigRow.update({ place: body.place }, { where: { id: params.rig ?? '' } });
    if (count === 0 && !(await RigRow.findByPk(params.rig ?? ''))) throw notFound('rig', 'there is no such rig');
    return body;
  });
  bind(router, ROUTES.exportRig, async ({ params, res }) => {
    const loaded = await loadRig(params.rig ?? '');
    attach(res, 'application/json', `${loaded.row.number}.rig.json`);
    const { plan } = loaded;
    const accepted = Object.fromEntries(
      Object.entries(plan.accepted).map(([key, { unproven: _, ...a }]) => [key, { ...a, by: asInFile(a.by) }]),
    );
    // Whoever opens the file vouches for it, or does not: what it says of that here is nobody's there.
    const facts = loaded.facts.map(({ unproven: _, ...f }) => ({ ...f, by: asInFile(f.by) }) as Fact);
    res.send(writeRigFile(makeRigFile({ ...loaded, plan: { ...plan, accepted }, facts, owner: loaded.row.owner })));
  });
}
