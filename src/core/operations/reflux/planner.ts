import { pressureMmHg } from '../../lab/lab'
import { writeNumber } from '../../quantity/write'
import { isSpoiltByMoistAir } from '../../reaction/meetings'
import { decimalsWorth, worth } from '../../substance/boilsAt'
import { boilsHere } from '../vessel/saysBoiling'
import { classesIn } from '../../matter/reactions/classesIn'
import { isLiquid } from '../../matter/phase'
import { vesselDuring } from '../vessel/stoodAt'
import { heatingFor } from './heating'
import { timeInBand } from '../vessel/timeInBand'
import { isFlammable } from '../../substance/statements'
import { fact, ofPlan, ofRecord, planner, rough, unknown, usual, when, type Advice } from '../planner'
import { blank, oneOf } from '../fields'

const fields = [
  blank('boilC', 'boiling point at this pressure', '°C', -50, 400, 'a temperature that is not known'),
  blank('lowC', 'lower end of the band', '°C', -50, 400, 'a little below'),
  blank('highC', 'upper end of the band', '°C', -50, 400, 'a little above'),
  oneOf('moisture', 'water in the air', [
    ['no', 'does no harm'],
    ['yes', 'spoils it'],
  ]),
  oneOf('gas', 'gas', [
    ['none', 'does not come off'],
    ['acid', 'comes off that is acid or foul'],
  ]),
] as const

/** How far the pot may stand above and below its boil while it is held, K. */
const bandK = 5

/** Heating under reflux: where the liquid boils here, with what, under what, and how long it was inside its band. */
export const heating = planner({
  of: 'reflux',
  title: 'Heating under reflux',
  sentences: (say) => [
    say`Under reflux for ${'@holdMin'} from its onset; the liquid boils at ${'boilC'}: hold it between ${'lowC'} and ${'highC'}.`,
    say`Water in the air ${'moisture'}; gas ${'gas'}.`,
  ],
  fields,
  suggest: (context, typed) => {
    const found = boilsHere(vesselDuring(context), context.lab)
    const boil = 'atC' in found ? found : null
    const atC = typed.boilC || (boil ? rough(boil.atC) : undefined)
    // Where nothing is known there is no figure: 0 stands for that.
    const worthK = typed.boilC || !boil ? 0 : Math.ceil(boil.plusMinusK)
    const band = (sign: 1 | -1) => {
      const wide = Math.max(bandK, sign === -1 && boil?.orHigher ? 0 : worthK)
      return atC === undefined
        ? unknown(0, 'what it boils at is not known')
        : ofPlan(rough(atC + sign * wide), `${wide} K from the boil`)
    }
    const vessel = vesselDuring(context)
    const spoils =
      vessel !== undefined && isSpoiltByMoistAir(classesIn(vessel)) && !vessel.phases.some(({ kind }) => kind === 'watery')
    return {
      boilC: boil
        ? ofRecord(rough(boil.atC), `at the pressure of this laboratory, by ${boil.says}${worth(boil.plusMinusK)}`)
        : unknown(0, 'why' in found ? found.why : 'nothing was found'),
      lowC: band(-1),
      highC: band(1),
      moisture: spoils
        ? ofRecord('yes', 'water takes something in the flask apart')
        : usual('no', 'nothing in the flask is known to mind it'),
      gas: usual('none', 'nobody has said that one comes off'),
    }
  },
  report: (context, filled) => {
    const { lab, step, measured } = context
    const looked = boilsHere(vesselDuring(context), lab)
    const found = 'atC' in looked ? looked : null
    const boilC = filled.boilC
    const known = boilC !== 0
    const mmHg = pressureMmHg(lab)
    const flammable = (vesselDuring(context)?.phases ?? [])
      .flatMap(({ holds }) => holds)
      .some(({ thing }) => isLiquid(thing) && isFlammable(thing.substance))
    const { bath, condenser, why } = heatingFor(boilC, flammable)
    const band = { lowC: filled.lowC, highC: filled.highC }
    const readings = measured?.temperatures[step.id] ?? []
    const { insideMin, allMin } = timeInBand(readings, band)
    const banded = readings.length > 1 && band.highC > band.lowC
    const wanted = step.kind === 'reflux' || step.kind === 'hold' ? step.holdMin : 0
    const advice: Advice[] = [
      ...when(
        !known,
        'boil-unknown',
        'doubt',
        `What this boils at is not known: ${'why' in looked ? looked.why : 'nothing was found'}. Write it in where you know it; bath and condenser follow from it.`,
      ),
      ...when(known, 'bath', 'open', `Heat with ${bath}.`, '15 to 25 °C above the boil, on something that can be dropped away'),
      ...when(known, 'condenser', 'open', `Take a ${condenser}.`, why),
      ...when(
        filled.moisture === 'yes',
        'tube',
        'open',
        'Put a drying tube on the condenser.',
        'what is in the flask does not bear water, and a stopper would close it',
      ),
      ...when(
        filled.gas === 'acid',
        'gas',
        'doubt',
        lab.gas === 'trap'
          ? 'Lead the gas through a trap: an inverted funnel just above the liquid, not in it.'
          : 'Under the hood with the sash down; a trap for more than a few millimoles.',
        lab.gas === 'trap'
          ? 'liquid cannot be sucked back, and the hood stays clean'
          : 'this laboratory leads small amounts into the draught',
      ),
      ...(found?.azeotropes ?? []),
      ...when(
        known && band.highC <= band.lowC,
        'band',
        'doubt',
        'The band ends below where it begins: give the lower end first.',
      ),
      ...when(
        banded && insideMin < wanted * 0.8,
        'outside',
        'doubt',
        `Inside the band for ${writeNumber(insideMin, 0)} of ${wanted} min so far.`,
      ),
    ]
    return {
      facts: [
        fact('pressure', 'pressure here', mmHg, 'mmHg', 0),
        ...(found
          ? [
              fact('boil', 'it boils at', found.atC, '°C', decimalsWorth(found.plusMinusK), {
                how: `at ${Math.round(mmHg)} mmHg, by ${found.says}${worth(found.plusMinusK)}; the clock counts from the onset of reflux`,
                atBench: true,
              }),
            ]
          : []),
        ...(banded
          ? [
              fact('inside', 'inside the band', insideMin, 'min', 0, {
                how: `of ${writeNumber(allMin, 0)} min between the first and the last of ${readings.length} readings`,
                atBench: true,
              }),
            ]
          : []),
      ],
      advice,
    }
  },
})
