import type { HappenedView, TimetableView } from '@/views/stores'
import { thisMoment } from './clock'
import { QueryTypes } from 'sequelize'
import { foldRun } from '@/core/run/foldRun'
import type { Lab } from '@/core/lab/lab'
import { scalePlan } from '@/core/edit/scalePlan'
import { days } from '@/core/plan/duration'
import type { Plan, Step } from '@/core/plan/plan'
import { loggedTimes, type ClassTimes, type GroupTimes, type LoggedClasses } from '@/core/timetable/logged'
import { compiled, usualMinutes } from '@/core/timetable/compiled'
import { Player, slotsOf } from '@/core/timetable/play'
import { workOf } from '@/core/timetable/settle'
import { stationsOf } from '@/core/timetable/tasksOf'
import { entriesCalendar } from '@/core/format/calendar'
import { dayOf, toldOf } from '@/core/stores/toldDay'
import { database } from '@/data/connect'
import { readEntries } from '@/data/entries'
import { LabSession } from '@/data/models'
import { dayPlanOf } from './dayPlans'
import { countsFor, storesSession, type StoresSession } from './stores'
import { slowly } from './slowly'

/** The steps of the day that a session is: from where it goes on to the pause that ends it. */
function stepsOfDay(plan: Plan, beginsAtStep: string | null): Step[] {
  const all = days(plan)
  const found = beginsAtStep === null ? all[0] : all.find(({ steps }) => steps.some(({ id }) => id === beginsAtStep))
  const steps = found?.steps ?? plan.steps
  return beginsAtStep === null
    ? steps
    : steps.slice(
        Math.max(
          0,
          steps.findIndex(({ id }) => id === beginsAtStep),
        ),
      )
}

/** As many earlier classes as are looked at, the latest. */
const mostClasses = 8

/** What a session’s timetable is drawn from. @param withLog whether the reader may see what was written at the benches */
export async function timetableView(id: string, lab: Lab, withLog: boolean): Promise<TimetableView> {
  const { plan, ...session } = await storesSession(id)
  const { beginsAtStep } = await LabSession.findByPk(id, { rejectOnEmpty: true })
  const steps = stepsOfDay(plan, beginsAtStep ?? null)
  const [day, classes, happened] = await Promise.all([
    dayPlanOf(id),
    earlierClasses(session, plan, lab),
    withLog ? happenedIn(session, plan) : Promise.resolve([]),
  ])
  const counts = countsFor(lab, session.room, day)
  return {
    session,
    steps,
    scaled: [...new Set(session.groups.map(({ scale }) => scale))]
      .filter((scale) => scale !== 1)
      .map((scale) => ({ scale, steps: stepsOfDay(scalePlan(plan, scale), beginsAtStep ?? null) })),
    stations: stationsOf(steps).map((name) => ({ name, count: counts[name] ?? null })),
    usual: countsFor(lab, session.room, { ...day, counts: [] }),
    day,
    logged: { ...loggedTimes(steps, classes), classes: classes.length },
    happened,
  }
}

/** What the board asks of the minutes of a session: which steps are of this day, and how long they took before. */
export async function minutesFor(id: string, lab: Lab): Promise<{ today: string[]; logged: LoggedClasses['steps'] }> {
  const { steps, logged } = await timetableView(id, lab, false)
  return { today: steps.map(({ id: step }) => step), logged: logged.steps }
}

/** When a group ended each step of a run, from its log. */
function timesOf(
  plan: Plan,
  scale: number,
  entries: Parameters<typeof foldRun>[2],
): (GroupTimes & { now: string | null }) | null {
  const state = foldRun(plan, scale, entries)
  const began = state.steps.flatMap(({ startedAt }) => startedAt ?? []).sort()[0]
  if (began === undefined) return null
  const ended = Object.fromEntries(
    state.steps.flatMap(({ step, status, endedAt }) =>
      status === 'done' && endedAt !== null ? [[step.id, Date.parse(endedAt)]] : [],
    ),
  )
  const lastAt = Math.max(...entries.map(({ at }) => Date.parse(at)), Date.parse(began))
  return { beganAt: Date.parse(began), ended, lastAt, now: state.steps[state.now]?.step.id ?? null }
}

interface EarlierRow {
  session: string
  room: string
  revision: string
  run: string
  scale: number
  lastSeq: number
}

/** The latest classes of the same preparation in the same course that are over, as times. */
async function earlierClasses(session: Omit<StoresSession, 'plan'>, plan: Plan, lab: Lab): Promise<ClassTimes[]> {
  const rows = await database().query<EarlierRow>(
    `SELECT l.id AS session, l.room, l.revision, run.id AS run, run.scale, run.last_seq AS lastSeq
     FROM (SELECT l.* FROM lab_session l JOIN revision r ON r.id = l.revision JOIN section s ON s.id = l.section
           WHERE r.preparation = :preparation AND s.course = :course AND l.goes_on_from IS NULL AND l.cancelled_at IS NULL
             AND l.ends_at < :before AND l.id <> :id
           ORDER BY l.starts_at DESC LIMIT ${mostClasses}) l JOIN run ON run.session = l.id`,
    {
      replacements: {
        preparation: session.revision.preparation,
        course: session.course,
        id: session.id,
        before: thisMoment(),
      },
      type: QueryTypes.SELECT,
    },
  )
  const ofSession = (each: string) => rows.filter((row) => row.session === each)
  const keyOf = (each: string) => [session.revision.id, ...ofSession(each).map(({ run, lastSeq }) => `${run}:${lastSeq}`)].join()
  const sessions = [...new Set(rows.map((row) => row.session))]
  const fresh = sessions.filter((each) => kept.get(each)?.key !== keyOf(each))
  const entries = await readEntries(rows.filter((row) => fresh.includes(row.session)).map(({ run }) => run))
  if (kept.size > 500) kept.clear()
  for (const each of fresh)
    // Steps keep their ids over the revisions of a preparation: the plan at hand reads the log of an earlier one.
    kept.set(each, {
      key: keyOf(each),
      groups: (await slowly(ofSession(each), ({ run, scale }) => timesOf(plan, Number(scale), entries[run] ?? []) ?? [])).flat(),
    })
  return sessions.flatMap((each) => {
    const groups = kept.get(each)?.groups ?? []
    return groups.length > 0 ? [{ groups, counts: countsFor(lab, ofSession(each)[0]!.room, { counts: [], told: [] }) }] : []
  })
}

/** The times of a class that is over, read once as long as nothing comes to its log. */
const kept = new Map<string, { key: string; groups: GroupTimes[] }>()

async function happenedIn({ groups }: Pick<StoresSession, 'groups'>, plan: Plan): Promise<HappenedView[]> {
  const entries = await readEntries(groups.map(({ run }) => run))
  return slowly(groups, ({ run, bench, scale }) => {
    const times = timesOf(plan, scale, entries[run] ?? [])
    return { bench, beganAt: times?.beganAt ?? null, ended: times?.ended ?? {}, now: times?.now ?? plan.steps[0]?.id ?? null }
  })
}

/** The timetable of a session as a calendar: when each bench begins and is usually done, and when it comes to each station. It names no people. */
export async function timetableCalendar(id: string, lab: Lab): Promise<string> {
  const { session, steps, scaled, stations, day, logged } = await timetableView(id, lab, false)
  const laid = dayOf({ steps, scaled, groups: session.groups }, stations, logged)
  const told = toldOf(session.groups, day, laid.orders)
  const work = workOf(laid.open, told)
  const flat = compiled(work)
  const slots = slotsOf(flat, new Player(flat).play(usualMinutes(flat.hands), usualMinutes(flat.wait)))
  const at = (minutes: number) => new Date(Date.parse(session.startsAt) + Math.round(minutes) * 60_000)
  const clock = new Intl.DateTimeFormat('en-GB', { timeZone: session.zone, hour: '2-digit', minute: '2-digit' })
  return entriesCalendar(
    session.groups.map(({ run, bench }, group) => {
      const own = slots.filter((slot) => slot.group === group)
      const visits = own.flatMap((slot) => {
        const { station } = work.groups[group]!.tasks[slot.task]!
        return station === null ? [] : [`${clock.format(at(slot.begin))} ${laid.stations[station]!.name}`]
      })
      return {
        uid: `${id}-${run}`,
        title: `Bench ${bench}: ${session.title}`,
        description: visits.join('; '),
        location: session.room,
        startsAt: at(told[group]!.startMin).toISOString(),
        endsAt: at(Math.max(1, ...own.map(({ end }) => end))).toISOString(),
        cancelled: session.cancelled,
      }
    }),
    `${session.title}, ${session.section}`,
  )
}
