import { writeFormula } from '@/core/substance/writeFormula'

/** A formula in print, counts lowered. */
export function FormulaText({ formula }: { formula: string }) {
  return (
    <span>
      {writeFormula(formula).map(({ text, sub }, index) =>
        sub ? <sub key={index}>{text}</sub> : <span key={index}>{text}</span>,
      )}
    </span>
  )
}
