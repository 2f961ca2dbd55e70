'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button, Form } from 'react-bootstrap'
import { criteria, type Criterion, type Scheme } from '@/core/marking/scheme'
import { fromProposals, problemWithMark, totalOf, type Mark } from '@/core/marking/mark'
import type { Proposal } from '@/core/marking/proposal'
import { readNumber } from '@/core/quantity/readQuantity'
import { call } from '../call'
import { State } from '../figures/State'

export interface Sheet {
  run: string
  bench: number
  members: string
  proposals: Proposal[]
  mark: Mark | null
  decidedBy: string | null
  handedBackAt: string | null
}

/** One group's work: what the record proposes in pencil, what a person decides in ink, with a comment to each. */
export function MarkSheet({
  sheet,
  scheme,
  mayDecide,
  record,
}: {
  sheet: Sheet
  scheme: Scheme
  mayDecide: boolean
  record: string
}) {
  const router = useRouter()
  const { run, bench, members, proposals, mark, decidedBy, handedBackAt } = sheet
  const [points, setPoints] = useState<Partial<Record<Criterion, string>>>(() => textsOf(mark))
  const [comments, setComments] = useState(mark?.comments ?? {})
  const [comment, setComment] = useState(mark?.comment ?? '')
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState(false)
  const total = totalOf(mark, scheme)
  const changed =
    JSON.stringify([points, comments, comment]) !== JSON.stringify([textsOf(mark), mark?.comments ?? {}, mark?.comment ?? ''])
  const save = async () => {
    const given: Mark['points'] = {}
    for (const [key, text] of Object.entries(points) as [Criterion, string][]) {
      if (text.trim() === '') continue
      const read = readNumber(text)
      if (!read.ok) return setProblem(`${criteria[key]}: ${read.problem}`)
      given[key] = read.value.value
    }
    const next: Mark = { points: given, comments, comment }
    const wrong = problemWithMark(next, scheme)
    if (wrong) return setProblem(wrong)
    setProblem(undefined)
    setBusy(true)
    try {
      await call(`/api/runs/${run}/mark`, 'PUT', next)
      router.refresh()
    } catch (error) {
      setProblem((error as Error).message)
    }
    setBusy(false)
  }
  return (
    <section className="mark-sheet" aria-label={`Bench ${bench}, ${members}`}>
      <h2>
        <span className="number">{bench}</span> {members}{' '}
        <a className="no-print" href={record}>
          record
        </a>
        <span className="total">
          {total.complete ? (
            <b className="fig">
              {total.points} of {total.of}
            </b>
          ) : (
            <span className="quiet">open, of {total.of}</span>
          )}
        </span>
      </h2>
      <table className="ruled">
        <thead>
          <tr>
            <th scope="col">judged</th>
            <th scope="col" className="n">
              proposed
            </th>
            <th scope="col" className="n">
              given
            </th>
            <th scope="col">what it rests on</th>
            <th scope="col">comment</th>
          </tr>
        </thead>
        <tbody>
          {proposals.map(({ criterion, points: proposed, of, evidence }) => (
            <tr key={criterion}>
              <th scope="row">{criteria[criterion]}</th>
              <td className="n fig pencil">{proposed === null ? 'you decide' : proposed}</td>
              <td className="n fig">
                {mayDecide ? (
                  <Form.Control
                    className="points"
                    inputMode="decimal"
                    aria-label={`${criteria[criterion]}, points of ${of}`}
                    value={points[criterion] ?? ''}
                    onChange={(event) => setPoints({ ...points, [criterion]: event.currentTarget.value })}
                  />
                ) : (
                  (mark?.points[criterion] ?? '–')
                )}{' '}
                <small className="quiet">of {of}</small>
              </td>
              <td className="how">{evidence}</td>
              <td>
                {mayDecide ? (
                  <Form.Control
                    aria-label={`${criteria[criterion]}, comment`}
                    maxLength={1000}
                    value={comments[criterion] ?? ''}
                    onChange={(event) => setComments({ ...comments, [criterion]: event.currentTarget.value })}
                  />
                ) : (
                  mark?.comments[criterion]
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {mayDecide ? (
        <div className="decide">
          <Form.Control
            as="textarea"
            rows={1}
            aria-label="Comment on the whole"
            placeholder="Comment on the whole"
            maxLength={2000}
            value={comment}
            onChange={(event) => setComment(event.currentTarget.value)}
          />
          <Button
            className="no-print"
            variant="quiet"
            onClick={() => setPoints(textsOf(fromProposals(proposals, { points: typed(points), comments, comment })))}
          >
            Take what is proposed
          </Button>
          <Button className="no-print" disabled={busy || !changed} onClick={() => void save()}>
            Decide it so
          </Button>
        </div>
      ) : (
        mark?.comment && <p>{mark.comment}</p>
      )}
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      {decidedBy && (
        <p className="quiet no-print">
          Decided by {decidedBy}.{' '}
          {handedBackAt ? (
            <State level="good">Handed back: the group reads it with its code</State>
          ) : (
            <State level="open">Not handed back yet</State>
          )}
          {changed && ' What stands here now is not decided yet.'}
        </p>
      )}
    </section>
  )
}

const textsOf = (mark: Mark | null): Partial<Record<Criterion, string>> =>
  Object.fromEntries(Object.entries(mark?.points ?? {}).map(([key, value]) => [key, String(value)]))

/** What is typed and reads as a number. */
const typed = (points: Partial<Record<Criterion, string>>): Mark['points'] =>
  Object.fromEntries(
    Object.entries(points).flatMap(([key, text]) => {
      const read = readNumber(text)
      return read.ok ? [[key, read.value.value]] : []
    }),
  )
