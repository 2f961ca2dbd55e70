'use client'

import { Link } from '../../page/Link'
import { useRef, useState } from 'react'
import { Button } from 'react-bootstrap'
import type { Plan } from '@/core/plan/plan'
import { ForPaper } from './ForPaper'
import { ForStores } from './ForStores'
import { ForStudents } from './ForStudents'

const forms = [
  ['students', 'Handout for students'],
  ['stores', 'Instructions to the stores'],
  ['paper', 'Experimental part of a paper'],
] as const
type Form = (typeof forms)[number][0]
const papers = ['A4', 'Letter'] as const

interface Props {
  plan: Plan
  course: string
  desk: string
  revision: string
  measures: string[]
}

/** A plan as it is printed: for those who do it, for those who set it out, for those who read about it. */
export function Handout({ plan, course, desk, revision, measures }: Props) {
  const [form, setForm] = useState<Form>('students')
  const [paper, setPaper] = useState<(typeof papers)[number]>('A4')
  const [benches, setBenches] = useState(12)
  const [copied, setCopied] = useState(false)
  const sheet = useRef<HTMLElement>(null)
  const copy = async () => {
    // As it stands on the page: in the words that were chosen.
    await navigator.clipboard.writeText(sheet.current?.innerText ?? '')
    setCopied(true)
  }
  return (
    <div className="handout">
      <div className="handout-tools no-print">
        <fieldset className="choice">
          <legend className="visually-hidden">What is printed</legend>
          {forms.map(([value, words]) => (
            <label key={value}>
              <input type="radio" name="form" checked={form === value} onChange={() => setForm(value)} /> {words}
            </label>
          ))}
        </fieldset>
        {form === 'stores' && (
          <label>
            Benches
            <input
              className="form-control form-control-sm"
              type="number"
              min={1}
              max={200}
              value={benches}
              onChange={(event) => {
                const typed = event.currentTarget.valueAsNumber
                if (typed >= 1 && typed <= 200) setBenches(Math.round(typed))
              }}
            />
          </label>
        )}
        <label>
          Paper
          <select
            className="form-select form-select-sm"
            value={paper}
            onChange={(event) => setPaper(event.currentTarget.value as (typeof papers)[number])}
          >
            {papers.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        </label>
        <div className="actions">
          <Link className="btn btn-quiet" href={desk}>
            To the plan
          </Link>
          <Button variant="quiet" onClick={() => void copy()}>
            {copied ? 'Copied' : 'Copy the text'}
          </Button>
          <Button onClick={() => window.print()}>Print</Button>
        </div>
      </div>
      <article className={`sheet ${paper.toLowerCase()} ${form}`} ref={sheet}>
        <header>
          <p className="sub">
            {course}, {revision}
          </p>
          <h1>{plan.title}</h1>
        </header>
        {form === 'students' ? (
          <ForStudents plan={plan} measures={measures} />
        ) : form === 'stores' ? (
          <ForStores plan={plan} benches={benches} />
        ) : (
          <ForPaper plan={plan} />
        )}
      </article>
    </div>
  )
}
