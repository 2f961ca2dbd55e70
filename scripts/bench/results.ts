import { resultsOf } from '@/core/classroom/classResults'
import { figuresOfClass } from '@/core/classroom/compareClasses'
import { foldClass } from '@/core/classroom/foldClass'
import { classPanels, lossPanel } from '@/core/classroom/panels/panels'
import { integrate } from '@/core/traces/peaks'
import { simulateChromatogram } from '@/core/traces/simulate'
import { college } from '@/demo/college'
import { heldBefore } from '@/demo/earlier'
import { planCalled } from '@/demo/classes'
import { repeatable } from '@/core/quantity/repeatable'

/** Speed of what comes after a lab day: a chromatogram integrated, a class of sixty with all its pictures, ten years of a plan. */
export function benchResults(report: (what: string, value: number, unit: string, size: string, runs: string) => void): void {
  const trace = simulateChromatogram(
    [3, 6, 9, 12, 15].map((atMin) => ({ atMin, area: 3 * atMin, sigmaMin: 0.05 })),
    { title: 'bench', minutes: 20, points: 20_000, drift: 5, noise: 0.05 },
    repeatable(1),
  )
  const took = (work: () => unknown) => {
    const start = performance.now()
    work()
    return performance.now() - start
  }
  const median = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!
  took(() => integrate(trace))
  report(
    'integrate a chromatogram',
    median(Array.from({ length: 11 }, () => took(() => integrate(trace)))),
    'ms',
    '20,000 points',
    'median of 11',
  )
  const at = new Date()
  const made = college(at, 'UTC')
  const { plan, revision } = planCalled(made.preparations, 'Acetanilide')
  const [first] = heldBefore(made, at).sessions.filter((session) => session.revision === revision)
  const many = Array.from({ length: 60 }, (_, index) => ({ ...first!.runs[index % 8]!, bench: index + 1 }))
  const whole = () => {
    const folded = foldClass(plan, many)
    return classPanels(plan, folded, resultsOf(plan, folded), folded.map(lossPanel))
  }
  report('results of a class, with all pictures', took(whole), 'ms', '60 groups', 'the first time')
  const tenYears = () =>
    Array.from({ length: 80 }, (_, index) =>
      figuresOfClass(
        { session: String(index), section: 'A', at: at.toISOString(), revision: 1 },
        resultsOf(plan, foldClass(plan, first!.runs)),
      ),
    )
  report('ten years of a plan side by side', took(tenYears), 'ms', '80 classes of 8', 'once')
}
