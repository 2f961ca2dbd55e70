import { checkPlan } from './planFile'
import { reactionTable, theoreticalYield } from '../reaction/reactionTable'
import { editCoefficient, editLine } from '../edit/editLine'
import { scratchWith } from '../edit/scratch'

const aldehyde = { id: 'benzaldehyde', name: 'benzaldehyde', formula: 'C7H6O', density: { gPerML: 1.044, source: 'x' } }
const benzoin = { id: 'benzoin', name: 'benzoin', formula: 'C14H12O2' }
const ethanol = { id: 'ethanol', name: 'ethanol', formula: 'C2H6O', density: { gPerML: 0.789, source: 'x' } }

test('a sheet grows line by line, whatever comes first, and is a plan that can be kept', () => {
  const solvent = scratchWith(null, ethanol, 'solvent')
  expect(solvent.reference).toBe('ethanol')
  const both = scratchWith(scratchWith(solvent, aldehyde, 'reactant'), benzoin, 'product')
  expect([both.reference, both.mainProduct]).toEqual(['benzaldehyde', 'benzoin'])
  for (const sheet of [solvent, both]) expect(() => checkPlan(sheet)).not.toThrow()
})

test('two of aldehyde to one of benzoin: 5.00 mL are 49.2 mmol and 5.22 g at the most', () => {
  const both = scratchWith(scratchWith(null, aldehyde, 'reactant'), benzoin, 'product')
  const two = editCoefficient(both, 'benzaldehyde', '2')
  if (!two.ok) throw new Error(two.problem)
  const typed = editLine(two.value, 'benzaldehyde', 'volume', '5.00 mL')
  if (!typed.ok) throw new Error(typed.problem)
  const table = reactionTable(typed.value)
  expect(table.lines[0]!.amount!.value).toBeCloseTo(49.19, 1)
  expect(theoreticalYield(typed.value, table)!.value).toBeCloseTo(5.22, 2)
})

test('a stock solution comes in at its strength', () => {
  const form = { kind: 'solution' as const, molPerL: 6 }
  const sheet = scratchWith(null, { id: 'acid', name: 'hydrochloric acid', formula: 'HCl' }, 'reactant', form)
  expect(sheet.lines[0]!.form).toEqual(form)
})
