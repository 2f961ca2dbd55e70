'use client'

import { Link } from '../page/Link'
import { Button } from 'react-bootstrap'
import type { Plan } from '@/core/plan/plan'
import type { GraverNote } from '@/reference/graver'
import { SafetyParts } from './SafetyParts'

interface Props {
  plan: Plan
  /** Where the plan stands on the Desk. */
  desk: string
  revision: string
  /** First aid and spill measures that go with the hazards that occur, with their full texts. */
  measures: string[]
  graver: readonly GraverNote[]
}

/** The safety sheet of a preparation: one page to read before anything is opened, and to print for the wall. */
export function SafetySheetView({ plan, desk, revision, measures, graver }: Props) {
  return (
    <article className="safety-page">
      <div className="head">
        <h1>Safety: {plan.title}</h1>
        <span className="sub">{revision}</span>
        <div className="actions no-print">
          <Link className="btn btn-quiet" href={desk}>
            To the plan
          </Link>
          <Button variant="quiet" onClick={() => window.print()}>
            Print
          </Button>
        </div>
      </div>
      <SafetyParts
        plan={plan}
        measures={measures}
        graver={graver}
        heading={(words) => <h2 className="section-title">{words}</h2>}
      />
    </article>
  )
}
