import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { CounterRow, PartRow } from '../database/models';
import { partsAt } from '../revisions/revisions';

const zip = promisify(gzip);

/** The parts of the shop's range as they are sent: once, compressed, by an address that follows from them. */
export interface PackedRange {
  readonly hash: string;
  readonly json: string;
  readonly zipped: Buffer;
}

/** The shop's range, packed once a process for as long as it stays as it is. */
export class Range {
  private last: { readonly edition: number; readonly range: Promise<PackedRange> } | null = null;

  async now(): Promise<PackedRange> {
    const edition = (await CounterRow.findByPk('range'))?.value ?? 0;
    if (this.last?.edition === edition) return this.last.range;
    const range = pack();
    this.last = { edition, range };
    range.catch(() => (this.last = null));
    return range;
  }
}

async function pack(): Promise<PackedRange> {
  const rows = await PartRow.findAll({ attributes: ['id', 'revision'], where: { active: true }, order: [['id', 'ASC']] });
  const json = JSON.stringify(await partsAt(rows));
  return { hash: createHash('sha256').update(json).digest('hex').slice(0, 32), json, zipped: await zip(json) };
}
