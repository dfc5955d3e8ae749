import { type CreationOptional, type InferAttributes, type InferCreationAttributes, Model, type Sequelize } from 'sequelize';
import { TABLES } from './tables';

/** A JSON document kept as text, so that what was stored is what is read. */
class Row<T extends Model> extends Model<InferAttributes<T>, InferCreationAttributes<T>> {}

export class StaffRow extends Row<StaffRow> {
  declare id: string;
  declare login: string;
  declare name: string;
  declare role: string;
  declare passwordHash: string;
  /** For swapping on a shared tablet; null until one is chosen. */
  declare pinHash: CreationOptional<string | null>;
  /** When they left the shop, ISO; null while they are here. What they did stays theirs. */
  declare ended: CreationOptional<string | null>;
  /** How they like it, as JSON. */
  declare preferences: CreationOptional<string>;
}
export class OwnerRow extends Row<OwnerRow> {
  declare id: string;
  declare name: string;
  declare email: string;
}
export class HullModelRow extends Row<HullModelRow> {
  declare id: string;
  declare revision: number;
  declare document: string;
}
/** A part in one of its revisions, which never changes. */
export class PartRevisionRow extends Row<PartRevisionRow> {
  declare id: string;
  declare revision: number;
  declare document: string;
}
/** A part by its newest revision, to be listed and found by. */
export class PartRow extends Row<PartRow> {
  declare id: string;
  declare revision: number;
  declare name: string;
  declare french: string;
  declare kind: string;
  /** Whether it is in the shop's range. */
  declare active: CreationOptional<boolean>;
}
/** What is sold by length or piece, and what is cut from. */
export class MaterialsRow extends Row<MaterialsRow> {
  declare revision: number;
  declare document: string;
}
export class ShopRow extends Row<ShopRow> {
  declare revision: number;
  declare document: string;
}
export class HullRow extends Row<HullRow> {
  declare id: string;
  declare ownerId: string;
  declare modelId: string;
  declare serial: string;
  declare year: CreationOptional<number | null>;
  declare colour: CreationOptional<string>;
  declare notes: CreationOptional<string>;
  declare factCount: number;
}
export class RigRow extends Row<RigRow> {
  declare id: string;
  declare number: string;
  declare ownerId: string;
  declare hullId: string;
  declare place: string;
  declare version: number;
  declare plan: string;
  /** Hull, parts, consumables and shop settings a rig file brought along; null for the shop's own. */
  declare carried: string | null;
  /** As the plan has them, for lists. */
  declare title: string;
  declare promised: string | null;
}
/** What was worked out of a rig, with the version and the facts it was worked out from: for lists, and for its hull's other rigs. */
export class ProjectionRow extends Row<ProjectionRow> {
  declare rigId: string;
  declare version: number;
  declare factCount: number;
  declare hull: string;
  declare outline: string;
  declare progress: string;
  declare holes: string;
  declare cuts: string;
}
export class ChangeRow extends Row<ChangeRow> {
  declare rigId: string;
  declare id: string;
  declare version: number;
  declare author: string;
  declare baseVersion: number;
  declare serverTime: string;
  declare body: string;
  declare inverse: string;
  declare undoes: string | null;
}
export class FactRow extends Row<FactRow> {
  declare seq: CreationOptional<number>;
  declare hullId: string;
  declare id: string;
  declare kind: string;
  declare by: string;
  declare serverTime: string;
  declare body: string;
  /** It came in a rig file: nobody here kept it. */
  declare foreign: CreationOptional<boolean>;
}
export class LinkRow extends Row<LinkRow> {
  declare tokenHash: string;
  declare rigId: string;
  declare expires: string;
  declare revoked: boolean;
}
/** A photo of an owner's, kept beside the plan that names it. */
export class PhotoRow extends Row<PhotoRow> {
  declare id: string;
  declare rigId: string;
  declare mime: string;
  declare bytes: Buffer;
}

/** What a heading of a spreadsheet was said to mean. */
export class HeadingRow extends Row<HeadingRow> {
  declare heading: string;
  declare meaning: string;
}

/** A version of an assembly of the shop's library. */
export class AssemblyRow extends Row<AssemblyRow> {
  declare id: string;
  declare version: number;
  declare document: string;
}

/** What is left of a bar or board, on the shelf until it is used. */
export class RemnantRow extends Row<RemnantRow> {
  declare id: string;
  declare stock: string;
  declare length: number;
  declare width: number;
}

/** A piece that was cut: it is not wanted again. */
export class CutRow extends Row<CutRow> {
  declare piece: string;
  declare by: string;
  declare serverTime: string;
}

/** Failures to sign in, by whom and from where. */
class AttemptRow extends Row<AttemptRow> {
  declare subject: string;
  declare failures: number;
  /** Since when they are counted, ms. */
  declare since: number;
}

/** A backup that was made. */
export class BackupRow extends Row<BackupRow> {
  declare name: string;
  declare serverTime: string;
  declare bytes: number;
}

export class CounterRow extends Row<CounterRow> {
  declare name: string;
  declare value: number;
}

/** Binds the row classes to an open database. */
export function defineModels(db: Sequelize): void {
  const rows = {
    staff: StaffRow,
    owners: OwnerRow,
    hull_models: HullModelRow,
    part_revisions: PartRevisionRow,
    parts: PartRow,
    materials: MaterialsRow,
    shops: ShopRow,
    hulls: HullRow,
    rigs: RigRow,
    projections: ProjectionRow,
    changes: ChangeRow,
    facts: FactRow,
    owner_links: LinkRow,
    attempts: AttemptRow,
    backups: BackupRow,
    counters: CounterRow,
    photos: PhotoRow,
    headings: HeadingRow,
    assemblies: AssemblyRow,
    remnants: RemnantRow,
    cut_pieces: CutRow,
  };
  for (const [tableName, row] of Object.entries(rows)) {
    const init = (row as unknown as { init(columns: object, options: object): void }).init.bind(row);
    // Sequelize writes into the column definitions it is given.
    const columns = Object.fromEntries(
      Object.entries(TABLES[tableName as keyof typeof TABLES]).map(([name, column]) => [name, { ...column }]),
    );
    init(columns, { sequelize: db, tableName, modelName: tableName });
  }
}
