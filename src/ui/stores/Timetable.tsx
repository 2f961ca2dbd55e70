'use client'

import type { TimetableView } from '@/views/stores'
import { useMemo, useState } from 'react'
import { Button } from 'react-bootstrap'
import type { Step } from '@/core/plan/plan'
import { operationIn } from '@/core/operations/registry'
import { dayPlanSchema, type DayPlan } from '@/core/stores/record'
import { compiled, usualMinutes } from '@/core/timetable/compiled'
import { Player, slotsOf } from '@/core/timetable/play'
import { workOf, type Told } from '@/core/timetable/settle'
import { printed } from '@/core/words/words'
import { NumberField } from '../desk/fields'
import { MineInstead } from '../kept/MineInstead'
import { useWhole } from '../kept/useWhole'
import { useNow } from '../useNow'
import { clockAt } from './clockAt'
import { dayOf, toldOf, writtenTold } from '@/core/stores/toldDay'
import { TimetableNotes } from './TimetableNotes'
import { TimetablePicture, type RowShown } from './TimetablePicture'
import { TimetableTable } from './TimetableTable'
import { useOutlook } from './useOutlook'
import { useRefresh } from './useRefresh'

/** Played for what stands and for each thing that could be, all alike: a share is known to some two per cent. */
const classes = 600

/** Will it fit: the class as a picture that follows every change, what some hundreds of such classes come to, and what else could be told. Each change is written at once and can be taken back. */
export function Timetable({ view, mayWrite, now: loadedAt }: { view: TimetableView; mayWrite: boolean; now: number }) {
  const { session, steps, scaled, logged } = view
  const kept = useWhole(`/api/sessions/${session.id}/timetable`, view.day, checkedDay)
  const { value: day, problem, theirs, write: keep } = kept
  const [changes, setChanges] = useState<{ theirs: number; days: DayPlan[] }>({ theirs, days: [] })
  // What somebody else told is not taken back from here.
  const history = changes.theirs === theirs ? changes.days : []
  const setHistory = (days: DayPlan[]) => setChanges({ theirs, days })
  // What was refused went back to a day that stands in it: there is nothing to take back beyond.
  const before = history.includes(day) ? history.slice(0, history.indexOf(day)) : history
  const [asTable, setAsTable] = useState(false)
  const now = useNow(loadedAt)
  // Only what really happened comes anew: what is told is written here, and stays as it stands on the page.
  useRefresh(30_000, loadedAt >= Date.parse(session.startsAt) && loadedAt <= Date.parse(session.endsAt))
  const stations = useMemo(
    () => view.stations.map(({ name }) => ({ name, count: countOf(day, name) ?? view.usual[name] ?? null })),
    [view, day],
  )
  const laid = useMemo(
    () => dayOf({ steps, scaled, groups: session.groups }, stations, logged),
    [steps, scaled, session.groups, stations, logged],
  )
  const told = useMemo(() => toldOf(session.groups, day, laid.orders), [session.groups, day, laid.orders])
  const closesMin = (Date.parse(session.endsAt) - Date.parse(session.startsAt)) / 60_000
  const asked = useMemo(
    () => ({
      ...laid.open,
      told,
      closesMin,
      together: logged.together,
      steps: steps.filter((step) => operationIn(step)?.heats || step.safeStop || step.kind === 'pause').map(({ id }) => id),
      classes,
    }),
    [laid, told, closesMin, logged.together, steps],
  )
  const looking = useOutlook(asked)
  const work = useMemo(() => workOf(laid.open, told), [laid, told])
  const slots = useMemo(() => {
    const flat = compiled(work)
    return slotsOf(flat, new Player(flat).play(usualMinutes(flat.hands), usualMinutes(flat.wait)))
  }, [work])

  const write = (next: DayPlan) => {
    setHistory([...before, day])
    keep(next)
  }
  const undo = () => {
    setHistory(before.slice(0, -1))
    keep(before.at(-1)!)
  }
  const tell = (next: readonly Told[]) => write({ ...day, told: writtenTold(session.groups, next, laid.orders) })
  const startOf = (bench: number, startMin: number, goesOn: boolean) => {
    const at = session.groups.findIndex((group) => group.bench === bench)
    if (told[at]!.startMin === startMin) return false
    const next = told.map((each, index) => (index === at ? { ...each, startMin } : each))
    // A row that is still being dragged is one change, which is taken back at once.
    if (goesOn) keep({ ...day, told: writtenTold(session.groups, next, laid.orders) })
    else tell(next)
    return true
  }
  const titles = Object.fromEntries(steps.map(({ id, title }) => [id, printed(title)]))
  const startMs = Date.parse(session.startsAt)
  const nowMin = now >= startMs && now <= startMs + (closesMin + 120) * 60_000 ? (now - startMs) / 60_000 : undefined
  const rows = session.groups.map(({ bench, members }, group): RowShown => {
    const own = slots.filter((slot) => slot.group === group)
    return {
      bench,
      members,
      startMin: told[group]!.startMin,
      endMin: Math.max(0, ...own.map(({ end }) => end)),
      bars: own.map((slot) => {
        const task = work.groups[group]!.tasks[slot.task]!
        return { ...slot, title: titles[task.step] ?? '', station: task.station ?? -1 }
      }),
      happened: happenedOf(
        view.happened.find((each) => each.bench === bench),
        steps,
        titles,
        startMs,
      ),
    }
  })
  const found = looking.state === 'found' ? looking.found : looking.state === 'running' ? looking.last : undefined
  const done = rows.filter(({ endMin }) => endMin <= closesMin + 0.5).length
  const clock = (minutes: number) => clockAt(session.startsAt, minutes, session.zone)
  const none = stations.filter(({ count }) => count === 0)
  return (
    <div className="with-margin timetable-page">
      <div className="page">
        <p className="timetable-head" role="status">
          <span>
            <b className="fig">
              {done} of {rows.length}
            </b>{' '}
            done by {clock(closesMin)} with the usual minutes
          </span>
          <span>
            <b className="fig">{found ? percent(found.simulated.allDone) : '…'}</b> of {classes.toLocaleString('en-GB')} played
            classes finish all
          </span>
          {found && (
            <span>
              <b className="fig">{clock(found.now.lastMin)}</b> usual end; told so, whoever goes first, not before{' '}
              {clock(found.bound.minutes)} (
              {'group' in found.bound.by
                ? 'one group’s own work'
                : `what must pass the ${laid.stations[found.bound.by.station]!.name}`}
              )
            </span>
          )}
          {looking.state === 'running' && (
            <progress value={looking.share} max={1} aria-label="Classes are being played">
              {percent(looking.share)}
            </progress>
          )}
          {looking.state === 'refused' && <span className="problem">{looking.why}</span>}
        </p>
        <div className="set-tools no-print">
          {stations.map(({ name, count }) => (
            <NumberField
              key={name}
              label={`${name}: how many`}
              value={count ?? 0}
              least={-1}
              most={200}
              onNumber={(many) =>
                write({
                  ...day,
                  counts: [...day.counts.filter((each) => each.name !== name), { name, count: Math.round(many) }],
                })
              }
            />
          ))}
          <Button variant="quiet" size="sm" aria-pressed={asTable} onClick={() => setAsTable(!asTable)}>
            {asTable ? 'As a picture' : 'As a table'}
          </Button>
          <Button variant="quiet" size="sm" disabled={before.length === 0} onClick={undo}>
            Undo
          </Button>
          <Button variant="quiet" size="sm" onClick={() => window.print()}>
            Print
          </Button>
          <a className="btn btn-quiet btn-sm" href={`/api/sessions/${session.id}/timetable.ics`}>
            Calendar file
          </a>
        </div>
        {problem && (
          <p className="problem" role="alert">
            {problem} <MineInstead mine={kept.mine} write={write} />
          </p>
        )}
        {none.length > 0 && (
          <p className="problem">
            None of {none.map(({ name }) => name).join(', ')} is there: what is done at it would wait for ever. It is drawn as if
            nobody waited.
          </p>
        )}
        {asTable ? (
          <TimetableTable rows={rows} steps={steps} slots={slots} work={work} clock={clock} closesMin={closesMin} />
        ) : (
          <div className="picture-scroll" tabIndex={0} role="region" aria-label="The timetable as a picture">
            <TimetablePicture
              rows={rows}
              closesMin={closesMin}
              startsAt={session.startsAt}
              zone={session.zone}
              nowMin={nowMin}
              stations={laid.stations.map(({ name }) => name)}
              onStart={mayWrite ? startOf : undefined}
            />
          </div>
        )}
        <p className="legend timetable-legend">
          <span className="work" /> hands on <span className="waits" /> waits by itself <span className="queues" /> stands in a
          queue{' '}
          {laid.stations.map(({ name, count }, index) => (
            <span key={name} className="of-station">
              <span className={`station s${index % 4}`} /> at the {name} ({count})
            </span>
          ))}
          {view.happened.some(({ beganAt }) => beganAt !== null) && (
            <>
              <span className="really" /> as it really was
            </>
          )}
        </p>
      </div>
      <TimetableNotes
        {...{ found, laid, steps, titles, stations, logged, clock, closesMin, groups: session.groups }}
        onTell={mayWrite ? tell : undefined}
      />
    </div>
  )
}

const checkedDay = (value: unknown): DayPlan => dayPlanSchema.validateSync(value, { strict: true })

const percent = (share: number) => `${Math.round(100 * share)} %`

const countOf = ({ counts }: DayPlan, name: string) => counts.find((each) => each.name === name)?.count

/** What a bench really did, from the end of the step before to the end of each. */
function happenedOf(
  happened: TimetableView['happened'][number] | undefined,
  steps: readonly Step[],
  titles: Readonly<Record<string, string>>,
  startMs: number,
): RowShown['happened'] {
  if (!happened || happened.beganAt === null) return []
  let from = happened.beganAt
  return steps.flatMap(({ id }) => {
    const end = happened.ended[id]
    if (end === undefined) return []
    const one = { title: titles[id]!, fromMin: (from - startMs) / 60_000, toMin: (end - startMs) / 60_000 }
    from = Math.max(from, end)
    return [one]
  })
}
