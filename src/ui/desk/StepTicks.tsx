import { operationIn } from '@/core/operations/registry'
import type { Step } from '@/core/plan/plan'
import { stepFacts } from '@/core/plan/stepFacts'
import { wasteStreams } from '@/core/substance/substance'

interface Props {
  step: Step
  onChange: (part: Record<string, unknown>, what: string) => void
}

const toggled = <T,>(list: readonly T[] | undefined, item: T, on: boolean): T[] => [
  ...(list ?? []).filter((each) => each !== item),
  ...(on ? [item] : []),
]

/** What the rules ask of a step: the facts of its operation, gas, which may come off anywhere, and the waste containers where it places waste. */
export function StepTicks({ step, onChange }: Props) {
  const { asks = [], place } = operationIn(step) ?? {}
  return (
    <>
      <Ticks
        legend="so it is"
        items={[...asks, 'gas-comes' as const].map((fact) => [fact, stepFacts[fact]] as const)}
        ticked={step.says}
        onTick={(fact, on, words) => onChange({ says: toggled(step.says, fact, on) }, words)}
      />
      {place === 'waste' && (
        <Ticks
          legend="something goes into"
          items={wasteStreams.map((stream) => [stream, stream] as const)}
          ticked={step.waste}
          onTick={(stream, on) => onChange({ waste: toggled(step.waste, stream, on) }, stream)}
        />
      )}
    </>
  )
}

interface TicksProps<T extends string> {
  legend: string
  items: readonly (readonly [T, string])[]
  ticked: readonly T[] | undefined
  onTick: (item: T, on: boolean, words: string) => void
}

function Ticks<T extends string>({ legend, items, ticked, onTick }: TicksProps<T>) {
  return (
    <fieldset className="ticks">
      <legend>{legend}</legend>
      {items.map(([item, words]) => (
        <label className="check" key={item}>
          <input
            type="checkbox"
            checked={ticked?.includes(item) ?? false}
            onChange={(event) => onTick(item, event.currentTarget.checked, words)}
          />
          {words}
        </label>
      ))}
    </fieldset>
  )
}
