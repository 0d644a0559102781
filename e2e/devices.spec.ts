import type { Browser, Page } from '@playwright/test'
import { faultsIn } from './accessFaults.ts'
import { READS, addressOf, bench, expect, go, test, unheard, untold, wear } from './fixtures.ts'

const SECRET = 'four quiet lamps burn'
const PHONE = {
  viewport: { width: 390, height: 844 },
  isMobile: true,
  hasTouch: true,
  userAgent: 'Mozilla/5.0 (Linux; Android 14) AppleWebKit/537.36 Chrome/130.0 Mobile Safari/537.36',
}

/** Open the door at the desk; the address for other devices. */
async function openDoor(desk: Page): Promise<string> {
  await desk.goto('/settings/devices')
  await desk.getByRole('textbox', { name: 'Passphrase' }).fill(SECRET)
  await desk.getByRole('button', { name: 'Let other devices in' }).click()
  await expect(desk.getByRole('img', { name: /as a code for a camera/ })).toBeVisible()
  return (await desk.locator('strong', { hasText: '://' }).innerText()).trim()
}

async function enter(phone: Page, address: string, passphrase = SECRET): Promise<void> {
  await phone.goto(address)
  await phone.getByLabel('Passphrase').fill(passphrase)
  await phone.getByRole('button', { name: 'Come in' }).click()
}

const phoneOf = async (browser: Browser) => (await browser.newContext(PHONE)).newPage()

test('a phone comes in by the passphrase, each sees what the other does, and it is put out', async ({
  app,
  browser,
}) => {
  const address = await openDoor(app)
  const phone = await phoneOf(browser)
  await enter(phone, address, 'four wrong lamps burn')
  await expect(phone.getByRole('alert')).toHaveText('That is not the passphrase.')
  expect(await faultsIn(phone, 'light')).toEqual([])
  await enter(phone, address)
  await expect(phone.getByRole('heading', { name: 'The Heron crew' })).toBeVisible()

  // What is dressed at the desk is seen on the phone, and the other way round.
  await go(app, `${addressOf('Odile, skipper')}/bench`)
  await phone.goto(`${address}${addressOf('Odile, skipper')}/bench`)
  await expect(bench(phone).candidate(/./)).toBeVisible()
  await wear(app, 'Waist', 'sash')
  await expect(bench(app).saved).toBeVisible()
  await expect(bench(phone).row('Waist')).toContainText('Rowing sash')
  await bench(phone).row('Headgear').click()
  await bench(phone).find.fill('deck cap')
  await bench(phone)
    .candidate(/Deck cap/)
    .click()
  await expect(bench(app).row('Headgear')).toContainText('Deck cap')

  await go(app, '/settings/devices')
  await app.getByRole('button', { name: 'Put it out' }).click()
  await expect(app.getByText('No device has come in yet.')).toBeVisible()
  await phone.reload()
  await expect(phone.getByRole('heading', { name: 'Come in' })).toBeVisible()
  await phone.context().close()
})

/** Whether anything has to be scrolled sideways, or is smaller than a thumb, on a phone. */
const unfit = (page: Page) =>
  page.evaluate(() => {
    const main = document.querySelector('main')!
    const wide = Math.max(document.documentElement.scrollWidth, main.scrollWidth)
    const controls = [
      ...document.querySelectorAll<HTMLElement>('main :is(button, select, input, textarea), nav[aria-label="Rooms"] *'),
    ]
    const small = controls.filter((one) => {
      const box = (one.closest('label') ?? one).getBoundingClientRect()
      const isOne = one.matches('button, select, textarea, a, input:not([type=range])')
      return (
        isOne &&
        box.width > 0 &&
        box.height > 0 &&
        box.height < 43 &&
        !one.closest('.sr-only') &&
        !one.matches('.sr-only')
      )
    })
    return [
      ...(wide > window.innerWidth ? [`${wide} px wide`] : []),
      ...small.map((one) => one.outerHTML.slice(0, 120)),
    ]
  })

test('a part is found, taken out and put in again, and put off for later, with one thumb', async ({
  browser,
  server,
}) => {
  const phone = await phoneOf(browser)
  await phone.goto(`${server.url}/drawer`)
  const rooms = phone.getByRole('navigation', { name: 'Rooms' })
  await rooms.getByRole('button', { name: 'Find' }).click()
  await phone.getByPlaceholder('An outfit, a part, a seller, a bin, a room…').fill('oilskin hat')
  await phone
    .getByRole('option', { name: /Oilskin hat.*Marigold/ })
    .first()
    .click()
  await expect(phone.getByRole('heading', { name: 'Oilskin hat', level: 1 })).toBeVisible()
  await go(phone, '/drawer/bins/B5')
  const part = phone.getByRole('spinbutton', { name: 'How many of Oilskin hat · Marigold, used' })
  await expect(part).toBeVisible()
  expect(await unfit(phone)).toEqual([])
  await phone.getByRole('spinbutton', { name: 'How many of Oilskin hat · Marigold, used' }).fill('1')
  await phone.getByRole('button', { name: 'Move…' }).click()
  const dialog = phone.getByRole('dialog')
  await dialog.getByRole('combobox', { name: 'Into the bin' }).selectOption({ label: 'Torsos' })
  await dialog.getByRole('button', { name: 'Move', exact: true }).click()
  await expect(part).toBeHidden()
  await phone.getByRole('button', { name: 'Undo' }).click()
  await expect(part).toBeVisible()

  await rooms.getByRole('link', { name: 'Later' }).click()
  await expect(phone.getByRole('heading', { name: 'Later', level: 1 })).toBeVisible()
  await phone.getByRole('textbox', { name: 'What is put off' }).fill('A hat with a wider brim')
  await phone.getByRole('form', { name: 'Put off' }).getByRole('button', { name: 'Put it off' }).click()
  await expect(phone.getByText('A hat with a wider brim')).toBeVisible()
  expect(await unfit(phone)).toEqual([])
  await rooms.getByRole('button', { name: 'More' }).click()
  await phone.getByRole('dialog', { name: 'Where to' }).getByRole('link', { name: 'Parcels' }).click()
  await phone.getByRole('link', { name: /Lock 9 Loft.* on the way/ }).click()
  await phone.getByRole('button', { name: 'Check it in' }).click()
  await expect(phone.getByRole('button', { name: /^Check in/ })).toBeVisible()
  expect(await unfit(phone)).toEqual([])
  await phone.getByRole('combobox', { name: 'Into the bin' }).selectOption({ label: 'Torsos' })
  await phone.getByRole('button', { name: /^Check in/ }).click()
  await expect(phone.getByText('✓ 1 good')).toBeVisible()
  await phone.getByRole('link', { name: 'What it could do' }).click()
  await expect(phone.getByRole('heading', { level: 1 })).toBeVisible()
  await phone.context().close()
})

test('an outfit is dressed, mended and undone on a phone', async ({ browser, server }) => {
  const phone = await phoneOf(browser)
  await phone.goto(`${server.url}${addressOf('Odile, skipper')}/bench`)
  await expect(bench(phone).candidate(/./)).toBeVisible()
  expect(await unfit(phone)).toEqual([])
  await phone.getByRole('button', { name: /\d pins?$/ }).click()
  const sheet = phone.getByRole('dialog', { name: /pins?$/ })
  await sheet.getByRole('button', { name: /^Wear Fawn/ }).click()
  await expect(sheet).toBeHidden()
  await phone.getByRole('button', { name: 'Undo' }).click()
  await expect(phone.getByRole('button', { name: 'Redo' })).toBeEnabled()
  await phone.context().close()
})

test('a list is ticked without a connection, opened anew there, and told when it is back', async ({
  app,
  browser,
  server,
}) => {
  const address = `${addressOf('Night market')}/take-along`
  await app.goto(address)
  const row = (page: Page, name: RegExp) => page.getByRole('checkbox', { name }).first()
  await expect(row(app, /^Oilskin hat, Marigold/)).toBeVisible()
  const phone = await phoneOf(browser)
  await phone.goto(server.url + address)
  await row(phone, /^Oilskin hat, Marigold/).click()
  await expect(phone.getByText('All told')).toBeVisible()
  await expect(row(app, /^Oilskin hat, Marigold/)).toBeChecked()
  expect(await unfit(phone)).toEqual([])
  expect(await faultsIn(phone, 'light')).toEqual([])

  // What keeps the interface has what it needs once the page said what it is made of.
  await phone.waitForFunction(async () => {
    const kept = await caches.open('outfit-interface')
    const files = performance.getEntriesByType('resource').filter(({ name }) => name.includes('/assets/'))
    const there = await Promise.all(files.map(({ name }) => kept.match(name)))
    return files.length > 0 && there.every(Boolean) && (await kept.match('/')) !== undefined
  })
  await phone.context().setOffline(true)
  await row(phone, /^Long and straight, Tar/).click()
  await expect(phone.getByText('No connection: 1 tick waits here')).toBeVisible()
  await phone.reload()
  await expect(row(phone, /^Long and straight, Tar/)).toBeChecked()
  await expect(row(phone, /^Oilskin hat, Marigold/)).toBeChecked()
  await row(phone, /^Oilskin hat, Marigold/).click()
  // Meanwhile somebody says another thing at the desk.
  await row(app, /^Long and straight, Tar/).click()
  await expect(app.getByText('All told')).toBeVisible()
  await row(app, /^Long and straight, Tar/).click()
  await expect(app.getByText('All told')).toBeVisible()
  await phone.context().setOffline(false)
  await expect(phone.getByText('All told')).toBeVisible()
  await expect(row(app, /^Oilskin hat, Marigold/)).not.toBeChecked()
  await expect(row(phone, /^Long and straight, Tar/)).not.toBeChecked()
  await phone.context().close()
})

for (const [name, address] of [
  ['rosters', '/'],
  ['the drawer', '/drawer'],
  ['parts', '/parts'],
  ['a part', '/parts/P-00001'],
  ['prices', '/prices/part/P-00001'],
  ['the market', '/market'],
  ['settings', '/settings'],
  ['other devices', '/settings/devices'],
  ['a brief', 'Odile, skipper/brief'],
  ['sourcing', 'Odile, skipper/sourcing'],
  ['a card', 'Odile, skipper/card'],
  ['takes', 'Odile, skipper/takes'],
  ['the workbench', 'Odile, skipper/workbench'],
  ['a roster', 'Night market'],
] as const)
  test(`on a phone, ${name} fits and is clean`, name === 'sourcing' ? {} : READS, async ({ browser, server }) => {
    const phone = await phoneOf(browser)
    await unheard(phone)
    await untold(phone.context())
    await phone.goto(server.url + at(address))
    await expect(phone.getByRole('heading').first()).toBeVisible()
    await phone.waitForLoadState('networkidle')
    expect(await unfit(phone)).toEqual([])
    expect(await faultsIn(phone, 'light')).toEqual([])
    await phone.context().close()
  })

function at(address: string): string {
  if (address.startsWith('/')) return address
  const [name = '', step] = address.split('/')
  return addressOf(name) + (step ? `/${step}` : '')
}
