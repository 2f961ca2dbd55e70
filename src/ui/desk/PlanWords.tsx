'use client'

import { mainResult, type Plan, type Span } from '@/core/plan/plan'
import { NumberField, TextField } from './fields'

interface Props {
  plan: Plan
  onChange: (plan: Plan, label: string) => void
}

/** The words around the figures: title, aim, what stands at the arrow, and the yield to expect. */
export function PlanWords({ plan, onChange }: Props) {
  const field = (label: string, value: string, put: (text: string) => Plan, width: 'half' | 'wide' = 'wide', needed = false) => (
    <TextField label={label} value={value} width={width} needed={needed} onText={(text) => onChange(put(text), label)} />
  )
  const result = mainResult(plan)
  const { low, high } = result?.expected ?? { low: 0, high: 0 }
  const what = result?.recovery ? 'expected recovery' : 'expected yield'
  const expect = (expected: Span) =>
    onChange(
      result?.recovery
        ? { ...plan, recoveries: [{ ...result.recovery, expected }, ...plan.recoveries!.slice(1)] }
        : { ...plan, expectedYield: expected },
      what,
    )
  return (
    <div className="line-editor" role="group" aria-label="Words of the plan">
      {field('title', plan.title, (title) => ({ ...plan, title }), 'half', true)}
      {field(
        'above the arrow',
        plan.conditions.above,
        (above) => ({ ...plan, conditions: { ...plan.conditions, above } }),
        'half',
      )}
      {field(
        'below the arrow',
        plan.conditions.below,
        (below) => ({ ...plan, conditions: { ...plan.conditions, below } }),
        'half',
      )}
      {field('aim', plan.aim, (aim) => ({ ...plan, aim }))}
      {field('wear, parted by semicolons', plan.safety.wear.join('; '), (text) => withSafety(plan, { wear: parts(text) }))}
      {field('at hand, parted by semicolons', plan.safety.atHand.join('; '), (text) => withSafety(plan, { atHand: parts(text) }))}
      {field('own words on the safety sheet', plan.safety.ownWords, (ownWords) => withSafety(plan, { ownWords }))}
      <NumberField
        label={`${what} from`}
        unit="%"
        value={low * 100}
        most={(high || 1) * 100}
        onNumber={(percent) => expect({ low: percent / 100, high: high || percent / 100 })}
      />
      <NumberField
        label="to"
        unit="%"
        value={high * 100}
        least={Math.max(0, low * 100 - 1e-9)}
        most={100}
        onNumber={(percent) => expect({ low: low || percent / 100, high: percent / 100 })}
      />
    </div>
  )
}

function withSafety(plan: Plan, part: Partial<Plan['safety']>): Plan {
  return { ...plan, safety: { ...plan.safety, ...part } }
}

function parts(text: string): string[] {
  return text.split(';').flatMap((part) => (part.trim() === '' ? [] : [part.trim()]))
}
