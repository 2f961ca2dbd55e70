import type { ClassInVessel } from '../../reaction/reactiveClasses'
import { classesOf } from '../../reaction/reactiveClasses'
import { equivalentsOf } from '../../reaction/equivalents'
import type { Content } from './content'
import { isWatery } from './watery'

/** What a wash takes out of an organic layer because it turns it into a salt or destroys it (Furniss et al., Vogel's Textbook of Practical Organic Chemistry, ch. 2.22). */
const takes: readonly { what: readonly ClassInVessel[]; by: readonly ClassInVessel[] }[] = [
  { what: ['acid'], by: ['carbonate', 'strong base', 'ammonia'] },
  { what: ['phenol'], by: ['strong base'] },
  { what: ['amine'], by: ['acid'] },
  {
    what: ['bromine', 'iodine', 'N-halogen compound', 'hypochlorite', 'peroxide', 'organic peroxide'],
    by: ['sulfite', 'thiosulfate'],
  },
  { what: ['aldehyde'], by: ['sulfite'] },
]

/** What stays in the organic layer: what is not watery, but for what the wash takes, as far as its amount is enough. A part of it that is too much for the wash stays and counts on. */
export function staysInLayer(inside: readonly Content[], wash: readonly Content[]): Content[] {
  return inside.filter((content) => {
    if (isWatery(content)) return false
    const classes = classesOf(content.substance, content.line)
    return !takes.some(({ what, by }) => {
      const as = what.find((each) => classes.has(each))
      if (as === undefined) return false
      const enough = wash.reduce((sum, { substance, line, mmol }) => {
        const washing = classesOf(substance, line)
        const taking = by.find((each) => washing.has(each))
        return taking === undefined || substance.id === content.substance.id
          ? sum
          : sum + (mmol ?? 0) * equivalentsOf(taking, substance)
      }, 0)
      // What nobody has weighed cannot be said to be met.
      return content.mmol !== null && enough > 0 && enough >= content.mmol * equivalentsOf(as, content.substance)
    })
  })
}
