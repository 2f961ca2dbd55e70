import { isInEquation, isProduct, substanceOf, type Line, type Plan } from '../plan/plan'
import { readFormula, type Composition } from '../substance/readFormula'

/** An element whose atoms differ between the two sides. */
export interface Imbalance {
  /** Element symbol, or `charge`. */
  element: string
  left: number
  right: number
}

export interface Balance {
  imbalances: Imbalance[]
  /** The smallest whole-number coefficients by line id, when the equation can be balanced in one way only. */
  suggestion: Record<string, number> | null
}

/** Compares both sides of the equation element by element, and solves the element matrix for the smallest whole-number coefficients. */
export function balance(plan: Plan): Balance {
  const terms = plan.lines
    .filter(isInEquation)
    .map((line) => ({ line, composition: compositionOf(plan, line), side: isProduct(line) ? -1 : 1 }))
  const elements = [...new Set(terms.flatMap(({ composition }) => Object.keys(composition.atoms)))].sort()
  const count = (term: (typeof terms)[number], element: string) =>
    element === 'charge' ? term.composition.charge : (term.composition.atoms[element] ?? 0)
  const rows = [...elements, 'charge']
  const imbalances = rows.flatMap((element): Imbalance[] => {
    const total = (side: number) =>
      terms.filter((term) => term.side === side).reduce((sum, term) => sum + term.line.coefficient! * count(term, element), 0)
    const [left, right] = [total(1), total(-1)]
    return Math.abs(left - right) < 1e-9 ? [] : [{ element, left, right }]
  })
  const solution = wholeNullVector(rows.map((element) => terms.map((term) => term.side * count(term, element))))
  return {
    imbalances,
    suggestion: solution && Object.fromEntries(terms.map(({ line }, index) => [line.id, solution[index]!])),
  }
}

function compositionOf(plan: Plan, line: Line): Composition {
  const { formula } = substanceOf(plan, line)
  return formula === undefined ? { atoms: {}, charge: 0 } : readFormula(formula)
}

/**
 * The only vector of positive whole numbers without a common divisor that the matrix takes to zero;
 * null when there is none or more than one. Fraction-free Gauss–Jordan elimination on whole numbers.
 */
function wholeNullVector(matrix: number[][]): number[] | null {
  const width = matrix[0]?.length ?? 0
  const rows = matrix.map((row) => row.map((value) => BigInt(value)))
  const pivots: number[] = []
  for (let column = 0; column < width; column++) {
    const from = pivots.length
    const at = rows.findIndex((row, index) => index >= from && row[column] !== 0n)
    if (at < 0) continue
    const [pivot] = rows.splice(at, 1)
    rows.splice(from, 0, pivot!)
    for (const [index, row] of rows.entries()) {
      if (index === from || row[column] === 0n) continue
      const [a, b] = [pivot![column]!, row[column]!]
      rows[index] = reduced(row.map((value, k) => value * a - pivot![k]! * b))
    }
    pivots.push(column)
  }
  const free = [...Array(width).keys()].filter((column) => !pivots.includes(column))
  if (free.length !== 1) return null
  const denominator = pivots.reduce((product, column, row) => product * absolute(rows[row]![column]!), 1n)
  const vector = Array<bigint>(width).fill(0n)
  vector[free[0]!] = denominator
  pivots.forEach((column, row) => (vector[column] = (-rows[row]![free[0]!]! * denominator) / rows[row]![column]!))
  const whole = reduced(vector).map(Number)
  return whole.every((value) => value > 0) ? whole : null
}

function absolute(value: bigint): bigint {
  return value < 0n ? -value : value
}

function reduced(values: bigint[]): bigint[] {
  const divisor = values.reduce((a, b) => {
    let [x, y] = [absolute(a), absolute(b)]
    while (y !== 0n) [x, y] = [y, x % y]
    return x
  }, 0n)
  return divisor > 1n ? values.map((value) => value / divisor) : values
}
