import { expect, test } from '@jest/globals'
import { picturedBy } from './picturesByName.ts'

const PEOPLE = [
  { outfit: '1', name: 'Odile, skipper', character: 'Odile Marsh' },
  { outfit: '2', name: 'Odile at twelve', character: 'Odile Marsh' },
  { outfit: '3', name: 'Bram, engines', character: 'Bram Osk' },
  { outfit: '4', name: 'Jörg Grünwald', character: 'Jörg Grünwald' },
  { outfit: '5', name: 'Ilka Dunn', character: 'Ilka Dunn' },
]
const of = (file: string) => picturedBy(file, PEOPLE)?.outfit ?? null

test.each([
  ['Bram.png', '3'],
  ['bram_osk-final (2).JPG', '3'],
  ['IMG_0042 Ilka Dunn.webp', '5'],
  ['ilkadunn.png', '5'],
  ['refs/crew/Joerg-Gruenwald.png', '4'],
  ['jorg grunwald.png', '4'],
  ['Jörg Grünwalt 3.png', '4'],
  ['odile-skipper.svg', '1'],
  ['odile at twelve 01.png', '2'],
  // It says as much of both.
  ['Odile Marsh.png', null],
  ['odile.png', null],
  ['IMG_2041.jpg', null],
  ['harbour.png', null],
])('%s is of %s', (file, outfit) => {
  expect(of(file)).toBe(outfit)
})

test('with nobody there it is nobody’s', () => {
  expect(picturedBy('Bram.png', [])).toBeNull()
})
