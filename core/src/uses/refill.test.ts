import { expect, test } from '@jest/globals'
import { mouldOf } from '../catalogue/index.ts'
import { figureNamed, partNamed, worldCatalogue } from '../test/world.ts'
import { refillsOf } from './refill.ts'

const catalogue = worldCatalogue()
const tail = partNamed('Swept pony tail', 'Copper')
const hair = [...catalogue.parts.values()].filter((part) => mouldOf(catalogue, part).kind === 'headgear')
const donor = {
  code: 'S1',
  name: 'A figure',
  pieces: figureNamed('Deckhand').map(({ slot, part }) => ({ slot, part: slot === 'headgear' ? tail.code : part })),
}
const refills = (unclaimed: Record<string, number>, prices: Record<string, number>, donors = [donor]) =>
  refillsOf(tail, donors as never, hair, {
    catalogue,
    unclaimed: (part) => unclaimed[part] ?? 0,
    priceOf: (part) => prices[part],
  })

test('a figure that gives its hair away is offered the same again, the cheapest, and the likest that lies loose', () => {
  const near = partNamed('Swept pony tail', 'Chestnut')
  const far = partNamed('Swept pony tail', 'Tar')
  const bun = partNamed('High bun', 'Copper')
  const [refill] = refills(
    { [far.code]: 1, [near.code]: 2, [tail.code]: 5 },
    { [tail.code]: 90, [bun.code]: 40, [far.code]: 70 },
  )
  expect(refill).toMatchObject({
    donor: { code: 'S1', name: 'A figure' },
    slot: 'headgear',
    again: 90,
    cheapest: { part: bun.code, price: 40 },
    loose: near.code,
  })
  expect(refill!.worn.some(({ part }) => part === tail.code)).toBe(true)
  // Another shape in the same colour is more like it than the same shape in one far off.
  expect(refills({ [bun.code]: 1, [far.code]: 1 }, {})[0]!.loose).toBe(bun.code)
})

test('where nothing is for sale and nothing lies loose that is said, and who has no such part is not asked', () => {
  expect(refills({}, {})[0]).toMatchObject({ again: null, cheapest: null, loose: null })
  expect(refills({}, {}, [{ ...donor, pieces: donor.pieces.filter(({ slot }) => slot !== 'headgear') }])).toEqual([])
})
