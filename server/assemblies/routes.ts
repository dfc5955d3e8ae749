import { type Assembly, assemblySchema, partsOf } from '@plain-cleat/core/rig';
import { ROUTES } from '@plain-cleat/api';
import type { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { inTransaction } from '../database/transaction';
import { AssemblyRow } from '../database/models';
import { bind } from '../http/bind';
import { badInput } from '../problems/problem';
import { fitting } from '../revisions/fitting';
import { newestParts } from '../revisions/revisions';

/** What keeps an assembly from being placed: a base it does not have, a fitting that stands on nothing, a part nobody sells. */
async function checkAssembly(a: Assembly): Promise<void> {
  const refuse = (field: string, says: string): never => {
    throw badInput([{ field: `assembly.${field}`, says }]);
  };
  if (!Object.hasOwn(a.fittings, a.base)) refuse('base', `it has no fitting ${a.base}`);
  const sold = new Set((await newestParts(partsOf(a).map((p) => p.id))).map((p) => p.id));
  for (const [id, f] of Object.entries(a.fittings)) {
    if (!sold.has(f.part)) refuse(`fittings.${id}.part`, `the stores have no part ${f.part}`);
    const on = f.place.on === 'fitting' ? f.place.fitting : null;
    if (id !== a.base && (on === null || !Object.hasOwn(a.fittings, on) || on === id))
      refuse(`fittings.${id}.place`, 'everything but the base stands on something in the assembly');
  }
}

/** The shop's library of assemblies: built once, placed on any boat. */
export function assemblyRoutes(router: Router, db: Sequelize): void {
  bind(router, ROUTES.assemblies, async () => {
    const rows = await AssemblyRow.findAll({
      order: [
        ['id', 'ASC'],
        ['version', 'ASC'],
      ],
    });
    const newest = new Map(rows.map((r) => [r.id, r.document]));
    const assemblies = [...newest.values()].map((text) => fitting(assemblySchema, 'the assembly', JSON.parse(text)));
    const ids = new Set(assemblies.flatMap(partsOf).map((p) => p.id));
    return { assemblies, parts: await newestParts([...ids]) };
  });
  bind(router, ROUTES.saveAssembly, async ({ body }) => {
    await checkAssembly(body.assembly);
    return inTransaction(db, async (transaction) => {
      const known = await AssemblyRow.max<number, AssemblyRow>('version', { where: { id: body.assembly.id }, transaction });
      const version = Number(known) || 0;
      if (body.expects !== version)
        throw badInput([
          {
            field: 'expects',
            says: version ? `it is at version ${version} by now: look at that one first` : 'there is none yet',
          },
        ]);
      const kept: Assembly = { ...body.assembly, version: version + 1 };
      await AssemblyRow.create({ id: kept.id, version: kept.version, document: JSON.stringify(kept) }, { transaction });
      return kept;
    });
  });
}
