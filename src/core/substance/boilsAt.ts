import { isHydrocarbon } from './atoms'
import { boilingPointC, vapourPressureMmHg } from './antoine'
import { shapesIn } from './shapes'
import type { Substance } from './substance'

/** Water, for what boils with it and for the laboratory's pressure said as a boiling point. */
export const water = {
  antoine: { a: 8.07131, b: 1730.63, c: 233.426, fromC: 1, toC: 100, source: 'Lange’s Handbook of Chemistry, vapour pressures' },
} as const

export interface BoilsAt {
  atC: number
  /** What the temperature is worth: how far it may be off, K. */
  plusMinusK: number
  /** What it rests on. */
  by: string
}

export type Volatile = Pick<Substance, 'antoine' | 'boiling' | 'groups' | 'formula' | 'smiles'>

/** So far outside the range that constants were fitted in they still hold well enough, K; then within a degree, and a tenth of a degree for each kelvin beyond the range. */
const stretchK = 30
const fitted = { insideK: 0.5, perK: 0.1 }
/** What a boiling point in a handbook is worth, K. */
export const handbookK = 1

/**
 * The entropy of vaporisation as Hass and Newton's φ, by class of liquid, and how far it varies within the class. Chosen so that boiling points under reduced pressure come out as handbooks have them: liquids that do not
 * associate about 5.1, those that are held together by hydrogen bonds more (equation: CRC Handbook, correction of boiling points to standard pressure).
 */
const classes = {
  polyol: { phi: 6.4, spread: 0.2 },
  alcohol: { phi: 5.9, spread: 0.2 },
  phenol: { phi: 5.8, spread: 0.15 },
  acid: { phi: 5.7, spread: 0.25 },
  amide: { phi: 5.65, spread: 0.2 },
  amine: { phi: 5.3, spread: 0.15 },
  plain: { phi: 5.1, spread: 0.15 },
  unknown: { phi: 5.4, spread: 0.5 },
} as const

/** The class of a liquid by its groups and atoms; unknown for what has neither groups nor a structure. */
function classOf({ groups = [], formula, smiles }: Volatile): (typeof classes)[keyof typeof classes] {
  const alcohols = groups.filter((group) => group === 'alcohol').length
  if (alcohols > 1) return classes.polyol
  if (alcohols > 0) return classes.alcohol
  if (groups.includes('phenol')) return classes.phenol
  if (groups.includes('carboxylic acid')) return classes.acid
  if (shapesIn(smiles).has('amide')) return classes.amide
  if (groups.includes('amine')) return classes.amine
  if (groups.length > 0 || smiles !== undefined || isHydrocarbon(formula)) return classes.plain
  return classes.unknown
}

/** 2.8808 is log10 760. */
const log760 = Math.log10(760)

/**
 * Hass and Newton's equation, t760 − t = (273.15 + t)·u/(φ + 0.15·u) with u = log 760 − log p, solved for log p: it has the form of Antoine's, log p = a − b/(c + t).
 */
function hassNewton(boiling: NonNullable<Substance['boiling']>, phi: number): { a: number; b: number; c: number } {
  const normalK = (boiling.lowC + boiling.highC) / 2 + 273.15
  return { a: log760 + phi / 1.15, b: (phi * normalK) / 1.15 ** 2, c: 273.15 - (0.15 / 1.15) * normalK }
}

/** Constants of a vapour pressure with what they rest on. */
export interface VapourConstants {
  a: number
  b: number
  c: number
  /** True where they rest on a boiling point and a class of liquid alone. */
  estimated: boolean
}

/** Vapour-pressure constants of a substance: those of its record, or those of Hass and Newton from its boiling point and its class; null where neither is known. */
export function vapourConstants(liquid: Volatile): VapourConstants | null {
  const { antoine, boiling } = liquid
  if (antoine) return { a: antoine.a, b: antoine.b, c: antoine.c, estimated: false }
  return boiling ? { ...hassNewton(boiling, classOf(liquid).phi), estimated: true } : null
}

const round = (atC: number) => Math.round(atC)

/**
 * The temperature in °C at which a liquid boils under a pressure in mmHg, with what that is worth: from its Antoine constants in their range and a little beyond, else from its normal boiling point after Hass and
 * Newton by its class. Null where neither is known.
 */
export function boilsAt(liquid: Volatile, mmHg: number): BoilsAt | null {
  const { antoine, boiling } = liquid
  if (antoine) {
    const atC = boilingPointC(antoine, mmHg)
    const beyondK = Math.max(0, antoine.fromC - atC, atC - antoine.toC)
    if (beyondK <= stretchK || !boiling)
      return {
        atC,
        plusMinusK: fitted.insideK + fitted.perK * beyondK,
        by: `Antoine constants${beyondK > 0 ? `, ${round(beyondK)} K outside their range` : ''}`,
      }
  }
  if (!boiling) return null
  const { phi, spread } = classOf(liquid)
  const at = (value: number) => boilingPointC(hassNewton(boiling, value), mmHg)
  return {
    atC: at(phi),
    plusMinusK: handbookK + Math.abs(at(phi + spread) - at(phi - spread)) / 2,
    by: 'boiling point and Hass and Newton’s equation for its class',
  }
}

/** Vapour pressure in mmHg at a temperature in °C, by the same constants; null where none are known. */
export function vapourPressureAt(liquid: Volatile, atC: number): number | null {
  const constants = vapourConstants(liquid)
  return constants && vapourPressureMmHg(constants, atC)
}

/** A temperature with as many decimals as it is worth: a tenth only where it is known better than to half a degree or so. */
export const decimalsWorth = (plusMinusK: number): 0 | 1 => (plusMinusK < 0.75 ? 1 : 0)

/** What a temperature is worth, for whoever asks how it was found; nothing where it is as good as it is written. */
export const worth = (plusMinusK: number): string => (plusMinusK < 0.75 ? '' : `, to within about ${Math.ceil(plusMinusK)} K`)
