import { readQuantity, type Reading } from '@/core/quantity/readQuantity'
import { inBaseUnit } from '@/core/quantity/unit'
import { writeQuantity } from '@/core/quantity/write'
import type { Bottle } from '@/core/stores/bottle'
import { useWritten } from '../useWritten'

/** `250 mL`, `40 g`, and `0 g` for an empty bottle; in g or mL as the shelf keeps it. */
export function readLeft(text: string): Reading<Bottle['left']> {
  const empty = /^0(?:\.0*)?\s*(g|mL)$/i.exec(text.trim())
  if (empty) return { ok: true, value: { value: 0, unit: empty[1]!.toLowerCase() === 'g' ? 'g' : 'mL', decimals: 0 } }
  for (const dimension of ['mass', 'volume'] as const) {
    const read = readQuantity(text, dimension)
    if (read.ok) {
      const unit = dimension === 'mass' ? 'g' : 'mL'
      return { ok: true, value: { value: Number(inBaseUnit(read.value).toPrecision(12)), unit, decimals: 1 } }
    }
  }
  return { ok: false, problem: 'Write what is left with its unit, for example 250 mL or 40 g.' }
}

/** What is left in a bottle, written over. */
export function LeftField({ bottle, onLeft }: { bottle: Bottle; onLeft: (left: Bottle['left']) => void }) {
  const { input, problem } = useWritten({
    value: writeQuantity(bottle.left),
    take: (text) => {
      const read = readLeft(text)
      if (!read.ok) return read.problem
      onLeft(read.value)
      return undefined
    },
  })
  return (
    <>
      <input className="form-control form-control-sm" aria-label={`Left of ${bottle.substance}`} {...input} />
      {problem && (
        <span className="problem" role="alert">
          {problem}
        </span>
      )}
    </>
  )
}
