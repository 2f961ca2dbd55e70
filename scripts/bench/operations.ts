import { batchDistillation } from '@/core/operations/distil/batch'
import type { Component, Mixture } from '@/core/matter/equilibrium'
import { report, rounds, timed } from './figures'

/** What the operations cost that compute most. */
export function benchOperations(): void {
  const cyclohexane = { name: 'cyclohexane', a: 6.8413, b: 1201.53, c: 222.65, gPerMol: 84.16, gPerML: 0.779 }
  const toluene = { name: 'toluene', a: 6.95464, b: 1344.8, c: 219.48, gPerMol: 92.14, gPerML: 0.867 }
  const xylene = { name: 'o-xylene', a: 6.99891, b: 1474.679, c: 213.69, gPerMol: 106.17, gPerML: 0.88 }
  const column = { stages: 20, reflux: 5, holdUpML: 2, points: 2000, stopML: 5 }
  const mixture = (components: Component[]): Mixture => ({ components, model: { kind: 'ideal' }, mmHg: 760 })
  const size = `${column.stages} stages, ${column.points} points`
  const [two, three] = [mixture([cyclohexane, toluene]), mixture([cyclohexane, toluene, xylene])]
  report(
    'batch distillation, two components',
    timed(() => batchDistillation(two, { ...column, mmol: [230, 235] }), 20),
    'ms',
    size,
    `median of ${rounds} × 20`,
  )
  report(
    'batch distillation, three components',
    timed(() => batchDistillation(three, { ...column, mmol: [230, 235, 200] }), 3),
    'ms',
    size,
    `median of ${rounds} × 3`,
  )
}
