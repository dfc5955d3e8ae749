import {
  type CreationOptional,
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type Sequelize,
} from 'sequelize';

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

const { STRING, INTEGER, BIGINT, DOUBLE, TEXT, BOOLEAN, BLOB } = DataTypes;
const id = { type: STRING(64), primaryKey: true };
const text = (length: number) => ({ type: STRING(length), allowNull: false });
const integer = { type: INTEGER, allowNull: false };
const document = { type: TEXT('long'), allowNull: false };

/** The columns of every table as the code sees them; the migrations make them. */
const TABLES = {
  staff: {
    id,
    login: { ...text(60), unique: true },
    name: text(80),
    role: text(20),
    passwordHash: text(200),
    pinHash: { type: STRING(200), allowNull: true },
    ended: { type: STRING(30), allowNull: true },
    preferences: { ...text(400), defaultValue: '{}' },
  },
  owners: { id, name: text(120), email: text(200) },
  hull_models: { id, revision: { ...integer, primaryKey: true }, document },
  part_revisions: { id, revision: { ...integer, primaryKey: true }, document },
  parts: {
    id,
    revision: integer,
    name: text(80),
    french: text(80),
    kind: text(40),
    active: { type: BOOLEAN, allowNull: false, defaultValue: true },
  },
  materials: { revision: { ...integer, primaryKey: true }, document },
  shops: { revision: { ...integer, primaryKey: true }, document },
  hulls: {
    id,
    ownerId: text(64),
    modelId: text(64),
    serial: text(60),
    factCount: integer,
    year: { type: INTEGER, allowNull: true },
    colour: { ...text(40), defaultValue: '' },
    notes: { ...text(1000), defaultValue: '' },
  },
  rigs: {
    id,
    number: { ...text(20), unique: true },
    ownerId: text(64),
    hullId: text(64),
    place: text(20),
    version: integer,
    plan: document,
    carried: { ...document, allowNull: true },
    title: text(120),
    promised: { type: STRING(10), allowNull: true },
  },
  projections: {
    rigId: { ...text(64), primaryKey: true },
    version: integer,
    factCount: integer,
    hull: text(160),
    outline: document,
    progress: document,
    holes: document,
    cuts: document,
  },
  changes: {
    rigId: { ...text(64), primaryKey: true },
    id: { ...text(36), primaryKey: true },
    version: integer,
    author: text(80),
    baseVersion: integer,
    serverTime: text(30),
    body: document,
    inverse: document,
    undoes: { type: STRING(36), allowNull: true },
  },
  facts: {
    seq: { type: INTEGER, primaryKey: true, autoIncrement: true },
    hullId: text(64),
    id: text(36),
    kind: text(30),
    by: text(80),
    serverTime: text(30),
    body: document,
    foreign: { type: BOOLEAN, allowNull: false, defaultValue: false },
  },
  owner_links: {
    tokenHash: { ...text(64), primaryKey: true },
    rigId: text(64),
    expires: text(30),
    revoked: { type: BOOLEAN, allowNull: false },
  },
  photos: { id, rigId: text(64), mime: text(40), bytes: { type: BLOB('long'), allowNull: false } },
  headings: { heading: { ...text(80), primaryKey: true }, meaning: text(20) },
  assemblies: { id, version: { ...integer, primaryKey: true }, document },
  remnants: { id, stock: text(64), length: { type: DOUBLE, allowNull: false }, width: { type: DOUBLE, allowNull: false } },
  cut_pieces: { piece: { ...text(160), primaryKey: true }, by: text(80), serverTime: text(30) },
  attempts: { subject: { ...text(120), primaryKey: true }, failures: integer, since: { type: BIGINT, allowNull: false } },
  backups: { name: { ...text(80), primaryKey: true }, serverTime: text(30), bytes: { type: BIGINT, allowNull: false } },
  counters: { name: { ...text(20), primaryKey: true }, value: integer },
} as const;

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
