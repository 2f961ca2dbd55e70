import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'

/** What a person may be in a course. */
export type CourseRole = 'owner' | 'demonstrator' | 'stores' | 'reader'

abstract class Row<T extends Model> extends Model<InferAttributes<T>, InferCreationAttributes<T>> {}

export class User extends Row<User> {
  declare id: string
  declare signIn: string
  declare name: string
  declare passwordHash: string
}

/** Failed attempts at a password or code, counted per key within a window. */
export class Attempt extends Row<Attempt> {
  declare key: string
  declare failures: number
  declare since: Date
}

export class Course extends Row<Course> {
  declare id: string
  declare title: string
  declare college: string
  /** IANA name of the time zone that the laboratory's clock shows. */
  declare zone: string
  /** How the laboratory works (core/lab), as JSON; null while nobody has said. */
  declare lab: CreationOptional<string | null>
}

export class Membership extends Row<Membership> {
  declare user: string
  declare course: string
  declare role: CourseRole
}

export class Section extends Row<Section> {
  declare id: string
  declare course: string
  declare name: string
}

/** Two or three people who share a bench. */
export class StudentGroup extends Row<StudentGroup> {
  declare id: string
  declare section: string
  declare bench: number
  declare members: string
}

export class Preparation extends Row<Preparation> {
  declare id: string
  declare course: string
  declare title: string
  /** When it was put away; null while it is in use. */
  declare archivedAt: CreationOptional<Date | null>
}

/** A bottle on the shelf of a course. */
export class BottleRow extends Row<BottleRow> {
  declare id: string
  declare course: string
  declare substance: string
  declare formula: string | null
  /** The form as in a plan, as JSON. */
  declare form: string
  declare leftValue: number
  declare leftUnit: 'g' | 'mL'
  declare place: string
  declare changedAt: Date
  declare changedBy: string
}

/** One revision of a preparation's plan; its plan is frozen once it is published. */
export class Revision extends Row<Revision> {
  declare id: string
  declare preparation: string
  declare number: number
  declare state: 'draft' | 'published' | 'superseded'
  /** The plan file, byte for byte. */
  declare plan: string
  /** Counts the saves of a draft, so that two windows notice each other. */
  declare version: number
  declare savedAt: Date
  declare savedBy: string
  declare publishedAt: CreationOptional<Date | null>
  declare publishedBy: CreationOptional<string | null>
  /** When its author confirmed the safety sheet, which happens before it is published. */
  declare safetyReadAt: CreationOptional<Date | null>
}

export class LabSession extends Row<LabSession> {
  declare id: string
  declare section: string
  declare revision: string
  declare startsAt: Date
  declare endsAt: Date
  declare room: string
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
  /** Number of the last entry; entries of one run are numbered without gaps. */
  declare lastSeq: CreationOptional<number>
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
}

const ulid = () => ({ type: DataTypes.CHAR(26), allowNull: false })
const key = () => ({ ...ulid(), primaryKey: true })
const text = (length = 120) => ({ type: DataTypes.STRING(length), allowNull: false })
const whole = () => ({ type: DataTypes.INTEGER, allowNull: false })
const moment = () => ({ type: DataTypes.DATE(3), allowNull: false })

/** Ties the model classes to a connection. */
export function defineModels(sequelize: Sequelize): void {
  const table = (tableName: string) => ({ sequelize, tableName })
  User.init({ id: key(), signIn: text(), name: text(), passwordHash: text(200) }, table('user'))
  Attempt.init({ key: { ...text(160), primaryKey: true }, failures: whole(), since: moment() }, table('attempt'))
  Course.init(
    { id: key(), title: text(), college: text(), zone: text(60), lab: { type: DataTypes.TEXT('long') } },
    table('course'),
  )
  Membership.init({ user: key(), course: key(), role: text(20) }, table('membership'))
  Section.init({ id: key(), course: ulid(), name: text() }, table('section'))
  StudentGroup.init({ id: key(), section: ulid(), bench: whole(), members: text(200) }, table('student_group'))
  Preparation.init({ id: key(), course: ulid(), title: text(200), archivedAt: { type: DataTypes.DATE(3) } }, table('preparation'))
  BottleRow.init(
    {
      id: key(),
      course: ulid(),
      substance: text(200),
      formula: { type: DataTypes.STRING(120) },
      form: text(500),
      leftValue: { type: DataTypes.DOUBLE, allowNull: false },
      leftUnit: text(4),
      place: text(),
      changedAt: moment(),
      changedBy: ulid(),
    },
    table('bottle'),
  )
  Revision.init(
    {
      id: key(),
      preparation: ulid(),
      number: whole(),
      state: text(12),
      plan: { type: DataTypes.TEXT('long'), allowNull: false },
      version: whole(),
      savedAt: moment(),
      savedBy: ulid(),
      publishedAt: { type: DataTypes.DATE(3) },
      publishedBy: { type: DataTypes.CHAR(26) },
      safetyReadAt: { type: DataTypes.DATE(3) },
    },
    table('revision'),
  )
  LabSession.init(
    { id: key(), section: ulid(), revision: ulid(), startsAt: moment(), endsAt: moment(), room: text() },
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
      lastSeq: { ...whole(), defaultValue: 0 },
    },
    table('run'),
  )
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
    },
    table('entry'),
  )
}
