import { DataTypes, Model, type CreationOptional, type InferAttributes, type InferCreationAttributes, type Sequelize } from 'sequelize';

class Row<M extends Model> extends Model<InferAttributes<M>, InferCreationAttributes<M>> {}

/** An event: its document, and beside it what lists ask for. */
export class EventRow extends Row<EventRow> {
  declare id: string;
  declare name: string;
  declare timeZone: string;
  declare revision: number;
  declare body: string;
  declare firstServingMs: number | null;
  declare lastServingMs: number | null;
  declare guests: number;
  declare cuts: number;
  declare createdAtMs: number;
  declare updatedAtMs: number;
  declare deletedAtMs: CreationOptional<number | null>;
}

export class WeighedPieceRow extends Row<WeighedPieceRow> {
  declare eventId: string;
  declare position: number;
  declare cutId: string;
  declare boughtKg: number;
  declare trimmedKg: number;
}

export class LibraryEntryRow extends Row<LibraryEntryRow> {
  declare kind: 'cut' | 'method' | 'recipe';
  declare id: string;
  declare body: string;
  declare updatedAtMs: number;
  /** The event whose file it came with. */
  declare broughtBy: CreationOptional<string | null>;
}

/** Equipment of every kind, in the order it was made. */
export class GearRow extends Row<GearRow> {
  declare seq: CreationOptional<number>;
  declare kind: string;
  declare id: string;
  declare body: string;
  declare createdAtMs: number;
  declare deletedAtMs: CreationOptional<number | null>;
  /** The event whose file it came with. */
  declare broughtBy: CreationOptional<string | null>;
}

/** A cook day, and what it started from. */
export class CookDayRow extends Row<CookDayRow> {
  declare eventId: string;
  declare kept: string;
  declare clock: string;
  /** The earliest instant its plan could begin at. */
  declare plannedFromMs: number;
  declare startedAtMs: number;
  declare endedAtMs: number | null;
}

/** One entry of a day's journal, in the order they came. */
export class DayEntryRow extends Row<DayEntryRow> {
  declare seq: CreationOptional<number>;
  declare eventId: string;
  declare entryId: string;
  declare atMs: number;
  declare receivedAtMs: number;
  declare body: string;
}

export class DeviceTokenRow extends Row<DeviceTokenRow> {
  declare id: string;
  declare name: string;
  declare hash: string;
  declare createdAtMs: number;
  declare usedAtMs: number | null;
  declare revokedAtMs: number | null;
}

/** Somebody who has joined from the yard. */
export class CrewSessionRow extends Row<CrewSessionRow> {
  declare id: string;
  declare hash: string;
  declare name: string;
  declare role: string;
  declare joinedAtMs: number;
  declare seenAtMs: number;
  declare endedAtMs: number | null;
}

/** A cook of the log: its document, and beside it what lists and learning ask for. */
export class CookRow extends Row<CookRow> {
  declare id: string;
  declare eventId: string | null;
  declare onMs: number | null;
  declare cutId: string;
  declare methodId: string | null;
  declare pitId: string | null;
  declare log: number | null;
  declare logOf: number | null;
  declare body: string;
  declare updatedAtMs: number;
  declare deletedAtMs: CreationOptional<number | null>;
}

/** One measurement of a figure of the kitchen. */
export class ObservationRow extends Row<ObservationRow> {
  declare id: string;
  declare eventId: string | null;
  declare figure: string;
  declare atMs: number;
  declare value: number;
  declare readings: number;
  declare source: string;
}

/** How a pit's fire was made on a day. */
export class MadeFireRow extends Row<MadeFireRow> {
  declare id: string;
  declare eventId: string;
  declare body: string;
}

/** A trial, and each taster's paper of it. */
export class TrialRow extends Row<TrialRow> {
  declare id: string;
  declare body: string;
  declare updatedAtMs: number;
  declare deletedAtMs: CreationOptional<number | null>;
}
/** A day in practice, and how the questions of the drills went, of each trainee. */
export class PracticeRunRow extends Row<PracticeRunRow> {
  declare id: string;
  declare trainee: string;
  declare body: string;
  declare updatedAtMs: number;
  declare deletedAtMs: CreationOptional<number | null>;
}
export class DrillMarkRow extends Row<DrillMarkRow> {
  declare id: string;
  declare trainee: string;
  declare body: string;
  declare updatedAtMs: number;
}

export class TastingRow extends Row<TastingRow> {
  declare id: string;
  declare trialId: string;
  declare body: string;
  declare updatedAtMs: number;
}

export class SettingRow extends Row<SettingRow> {
  declare key: string;
  declare value: string;
}

// Sequelize writes the column's name into the object it is given, so each column gets its own.
const key = () => ({ type: DataTypes.STRING, primaryKey: true });
const text = () => ({ type: DataTypes.STRING, allowNull: false });
const body = () => ({ type: DataTypes.TEXT, allowNull: false });
const real = () => ({ type: DataTypes.DOUBLE, allowNull: false });
const whole = () => ({ type: DataTypes.INTEGER, allowNull: false });
const instant = () => ({ type: DataTypes.BIGINT, allowNull: false });
const maybeText = () => ({ type: DataTypes.STRING, allowNull: true });
const maybeInstant = () => ({ type: DataTypes.BIGINT, allowNull: true });

/** Binds the row classes to a connection. Shapes follow the migrations, which alone make tables. */
export function initTables(sequelize: Sequelize): void {
  const options = (tableName: string) => ({ sequelize, tableName, timestamps: false, underscored: true });
  EventRow.init(
    {
      id: key(),
      name: text(),
      timeZone: text(),
      revision: whole(),
      body: body(),
      firstServingMs: maybeInstant(),
      lastServingMs: maybeInstant(),
      guests: whole(),
      cuts: whole(),
      createdAtMs: instant(),
      updatedAtMs: instant(),
      deletedAtMs: maybeInstant(),
    },
    options('events'),
  );
  WeighedPieceRow.init(
    { eventId: key(), position: { ...whole(), primaryKey: true }, cutId: text(), boughtKg: real(), trimmedKg: real() },
    options('weighed_pieces'),
  );
  LibraryEntryRow.init(
    { kind: key(), id: key(), body: body(), updatedAtMs: instant(), broughtBy: maybeText() },
    options('library_entries'),
  );
  GearRow.init(
    {
      seq: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      kind: text(),
      id: text(),
      body: body(),
      createdAtMs: instant(),
      deletedAtMs: maybeInstant(),
      broughtBy: maybeText(),
    },
    options('gear'),
  );
  CookDayRow.init(
    { eventId: key(), kept: body(), clock: body(), plannedFromMs: instant(), startedAtMs: instant(), endedAtMs: maybeInstant() },
    options('cook_days'),
  );
  DayEntryRow.init(
    {
      seq: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      eventId: text(),
      entryId: text(),
      atMs: instant(),
      receivedAtMs: instant(),
      body: body(),
    },
    options('day_entries'),
  );
  DeviceTokenRow.init(
    { id: key(), name: text(), hash: text(), createdAtMs: instant(), usedAtMs: maybeInstant(), revokedAtMs: maybeInstant() },
    options('device_tokens'),
  );
  CrewSessionRow.init(
    {
      id: key(),
      hash: text(),
      name: text(),
      role: text(),
      joinedAtMs: instant(),
      seenAtMs: instant(),
      endedAtMs: maybeInstant(),
    },
    options('crew_sessions'),
  );
  CookRow.init(
    {
      id: key(),
      eventId: maybeText(),
      onMs: maybeInstant(),
      cutId: text(),
      methodId: maybeText(),
      pitId: maybeText(),
      log: { type: DataTypes.DOUBLE, allowNull: true },
      logOf: { type: DataTypes.INTEGER, allowNull: true },
      body: body(),
      updatedAtMs: instant(),
      deletedAtMs: maybeInstant(),
    },
    options('cooks'),
  );
  ObservationRow.init(
    { id: key(), eventId: maybeText(), figure: text(), atMs: instant(), value: real(), readings: whole(), source: text() },
    options('observations'),
  );
  MadeFireRow.init({ id: key(), eventId: text(), body: body() }, options('made_fires'));
  TrialRow.init({ id: key(), body: body(), updatedAtMs: instant(), deletedAtMs: maybeInstant() }, options('trials'));
  TastingRow.init({ id: key(), trialId: text(), body: body(), updatedAtMs: instant() }, options('tastings'));
  PracticeRunRow.init(
    { id: key(), trainee: text(), body: body(), updatedAtMs: instant(), deletedAtMs: maybeInstant() },
    options('practice_runs'),
  );
  DrillMarkRow.init({ id: key(), trainee: text(), body: body(), updatedAtMs: instant() }, options('drill_marks'));
  SettingRow.init({ key: key(), value: body() }, options('settings'));
}
