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
  /** Empty until an invitation is taken up: no password fits it. */
  declare passwordHash: string
  /** Looks after the college: its courses, its people, and the record of what was done. */
  declare administrator: CreationOptional<boolean>
  /** When the person was withdrawn from the college; null for those who are here. */
  declare withdrawnAt: CreationOptional<Date | null>
}

/** The one college of a database. */
export class CollegeRow extends Row<CollegeRow> {
  declare id: string
  declare title: string
  declare zone: string
  /** Months after a session after which students' names are no longer kept; 0: for good. */
  declare keepNamesMonths: number
}

/** A link with which a person chooses a password; without a person, the one with which a college begins. */
export class Invitation extends Row<Invitation> {
  declare id: string
  declare user: string | null
  /** SHA-256 of the secret in the link. */
  declare tokenHash: string
  declare madeAt: Date
  declare madeBy: string | null
  declare endsAt: Date
  declare usedAt: CreationOptional<Date | null>
}

/** Something a person did. The application's database user may read and add, and has no right to update or delete. */
export class Deed extends Row<Deed> {
  declare id: string
  declare at: Date
  declare person: string | null
  declare course: string | null
  declare what: string
  declare about: string
  declare from: string
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
  /** Such as autumn 2026; empty where nobody has said. */
  declare term: CreationOptional<string>
  declare copiedFrom: CreationOptional<string | null>
  /** True where a second person approves a plan before a session of it is set. */
  declare approval: CreationOptional<boolean>
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
  /** Names of its members, written from their rows (server/students.ts). */
  declare members: string
  /** When it was given up; null for a group that is there. */
  declare leftAt: CreationOptional<Date | null>
}

/** A student: a name and nothing else, without an account. */
export class Student extends Row<Student> {
  declare id: string
  /** Null for one who has left. */
  declare studentGroup: string | null
  /** Null once it is no longer kept. */
  declare name: string | null
  declare place: number
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

/** That a second person has approved a published plan. */
export class Approval extends Row<Approval> {
  declare revision: string
  declare person: string
  declare at: Date
}

/** The secret address under which a person's sessions can be read as a calendar. */
export class Feed extends Row<Feed> {
  declare tokenHash: string
  declare user: string
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
  const flag = () => ({ type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false })
  const perhaps = () => ({ type: DataTypes.DATE(3) })
  const maybe = () => ({ type: DataTypes.CHAR(26) })
  User.init(
    { id: key(), signIn: text(), name: text(), passwordHash: text(200), administrator: flag(), withdrawnAt: perhaps() },
    table('user'),
  )
  CollegeRow.init({ id: key(), title: text(), zone: text(60), keepNamesMonths: whole() }, table('college'))
  Invitation.init(
    { id: key(), user: maybe(), tokenHash: text(64), madeAt: moment(), madeBy: maybe(), endsAt: moment(), usedAt: perhaps() },
    table('invitation'),
  )
  Deed.init(
    { id: key(), at: moment(), person: maybe(), course: maybe(), what: text(40), about: text(500), from: text(80) },
    table('deed'),
  )
  SignIn.init({ id: key(), user: ulid(), password: text(64), openedAt: moment() }, table('sign_in'))
  Attempt.init(
    { key: { ...text(200), primaryKey: true }, failures: whole(), last: moment(), until: moment(), token: ulid() },
    table('attempt'),
  )
  Course.init(
    {
      id: key(),
      title: text(),
      college: text(),
      zone: text(60),
      lab: { type: DataTypes.TEXT('long') },
      term: { ...text(60), defaultValue: '' },
      copiedFrom: maybe(),
      approval: flag(),
    },
    table('course'),
  )
  Membership.init({ user: key(), course: key(), role: text(20) }, table('membership'))
  Section.init({ id: key(), course: ulid(), name: text() }, table('section'))
  StudentGroup.init({ id: key(), section: ulid(), bench: whole(), members: text(200), leftAt: perhaps() }, table('student_group'))
  Student.init({ id: key(), studentGroup: maybe(), name: { type: DataTypes.STRING(120) }, place: whole() }, table('student'))
  RunStudent.init({ run: key(), student: key(), place: whole(), absent: flag() }, table('run_student'))
  RunDay.init({ run: key(), session: key(), code: { type: DataTypes.CHAR(6), allowNull: false } }, table('run_day'))
  Approval.init({ revision: key(), person: ulid(), at: moment() }, table('approval'))
  Feed.init({ tokenHash: { ...text(64), primaryKey: true }, user: ulid() }, table('feed'))
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
