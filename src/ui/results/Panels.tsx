import type { ClassResults } from '@/core/classroom/classResults'
import type { ClassPanels } from '@/core/classroom/panels/panels'
import { BalancePanelView } from './BalancePanelView'
import { BudgetPanel } from './BudgetPanel'
import { CurvePanelView } from './CurvePanelView'
import { LossPanel } from './LossPanel'
import { SequencePanel } from './SequencePanel'
import { SpotPanelView } from './SpotPanelView'
import { StripPanel } from './StripPanel'
import { TestPanelView } from './TestPanelView'
import { TimePanelView } from './TimePanelView'

/** Every other kind of result of a class, each as one picture with its table. */
export function Panels({
  panels,
  results,
  title,
  planned,
}: {
  panels: ClassPanels
  results: ClassResults
  title: string
  planned: Record<string, { volumeML: number; headC: number }[]>
}) {
  return (
    <>
      {panels.tests.map((panel) => (
        <TestPanelView key={panel.step} panel={panel} />
      ))}
      {panels.strips.length > 0 && (
        <div className="strips">
          {panels.strips.map((strip) => (
            <StripPanel key={strip.key} strip={strip} />
          ))}
        </div>
      )}
      {panels.spots.map((panel) => (
        <SpotPanelView key={panel.step} panel={panel} />
      ))}
      {panels.balances.map((panel) => (
        <BalancePanelView key={panel.of} panel={panel} />
      ))}
      {panels.curves.map((panel) => (
        <CurvePanelView key={panel.key} panel={panel} planned={planned[panel.key] ?? []} />
      ))}
      <SequencePanel rows={results.rows} title={title} />
      <LossPanel losses={panels.losses} />
      <BudgetPanel budgets={panels.budgets} />
      <TimePanelView panel={panels.times} />
    </>
  )
}
