'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { readNumber } from '@/core/quantity/readQuantity'
import { call, CallError } from '../call'
import { Problem } from '../course/Problem'
import { useDone } from '../course/useDone'
import { daySchema, daysLater, typedDay, wantedDay, type SessionDay } from './sessionDay'

export interface SessionToChange {
  id: string
  startsAt: string
  endsAt: string
  room: string
  zone: string
  goesOnFrom: string | null
  begun: boolean
  over: boolean
  runs: { id: string; bench: number; members: string }[]
  /** Groups of the section that do not take part. */
  others: { id: string; bench: number; members: string }[]
}

type Way = 'move' | 'split' | 'day' | 'group' | 'cancel' | 'words'

/** What can still be changed of a session: its hours and room, benches at another hour, another day, a group that came late; or that it is not held. */
export function ChangeSession({ session }: { session: SessionToChange }) {
  const { begun, over, goesOnFrom, runs, others } = session
  const [way, setWay] = useState<Way>()
  const ways: [Way, string, boolean][] = [
    ['move', begun ? 'More time, another room' : 'Move it', !over],
    ['split', 'Some benches at another hour', !begun && goesOnFrom === null && runs.length > 1],
    ['day', 'Another day for benches that are not done', true],
    ['group', 'A group more', !over && goesOnFrom === null && others.length > 0],
    ['cancel', 'Cancel it', !begun],
    ['words', 'Forget words and pictures', over],
  ]
  const done = () => setWay(undefined)
  return (
    <section className="change-session no-print" aria-label="Change this session">
      <div className="ways" role="group" aria-label="What is to change">
        {ways
          .filter(([, , can]) => can)
          .map(([each, words]) => (
            <Button
              key={each}
              variant="quiet"
              size="sm"
              aria-expanded={way === each}
              onClick={() => setWay(way === each ? undefined : each)}
            >
              {words}
            </Button>
          ))}
      </div>
      {way === 'move' && <Move session={session} onDone={done} />}
      {way === 'split' && <ForBenches session={session} to="split" press="Give them this hour" later={0} onDone={done} />}
      {way === 'day' && <ForBenches session={session} to="days" press="Set this day" later={7} onDone={done} />}
      {way === 'group' && <AddGroup session={session} onDone={done} />}
      {way === 'words' && <ForgetWords session={session} onDone={done} />}
      {way === 'cancel' && <Cancel session={session} onDone={done} />}
    </section>
  )
}

interface PartProps {
  session: SessionToChange
  onDone: () => void
}

function DayBlanks({ day, onChange, fixed = false }: { day: SessionDay; onChange: (day: SessionDay) => void; fixed?: boolean }) {
  return (
    <>
      {(
        [
          ['date', 'New day', 'date'],
          ['from', 'New start', 'time'],
          ['to', 'New end', 'time'],
          ['room', 'New room', 'text'],
        ] as const
      ).map(([name, label, type]) => (
        <label key={name}>
          {label}
          <input
            className="form-control form-control-sm"
            type={type}
            name={name}
            disabled={fixed && (name === 'date' || name === 'from')}
            value={day[name]}
            onChange={(event) => onChange({ ...day, [name]: event.currentTarget.value })}
          />
        </label>
      ))}
    </>
  )
}

/** What is wrong with a day as it is typed; undefined where it can be asked for. */
function dayProblem(day: SessionDay): { words: string; field: string } | undefined {
  try {
    daySchema.validateSync(day)
    return undefined
  } catch (error) {
    return { words: (error as Error).message, field: (error as { path?: string }).path ?? '' }
  }
}

function Move({ session, onDone }: PartProps) {
  const { problem, field, busy, run } = useDone()
  const [day, setDay] = useState(typedDay(session, session.zone))
  return (
    <form
      className="in-a-row"
      noValidate
      aria-label="Move this session"
      onSubmit={(event) => {
        event.preventDefault()
        void run(async () => {
          const wrong = dayProblem(day)
          if (wrong) throw new CallError(400, wrong.words, { field: wrong.field })
          await call(`/api/sessions/${session.id}`, 'PATCH', wantedDay(day, session.zone))
        }).then((ok) => ok && onDone())
      }}
    >
      <DayBlanks day={day} onChange={setDay} fixed={session.begun} />
      <Button type="submit" disabled={busy}>
        {session.begun ? 'Change it' : 'Move the session'}
      </Button>
      {session.begun && <small className="quiet">It has begun: its start stays, and it can only be given more time.</small>}
      <Problem words={problem} field={field} />
    </form>
  )
}

function ForBenches({ session, to, press, later, onDone }: PartProps & { to: 'split' | 'days'; press: string; later: number }) {
  const router = useRouter()
  const { problem, field, busy, run } = useDone()
  const before = typedDay(session, session.zone)
  const [day, setDay] = useState({ ...before, date: daysLater(before.date, later) })
  const [chosen, setChosen] = useState<string[]>(to === 'days' ? session.runs.map(({ id }) => id) : [])
  return (
    <form
      className="in-a-row"
      noValidate
      aria-label={to === 'split' ? 'Some benches at another hour' : 'Another day'}
      onSubmit={(event) => {
        event.preventDefault()
        void run(async () => {
          const wrong = dayProblem(day)
          if (wrong) throw new CallError(400, wrong.words, { field: wrong.field })
          const { id } = await call<{ id: string }>(`/api/sessions/${session.id}/${to}`, 'POST', {
            ...wantedDay(day, session.zone),
            runs: chosen,
          })
          router.push(`/class/${id}`)
        }).then((ok) => ok && onDone())
      }}
    >
      <fieldset className="benches">
        <legend>Which benches</legend>
        {session.runs.map(({ id, bench, members }) => (
          <label key={id} className="check">
            <input
              type="checkbox"
              className="form-check-input"
              checked={chosen.includes(id)}
              onChange={() => setChosen(chosen.includes(id) ? chosen.filter((each) => each !== id) : [...chosen, id])}
            />
            Bench {bench} <small className="quiet">{members}</small>
          </label>
        ))}
      </fieldset>
      <DayBlanks day={day} onChange={setDay} />
      <Button type="submit" disabled={busy || chosen.length === 0}>
        {press}
      </Button>
      {to === 'days' && <small className="quiet">Each bench gets a code for that day and goes on where it stopped.</small>}
      <Problem words={problem} field={field} />
    </form>
  )
}

function AddGroup({ session, onDone }: PartProps) {
  const { problem, field, busy, run } = useDone()
  const [group, setGroup] = useState(session.others[0]?.id ?? '')
  const [scale, setScale] = useState('1')
  return (
    <form
      className="in-a-row"
      noValidate
      aria-label="A group more"
      onSubmit={(event) => {
        event.preventDefault()
        void run(async () => {
          const read = readNumber(scale)
          if (!read.ok) throw new CallError(400, 'A scale is a number from 0.05 to 20, such as 0.8.', { field: 'scale' })
          await call(`/api/sessions/${session.id}/groups`, 'POST', { group, scale: read.value.value })
        }).then((ok) => ok && onDone())
      }}
    >
      <label>
        Group
        <select className="form-select form-select-sm" value={group} onChange={(event) => setGroup(event.currentTarget.value)}>
          {session.others.map(({ id, bench, members }) => (
            <option key={id} value={id}>
              Bench {bench}, {members}
            </option>
          ))}
        </select>
      </label>
      <label>
        Scale
        <input
          className="form-control form-control-sm"
          inputMode="decimal"
          name="scale"
          value={scale}
          onChange={(event) => setScale(event.currentTarget.value)}
        />
      </label>
      <Button type="submit" disabled={busy}>
        Let them take part
      </Button>
      <Problem words={problem} field={field} />
    </form>
  )
}

function ForgetWords({ session, onDone }: PartProps) {
  const { problem, field, busy, run } = useDone()
  return (
    <form
      className="in-a-row"
      aria-label="Forget words and pictures"
      onSubmit={(event) => {
        event.preventDefault()
        void run(() => call(`/api/sessions/${session.id}/words`, 'DELETE')).then((ok) => ok && onDone())
      }}
    >
      <Button type="submit" variant="danger" disabled={busy}>
        Forget them for good
      </Button>
      <small className="quiet">
        What benches wrote in words of their own, the pictures they took and the comments beside their marks go, as may hold names
        or faces. Readings, times, results and points stay.
      </small>
      <Problem words={problem} field={field} />
    </form>
  )
}

function Cancel({ session, onDone }: PartProps) {
  const { problem, field, busy, run } = useDone()
  const [reason, setReason] = useState('')
  return (
    <form
      className="in-a-row"
      noValidate
      aria-label="Cancel this session"
      onSubmit={(event) => {
        event.preventDefault()
        void run(() => call(`/api/sessions/${session.id}`, 'DELETE', { reason })).then((ok) => ok && onDone())
      }}
    >
      <label className="wide">
        Why it is not held
        <input
          className="form-control form-control-sm"
          name="reason"
          value={reason}
          onChange={(event) => setReason(event.currentTarget.value)}
        />
      </label>
      <Button type="submit" variant="danger" disabled={busy}>
        Cancel the session
      </Button>
      <Problem words={problem} field={field} />
    </form>
  )
}
