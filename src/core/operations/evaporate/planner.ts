import { pressureMmHg } from '../../lab/lab'
import { writeNumber } from '../../quantity/write'
import { boilsAt } from '../../substance/boilsAt'
import { evaporating as evaporate } from './pressureFor'
import { isFlammable } from '../../substance/statements'
import { vesselDuring } from '../vessel/stoodAt'
import { mainLiquid } from '../../matter/phase'
import type { Substance } from '../../substance/substance'
import { fact, ofRecord, planner, rough, usual, when, type Advice, type Context } from '../planner'
import { blank, oneOf } from '../fields'

const fields = [
  blank('bathC', 'bath', '°C', 20, 250),
  oneOf('tared', 'flask', [
    ['yes', 'weighed empty'],
    ['no', 'not weighed'],
  ]),
] as const

/** The solvent that is taken off: the most of the organic liquid that stands here, else the most of what is liquid. */
function solventOf(context: Context): Substance | undefined {
  const phases = vesselDuring(context)?.phases.filter(({ kind }) => kind !== 'solid') ?? []
  const found = phases.find(({ kind }) => kind === 'organic') ?? phases[0]
  return found && mainLiquid(found)?.substance
}

/** Taking a solvent off: bath, pressure, coolant, and a flask that was weighed empty. */
export const evaporating = planner({
  of: 'evaporate',
  title: 'Taking the solvent off',
  sentences: (say) => [say`The bath stands at ${'bathC'}; the flask was ${'tared'}.`],
  fields,
  suggest: (context) => {
    const solvent = solventOf(context)
    const boil = solvent && boilsAt(solvent, pressureMmHg(context.lab))
    return {
      bathC: boil
        ? ofRecord(rough(Math.max(40, Math.min(60, boil.atC))), `no hotter than ${solvent.name} boils, between 40 and 60 °C`)
        : usual(60, 'what the solvent boils at is not on record'),
      tared: usual('yes', 'the residue is then one reading away'),
    }
  },
  report: (context, filled) => {
    const solvent = solventOf(context)
    const room = pressureMmHg(context.lab)
    const found = solvent && evaporate(solvent, filled.bathC, room)
    if (!solvent || !found)
      return {
        facts: [],
        advice: [
          {
            id: 'unknown',
            level: 'doubt',
            words: 'The vapour pressure of what is taken off is not on record: begin at the room’s pressure and lower it slowly.',
          },
        ],
      }
    const boil = boilsAt(solvent, room)!
    const advice: Advice[] = [
      found.mmHg === null
        ? {
            id: 'room',
            level: 'open',
            words: `${solvent.name} boils at ${Math.round(boil.atC)} °C here: this bath takes it off at the room’s pressure.`,
          }
        : {
            id: 'pressure',
            level: 'open',
            words: `Lower the pressure slowly to ${writeNumber(found.mmHg, 0)} mmHg, flask turning: then ${solvent.name} boils at ${Math.round(found.boilsAtC)} °C, 20 °C below the bath.`,
            why: 'more vacuum than that bumps, and does not condense',
          },
      {
        id: 'coolant',
        level: found.coolantC < 5 ? 'doubt' : 'open',
        words: `Coolant at ${Math.round(found.coolantC)} °C or colder${found.coolantC < 5 ? ': tap water will not hold it, take ice or a warmer bath with less vacuum' : ''}.`,
      },
      ...when(
        isFlammable(solvent),
        'flame',
        'danger',
        `${solvent.name} burns: no flame, no hot plate, the receiver in the hood or in ice.`,
      ),
      ...when(
        filled.tared === 'no',
        'tare',
        'doubt',
        'Weigh the empty flask first: then the residue’s mass is one reading away.',
      ),
      { id: 'keep', level: 'open', words: 'Keep the solvent that comes over for its bottle.' },
    ]
    return {
      facts: [
        ...(found.mmHg === null
          ? []
          : [
              fact('pressure', 'pressure', found.mmHg, 'mmHg', 0, {
                how: `vapour pressure of ${solvent.name} at ${Math.round(found.boilsAtC)} °C`,
                atBench: true,
              }),
            ]),
        fact('boils', `${solvent.name} boils here at`, boil.atC, '°C', 0, {
          how: `at ${Math.round(room)} mmHg, by its ${boil.by}`,
          atBench: found.mmHg === null,
        }),
      ],
      advice,
    }
  },
})
