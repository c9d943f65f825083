import type {
  EngineSheet,
  HoursReading,
  JobEvent,
  JobHead,
  MeterChange,
  Shop,
} from '@longbar/core';
import type { Model, ModelStatic, Sequelize } from 'sequelize';
import { DataTypes } from 'sequelize';

/** What stands in each row. */
export type ShopRow = Omit<Shop, 'round' | 'shims' | 'soon'> & {
  id: string;
  round: Shop['round'] | null;
  shims: Shop['shims'] | null;
  soon: Shop['soon'] | null;
};
export type SheetRow = { id: string; revision: number; document: EngineSheet; publishedAt: string };
export type MachineRow = {
  id: string;
  name: string;
  sheet: string;
  meter: MeterChange[];
  /** What was known when the machine came into the yard. */
  baseline: {
    last: HoursReading | null;
    breakInDone: boolean;
    inServiceSince?: string | undefined;
    hoursAYear?: number | undefined;
  };
};
export type HoursRow = { machine: string; date: string; hours: number };
/** `seal` is set once, when the signature comes. */
export type JobRow = JobHead & { sheet: string; seal: string | null };
export type EventRow = {
  serial?: number;
  id: string;
  job: string;
  n: number;
  body: JobEvent;
  receivedAt: string;
};

export type BlobRow = { sha256: string; type: string; body: Buffer; receivedAt: string };

type Table<Row extends object> = ModelStatic<Model<Row, Row>>;
export type Tables = {
  shops: Table<ShopRow>;
  sheets: Table<SheetRow>;
  machines: Table<MachineRow>;
  hours: Table<HoursRow>;
  jobs: Table<JobRow>;
  events: Table<EventRow>;
  blobs: Table<BlobRow>;
};

const id = { type: DataTypes.TEXT, primaryKey: true };
const text = DataTypes.TEXT;
const json = DataTypes.JSON;
const serial = { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true };

/** The tables as Sequelize knows them; the migrations make them. */
export function defineTables(sequelize: Sequelize): Tables {
  const define = <Row extends object>(table: string, columns: object) =>
    sequelize.define(table, columns as never, {
      tableName: table,
      timestamps: false,
    }) as unknown as Table<Row>;
  return {
    shops: define<ShopRow>('shops', {
      id,
      name: text,
      policy: text,
      bladeSets: json,
      round: text,
      shims: json,
      soon: json,
    }),
    sheets: define<SheetRow>('sheets', {
      id,
      revision: { type: DataTypes.INTEGER, primaryKey: true },
      document: json,
      publishedAt: text,
    }),
    machines: define<MachineRow>('machines', {
      id,
      name: text,
      sheet: text,
      meter: json,
      baseline: json,
    }),
    hours: define<HoursRow>('hours_readings', {
      serial,
      machine: text,
      date: text,
      hours: DataTypes.DOUBLE,
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
      body: json,
      receivedAt: text,
    }),
    blobs: define<BlobRow>('blobs', {
      sha256: { type: text, primaryKey: true },
      type: text,
      body: DataTypes.BLOB,
      receivedAt: text,
    }),
  };
}
