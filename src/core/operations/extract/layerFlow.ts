import { pHAgainst, partOf, plainWater, together, type InWater } from './waterPH'
import { distributionRatio, type Partition } from '../../matter/partition'

/** A substance that is followed through the flasks. */
export interface Solute extends Partition {
  id: string
  mmol: number
}

/** A liquid with what is dissolved in it. `pH` belongs to a watery one. */
export interface Layer {
  name: string
  kind: 'organic' | 'watery'
  volumeML: number
  pH: number
  /** mmol of each solute, by id. */
  holds: Record<string, number>
  /** What sets the pH of a watery one, where that is known: then its pH is worked out, not taken. */
  water?: InWater
}

/** One thing that is done with the layers. */
export type FlowStep =
  /** Shakes a layer with fresh portions of the other kind, which are drawn off into a flask together. */
  | {
      kind: 'shake'
      layer: string
      portions: number
      portionML: number
      pH: number
      into: string
      /** By what salt in the water raises every K; 1 without. */
      salting?: number
      /** What all portions together bring into the water: then their pH is worked out, and `pH` does not count. */
      water?: InWater
    }
  /** Brings a watery layer to another pH by a volume of acid or base. */
  | { kind: 'bring to pH'; layer: string; pH: number; addML: number; water?: InWater }

/** What stands where after a step. */
export interface FlowState {
  layers: Layer[]
}

/**
 * Follows solutes through layers: in each portion every solute divides by its distribution ratio at that portion's pH, until both layers agree. Returns what stands where after
 * every step; nothing is lost on the way.
 * @throws Error where a step names a layer that is not there, or shakes water with water
 */
export function layerFlow(start: Omit<Layer, 'holds'>, solutes: readonly Solute[], steps: readonly FlowStep[]): FlowState[] {
  let layers: Layer[] = [{ ...start, holds: Object.fromEntries(solutes.map(({ id, mmol }) => [id, mmol])) }]
  return steps.map((step) => {
    const layer = layers.find(({ name }) => name === step.layer)
    if (!layer)
      throw new Error(`There is no layer “${step.layer}” yet: it is one of ${layers.map(({ name }) => name).join(', ')}.`)
    layers =
      step.kind === 'shake'
        ? shaken(layers, layer, solutes, step)
        : layers.map((each) => (each === layer ? brought(each, solutes, step) : each))
    return { layers }
  })
}

/** A watery layer with acid or base in it: at the pH that is given, or at the one that both come to. */
function brought(layer: Layer, solutes: readonly Solute[], { pH, addML, water }: FlowStep & { kind: 'bring to pH' }): Layer {
  const volumeML = layer.volumeML + addML
  if (!water || !layer.water) return { ...layer, pH, volumeML }
  const both = together(layer.water, water)
  const held = solutes.map((solute) => ({ ...solute, mmol: layer.holds[solute.id] ?? 0 }))
  return { ...layer, volumeML, water: both, pH: pHAgainst(both, { waterML: volumeML, organicML: 0 }, held) }
}

function shaken(layers: readonly Layer[], layer: Layer, solutes: readonly Solute[], step: FlowStep & { kind: 'shake' }): Layer[] {
  if (layer.name === step.into) throw new Error(`“${step.into}” cannot be drawn off into itself.`)
  const kind = layer.kind === 'organic' ? 'watery' : 'organic'
  const before = layers.find(({ name }) => name === step.into)
  if (before && before.kind !== kind)
    throw new Error(`“${step.into}” is a flask of the ${before.kind} kind; this layer is ${kind}.`)
  if (kind === 'watery' ? step.water : layer.water) return shakenByCharge(layers, layer, solutes, step)
  const pH = kind === 'watery' ? step.pH : layer.pH
  const left = { ...layer.holds }
  const drawn: Record<string, number> = { ...before?.holds }
  for (const solute of solutes) {
    const D = distributionRatio(solute, pH) * (step.salting ?? 1)
    // q is what stays in the layer that is shaken, of what is in it.
    const ratio = kind === 'watery' ? step.portionML / (D * layer.volumeML) : (D * step.portionML) / layer.volumeML
    const stays = Number.isFinite(ratio) ? (1 / (1 + ratio)) ** step.portions : 0
    const held = left[solute.id] ?? 0
    left[solute.id] = held * stays
    drawn[solute.id] = (drawn[solute.id] ?? 0) + held * (1 - stays)
  }
  const into: Layer = {
    name: step.into,
    kind,
    volumeML: (before?.volumeML ?? 0) + step.portions * step.portionML,
    pH,
    holds: drawn,
  }
  const others = layers.filter((each) => each !== before).map((each) => (each === layer ? { ...layer, holds: left } : each))
  return [...others, into]
}

/** Shaking where the pH is worked out: portion by portion, each at the pH that its water comes to against what the layer still holds. */
function shakenByCharge(
  layers: readonly Layer[],
  layer: Layer,
  solutes: readonly Solute[],
  step: FlowStep & { kind: 'shake' },
): Layer[] {
  const organic = layer.kind === 'organic'
  const before = layers.find(({ name }) => name === step.into)
  const portion = step.water && partOf(step.water, 1 / step.portions)
  const left = { ...layer.holds }
  const drawn: Record<string, number> = { ...before?.holds }
  let water = organic ? (before?.water ?? (before ? undefined : plainWater)) : layer.water!
  let pH = layer.pH
  for (let turn = 0; turn < step.portions; turn++) {
    const [waterML, organicML] = organic ? [step.portionML, layer.volumeML] : [layer.volumeML, step.portionML]
    const held = solutes.map((solute) => ({
      ...solute,
      K: solute.K * (step.salting ?? 1),
      mmol: left[solute.id] ?? 0,
    }))
    pH = pHAgainst(organic ? portion! : layer.water!, { waterML, organicML }, held)
    for (const { id, mmol, ...solute } of held) {
      const D = distributionRatio(solute, pH)
      const inWater = (mmol * waterML) / (waterML + D * organicML)
      const taken = organic ? inWater : mmol - inWater
      left[id] = mmol - taken
      drawn[id] = (drawn[id] ?? 0) + taken
    }
    if (organic) water = water && together(water, portion!)
  }
  const into: Layer = {
    name: step.into,
    kind: organic ? 'watery' : 'organic',
    volumeML: (before?.volumeML ?? 0) + step.portions * step.portionML,
    pH,
    holds: drawn,
    ...(organic && water ? { water } : {}),
  }
  const others = layers
    .filter((each) => each !== before)
    .map((each) => (each === layer ? { ...layer, holds: left, ...(organic ? {} : { pH }) } : each))
  return [...others, into]
}

/** Where most of a solute is, and which fraction of it that is; null where nothing holds any, as where its amount is not typed yet. */
export function mostlyIn({ layers }: FlowState, solute: string): { layer: string; fraction: number } | null {
  const all = layers.reduce((sum, { holds }) => sum + (holds[solute] ?? 0), 0)
  const most = [...layers].sort((a, b) => (b.holds[solute] ?? 0) - (a.holds[solute] ?? 0))[0]
  if (!most || all === 0) return null
  return { layer: most.name, fraction: (most.holds[solute] ?? 0) / all }
}
