import { DataTypes, type CreationOptional, type Sequelize } from 'sequelize'
import { Row, key, maybe, moment, perhaps, tables, text, ulid } from './columns'

/** The results of a session as they were when they were released; the application's user may add and read, and change nothing. */
export class ResultRelease extends Row<ResultRelease> {
  declare id: string
  declare session: string
  declare releasedAt: Date
  declare releasedBy: string
  /** Which computation it came from. */
  declare version: string
  declare document: string
  /** SHA-256 of the document. */
  declare digest: string
}

/** A file of an instrument, as it came, and whose it is. */
export class InstrumentFile extends Row<InstrumentFile> {
  declare id: string
  declare session: string
  declare run: CreationOptional<string | null>
  declare name: string
  declare slot: string
  declare content: string
  declare digest: string
  /** What was said of its peaks, as JSON. */
  declare reading: CreationOptional<string>
  declare addedAt: Date
  /** Null where the group itself typed it. */
  declare addedBy: CreationOptional<string | null>
  /** What it says of itself, read once: null where it has not been read since it came, an empty kind where it cannot be. */
  declare kind: CreationOptional<string | null>
  declare title: CreationOptional<string | null>
  declare simulated: CreationOptional<boolean | null>
}

/** What is judged in a session, with weights and bands, as JSON. */
export class MarkingRow extends Row<MarkingRow> {
  declare session: string
  declare document: string
  declare changedAt: Date
  declare changedBy: string
}

/** What a person decided for a run, as JSON, and when it was handed back. */
export class MarkRow extends Row<MarkRow> {
  declare run: string
  declare document: string
  declare decidedAt: Date
  declare decidedBy: string
  declare handedBackAt: CreationOptional<Date | null>
}

const long = () => ({ type: DataTypes.TEXT('long'), allowNull: false })

/** Ties the models of what comes after a lab day to a connection. */
export function defineAfterwards(sequelize: Sequelize): void {
  const table = tables(sequelize)
  ResultRelease.init(
    {
      id: key(),
      session: ulid(),
      releasedAt: moment(),
      releasedBy: ulid(),
      version: text(40),
      document: long(),
      digest: text(64),
    },
    table('result_release'),
  )
  InstrumentFile.init(
    {
      id: key(),
      session: ulid(),
      run: maybe(),
      name: text(),
      slot: text(40),
      content: long(),
      digest: text(64),
      reading: { ...long(), defaultValue: '{}' },
      addedAt: moment(),
      addedBy: maybe(),
      kind: { type: DataTypes.STRING(20) },
      title: { type: DataTypes.STRING(120) },
      simulated: { type: DataTypes.BOOLEAN },
    },
    table('instrument_file'),
  )
  MarkingRow.init({ session: key(), document: long(), changedAt: moment(), changedBy: ulid() }, table('marking'))
  MarkRow.init({ run: key(), document: long(), decidedAt: moment(), decidedBy: ulid(), handedBackAt: perhaps() }, table('mark'))
}
