import { expose } from 'comlink'
import { batchDistillation, type BatchCharge, type BatchCurve } from '@/core/operations/distil/batch'
import type { Mixture } from '@/core/matter/equilibrium'
import { byWindow, recoveryAtPurity, usualPurities, type Fraction } from '@/core/operations/distil/fractions'

export interface DistillationAsked {
  mixture: Mixture
  charge: BatchCharge
  /** Index of the component whose fraction is wanted. */
  wanted: number
  lowC: number
  highC: number
}

export interface DistillationFound {
  curve: BatchCurve
  cut: Fraction[]
  purities: ReturnType<typeof recoveryAtPurity>
}

/** A batch distillation off the page, so that typing never waits for it; `progress` is told how far it is, 0 to 1. */
const distillation = {
  run({ mixture, charge, wanted, lowC, highC }: DistillationAsked, progress: (share: number) => void): DistillationFound {
    let told = 0
    const curve = batchDistillation(mixture, charge, (share) => {
      if (share - told < 0.1) return
      told = share
      progress(share)
    })
    return {
      curve,
      cut: byWindow(curve, lowC, highC),
      purities: recoveryAtPurity(curve, wanted, charge.mmol[wanted]!, usualPurities),
    }
  },
}

export type DistillationWorker = typeof distillation

expose(distillation)
