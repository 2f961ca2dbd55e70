import type { Line } from '@/core/plan/plan'
import { useWritten } from '../useWritten'

interface Props {
  line: Line
  name: string
  readOnly: boolean
  /** Takes the coefficient, or says why it cannot stand. */
  onCoefficient: (line: string, text: string) => string | undefined
}

/** Written where it stands before its substance. */
export function Coefficient({ line, name, readOnly, onCoefficient }: Props) {
  const { input, problem } = useWritten({ value: String(line.coefficient), take: (text) => onCoefficient(line.id, text) })
  return (
    <span className="coefficient">
      <input
        aria-label={`Coefficient of ${name}`}
        {...input}
        readOnly={readOnly}
        inputMode="numeric"
        size={Math.max(1, input.value.length)}
        onFocus={(event) => event.currentTarget.select()}
      />
      {problem && (
        <span className="problem" role="alert">
          {problem}
        </span>
      )}
    </span>
  )
}
