import type { Page } from '@playwright/test'
import { LONG, addressOf, bytesOf, expect, test } from './fixtures.ts'

interface Shelves {
  rosters: {
    name: string
    outfits: {
      id: string
      name: string
      faction: string
      state: string
      placements: { slot: string; part: string }[]
    }[]
  }[]
}
const named = async (server: { get<T>(path: string): Promise<T> }, name: string) =>
  (await server.get<Shelves>('rosters')).rosters.find((roster) => roster.name === name)!
const figure = (app: Page, name: string) => app.getByRole('link', { name: new RegExp(`· ${name}`) })
const undo = (app: Page) => app.getByRole('button', { name: 'Undo' })
/** Open a roster. */
async function open(app: Page, name: string): Promise<void> {
  await app.goto(addressOf(name))
  await expect(app.getByRole('navigation', { name: 'Ways to look at the roster' })).toBeVisible()
}
const view = (app: Page, name: string) => app.getByRole('link', { name, exact: true })

test('figures are put elsewhere on the shelf by dragging and by keys, and put back', async ({ app, server }) => {
  await open(app, 'The Heron crew')
  const hale = figure(app, 'Hale Brook')
  await expect(hale).toContainText('8 · Hale Brook')
  const [from, to] = [(await hale.boundingBox())!, (await figure(app, 'Wen Sorrel').boundingBox())!]
  await app.mouse.move(from.x + from.width / 2, from.y + 60)
  await app.mouse.down()
  await app.mouse.move(to.x + 30, to.y + 60, { steps: 12 })
  await app.mouse.move(to.x + 12, to.y + 60, { steps: 4 })
  await app.mouse.up()
  await expect(figure(app, 'Hale Brook')).toContainText('1 · Hale Brook')
  await expect(figure(app, 'Wen Sorrel')).toContainText('2 · Wen Sorrel')
  await expect
    .poll(async () => (await named(server, 'The Heron crew')).outfits[0])
    .toMatchObject({
      name: 'Hale Brook',
      faction: 'Bow four',
    })
  await undo(app).click()
  await expect(figure(app, 'Hale Brook')).toContainText('8 · Hale Brook')

  // By keys: past the end of a faction is the next one.
  await figure(app, 'Mirre Vos').focus()
  await app.keyboard.press('Alt+ArrowRight')
  await expect(app.getByRole('region', { name: 'Stern four' })).toContainText('4 · Mirre Vos')
  await app.keyboard.press('Control+z')
  await expect(app.getByRole('region', { name: 'Bow four' })).toContainText('4 · Mirre Vos')
})

test('two rosters stand side by side, and a figure goes over', async ({ app, server }) => {
  await open(app, 'School regatta')
  await app.getByRole('button', { name: 'More for this roster' }).click()
  await app.getByRole('menuitem', { name: /^Stand another/ }).press('ArrowRight')
  await app.getByRole('menuitem', { name: 'Ferry people' }).click()
  await expect(app).toHaveURL(/beside=/)
  const [school, ferry] = [
    app.getByRole('region', { name: 'School regatta' }),
    app.getByRole('region', { name: 'Ferry people' }),
  ]
  await expect(ferry).toContainText('Teo, tickets')
  const from = (await figure(app, 'Teo, tickets').boundingBox())!
  const to = (await figure(app, 'Lis Wagenaar').boundingBox())!
  await app.mouse.move(from.x + from.width / 2, from.y + 50)
  await app.mouse.down()
  await app.mouse.move(to.x + 30, to.y + 50, { steps: 12 })
  await app.mouse.move(to.x + 10, to.y + 50, { steps: 4 })
  await app.mouse.up()
  await expect(school).toContainText('1 · Teo, tickets')
  await expect(ferry).not.toContainText('Teo, tickets')
  await undo(app).click()
  await expect(ferry).toContainText('Teo, tickets')
  expect((await named(server, 'School regatta')).outfits).toHaveLength(4)
})

test('an outfit, and a whole roster, are taken off and put back', async ({ app, server }) => {
  await open(app, 'Brass band')
  await app.getByRole('button', { name: 'More for Dara Oss' }).click()
  await app.getByRole('menuitem', { name: 'Take it off the roster' }).click()
  await expect(figure(app, 'Dara Oss')).toHaveCount(0)
  await expect(app.getByRole('heading', { name: /Brass band/ })).toContainText('8 of 8 cast')
  await undo(app).click()
  await expect(figure(app, 'Dara Oss')).toBeVisible()
  await app.getByRole('button', { name: 'More for this roster' }).click()
  await app.getByRole('menuitem', { name: 'Take this roster down' }).click()
  await expect(app.getByRole('heading', { name: 'Rosters' })).toBeVisible()
  await expect(app.getByRole('link', { name: 'Brass band' })).toHaveCount(0)
  // Also long after the words are gone.
  await app.reload()
  await app.getByRole('button', { name: 'What was taken down or off' }).click()
  await app.getByRole('button', { name: 'Put back Brass band' }).click()
  await expect(app.getByRole('heading', { name: /Brass band/ })).toContainText('9 of 9 cast · 9 built and shown')
  expect((await named(server, 'Brass band')).outfits.every(({ state }) => state === 'shown')).toBe(true)

  // Taken apart it is ready to build, and built again.
  await app.getByRole('button', { name: 'More for Dara Oss' }).click()
  await app.getByRole('menuitem', { name: 'Take it apart' }).click()
  await expect(app.getByText(/^Dara Oss is taken apart: 11 parts/)).toBeVisible()
  await undo(app).click()
  await expect(figure(app, 'Dara Oss')).toContainText('shown')
})

test('a uniform is changed once for all who did not deviate', async ({ app, server }) => {
  await open(app, 'The Heron crew')
  await view(app, 'Uniforms and heads').click()
  const kit = app.getByRole('region', { name: 'Uniform Regatta kit' })
  await expect(kit.getByText('Pim, cox deviates: torso, arms, legs')).toBeVisible()
  await kit.getByRole('combobox', { name: /^Change it to what/ }).selectOption({ label: 'Pim, cox' })
  await kit.getByRole('button', { name: /^Change it for Wen Sorrel/ }).click()
  await expect(app.getByText(/8 outfits changed with it/)).toBeVisible()
  const torso = async (name: string) =>
    (await named(server, 'The Heron crew')).outfits
      .find((outfit) => outfit.name === name)!
      .placements.find(({ slot }) => slot === 'torso')!.part
  expect(await torso('Wen Sorrel')).toBe(await torso('Pim, cox'))
  await undo(app).click()
  await expect.poll(async () => (await torso('Wen Sorrel')) === (await torso('Pim, cox'))).toBe(false)
  await expect(kit.getByText('Pim, cox deviates: torso, arms, legs')).toBeVisible()

  await app.goto('/')
  await open(app, 'Ferry people')
  await view(app, 'Uniforms and heads').click()
  const persons = app.getByRole('region', { name: 'One person, one head' })
  await expect(persons.getByText(/^Odile Marsh has 2 heads/)).toBeVisible()
  await persons.getByRole('button', { name: 'Meant so: a head for each age' }).click()
  await expect(persons.getByText(/^Odile Marsh has a head for each age/)).toBeVisible()
  await persons.getByRole('button', { name: 'No series by age' }).click()
  await persons
    .getByRole('button', { name: /in all outfits$/ })
    .first()
    .click()
  await expect(persons.getByText(/^Odile Marsh has one head in every outfit/)).toBeVisible()
  await undo(app).click()
  await expect(persons.getByText(/^Odile Marsh has 2 heads/)).toBeVisible()

  // The bench offers the same where the head is changed.
  await persons.getByRole('link', { name: /Odile, skipper/ }).click()
  await app
    .getByRole('navigation', { name: 'Slots' })
    .getByRole('button', { name: /^Head(?!gear)/ })
    .click()
  await app.getByRole('button', { name: 'Wear this one there too' }).click()
  await expect(app.locator('[data-title]', { hasText: /^Odile Marsh has .* in every outfit\.$/ })).toBeVisible()
  await expect(app.getByRole('button', { name: 'Wear this one there too' })).toHaveCount(0)
})

test('a team is cast at once, faces all different, and worn in one press', async ({ app, server }) => {
  await open(app, 'The Heron crew')
  await view(app, 'Team casting').click()
  await app.getByRole('combobox', { name: 'Same hair, same colour' }).selectOption({ label: 'nobody twice' })
  await app.getByRole('button', { name: 'Cast all 9' }).click()
  const casting = app.getByRole('region', { name: 'Casting' })
  await expect(casting.getByText('Proven: no casting of the team is better.')).toBeVisible()
  await expect(casting.getByRole('listitem')).toHaveCount(9)
  const heads = async () =>
    (await named(server, 'The Heron crew')).outfits.map(({ placements }) =>
      placements.filter(({ slot }) => slot === 'headgear').map(({ part }) => part),
    )
  const before = await heads()
  await casting.getByRole('button', { name: 'Wear all of it' }).click()
  await expect(app.getByText('9 wear their new heads.')).toBeVisible()
  const after = (await heads()).flat()
  expect(new Set(after).size).toBe(9)
  await undo(app).click()
  await expect.poll(heads).toEqual(before)

  await app.getByRole('combobox', { name: 'From' }).selectOption({ label: 'spares alone' })
  await app.getByRole('button', { name: 'Cast all 9' }).click()
  await expect(casting.getByRole('alert').or(casting.getByText('all of it from spares')).first()).toBeVisible()
})

test('a line-up stands in tiers beside a boat, and is taken away as a picture', async ({ app }) => {
  await open(app, 'The Heron crew')
  await view(app, 'Line-up').click()
  const picture = app.getByRole('img', { name: 'Line-up of 9 outfits' })
  await expect(picture).toBeVisible()
  await app.getByRole('button', { name: 'Rowing boat' }).click()
  await expect(app.getByText(/^Room for \d+: \d+ in a row/)).toBeVisible()
  await app.getByRole('combobox', { name: 'Stand in' }).selectOption('3')
  await app.getByRole('spinbutton', { name: 'each step' }).fill('5')
  await app.getByRole('button', { name: /^Use \d+ mm/ }).click()
  await expect(app.getByText('No face is hidden.')).toBeVisible()
  await expect(app.getByText('11 years: middle, as they are')).toBeVisible()
  await app.getByRole('checkbox', { name: 'Hale Brook' }).uncheck()
  await expect(app.getByRole('img', { name: 'Line-up of 8 outfits' })).toBeVisible()
  const [svg] = await Promise.all([app.waitForEvent('download'), app.getByRole('link', { name: 'SVG' }).click()])
  const text = (await bytesOf(svg)).toString('utf8')
  expect(text).toContain('Rowing boat')
  expect(text).not.toContain('Hale Brook')
  const [png] = await Promise.all([app.waitForEvent('download'), app.getByRole('link', { name: 'PNG' }).click()])
  expect((await bytesOf(png)).subarray(1, 4).toString()).toBe('PNG')
})

test('a roster tells what it waits for and what could be cut; an audit and a ranking read as one page', async ({
  app,
}) => {
  await open(app, 'Night market')
  await view(app, 'Facts').click()
  await expect(app.getByRole('region', { name: 'What most outfits wait for' })).toContainText('3 outfits')
  await expect(app.getByRole('region', { name: 'Faces seen more than once' })).toContainText(
    'Ines, noodles, Amara, songs',
  )

  await app.getByRole('link', { name: 'Rosters', exact: true }).click()
  await open(app, 'Ferry people')
  await view(app, 'Facts').click()
  const less = app.getByRole('region', { name: 'To spend less' })
  await less.getByRole('textbox', { name: 'To save' }).fill('8')
  await less.getByRole('button', { name: 'What could be cut' }).click()
  await expect(less.getByText(/saves? €\d+\.\d\d/).first()).toBeVisible()
  await expect(less.getByRole('link', { name: 'Bram, engines' }).first()).toBeVisible()
  await expect(app.getByRole('region', { name: 'Donors and wished recolours' })).toContainText(
    'Odile at twelve waits for it',
  )

  await app.getByRole('link', { name: 'Rosters', exact: true }).click()
  await open(app, 'Better by one part')
  await view(app, 'Audit').click()
  await expect(app.getByRole('img', { name: /, released$/ })).toHaveCount(10)
  await expect(app.getByText('Better by 4 points').first()).toBeVisible()

  await view(app, 'Ranking').click()
  const order = app.getByRole('region', { name: 'The order so far' })
  await expect(order.getByText('Nothing was chosen yet')).toBeVisible()
  const question = app.getByRole('region', { name: 'Which of the two?' })
  const second = question.getByRole('button').nth(1)
  const better = (await second.locator('.font-head').textContent())!
  await second.click()
  await expect(order.getByRole('listitem').first()).toContainText(better)
  await undo(app).click()
  await expect(order.getByText('Nothing was chosen yet')).toBeVisible()
})

test(
  'two windows: what one changes shows in the other, and a collision is told',
  LONG,
  async ({ app, context, server }) => {
    await open(app, 'Night market')
    await view(app, 'Table').click()
    const faction = (page: Page) => page.getByRole('textbox', { name: 'Faction of Otto, fish' })
    // The address changes only once the table is loaded.
    await expect(faction(app)).toHaveValue('Cooks')
    const other = await context.newPage()
    await other.goto(app.url())
    await expect(faction(other)).toHaveValue('Cooks')
    await faction(app).fill('Fishers')
    await faction(app).press('Enter')
    await expect(faction(other)).toHaveValue('Fishers')

    // A window that has not heard of it yet: what it changes meets another thing than it shows.
    const market = await named(server, 'Night market')
    const otto = market.outfits.find(({ name }) => name === 'Otto, fish')!
    await other.route('**/api/rosters', (route) => (route.request().method() === 'GET' ? undefined : route.continue()))
    const id = /rosters\/([^/]+)/.exec(app.url())![1]!
    await fetch(`${server.url}/api/rosters/${id}/outfits`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ outfits: [{ id: otto.id, set: { faction: 'Guests' }, was: {} }] }),
    })
    await faction(other).fill('Bakers')
    await faction(other).press('Enter')
    await expect(other.getByText('Otto, fish: faction is Guests by now')).toBeVisible()
  },
)
