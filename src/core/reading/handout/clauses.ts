import type { Sentence } from './sentences'
import { numbering } from './sentences'
import type { Span } from './span'
import { verbsIn, type Verb } from './verbs'

/** A piece of a sentence with the verb that says what is done in it; none where the reader knows of none. */
export interface Clause extends Span {
  verb?: Verb
  sentence: Sentence
}

/** Where a sentence may part, the stronger first. */
const parting =
  /;\s*|:\s+|,?\s+and then\s+|,\s+then\s+|\s+then\s+|,\s+after which\s+(?:it (?:is|was)\s+)?|,\s+followed by\s+|,\s+and\s+|\s+and\s+|,\s+/g

/** The parts of a sentence, each with one deed. */
export function clausesOf(plain: string, sentence: Sentence): Clause[] {
  const start = sentence.from + numbering(plain.slice(sentence.from, sentence.to))
  const span = { from: start, to: sentence.to }
  const verbs = verbsIn(plain, span)
  if (verbs.length === 0) return [{ ...span, sentence }]
  const cuts: number[] = []
  verbs.slice(1).forEach((verb, index) => {
    const last = verbs[index]!
    const between = plain.slice(last.to, verb.from)
    const places = [...between.matchAll(parting)].filter(({ index: at }) => !insideBrackets(between, at!))
    // What is done to something named before its verb begins where the clause before has ended: at the first place that parts; else at the last.
    const place = verb.passive ? firstSubject(places) : places.at(-1)
    const subject = !place && verb.passive ? /\s(?=(?:the|its?|this|these|they|both)\s[^,]*$)/i.exec(between) : null
    cuts.push(place ? last.to + place.index! + place[0].length : subject ? last.to + subject.index + 1 : verb.from)
  })
  return verbs.flatMap((verb, index) =>
    inStages(plain, {
      from: index === 0 ? span.from : cuts[index - 1]!,
      to: index === verbs.length - 1 ? span.to : cuts[index]!,
      verb,
      sentence,
    }),
  )
}

/** `for 20 min at room temperature, then 10 min in ice`: the same deed twice, one after the other. */
function inStages(plain: string, clause: Clause): Clause[] {
  const text = plain.slice(clause.from, clause.to)
  const next = /(?:,| and)\s+(?:then|finally|afterwards|followed by)\s+(?=(?:for|in|at|on|to|until)\b|\d)/i.exec(text)
  if (!next || !clause.verb || clause.verb.deed === 'wash' || clause.verb.deed === 'extract') return [clause]
  const at = clause.from + next.index
  return [{ ...clause, to: at }, ...inStages(plain, { ...clause, from: at + next[0].length })]
}

const insideBrackets = (text: string, at: number): boolean => {
  const before = text.slice(0, at)
  return before.split('(').length > before.split(')').length
}

/** Of the places before a verb in the passive, the one behind which its subject begins: the last strong one, or where `and` or a comma begins a new subject. */
function firstSubject(places: RegExpMatchArray[]): RegExpMatchArray | undefined {
  const strong = places.filter(([mark]) => /;|then|after which|:/.test(mark))
  if (strong.length > 0) return strong.at(-1)
  const commaAnd = places.find(([mark]) => /,\s+and/.test(mark))
  if (commaAnd) return commaAnd
  return places[0]
}
