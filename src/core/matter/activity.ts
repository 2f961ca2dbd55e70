/**
 * How the components of a liquid differ from an ideal solution, as constants that fit measured equilibria. Indices follow the components' order.
 * Wilson's Λ and NRTL's τ are taken as constant over the range of one distillation.
 */
export type ActivityModel =
  | { kind: 'ideal' }
  | { kind: 'van Laar'; A12: number; A21: number }
  | { kind: 'Wilson'; lambda: readonly (readonly number[])[] }
  | { kind: 'NRTL'; tau: readonly (readonly number[])[]; alpha: readonly (readonly number[])[] }

/**
 * Activity coefficients γ of a liquid of mole fractions x (Prausnitz, Lichtenthaler and Azevedo, Molecular Thermodynamics of Fluid-Phase Equilibria, ch. 6).
 * van Laar: ln γ1 = A12·(A21·x2/(A12·x1 + A21·x2))², and so for 2, for two components only. Wilson: ln γi = 1 − ln Σj xj·Λij − Σk xk·Λki/Σj xj·Λkj.
 * @throws RangeError where van Laar is given other than two components
 */
export function activityCoefficients(model: ActivityModel, x: readonly number[]): number[] {
  switch (model.kind) {
    case 'ideal':
      return x.map(() => 1)
    case 'van Laar': {
      if (x.length !== 2) throw new RangeError('The van Laar equations are for two components.')
      const { A12, A21 } = model
      const sum = A12 * x[0]! + A21 * x[1]!
      if (sum === 0) return [1, 1]
      return [Math.exp(A12 * ((A21 * x[1]!) / sum) ** 2), Math.exp(A21 * ((A12 * x[0]!) / sum) ** 2)]
    }
    case 'Wilson': {
      const { lambda } = model
      const sums = x.map((_, k) => x.reduce((sum, xj, j) => sum + xj * lambda[k]![j]!, 0))
      return x.map((_, i) =>
        Math.exp(1 - Math.log(sums[i]!) - x.reduce((sum, xk, k) => sum + (xk * lambda[k]![i]!) / sums[k]!, 0)),
      )
    }
    case 'NRTL': {
      const { tau, alpha } = model
      const G = tau.map((row, i) => row.map((value, j) => Math.exp(-alpha[i]![j]! * value)))
      const over = x.map((_, i) => x.reduce((sum, xj, j) => sum + xj * tau[j]![i]! * G[j]![i]!, 0))
      const under = x.map((_, i) => x.reduce((sum, xj, j) => sum + xj * G[j]![i]!, 0))
      return x.map((_, i) =>
        Math.exp(
          over[i]! / under[i]! +
            x.reduce((sum, xj, j) => sum + ((xj * G[i]![j]!) / under[j]!) * (tau[i]![j]! - over[j]! / under[j]!), 0),
        ),
      )
    }
  }
}
