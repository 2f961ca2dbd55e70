import { minutesOf, type Figure } from './figures'
import type { Clause } from './clauses'
import type { OperationKey } from '../../operations/registry'
import { overlap, within, type Span } from './span'
import type { Portion } from './portions'
import type { ReadField, ReadStep } from './step'
import type { NamedVessel } from './vessels'
import type { Deed } from './verbs'
import { coldWater, iceBath, onTheFilter, roomTemperature, saltBath, slowly, untilWhen } from './words'

/** A clause with all that stands in it. */
export interface Seen extends Clause {
  text: string
  portions: Portion[]
  figures: Figure[]
  vessels: NamedVessel[]
}

/** Where the work stands while the text goes on. */
interface Place {
  /** What a wash without more words is about. */
  at: 'flask' | 'funnel' | 'filter'
  /** A condenser stands on the flask. */
  condenser: boolean
  steps: ReadStep[]
}

const dryingAgents: Readonly<Record<string, string>> = {
  'magnesium-sulfate': 'magnesium sulfate',
  'sodium-sulfate': 'sodium sulfate',
  'calcium-chloride': 'calcium chloride',
  'potassium-carbonate': 'potassium carbonate',
  'calcium-sulfate': 'calcium sulfate',
}
/** What is cooler than this is cooled to, and what is warmer heated, where a text only says `keep at`; judgement. */
const warmerC = 20

const times = (seen: Seen) => seen.figures.filter(({ kind }) => kind === 'time')
const degrees = (seen: Seen) => seen.figures.filter(({ kind }) => kind === 'temperature')
/** Something that a record or the text's own table knows. */
const isNamed = ({ of, listed }: Portion) => of.length > 0 || listed === true
const measured = (seen: Seen) => seen.portions.filter(({ measure }) => measure)

const field = (key: string, value: number | string, at: Span, inWords?: boolean): ReadField => ({
  key,
  value,
  from: at.from,
  to: at.to,
  ...(inWords ? { inWords: true as const } : {}),
})

/** The place of a pattern in the text of a clause. */
function found(seen: Seen, pattern: RegExp): Span | undefined {
  const match = pattern.exec(seen.text)
  return match ? { from: seen.from + match.index, to: seen.from + match.index + match[0].length } : undefined
}

const timeField = (seen: Seen, key: '@holdMin' | '@waitMin' | 'minutes'): ReadField[] =>
  times(seen)
    .slice(0, 1)
    .map((time) => field(key, minutesOf(time), time, time.about && time.low === 960))

function bandFields(seen: Seen): ReadField[] {
  const [at] = degrees(seen)
  if (!at) return []
  const fields = [field('lowC', at.low, at), field('highC', at.high, at)]
  return at.bound === 'below' ? fields.slice(1) : at.bound === 'above' ? fields.slice(0, 1) : fields
}

function bathOfHeat(seen: Seen): ReadField[] {
  const boiling = found(seen, /boiling[\s-]water bath|steam bath/i)
  const warm = found(seen, /(?:warm[\s-])?water[\s-]bath|waterbath/i)
  const mantle = found(seen, /heating mantle|mantle/i)
  if (boiling) return [field('bath', 'a boiling-water bath', boiling, true)]
  if (warm) return [field('bath', 'a warm-water bath', warm, true)]
  return mantle ? [field('bath', 'a mantle', mantle, true)] : []
}

function coolFields(seen: Seen): ReadField[] {
  const [at] = degrees(seen)
  const room = found(seen, roomTemperature)
  const [salt, ice, cold] = [found(seen, saltBath), found(seen, iceBath), found(seen, coldWater)]
  const bath = salt
    ? [field('bath', 'ice and salt', salt, true)]
    : ice
      ? [field('bath', 'ice and water', ice, true)]
      : cold
        ? [field('bath', 'cold water', cold, true)]
        : []
  return [
    ...bath,
    ...(at ? [field('toC', at.high, at)] : room ? [field('toC', 25, room, true)] : []),
    ...timeField(seen, '@holdMin'),
  ]
}

function addFields(seen: Seen): ReadField[] {
  const [at] = degrees(seen)
  const over = times(seen).find((time) =>
    /\b(?:over|during|in|within|a period of)\s+(?:a period of\s+)?(?:about\s|ca\.?\s)?$/i.test(
      seen.text.slice(0, time.from - seen.from),
    ),
  )
  return [
    ...(over ? [field('minutes', minutesOf(over), over)] : []),
    ...(at && at.low < at.high ? [field('startC', at.low, at)] : []),
    ...(at ? [field('ceilingC', at.high, at)] : []),
  ]
}

/** Fields of each operation that its clause gives. */
const fieldsOf: Partial<Record<OperationKey, (seen: Seen) => ReadField[]>> = {
  reflux: (seen) => timeField(seen, '@holdMin'),
  heat: (seen) => [...bandFields(seen), ...bathOfHeat(seen), ...timeField(seen, '@holdMin')],
  hold: (seen) => timeField(seen, '@holdMin'),
  stir: (seen) => timeField(seen, '@holdMin'),
  cool: coolFields,
  add: addFields,
  distil: bandFields,
  dry: (seen) => [
    ...degrees(seen)
      .slice(0, 1)
      .map((at) => field('ovenC', at.high, at)),
    ...timeField(seen, '@waitMin'),
  ],
  evaporate: (seen) =>
    degrees(seen)
      .slice(0, 1)
      .map((at) => field('bathC', at.high, at)),
  'dry-solution': (seen) => {
    const agent = seen.portions.find(({ of }) => of[0] && dryingAgents[of[0].id])
    return [...(agent ? [field('agent', dryingAgents[agent.of[0]!.id]!, agent)] : []), ...timeField(seen, '@waitMin')]
  },
  'set-ph': (seen) => {
    const pH = seen.figures.find(({ kind }) => kind === 'pH')
    if (!pH) return []
    return [
      ...(pH.bound === 'below' ? [] : [field('lowPH', pH.low, pH)]),
      ...(pH.bound === 'above' ? [] : [field('highPH', pH.high, pH)]),
    ]
  },
  melt: (seen) => bandFields(seen),
}

const step = (operation: OperationKey, seen: Seen, portions: Portion[], fields = fieldsOf[operation]?.(seen) ?? []): ReadStep => {
  const until = untilOf(seen)
  const given = [...new Set(times(seen).map(minutesOf))]
  const [vessel] = seen.vessels
  return {
    operation,
    from: seen.from,
    to: seen.to,
    sentence: seen.sentence,
    ...(seen.verb ? { verb: { from: seen.verb.from, to: seen.verb.to } } : {}),
    portions,
    fields,
    ...(until ? { until } : {}),
    ...(vessel ? { vessel } : {}),
    ...(given.length > 1 ? { twoTimes: [given[0]!, given[1]!] as const } : {}),
    warnings: [],
    words: [],
  }
}

/** The sign that it is over, up to where the text goes on with something else. */
function untilOf(seen: Seen): Span | undefined {
  const until = found(seen, untilWhen)
  if (!until) return undefined
  const said = seen.text.slice(until.from - seen.from, until.to - seen.from)
  return {
    from: until.from,
    to: until.from + said.split(/,?\s+(?:and (?:then|finally)|then|finally)\b|\s\(/)[0]!.replace(/[\s,]+$/, '').length,
  }
}

/** One step for each thing that is measured out; the first has the vessel, the last the sign that it is over. */
const charges = (seen: Seen, portions: readonly Portion[]): ReadStep[] =>
  portions.map((portion, index) => {
    const { until, vessel, ...rest } = step('charge', seen, [portion], [])
    return {
      ...rest,
      ...(vessel && index === 0 ? { vessel } : {}),
      ...(until && index === portions.length - 1 ? { until } : {}),
      ...(portions.length > 1 ? { of: { index, count: portions.length } } : {}),
    }
  })

/** One step for each thing that it is shaken with. */
const shakings = (operation: 'wash' | 'extract', seen: Seen): ReadStep[] => {
  const taken = seen.portions.filter(({ measure }) => measure)
  const made = taken.map((portion) => {
    const { measure } = portion
    const fields = [
      field('portions', measure!.times ?? 1, measure!, measure!.times === undefined),
      ...(measure!.kind === 'volume' && measure!.times !== undefined ? [field('portionML', inML(measure!), measure!)] : []),
    ]
    return step(operation, seen, [portion], fields)
  })
  // The sign belongs to what it stands behind.
  return made.length === 0
    ? [step(operation, seen, seen.portions.slice(0, 1), [])]
    : made.map((each, index) => {
        const { until, ...rest } = each
        const next = taken[index + 1]?.from ?? seen.to
        const of = taken.length > 1 ? { of: { index, count: taken.length } } : {}
        return until && until.from > taken[index]!.from && until.from < next ? { ...rest, ...of, until } : { ...rest, ...of }
      })
}

const inML = ({ high, unit }: Figure) => (unit === 'L' ? 1000 * high : unit === 'µL' ? high / 1000 : high)

/** A rinse of what was filtered just before belongs to that step. */
function rinsed(seen: Seen, place: Place): ReadStep[] {
  const last = place.steps.at(-1)
  const taken = seen.portions.filter(({ measure }) => measure)
  if (!last || last.operation !== 'filter' || last.fields.some(({ key }) => key === 'rinseML') || taken.length > 1)
    return taken.length > 0
      ? taken.map((portion) => step('rinse', seen, [portion], rinseFields(portion, false)))
      : last?.operation === 'filter'
        ? stay(last, seen)
        : [step('rinse', seen, [])]
  const [portion] = taken
  last.to = seen.to
  if (portion) {
    last.portions.push(portion)
    last.fields.push(...rinseFields(portion, true))
  }
  return []
}

/** What is said more of a step belongs to it. */
function stay(last: ReadStep, { to }: Span): ReadStep[] {
  last.to = to
  return []
}

const rinseFields = ({ measure, of }: Portion, named: boolean): ReadField[] => [
  field('times', measure!.times ?? 1, measure!, measure!.times === undefined),
  field('rinseML', inML(measure!), measure!),
  ...(named && of[0] ? [field('rinseWith', of[0].name, measure!, true)] : []),
]

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

const readers: Readonly<Record<Deed, Reader>> = {
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

/** Where the work stands after a step. */
function after(place: Place, steps: readonly ReadStep[], seen: Seen): void {
  for (const { operation } of steps) {
    if (operation === 'filter') place.at = 'filter'
    else if (operation === 'extract' || operation === 'wash' || (operation === 'pour' && /separat/i.test(seen.text)))
      place.at = 'funnel'
    else if (operation === 'charge' || operation === 'crystallise' || operation === 'dissolve')
      place.at = place.at === 'funnel' ? 'funnel' : 'flask'
  }
  if (/separat(?:ing|ory) funnel/i.test(seen.text)) place.at = 'funnel'
  if (/reflux condenser/i.test(seen.text)) place.condenser = true
  if (steps.some(({ operation }) => operation === 'distil' || operation === 'filter')) place.condenser = false
}

/** A wait that only leads up to the verb behind it: `let it`, `allow to`. */
const leadsUp = (seen: Seen, next: Seen | undefined) =>
  seen.verb?.deed === 'hold' &&
  next?.sentence === seen.sentence &&
  seen.figures.length === 0 &&
  seen.portions.length === 0 &&
  (seen.text.length < 34 || /\b(?:let|allow(?:ed)?|leave|left)\s+(?:it|them|the \w+(?: \w+)?)?\s*(?:to\s*)?$/i.test(seen.text))

/** The steps of a text, in its order; a sentence without a deed goes to the step before it. */
export function stepsOf(clauses: readonly Seen[], isWarning: (sentence: Span) => boolean): ReadStep[] {
  const place: Place = { at: 'flask', condenser: false, steps: [] }
  const early: Span[] = []
  let lead: number | undefined
  clauses.forEach((seen, index) => {
    const last = place.steps.at(-1)
    const whole = seen.sentence
    if (isWarning(whole)) {
      if (last && !last.warnings.some((each) => overlap(each, whole))) last.warnings.push(whole)
      return
    }
    if (leadsUp(seen, clauses[index + 1])) {
      lead = seen.from
      return
    }
    const made = (seen.verb ? readers[seen.verb.deed](seen, place) : []).map((each) =>
      lead === undefined ? each : { ...each, from: lead },
    )
    lead = undefined
    place.steps.push(...made)
    after(place, made, seen)
    const understood = made.length > 0 || place.steps.some((each) => within(seen, each))
    const again = /^\W*repeat/i.test(seen.text) ? found(seen, untilWhen) : undefined
    if (again && last) {
      last.until ??= again
      stay(last, seen)
    } else if (!understood) (last ? last.words : early).push({ from: seen.from, to: seen.to })
  })
  if (place.steps[0] && early.length > 0) place.steps[0].words.unshift(...early)
  return place.steps
}
