import { ionsOf } from '@/core/matter/ions'
import { thingOf, water } from '@/core/matter/thing'
import { substanceRecords } from './records'

test('of every record, parts in water hold its atoms and its charge, or it stays whole', () => {
  const salts = substanceRecords.filter(({ formula }) => formula !== undefined).map((record) => thingOf(record, true))
  const apart = salts.flatMap((thing) => {
    const found = ionsOf(thing, () => undefined)
    return found ? [{ thing, found }] : []
  })
  expect(apart.length).toBeGreaterThan(60)
  for (const { thing, found } of apart) {
    const grams = found.parts.reduce((sum, [part, moles]) => sum + part.gPer * moles, 0) + found.water * water.gPer
    expect([thing.name, Math.abs(grams - thing.gPer) < 1e-9]).toEqual([thing.name, true])
    expect([thing.name, Math.abs(found.parts.reduce((sum, [part, moles]) => sum + part.charge * moles, 0))]).toEqual([
      thing.name,
      0,
    ])
  }
})
