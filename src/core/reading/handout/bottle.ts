import { usualForm } from '../../plan/editPlan'
import type { Anchor, Form } from '../../plan/plan'
import { units, type Unit } from '../../quantity/unit'
import { writeNumber } from '../../quantity/write'
import type { Substance } from '../../substance/substance'
import type { Figure } from './figures'
import type { Lexicon } from './names'
import type { Portion } from './portions'
import type { Ask, LineChange } from './proposal'

type Asked = Ask<LineChange>

/** One drop of a dropping pipette, mL: about twenty to the millilitre, by convention. */
const dropML = 0.05
const label = 'the text that was pasted'

const percentOf = (value: number) => `${writeNumber(value, Number.isInteger(value) ? 0 : 1)} %`

/** A liquid that is bought with some water in it, and whose percentage is its own purity: ethanol of 95 %. */
const isNeat = (substance: Substance) => usualForm(substance).kind === 'neat' && !takesAcid(substance)
const takesAcid = ({ classes, id }: Substance) =>
  /^(?:hydrochloric|sulfuric|nitric|phosphoric|perchloric|hydrobromic|acetic|formic)-acid$/.test(id) ||
  (classes ?? []).some((each) => /acid/.test(each) && !/carboxylic/.test(each))

function byPercent(portion: Portion, substance: Substance, lexicon: Lexicon): { form: Form; asks: Asked[] } {
  const percent = portion.strength!.high
  const like = lexicon.bottles.find(
    ({ of, form }) =>
      of === substance.id &&
      form.kind === 'mass-fraction' &&
      form.fraction !== undefined &&
      Math.abs(form.fraction - percent / 100) < 0.025,
  )
  const gPerML = like?.form.kind === 'mass-fraction' ? like.form.gPerML : undefined
  const byMass: Form = {
    kind: 'mass-fraction',
    fraction: percent / 100,
    ...(gPerML === undefined ? {} : { gPerML }),
    source: label,
  }
  const byVolume: Form = { kind: 'mass-volume', gPer100ML: percent }
  const { basis } = portion.strength!
  if (basis === 'w/v') return { form: byVolume, asks: [] }
  if (basis === 'w/w') return { form: byMass, asks: [] }
  if (isNeat(substance) || basis === 'v/v') return { form: { kind: 'neat', purity: Math.min(1, percent / 100) }, asks: [] }
  // Strong acids are sold by mass; whoever writes a percentage of one means that.
  if (percent >= 25) return { form: byMass, asks: [] }
  return {
    form: gPerML === undefined ? byVolume : byMass,
    asks: [
      {
        id: 'basis',
        words: `“${percentOf(percent)}” of what?`,
        choices: [
          { label: `${percentOf(percent)} w/v, grams in 100 mL`, change: { form: byVolume } },
          { label: `${percentOf(percent)} w/w, grams in 100 g`, change: { form: byMass } },
        ],
      },
    ],
  }
}

/** What the bottle holds, as far as the text says it. */
export function bottleOf(portion: Portion, substance: Substance | undefined, lexicon: Lexicon): { form: Form; asks: Asked[] } {
  if (!substance) return { form: { kind: 'solid', purity: 1 }, asks: [] }
  const usual = usualForm(substance)
  const { strength, strong, measure } = portion
  if (strength?.kind === 'strength') {
    const molPerL = strength.high
    const like = lexicon.bottles.find(
      ({ of, form }) => of === substance.id && form.kind === 'solution' && form.molPerL === molPerL,
    )
    return { form: like?.form ?? { kind: 'solution', molPerL }, asks: [] }
  }
  if (strength?.kind === 'percent') return byPercent(portion, substance, lexicon)
  const ready = lexicon.bottles.filter(({ of }) => of === substance.id)
  const asks = (words: string, bottles: Lexicon['bottles']): Asked[] =>
    bottles.length > 0
      ? [{ id: 'strength', words, choices: bottles.slice(0, 4).map(({ name, form }) => ({ label: name, change: { form } })) }]
      : [
          {
            id: 'strength',
            words,
            choices: [
              { label: 'say it later, at the Desk', change: { form: { kind: 'solution' } as Form } },
              { label: 'it is taken pure', change: { form: usual } },
            ],
          },
        ]
  if (strong === 'concentrated' || strong === 'dilute') {
    const kind = strong === 'concentrated' ? 'concentrated' : 'other'
    const fitting = ready.filter((each) => each.kind === kind)
    return { form: fitting[0]?.form ?? { kind: 'solution' }, asks: asks(`“${strong}” is`, fitting) }
  }
  if (strong === 'saturated') {
    const [bottle] = ready.filter((each) => each.kind === 'saturated')
    return bottle ? { form: bottle.form, asks: [] } : { form: { kind: 'solution' }, asks: asks('how strong is “saturated”?', []) }
  }
  const inWaterOnly =
    ready.some((each) => each.kind === 'concentrated') &&
    ['HCl', 'HNO3', 'NH3', 'H3PO4', 'H2O2'].includes(substance.formula ?? '')
  if (inWaterOnly && measure) return { form: { kind: 'solution' }, asks: asks('how strong is it?', ready) }
  if (measure?.kind === 'volume' && usual.kind === 'solid' && !substance.density)
    return {
      form: { kind: 'solution' },
      asks: asks('a volume of a solid: as a solution of which strength?', ready),
    }
  return { form: measure?.kind === 'mass' && /^ice\b/i.test(portion.written) ? { kind: 'solid', purity: 1 } : usual, asks: [] }
}

const isUnit = (unit: string): unit is Unit => unit in units

/** How much of it, in the figures of the text; a range, drops and a comma that can mean two things ask. */
export function anchorOf(measure: Figure | undefined): { anchor: Anchor | null; asks: Asked[] } {
  if (!measure) return { anchor: null, asks: [] }
  const { kind, unit, decimals, low, high, times = 1 } = measure
  if (kind === 'equivalents') return { anchor: { of: 'ratio', ratio: high, decimals }, asks: [] }
  if (kind === 'per gram') return { anchor: { of: 'per-gram', mLPerG: high, decimals }, asks: [] }
  if (kind === 'mol percent') return { anchor: { of: 'mol-percent', percent: high, decimals }, asks: [] }
  const of = kind === 'amount' ? 'amount' : kind === 'mass' ? 'mass' : 'volume'
  const anchor = (value: number, more = 0): Anchor => ({
    of,
    quantity: {
      value: Number((value * times).toPrecision(9)),
      unit: kind === 'drops' || !isUnit(unit) ? 'mL' : unit,
      decimals: decimals + more,
    },
  })
  if (kind === 'drops')
    return {
      anchor: anchor(high * dropML, 2),
      asks: [
        {
          id: 'amount',
          words: 'drops are',
          choices: [
            { label: `${writeNumber(high * dropML, 2)} mL, at 0.05 mL a drop`, change: { anchor: anchor(high * dropML, 2) } },
          ],
        },
      ],
    }
  if (measure.twoWays)
    return {
      anchor: null,
      asks: [
        {
          id: 'amount',
          words: 'the comma can mean two things:',
          choices: [
            { label: `${writeNumber(high, decimals)} ${unit}`, change: { anchor: anchor(high) } },
            {
              label: `${writeNumber(high * 10 ** decimals, 0)} ${unit}`,
              change: {
                anchor: { of, quantity: { value: high * 10 ** decimals, unit: isUnit(unit) ? unit : 'mL', decimals: 0 } },
              },
            },
          ],
        },
      ],
    }
  if (low !== high)
    return {
      anchor: anchor((low + high) / 2, low % 1 === high % 1 ? 0 : 1),
      asks: [
        {
          id: 'amount',
          words: 'a plan holds one amount:',
          choices: [low, (low + high) / 2, high].map((value) => ({
            label: `${writeNumber(value, decimals + (value === low || value === high ? 0 : 1))} ${unit}`,
            change: { anchor: anchor(value, value === low || value === high ? 0 : 1) },
          })),
        },
      ],
    }
  return { anchor: anchor(high), asks: [] }
}
