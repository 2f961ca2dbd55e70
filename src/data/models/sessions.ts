import { DataTypes, type CreationOptional, type Sequelize } from 'sequelize'
import { Row, flag, key, maybe, moment, perhaps, tables, text, ulid, whole } from './columns'

export class LabSession extends Row<LabSession> {
  declare id: string
  declare section: string
  declare revision: string
  declare startsAt: Date
  declare endsAt: Date
  declare room: string
  declare cancelledAt: CreationOptional<Date | null>
  /** Why it was cancelled. */
  declare reason: CreationOptional<string | null>
  /** The session whose runs go on here; such a day has no runs of its own. */
  declare goesOnFrom: CreationOptional<string | null>
  /** The step with which this day begins by the plan. */
  declare beginsAtStep: CreationOptional<string | null>
}

/** One group's run in one lab session. */
export class Run extends Row<Run> {
  declare id: string
  declare session: string
  declare studentGroup: string
  declare bench: number
  declare members: string
  declare scale: number
  /** What a tablet types to become this bench for the day. */
  declare code: string
  /** What opens this run afterwards, to read. */
  declare readCode: CreationOptional<string | null>
  /** Number of the last entry; entries of one run are numbered without gaps. */
  declare lastSeq: CreationOptional<number>
  /** How much its log holds, bytes: entries with their words, and pictures. */
  declare wordsBytes: CreationOptional<number>
  declare pictureBytes: CreationOptional<number>
  /** The minute of the server's clock in which it wrote last, counted from 1970, and how many entries came in it. */
  declare pacedMinute: CreationOptional<number>
  declare pacedCount: CreationOptional<number>
}

/** Who belongs to a run. */
export class RunStudent extends Row<RunStudent> {
  declare run: string
  declare student: string
  declare place: number
  declare absent: CreationOptional<boolean>
}

/** A further day of a run, with its code. */
export class RunDay extends Row<RunDay> {
  declare run: string
  declare session: string
  declare code: string
}

/** One line of the log. The application's database user may read and add, and has no right to update or delete. */
export class EntryRow extends Row<EntryRow> {
  declare id: string
  declare run: string
  declare seq: number
  declare kind: string
  declare step: string
  declare body: string
  declare at: Date
  declare received: Date
  declare by: string
  declare device: string
  declare supersedes: string | null
  declare reason: string | null
  /** The last entry that its tablet had seen. */
  declare seen: CreationOptional<string | null>
  /** How far the tablet's clock was ahead of the server's, ms. */
  declare clockMs: CreationOptional<number | null>
  /** Ties it to the entry before in its run (data/chain). */
  declare hash: string
}

/** Words or a picture of an entry, beside the log: they can go, and the log stays. */
export class Beside extends Row<Beside> {
  declare id: string
  declare entry: string
  /** `reason`, or a field of the entry's body. */
  declare field: string
  declare salt: string
  declare words: string
}

/** Ties the models of sessions, runs and the log to a connection. */
export function defineSessions(sequelize: Sequelize): void {
  const table = tables(sequelize)
  LabSession.init(
    {
      id: key(),
      section: ulid(),
      revision: ulid(),
      startsAt: moment(),
      endsAt: moment(),
      room: text(),
      cancelledAt: perhaps(),
      reason: { type: DataTypes.STRING(200) },
      goesOnFrom: maybe(),
      beginsAtStep: { type: DataTypes.STRING(80) },
    },
    table('lab_session'),
  )
  Run.init(
    {
      id: key(),
      session: ulid(),
      studentGroup: ulid(),
      bench: whole(),
      members: text(200),
      scale: { type: DataTypes.DOUBLE, allowNull: false },
      code: { type: DataTypes.CHAR(6), allowNull: false },
      readCode: { type: DataTypes.CHAR(8) },
      lastSeq: { ...whole(), defaultValue: 0 },
      wordsBytes: { ...whole(), defaultValue: 0 },
      pictureBytes: { ...whole(), defaultValue: 0 },
      pacedMinute: { ...whole(), defaultValue: 0 },
      pacedCount: { ...whole(), defaultValue: 0 },
    },
    table('run'),
  )
  RunStudent.init({ run: key(), student: key(), place: whole(), absent: flag() }, table('run_student'))
  RunDay.init({ run: key(), session: key(), code: { type: DataTypes.CHAR(6), allowNull: false } }, table('run_day'))
  EntryRow.init(
    {
      id: key(),
      run: ulid(),
      seq: whole(),
      kind: text(20),
      step: text(80),
      body: { type: DataTypes.TEXT('long'), allowNull: false },
      at: moment(),
      received: moment(),
      by: text(80),
      device: text(80),
      supersedes: { type: DataTypes.CHAR(26) },
      reason: { type: DataTypes.STRING(500) },
      seen: { type: DataTypes.CHAR(26) },
      clockMs: { type: DataTypes.INTEGER },
      hash: { type: DataTypes.CHAR(64), allowNull: false },
    },
    table('entry'),
  )
  Beside.init(
    { id: key(), entry: ulid(), field: text(20), salt: text(32), words: { type: DataTypes.TEXT('long'), allowNull: false } },
    table('beside'),
  )
}
