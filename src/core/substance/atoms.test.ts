import { elementsIn, isHydrocarbon, isMetal } from './atoms'

test.each([
  ['C7H8', true],
  ['CH4', true],
  ['C2H6O', false],
  ['C60', false],
  ['CHCl3', false],
  ['H2', false],
  ['not one', false],
  [undefined, false],
])('%s is a hydrocarbon: %s', (formula, is) => expect(isHydrocarbon(formula)).toBe(is))

test.each([
  ['Zn', true],
  ['Mg', true],
  ['S8', false],
  ['ZnCl2', false],
  [undefined, false],
])('%s is a metal: %s', (formula, is) => expect(isMetal(formula)).toBe(is))

test('calcium and chlorine are no carbon, a hydrate’s water counts', () => {
  expect(elementsIn('CaCl2').has('C')).toBe(false)
  expect([...elementsIn('CuSO4·5H2O')].sort()).toEqual(['Cu', 'H', 'O', 'S'])
  expect(elementsIn('?').size).toBe(0)
})
