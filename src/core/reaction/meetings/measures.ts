import type { Meeting } from '../meeting'

export const hydrogen = 'hydrogen comes off, with heat enough to light it'
export const killsHydride: Meeting['meant'] = {
  purpose: 'destroys',
  measure:
    'Hydrogen comes off: in the hood, no flame, cooled in ice, drop by drop with stirring, and each time only when the gas has stopped; the flask open.',
}
export const drowns: Meeting['meant'] = {
  purpose: 'drowns',
  measure: 'What is left of it reacts with water: cold, slowly, in the hood, the vessel open until nothing more comes off.',
}
export const frees = (gas: string): Meeting['meant'] => ({
  purpose: 'drowns',
  measure: `${gas} comes off: in the hood, cold, in small portions, the vessel open, and a trap where there is much of it.`,
})
export const dry = 'Dry glass and dry solvent; what is left is destroyed in a step of its own.'
export const alkaline = 'Keep it above pH 10, with waste of its own; the acid goes nowhere near it.'
export const apartFromFuel = 'Wash the one away before the other goes in, and give each its own waste.'
