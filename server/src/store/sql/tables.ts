import type {
  AboutMachine,
  Baseline,
  EngineSheet,
  JobEvent,
  JobHead,
  MachinePost,
  MeterChange,
  Role,
  Shop,
} from '@longbar/core';
import type { Model, ModelStatic, Sequelize, Transaction, Transactionable } from 'sequelize';
import { DataTypes } from 'sequelize';

/** What stands in each row besides its shop. */
export type ShopRow = Pick<Shop, 'name' | 'policy' | 'bladeSets'> & {
  address: string | null;
  timeZone: string | null;
  units: Shop['units'] | null;
  round: Shop['round'] | null;
  shims: Shop['shims'] | null;
  soon: Shop['soon'] | null;
  driftRisk: number | null;
  weekHours: number | null;
  aim: Shop['aim'] | null;
};
export type SheetRow = {
  id: string;
  revision: number;
  document: EngineSheet;
  publishedAt: string;
  /** The same in every revision. */
  retiredAt?: string | null;
};
export type MachineRow = {
  id: string;
  name: string;
  sheet: string;
  sheetRevision: number;
  /** The meters that were stated with the machine; those fitted since follow from its readings. */
  meter: MeterChange[];
  baseline: Baseline;
  about: AboutMachine | null;
  retiredAt: string | null;
  /** As it was added, by which the same addition is known again; null for those of an archive. */
  added: MachinePost | null;
};
export type HoursRow = {
  serial?: number;
  machine: string;
  date: string;
  hours: number;
  /** The job whose reading this puts right. */
  job?: string | null;
  /** What stood there before, the oldest first. */
  was?: number[] | null;
  takenBack?: boolean | null;
  /** It is the first of another meter, or of one that was reset. */
  replaced?: boolean | null | undefined;
};
/** `seal` is set once, when the signature comes. */
export type JobRow = Omit<JobHead, 'sheet'> & { sheet: string; seal: string | null };
export type EventRow = {
  serial?: number;
  id: string;
  job: string;
  n: number;
  body: JobEvent;
  receivedAt: string;
  /** It came when the job was signed, or is a signature that came too soon: it changes nothing. */
  late?: boolean;
};

export type BlobRow = { sha256: string; type: string; body: Buffer; receivedAt: string };

export type PersonRow = {
  id: string;
  name: string;
  role: Role;
  /** One of the demo's, who goes with it. */
  demo: boolean;
  retiredAt: string | null;
};

type Table<Row extends object> = ModelStatic<Model<Row, Row>>;
export type Tables = {
  shops: Table<ShopRow>;
  sheets: Table<SheetRow>;
  machines: Table<MachineRow>;
  hours: Table<HoursRow>;
  jobs: Table<JobRow>;
  events: Table<EventRow>;
  blobs: Table<BlobRow>;
  people: Table<PersonRow>;
};

const id = { type: DataTypes.TEXT, primaryKey: true };
const text = DataTypes.TEXT;

/** A document as it is kept: its text. One that is no JSON any more is null: it stops no other row. */
const json = (column: string) => ({
  type: text,
  get(this: Model): unknown {
    const kept: unknown = this.getDataValue(column);
    return typeof kept === 'string' ? jsonOrNull(kept) : kept;
  },
  set(this: Model, document: unknown) {
    const isNone = document === null || document === undefined;
    this.setDataValue(column, isNone ? document : JSON.stringify(document));
  },
});

function jsonOrNull(kept: string): unknown {
  try {
    return JSON.parse(kept);
  } catch {
    // Read again and again: the nightly look names it once.
    return null;
  }
}

const serial = { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true };

/**
 * The tables of one shop as Sequelize knows them; the migrations make them. What is asked of them
 * is asked of this shop's rows, and what is added is this shop's. With `within` all of it is read in that transaction.
 */
export function defineTables(sequelize: Sequelize, shop: number, within?: Transaction): Tables {
  const reading = (options: Transactionable) => {
    options.transaction ??= within ?? null;
  };
  const define = <Row extends object>(table: string, columns: object) => {
    const own = {
      tableName: table,
      timestamps: false,
      defaultScope: { where: { shop }, attributes: { exclude: ['shop'] } },
      ...(within && { hooks: { beforeFind: reading, beforeCount: reading } }),
    };
    const whose = { type: DataTypes.INTEGER, primaryKey: true, defaultValue: shop };
    const all = { ...columns, shop: whose };
    // Of a table without a class Sequelize knows no row.
    // oxlint-disable-next-line typescript/consistent-type-assertions
    return sequelize.define(`${table} of ${shop}`, all as never, own) as unknown as Table<Row>;
  };
  return {
    shops: define<ShopRow>('shops', {
      name: text,
      address: text,
      timeZone: text,
      units: json('units'),
      policy: text,
      bladeSets: json('bladeSets'),
      round: text,
      shims: json('shims'),
      soon: json('soon'),
      driftRisk: DataTypes.INTEGER,
      weekHours: DataTypes.DOUBLE,
      aim: text,
    }),
    sheets: define<SheetRow>('sheets', {
      id,
      revision: { type: DataTypes.INTEGER, primaryKey: true },
      document: json('document'),
      publishedAt: text,
      retiredAt: text,
    }),
    machines: define<MachineRow>('machines', {
      id,
      name: text,
      sheet: text,
      sheetRevision: DataTypes.INTEGER,
      meter: json('meter'),
      baseline: json('baseline'),
      about: json('about'),
      retiredAt: text,
      added: json('added'),
    }),
    hours: define<HoursRow>('hours_readings', {
      serial,
      machine: text,
      date: text,
      hours: DataTypes.DOUBLE,
      job: text,
      was: json('was'),
      takenBack: DataTypes.BOOLEAN,
      replaced: DataTypes.BOOLEAN,
    }),
    jobs: define<JobRow>('jobs', {
      id,
      machine: text,
      sheet: text,
      sheetRevision: DataTypes.INTEGER,
      method: text,
      at: text,
      by: text,
      seal: text,
    }),
    events: define<EventRow>('events', {
      serial,
      id: text,
      job: text,
      n: DataTypes.INTEGER,
      body: json('body'),
      receivedAt: text,
      late: DataTypes.BOOLEAN,
    }),
    people: define<PersonRow>('people', {
      id,
      name: text,
      role: text,
      demo: DataTypes.BOOLEAN,
      retiredAt: text,
    }),
    blobs: define<BlobRow>('blobs', {
      sha256: { type: text, primaryKey: true },
      type: text,
      body: DataTypes.BLOB,
      receivedAt: text,
    }),
  };
}
