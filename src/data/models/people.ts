import { DataTypes, type CreationOptional, type Sequelize } from 'sequelize'
import { Row, flag, key, maybe, moment, perhaps, tables, text, ulid, whole } from './columns'

/** What a person may be in a course. */
import type { CourseRole } from '@/views/people'

export type { CourseRole }

export class User extends Row<User> {
  declare id: string
  declare signIn: string
  declare name: string
  /** Empty until an invitation is taken up: no password fits it. */
  declare passwordHash: string
  /** Of the PIN with which readings are signed on a bench's tablet; empty where there is none. */
  declare pinHash: CreationOptional<string>
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
  /** How words and units are written where nobody has chosen otherwise, as JSON. */
  declare words: CreationOptional<string>
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

/** What another system of the college asks with. */
export class TokenRow extends Row<TokenRow> {
  declare id: string
  /** What it is for, as whoever made it says. */
  declare name: string
  /** SHA-256 of the secret. */
  declare tokenHash: string
  /** What it may do, with spaces between (server/rights.ts). */
  declare rights: string
  declare course: string | null
  declare madeAt: Date
  declare madeBy: string
  declare endsAt: Date
  declare usedAt: CreationOptional<Date | null>
  declare withdrawnAt: CreationOptional<Date | null>
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

/** The secret address under which a person's sessions can be read as a calendar. */
export class Feed extends Row<Feed> {
  declare tokenHash: string
  declare user: string
}

/** Ties the models of people, courses and groups to a connection. */
export function definePeople(sequelize: Sequelize): void {
  const table = tables(sequelize)
  User.init(
    {
      id: key(),
      signIn: text(),
      name: text(),
      passwordHash: text(200),
      pinHash: { ...text(200), defaultValue: '' },
      administrator: flag(),
      withdrawnAt: perhaps(),
    },
    table('user'),
  )
  CollegeRow.init(
    { id: key(), title: text(), zone: text(60), keepNamesMonths: whole(), words: { ...text(200), defaultValue: '{}' } },
    table('college'),
  )
  Invitation.init(
    { id: key(), user: maybe(), tokenHash: text(64), madeAt: moment(), madeBy: maybe(), endsAt: moment(), usedAt: perhaps() },
    table('invitation'),
  )
  SignIn.init({ id: key(), user: ulid(), password: text(64), openedAt: moment() }, table('sign_in'))
  Attempt.init(
    { key: { ...text(200), primaryKey: true }, failures: whole(), last: moment(), until: moment(), token: ulid() },
    table('attempt'),
  )
  Deed.init(
    { id: key(), at: moment(), person: maybe(), course: maybe(), what: text(40), about: text(500), from: text(80) },
    table('deed'),
  )
  TokenRow.init(
    {
      id: key(),
      name: text(),
      tokenHash: text(64),
      rights: text(400),
      course: maybe(),
      madeAt: moment(),
      madeBy: ulid(),
      endsAt: moment(),
      usedAt: perhaps(),
      withdrawnAt: perhaps(),
    },
    table('token'),
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
  Feed.init({ tokenHash: { ...text(64), primaryKey: true }, user: ulid() }, table('feed'))
}
