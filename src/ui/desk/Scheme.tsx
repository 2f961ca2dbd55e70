'use client'

import { memo, type CSSProperties } from 'react'
import { isProduct, isReactant, type Line, type Plan } from '@/core/plan/plan'
import { writeNumber } from '@/core/quantity/write'
import { molarMass } from '@/core/substance/molarMass'
import { FormulaText } from '../figures/FormulaText'
import { Coefficient } from './Coefficient'

interface Props {
  plan: Plan
  drawings: Record<string, string>
  readOnly: boolean
  /** Returns what is wrong with the coefficient, or undefined when it was taken. */
  onCoefficient: (line: string, text: string) => string | undefined
}

/** The equation with drawn structures, and coefficients large enough that a 2 cannot be missed. */
export const Scheme = memo(function Scheme({ plan, drawings, readOnly, onCoefficient }: Props) {
  // A separation has no equation: what is put in stands on the left, what is got back on the right.
  const left = plan.lines.filter((line) => isReactant(line) || line.role === 'material')
  const right =
    plan.mainProduct !== undefined
      ? plan.lines.filter((line) => isProduct(line) && line.role !== 'intermediate')
      : recoveredLines(plan)
  const side = (lines: Line[]) =>
    lines.map((line, index) => (
      <span className="term" key={line.id}>
        {index > 0 && (
          <span className="plus" aria-hidden="true">
            +
          </span>
        )}
        {line.coefficient !== null && (
          <Coefficient line={line} name={nameOf(plan, line)} readOnly={readOnly} onCoefficient={onCoefficient} />
        )}
        <Molecule plan={plan} line={line} drawing={drawings[line.substance]} />
      </span>
    ))
  const widest = Math.max(1, ...[...left, ...right].map(({ substance }) => emsWide(drawings[substance])))
  return (
    <section
      className="scheme"
      aria-label="Reaction scheme"
      // One bond length for all: where one molecule is too wide all are drawn smaller.
      style={{ '--em': `${Math.min(usualEm, widestPx / widest)}px` } as CSSProperties}
    >
      {side(left)}
      <span className="arrow">
        <span>{plan.conditions.above}</span>
        <i aria-label="gives" role="img" />
        <span>{plan.conditions.below}</span>
      </span>
      {side(right)}
    </section>
  )
})

/** Size of the em that drawings are measured in, px: a bond is one and a half of it. */
const usualEm = 11
/** No molecule is wider than this, px. */
const widestPx = 300

/** Width of a drawing in its ems. */
const emsWide = (drawing: string | undefined) => Number(/ width="([\d.]+)em"/.exec(drawing ?? '')?.[1] ?? 0)

function recoveredLines(plan: Plan): Line[] {
  return plan.lines.filter(({ id }) => plan.recoveries?.some(({ product }) => product === id))
}

function nameOf(plan: Plan, line: Line): string {
  return plan.substances.find(({ id }) => id === line.substance)?.name ?? line.id
}

function Molecule({ plan, line, drawing }: { plan: Plan; line: Line; drawing: string | undefined }) {
  const substance = plan.substances.find(({ id }) => id === line.substance)!
  return (
    <span className="molecule">
      {/* Without a bond there is nothing to draw: a formula in the size of the text. */}
      {drawing?.includes('<line') ? (
        <span className="drawing" dangerouslySetInnerHTML={{ __html: drawing }} />
      ) : (
        substance.formula && (
          <span className="formula">
            <FormulaText formula={substance.formula} />
          </span>
        )
      )}
      <b>{substance.name}</b>
      {substance.formula && (
        <span className="fig quiet">
          {writeNumber(molarMass(substance.formula), 2)} <span className="unit">g/mol</span>
        </span>
      )}
    </span>
  )
}
