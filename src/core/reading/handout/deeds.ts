import type { OperationKey } from '../../operations/registry'
import { addFields, bandFields } from './conditions'
import { charges, rinsed, shakings, stay, step, type Place } from './making'
import { degrees, dryingAgents, field, found, isNamed, measured, times, warmerC, type Seen } from './seen'
import type { ReadStep } from './step'
import type { Deed } from './verbs'
import { iceBath, onTheFilter, slowly, untilWhen } from './words'

const hasBath = (seen: Seen) =>
  (iceBath.test(seen.text) && !/\bice\b.{0,12}\bmelt/i.test(seen.text)) || /refrigerator|fridge|freezer/i.test(seen.text)
const coldest = (seen: Seen) => degrees(seen)[0]?.high
const isCold = (seen: Seen) => (coldest(seen) ?? Infinity) < warmerC || (hasBath(seen) && measured(seen).length === 0)
const isWarm = (seen: Seen) => (degrees(seen)[0]?.high ?? 0) > warmerC + 8

type Reader = (seen: Seen, place: Place) => ReadStep[]

const put: Reader = (seen, place) => {
  const taken = seen.portions.filter(({ measure }) => measure)
  if (taken.length > 0) return charges(seen, taken)
  const last = place.steps.at(-1)
  const [vessel] = seen.vessels
  // `Weigh it and tip it into the flask`: where what was measured out goes.
  if (last?.operation === 'charge' && /\b(?:it|them)\b/i.test(seen.text) && vessel) {
    last.vessel ??= vessel
    return stay(last, seen)
  }
  const named = seen.portions.filter(isNamed)
  if (/transfer|tip|empt|plac\w+ in (?:a|the) [^.;,]*funnel/i.test(seen.text) && named.length === 0)
    return /\b(?:contents|mixture|solution|reaction|liquid|funnel|beaker)\b/i.test(seen.text) || seen.vessels.length > 0
      ? [step('pour', seen, [])]
      : []
  return named.length > 0 ? charges(seen, named) : []
}

const adding: Reader = (seen, place) => {
  if (
    /^\W*(?:then\s+)?combine|(?:layers?|extracts?|washings|phases?)\b.*\bcombined\b/i.test(seen.text) &&
    measured(seen).length === 0
  )
    return []
  const taken = seen.portions.filter(({ measure }) => measure)
  const named = taken.length > 0 ? taken : seen.portions.filter(isNamed)
  const slow = slowly.test(seen.text) || addFields(seen).length > 0
  if (slow) return [step('add', seen, named)]
  if (named.length > 0) return charges(seen, named)
  return /rest|remainder|mixture|solution|extract/i.test(seen.text)
    ? [step('add', seen, [])]
    : (place.steps.at(-1) && stay(place.steps.at(-1)!, seen)) || []
}

const collecting: Reader = (seen, place) => {
  const last = place.steps.at(-1)
  if (/\bwaste\b/i.test(seen.text)) return [step('dispose', seen, [])]
  const isFraction =
    /fraction|distillate|portion|forerun|passes over|comes over|receiver|boil/i.test(seen.text) ||
    (last?.operation === 'distil' && degrees(seen).length > 0)
  if (!isFraction) return [step('filter', seen, [])]
  const windows = degrees(seen)
  if (windows.length > 1) {
    const parts = windows.map((at) => step('distil', { ...seen, figures: [at] }, []))
    return last?.operation === 'distil' && last.fields.length === 0 ? [...(place.steps.pop(), []), ...parts] : parts
  }
  if (last?.operation === 'distil' && last.fields.length === 0) {
    last.fields.push(...bandFields(seen))
    return stay(last, seen)
  }
  return [step('distil', seen, [])]
}

const heating: Reader = (seen, place) => {
  if (isCold(seen) && !/heat|warm|boil/i.test(seen.text)) return [step('cool', seen, [])]
  if (place.condenser && /boil/i.test(seen.text) && degrees(seen).length === 0 && times(seen).length > 0)
    return [step('reflux', seen, [])]
  // What is heated may stand between the verb and how: `heat 4.0 mL of aniline with … under reflux`.
  if (/\b(?:under|at|to)\s(?:gentle\s|a gentle\s)?reflux\b/i.test(seen.text)) return readers.reflux(seen, place)
  const taken = measured(seen)
  return [...charges(seen, taken), step('heat', { ...seen, vessels: taken.length > 0 ? [] : seen.vessels }, [])]
}

const leaving: Reader = (seen) => {
  if (isCold(seen)) return [step('cool', seen, [])]
  if (isWarm(seen)) return [step('heat', seen, [])]
  if (measured(seen).length > 0) return charges(seen, measured(seen))
  return times(seen).length > 0 || /stand|overnight|aside/i.test(seen.text) ? [step('hold', seen, [])] : []
}

const stirring: Reader = (seen, place) => {
  const taken = measured(seen)
  const last = place.steps.at(-1)
  if (taken.length > 0 && /stir(?:red)? in\b|\bin\b/i.test(seen.text) && slowly.test(seen.text)) return [step('add', seen, taken)]
  const before = charges(seen, taken)
  if (isWarm(seen)) return [...before, step('heat', seen, [])]
  const pure = { ...seen, vessels: [] }
  if (times(seen).length > 0 || found(seen, untilWhen)) return [...before, step('stir', pure, [])]
  return before.length > 0 ? before : last ? stay(last, seen) : [step('stir', pure, [])]
}

const drying: Reader = (seen, place) => {
  const agent = seen.portions.find(({ of }) => of.some(({ id }) => id in dryingAgents))
  const wet =
    place.at === 'funnel' &&
    !/solid|crystal|product|oven|air/i.test(seen.text) &&
    /layer|ether|ester|solution|extract|organic|phase|over|\(/i.test(seen.text)
  if (agent || wet) return [step('dry-solution', seen, agent?.measure ? [agent] : [])]
  if (/glass|apparatus|tubes|everything/i.test(seen.text)) return []
  return /^press/i.test(seen.text) && place.steps.at(-1)?.operation === 'filter'
    ? stay(place.steps.at(-1)!, seen)
    : [step('dry', seen, [])]
}

const washing: Reader = (seen, place) => {
  const ofSolid = /crystal|solid|precipitate|cake|powder|\bthem\b|needles/i.test(seen.text)
  const ofLayer = /layer|phase|organic|\bester\b|extracts?\b/i.test(seen.text)
  if (!ofLayer && (place.at === 'filter' || ofSolid) && (onTheFilter.test(seen.text) || place.at === 'filter'))
    return rinsed(seen, place)
  return shakings('wash', seen)
}

const weighing: Reader = (seen) => {
  const taken = measured(seen)
  const named = seen.portions.filter(isNamed)
  if (taken.length > 0) return charges(seen, taken)
  return named.length > 0 && /\b(?:into|out)\b/i.test(seen.text) ? charges(seen, named) : [step('weigh', seen, [])]
}

const dissolving: Reader = (seen) => {
  const taken = measured(seen)
  const named = seen.portions.filter((portion) => !portion.measure && isNamed(portion))
  const { vessel, ...last } = step('dissolve', seen, named)
  const before = charges(seen, taken)
  return before.length > 0 ? [...before, last] : [{ ...last, ...(vessel ? { vessel } : {}) }]
}

const assembling: Reader = (seen, place) => {
  if (/reflux|condenser/i.test(seen.text) && !/distil/i.test(seen.text)) place.condenser = true
  const taken = measured(seen)
  return taken.length > 0 ? charges(seen, taken) : [step('assemble', seen, [])]
}

const filtering: Reader = (seen) => [step('filter', { ...seen, vessels: [] }, [], [])]

/** Poured out of a bottle it is measured; onto something it is poured over. */
const pouring: Reader = (seen) => {
  const taken = measured(seen)
  const target = found(seen, /\b(?:into|onto|over|on to|in to)\b/i)
  const outOf = taken.filter(
    ({ from }) =>
      !target ||
      from < target.from ||
      /\b(?:flask|vial|tube)\b/i.test(seen.text.slice(target.from - seen.from, from - seen.from)),
  )
  const named = seen.portions.filter((portion) => isNamed(portion) && target !== undefined && portion.from < target.from)
  if (taken.length === 0 && named.length > 0 && seen.vessels.length > 0) return charges(seen, named)
  return taken.length > 0 && outOf.length === taken.length ? charges(seen, taken) : [step('pour', seen, taken)]
}
const withPortions =
  (operation: OperationKey): Reader =>
  (seen) => [step(operation, seen, measured(seen))]
const plain =
  (operation: OperationKey): Reader =>
  (seen) => [step(operation, seen, [])]

const evaporating: Reader = (seen) => [step('evaporate', { ...seen, vessels: [] }, [])]

const crystallising: Reader = (seen) => {
  const solvent =
    seen.portions.find(({ measure, of }) => measure && of.length > 0) ?? seen.portions.find(({ of }) => of.length > 0)
  const taken = measured(seen)
  return [
    step(
      'crystallise',
      seen,
      taken.length > 0 ? taken : solvent ? [solvent] : [],
      solvent?.of[0] ? [field('@solvent', solvent.of[0].id, solvent, !solvent.measure)] : [],
    ),
  ]
}

export const readers: Readonly<Record<Deed, Reader>> = {
  put,
  add: adding,
  bring: (seen) =>
    /boil/i.test(seen.text) ? [step('heat', seen, [])] : /\d/.test(seen.text) && isWarm(seen) ? [step('heat', seen, [])] : [],
  collect: collecting,
  heat: heating,
  hold: leaving,
  let: leaving,
  stir: stirring,
  'dry-what': drying,
  clean: () => [],
  wash: washing,
  rinse: (seen, place) =>
    place.at === 'filter' || place.steps.at(-1)?.operation === 'filter'
      ? rinsed(seen, place)
      : [step('rinse', seen, measured(seen), [])],
  extract: (seen) => shakings('extract', seen),
  weigh: weighing,
  dissolve: dissolving,
  assemble: assembling,
  filter: filtering,
  pour: pouring,
  quench: withPortions('quench'),
  'set-ph': withPortions('set-ph'),
  crystallise: crystallising,
  // A layer or a liquor that is thrown away: said with the step that it comes from.
  dispose: (seen, place) =>
    /layer|washings|liquor|filtrate|forerun/i.test(seen.text) && !/waste|container/i.test(seen.text) && place.steps.length > 0
      ? stay(place.steps.at(-1)!, seen)
      : [step('dispose', seen, [])],
  // Refluxed with something it is put in first.
  reflux: (seen) => [
    ...charges(seen, measured(seen)),
    step('reflux', measured(seen).length > 0 ? { ...seen, vessels: [] } : seen, []),
  ],
  evaporate: evaporating,
  cool: (seen) => [
    ...charges(seen, measured(seen)),
    step('cool', { ...seen, vessels: measured(seen).length > 0 ? [] : seen.vessels }, []),
  ],
  ...(Object.fromEntries(
    (
      [
        'distil',
        'part',
        'decant',
        'titrate',
        'make-up',
        'dilute',
        'sublime',
        'column',
        'thin-layer',
        'melt',
        'boil',
        'refract',
        'send',
        'store',
        'safety',
        'charge',
        'test',
        'pause',
        'dry',
        'dry-solution',
      ] as const
    ).map((key) => [key, plain(key)] as const),
  ) as Record<
    | 'distil'
    | 'part'
    | 'decant'
    | 'titrate'
    | 'make-up'
    | 'dilute'
    | 'sublime'
    | 'column'
    | 'thin-layer'
    | 'melt'
    | 'boil'
    | 'refract'
    | 'send'
    | 'store'
    | 'safety'
    | 'charge'
    | 'test'
    | 'pause'
    | 'dry'
    | 'dry-solution',
    Reader
  >),
}
