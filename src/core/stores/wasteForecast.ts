import { scalePlan } from '../edit/scalePlan'
import { placedIn, unplacedIn, type InContainer } from '../operations/vessel/placedIn'
import type { Content } from '../operations/vessel/content'
import { isWatery } from '../operations/vessel/watery'
import type { Plan } from '../plan/plan'
import { meetings } from '../reaction/meetings'
import { reactionTable, type Charge } from '../reaction/reactionTable'
import { classesOf, type ClassInVessel } from '../reaction/reactiveClasses'
import { baseCapacityOf, protonsOf } from '../substance/acidBase'
import { aqueousStreams, type WasteStream } from '../substance/lists'

/** One waste container of a session: what comes into it from all groups. */
export interface WasteForecast {
  stream: WasteStream
  /** Liquids, mL; at the most, as if nothing had been used up or gone off. */
  liquidML: number
  solidG: number
  /** What is in it, by name. */
  holds: string[]
  /** Steps of the plan that put something in. */
  steps: string[]
  /** Acid and base that are in it at the most, mmol of protons given and taken up, and what meets the rest; null where it is neither. */
  neutralise: Neutralise | null
  /** What is destroyed in a step of its own before anything goes in, mmol at the most; null for other streams, and where an amount is not known. */
  quenchMmol: number | null
  /** What must not come into it: what reacts with what is in it, and what happens. */
  never: { what: ClassInVessel; happens: string }[]
}

export interface Neutralise {
  left: 'acid' | 'base'
  mmol: number
  /** Grams of sodium bicarbonate for acid; null for base, where nothing usual is so safe that it needs no thought. */
  bicarbonateG: number | null
}

/** A group whose waste is counted: at which scale, and what it really charged where that is known. */
export interface WasteOf {
  scale: number
  charged?: Readonly<Record<string, Charge>>
  /** Steps that it has done; all of them where nothing is said. */
  done?: ReadonlySet<string>
}

const bicarbonateGPerMmol = 84.007 / 1000

/**
 * What comes into each waste container of a session, from the steps that say so; and by name what is charged and put into none. Volumes are those of what was charged: what reacts, evaporates or is kept is not taken off, so that no container is too small.
 */
export function wasteForecast(plan: Plan, groups: readonly WasteOf[]): { containers: WasteForecast[]; unplaced: string[] } {
  const all = new Map<WasteStream, WasteForecast & { acid: number; base: number; classes: Set<ClassInVessel> }>()
  const unplaced = new Set<string>()
  for (const { scale, charged, done } of groups) {
    const scaled = scalePlan(plan, scale)
    const table = reactionTable(scaled, charged)
    const placed = placedIn(scaled, table)
    const { stream: rest, takes } = takesTheRest([...placed.keys()])
    const left = unplacedIn(scaled, table, placed)
    const intoRest = left.filter(takes)
    for (const { substance } of left) if (!intoRest.some((each) => each.substance === substance)) unplaced.add(substance.name)
    for (const [stream, container] of placed) {
      if (stream === rest) container.placed.push({ step: container.step, contents: intoRest })
      const into = all.get(stream) ?? {
        stream,
        liquidML: 0,
        solidG: 0,
        holds: [],
        steps: container.steps,
        neutralise: null,
        quenchMmol: stream === 'quenched first, by itself' ? 0 : null,
        never: [],
        acid: 0,
        base: 0,
        classes: new Set(),
      }
      all.set(stream, into)
      for (const content of contentsUpTo(container, done)) {
        const { substance, line, massG, volumeML, mmol } = content
        if (line.form.kind === 'solid') into.solidG += massG ?? 0
        else into.liquidML += volumeML ?? massG ?? 0
        if (into.quenchMmol !== null) into.quenchMmol = mmol === null ? null : into.quenchMmol + mmol
        into.acid += (mmol ?? 0) * protonsOf(substance)
        into.base += (mmol ?? 0) * baseCapacityOf(substance)
        for (const each of classesOf(substance, line)) into.classes.add(each)
        if (!into.holds.includes(substance.name)) into.holds.push(substance.name)
      }
    }
  }
  const containers = [...all.values()].map(({ acid, base, classes, ...one }) => ({
    ...one,
    neutralise: one.stream === 'aqueous acid or base' ? neutraliseOf(acid - base) : null,
    never: neverWith(classes),
  }))
  return { containers, unplaced: [...unplaced] }
}

/** Containers into which something may go that no step names; into the others nothing comes by chance. */
const ordinary: readonly WasteStream[] = ['aqueous, harmless', 'aqueous acid or base', 'other organic', 'halogenated organic']

/** Where liquids go that no step names: all of them into the one ordinary container for liquids that the plan has, else what is watery into the one for water. Nowhere where there are two that it may be. */
function takesTheRest(streams: readonly WasteStream[]): { stream?: WasteStream; takes: (content: Content) => boolean } {
  const liquids = streams.filter((stream) => ordinary.includes(stream))
  if (liquids.length === 1) return { stream: liquids[0]!, takes: ({ line }) => line.form.kind !== 'solid' }
  const aqueous = liquids.filter((stream) => aqueousStreams.includes(stream))
  return aqueous.length === 1 ? { stream: aqueous[0]!, takes: isAqueous } : { takes: () => false }
}

const isAqueous = (content: Content): boolean =>
  isWatery(content) || (content.substance.waste !== undefined && aqueousStreams.includes(content.substance.waste))

function contentsUpTo({ placed }: InContainer, done: ReadonlySet<string> | undefined): Content[] {
  return [...new Set(placed.flatMap(({ step, contents }) => (done === undefined || done.has(step) ? contents : [])))]
}

/** Below this there is nothing worth neutralising, mmol. */
const worthMmol = 0.5

function neutraliseOf(mmol: number): Neutralise | null {
  if (Math.abs(mmol) < worthMmol) return null
  return mmol > 0
    ? { left: 'acid', mmol, bicarbonateG: mmol * bicarbonateGPerMmol }
    : { left: 'base', mmol: -mmol, bicarbonateG: null }
}

/** What the table of meetings knows to harm with what is there, each once; what happens every day is left out. */
function neverWith(classes: ReadonlySet<ClassInVessel>): WasteForecast['never'] {
  const found = new Map<ClassInVessel, string>()
  for (const { one, other, with: third, grave, happens } of meetings) {
    if (grave === 'heed' || (third !== undefined && !classes.has(third))) continue
    for (const [here, what] of [
      [one, other],
      [other, one],
    ] as const)
      if (classes.has(here) && !classes.has(what) && !found.has(what)) found.set(what, happens)
  }
  return [...found].map(([what, happens]) => ({ what, happens }))
}

/** A container is full at nine tenths: what is in it may warm up. */
export const fullestShare = 0.9
/** At three quarters somebody is called. */
export const callShare = 0.75

/** How many containers of a size hold so many litres, none fuller than nine tenths; at least one. */
export const containersFor = (litres: number, sizeL: number): number =>
  Math.max(1, Math.ceil(litres / (fullestShare * sizeL) - 1e-9))
