import { happenings, type Happening } from '@/core/measurements/calls'
import { isCharged, substanceOf, type Plan } from '@/core/plan/plan'
import { classesOf } from '@/core/reaction/reactiveClasses'
import { safetySheet } from '@/core/safety/safetySheet'
import { precautionsFor, statementText } from './hazardStatements'

/** What to do first about each thing that can happen, most urgent first. */
export type FirstAid = Readonly<Record<Happening, readonly string[]>>

/** Statements of the regulation that are about a happening, by the beginning of their code; those that stand always, and those that stand where the plan's hazards bring them. */
const statements: Readonly<Partial<Record<Happening, { always?: readonly string[]; begins: readonly string[] }>>> = {
  'chemical on the skin': { always: ['P303+P361+P353'], begins: ['P303', 'P333'] },
  'chemical in the eye': { always: ['P305+P351+P338'], begins: ['P305'] },
  swallowed: { always: ['P301+P330+P331'], begins: ['P301'] },
  'breathed in': { always: ['P304+P340'], begins: ['P304'] },
  spill: { begins: ['P391'] },
}

/**
 * What is done first where no statement of the regulation says it. First aid as taught for laboratories and in the European Resuscitation Council Guidelines (First aid, 2021: burns are cooled with running
 * water for 20 minutes; bleeding is stopped by direct pressure); not yet compared with them. The person in charge decides.
 */
const general: Readonly<Partial<Record<Happening, readonly string[]>>> = {
  'heat burn': [
    'Cool it at once under cool running water for 20 minutes.',
    'Take off rings and watches. Leave clothing that sticks to the skin where it is.',
  ],
  cut: ['Press on the wound with something clean. Leave glass that is stuck in it where it is.'],
  fire: [
    'Warn everybody. Turn off heat and gas if you can reach them safely.',
    'Clothing on fire: safety shower or fire blanket at once.',
    'If it is not out at once, leave the room and close the door.',
  ],
  spill: ['Keep others away, and flames and hot plates off. Do not walk through it.', 'Say what it is and how much.'],
}

/** What is done in any case, last. */
const afterwards = (what: Happening): string =>
  what === 'fire'
    ? 'Call the emergency number and the demonstrator.'
    : what === 'spill'
      ? 'Call the demonstrator, who decides how it is taken up.'
      : 'Call the demonstrator. Take the label or the safety data sheet along to whoever gives first aid.'

interface Special {
  is: (of: { id: string; formula?: string | undefined; waterReactive: boolean }) => boolean
  words: Readonly<Partial<Record<Happening, string>>>
}

const noWater = 'it reacts with water. No water on it: cover it with dry sand.'

/** Where what is known of a substance changes what is done. Prudent Practices in the Laboratory (National Research Council), laboratory chemical safety summaries; not yet compared with it. */
const special: readonly Special[] = [
  {
    is: ({ id, formula }) => id === 'hydrofluoric-acid' || formula === 'HF',
    words: {
      'chemical on the skin':
        'rinse at once, then calcium gluconate gel. Call the emergency number also where nothing hurts yet.',
      'chemical in the eye': 'rinse at once and go on. Call the emergency number.',
      'breathed in': 'fresh air. Call the emergency number also where nothing hurts yet.',
      swallowed: 'call the emergency number at once.',
    },
  },
  {
    is: ({ id }) => id === 'phenol',
    words: {
      'chemical on the skin':
        'it goes through the skin and numbs it. Rinse at once with very much water and go on. Call the emergency number.',
    },
  },
  {
    is: ({ id }) => id === 'bromine',
    words: {
      'chemical on the skin': 'rinse at once with very much water and go on. Call the emergency number also for a small burn.',
      'breathed in': 'fresh air. To a doctor also where breathing seems well: harm can come hours later.',
    },
  },
  {
    is: ({ waterReactive }) => waterReactive,
    words: {
      'chemical on the skin': 'it reacts with water: first brush or wipe it off dry, then rinse with very much water.',
      spill: noWater,
      fire: noWater,
    },
  },
]

/** First aid for each thing that can happen in a preparation: what its substances change first, then what always holds, then the statements of the regulation. */
export function firstAidFor(plan: Plan): FirstAid {
  const charged = plan.lines.filter(isCharged).map((line) => {
    const substance = substanceOf(plan, line)
    return {
      name: substance.name,
      id: substance.id,
      formula: substance.formula,
      waterReactive: classesOf(substance, line).has('water-reactive'),
    }
  })
  const codes = precautionsFor(safetySheet(plan).codes)
  const of = (what: Happening): string[] => {
    const { always = [], begins = [] } = statements[what] ?? {}
    const said = [...always, ...codes.filter((code) => begins.some((begin) => code.startsWith(begin)))]
    return [
      ...special.flatMap(({ is, words }) => {
        const names = charged.filter(is).map(({ name }) => name)
        return words[what] && names.length > 0 ? [`${[...new Set(names)].join(', ')}: ${words[what]}`] : []
      }),
      ...(general[what] ?? []),
      ...said.map((code) => statementText(code).slice(code.length + 1)),
      afterwards(what),
    ]
  }
  return Object.fromEntries(happenings.map((what) => [what, [...new Set(of(what))]])) as unknown as FirstAid
}
