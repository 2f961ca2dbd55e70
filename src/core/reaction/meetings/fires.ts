import type { Meeting } from '../meeting'
import { apartFromFuel } from './measures'

/** What catches fire or runs away where an oxidiser, a halide or an acid meets what burns or polymerises. */
export const fires: readonly Meeting[] = [
  {
    one: 'polymerises',
    other: 'strong acid',
    grave: 'injures',
    happens: 'it polymerises with heat and may burst the vessel',
    instead: 'Dilute and cold, in portions.',
  },
  {
    one: 'polymerises',
    other: 'organic peroxide',
    grave: 'injures',
    happens: 'it polymerises with heat and may burst the vessel',
    instead: 'Little of it, with room, an open vessel, and cooling at hand.',
  },
  {
    one: 'magnesium',
    other: 'organic halide',
    grave: 'heed',
    happens: 'it starts late and then all at once, with much heat',
    instead: 'A little of the halide first; the rest only when it has started, with an ice bath at hand.',
  },
  {
    one: 'chromium trioxide',
    other: 'oxidisable liquid',
    grave: 'injures',
    happens: 'it catches fire',
    instead: 'Dissolved and dilute, cold, with the alcohol dropped in slowly; never solid onto a liquid.',
  },
  {
    one: 'chromium(VI)',
    other: 'oxidisable liquid',
    grave: 'injures',
    happens: 'it heats up after a delay and may run away',
    instead: 'Dilute, cold, with the alcohol dropped in slowly.',
  },
  {
    one: 'permanganate',
    other: 'oxidisable liquid',
    grave: 'injures',
    happens: 'the solid lights what burns, some of it after a delay',
    instead: 'In water, cold, in portions.',
  },
  {
    one: 'bromine',
    other: 'ketone',
    grave: 'injures',
    happens: 'it may run away, and what forms hurts the eyes badly',
    instead: 'Rinse glass that held bromine with thiosulfate, never with acetone.',
  },
  {
    one: 'bromine',
    other: 'alcohol',
    grave: 'injures',
    happens: 'it heats up after a delay and may run away',
    instead: 'Destroy bromine with thiosulfate first.',
  },
  {
    one: 'bromine',
    other: 'aluminium',
    grave: 'injures',
    happens: 'it takes fire',
    instead: apartFromFuel,
  },
  {
    one: 'alkoxide',
    other: 'chlorinated solvent',
    grave: 'injures',
    happens: 'it runs away, with fire',
    instead: 'Take another solvent.',
  },
  {
    one: 'solid hydroxide',
    other: 'chloroform',
    grave: 'injures',
    happens: 'it may run away',
    instead: 'Never dry chloroform with a hydroxide.',
  },
  {
    one: 'solid hydroxide',
    other: 'nitro compound',
    grave: 'injures',
    happens: 'it may run away when it is warm',
    instead: 'Dilute base, cold.',
  },
]
