import { DataTypes, Model, type CreationOptional, type InferAttributes, type InferCreationAttributes, type Sequelize } from 'sequelize';

class Row<M extends Model> extends Model<InferAttributes<M>, InferCreationAttributes<M>> {}

export class EventRow extends Row<EventRow> {
  declare id: string;
  declare name: string;
  declare place: string;
  declare timeZone: string;
  declare altitudeM: number;
  declare confidence: number;
  declare revision: number;
  declare extras: CreationOptional<string>;
  declare createdAtMs: number;
  declare updatedAtMs: number;
  declare deletedAtMs: CreationOptional<number | null>;
}

export class ServingRow extends Row<ServingRow> {
  declare eventId: string;
  declare id: string;
  declare position: number;
  declare name: string;
  declare atMs: number;
  declare serveForMin: number;
  declare carveLeadMin: number;
  declare adults: number;
  declare children: number;
  declare heartyShare: number;
  declare buffet: boolean;
  declare extras: CreationOptional<string>;
}

export class BatchRow extends Row<BatchRow> {
  declare eventId: string;
  declare id: string;
  declare servingId: string;
  declare position: number;
  declare cutId: string;
  declare methodId: string;
  declare label: string;
  declare sizedBy: 'guests' | 'hand';
  declare extras: CreationOptional<string>;
}

export class PieceRow extends Row<PieceRow> {
  declare eventId: string;
  declare batchId: string;
  declare id: string;
  declare position: number;
  declare kg: number;
  declare boughtKg: CreationOptional<number | null>;
  declare trimmedKg: CreationOptional<number | null>;
  declare thicknessMm: CreationOptional<number | null>;
  declare grade: CreationOptional<string | null>;
}

export class PitRow extends Row<PitRow> {
  declare id: string;
  declare name: string;
  declare kind: string;
  declare smoke: boolean;
  declare rangeLowC: number;
  declare rangeHighC: number;
  declare warmUpMin: number;
  declare openingDropC: number;
  declare recoverMin: number;
  declare extras: CreationOptional<string>;
  declare createdAtMs: number;
  declare deletedAtMs: CreationOptional<number | null>;
}

export class RackRow extends Row<RackRow> {
  declare pitId: string;
  declare id: string;
  declare position: number;
  declare name: string;
  declare widthMm: number;
  declare depthMm: number;
  declare clearanceMm: number;
  declare maxKg: number;
  declare level: number;
  declare extras: CreationOptional<string>;
}

export class BoxRow extends Row<BoxRow> {
  declare id: string;
  declare name: string;
  declare litres: number;
  declare lossWPerK: number;
  declare extras: CreationOptional<string>;
  declare createdAtMs: number;
  declare deletedAtMs: CreationOptional<number | null>;
}

export class LibraryEntryRow extends Row<LibraryEntryRow> {
  declare kind: 'cut' | 'method' | 'recipe';
  declare id: string;
  declare body: string;
  declare updatedAtMs: number;
}

export class GearRow extends Row<GearRow> {
  declare kind: string;
  declare id: string;
  declare body: string;
  declare createdAtMs: number;
  declare deletedAtMs: CreationOptional<number | null>;
}

export class EventPitRow extends Row<EventPitRow> {
  declare eventId: string;
  declare pitId: string;
}

export class EventBoxRow extends Row<EventBoxRow> {
  declare eventId: string;
  declare boxId: string;
}

// Sequelize writes the column's name into the object it is given, so each column gets its own.
const key = () => ({ type: DataTypes.STRING, primaryKey: true });
const text = () => ({ type: DataTypes.STRING, allowNull: false });
const real = () => ({ type: DataTypes.DOUBLE, allowNull: false });
const maybeReal = () => ({ type: DataTypes.DOUBLE, allowNull: true });
const json = () => ({ type: DataTypes.TEXT, allowNull: false, defaultValue: '{}' });
const whole = () => ({ type: DataTypes.INTEGER, allowNull: false });
const instant = () => ({ type: DataTypes.BIGINT, allowNull: false });
const maybeInstant = () => ({ type: DataTypes.BIGINT, allowNull: true });
const flag = () => ({ type: DataTypes.BOOLEAN, allowNull: false });

/** Binds the row classes to a connection. Shapes follow the migrations, which alone make tables. */
export function initTables(sequelize: Sequelize): void {
  const options = (tableName: string) => ({ sequelize, tableName, timestamps: false, underscored: true });
  EventRow.init(
    {
      id: key(),
      name: text(),
      place: text(),
      timeZone: text(),
      altitudeM: real(),
      confidence: real(),
      revision: whole(),
      extras: json(),
      createdAtMs: instant(),
      updatedAtMs: instant(),
      deletedAtMs: maybeInstant(),
    },
    options('events'),
  );
  ServingRow.init(
    {
      eventId: key(),
      id: key(),
      position: whole(),
      name: text(),
      atMs: instant(),
      serveForMin: whole(),
      carveLeadMin: whole(),
      adults: whole(),
      children: whole(),
      heartyShare: real(),
      buffet: flag(),
      extras: json(),
    },
    options('servings'),
  );
  BatchRow.init(
    {
      eventId: key(),
      id: key(),
      servingId: text(),
      position: whole(),
      cutId: text(),
      methodId: text(),
      label: text(),
      sizedBy: text(),
      extras: json(),
    },
    options('batches'),
  );
  PieceRow.init(
    {
      eventId: key(),
      batchId: key(),
      id: key(),
      position: whole(),
      kg: real(),
      boughtKg: maybeReal(),
      trimmedKg: maybeReal(),
      thicknessMm: maybeReal(),
      grade: { type: DataTypes.STRING, allowNull: true },
    },
    options('pieces'),
  );
  PitRow.init(
    {
      id: key(),
      name: text(),
      kind: text(),
      smoke: flag(),
      rangeLowC: real(),
      rangeHighC: real(),
      warmUpMin: whole(),
      openingDropC: real(),
      recoverMin: real(),
      extras: json(),
      createdAtMs: instant(),
      deletedAtMs: maybeInstant(),
    },
    options('pits'),
  );
  RackRow.init(
    {
      pitId: key(),
      id: key(),
      position: whole(),
      name: text(),
      widthMm: real(),
      depthMm: real(),
      clearanceMm: real(),
      maxKg: real(),
      level: whole(),
      extras: json(),
    },
    options('racks'),
  );
  BoxRow.init(
    { id: key(), name: text(), litres: real(), lossWPerK: real(), extras: json(), createdAtMs: instant(), deletedAtMs: maybeInstant() },
    options('boxes'),
  );
  LibraryEntryRow.init(
    { kind: key(), id: key(), body: { type: DataTypes.TEXT, allowNull: false }, updatedAtMs: instant() },
    options('library_entries'),
  );
  GearRow.init(
    { kind: key(), id: key(), body: { type: DataTypes.TEXT, allowNull: false }, createdAtMs: instant(), deletedAtMs: maybeInstant() },
    options('gear'),
  );
  EventPitRow.init({ eventId: key(), pitId: key() }, options('event_pits'));
  EventBoxRow.init({ eventId: key(), boxId: key() }, options('event_boxes'));
}
