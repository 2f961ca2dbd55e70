import { madeFrom } from './ions'
import { hydroxide, proton } from './minerals'
import { plusAtoms, thingOfAtoms, type Thing } from './thing'

/** The salt of a cation with an acid whose protons a base took. */
export function saltOfAcid(cation: Thing, acid: Thing): Thing {
  const { charge } = cation
  const atoms = plusAtoms(plusAtoms(cation.atoms!, acid.atoms!, charge), { H: 1 }, -charge)
  const salt = thingOfAtoms(`${cation.id} of ${acid.id}`, `${cation.name.replace(/ ion$/, '')} salt of ${acid.name}`, atoms)
  return madeFrom(
    salt,
    [
      [cation, 1],
      [acid, charge],
      [hydroxide, charge],
    ],
    -charge,
  )
}

/** The salt of an amine with a strong acid, by its anion. */
export function saltOfAmine(amine: Thing, anion: Thing): Thing {
  const charge = -anion.charge
  const atoms = plusAtoms(plusAtoms(plusAtoms({}, amine.atoms!, charge), anion.atoms!, 1), { H: 1 }, charge)
  const name = amine.name === 'ammonia' ? `ammonium ${anion.name}` : `${amine.name} hydro${anion.name}`
  return madeFrom(thingOfAtoms(`${amine.id} ${anion.id}`, name, atoms), [
    [amine, charge],
    [proton, charge],
    [anion, 1],
  ])
}
