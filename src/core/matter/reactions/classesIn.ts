import { classesOf, concentrated, type ClassInVessel } from '../../reaction/reactiveClasses'
import { hydroxide, proton, weak } from '../minerals'
import { pHOfPhase } from '../phase'
import { massOf, type Holding, type Phase, type Vessel } from '../state'
import { isWater, type Thing } from '../thing'

/** Something of a class in a vessel. */
export interface OfClass {
  holding: Holding
  phase: Phase
}

/** Classes of ions and of what takes up protons, by their formula: what a salt is in water does what the salt does. */
const byIon: Readonly<Record<string, readonly ClassInVessel[]>> = {
  'ion Cl^-': ['chloride'],
  'ion Br^-': ['bromide'],
  'ion I^-': ['iodide'],
  'ion NO3^-': ['nitrate'],
  'ion ClO4^-': ['chlorate'],
  'ion ClO3^-': ['chlorate'],
  'ion IO3^-': ['chlorate'],
  'ion MnO4^-': ['permanganate'],
  'ion Cr2O7^2-': ['chromium(VI)'],
  'ion CrO4^2-': ['chromium(VI)'],
  'ion S2O3^2-': ['thiosulfate'],
  'ion Ag^+': ['silver salt'],
  'ion Cu^2+': ['copper salt'],
  'ion Cu^+': ['copper salt'],
  'ion Fe^2+': ['iron salt'],
  'ion Fe^3+': ['iron salt'],
}

const byWeak = new Map<Thing, readonly ClassInVessel[]>([
  [weak.carbonDioxide, ['carbonate']],
  [weak.sulfurDioxide, ['sulfite']],
  [weak.hydrogenCyanide, ['cyanide']],
  [weak.hydrogenSulfide, ['sulfide']],
  [weak.hydrazoic, ['azide']],
  [weak.nitrous, ['nitrite']],
  [weak.hypochlorous, ['hypochlorite']],
  [weak.hydrogenFluoride, ['fluoride']],
])

/** From which pH down water counts as acid, as strong acid, and from which up as strong base: a bench's paper shows 1, 4 and 12 as such. */
const limits = { strongAcid: 1, acid: 4, strongBase: 12 } as const
/** The classes of everything in a vessel, each with what has it: molecules by record and structure, at the strength that they have there; ions by what they are; water by its pH. */
export function classesIn(vessel: Vessel): Map<ClassInVessel, OfClass[]> {
  const all = new Map<ClassInVessel, OfClass[]>()
  const add = (name: ClassInVessel, of: OfClass) => {
    const there = all.get(name)
    if (there) there.push(of)
    else all.set(name, [of])
  }
  for (const phase of vessel.phases) {
    const whole = massOf(phase.holds)
    const waterG = massOf(phase.holds.filter(({ thing }) => isWater(thing)))
    const pH = pHOfPhase(phase)
    for (const holding of phase.holds) {
      const { thing, amount } = holding
      const of = { holding, phase }
      // What an equation that does not balance leaves out may weigh less than nothing.
      // In water what is dissolved beside it takes nothing of its strength.
      const own = amount === null ? null : amount * thing.gPer
      const among = phase.kind === 'watery' && waterG !== null && own !== null ? waterG + own : whole
      const fraction = among && own !== null ? Math.min(1, Math.max(0, own / among)) : 1
      if (isWater(thing)) {
        if (phase.kind !== 'solid') add('water', of)
      } else if (thing === proton) {
        if (pH !== null && pH <= limits.acid) add('acid', of)
        if (pH !== null && pH <= limits.strongAcid) for (const each of strongAcidClasses(phase, whole)) add(each, of)
      } else if (thing === hydroxide) {
        if (pH !== null && pH >= limits.strongBase) add('strong base', of)
      } else if (thing.charge !== 0) for (const each of byIon[thing.id] ?? []) add(each, of)
      else if (thing === weak.ammonia) for (const each of ammoniaAt(pH)) add(each, of)
      else
        for (const each of byWeak.get(thing) ?? classesOf(knownAs(thing), { form: formOf(phase, thing, fraction) }))
          // What has given its proton away is no acid any more.
          if (
            each !== 'water' &&
            !(fraction < leastNeat && onlyNeat.has(each)) &&
            !(fraction < leastShare && onlyStrong.has(each)) &&
            !(phase.kind === 'solid' && mineralAcids.has(each)) &&
            (each !== 'acid' || pH === null || thing.acid.length === 0 || pH < thing.acid[0]! + 2)
          )
            add(each, of)
    }
  }
  return all
}

/** Ammonia and its ion stand in water side by side: it is ammonia where that is more than half of it, its ion down to a hundredth (pKa 9.25). */
const ammoniaAt = (pH: number | null): readonly ClassInVessel[] => [
  ...(pH === null || pH > weak.ammonia.base! ? (['ammonia', 'amine'] as const) : []),
  ...(pH !== null && pH < weak.ammonia.base! + 2 ? (['ammonium salt'] as const) : []),
]

const byAtoms = new WeakMap<Thing, Thing['substance']>()

/** What formed and stands in no plan is known by its atoms alone: hydroxylamine of its salt. */
function knownAs(thing: Thing): Thing['substance'] {
  const { substance, atoms } = thing
  if (substance.formula !== undefined || atoms === null) return substance
  const known = byAtoms.get(thing)
  if (known) return known
  const parts = Object.entries(atoms)
  const formula = parts.map(([symbol, count]) => `${symbol}${count}`).join('')
  const found =
    parts.length > 0 && parts.every(([, count]) => Number.isInteger(count) && count > 0) ? { ...substance, formula } : substance
  byAtoms.set(thing, found)
  return found
}

/** Less than this of a liquid is dissolved in it: what bromine and an alkene do to each other neat they do not do there. Judgement. */
const leastNeat = 0.3
/** What is left of a mineral acid on crystals when its water has gone is a film, and does not do what the acid does. */
const mineralAcids: ReadonlySet<ClassInVessel> = new Set([
  ...(['nitric acid', 'concentrated nitric acid', 'hydrochloric acid', 'sulfuric acid'] as const),
  ...(['concentrated sulfuric acid', 'sulfuric acid above 40 %', 'perchloric acid'] as const),
])
const onlyNeat: ReadonlySet<ClassInVessel> = new Set(['neat bromine', 'neat alkene'])

const solid = { kind: 'solid', purity: 1 } as const
const neat = { kind: 'neat', purity: 1 } as const
/** Strengths to a hundredth, each once: the classes of a substance are remembered by its form. */
const strengths = Array.from({ length: 101 }, (_, percent) => ({
  kind: 'mass-fraction' as const,
  fraction: Math.max(0.001, percent / 100),
  source: '',
}))

/** As what a bottle would hold it: the rules of classes ask that. */
function formOf(phase: Phase, thing: Thing, fraction: number) {
  if (phase.kind === 'solid') return solid
  return thing.solid || (phase.kind === 'watery' && fraction < 0.5) ? strengths[Math.round(100 * fraction)]! : neat
}

/** Thinner than this in all that it stands in no acid is concentrated, whatever else takes the place of water. Judgement. */
const leastShare = 0.25

/** Sulfuric acid that is thin in an alcohol or an ester boils no water that is put to it. */
const onlyStrong: ReadonlySet<ClassInVessel> = new Set(['concentrated sulfuric acid', 'sulfuric acid above 40 %'])

/** Which strong acid a strongly acid water is, by its anions, and by its strength in the water that is left to it: another strong acid, and what is dissolved, is no water to it. */
function strongAcidClasses({ holds }: Phase, whole: number | null): ClassInVessel[] {
  const grams = (id: string) => {
    const found = holds.find(({ thing }) => thing.id === id)
    return found ? (found.amount === null ? Infinity : found.amount * found.thing.gPer) : 0
  }
  const water = massOf(holds.filter(({ thing }) => isWater(thing)))
  const [chloride, sulfate, nitrate] = [grams('ion Cl^-'), grams('ion SO4^2-'), grams('ion NO3^-')]
  // An amount that nobody knows may be all of it.
  const isStronger = (own: number, than: number) =>
    own > 0 &&
    (own === Infinity ||
      water === null ||
      whole === null ||
      (own >= than * (own + water) && sulfate + nitrate >= leastShare * whole))
  return [
    'strong acid',
    ...(chloride > 0 ? (['hydrochloric acid'] as const) : []),
    ...(sulfate > 0 ? (['sulfuric acid'] as const) : []),
    ...(isStronger(sulfate, concentrated.halfSulfuric) ? (['sulfuric acid above 40 %'] as const) : []),
    ...(isStronger(sulfate, concentrated.sulfuric) ? (['concentrated sulfuric acid'] as const) : []),
    ...(grams('ion ClO4^-') > 0 ? (['perchloric acid'] as const) : []),
    ...(nitrate > 0 ? (['nitric acid'] as const) : []),
    ...(isStronger(nitrate, concentrated.nitric) ? (['concentrated nitric acid'] as const) : []),
  ]
}
