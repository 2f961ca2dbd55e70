'use client'

import { Button, Form } from 'react-bootstrap'
import type { FieldErrors, UseFormRegister } from 'react-hook-form'
import { writeMinutes } from '@/core/plan/duration'
import { State } from '../figures/State'
import type { SessionDay } from './sessionDay'
import type { SaidBefore } from '@/views/sessions'

interface Typed {
  revision: string
  section: string
  days: SessionDay[]
  groups: { group: string; takesPart: boolean; scale: string }[]
}

const blanks = [
  ['date', 'Day', 'date'],
  ['from', 'From', 'time'],
  ['to', 'To', 'time'],
  ['room', 'Room', 'text'],
] as const

/** The days of a session: one, or a chain of them where the work goes on another day, with what stands against each. */
export function SessionDays({
  form,
  ids,
  usual,
  said,
  onMore,
  onFewer,
}: {
  form: { register: UseFormRegister<Typed>; formState: { errors: FieldErrors<Typed> } }
  ids: readonly string[]
  usual: readonly number[]
  said: readonly SaidBefore[]
  onMore: () => void
  onFewer: () => void
}) {
  const { errors } = form.formState
  const several = ids.length > 1
  return (
    <div className="days">
      <ol className={several ? 'chain' : 'one-day'}>
        {ids.map((id, index) => (
          <li key={id}>
            {several && (
              <b className="day-number">
                Day {index + 1}
                {usual[index] !== undefined && <small> {writeMinutes(usual[index])} by the plan</small>}
              </b>
            )}
            <div className="fields">
              {blanks.map(([name, label, type]) => {
                const problem = errors.days?.[index]?.[name]
                return (
                  <Form.Group controlId={`${name}-${index}`} key={name}>
                    <Form.Label>{index === 0 ? label : `${name === 'date' ? 'Date' : label}, day ${index + 1}`}</Form.Label>
                    <Form.Control type={type} {...form.register(`days.${index}.${name}`)} isInvalid={!!problem} />
                    {problem && <div className="problem">{problem.message}</div>}
                  </Form.Group>
                )
              })}
            </div>
            <SaidOf said={said.filter(({ day }) => day === index)} />
          </li>
        ))}
      </ol>
      <SaidOf said={said.filter(({ day }) => day === null)} />
      <p className="doing">
        <Button variant="quiet" size="sm" onClick={onMore}>
          It goes on another day
        </Button>
        {several && (
          <Button variant="quiet" size="sm" onClick={onFewer}>
            Without day {ids.length}
          </Button>
        )}
      </p>
    </div>
  )
}

function SaidOf({ said }: { said: readonly SaidBefore[] }) {
  return (
    <div role="status" className="said-before">
      {said.map(({ level, words }) => (
        <State key={words} level={level}>
          {words}
        </State>
      ))}
    </div>
  )
}
