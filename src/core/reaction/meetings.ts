import { classesOf, type Kept, type ReactiveClass } from './reactiveClasses'

/** What two things that must not meet unawares may meet for: to destroy one of them, to drown what is left of it, to test with it. */
export type Purpose = 'destroys' | 'drowns' | 'tests'

/** Two classes that must not meet unawares, what comes of it, and where it may be meant. */
export interface Meeting {
  one: ReactiveClass
  other: ReactiveClass
  /** A third that must be there as well. */
  with?: ReactiveClass
  /** What happens, as a sentence. */
  happens: string
  /** What the meeting may be for, and the measure that then stands in place of the doubt in the operations that are there for it. */
  meant?: { purpose: Purpose; measure: string }
}

const hydrogen = 'hydrogen comes off, with heat enough to light it'
const killsHydride: Meeting['meant'] = {
  purpose: 'destroys',
  measure:
    'Hydrogen comes off: in the hood, no flame, cooled in ice, drop by drop with stirring, and each time only when the gas has stopped; the flask open.',
}
const drowns: Meeting['meant'] = {
  purpose: 'drowns',
  measure: 'What is left of it reacts with water: cold, slowly, in the hood, the vessel open until nothing more comes off.',
}

/** Source of all of them: Urben (ed.), Bretherick's Handbook of Reactive Chemical Hazards. */
export const meetingsSource = 'Bretherick’s Handbook of Reactive Chemical Hazards'

export const meetings: readonly Meeting[] = [
  { one: 'cyanide', other: 'acid', happens: 'hydrogen cyanide comes off, a gas that kills in small amounts' },
  { one: 'azide', other: 'acid', happens: 'hydrazoic acid comes off, which is very toxic and explodes' },
  { one: 'azide', other: 'chlorinated solvent', happens: 'azides of the solvent form, which explode' },
  { one: 'hypochlorite', other: 'acid', happens: 'chlorine comes off' },
  { one: 'hypochlorite', other: 'ammonia or amine', happens: 'chloramines come off, which are toxic, and some of them explode' },
  { one: 'permanganate', other: 'concentrated sulfuric acid', happens: 'manganese heptoxide forms, which explodes' },
  { one: 'permanganate', other: 'hydrochloric acid', happens: 'chlorine comes off' },
  { one: 'chlorate', other: 'concentrated sulfuric acid', happens: 'chlorine dioxide or perchloric acid forms, which explode' },
  { one: 'chromium(VI) oxide', other: 'oxidisable liquid', happens: 'it catches fire' },
  {
    one: 'nitric acid',
    other: 'oxidisable liquid',
    happens: 'it may run away after a delay, with nitrogen dioxide, fire or explosion',
  },
  { one: 'nitric acid', other: 'acid anhydride', happens: 'acyl nitrates form, which explode' },
  { one: 'peroxide', other: 'ketone', happens: 'ketone peroxides form, which explode' },
  { one: 'bromine', other: 'ketone', happens: 'it may run away, and what forms hurts the eyes badly' },
  { one: 'bromine', other: 'ammonia', happens: 'it runs away, and explosive nitrogen compounds may form' },
  { one: 'chloroform', other: 'ketone', with: 'strong base', happens: 'it runs away and may explode' },
  { one: 'alkoxide', other: 'chlorinated solvent', happens: 'it runs away, with fire' },
  { one: 'solid hydroxide', other: 'chloroform', happens: 'it may run away' },
  { one: 'hydride', other: 'alcohol', happens: hydrogen, meant: killsHydride },
  { one: 'hydride', other: 'water', happens: hydrogen, meant: killsHydride },
  { one: 'hydride', other: 'acid', happens: hydrogen, meant: killsHydride },
  { one: 'hydride', other: 'formamide', happens: 'it may run away when it is warmed' },
  { one: 'hydride', other: 'sulfoxide', happens: 'it may explode when it is warmed' },
  { one: 'borohydride', other: 'acid', happens: hydrogen, meant: killsHydride },
  { one: 'alkali metal', other: 'alcohol', happens: hydrogen, meant: killsHydride },
  { one: 'alkali metal', other: 'water', happens: 'hydrogen comes off and burns' },
  { one: 'alkali metal', other: 'acid', happens: 'hydrogen comes off and burns' },
  { one: 'alkali metal', other: 'chlorinated solvent', happens: 'it explodes when it is struck or warmed' },
  { one: 'aluminium', other: 'strong base', happens: 'hydrogen comes off, slowly at first and then fast' },
  { one: 'alkoxide', other: 'water', happens: 'it turns very hot and caustic, and may light the alcohol', meant: drowns },
  { one: 'acyl halide', other: 'sulfoxide', happens: 'it runs away' },
  { one: 'water-reactive', other: 'water', happens: 'acid gas comes off, violently', meant: drowns },
  { one: 'iodine', other: 'ammonia', happens: 'nitrogen triiodide forms, which explodes when it is dry' },
  {
    one: 'silver salt',
    other: 'ammonia',
    happens: 'fulminating silver forms when it stands, which explodes',
    meant: {
      purpose: 'tests',
      measure:
        'Make it fresh in the tube and use it at once; within the hour destroy all of it with dilute nitric acid. It is never kept.',
    },
  },
  { one: 'sulfite', other: 'strong acid', happens: 'sulfur dioxide comes off' },
  { one: 'formic acid', other: 'concentrated sulfuric acid', happens: 'carbon monoxide comes off' },
]

/** Classes that water takes apart, or that take fire or gas from it. */
const apart: readonly ReactiveClass[] = ['water-reactive', 'acyl halide', 'acid anhydride', 'hydride', 'alkali metal', 'alkoxide']

/** True for what the water in the air spoils. Magnesium, because what is made of it in ether is; an anhydride loses too little for it to matter. */
export function isSpoiltByMoistAir(what: Kept): boolean {
  const classes = classesOf(...what)
  return ([...apart, 'magnesium'] as const).some((each) => each !== 'acid anhydride' && classes.has(each))
}

/** What two substances do to each other when nothing else is there; undefined where nothing is known. */
export function betweenTwo(one: Kept, other: Kept): string | undefined {
  const [a, b] = [classesOf(...one), classesOf(...other)]
  const found = meetings.find(
    (meeting) => !meeting.with && ((a.has(meeting.one) && b.has(meeting.other)) || (b.has(meeting.one) && a.has(meeting.other))),
  )
  if (found) return found.happens
  if (apart.some((each) => a.has(each)) && (b.has('water') || b.has('alcohol'))) return 'it takes it apart'
  return undefined
}
