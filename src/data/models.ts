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

/** A sign-in on one device. It ends when its row goes, or when the person's password is no longer the one it was opened with. */
export class SignIn extends Row<SignIn> {
  declare id: string
  declare user: string
  /** Fingerprint of the stored password hash of that moment. */
  declare password: string
  declare openedAt: Date
}

/** Failed attempts at a password or code, counted by what was tried and from where. */
export class Attempt extends Row<Attempt> {
  declare key: string
  declare failures: number
  declare last: Date
  /** Before this nothing is tried. */
  declare until: Date
  /** Of the attempt that was let through last. */
  declare token: string
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
  declare leftDecimals: number
  declare place: string
  declare changedAt: Date
  declare changedBy: string
}

/** A value of a reference record that a person of a course has compared with its source. */
export class ComparedRow extends Row<ComparedRow> {
  declare id: string
  declare course: string
  declare record: string
  declare what: string
  /** The value as it was compared, as JSON: what a later release says otherwise is not compared. */
  declare value: string
  declare comparedBy: string
  declare comparedAt: Date
}

/** The one draft of a preparation, which is written over and may be discarded. */
export class Draft extends Row<Draft> {
  declare id: string
  declare preparation: string
  declare number: number
  declare title: string
  declare aim: string
  /** The plan file, byte for byte. */
  declare plan: string
  /** Counts the saves, so that two windows notice each other. */
  declare version: number
  declare savedAt: Date
  declare savedBy: string
  /** Why the document cannot be read, where that was found. */
  declare fault: CreationOptional<string | null>
}

/** One published revision of a preparation's plan, frozen. It keeps the id that its draft had. */
export class Revision extends Row<Revision> {
  declare id: string
  declare preparation: string
  declare number: number
  declare state: 'published' | 'superseded'
  declare title: string
  declare aim: string
  /** The plan file, byte for byte. */
  declare plan: string
  /** How often the draft was saved that it was published from. */
  declare version: number
  declare savedAt: Date
  declare savedBy: string
  declare publishedAt: Date
  declare publishedBy: string
  /** When its author confirmed the safety sheet, which happens before it is published. */
  declare safetyReadAt: CreationOptional<Date | null>
  declare fault: CreationOptional<string | null>
  /** What it says in the file's present version, where its bytes are of an older one: worked out once, when the program was brought up to date. */
  declare broughtForward: CreationOptional<string | null>
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
  /** What opens this run afterwards, to read. */
  declare readCode: CreationOptional<string | null>
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
  /** The last entry that its tablet had seen. */
  declare seen: CreationOptional<string | null>
  /** How far the tablet's clock was ahead of the server's, ms. */
  declare clockMs: CreationOptional<number | null>
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
  SignIn.init({ id: key(), user: ulid(), password: text(64), openedAt: moment() }, table('sign_in'))
  Attempt.init(
    { key: { ...text(200), primaryKey: true }, failures: whole(), last: moment(), until: moment(), token: ulid() },
    table('attempt'),
  )
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
      leftDecimals: whole(),
      place: text(),
      changedAt: moment(),
      changedBy: ulid(),
    },
    table('bottle'),
  )
  ComparedRow.init(
    {
      id: key(),
      course: ulid(),
      record: text(),
      what: text(),
      value: { type: DataTypes.TEXT('long'), allowNull: false },
      comparedBy: ulid(),
      comparedAt: moment(),
    },
    table('compared'),
  )
  const document = {
    id: key(),
    preparation: ulid(),
    number: whole(),
    title: text(200),
    aim: text(1000),
    plan: { type: DataTypes.TEXT('long'), allowNull: false },
    version: whole(),
    savedAt: moment(),
    savedBy: ulid(),
    fault: { type: DataTypes.STRING(500) },
  }
  Draft.init(document, table('draft'))
  Revision.init(
    {
      ...document,
      state: text(12),
      publishedAt: moment(),
      publishedBy: ulid(),
      safetyReadAt: { type: DataTypes.DATE(3) },
      broughtForward: { type: DataTypes.TEXT('long') },
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
      readCode: { type: DataTypes.CHAR(8) },
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
      seen: { type: DataTypes.CHAR(26) },
      clockMs: { type: DataTypes.INTEGER },
    },
    table('entry'),
  )
}
