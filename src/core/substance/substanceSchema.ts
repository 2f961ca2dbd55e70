import { Type } from '@sinclair/typebox'
import { above0, exact, id, oneOf, words } from '../quantity/schema'
import { reactiveClasses } from './reactiveClass'
import { functionalGroups, signalWords, wasteStreams } from './lists'

const source = words()
const rangeC = exact({ lowC: Type.Number(), highC: Type.Number(), source })

/** A substance as a plan uses it, as it stands in the file. Values that are not known are absent. */
export const substanceSchema = exact({
  id,
  name: words(200),
  systematicName: Type.Optional(words(200)),
  /** Absent for what is no single substance, such as a ground seed or a mixture. */
  formula: Type.Optional(words(120)),
  smiles: Type.Optional(words()),
  density: Type.Optional(exact({ gPerML: above0, atC: Type.Optional(Type.Number()), source })),
  melting: Type.Optional(rangeC),
  boiling: Type.Optional(rangeC),
  /** Of the substance as an acid, or of its conjugate acid, in water at 25 °C. */
  pKa: Type.Optional(
    exact({ values: Type.Array(Type.Number(), { minItems: 1 }), ofConjugateAcid: Type.Optional(Type.Boolean()), source }),
  ),
  /** log10 of the partition coefficient between octan-1-ol and water. */
  logP: Type.Optional(exact({ value: Type.Number(), source: Type.String() })),
  /** Partition coefficients of the uncharged form between other solvents and water, by the solvent's id. */
  partition: Type.Optional(Type.Array(exact({ solvent: id, K: above0, source }), { minItems: 1 })),
  /** Vapour pressure: log10(p/mmHg) = a − b/(c + t/°C), good from `fromC` to `toC`. */
  antoine: Type.Optional(
    exact({
      a: Type.Number(),
      b: Type.Number(),
      c: Type.Number(),
      fromC: Type.Number(),
      toC: Type.Number(),
      source: Type.String(),
    }),
  ),
  /** Groups that decide how it is worked up and dried, one entry for each in the molecule. */
  groups: Type.Optional(Type.Array(oneOf(functionalGroups), { minItems: 1 })),
  /** What it may do to others: of its record, of its structure, or as its author says; none where the list is empty, and not known where there is none. */
  classes: Type.Optional(Type.Array(oneOf(reactiveClasses), { uniqueItems: true })),
  /** What it must not meet. */
  incompatible: Type.Optional(exact({ with: Type.Array(words(), { minItems: 1 }), source })),
  /** Grams of solute that 100 mL of the solvent hold at each temperature. */
  solubility: Type.Optional(
    Type.Array(
      exact({
        solvent: id,
        points: Type.Array(exact({ atC: Type.Number(), gPer100ML: above0 }), { minItems: 1 }),
        /** Above this what separates from the solvent is a liquid: the solute melts under it there, °C. */
        oilsAboveC: Type.Optional(Type.Number()),
        source,
      }),
    ),
  ),
  hazards: Type.Optional(
    exact({
      signal: oneOf(signalWords),
      pictograms: Type.Array(Type.String({ pattern: '^GHS0[1-9]$' })),
      /** Codes of hazard statements, such as H225 or EUH019; their words are made where they are printed. */
      statements: Type.Array(Type.String({ pattern: '^(EU)?H\\d{3}[A-Za-z]{0,2}(\\+H\\d{3}[A-Za-z]{0,2})*$' })),
      source,
      /** True where the author took them from a label or a safety data sheet: then no record is put over them. */
      byAuthor: Type.Optional(Type.Boolean()),
    }),
  ),
  /** Where what is left of it goes. */
  waste: Type.Optional(oneOf(wasteStreams)),
  /** The one thing to say at the bench. */
  caution: Type.Optional(words()),
})
