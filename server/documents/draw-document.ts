import type { DocumentQuery } from '@plain-cleat/api';
import type { Fact } from '@plain-cleat/core/rig';
import { PhotoRow } from '../database/models';
import { draft } from '../drafting/draft';
import type { Heading, Drawn, DocumentName, Which } from '../drafting/draw';
import type { Photos } from '../drafting/reception-sheet';
import { HttpProblem } from '../problems/problem';
import { lettersOpen } from '../rigs/letters';
import { inputOf, loadRig } from '../rigs/load';

/** What bears no letters. */
const LETTERLESS: readonly DocumentName[] = ['parts', 'printer-check'];

/** Draws one paper of a rig as it is now. */
export async function drawDocument(paper: DocumentName, rig: string, query: DocumentQuery & Which, by: string): Promise<Drawn> {
  const loaded = await loadRig(rig);
  if (!LETTERLESS.includes(paper) && lettersOpen(loaded.plan))
    throw new HttpProblem(409, 'Letters not fixed', 'print it from the rig: its letters are fixed before the first paper', {
      field: 'letters',
    });
  const { units, paper: size, language, fitting, part } = query;
  const input = inputOf(loaded);
  const heading: Heading = {
    number: loaded.row.number,
    serial: loaded.row.serial,
    owner: loaded.row.owner,
    today: input.asOf,
    by,
    units,
    paper: size,
    language,
  };
  const photos = paper === 'reception-sheet' ? await photosOf(loaded.row.id, loaded.facts) : undefined;
  return draft('draw', paper, input, heading, { fitting, part, ...(photos ? { photos } : {}) });
}

/** So many photos go on one paper. */
const MOST_PHOTOS = 40;

/** The photos of how things came in, the newest of each. */
async function photosOf(rigId: string, facts: readonly Fact[]): Promise<Photos> {
  const newest = new Map(facts.flatMap((f) => (f.kind === 'thingSeen' ? [[f.thing, f.photo] as const] : [])));
  const ids = [...newest.values()].flatMap((id) => id ?? []).slice(0, MOST_PHOTOS);
  const rows = ids.length ? await PhotoRow.findAll({ where: { rigId, id: ids } }) : [];
  return new Map(rows.map((r) => [r.id, new Uint8Array(r.bytes)]));
}
