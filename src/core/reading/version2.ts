import { testMethods } from '../operations/test/testPanel'
import type { OperationKey } from '../operations/registry'
import type { Plan as PlanNow, Step as StepNow, Work } from '../plan/plan'
import type { Words } from '../words/words'
import type { Substance } from '../substance/substance'
import type { StepFact } from '../plan/stepFacts'
import type { WasteStream } from '../substance/lists'

/** A reader of words sees them as text. */
type Read<S> = { [K in keyof S]: Exclude<S[K], undefined> extends Words ? string | Extract<S[K], undefined> : S[K] }
type EachRead<S> = S extends StepNow ? Read<S> : never
type Step = EachRead<StepNow>
type Plan = Omit<PlanNow, 'steps'> & { steps: Step[] }

/**
 * Brings a plan of version 2 of the file forward. There the words of a step said what it means; here what they said becomes fields, and the names of these fields stand in `read`, so that the
 * author can look at them. These readers never change again, so that a revision that was frozen then reads today as it did.
 */
export function fromVersion2(document: unknown): unknown {
  const plan = document as Plan
  if (!Array.isArray(plan.steps)) return { ...plan, version: 3 }
  return { ...plan, version: 3, steps: plan.steps.map((step, index) => (isStep(step) ? forward(plan, step, index) : step)) }
}

const isStep = (step: unknown): step is Step =>
  typeof step === 'object' && step !== null && typeof (step as Step).text === 'string' && typeof (step as Step).title === 'string'

/** Fields of a step that its words give. */
interface Said {
  operation?: OperationKey
  work: Record<string, string | number>
  says: StepFact[]
  waste: WasteStream[]
}

function forward(plan: Plan, step: Step, index: number): Step {
  const operation = operationSaid(step)
  const said: Said = {
    work: workSaid(plan, step, index, operation),
    says: factsSaid(step, operation),
    waste: wasteSaid(step, operation),
  }
  const own = step.work && step.work.of === operation ? step.work : undefined
  const fresh = Object.keys(said.work).filter((key) => own?.[key] === undefined)
  const work = { ...own, ...Object.fromEntries(fresh.map((key) => [key, said.work[key]!])) }
  const read = [...fresh, ...(said.says.length > 0 ? ['says'] : []), ...(said.waste.length > 0 ? ['waste'] : [])]
  return {
    ...step,
    ...(isTicked(step) && operation ? { operation } : {}),
    ...(operation && Object.keys(work).length > 0
      ? { work: { of: operation, ...work } as Work }
      : step.work
        ? { work: step.work }
        : {}),
    ...(said.says.length > 0 ? { says: said.says } : {}),
    ...(said.waste.length > 0 ? { waste: said.waste } : {}),
    ...(read.length > 0 ? { read } : {}),
  } as Step
}

const isTicked = (step: Step): step is Extract<Step, { kind: 'act' | 'hold' }> => step.kind === 'act' || step.kind === 'hold'

/** The verbs of version 2, each with the operation that it was. */
const byVerb: Readonly<Record<string, OperationKey>> = {
  add: 'add',
  heat: 'heat',
  hold: 'heat',
  warm: 'heat',
  wait: 'hold',
  cool: 'cool',
  pour: 'pour',
  quench: 'quench',
  extract: 'extract',
  wash: 'wash',
  dry: 'dry-solution',
  filter: 'filter',
  evaporate: 'evaporate',
  distil: 'distil',
  test: 'test',
  send: 'send',
  'put away': 'dispose',
  store: 'store',
}

function operationSaid(step: Step): OperationKey | undefined {
  return isTicked(step) ? byVerb[String(step.verb).toLowerCase()] : step.kind
}

const counts: Readonly<Record<string, number>> = { once: 1, twice: 2, half: 2, two: 2, three: 3, thrice: 3, four: 4 }
const portionsSaid = (text: string): number =>
  counts[/\b(once|twice|half|two|three|thrice|four)\b/i.exec(text)?.[1]?.toLowerCase() ?? 'once']!

function bandSaid(text: string): [number, number] {
  const said = /(\d+)\s*(?:to|–|-)\s*(\d+)\s*°C/.exec(text)
  if (said) return [Number(said[1]), Number(said[2])]
  const at = /\bat (\d+)\s*°C/.exec(text)
  if (at) return [Number(at[1]) - 3, Number(at[1]) + 3]
  return /boiling[- ]water/.test(text) ? [90, 100] : [50, 60]
}

/** What the words of a step say of the blanks of its planner. */
function workSaid(plan: Plan, step: Step, index: number, operation: OperationKey | undefined): Said['work'] {
  const { text } = step
  const caution = step.caution ?? ''
  switch (operation) {
    case 'add': {
      const ceiling = /(?:above|below) (\d+) °C/.exec(text)?.[1]
      return {
        ...(ceiling === undefined ? {} : { ceilingC: Number(ceiling) }),
        ...(/\bice\b/i.test(text) ? { startC: 5 } : {}),
        ...(/set .* off|start|initiat/i.test(text) ? { initiates: 'yes' } : {}),
      }
    }
    case 'cool':
      return {
        bath: /salt/.test(text) ? 'ice and salt' : /ice/.test(text) ? 'ice and water' : 'cold water',
        toC: Number(/below (\d+) °C/.exec(text)?.[1] ?? (/ice/.test(text) ? 5 : 30)),
      }
    case 'heat': {
      const [lowC, highC] = bandSaid(text)
      return {
        lowC,
        highC,
        bath: /boiling[- ]water/.test(text) ? 'a boiling-water bath' : highC <= 90 ? 'a warm-water bath' : 'a mantle',
        closed: /condenser/.test(text) ? 'under a condenser' : 'open or loosely stoppered',
      }
    }
    case 'reflux':
      return /fumes|acid gas|hydrogen (chloride|bromide)/i.test(`${text} ${caution}`) ? { gas: 'acid' } : {}
    case 'crystallise':
      return {
        coldC: /\bice\b/i.test(text) ? 5 : 20,
        ...(/filter hot|hot filtration/i.test(text) ? { hotFiltration: 'yes' } : {}),
      }
    case 'filter': {
      const rinse = /water/i.test(text)
        ? 'water'
        : plan.lines.some((line) => line.substance === 'ethanol' && /ethanol/i.test(text))
          ? 'ethanol'
          : undefined
      return {
        keep: /fluted|gravity|from the drying agent|filter hot/i.test(text) && !/suction/i.test(text) ? 'solution' : 'solid',
        heat: /filter hot|hot through/i.test(text) ? 'hot' : 'cold',
        times: /twice/i.test(text) ? 2 : 1,
        ...(rinse ? { rinseWith: rinse } : {}),
      }
    }
    case 'dry':
      return { ovenC: Number(/at (\d+) °C/.exec(text)?.[1] ?? (/in air|dry in air/i.test(text) ? 20 : 60)) }
    case 'test': {
      const method = testMethods.find(({ name }) => new RegExp(name.split(/[ ,]/)[0]!, 'i').test(`${step.title} ${text}`))
      return method ? { method: method.name } : {}
    }
    case 'send':
      return /each|both|two|1 and 3/i.test(text) ? { vials: 2 } : {}
    case 'extract':
    case 'wash': {
      const flask = operation === 'extract' ? /flask ([A-Z])\b/.exec(text)?.[1] : undefined
      return { portions: portionsSaid(text), ...(flask === undefined ? {} : { into: flask }) }
    }
    case 'quench': {
      const [flask, pH] = [/flask ([A-Z])\b/.exec(text)?.[1], /(?:below|above) pH (\d+)/.exec(text)?.[1]]
      return { ...(flask === undefined ? {} : { flask }), ...(pH === undefined ? {} : { toPH: Number(pH) }) }
    }
    case 'distil':
      return distillationSaid(plan, step, index)
    default:
      return {}
  }
}

function distillationSaid(plan: Plan, step: Step, index: number): Said['work'] {
  const { text, until = '' } = step
  const both =
    /(?:between|from) (\d+) (?:and|to) (\d+) °C/.exec(text) ??
    /(\d+(?:\.\d+)?)\s*(?:°C\s*)?(?:and|to|–|-)\s*(\d+(?:\.\d+)?)\s*°C/.exec(`${text} ${until}`)
  const end = /head passes (\d+) °C/.exec(`${text} ${until}`)?.[1]
  const packed = plan.steps.some((other) => isStep(other) && /column/i.test(other.text))
  const flask = /(\d+) mL (?:round-bottom )?flask/.exec(plan.steps[Math.max(0, index - 1)]!.text)?.[1]
  const heaviest = /heavy|receiver 3/i.test(`${step.id} ${text}`) ? heavyLiquid(plan) : undefined
  return {
    ...(both ? { lowC: Number(both[1]), highC: Number(both[2]) } : end === undefined ? {} : { highC: Number(end) }),
    ...(packed ? { stages: 4, reflux: 3, holdUpML: 2 } : {}),
    ...(flask === undefined ? {} : { potML: Math.max(5, Number(flask)) }),
    ...(heaviest ? { wantedOf: heaviest.id } : {}),
  }
}

/** Of what is put in as a liquid, what boils last. */
function heavyLiquid(plan: Plan): Substance | undefined {
  return plan.substances
    .filter(({ id, boiling }) => boiling && plan.lines.some(({ substance, form }) => substance === id && form.kind === 'neat'))
    .sort((a, b) => b.boiling!.highC - a.boiling!.highC)[0]
}

/** What the words say is made sure of, or happens. */
function factsSaid(step: Step, operation: OperationKey | undefined): StepFact[] {
  const { text } = step
  const [until, caution] = [step.until ?? '', step.caution ?? '']
  const said: [StepFact, boolean][] = [['gas-comes', /\bgas\b|fumes|foam/i.test(`${text} ${until} ${caution}`)]]
  if (step.kind === 'assemble') {
    const all = [text, ...(Array.isArray(step.checks) ? step.checks : [])].join(' ')
    said.push(
      ['water-runs', /water|condens/i.test(all)],
      ['open-to-air', /open|drying tube|gas trap/i.test(all)],
      ['chips-or-stirrer', /chip|stir/i.test(all)],
    )
  }
  if (operation === 'extract' || operation === 'wash')
    said.push(
      ['vented', /vent|gas|open/i.test(`${text} ${caution}`)],
      [
        'layer-discarded',
        /discard|throw|pour (it )?away|down the sink/i.test(text) &&
          !/(discard|throw) no|not? (be )?(discard|throw)|never/i.test(text),
      ],
    )
  if (step.kind === 'crystallise') {
    const all = `${text} ${until}`
    said.push([
      'cooled-by-itself',
      !/\bice\b|ice[- ]cold bath/i.test(all) || /slow|undisturbed|room temperature|by itself/i.test(all),
    ])
  }
  if (step.kind === 'melt') said.push(['heated-slowly', /°C (a|per) min|°C\/min|a minute/i.test(text)])
  if (operation === 'distil') said.push(['stops-before-dry', /dry|left in the flask/i.test(`${text} ${until} ${caution}`)])
  if (operation === 'send') said.push(['slot-noted', /slot|number|position/i.test(text)])
  return said.flatMap(([fact, holds]) => (holds ? [fact] : []))
}

/** Waste that has a container of its own, and the words by which a step of version 2 named it. Cyanide and what must be quenched first are never taken from words. */
const wasteWords: readonly [WasteStream, RegExp][] = [
  ['halogenated organic', /(?<!non-)halogen/i],
  ['heavy metal', /metal|zinc|copper|chromium|silver|solid waste/i],
  ['oxidiser', /oxidis|nitric|acid (filtrate|waste)|quench|thiosulfate|bisulfite/i],
]

function wasteSaid({ text }: Step, operation: OperationKey | undefined): WasteStream[] {
  if (operation !== 'dispose' && !/waste/i.test(text)) return []
  return wasteWords.flatMap(([stream, words]) => (words.test(text) ? [stream] : []))
}
