import { azeotropeOf } from '../../matter/azeotropes'
import { boilsAtIn } from '../../matter/boilsAt'
import type { BoilsAt } from '../../matter/boiling'
import { acidTableSource } from '../../matter/strongAcids'
import type { Thing } from '../../matter/thing'
import type { Vessel } from '../../matter/state'
import { pressureMmHg, type Lab } from '../../lab/lab'
import { boilsAt } from '../../substance/boilsAt'
import { sameStructure } from '../../substance/structure'
import { saysAzeotrope } from '../distil/saysAzeotrope'
import type { Advice } from '../planner'

/** Where what is in a vessel boils under the pressure of a laboratory, with what that rests on as a clause; or why nobody can say. */
export type BoilsHere = (BoilsAt & { says: string; azeotropes: Advice[] }) | { why: string }

const names = (things: readonly Thing[]) => things.map(({ name }) => name)

export function boilsHere(vessel: Vessel | undefined, lab: Lab): BoilsHere {
  const mmHg = pressureMmHg(lab)
  const found = boilsAtIn(vessel?.phases ?? [], mmHg)
  if ('atC' in found) return { ...found, says: says(found, mmHg), azeotropes: azeotropesAmong(found.volatile) }
  const unknown = names(found.unknown)
  return {
    why:
      unknown.length === 0
        ? 'no liquid is known to be in it'
        : `what ${unknown.join(' and ')} ${unknown.length === 1 ? 'boils' : 'boil'} at, or how much of it there is, is not known`,
  }
}

function says({ by, main, volatile, raised, share }: BoilsAt, mmHg: number): string {
  const alone = () => boilsAt(main.substance, mmHg)?.by ?? 'Antoine constants'
  switch (by) {
    case 'table':
      return `the table of its acid at ${Math.round(100 * share!)} % by mass (${acidTableSource})`
    case 'melt':
      return `its melt, by its ${alone()}`
    case 'vapour pressure':
      return `${alone()}${raised ? ', raised by what is dissolved' : ''}`
    case 'two layers':
      return `vapour pressures of both layers together, ${names(volatile).join(' and ')}`
    case 'lightest of acid and amine':
      return `the lightest of ${names(volatile).join(', ')}: acid and amine hold each other back`
    case 'bubble point':
      return `bubble point of ${names(volatile).join(', ')}`
  }
}

/** What boils without changing among liquids, as advice. */
function azeotropesAmong(volatile: readonly Thing[]): Advice[] {
  return volatile.flatMap((one, i) =>
    volatile.slice(i + 1).flatMap((other) => {
      const found = azeotropeOf(one.substance.smiles, other.substance.smiles)
      if (!found) return []
      const pair = sameStructure(found.one, one.substance.smiles) ? [one.name, other.name] : [other.name, one.name]
      return [saysAzeotrope(pair as [string, string], found)]
    }),
  )
}
