import { changeRecovery } from '@/core/plan/editPlan'
import type { Line, Plan } from '@/core/plan/plan'
import type { Reading } from '@/core/quantity/readQuantity'
import { NumberField, TextField } from './fields'

interface Props {
  plan: Plan
  line: Line
  name: string
  onTake: (read: Reading<Plan>, label: string) => void
}

/** The sample as which a material or a part of it is got back, and how much of it is expected. */
export function RecoveryFields({ plan, line, name, onTake: take }: Props) {
  const recovery = plan.recoveries?.find(({ product }) => product === line.id)
  return (
    <>
      <TextField
        label="got back as the sample"
        value={recovery?.sample ?? ''}
        onText={(sample) => take(changeRecovery(plan, line, sample, recovery?.expected), `recovery of ${name}`)}
      />
      {recovery &&
        (['low', 'high'] as const).map((end) => (
          <NumberField
            key={end}
            label={end === 'low' ? 'expected from' : 'to'}
            unit="%"
            value={(recovery.expected?.[end] ?? 0) * 100}
            least={end === 'high' && recovery.expected ? recovery.expected.low * 100 - 1e-9 : 0}
            most={end === 'low' && recovery.expected ? recovery.expected.high * 100 : 100}
            onNumber={(percent) =>
              take(
                changeRecovery(plan, line, recovery.sample, {
                  ...(recovery.expected ?? { low: percent / 100, high: percent / 100 }),
                  [end]: percent / 100,
                }),
                `recovery expected of ${name}`,
              )
            }
          />
        ))}
    </>
  )
}
