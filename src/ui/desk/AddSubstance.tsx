import { useState, type ReactNode } from 'react'
import { roles, type Role } from '@/core/plan/lists'
import { addLine } from '@/core/plan/editPlan'
import type { Plan } from '@/core/plan/plan'
import { drawingOf } from './drawingOf'
import { OwnSubstance } from './OwnSubstance'
import { PartSelect } from './PartSelect'
import type { FoundSubstance } from '@/views/plans'
import { SubstancePicker } from './SubstancePicker'
import { focusCell } from './toCell'

interface Props {
  course: string
  plan: Plan
  onAdd: (plan: Plan, label: string) => void
  /** The drawing of a substance that stands in the plan from now on, by its id there. */
  onDrawing: (substance: string, drawing: string) => void
  children: ReactNode
}

/** Below the table: a substance by name or formula, of the Reference or of one's own, as one of the parts it may play. */
export function AddSubstance({ course, plan, onAdd, onDrawing, children }: Props) {
  const [role, setRole] = useState<Role>('reactant')
  const [own, setOwn] = useState<string>()

  const add = ({ substance, form }: FoundSubstance) => {
    const added = addLine(plan, substance, role)
    const { id } = added.lines.find((each) => !plan.lines.some((other) => other.id === each.id))!
    const next = form ? { ...added, lines: added.lines.map((each) => (each.id === id ? { ...each, form } : each)) } : added
    const line = next.lines.find((each) => each.id === id)!
    void drawingOf(course, substance).then((drawing) => drawing && onDrawing(line.substance, drawing))
    onAdd(next, `${substance.name} added`)
    setOwn(undefined)
    // A further reactant is most often said by its ratio.
    if (role === 'reactant') focusCell(line.id, 3)
    else focusCell(line.id, line.form.kind === 'solid' ? 0 : 1)
  }

  return (
    <div className="add-line no-print">
      <SubstancePicker course={course} label="Add a substance: name or formula" onPick={add} onOwn={setOwn} />
      <PartSelect parts={roles} value={role} onChange={setRole} />
      {children}
      {own !== undefined && <OwnSubstance course={course} name={own} onClose={() => setOwn(undefined)} onTake={add} />}
    </div>
  )
}
