import type { Substance } from '../substance/substance'
import { staysByPH } from './gas'
import { mixesWithWater } from './mixing'
import { exactly, within, type Span } from './span'
import { noAtoms, type Thing } from './thing'

/** K of the uncharged form, organic over watery, with what it rests on. */
export interface PartitionKnown {
  K: Span
  by: 'record' | 'solubilities' | 'octanol' | 'carbon atoms' | 'stays in water' | 'stays out of water'
}

/** A coefficient of a record is another one in another mixture: half or twice as much. */
const recordFactor = 2
/** Octanol holds hydrogen bonds that most solvents of a bench do not: their K lies within ten of its (Leo, Hansch and Elkins, Chem. Rev. 71, 1971, 525: regressions between solvent systems; judgement). */
const octanolFactor = 10

/** Iodine and bromine are 85 times (iodine into tetrachloromethane, the textbooks' case of Nernst's law) as soluble in organic liquids, some more, some less. What has no oxygen, nitrogen or charge stays out of water, and what is hardly soluble in it by its carbon atoms mostly so. */
const byCarbon = { nothingPolar: within(3000, 30), many: within(50, 10), few: within(0.1, 10), halogen: within(85, 10) } as const

const at20 = (substance: Substance, solvent: string) =>
  substance.solubility?.find((each) => each.solvent === solvent)?.points.find(({ atC }) => atC <= 30)?.gPer100ML

/**
 * K of a thing between an organic layer, by its main solvent, and water: of the record for that solvent, from both solubilities, from its log P, which is octanol's and within ten of any other's; else by its carbon atoms. Null where nobody can say.
 */
export function partitionOf(thing: Thing, solvent: Thing): PartitionKnown | null {
  const { substance, charge, atoms } = thing
  if (charge !== 0 || staysByPH(thing)) return { K: exactly(0), by: 'stays in water' }
  if (!atoms) return null
  const own = substance.partition?.find((each) => each.solvent === solvent.substance.id)
  if (own) return { K: within(own.K, recordFactor), by: 'record' }
  const [organic, watery] = [at20(substance, solvent.substance.id), at20(substance, 'water')]
  if (organic !== undefined && watery !== undefined) return { K: within(organic / watery, recordFactor), by: 'solubilities' }
  if (substance.logP) return { K: within(10 ** substance.logP.value, octanolFactor), by: 'octanol' }
  if (noAtoms({ ...atoms, I: 0 }) || noAtoms({ ...atoms, Br: 0 })) return { K: byCarbon.halogen, by: 'stays out of water' }
  if (!atoms.C) return { K: exactly(0), by: 'stays in water' }
  if (!atoms.O && !atoms.N) return { K: byCarbon.nothingPolar, by: 'stays out of water' }
  switch (mixesWithWater(thing)) {
    case 'part':
      return { K: byCarbon.many, by: 'carbon atoms' }
    case 'mix':
      return { K: byCarbon.few, by: 'carbon atoms' }
    case 'cannot be told':
      return null
  }
}
