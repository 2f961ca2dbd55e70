import { ulid } from 'ulid'
/** A college from its first page through its terms: people, groups, sessions that change, and what is kept of whom. */
import { Op, QueryTypes, type Sequelize } from 'sequelize'
import { emptyDatabase } from '@/test-support/database'
import { refused } from '@/test-support/refused'
import type { Entry } from '@/core/run/entry'
import { plainWords } from '@/core/words/say'
import { college } from '@/demo/college'
import { appendEntries, readEntries } from '@/data/entries'
import { putBack } from '@/data/beside'
import { setClock } from '@/data/clock'
import { database } from '@/data/connect'
import { dayOfCode, placesOfRuns } from '@/data/people'
import {
  Approval,
  Course,
  Deed,
  EntryRow,
  Invitation,
  LabSession,
  Membership,
  Run,
  RunDay,
  RunStudent,
  SignIn,
  Student,
  StudentGroup,
  User,
} from '@/data/models'
import { seed } from '../../scripts/seed'
import { benchAt } from './actor'
import { approvalOf, approve } from './approvals'
import { calendarOfCourse, calendarOfFeed, newFeed } from './calendars'
import { changeable, likeSession } from './changeable'
import { newBenchCode } from './codes'
import { deedsBefore, record } from './deeds'
import { belongsOnlyTo, linkMs, openInvitation, takeUp } from './invitations'
import { exportPerson, forgetPerson, setAdministrator, withdraw } from './collegePeople'
import { changeCollege, collegeOverview, makeCourse } from './colleges'
import { changeRole, invite, newLink, peopleOfCourse, takeOut } from './people'
import { pictureOf } from './pictures'
import { listPreparations } from './preparationLists'
import { isOver, subjectOfSession, viewSession } from './sessions'
import {
  addGroup,
  anotherDay,
  cancelSession,
  changeSession,
  checkSession,
  createSession,
  restoreSession,
  splitSession,
} from './setSessions'
import { exportStudent, forget, forgetOld, forgetWords } from './forgetting'
import { decide, handBack, handedBackTo } from './marks'
import { addSection, presence, removeSection, renameSection, saveGroups, sectionsOfCourse, setAbsent } from './students'
import { changeCourse, copyCourse } from './terms'

const now = new Date('2026-11-23T15:00:00Z')
const made = college(now, 'UTC')
const [owner, demonstrator, stores] = made.people as [(typeof made.people)[0], (typeof made.people)[0], (typeof made.people)[0]]
const course = made.course.id
const [, , next] = made.sessions
let tables: Sequelize

beforeAll(async () => {
  tables = await emptyDatabase()
  await seed(process.env.MOZLE_OWNER_URL!, now, 'UTC')
  database()
})
afterAll(async () => {
  await tables.close()
  await database().close()
})

describe('people', () => {
  const person = { name: 'Ruta Lind', signIn: 'Lind', role: 'demonstrator' as const }

  test('an invitation is a link that ends with a week, with its use, and with a newer one', async () => {
    const { user, token } = await invite(course, person, owner.id)
    const mine = (await peopleOfCourse(course)).find(({ id }) => id === user)!
    expect(mine).toMatchObject({ signIn: 'lind', here: false, role: 'demonstrator', mayLink: true })
    expect(await openInvitation(token!, new Date(Date.now() + linkMs - 5000))).not.toBeNull()
    expect(await openInvitation(token!, new Date(Date.now() + linkMs + 5000))).toBeNull()
    const { token: newer } = await newLink(course, user, owner.id)
    expect(await openInvitation(token!)).toBeNull()
    expect(await refused(takeUp(token!, 'a long password', 'here'))).toContain('404')
    await takeUp(newer, 'a long password', 'here')
    expect(await refused(takeUp(newer, 'another password', 'here'))).toContain('404')
    expect((await peopleOfCourse(course)).find(({ id }) => id === user)).toMatchObject({ here: true, linkUntil: null })
    expect(await refused(invite(course, person, owner.id))).toContain('belongs to this course already')
    // What an open link keeps is a digest, not the secret.
    expect((await Invitation.findAll()).every(({ tokenHash }) => tokenHash.length === 64 && tokenHash !== token)).toBe(true)
  })

  test('somebody known by another name is not taken for them', async () => {
    // Names that only look like hers, by letters of another alphabet or by what is not seen.
    for (const name of ['Nооr Haddad', 'Noor\u200b Haddad'])
      expect(await refused(invite(course, { ...person, signIn: 'other', name }, owner.id))).toContain('looks like “Noor Haddad”')
    expect(await refused(invite(course, { ...person, signIn: 'haddad', name: 'Somebody' }, owner.id))).toContain(
      'somebody else here',
    )
  })

  test('an owner lets nobody in anew who has rights elsewhere; the administrator does', async () => {
    const { id, token } = await makeCourse(
      { title: 'Laboratory II', term: '', owner: { name: demonstrator.name, signIn: demonstrator.signIn } },
      owner.id,
    )
    expect(token).toBeNull()
    expect(await belongsOnlyTo(demonstrator.id, course)).toBe(false)
    expect(await refused(newLink(course, demonstrator.id, owner.id))).toContain('403')
    expect(await refused(newLink(course, owner.id, owner.id))).toContain('403')
    expect(await refused(newLink(id, stores.id, owner.id))).toContain('404')
  })

  test('a course keeps an owner, the college an administrator', async () => {
    expect(await refused(changeRole(course, owner.id, 'reader'))).toContain('one owner at least')
    expect(await refused(takeOut(course, owner.id))).toContain('one owner at least')
    expect(await refused(setAdministrator(owner.id, false))).toContain('one administrator at least')
    expect(await refused(withdraw(owner.id))).toContain('one administrator at least')
    await changeRole(course, demonstrator.id, 'owner')
    await changeRole(course, demonstrator.id, 'demonstrator')
    expect((await Membership.findOne({ where: { user: demonstrator.id, course } }))!.role).toBe('demonstrator')
  })

  test('two who go at the same moment are not both the last', async () => {
    const { user } = await invite(course, { name: 'Nele Aust', signIn: 'aust', role: 'owner' }, owner.id)
    await setAdministrator(user, true)
    const both = [owner.id, user]
    const last = { owner: expect.stringContaining('one owner'), administrator: expect.stringContaining('one administrator') }
    const atOnce = async (deed: (id: string) => Promise<void>) => {
      const done = await Promise.allSettled(both.map(deed))
      return done.flatMap((each) => (each.status === 'rejected' ? [(each.reason as Error).message] : []))
    }
    const again = async () => {
      await Membership.update({ role: 'owner' }, { where: { course, user: both } })
      await User.update({ administrator: true }, { where: { id: both } })
    }
    for (let time = 0; time < 5; time++) {
      expect(await atOnce((id) => changeRole(course, id, 'demonstrator'))).toEqual([last.owner])
      await again()
      expect(await atOnce((id) => setAdministrator(id, false))).toEqual([last.administrator])
      await again()
    }
    await takeOut(course, user)
    await setAdministrator(user, false)
    await withdraw(user)
  })

  test('whoever is withdrawn is in no course, signs in no more, and keeps the name at what they did', async () => {
    const { user, token } = await invite(course, { name: 'Oda Berg', signIn: 'berg', role: 'demonstrator' }, owner.id)
    await takeUp(token!, 'a long password', 'here')
    await SignIn.create({ id: '01J00000000000000000000002', user, password: 'x', openedAt: new Date() })
    await record({ what: 'signed', person: user, course, from: 'here' })
    await withdraw(user)
    expect(await SignIn.count({ where: { user } })).toBe(0)
    expect((await User.findByPk(user))!.passwordHash).toBe('')
    expect((await peopleOfCourse(course)).map(({ id }) => id)).not.toContain(user)
    expect((await deedsBefore(undefined)).find(({ what }) => what === 'signed')!.who).toBe('Oda Berg')
    expect(await refused(invite(course, { name: 'Oda Berg', signIn: 'berg', role: 'reader' }, owner.id))).toContain(
      'has been withdrawn',
    )
    const held = await exportPerson(user)
    expect(held).toMatchObject({ name: 'Oda Berg', courses: [] })
    expect(held.deeds.map(({ what }) => what)).toContain('signed')
    expect(await refused(forgetPerson(owner.id))).toContain('Withdraw this person first')
    const { people } = await collegeOverview()
    expect(people.find(({ id }) => id === user)).toMatchObject({ withdrawn: true, courses: '' })
    await forgetPerson(user)
    expect((await deedsBefore(undefined)).find(({ what }) => what === 'signed')!.who).toBe('somebody who has left')
    expect(JSON.stringify(await User.findAll({ raw: true }))).not.toMatch(/Oda|"berg"/)
  })

  test('the record cannot be changed or taken away by the application', async () => {
    await expect(Deed.update({ what: 'x' }, { where: {} })).rejects.toThrow(/denied/i)
    await expect(Deed.destroy({ where: {} })).rejects.toThrow(/denied/i)
  })
})

describe('sections and groups', () => {
  const section = made.sections[0]!.id
  const groupsNow = async () => (await sectionsOfCourse(course)).find(({ id }) => id === section)!
  const asWanted = async () => {
    const { groups } = await groupsNow()
    return {
      groups: groups.map(({ bench, members }) => ({ bench, names: members.map(({ name }) => name!) })),
      seen: groups.flatMap(({ members }) => members.map(({ id }) => id)),
    }
  }

  test('a person keeps their id at another bench; runs ahead follow, those that have begun stay', async () => {
    const before = await asWanted()
    const kowal = (await Student.findOne({ where: { name: 'Kowal' } }))!
    // Last week’s, and the one that is on.
    const begun = made.sessions.slice(0, 2).map(({ runs }) => runs[0]!.id)
    const hers = () => RunStudent.count({ where: { student: kowal.id, run: begun } })
    const then = await hers()
    expect(then).toBeGreaterThan(0)
    const ahead = await createSession(
      {
        section,
        revision: made.preparations.find(({ plan }) => plan.title === 'Benzoin')!.revision,
        days: [{ startsAt: '2027-01-10T09:00:00Z', endsAt: '2027-01-10T15:00:00Z', room: 'Far lab' }],
        groups: (await groupsNow()).groups.map(({ id }) => ({ group: id, scale: 1 })),
      },
      now,
    )
    const moved = before.groups.map(({ bench, names }) => ({
      bench,
      names: bench === 1 ? names.filter((name) => name !== 'Kowal') : bench === 2 ? [...names, 'Kowal'] : names,
    }))
    await saveGroups(section, { groups: [...moved, { bench: 40, names: ['New One'] }], seen: before.seen }, now)
    const { groups } = await groupsNow()
    expect(groups.find(({ bench }) => bench === 2)!.members.map(({ id }) => id)).toContain(kowal.id)
    expect(groups.find(({ bench }) => bench === 40)!.members.map(({ name }) => name)).toEqual(['New One'])
    const runs = (await viewSession(ahead.id, false)).runs
    expect(runs.find(({ bench }) => bench === 2)!.members).toBe('Brandt, Osei, Kowal')
    expect(runs.find(({ bench }) => bench === 1)!.members).toBe('Adeyemi')
    expect(await hers()).toBe(then)
    expect((await Run.findByPk(made.sessions[0]!.runs[0]!.id))!.members).toBe('Adeyemi, Kowal')
  })

  test('what somebody else changed meanwhile is not written over, and nothing impossible is', async () => {
    const { groups, seen } = await asWanted()
    expect(await refused(saveGroups(section, { groups, seen: seen.slice(1) }))).toContain('409')
    expect(await refused(saveGroups(section, { groups: [...groups, groups[0]!], seen }))).toContain('named twice')
    const many = Array.from({ length: 61 }, (_, at) => ({ bench: at + 1, names: [`n${at}`] }))
    expect(await refused(saveGroups(section, { groups: many, seen }))).toContain('60 groups')
  })

  test('a bench that is given up keeps its runs, and its people leave', async () => {
    const { groups, seen } = await asWanted()
    await saveGroups(section, { groups: groups.filter(({ bench }) => bench !== 40), seen })
    expect((await groupsNow()).groups.map(({ bench }) => bench)).not.toContain(40)
    expect((await StudentGroup.findOne({ where: { section, bench: 40 } }))!.leftAt).not.toBeNull()
    expect((await Student.findOne({ where: { name: 'New One' } }))!.studentGroup).toBeNull()
  })

  test('sections are made, renamed, and taken away while no session was set for them', async () => {
    const { id } = await addSection(course, 'Section D')
    expect(await refused(addSection(course, 'Section D'))).toContain('already')
    expect(await refused(renameSection(id, 'Section A'))).toContain('already')
    await renameSection(id, 'Section E')
    await saveGroups(id, { groups: [{ bench: 1, names: ['Ek'] }], seen: [] })
    expect(await refused(removeSection(section))).toContain('409')
    await removeSection(id)
    expect((await sectionsOfCourse(course)).map(({ name }) => name)).not.toContain('Section E')
  })

  test('absent for a day: the run says who was there, the group stays as it is', async () => {
    const run = next!.runs[2]!.id
    const people = (await presence([run]))[run]!
    await setAbsent(run, [people[0]!.id])
    expect((await Run.findByPk(run))!.members).toBe(people[1]!.name)
    expect((await presence([run]))[run]!.map(({ absent }) => absent)).toEqual([true, false])
    await setAbsent(run, [])
    expect((await Run.findByPk(run))!.members).toBe(people.map(({ name }) => name).join(', '))
    expect(await refused(setAbsent(run, ['nobody']))).toContain('400')
  })

  test('what is held of a student, and forgetting: no figure and no entry changes', async () => {
    const student = (await Student.findOne({ where: { name: 'Castellan' } }))!
    const marked = made.sessions[0]!.runs[2]!.id
    await decide(
      marked,
      { points: { yield: 2 }, comments: { yield: 'Dry it longer.' }, comment: 'Mia, well done.' },
      owner.id,
      'here',
    )
    await handBack(made.sessions[0]!.id, owner.id, 'here')
    const held = await exportStudent(student.id)
    expect(held.runs.find(({ run }) => run === marked)!.mark!.comment).toBe('Mia, well done.')
    expect(held).toMatchObject({ name: 'Castellan', group: { section: 'Section A', bench: 3 } })
    expect(held.runs.length).toBeGreaterThan(1)
    const run = made.sessions[0]!.runs[2]!.id
    const entries = () => EntryRow.findAll({ where: { run }, order: [['seq', 'ASC']], raw: true })
    const before = await entries()
    await forget([student.id])
    expect(await entries()).toEqual(before)
    expect((await Run.findByPk(run))!.members).toBe('Ivers, 1 no longer named')
    const everywhere = await Promise.all(
      ['student', 'student_group', 'run', 'deed'].map((table) =>
        tables.query(`SELECT * FROM ${table}`, { type: QueryTypes.SELECT }).then((rows) => JSON.stringify(rows)),
      ),
    )
    expect(everywhere.join()).not.toContain('Castellan')
    expect((await exportStudent(student.id)).name).toBeNull()
    // What was said beside the points goes with the words of the run; the points stay.
    await forgetWords([run])
    expect((await handedBackTo(run))!.mark).toEqual({ points: { yield: 2 }, comments: {}, comment: '' })
  })

  test('free words and pictures stand beside the log, which holds their digests; they can go, and what was altered says so', async () => {
    const run = made.sessions[1]!.runs[4]!.id
    const step = made.preparations.find(({ plan }) => plan.title === 'Acetanilide')!.plan.steps[1]!.id
    const picture = 'data:image/jpeg;base64,AAAA'
    const seen = (id: string, text: string, more: object = {}) =>
      ({
        ...{ id, kind: 'observation', step, at: now.toISOString(), by: 'Bench 5', device: 't', supersedes: null, reason: null },
        body: { text, colour: 'red', ...more },
      }) as Entry
    const [first, second] = ['01J0000000000000000000000A', '01J0000000000000000000000B'] as const
    const written = await appendEntries(
      run,
      [seen(first, 'Mia spilt it', { picture }), { ...seen(second, 'calm'), reason: 'Mia said so' }],
      now,
    )
    expect(written.map(({ body }) => (body as { text: string }).text)).toEqual(['Mia spilt it', 'calm'])
    // Sent again, they come back as they were written.
    const again = await appendEntries(run, [seen(first, 'Mia spilt it', { picture })], now)
    const marker = expect.stringMatching(/^beside:[0-9a-f]{64}$/)
    expect(again[0]!.body).toEqual({ text: 'Mia spilt it', colour: 'red', picture: marker })
    expect(written[0]!.body).toEqual(again[0]!.body)
    const log = JSON.stringify(await EntryRow.findAll({ where: { run }, raw: true }))
    expect(log).not.toMatch(/Mia|AAAA/)
    expect(log).toContain('beside:')
    const read = async (id: string) => (await readEntries([run]))[run]!.find((entry) => entry.id === id)!
    // A picture is fetched by itself, when somebody looks at it, or put into what is taken away.
    expect((await read(first)).body).toEqual({ text: 'Mia spilt it', colour: 'red', picture: marker })
    expect(await pictureOf(first)).toEqual(Buffer.from('AAAA', 'base64'))
    expect((await putBack([await read(first)], { pictures: true }))[0]!.body).toMatchObject({ picture })
    expect((await read(second)).reason).toBe('Mia said so')
    await tables.query("UPDATE beside SET words = 'Ida spilt it' WHERE words = 'Mia spilt it'")
    expect((await read(first)).body).toMatchObject({ text: 'these words are not those that were written', picture: marker })
    await tables.query("UPDATE beside SET words = 'data:image/jpeg;base64,AAAB' WHERE field = 'picture'")
    await expect(pictureOf(first)).rejects.toThrow('not the one that was taken')
    const before = await EntryRow.findAll({ where: { run }, raw: true })
    expect(await forgetWords([run])).toBeGreaterThan(3)
    expect((await read(first)).body).toEqual({ text: 'no longer kept; picture no longer kept', colour: 'red' })
    expect((await read(second)).reason).toBe('no longer kept')
    await expect(pictureOf(first)).rejects.toThrow('no longer kept')
    await expect(pictureOf(second)).rejects.toThrow('There is no such picture')
    expect(await EntryRow.findAll({ where: { run }, raw: true })).toEqual(before)
    expect(await forgetWords([])).toBe(0)
  })

  test('names are kept as many months as the college says after the last session, and no day less', async () => {
    const last = (await LabSession.findByPk(made.sessions[0]!.id))!
    const bakari = (await Student.findOne({ where: { name: 'Bakari' } }))!
    const ends = await LabSession.max<Date, LabSession>('endsAt', {
      where: {
        id: (
          await Run.findAll({
            where: { id: (await RunStudent.findAll({ where: { student: bakari.id } })).map(({ run }) => run) },
          })
        ).map(({ session }) => session),
      },
    })
    expect(await forgetOld(new Date('2040-01-01'))).toBe(0)
    await changeCollege({ title: 'Quillmere College', zone: 'UTC', keepNamesMonths: 6, words: plainWords })
    const at = (days: number) => {
      const day = new Date(ends)
      day.setUTCMonth(day.getUTCMonth() + 6)
      return new Date(day.getTime() + days * 86_400_000)
    }
    await forgetOld(at(-1))
    expect((await Student.findByPk(bakari.id))!.name).toBe('Bakari')
    await forgetOld(at(1))
    expect((await Student.findByPk(bakari.id))!.name).toBeNull()
    expect(last.endsAt.getTime()).toBeLessThan(at(1).getTime())
    // Who was never in a session counts from when the name was written.
    const written = new Date('2050-01-15T00:00:00Z')
    const never = await Student.create({
      id: ulid(written.getTime()),
      studentGroup: bakari.studentGroup,
      name: 'Never Here',
      place: 90,
    })
    await forgetOld(new Date('2050-07-14T00:00:00Z'))
    expect((await Student.findByPk(never.id))!.name).toBe('Never Here')
    await forgetOld(new Date('2050-07-16T00:00:00Z'))
    expect((await Student.findByPk(never.id))!.name).toBeNull()
    await changeCollege({ title: 'Quillmere College', zone: 'UTC', keepNamesMonths: 0, words: plainWords })
  })
})

describe('terms', () => {
  test('a course is copied with plans, settings and stock, without people, groups and runs', async () => {
    await changeCourse(course, { title: made.course.title, term: 'autumn 2026', approval: false })
    const { id } = await copyCourse(course, { title: made.course.title, term: 'spring 2027' }, owner.id)
    const actor = {
      kind: 'user' as const,
      id: owner.id,
      name: owner.name,
      roles: { [course]: 'owner' as const, [id]: 'owner' as const },
    }
    const titles = async (of: string) => (await listPreparations(of, actor)).map(({ title }) => title).sort()
    expect(await titles(id)).toEqual(await titles(course))
    expect(await Membership.findAll({ where: { course: id }, raw: true })).toEqual([
      { user: owner.id, course: id, role: 'owner' },
    ])
    expect(await sectionsOfCourse(id)).toEqual([])
    const [from, to] = [(await Course.findByPk(course))!, (await Course.findByPk(id))!]
    expect([to.lab, to.zone, to.copiedFrom]).toEqual([from.lab, from.zone, course])
    expect(await refused(copyCourse(course, { title: made.course.title, term: 'spring 2027' }, owner.id))).toContain('already')
  })
})

describe('sessions that change', () => {
  // Its days are to come, whatever day it is.
  beforeAll(() => setClock(() => now.getTime()))
  afterAll(() => setClock())
  const section = made.sections[1]!.id
  const revisionOf = (title: string) => made.preparations.find(({ plan }) => plan.title === title)!.revision
  const day = (date: string, room = 'Hall', from = '09', to = '15') => ({
    startsAt: `${date}T${from}:00:00.000Z`,
    endsAt: `${date}T${to}:00:00.000Z`,
    room,
  })
  const groups = made.sections[1]!.groups.map(({ id }) => ({ group: id, scale: 1 }))
  const set = (title: string, days: ReturnType<typeof day>[], some = groups) =>
    createSession({ section, revision: revisionOf(title), days, groups: some }, now)

  test('clashes of room, section and hour, a day that is past, and hours that do not fit are said before', async () => {
    await set('Benzoin', [day('2027-02-01')])
    const said = async (days: ReturnType<typeof day>[], title = 'Benzoin', of = section) =>
      (await checkSession({ section: of, revision: revisionOf(title), days }))
        .map(({ level, words }) => `${level} ${words}`)
        .filter((words) => !words.includes('is not a room'))
    expect(await said([day('2027-02-01', 'Elsewhere')])).toEqual([
      expect.stringContaining('danger Section B has Benzoin then, 09:00–15:00'),
    ])
    expect(await said([day('2027-02-01', 'Hall')], 'Benzoin', made.sections[0]!.id)).toEqual([
      expect.stringContaining('danger Hall is taken then'),
    ])
    // A room that the laboratory does not have is asked about, however it is written; one that it has is not.
    const rooms = async (room: string) =>
      (await checkSession({ section, revision: revisionOf('Benzoin'), days: [day('2027-03-03', room)] })).map(
        ({ words }) => words,
      )
    expect(await rooms('North lap')).toEqual([
      expect.stringMatching(/^“North lap” is not a room of the laboratory \(North lab, .*\)/),
    ])
    expect(await rooms(' north LAB')).toEqual([])
    // One that begins when the other ends does not clash.
    expect(await said([day('2027-02-01', 'Hall', '15', '21')])).toEqual([])
    expect(await said([day('2020-02-01')])).toEqual([expect.stringContaining('This day is past')])
    expect(await said([day('2027-02-02', 'Hall', '09', '11')])).toEqual([
      expect.stringMatching(/^doubt The plan takes 3 h 53 min as usual, and there are 2 h/),
    ])
    expect(await said([day('2027-02-02', 'Hall', '11', '09')])).toContainEqual(expect.stringContaining('ends before it begins'))
    expect(await refused(set('Benzoin', [day('2027-02-01', 'Elsewhere')]))).toContain('409 Section B has Benzoin then')
  })

  test('a plan over two days is set as a chain; a run goes on with the code of its next day where it stopped', async () => {
    const one = await checkSession({ section, revision: revisionOf('2-Methylhexan-2-ol'), days: [day('2027-03-01')] })
    expect(one.map(({ words }) => words)).toContainEqual(expect.stringContaining('goes on over 2 days, and one is set'))
    const { id } = await set('2-Methylhexan-2-ol', [day('2027-03-01'), day('2027-03-08')])
    const view = await viewSession(id, true)
    expect(view.days.map(({ startsAt }) => startsAt.slice(0, 10))).toEqual(['2027-03-01', '2027-03-08'])
    const second = await viewSession(view.days[1]!.id, true)
    expect(second.runs.map((run) => run.id)).toEqual(view.runs.map((run) => run.id))
    expect(second.benches).toBe(view.benches)
    const [first, later] = [view.runs[0]!, second.runs[0]!]
    expect(later.code).not.toBe(first.code)
    const at = async (code: string, when: string) => {
      const place = dayOfCode(await placesOfRuns({ ids: [first.id] }), first.id, code)!
      return benchAt(place, code, new Date(when))?.state
    }
    expect(await at(first.code!, '2027-03-01T10:00:00Z')).toBe('open')
    expect(await at(first.code!, '2027-03-08T10:00:00Z')).toBe('late')
    expect(await at(later.code!, '2027-03-01T10:00:00Z')).toBeUndefined()
    expect(await at(later.code!, '2027-03-08T10:00:00Z')).toBe('open')
    expect(await at(first.readCode!, '2027-03-08T10:00:00Z')).toBe('reading')
    expect((await placesOfRuns({ code: later.code! })).map(({ session }) => session)).toEqual([second.id])
    // Over is what is over on its last day, from whichever of its days it is asked.
    for (const each of view.days) {
      expect(await isOver(each.id, new Date('2027-03-08T14:00:00Z'))).toBe(false)
      expect(await isOver(each.id, new Date('2027-03-08T16:00:00Z'))).toBe(true)
    }
    // A code that is replaced is that of its day alone.
    const { code } = await newBenchCode(first.id, second.id)
    expect(await at(later.code!, '2027-03-08T10:00:00Z')).toBeUndefined()
    expect(await at(code, '2027-03-08T10:00:00Z')).toBe('open')
    expect(await at(first.code!, '2027-03-01T10:00:00Z')).toBe('open')
    expect((await subjectOfSession(second.id)).course).toBe(course)
    // Its first day may not be moved behind its second.
    expect(await refused(changeSession(id, day('2027-03-09'), now))).toContain('after its next day')
    expect(await refused(changeSession(second.id, day('2027-02-28'), now))).toContain('before the day before it has ended')
    expect(await refused(set('Benzil', [day('2027-04-08'), day('2027-04-01')]))).toContain('before the day before has ended')
  })

  test('a session is moved until it has begun; afterwards it gets more time and another room only', async () => {
    const { id } = await set('Benzil', [day('2027-05-01')])
    await changeSession(id, day('2027-05-02', 'Other lab'), now)
    expect((await viewSession(id, false)).startsAt).toBe('2027-05-02T09:00:00.000Z')
    expect(await refused(changeSession(id, day('2027-02-01', 'x'), now))).toContain('Section B has Benzoin')
    const during = new Date('2027-05-02T10:00:00Z')
    expect(await refused(changeSession(id, day('2027-05-03'), during))).toContain('its start stays')
    expect(await refused(changeSession(id, day('2027-05-02', 'Hall', '09', '14'), during))).toContain('not less')
    await changeSession(id, day('2027-05-02', 'Hall', '09', '17'), during)
    expect((await viewSession(id, false)).endsAt).toBe('2027-05-02T17:00:00.000Z')
    expect(await refused(cancelSession(id, 'ill', during))).toContain('has begun')
  })

  test('a cancelled day is said at the other day and in the calendar, and can be taken back while it is ahead and nothing stands against it', async () => {
    const { id } = await set('Benzoin', [day('2027-06-14'), day('2027-06-21')])
    const [one, two] = (await viewSession(id, false)).days
    await cancelSession(two!.id, 'The hoods are being mended', now)
    expect((await viewSession(id, false)).otherDayCancelled).toBe(two!.startsAt)
    expect((await viewSession(two!.id, false)).otherDayCancelled).toBeNull()
    expect((await calendarOfCourse(made.course.id, now)).replace(/\r\n[ \t]/g, '')).toContain(
      'Another day of this work\\, 2027-06-21\\, is cancelled.',
    )
    await restoreSession(two!.id, now)
    expect((await viewSession(id, false)).otherDayCancelled).toBeNull()
    expect(await refused(restoreSession(two!.id, now))).toContain('is not cancelled')
    // The first takes the second with it, and brings it back; the second alone does not come back without it.
    await cancelSession(id, 'The chemist is ill', now)
    expect(await refused(restoreSession(two!.id, now))).toContain('first day is cancelled too')
    await restoreSession(id, now)
    expect((await viewSession(id, false)).days.map(({ cancelled }) => cancelled)).toEqual([false, false])
    await cancelSession(two!.id, 'once more', now)
    expect(await refused(restoreSession(two!.id, new Date('2027-06-22T08:00:00Z')))).toContain('hour is past')
    const other = await set('Benzoin', [day('2027-06-21')])
    expect(await refused(restoreSession(two!.id, now))).toContain('Section B has Benzoin then')
    await cancelSession(other.id, 'tried', now)
    await cancelSession(one!.id, 'tried', now)
  })

  test('a cancelled session opens nothing, clashes with nothing, and says why', async () => {
    const { id } = await set('2-Methylhexan-2-ol', [day('2027-06-01'), day('2027-06-08')])
    const { runs, days } = await viewSession(id, true)
    await cancelSession(id, 'The hoods are being mended', now)
    const after = await viewSession(id, true)
    expect(after).toMatchObject({ cancelled: true, reason: 'The hoods are being mended' })
    expect(after.runs.every(({ code }) => code === null)).toBe(true)
    const place = dayOfCode(await placesOfRuns({ ids: [runs[0]!.id] }), runs[0]!.id, runs[0]!.code!)!
    expect(benchAt(place, runs[0]!.code!, new Date('2027-06-01T10:00:00Z'))).toBeNull()
    expect((await LabSession.findByPk(days[1]!.id))!.cancelledAt).not.toBeNull()
    await set('Benzil', [day('2027-06-01')])
    expect(await refused(changeSession(id, day('2027-06-02'), now))).toContain('was cancelled')
  })

  test('some benches have theirs at another hour, a group comes late, one gets another day', async () => {
    const { id } = await set('Benzil', [day('2027-07-01')], groups.slice(0, 7))
    const view = await viewSession(id, true)
    const some = view.runs.slice(0, 3).map((run) => run.id)
    const { id: parted } = await splitSession(id, { ...day('2027-07-02'), runs: some }, now)
    expect((await viewSession(parted, false)).runs.map((run) => run.id)).toEqual(some)
    expect((await viewSession(id, false)).runs).toHaveLength(4)
    const rest = (await viewSession(id, false)).runs.map((run) => run.id)
    expect(await refused(splitSession(id, { ...day('2027-07-03'), runs: rest }, now))).toContain('not all of them')
    expect(await refused(splitSession(id, { ...day('2027-07-03'), runs: [] }, now))).toContain('400')
    await addGroup(id, { group: groups[7]!.group, scale: 0.5 }, now)
    expect((await viewSession(id, false)).runs.at(-1)).toMatchObject({ scale: 0.5, bench: 8 })
    expect(await refused(addGroup(id, { group: groups[7]!.group, scale: 1 }, now))).toContain('takes part already')
    expect(await refused(addGroup(id, { group: made.sections[0]!.groups[0]!.id, scale: 1 }, now))).toContain(
      'not in this section',
    )
    const late = new Date('2027-07-01T16:00:00Z')
    const { id: further } = await anotherDay(id, { ...day('2027-07-09'), runs: [rest[1]!] }, late)
    expect((await viewSession(further, true)).runs.map((run) => run.id)).toEqual([rest[1]])
    expect(await RunDay.count({ where: { session: further } })).toBe(1)
    expect(await refused(anotherDay(id, { ...day('2027-07-08'), runs: [rest[0]!] }, late))).toContain(
      'before the last of its days',
    )
    expect(await refused(anotherDay(id, { ...day('2027-07-20'), runs: [some[0]!] }, late))).toContain('not in this session')
    const again = (await likeSession(id, course))!
    expect(again.days[0]).toEqual({ date: '2027-07-08', from: '09:00', to: '15:00', room: 'Hall' })
    expect(again.groups).toHaveLength(5)
    expect(await likeSession(id, 'elsewhere')).toBeUndefined()
    expect((await changeable(await viewSession(id, false), now)).others.map(({ bench }) => bench)).toEqual([1, 2, 3])
  })

  test('where a course asks for it, a second person approves a plan before it is set', async () => {
    await changeCourse(course, { title: made.course.title, term: 'autumn 2026', approval: true })
    const revision = revisionOf('Benzoin')
    expect(await refused(set('Benzoin', [day('2027-08-01')]))).toContain('second person approves')
    expect(await refused(approve(revision, owner.id))).toContain('403')
    expect(await approvalOf(revision, owner.id)).toEqual({ needed: true, by: null, may: false })
    expect((await approvalOf(revision, demonstrator.id)).may).toBe(true)
    await approve(revision, demonstrator.id)
    expect(await refused(approve(revision, demonstrator.id))).toContain('already')
    expect((await approvalOf(revision, stores.id)).by!.name).toBe(demonstrator.name)
    await set('Benzoin', [day('2027-08-01')])
    await expect(Approval.destroy({ where: {} })).rejects.toThrow(/denied/i)
    await changeCourse(course, { title: made.course.title, term: 'autumn 2026', approval: false })
  })

  test('a calendar by a secret address: the sessions of one’s courses, no names, and an end with a new address', async () => {
    const { token } = await newFeed(demonstrator.id)
    const text = await calendarOfFeed(token, now)
    expect(text).toContain('SUMMARY:Benzoin\\, Section B')
    expect(text).toContain('STATUS:CANCELLED')
    for (const name of (await Student.findAll({ where: { name: { [Op.ne]: null } } })).map((student) => student.name!))
      expect(text).not.toContain(name)
    const { token: newer } = await newFeed(demonstrator.id)
    expect(await refused(calendarOfFeed(token, now))).toContain('404')
    expect(await calendarOfFeed(newer, now)).toContain('BEGIN:VCALENDAR')
    // A reader sees results, not what is set.
    const { token: readers } = await newFeed(made.people[3]!.id)
    expect(await calendarOfFeed(readers, now)).not.toContain('SUMMARY')
    expect(await calendarOfCourse(course, now)).toContain('Section A')
  })
})
