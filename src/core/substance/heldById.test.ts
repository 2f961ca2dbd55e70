import { heldById, nameOfHeld, readHeld, readSubstance } from './heldById'

const known = [
  { id: 'n-1-bromobutane', name: '1-bromobutane' },
  { id: 'water', name: 'water' },
]

test('a substance is held by its id and printed by its name', () => {
  expect(readHeld(known, '1-bromobutane')).toBe('n-1-bromobutane')
  expect(readHeld(known, 'n-1-bromobutane')).toBe('n-1-bromobutane')
  expect(readHeld(known, 'bromobutane')).toBe('bromobutane')
  expect(nameOfHeld(known, 'n-1-bromobutane')).toBe('1-bromobutane')
  expect(nameOfHeld(known, 'bromobutane')).toBe('bromobutane')
  expect(nameOfHeld(known, undefined)).toBe('')
  // Rules have ids: a name is none.
  expect(heldById(known, '1-bromobutane')).toBeUndefined()
})

test('what has to be known and is not is refused, with what would be right', () => {
  expect(readSubstance(known, 'water', 'known substance')).toEqual({ ok: true, value: 'water' })
  expect(readSubstance(known, 'bromobutane', 'substance')).toEqual({ ok: true, value: 'bromobutane' })
  expect(readSubstance(known, 'bromobutane', 'known substance')).toEqual({
    ok: false,
    problem: 'No substance here is called “bromobutane”. There are: 1-bromobutane, water.',
  })
  expect(readSubstance([], 'x', 'known substance')).toMatchObject({ problem: expect.stringContaining('none yet') as string })
})
