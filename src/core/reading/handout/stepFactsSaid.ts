import type { StepFact } from '../../plan/stepFacts'
import type { WasteStream } from '../../substance/lists'

/** How a text says what a step makes sure of; the fields that follow are shown to the author before they are taken. */
const said: Readonly<Record<StepFact, RegExp>> = {
  'water-runs': /\bwater\b[^.]*\b(?:runs?|running|flows?|on)\b|turn on the (?:cooling )?water/i,
  'open-to-air': /\bopen (?:to the air|at (?:the top|one place))|drying tube|leave (?:it|the top) open|never closed/i,
  'chips-or-stirrer': /\bboiling (?:chips?|stones?)|anti-?bumping|stirrer bar|stir(?:ring)? bar/i,
  vented: /\bvent(?:ed|ing|s)?\b|release (?:the )?pressure/i,
  'layer-discarded': /\b(?:discard|reject|throw away)\b[^.]*\blayer/i,
  'gas-comes': /\b(?:gas|foam|fizz|effervesc|fumes?)\w*\b/i,
  'cooled-by-itself': /\bcool (?:slowly|undisturbed|by itself)|slowly cool|stand undisturbed/i,
  'heated-slowly': /\bslowly\b|1\s?(?:-|to)\s?2\s?°/i,
  'stops-before-dry': /\b(?:stop|before|not|never)\b[^.]*\b(?:dry|dryness)\b/i,
  'slot-noted': /\bslot\b/i,
}

/** Of the facts that an operation asks for, and the gas that any may give off, those that the text says. */
export const factsSaid = (text: string, asks: readonly StepFact[]): StepFact[] =>
  [...new Set<StepFact>([...asks, 'gas-comes'])].filter((fact) => said[fact].test(text))

const streams: readonly [RegExp, WasteStream][] = [
  [/\bnon-?halogenated/i, 'other organic'],
  [/(?<!non-?)\bhalogenated/i, 'halogenated organic'],
  [/\bheavy[\s-]metal/i, 'heavy metal'],
  [/\b(?:acid or base|acidic|basic|acid) waste|aqueous (?:acid|base)/i, 'aqueous acid or base'],
  [/\baqueous|\bsink\b|\bdrain\b/i, 'aqueous, harmless'],
  [/\borganic (?:solvent )?waste|solvent waste|organic solvents?/i, 'other organic'],
  [/\bsolid waste|\bsolids?\b/i, 'solid'],
]

/** The containers that the words about waste name. */
export const wasteSaid = (text: string): WasteStream[] => {
  const found: WasteStream[] = []
  let rest = text
  for (const [pattern, into] of streams) {
    if (!pattern.test(rest)) continue
    if (!found.includes(into)) found.push(into)
    rest = rest.replace(pattern, ' ')
  }
  return found
}
