import { describe, expect, test } from '@jest/globals'
import { seeded } from '../base/index.ts'
import { layerFaults } from '../mannequin/index.ts'
import { STARTER_COLOURS, STARTER_MOULDS } from '../starter/index.ts'
import { PART_WORDS } from './lexicon.ts'
import { matchPart } from './match.ts'
import { printMade } from './printMade.ts'

/** Names as lists have them, and a word of each layer that is to be seen. */
const NAMES: readonly (readonly [name: string, says: string])[] = [
  ['Kopf, Vollbart und Brille', 'beard glasses'],
  ['Gesicht mit Schnurrbart, grimmig', 'moustache stern'],
  ['weiblicher Kopf mit Lippenstift und Wimpern', 'lips lashes'],
  ['Kopf mit Narbe über dem Auge', 'scar'],
  ['Torso Ringelshirt blau weiss', 'stripes'],
  ['Oberkörper Latzhose', 'overalls'],
  ['Torso kariertes Hemd', 'checks'],
  ['Torso mit Krawatte', 'tie'],
  ['Tête souriante, taches de rousseur', 'freckles'],
  ['Tête barbue grise', 'beard'],
  ['Tête avec lunettes rondes', 'glasses'],
  ['Visage en colère', 'stern'],
  ['Torse rayé marin', 'stripes'],
  ['Torse veste à fermeture éclair', 'jacket zip'],
  ['Torse chemise à carreaux', 'checks'],
  ['Torse avec tablier', 'apron'],
  ['Cabeza sonriente con pecas', 'freckles'],
  ['Cabeza con bigote', 'moustache'],
  ['Cabeza enfadada', 'stern'],
  ['Torso camisa de rayas', 'stripes'],
  ['Torso chaqueta', 'jacket'],
  ['Torso con delantal', 'apron'],
  ['Testa con barba e occhiali', 'beard glasses'],
  ['Testa sorpresa', 'wide'],
  ['Busto a righe', 'stripes'],
  ['Busto con gilet', 'waistcoat'],
  ['Busto con giacca', 'jacket'],
  ['Hoofd met baard', 'beard'],
  ['Hoofd met sproeten en bril', 'freckles glasses'],
  ['Romp gestreept', 'stripes'],
  ['Romp met jas', 'jacket'],
  ['Boos gezicht', 'stern'],
  ['Głowa z wąsami', 'moustache'],
  ['Głowa w okularach', 'glasses'],
  ['Głowa z piegami', 'freckles'],
  ['Tors w paski', 'stripes'],
  ['Tors z kurtką', 'jacket'],
  ['Tors w kratę', 'checks'],
  ['Cabeça com barba', 'beard'],
  ['Cabeça com óculos e sardas', 'glasses freckles'],
  ['Rosto zangado', 'stern'],
  ['Tronco listrado', 'stripes'],
  ['Tronco com casaco', 'jacket'],
  ['Tronco xadrez', 'checks'],
  ['Head, old man, grey moustache', 'moustache wrinkles'],
  ['Torso hi-vis vest with stripes', 'stripes'],
  ['Torso pinstripe suit with tie', 'jacket tie'],
  ['Face, winking, red lips', 'wink lips'],
  ['Kopf, lachend, mit Sommersprossen', 'grin freckles'],
  ['Kopf mit Ziegenbart', 'beard'],
  ['Kopf Augenklappe', 'eye-patch'],
  ['Torso Pullover grob gestrickt', 'cable'],
  ['Torso Mantel offen', 'coat'],
  ['Torso Weste mit Knöpfen', 'waistcoat buttons'],
  ['Tête avec barbe de trois jours', 'stubble'],
  ['Tête étonnée', 'wide'],
  ['Tête triste', 'frown'],
  ['Torse pull à capuche', 'hood'],
  ['Torse manteau', 'coat'],
  ['Cabeza con cicatriz', 'scar'],
  ['Cabeza riendo', 'grin'],
  ['Torso abrigo largo', 'coat'],
  ['Torso con corbata y camisa', 'tie buttons'],
  ['Testa con baffi', 'moustache'],
  ['Busto maglione', 'cable'],
  ['Testa anziana con rughe', 'wrinkles'],
  ['Gezicht verbaasd', 'wide'],
  ['Romp met overhemd', 'buttons'],
  ['Romp trui', 'cable'],
  ['Głowa uśmiechnięta z brodą', 'beard'],
  ['Tors płaszcz', 'coat'],
  ['Tronco com camisa e gravata', 'tie buttons'],
  ['Cabeça com bigode e sardas', 'moustache freckles'],
]
const made = (name: string, colour: string, kind: Parameters<typeof printMade>[2]) =>
  printMade(name, { colour, inks: [] }, kind, STARTER_COLOURS)
const kinds = (layers: readonly { kind: string }[]) => layers.map(({ kind }) => kind)

describe('a print that is only named', () => {
  test.each([
    ['Kopf mit Bart', 'beard'],
    ['tête avec barbe', 'beard'],
    ['Głowa z brodą', 'beard'],
    ['cabeza con gafas', 'glasses'],
    ['testa con lentiggini', 'freckles'],
    ['hoofd met snor', 'moustache'],
  ])('%s has its layer, whatever the language', (name, layer) => {
    expect(kinds(made(name, 'fawn', 'head').front)).toContain(layer)
  })

  test('shows all that names of lists say, in any of the languages', () => {
    const missed = NAMES.flatMap(([name, says]) => {
      const { mould, printed } = matchPart(name, STARTER_COLOURS, STARTER_MOULDS)
      const kind = STARTER_MOULDS.find(({ code }) => code === mould)!.kind
      const { front } = made(name, kind === 'head' ? 'fawn' : 'quay-blue', kind)
      const shown = front.flatMap((layer) => Object.values(layer))
      return says
        .split(' ')
        .filter((word) => !printed || !shown.includes(word))
        .map((word) => `${name}: ${word}`)
    })
    expect(missed).toEqual([])
  })

  test('faces differ by what they say: grinning, sad, surprised', () => {
    const mouths = ['Kopf grinsend', 'Kopf traurig', 'Kopf lächelnd', 'Kopf überrascht'].map((name) =>
      JSON.stringify(made(name, 'fawn', 'head').front),
    )
    expect(new Set(mouths).size).toBe(4)
  })

  test('has the traits of what it shows', () => {
    expect(made('Kopf mit Bart und Brille', 'fawn', 'head').traits).toMatchObject({ beard: 'full', glasses: 'yes' })
    expect(made('Torso Hemd gestreift', 'chalk', 'torso').traits).toMatchObject({
      garment: 'shirt',
      pattern: 'stripes',
    })
  })

  test('is in the colours its words name, and else in one that shows on the cloth', () => {
    const stripes = (name: string, colour: string) =>
      made(name, colour, 'torso').front.find(({ kind }) => kind === 'stripes')!['colour']
    expect(stripes('Torso weiß, rot gestreift', 'chalk')).toBe('poppy')
    const [onLight, onDark] = [stripes('Torso gestreift', 'chalk'), stripes('Torso gestreift', 'tar')]
    expect(onLight).not.toBe(onDark)
    expect([onLight, onDark]).not.toContain(undefined)
    const inks = ['poppy']
    const told = printMade('Torso gestreift', { colour: 'chalk', inks }, 'torso', STARTER_COLOURS)
    expect(told.front.find(({ kind }) => kind === 'stripes')!['colour']).toBe('poppy')
    // A jacket is cut of the cloth itself.
    const jacket = made('Torso Jacke', 'quay-blue', 'torso').front.find(({ kind }) => kind === 'jacket')!
    expect(jacket['colour']).toBeUndefined()
  })

  test('is one that can be drawn and changed, whatever words come together', () => {
    const random = seeded(7)
    const words = Object.entries(PART_WORDS).flatMap(([, list]) => list.split(',').map((word) => word.trim()))
    const pick = () => words[Math.floor(random() * words.length)]!
    for (let i = 0; i < 400; i++)
      for (const kind of ['head', 'torso', 'leg-left', 'arm-right', 'hips', 'neck'] as const) {
        const { front, back } = made(`${pick()} ${pick()} ${pick()}`, 'quay-blue', kind)
        for (const layer of [...front, ...back])
          expect(layerFaults(kind, layer, (code) => STARTER_COLOURS.some((one) => one.code === code))).toEqual([])
      }
  })
})
