import iconv from 'iconv-lite'
import type { Locator, Page } from '@playwright/test'
import { fileURLToPath } from 'node:url'
import { bench, candidates, EMPTY, expect, test, READS } from './fixtures.ts'

/** A list as somebody keeps it: German, semicolons, cents after a comma, in the letters of Windows. */
const OWNED = `Meine Sammlung;;;;;;
Bezeichnung;Farbe;Anzahl;Kiste;Kaufpreis;Zustand;Herkunft
Schirmmütze mit Abzeichen;blau;3;Kiste 2;1,20 €;neu;Flohmarkt
Kopf Sommersprossen;hautfarben;2 Stk.;Kiste 1;;;
Beine kurz;dunkelrot;1;Kiste 5;0,80;gebraucht;
Oberkörper gestreift;grün;4;Kiste 5;;;
Rucksack klein;Lawinengrau;2;Kiste 3;0,50;gebraucht;Tausch
Laterne;gelb;einige;Kiste 6;;;
`
const file = (name: string, text: string) => ({
  name,
  mimeType: 'text/csv',
  buffer: iconv.encode(text, 'windows-1252'),
})
const chooser = (app: Page) => app.getByLabel('Lists to bring in')

/** What a stranger comes with, as it is: a spreadsheet of 150 parts, and three price lists, each laid out in another way. */
const MATERIAL = ['bestand.csv', 'Preise Lotte 11-2026.csv', 'preisliste_hafenladen.txt', 'tidewater.csv'].map((name) =>
  fileURLToPath(new URL(`material/${name}`, import.meta.url)),
)

/** Counts what somebody does: presses, and whatever else is one act. */
function counting() {
  let actions = 0
  const act = async (what: () => Promise<unknown>) => {
    actions += 1
    await what()
  }
  return { act, press: (what: Locator) => act(() => what.click()), count: () => actions }
}

test(
  'a stranger with a spreadsheet and three price lists has a priced figure in twelve actions',
  EMPTY,
  async ({ app }) => {
    await app.goto('/')
    const { press, act, count } = counting()
    await press(app.getByRole('link', { name: 'Bring a list in' }))
    await act(() => chooser(app).setInputFiles(MATERIAL))
    await expect(app.getByRole('heading', { name: 'What you own, from bestand.csv' })).toBeVisible()
    await expect(app.getByText(/gebr\. .*neither new nor used/)).toHaveCount(0)
    await press(app.getByRole('button', { name: 'Bring 515 parts in' }))
    for (const [list, seller, count] of [
      ['Preise Lotte 11-2026.csv', 'Lotte', 60],
      ['preisliste_hafenladen.txt', 'Hafenladen', 45],
      ['tidewater.csv', 'Tidewater Bits', 68],
    ] as const) {
      await expect(app.getByRole('heading', { name: `A price list, from ${list}` })).toBeVisible()
      await expect(app.getByRole('row', { name: new RegExp(`from ${seller}`) }).first()).toBeVisible()
      await press(app.getByRole('button', { name: `Take ${count} prices` }))
    }
    for (const seller of ['Lotte', 'Hafenladen', 'Tidewater Bits'])
      await expect(app.getByRole('button', { name: `Change ${seller}` })).toBeVisible()
    await press(app.getByRole('link', { name: 'Rosters', exact: true }))
    await press(app.getByRole('button', { name: 'Dress a doll' }))
    await expect(candidates(app).first()).toBeVisible()
    const { row, candidate, cost, find } = bench(app)
    await press(candidate(/Schirmmütze/))
    await expect(row('Headgear')).toContainText('Schirmmütze')
    await press(row('Held, right'))
    // Two are owned; a white one is only for sale.
    await act(() => find.fill('Laterne'))
    await press(candidate(/Laterne.*€/))
    await find.fill('')
    await expect(cost).toContainText('€')
    await expect(cost).toContainText('to finish')
    console.log(`a priced figure after ${count()} actions`)
    expect(count()).toBeLessThanOrEqual(12)
    // Loose torsos are owned and none with its sleeves: what there are parts for comes first, and the other says where they are.
    await row('Torso').click()
    await expect(candidate(/^Torso|^Oberkörper|^Pullover/)).toBeVisible()
    const ways = app.getByRole('group', { name: 'What to put on' })
    await expect(ways.getByRole('button', { name: 'Torso alone' })).toHaveAttribute('aria-pressed', 'true')
    await ways.getByRole('button', { name: 'With sleeves and mitts' }).click()
    await expect(app.getByText(/^What you have for this row lies under Torso alone \(\d+\)\.$/)).toBeVisible()
  },
)

test('the same list again is known: it is set to its counts, and one press takes that back', EMPTY, async ({ app }) => {
  const bring = async (text: string) => {
    await app.goto('/bring-in')
    await chooser(app).setInputFiles(file('bestand.csv', text))
    await expect(app.getByRole('heading', { name: /bestand\.csv/ })).toBeVisible()
  }
  await bring(OWNED)
  // What cannot be read is told by its line, and the rest is taken.
  await expect(app.getByText('line 8: count "einige" is no count')).toBeVisible()
  await expect(
    app.getByRole('row', { name: /Schirmmütze mit Abzeichen.*Deck cap in Quay Blue, 3 pieces/ }),
  ).toBeVisible()
  await app.getByRole('button', { name: 'Bring 12 parts in' }).click()
  await expect(app.getByRole('link', { name: /Kiste 2.*3 parts/ })).toBeVisible()
  await bring(OWNED.replace(';3;', ';5;'))
  await expect(app.getByText('1 row differ')).toBeVisible()
  await app.getByRole('button', { name: 'Bring 14 parts in' }).click()
  await expect(app.getByRole('link', { name: /Kiste 2.*5 parts/ })).toBeVisible()
  await app.getByRole('button', { name: 'Undo' }).click()
  await expect(app.getByRole('link', { name: /Kiste 2.*3 parts/ })).toBeVisible()
  // So can every list, on any later day, where lists are brought in.
  await app.goto('/bring-in')
  const before = app.getByRole('region', { name: 'Brought in before' })
  await expect(before.getByText(/^taken back/)).toHaveCount(1)
  await before.getByRole('button', { name: 'Take back' }).click()
  await expect(before.getByText(/^taken back/)).toHaveCount(2)
  await app.getByRole('link', { name: 'Drawer', exact: true }).click()
  await expect(app.getByRole('link', { name: /Kiste 2.*empty/ })).toBeVisible()
})

test(
  'columns, words and letters are corrected while the preview follows; a pasted list reads like a file',
  { tag: [EMPTY.tag, READS.tag] },
  async ({ app }) => {
    await app.goto('/')
    await app.getByRole('link', { name: 'Bring a list in' }).click()
    await app.getByLabel('Or paste rows from a spreadsheet').fill('Torso\tZwielicht\t7\nHead\tFawn\t2\n')
    await app.getByRole('button', { name: 'Read what I pasted' }).click()
    const zwielicht = app.getByRole('group', { name: 'Zwielicht' })
    await zwielicht.getByText('a colour of its own').click()
    await expect(app.getByRole('row', { name: /Torso in Zwielicht, 7 pieces/ })).toBeVisible()
    await app.getByRole('button', { name: 'Change columns' }).click()
    await app.getByLabel('What column 3 is').selectOption('kept as a remark')
    await expect(app.getByRole('row', { name: /1 piece, remark: 7/ })).toBeVisible()
    await app.getByLabel('Letters').selectOption('UTF-16')
    await expect(app.getByRole('row', { name: /Torso in Zwielicht/ })).toBeHidden()
  },
)

test('a doll is dressed out of what ships with Outfit, by saying what one has', EMPTY, async ({ app, server }) => {
  await app.goto('/')
  await app.getByRole('button', { name: 'Dress a doll' }).click()
  const { row, candidate, tray, cost } = bench(app)
  await expect(tray.getByRole('link', { name: 'Bring a list in' })).toBeVisible()
  await tray.getByRole('combobox', { name: 'Colour of what I have' }).selectOption({ label: 'Moss' })
  await tray.getByRole('button', { name: 'I have this one: Deck cap in Moss' }).click()
  await candidate(/Deck cap/).click()
  await expect(candidate(/Deck cap.*owned 1, worn/)).toBeVisible()
  await tray.getByRole('button', { name: 'Bring in one I have' }).click()
  // Called like two things, and neither of them.
  await tray.getByRole('button', { name: /^I have this one: Lamp helmet in/ }).click()
  await expect(candidate(/Lamp helmet.*owned 1/)).toBeVisible()
  await tray.getByRole('button', { name: 'Bring in one I have' }).click()
  await tray.getByRole('button', { name: /^I have this one: Straw boater in/ }).click()
  await expect(candidate(/Straw boater.*owned 1/)).toBeVisible()
  await row('Legs').click()
  await tray.getByRole('button', { name: /^I have this one: Legs, middle in/ }).click()
  await candidate(/Legs, middle/).click()
  await expect(cost).toContainText('All owned')
  // Only what one has is in the drawer, a pair as its pieces.
  const { bins } = await server.get<{ bins: { units: number }[] }>('drawer')
  expect(bins.reduce((sum, { units }) => sum + units, 0)).toBe(1 + 1 + 1 + 3)
  // A torso with its arms is one thing to have and three pieces; its hands are of a colour of their own.
  await row('Torso').click()
  await tray.getByRole('button', { name: /^I have this one: Torso with arms in/ }).click()
  await candidate(/Torso with arms/).click()
  await expect(row('Arms')).toContainText('Right arm')
  await expect(cost).toContainText('All owned')
})

test('a list of sets makes them with their figures, and one press takes them back', EMPTY, async ({ app, server }) => {
  await app.goto('/bring-in')
  const rows = ['Kapitän;Kopf mit Bart;hautfarben;1', 'Kapitän;Torso Jacke;blau;1', ';Laterne;gelb;2']
  await app.getByLabel('Lists to bring in').setInputFiles({
    name: 'sets.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`Set;Jahr;Figur;Teil;Farbe;Anzahl\n${rows.map((row) => `Hafenfest;2019;${row}\n`).join('')}`),
  })
  await expect(app.getByText('in 1 set with 1 figure; none of it counts as owned')).toBeVisible()
  await app.getByRole('button', { name: 'Make 1 set' }).click()
  await expect(app.getByRole('textbox', { name: 'Name' })).toHaveValue('Hafenfest')
  await expect(app.getByText('1 × Kapitän')).toBeVisible()
  await app.getByRole('button', { name: 'Undo' }).click()
  await expect(app.getByRole('heading', { name: 'Bring a list in' })).toBeVisible()
  expect(await server.get('releases')).toEqual([])
})

test('a list of characters in old letters becomes a roster with wishes', EMPTY, async ({ app }) => {
  await app.goto('/bring-in')
  const text = 'Name;Alter;Aussehen\nJ\u00fcrgen;61;alter Mann, grauer Bart, schwarzer Hut\nMia;9;rote M\u00fctze\n'
  await chooser(app).setInputFiles({ name: 'besetzung.csv', mimeType: 'text/csv', buffer: Buffer.from(text, 'latin1') })
  await expect(app.getByRole('heading', { name: 'Characters, from besetzung.csv' })).toBeVisible()
  await app.getByRole('button', { name: 'Go on with 2 characters' }).click()
  const dialog = app.getByRole('dialog', { name: 'Add characters to besetzung' })
  await expect(dialog.getByRole('region', { name: 'As understood' })).toContainText('J\u00fcrgen')
  await dialog.getByRole('button', { name: 'Add 2 characters' }).click()
  await expect(app.getByRole('heading', { name: /besetzung/ })).toContainText('0 of 2 cast')
  // It does not come up again with the page.
  await app.reload()
  await expect(app.getByRole('link', { name: /J\u00fcrgen/ }).first()).toBeVisible()
  await expect(dialog).toBeHidden()
})

/** Ten characters as somebody copies them out of a spreadsheet. */
const TEN = `Name\tGroup\tAge\tDescription
Ada\tHarbour\t34\tred hair, blue jacket, lantern
Bo\tHarbour\t61\told man, grey beard, yellow oilskin
Cid\tHarbour\t9\tboy, striped jersey, black boots
Dot\tMarket\t28\tblack hair, green apron, basket
Eno\tMarket\t45\tmoustache, white shirt, brown trousers
Fay\tMarket\t8\tgirl, blond plaits, red scarf
Gus\tBand\t50\tblue cap, white gloves, cornet
Hal\tBand\t19\tglasses, red jacket, drum
Ivy\tBand\t22\tred jacket, long brown hair, fiddle
Jo\tBand\t70\told, grey hair, black coat, umbrella
`

test('ten characters with descriptions are ten briefs in five actions', EMPTY, async ({ app, server }) => {
  await app.goto('/')
  const { press, act, count } = counting()
  await press(app.getByRole('link', { name: 'Bring a list in' }))
  await act(() => app.getByLabel('Or paste rows from a spreadsheet').fill(TEN))
  await press(app.getByRole('button', { name: 'Read what I pasted' }))
  await press(app.getByRole('button', { name: 'Go on with 10 characters' }))
  await press(app.getByRole('button', { name: 'Add 10 characters' }))
  await expect(app.getByRole('link', { name: /Jo/ }).first()).toBeVisible()
  const { rosters } = await server.get<{ rosters: { id: string }[] }>('rosters')
  const { members } = await server.get<{ members: { brief: { wishes: unknown[] } }[] }>(
    `rosters/${rosters[0]!.id}/members?cast=`,
  )
  expect(members.map(({ brief }) => brief.wishes.length >= 2)).toEqual(Array<boolean>(10).fill(true))
  console.log(`Ten briefs in ${count()} actions.`)
  expect(count()).toBeLessThanOrEqual(5)
})
