import { operationIn } from '@/core/operations/registry'
import type { Step } from '@/core/plan/plan'
import { stepFacts } from '@/core/plan/stepFacts'
import { discarded } from '@/core/plan/lists'
import { wasteStreams, type WasteStream } from '@/core/substance/lists'

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
      {(place === 'waste' || step.waste) && <Waste step={step} onChange={onChange} />}
    </>
  )
}

type Placed = NonNullable<Step['waste']>

/** The containers that something goes into here, and what of the vessel it is. */
function Waste({ step, onChange }: Props) {
  const placed: Placed = step.waste ?? []
  const put = (waste: Placed, what: string) => onChange({ waste: waste.length > 0 ? waste : undefined }, what)
  const tick = (into: WasteStream, on: boolean) =>
    put([...placed.filter((each) => each.into !== into), ...(on ? [{ into }] : [])], into)
  return (
    <>
      <Ticks
        legend="something goes into"
        items={wasteStreams.map((stream) => [stream, stream] as const)}
        ticked={placed.map(({ into }) => into)}
        onTick={tick}
      />
      {placed.map(({ into, what }) => (
        <label key={into} className="goes-into">
          into “{into}”:{' '}
          <select
            className="form-select form-select-sm"
            value={what ?? ''}
            onChange={(event) => {
              const found = discarded.find((each) => each === event.currentTarget.value)
              put(
                placed.map((each) => (each.into === into ? { into, ...(found ? { what: found } : {}) } : each)),
                `what goes into ${into}`,
              )
            }}
          >
            <option value="">not said what</option>
            {discarded.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        </label>
      ))}
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
