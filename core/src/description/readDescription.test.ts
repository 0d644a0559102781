import { describe, expect, test } from '@jest/globals'
import { judgesOf, emptyBrief, traitNamed, traitsAt } from '../brief/index.ts'
import { catalogueOf } from '../catalogue/index.ts'
import { STARTER_COLOURS, STARTER_MOULDS } from '../starter/index.ts'
import { DESCRIBED, UNSEEN } from '../test/described.ts'
import { DESCRIBED_GERMAN, UNSEEN_GERMAN } from '../test/describedGerman.ts'
import { ENGLISH } from './english.ts'
import { readDescription, type Description } from './readDescription.ts'

const KNOWN = { palette: STARTER_COLOURS, moulds: STARTER_MOULDS }
const read = (text: string) => readDescription(text, KNOWN)
const nameOf = (target: string) => STARTER_COLOURS.find(({ hex }) => hex === target)?.name ?? target
const wishesIn = ({ wishes }: Description) =>
  wishes.map(
    ({ place, trait, target, weight }) =>
      `${place} ${trait} ${nameOf(target)}${weight === 'matters' ? '' : ` !${weight}`}`,
  )
/** What is said besides wishes; what is not understood after a "?". */
const besides = ({ stature, years, abilities, rest }: Description) => [
  ...(stature ? [`stature ${stature}`] : []),
  ...(years === null ? [] : [`years ${years}`]),
  ...abilities,
  ...rest.map((words) => `? ${words}`),
]

describe('a description', () => {
  test.each(DESCRIBED)('“%s” is understood', (text, wishes, more) => {
    const said = read(text)
    expect(wishesIn(said).join('; ')).toBe(wishes)
    expect(besides(said).join('; ')).toBe(more)
  })

  test.each(DESCRIBED_GERMAN)('“%s” is understood as well', (text, wishes, more) => {
    const said = read(text)
    expect(wishesIn(said).join('; ')).toBe(wishes)
    expect(besides(said).join('; ')).toBe(more)
  })

  test.each([
    ['English', UNSEEN],
    ['German', UNSEEN_GERMAN],
  ] as const)(
    'in %s that the reader was not made with is understood in nine of ten wishes, and no must is wrong',
    (_language, unseen) => {
      let [made, right, expected, wrongMusts] = [0, 0, 0, 0]
      for (const [text, list] of unseen) {
        const meant = list.split(';').map((one) => one.trim().replace(/\s+/g, ' '))
        const isMeant = (said: string) =>
          meant.some((one) => {
            const [words, weight = ''] = one.split(' !')
            const [place, trait, ...targets] = words!.split(' ')
            return targets
              .join(' ')
              .split('|')
              .some((target) => said === `${place} ${trait} ${target}${weight && ` !${weight}`}`)
          })
        const wishes = wishesIn(read(text))
        made += wishes.length
        expected += meant.length
        right += wishes.filter(isMeant).length
        wrongMusts += wishes.filter((one) => one.endsWith(' !must') && !isMeant(one)).length
      }
      expect(wrongMusts).toBe(0)
      expect(right / made).toBeGreaterThan(0.9)
      expect(right / expected).toBeGreaterThan(0.9)
    },
  )

  test('says of every stretch what it was taken as, and loses none of the words it does not know', () => {
    const text = 'Old man — grey beard, tattoo; yellow oilskin with brass zips (must)'
    const { taken, wishes, rest } = read(text)
    for (const [i, { from, to, wishes: own }] of taken.entries()) {
      expect(to).toBeGreaterThan(from)
      if (i > 0) expect(from).toBeGreaterThanOrEqual(taken[i - 1]!.to)
      for (const one of own) expect(wishes[one]).toBeDefined()
    }
    expect(rest).toEqual(['tattoo', 'brass zips'])
    expect(taken.map(({ from, to }) => text.slice(from, to))).toContain('grey beard')
    const { taken: slips } = read('a jaket')
    expect(slips[0]).toMatchObject({ mended: 'jacket', understood: true })
  })

  test('takes colours as the palette has them, by name before looks, and as they are said without one', () => {
    expect(wishesIn(read('quay blue coat')).at(-1)).toBe('torso colour Quay Blue')
    const bare = readDescription('green coat, pale skin', { palette: [], moulds: [] })
    expect(bare.wishes.map(({ target }) => target)).toEqual(['coat', '#3F8A45', '#F5CFAE'])
    // A hat there is no mould for is a hat all the same; other things are not understood.
    expect(wishesIn(readDescription('bobble hat, scarf', { palette: [], moulds: [] }))).toEqual(['headgear hat yes'])
    expect(readDescription('bobble hat, scarf', { palette: [], moulds: [] }).rest).toEqual(['scarf'])
  })

  test.each([
    '',
    '   ',
    ',,;',
    '!!!',
    '12',
    '(((',
    'ß',
    'no',
    'must',
    'no no must red red',
    '🎩 hat',
    'a'.repeat(4000),
  ])('of odd words harms nothing: %j', (text) => {
    const { wishes, taken } = read(text)
    expect(taken.every(({ wishes: own }) => own.every((one) => one < wishes.length))).toBe(true)
  })

  test('of a thousand words is read at once, word by word', () => {
    const long = Array.from({ length: 200 }, (_, i) => DESCRIBED[i % DESCRIBED.length]![0]).join('. ')
    const { wishes, taken } = read(long)
    expect(new Set(wishes.map(({ place, trait, target }) => `${place} ${trait} ${target}`)).size).toBe(wishes.length)
    expect(taken.length).toBeGreaterThan(300)
  })
})

describe('the words of a language', () => {
  test('speak of traits there are, at places that have them, with values they can take', () => {
    const said = [
      ...ENGLISH.nouns.flatMap(({ place, says, none }) =>
        [says, none].flatMap((one) => (one ? [{ place, says: one }] : [])),
      ),
      ...ENGLISH.qualities,
      ...ENGLISH.nouns.flatMap(({ place, sizes }) =>
        sizes
          ? Object.entries(sizes).flatMap(([key, step]) =>
              key === 'trait' ? [] : [{ place, says: [sizes.trait, step] as const }],
            )
          : [],
      ),
    ]
    for (const {
      place,
      says: [key, target],
    } of said) {
      expect([place, key, traitsAt(place).some((trait) => trait.key === key)]).toEqual([place, key, true])
      const { kind, values } = traitNamed(key)
      if (kind !== 'colour') expect(values).toContain(target)
    }
    for (const { place, colour = 'colour' } of ENGLISH.nouns)
      if (colour !== null && !(place === 'head' && colour === 'colour'))
        expect([place, traitsAt(place).map((trait) => trait.key)]).toEqual([place, expect.arrayContaining([colour])])
    // Wishes that come of them can be judged.
    const { wishes } = read(DESCRIBED.map(([text]) => text).join('. '))
    const catalogue = catalogueOf({ colours: [...STARTER_COLOURS], moulds: [...STARTER_MOULDS], prints: [], parts: [] })
    expect(() => judgesOf({ ...emptyBrief(), wishes }, catalogue)).not.toThrow()
  })
})
