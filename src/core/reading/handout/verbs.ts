import type { OperationKey } from '../../operations/registry'
import type { Span } from './span'

/** What a verb of the laboratory does, before its clause has said more; some only say so together with what they stand with. */
export type Deed = OperationKey | 'put' | 'dry-what' | 'collect' | 'clean' | 'bring' | 'let'

export interface Verb extends Span {
  deed: Deed
  /** `was added`: what it is done to stands before it. */
  passive: boolean
}

/** Verbs in their plain form, each with its ending of the past where that is not -ed; the first that fits counts. */
const verbs: readonly [Deed, string][] = [
  [
    'reflux',
    'reflux(?:ed|es|ing)?|(?:heat(?:ed|ing)?|boil(?:ed|ing)?|stir(?:red)?|hold|held|kept|keep|maintain(?:ed)?)\\b(?:[^.;,]{0,30}?)\\s(?:under|at|to)\\s(?:gentle\\s|a gentle\\s)?reflux',
  ],
  ['crystallise', 're-?crystalli[sz](?:ed?|es|ation|ing)'],
  ['dispose', 'dispos(?:e|ed) of|discard(?:ed)?|throw away'],
  [
    'evaporate',
    'evaporat(?:e|ed)|remov(?:e|ed)(?=[^.;,]{0,30}(?:rotary|evaporat|water bath|reduced pressure|vacuum))|remove (?:the |all )?(?:the )?(?:solvents?|ether|\\w+ether)|concentrat(?:e|ed)(?= (?:to|the|it|on|in|under|by|until|down))|strip(?:ped)? off|rotovap(?:ped)?|boil(?:ed)? (?:off|down)|distil(?:led)? off',
  ],
  ['distil', 'distillation(?= (?:\\(|of|at|under|gave|afford|through))|distil(?:l|led|ls)?|fractionat(?:e|ed)'],
  [
    'filter',
    'filter(?:ed)?(?: off)?(?! (?:papers?|funnel|flask|cake|aid)\\b)|suck(?:ed)? (?:off|dry)|isolat(?:e|ed)(?=[^.]*filtr)',
  ],
  ['wash', 'wash(?:ed|ing)?|shak(?:e|en)(?= with)'],
  ['rinse', 'rins(?:e|ed|ing)'],
  ['extract', 'extract(?:ed)?|shak(?:e|en) out'],
  ['dry-what', 'dr(?:y|ied)|press(?:ed)? dry|air[ -]dr(?:y|ied)|oven-dr(?:y|ied)'],
  [
    'set-ph',
    '(?:make|made)(?=[^.;,]{0,30}\\b(?:alkaline|acidic|basic|neutral)\\b)|acidif(?:y|ied)|basif(?:y|ied)|alkalif(?:y|ied)|neutrali[sz](?:ed?)|adjust(?:ed)?(?=[^.]{0,30}pH)|(?:bring|brought)(?=[^.]{0,30}pH)',
  ],
  ['quench', 'quench(?:ed)?|hydroly[sz]ed?|decompos(?:e|ed) with'],
  ['pour', 'pour(?:ed)?|decant(?:ed)? into'],
  ['decant', 'decant(?:ed)?'],
  ['dissolve', 'dissolv(?:e|ed)|take up|taken up'],
  ['titrate', 'titrat(?:e|ed)'],
  ['make-up', '(?:make|made) up to'],
  ['dilute', 'dilut(?:e|ed)'],
  ['sublime', 'sublim(?:e|ed)'],
  ['column', 'chromatograph(?:ed)?(?! )'],
  ['thin-layer', 'spot(?:ted)?(?= )|run a (?:tlc|thin-layer)|check(?:ed)? by tlc'],
  [
    'melt',
    'melting point (?:is |was |were )?(?:then )?(?:taken|determined|measured|recorded|noted)|(?:determin|tak|measur|record|not|find|check)(?:e|en|ed)?(?=[^.]{0,60}(?:melting (?:point|range)|m\\.?\\s?p\\.?))',
  ],
  ['boil', '(?:determin|tak|measur|record|not|find)(?:e|en|ed)?(?=[^.]{0,40}(?:boiling (?:point|range)))'],
  ['refract', '(?:determin|tak|measur|record|not|read)(?:e|en|ed)?(?=[^.]{0,40}refractive index)'],
  ['weigh', 'weigh(?:ed)?(?: out)?|(?:record|not)(?:e|ed)?(?=[^.]{0,30}\\b(?:mass|weight)\\b)'],
  [
    'send',
    '(?:send|sent|submit(?:ted)?|hand(?:ed)? in|record(?:ed)?|run)(?=[^.]{0,50}(?:chromatograph|spectrum|spectra|nmr|\\bir\\b|\\bgc\\b))',
  ],
  ['assemble', 'assembl(?:e|ed)|set up|equip(?:ped)?(?= it| the| with)|fit(?:ted)?(?= a | an | the | it | with)|attach(?:ed)?'],
  ['collect', 'collect(?:ed)?|isolat(?:e|ed)'],
  ['cool', 'cool(?:ed)?|chill(?:ed)?|cooling(?= to| in| overnight)'],
  [
    'add',
    'add(?:ed)?|drop(?:ped)? in|run in|trickl(?:e|ed)|stir(?:red)? in|mix(?:ed)?|combin(?:e|ed)|treat(?:ed)? with|sprinkl(?:e|ed)|introduc(?:e|ed)|the addition of',
  ],
  [
    'put',
    'plac(?:e|ed)|put|prepar(?:e|ed)|replac(?:e|ed)|charg(?:e|ed)|tip(?:ped)?|transfer(?:red)?|measur(?:e|ed)(?: out| into)?|suspend(?:ed)?|cover(?:ed)?(?= the| with| it)|empt(?:y|ied)|fill(?:ed)?|load(?:ed)?',
  ],
  ['bring', 'bring|brought'],
  [
    'heat',
    'heat(?:ed)?|warm(?:ed)?|boil(?:ed)?|(?:keep|kept|maintain(?:ed)?|held|hold)(?= (?:it |the [a-z]+ )?(?:at|between|in))',
  ],
  ['stir', 'stirring (?:was|is) continued|continued? stirring|stir(?:red)?|swirl(?:ed)?|agitat(?:e|ed)'],
  ['hold', '(?:leave|left|allow(?:ed)?|let|set aside|stand|stood|wait(?:ed)?)'],
  ['store', 'stor(?:e|ed)|keep(?= the product)'],
]

const anyVerb = new RegExp(verbs.map(([, pattern], index) => `(?<v${index}>\\b(?:${pattern})\\b)`).join('|'), 'gi')

const helper =
  /\b(?:is|are|was|were|be|been|being)\s+(?:then\s+|now\s+|first\s+|finally\s+|slowly\s+|carefully\s+|cautiously\s+|\w+ly\s+)?$/i
/** What makes a noun or an adjective of the word behind it. */
const noun =
  /(?:\b(?:the|a|an|of|with|no|under|by|through|fluted|folded|pleated|sintered|hot|cold|gentle|its|this|that|for|each|after each|first|second|last|to be|further|in|at|has|have|had|must be|should be|perfectly|until|till|clean,|more|minimum of|anhydrous|crude|of the|for the)|\()\s*$/i
const adjectives =
  /^(?:dried|filtered|distilled|heated|cooled|combined|washed|dry|evaporated|isolated|collected|mixed|boiled|concentrated)\s+(?=[a-z])/i
const past = /(?:ed|ied|en|held|kept|brought|put|left|sent|stood|made up to)$/i

function isDone(plain: string, sentence: Span, from: number, said: string): boolean {
  const before = plain.slice(Math.max(0, from - 40), from)
  const after = plain.slice(from + said.length, from + said.length + 24)
  if (helper.test(before)) return !/^dry$/i.test(said)
  // `we heated`: whoever tells it.
  if (/\b(?:we|I|you|they|one|students?|groups?)\s+(?:then\s+|now\s+|\w+ly\s+)?$/i.test(before)) return true
  const first = said.split(/\s/)[0]!
  if (/^refluxing/i.test(first)) return true
  // To put and to add are no nouns.
  if (noun.test(before) && !/^(?:dr(?:y|ied)|put|add|place|pour)$/i.test(first)) return false
  if (/^(?:cooling|washing|rinsing)/i.test(first)) return /(?:^|after |on |,\s*(?:and )?|\bby )$/i.test(before)
  if (/^dry$/i.test(first))
    return (
      /(?:^|[.;:,)]\s*|\b(?:and|then|finally)\s+|\b(?:let|allow|leave)\s[\w ]{0,24}\s)$/i.test(before) &&
      /^\s*(?:$|[(,.;]|(?:the|it|them|over|with|in|at|under|between|overnight|until|till|well|thoroughly|completely|for|to|off|and weigh)\b)/i.test(
        after,
      )
    )
  if (/^(?:press|suck|air|oven)/i.test(first)) return true
  if (
    past.test(first) &&
    /\b(?:is|are|was|were)\b/i.test(plain.slice(sentence.from, from)) &&
    /^(?:[,.;]|\s(?:at|under|from|over|with|in|on|off|to|by|for|until|and|dropwise|slowly)\b)/i.test(after) &&
    /\b(?:the|and the)\s[\w-]+(?:\s[\w-]+)?\s$/i.test(before)
  )
    return true
  // `the combined layers`, `cooled solution`: no deed.
  if (/ed$/i.test(first) && adjectives.test(plain.slice(from)) && !/(?:,|\band|\bthen|\bfinally)\s+(?:\w+ly\s+)?$/i.test(before))
    return false
  if (past.test(first) && /^put$|^set$/i.test(first) === false)
    return (
      /(?:,|\band|\bthen|\bfinally|\bafterwards|\bbut)\s+(?:\w+ly\s+|again\s+)?$/i.test(before) ||
      /^(?:left|held|kept)$/i.test(first)
    )
  return !/-$/.test(before)
}

/** The verbs of a sentence that say what is done, in their order. */
export function verbsIn(plain: string, sentence: Span): Verb[] {
  const text = plain.slice(sentence.from, sentence.to)
  return [...text.matchAll(anyVerb)].flatMap((match): Verb[] => {
    const index = verbs.findIndex((_, place) => match.groups![`v${place}`] !== undefined)
    const from = sentence.from + match.index
    if (!isDone(plain, sentence, from, match[0])) return []
    const passive = helper.test(plain.slice(Math.max(0, from - 40), from))
    return [{ from, to: from + match[0].length, deed: verbs[index]![0], passive }]
  })
}
