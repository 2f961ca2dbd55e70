import type { Figure } from '@/core/reading/handout/figures'
import type { TextRead } from '@/core/reading/handout/readText'
import type { Portion } from '@/core/reading/handout/portions'

/** What stands in a text by a chemist's reading, or by the reader's: amounts and conditions, one line each. */
export interface Account {
  amounts: string[]
  conditions: string[]
}

const figureText = (value: number) => String(Number(value.toPrecision(6)))

/** Heating, stirring and leaving at a temperature are one condition. */
const family: Readonly<Record<string, string>> = { stir: 'heat', hold: 'heat' }

const strengthOf = ({ strength }: Portion) => (strength?.kind === 'strength' ? ` ${figureText(strength.low)} mol/L` : '')

const total = (measure: Figure) => (measure.times ?? 1) * measure.high

const slug = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')

/** The reader's account of a text; `sure` leaves out what asks. */
export function accountOf(read: TextRead): Account {
  const portions = [...read.table, ...read.steps.flatMap((step) => step.portions)]
  const amounts = portions
    .filter((portion, index) => portion.measure && portions.findIndex(({ from }) => from === portion.from) === index)
    .map(
      (portion) =>
        `${portion.of[0]?.id ?? slug(portion.written)} ${figureText(total(portion.measure!))} ${portion.measure!.unit}${strengthOf(portion)}`,
    )
  const fields = read.steps.flatMap((step) =>
    step.fields.flatMap(({ key, value, inWords }) => {
      if (inWords && key !== 'bath' && key !== '@solvent') return []
      const name = key === '@holdMin' || key === '@waitMin' ? 'holdMin' : key.replace('@', '')
      const of = name === 'ovenC' || name === 'times' || name === 'rinseML' ? '' : (family[step.operation] ?? step.operation)
      return [`${of === '' ? name : `${of} ${name}`} ${typeof value === 'number' ? figureText(value) : value}`]
    }),
  )
  const vessels = read.steps.flatMap(({ vessel }) => (vessel ? [`vessel ${vessel.kind} ${vessel.sizeML}`] : []))
  const untils = read.steps.flatMap(({ until }) =>
    until ? [`until ${read.plain.slice(until.from, until.to).replace(/^(?:until|till)\s+/i, '')}`] : [],
  )
  const sayings = read.sayings.flatMap(({ of, low, high }) => {
    const name = { melting: 'mp', boiling: 'bp', theory: 'theory', 'yield mass': 'yield g', 'yield percent': 'yield %' }[of]
    return low === high ? [`${name} ${figureText(low)}`] : [`${name} ${figureText(low)}`, `${name} ${figureText(high)}`]
  })
  return { amounts, conditions: [...fields, ...vessels, ...untils, ...sayings] }
}

/** The account that stands below a text of the collection. */
export function truthOf(lines: string): Account {
  const rows = lines.split('\n').filter(Boolean)
  const amounts = rows
    .filter((row) => row.startsWith('a '))
    .map((row) => {
      const [, id, value, unit, strength, of] = row.split(' ')
      return `${id} ${figureText(Number(value))} ${unit}${of === 'mol/L' ? ` ${figureText(Number(strength))} mol/L` : ''}`
    })
  const conditions = rows
    .filter((row) => row.startsWith('c '))
    .map((row) => {
      const [, of, key, ...rest] = row.split(' ')
      const value = rest.join(' ')
      const number = Number(value)
      const said = Number.isFinite(number) && value !== '' ? figureText(number) : value
      if (of === 'mp' || of === 'bp') return `${of} ${said}`
      if (of === 'yield') return key === 'massG' ? `yield g ${said}` : key === 'theoryG' ? `theory ${said}` : `yield % ${said}`
      if (of === 'vessel') return `vessel ${rows.find((each) => each === `c vessel ${key} ${value}`) ? `${key} ${value}` : ''}`
      if (key === 'until') return `until ${value}`
      if (key === 'ovenC' || key === 'times' || key === 'rinseML') return `${key} ${said}`
      return `${family[of!] ?? of} ${key} ${said}`
    })
  return { amounts, conditions }
}

/** What of the truth was found, what was missed, and what was said that is not so. A temperature without a range may stand at either end. */
export function compare(
  said: readonly string[],
  truth: readonly string[],
): { found: string[]; missed: string[]; wrong: string[] } {
  const left = [...said]
  const found: string[] = []
  const missed: string[] = []
  for (const each of truth) {
    const same = left.findIndex(
      (other) =>
        other === each ||
        (each.startsWith('until ') && other.startsWith('until ') && other.includes(each.slice(6, 26))) ||
        ends(other) === ends(each),
    )
    if (same < 0) missed.push(each)
    else {
      found.push(each)
      left.splice(same, 1)
    }
  }
  // Both ends of one temperature are one condition; a wait of a dried solution and of a drying are one.
  const wrong = left.filter(
    (other) => !(/ (?:lowC|highC|lowPH|highPH) /.test(other) && found.some((each) => ends(each) === ends(other))),
  )
  return { found, missed, wrong }
}

const ends = (condition: string) => condition.replace(/ (?:lowC|highC) /, ' atC ').replace(/ (?:lowPH|highPH) /, ' pH ')
