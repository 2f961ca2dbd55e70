import type { Bottle } from '@/core/stores/bottle'

const left = (value: number, unit: 'g' | 'mL') => ({ value, unit, decimals: 0 })

/** Some of what stands in the prep room, one of them nearly empty. */
export const shelf: Pick<Bottle, 'substance' | 'formula' | 'form' | 'left' | 'place'>[] = [
  {
    substance: 'aniline',
    formula: 'C6H7N',
    form: { kind: 'neat', purity: 0.99 },
    left: left(180, 'mL'),
    place: 'hood cupboard 1',
  },
  {
    substance: 'acetic anhydride',
    formula: 'C4H6O3',
    form: { kind: 'neat', purity: 0.98 },
    left: left(34, 'mL'),
    place: 'hood cupboard 1',
  },
  {
    substance: 'acetic acid',
    formula: 'C2H4O2',
    form: { kind: 'neat', purity: 1 },
    left: left(900, 'mL'),
    place: 'acid cupboard',
  },
  { substance: 'benzaldehyde', formula: 'C7H6O', form: { kind: 'neat', purity: 0.99 }, left: left(250, 'mL'), place: 'shelf 3' },
  { substance: 'ground nutmeg', formula: null, form: { kind: 'solid', purity: 1 }, left: left(60, 'g'), place: 'shelf 5' },
  {
    substance: 'hydrochloric acid',
    formula: 'HCl',
    form: { kind: 'mass-fraction', fraction: 0.37, gPerML: 1.18, source: 'Label of the bottle' },
    left: left(1200, 'mL'),
    place: 'acid cupboard',
  },
  { substance: 'zinc dust', formula: 'Zn', form: { kind: 'solid', purity: 1 }, left: left(45, 'g'), place: 'shelf 1' },
  {
    substance: 'ethanol',
    formula: 'C2H6O',
    form: { kind: 'neat', purity: 0.95 },
    left: left(2300, 'mL'),
    place: 'solvent store',
  },
  {
    substance: 'thiamine hydrochloride',
    formula: 'C12H18Cl2N4OS',
    form: { kind: 'solid', purity: 1 },
    left: left(9, 'g'),
    place: 'refrigerator',
  },
  {
    substance: 'sodium hydroxide',
    formula: 'NaOH',
    form: { kind: 'solid', purity: 1 },
    left: left(400, 'g'),
    place: 'base cupboard',
  },
]
