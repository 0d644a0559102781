import { IS_LONG, KILLS, LONG, bench, candidates, expect, look, openOutfit, test, wear, unheard } from './fixtures.ts'

test.beforeEach(async ({ app }) => openOutfit(app, 'Odile, skipper'))

test('slots are changed with the mouse, and all of it is saved by itself', async ({ app }) => {
  const { row, tray, figure, saved, candidate } = bench(app)
  const drawn = () => look(figure)
  type Change = [row: string, words: string, shown: RegExp, mode?: string]
  /** What the others show as well, of another slot or side; all of them in the long form. */
  const more = (...changes: Change[]) => (IS_LONG ? changes : [])
  const changes: Change[] = [
    ['Headgear', 'high bun', /High bun/],
    ...more(['Head', 'warm smile', /Warm smile/]),
    ['Neck', 'medal', /Cork vest · Amber\s*\+ 1/],
    ['Torso', 'heron jersey', /Heron jersey/, 'With sleeves and mitts'],
    ...more(
      ['Torso', 'yoke', /Yoke/, 'Torso alone'],
      ['Arms', 'plain chalk', /Plain sleeve · Chalk/, 'Both'],
      ['Arms', 'plain wine', /Plain sleeve · Wine\s*\+ 1/, 'Right'],
    ),
    ['Hands', 'umber', /Mitt · Umber/, 'Both'],
    ['Hands', 'cocoa', /Mitt · Umber\s*\+ 1/, 'Left'],
    ['Waist', 'pouch', /Pouch belt/],
    ['Legs', 'skirt moss', /Flared skirt · Moss/, 'Skirt'],
    ...more(['Legs', 'oilskin hem', /Oilskin hem and boots/, 'Pair'], ['Legs', 'work', /\+ 1/, 'Left leg']),
    ...more(['Held, right', 'lantern', /Hook lantern/], ['Held, left', 'umbrella', /Umbrella/]),
    ['Beside', 'heron', /Otter · Peat\s*\+ 1/],
  ]
  for (const [label, words, shown, mode] of changes) {
    const before = await drawn()
    await wear(app, label, words, mode)
    await expect(row(label)).toContainText(shown)
    expect(await drawn(), `${label}: ${words}`).not.toBe(before)
  }
  await row('Neck').click()
  await expect(tray.getByText('inmost')).toBeVisible()
  await tray.getByRole('button', { name: 'Cork vest: one place out' }).click()
  await expect(row('Neck')).toContainText(/Regatta medal · \w+\s*\+ 1/)
  await row('Head').click()
  const face = await drawn()
  await tray.getByRole('button', { name: 'Other face' }).click()
  await expect.poll(drawn).not.toBe(face)
  await row('Torso').click()
  const frontPrint = await drawn()
  await tray.getByRole('button', { name: 'Turn round' }).click()
  await expect.poll(drawn).not.toBe(frontPrint)
  await row('Waist').click()
  await tray.getByRole('button', { name: /^Take off/ }).click()
  await expect(row('Waist')).toContainText('nothing')

  await expect(saved).toBeVisible()
  const kept = await drawn()
  await app.reload()
  await expect(candidate(/./)).toBeVisible()
  expect(await drawn()).toBe(kept)
})

test('the keys do what the mouse does', async ({ app }) => {
  const { row, figure, find, tray } = bench(app)
  const current = app.getByRole('navigation', { name: 'Slots' }).locator('[aria-current=true]')
  const press = (key: string) => app.keyboard.press(key)
  const drawn = () => look(figure)

  await press('j')
  await expect(current).toContainText('Head')
  await press('k')
  await press('k')
  await expect(current).toContainText('Beside')
  await press('j')
  await expect(current).toContainText('Headgear')

  const first = await drawn()
  await press('ArrowRight')
  await press('ArrowDown')
  await press('Enter')
  await expect.poll(drawn).not.toBe(first)
  await press('Control+z')
  await expect.poll(drawn).toBe(first)
  await press('Control+Shift+z')
  await expect.poll(drawn).not.toBe(first)
  await press('Control+z')

  await press('h')
  await expect.poll(drawn).not.toBe(first)
  await press('h')
  await expect.poll(drawn).toBe(first)
  await press('u')
  await expect.poll(drawn).not.toBe(first)
  await press('u')
  await press('x')
  await expect(row('Headgear')).toContainText('nothing')
  await press('Control+z')
  await expect.poll(drawn).toBe(first)

  await press('v')
  await expect(app.getByRole('img', { name: 'Odile, skipper, back' })).toBeVisible()
  await press('v')
  await app.keyboard.down('b')
  await expect(app.getByText('take A', { exact: false }).last()).toBeVisible()
  await expect.poll(drawn).not.toBe(first)
  await app.keyboard.up('b')
  await expect.poll(drawn).toBe(first)

  await press('/')
  await expect(find).toBeFocused()
  await app.keyboard.type('jxuh bob')
  await expect(tray.getByText('Nothing in the tray fits.')).toBeVisible()
  expect(await drawn()).toBe(first)
  await tray.getByRole('button', { name: 'Show all' }).click()

  await press('?')
  const dialog = app.getByRole('dialog', { name: 'Keys' })
  await expect(dialog).toBeVisible()
  await dialog.getByRole('switch').click()
  await dialog.getByRole('button', { name: 'Close' }).click()
  await press('j')
  await expect(current).toContainText('Headgear')
  await press('Control+z')
})

test('undo walks back through every change and redo forward again', LONG, async ({ app }) => {
  const { figure } = bench(app)
  const undo = app.getByRole('button', { name: 'Undo' })
  const redo = app.getByRole('button', { name: 'Redo' })
  await expect(undo).toBeDisabled()
  const states = [await look(figure)]
  for (const [row, words] of [
    ['Headgear', 'quiff'],
    ['Waist', 'sash'],
    ['Hands', 'tar'],
  ] as const) {
    await wear(app, row, words)
    states.push(await look(figure))
  }
  expect(new Set(states).size).toBe(4)
  for (const state of states.slice(0, 3).reverse()) {
    await undo.click()
    await expect.poll(() => look(figure)).toBe(state)
  }
  await expect(undo).toBeDisabled()
  for (const state of states.slice(1)) {
    await redo.click()
    await expect.poll(() => look(figure)).toBe(state)
  }
})

test(
  'a change survives a killed server; what could not be saved is said, kept, and saved later',
  KILLS,
  async ({ app, server }) => {
    const { row, saved, figure, candidate } = bench(app)
    await row('Waist').click()
    await expect(candidate(/sash/i)).toBeVisible()
    await wear(app, 'Headgear', 'deck cap')
    await expect(saved).toBeVisible()
    await server.kill()
    await wear(app, 'Waist', 'sash')
    await expect(app.getByText('not saved: no answer, trying again')).toBeVisible()
    const unsaved = await look(figure)
    await server.restart()
    await expect(saved).toBeVisible()
    await app.reload()
    await expect(row('Headgear')).toContainText('Deck cap')
    await expect(row('Waist')).toContainText('Rowing sash')
    expect(await look(figure)).toBe(unsaved)
  },
)

test(
  'a draft that never reached the server comes back after a reload, as one step that can be undone',
  LONG,
  async ({ app }) => {
    const { row, saved } = bench(app)
    await app.route('**/api/outfits/*/takes/*', (route) =>
      route.request().method() === 'PUT' ? route.abort() : route.continue(),
    )
    await wear(app, 'Waist', 'pouch')
    await expect(app.getByText('not saved: no answer')).toBeVisible()
    await app.unroute('**/api/outfits/*/takes/*')
    await app.reload()
    await expect(row('Waist')).toContainText('Pouch belt')
    await expect(saved).toBeVisible()
    await app.getByRole('button', { name: 'Undo' }).click()
    await expect(row('Waist')).toContainText('nothing')
  },
)

test(
  'a draft older than what the server has is not brought in unasked; a lost answer is no conflict',
  LONG,
  async ({ app, server }) => {
    const { row, saved } = bench(app)
    const id = new URL(app.url()).pathname.split('/')[2]!
    const current = () =>
      server.get<{ version: number; takes: { id: string; label: string; placements: { slot: string }[] }[] }>(
        `outfits/${id}`,
      )
    const save = async (keep: (slot: string) => boolean) => {
      const { version, takes } = await current()
      const take = takes.find(({ label }) => label === 'B')!
      const answer = await fetch(`${server.url}/api/outfits/${id}/takes/${take.id}`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ version, placements: take.placements.filter(({ slot }) => keep(slot)) }),
      })
      expect(answer.status).toBe(200)
    }
    await app.route('**/api/outfits/*/takes/*', (route) => route.abort())
    await wear(app, 'Waist', 'pouch')
    await expect(app.getByText('not saved: no answer')).toBeVisible()
    await save((slot) => slot !== 'beside')
    await app.unroute('**/api/outfits/*/takes/*')
    await app.reload()
    await expect(app.getByRole('alert')).toContainText('Changed elsewhere, not saved')
    await app.getByRole('button', { name: 'Keep mine' }).click()
    await expect(saved).toBeVisible()
    await expect(row('Beside')).toContainText('Otter')

    // The server writes, but its answer never arrives.
    await app.route('**/api/outfits/*/takes/*', async (route) => {
      await route.fetch()
      await route.abort()
    })
    await wear(app, 'Waist', 'sash')
    await expect(app.getByText('not saved: no answer')).toBeVisible()
    await app.unroute('**/api/outfits/*/takes/*')
    await expect(saved).toBeVisible()
    await expect(app.getByRole('alert')).toHaveCount(0)
    await app.reload()
    await expect(row('Waist')).toContainText('Rowing sash')
  },
)

test('two windows: the second to save is told and can take theirs or keep its own', LONG, async ({ app, context }) => {
  const other = await context.newPage()
  await unheard(other)
  await other.goto(app.url())
  await expect(bench(other).candidate(/./)).toBeVisible()
  await wear(app, 'Waist', 'sash')
  await expect(bench(app).saved).toBeVisible()
  await wear(other, 'Headgear', 'deck cap')
  const alert = other.getByRole('alert')
  await expect(alert).toContainText('Changed elsewhere, not saved')
  await alert.getByRole('button', { name: 'Take theirs' }).click()
  await expect(bench(other).row('Waist')).toContainText('Rowing sash')
  await expect(bench(other).row('Headgear')).not.toContainText('Deck cap')
  await wear(app, 'Waist', 'pouch')
  await expect(bench(app).saved).toBeVisible()
  await wear(other, 'Headgear', 'deck cap')
  await alert.getByRole('button', { name: 'Keep mine' }).click()
  await expect(bench(other).saved).toBeVisible()
  await other.reload()
  await expect(bench(other).row('Headgear')).toContainText('Deck cap')
  await expect(bench(other).row('Waist')).toContainText('Rowing sash')
})

test('pins say what is wrong, and one press puts it right', async ({ app }) => {
  const { row, figure } = bench(app)
  await expect(app.getByText('Hands are not the skin')).toBeVisible()
  await expect(app.getByText(/^Hazel on Fawn, ΔE \d+$/)).toBeVisible()
  await expect(row('Hands').getByRole('img', { name: 'problem' })).toBeVisible()
  const remedy = app.getByRole('button', { name: /^Wear Fawn/ })
  const before = await look(figure)
  await remedy.hover()
  await expect.poll(() => look(figure)).not.toBe(before)
  await app.mouse.move(640, 60)
  await expect.poll(() => look(figure)).toBe(before)
  await app.keyboard.press('n')
  await expect(app.locator('[aria-current=true]', { hasText: 'Hands' })).toBeVisible()
  await remedy.click()
  await expect(row('Hands')).toContainText('Mitt · Fawn')
  await expect(app.getByText('Hands are not the skin')).toHaveCount(0)
})

test('a pin is left with a reason, stays greyed, is stuck back, and returns when its cause is another', async ({
  app,
}) => {
  const { row } = bench(app)
  const pin = app.getByText('Hands are not the skin')
  await pin.locator('..').getByRole('button', { name: 'Leave it …' }).click()
  const dialog = app.getByRole('dialog', { name: 'Leave it: Hands are not the skin' })
  await expect(dialog.getByRole('button', { name: 'Leave it' })).toBeDisabled()
  await dialog.getByRole('textbox').fill('Tanned by the river')
  await dialog.getByRole('button', { name: 'Leave it' }).click()
  await expect(pin).toHaveCount(0)
  const left = app.getByRole('button', { name: '1 pin left as it is' })
  await app.reload()
  await left.click()
  await expect(app.getByRole('dialog', { name: 'Pins left as they are' })).toContainText('“Tanned by the river”')
  await app.keyboard.press('Escape')
  // Another skin is another cause.
  await wear(app, 'Hands', 'umber', 'Both')
  await expect(pin).toBeVisible()
  await app.getByRole('button', { name: 'Undo' }).click()
  await expect(pin).toHaveCount(0)
  await left.click()
  await app.getByRole('button', { name: 'Stick the pin back' }).click()
  await expect(pin).toBeVisible()
  await expect(row('Hands').getByRole('img', { name: 'problem' })).toBeVisible()
})

test('mend all presses every remedy that helps, says what it did, and one undo takes it back', async ({ app }) => {
  await app.getByRole('link', { name: 'Rosters', exact: true }).click()
  await openOutfit(app, 'Bram, engines')
  const { figure } = bench(app)
  await expect(app.getByText('Hands are not the skin')).toBeVisible()
  await expect(app.getByText('Too much round the neck')).toBeVisible()
  const before = await look(figure)
  await app.getByRole('button', { name: 'Mend all' }).click()
  await expect(app.getByText(/^Mended: .*Wear Shell.*\.$/)).toBeVisible()
  await expect(app.getByText('Hands are not the skin')).toHaveCount(0)
  await expect(app.getByText('Too much round the neck')).toHaveCount(0)
  await app.keyboard.press('Control+z')
  await expect.poll(() => look(figure)).toBe(before)
})

test('a take is copied, changed and chosen; the shelf shows the chosen one', async ({ app }) => {
  await app.getByRole('button', { name: 'New take' }).click()
  await expect(app).toHaveURL(/take=C/)
  await expect(app.getByRole('button', { name: 'Take C' })).toHaveAttribute('aria-current', 'true')
  await wear(app, 'Headgear', 'bobble')
  await expect(bench(app).saved).toBeVisible()
  await app.getByRole('button', { name: 'Choose this' }).click()
  await expect(app.getByRole('button', { name: 'Take C, chosen' })).toBeVisible()
  const worn = await app.getByRole('button', { name: 'Take C, chosen' }).locator('svg').first().innerHTML()
  await app.getByRole('link', { name: 'Rosters', exact: true }).click()
  await expect(app.getByRole('img', { name: 'Odile, skipper' })).toBeVisible()
  await expect
    .poll(async () =>
      worn.includes((await app.getByRole('img', { name: 'Odile, skipper' }).locator('path').last().getAttribute('d'))!),
    )
    .toBe(true)
})

test('a part tells where it lies, who carries it and who sells it', async ({ app, server }) => {
  const { tray } = bench(app)
  const note = app.getByRole('complementary', { name: 'About this part' })
  await expect(note).toContainText('Swept pony tail')
  await expect(note).toContainText('1 in Hair, tied')
  await expect(note).toContainText('Regatta rower')
  await expect(note).toContainText('Regatta Stand')
  const { items } = await server.get<{ items: { part: { code: string; name: string; colours: string[] } }[] }>(
    'parts?slot=headgear&limit=500',
  )
  const code = items.find(({ part }) => part.name === 'Swept pony tail' && part.colours[0] === 'copper')!.part.code
  const { offers } = await server.get<{ offers: { sellerName: string }[] }>(`parts/${code}`)
  await tray.getByRole('button', { name: 'All sources' }).click()
  const sources = app.getByRole('dialog', { name: /Sources of Swept pony tail/ })
  await expect(sources.getByRole('row')).toHaveCount(offers.length + 1)
  await expect(sources).toContainText(offers[0]!.sellerName)
  await app.keyboard.press('Escape')
  await expect(sources).toHaveCount(0)
})

test('the tray filters and sorts, and remembers how', async ({ app }) => {
  const { tray } = bench(app)
  const names = () =>
    candidates(app).evaluateAll((options) => options.map((option) => option.getAttribute('aria-label')!))
  await tray.getByRole('button', { name: 'owned', exact: true }).click()
  await expect(tray.getByRole('heading')).toContainText(/\d+ of 98/)
  for (const name of await names()) expect(name).toMatch(/owned \d/)
  await tray.getByRole('combobox', { name: 'Order of the tray' }).selectOption('By name')
  const sorted = await names()
  expect(sorted).toEqual([...sorted].sort((a, b) => a.localeCompare(b)))
  await app.reload()
  await expect(tray.getByRole('button', { name: 'owned', exact: true })).toHaveAttribute('aria-pressed', 'true')
  await expect(tray.getByRole('combobox', { name: 'Order of the tray' })).toHaveValue('name')
})
