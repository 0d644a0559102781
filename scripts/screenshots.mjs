/**
 * `npm run screenshots`: remake docs/screenshots/ from a fresh demo world, one picture of each main view; with names
 * (`-- sourcing card`) these alone.
 */
import { mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build, CHROMIUM, install, ROOT, serve } from './tree.mjs'

install()
await build()
const { chromium } = await import('@playwright/test')
const OUT = join(ROOT, 'docs/screenshots')
mkdirSync(OUT, { recursive: true })
const only = process.argv.slice(2)
if (only.length === 0) for (const name of readdirSync(OUT)) if (name.endsWith('.png')) rmSync(join(OUT, name))
const data = mkdtempSync(join(tmpdir(), 'outfit-pictures-'))
const { url, child } = await serve(['--port', '0', '--data', data, '--world', join(ROOT, 'demo/world')])
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update'],
})

try {
  const { rosters } = await (await fetch(`${url}/api/rosters`)).json()
  const { items } = await (await fetch(`${url}/api/made`)).json()
  const outfit = (name) => rosters.flatMap((roster) => roster.outfits).find((o) => o.name.startsWith(name)).id
  const at = (name, view) => `/rosters/${rosters.find((roster) => roster.name === name).id}/${view}`
  const bench = (name) => `/outfits/${outfit(name)}/bench`
  const fromTheTop = (page) => page.locator('main').evaluate((main) => main.scrollTo(0, 0))
  const planned = (page) => page.getByText('to finish').waitFor()
  const views = [
    ['rosters', '/', (page) => page.getByRole('img', { name: 'Bram, engines' }).waitFor()],
    ['roster', at('The Heron crew', ''), (page) => page.getByRole('region', { name: 'Pins' }).waitFor()],
    [
      'carton',
      at('Night market', 'series/carton'),
      (page) => page.getByRole('application', { name: /^The carton/ }).waitFor(),
    ],
    [
      'cast-roster',
      at('Night market', 'cast'),
      async (page) => {
        await page.getByRole('button', { name: 'Cast all 12' }).click()
        await page.getByRole('button', { name: 'What would more or less money do?' }).click({ timeout: 120_000 })
        await page.getByRole('list', { name: 'Plans', exact: true }).waitFor({ timeout: 120_000 })
        await fromTheTop(page)
      },
    ],
    ['sheet', at('Night market', 'sheet'), (page) => page.getByRole('img', { name: /^Breakdown sheet/ }).waitFor()],
    [
      'prices',
      `/outfits/${outfit('Bram')}/prices`,
      (page) => page.getByRole('region', { name: 'Over time' }).getByRole('img').first().waitFor(),
    ],
    ['bench', bench('Odile, skipper'), planned],
    [
      'part',
      '/parts/P-00031',
      async (page) => {
        await page.getByRole('button', { name: /^Lagoon/ }).click()
        await page.getByText('Preview only.').waitFor()
      },
    ],
    [
      'casting',
      bench('Odile, skipper').replace('bench', 'casting'),
      async (page) => {
        await page.getByRole('button', { name: 'Cast ten outfits' }).click()
        await page.getByRole('list', { name: 'Outfits', exact: true }).waitFor()
      },
    ],
    // After it, since what a picture was read for stays with the outfit.
    [
      'brief',
      bench('Odile, skipper').replace('bench', 'brief'),
      async (page) => {
        await page.getByRole('button', { name: 'Read the picture' }).click()
        await page.getByRole('button', { name: /^Take all/ }).waitFor()
        await page.getByRole('list', { name: 'Against the picture' }).waitFor()
      },
    ],
    ['release', '/releases/Q-112', (page) => page.getByRole('list', { name: 'Better dressed' }).waitFor()],
    [
      'made',
      `/made/${items.find(({ name }) => name === 'Forge staff').id}`,
      async (page) => {
        await page
          .getByRole('region', { name: 'Pieces' })
          .getByRole('button', { name: /Cut jewel/ })
          .click()
      },
    ],
    [
      'parcels',
      '/parcels',
      async (page) => {
        await page.getByRole('button', { name: 'Check it in' }).click()
        const form = page.getByRole('form', { name: 'Check in' })
        await form
          .getByRole('spinbutton', { name: /^Good: / })
          .last()
          .fill('1')
        await form.getByText('1 short').waitFor()
      },
    ],
    [
      'bring-in',
      '/bring-in',
      async (page) => {
        const list = [
          'Bezeichnung;Farbe;Anzahl;Kiste;Kaufpreis;Zustand;Herkunft',
          'Schirmmütze mit Abzeichen;blau;3;Kiste 2;1,20 €;neu;Flohmarkt',
          'Kopf Sommersprossen;hautfarben;2 Stk.;Kiste 1;;;',
          'Beine kurz;dunkelrot;1;Kiste 5;0,80;gebraucht;',
          'Oberkörper gestreift;grün;4;Kiste 5;;;',
          'Rucksack klein;Lawinengrau;2;Kiste 3;0,50;gebraucht;Tausch',
          'Eispickel;silber;1;Kiste 3;;;',
          'Umhang lang;Zwielicht;1;Kiste 4;2,50;;',
          'Laterne;gelb;zwei;Kiste 6;;;',
        ]
        await page.locator('input[type=file]').setInputFiles({
          name: 'bestand.csv',
          mimeType: 'text/csv',
          buffer: Buffer.from(list.join('\n')),
        })
        await page.getByRole('complementary', { name: 'What comes of it' }).waitFor()
      },
    ],
    ['drawer', '/drawer', (page) => page.getByRole('list', { name: 'Bins', exact: true }).waitFor()],
    ['take-along', at('Night market', 'take-along'), (page) => page.getByText('All told').waitFor()],
    [
      'workbench',
      bench('Pia, drum').replace('bench', 'workbench'),
      (page) => page.getByRole('heading', { name: 'Steps' }).waitFor(),
    ],
    [
      'sourcing',
      at('Night market', 'buying'),
      async (page) => {
        await page.getByRole('radio', { name: /Figures and boxes first.*€/ }).waitFor({ timeout: 60_000 })
      },
    ],
    [
      'card',
      bench('Mirre Vos').replace('bench', 'card'),
      (page) => page.getByRole('img', { name: /^Card of.*photo/ }).waitFor(),
    ],
  ]
  for (const [name, address, ready, colorScheme = 'light'] of views) {
    if (only.length > 0 && !only.includes(name)) continue
    const page = await browser.newPage({
      viewport: { width: 1280, height: 800 },
      colorScheme,
      reducedMotion: 'reduce',
      locale: 'en-GB',
    })
    // The line of news is never idle.
    await page.route('**/api/news/events', (route) => route.abort())
    await page.goto(url + address)
    await ready(page)
    await page.waitForLoadState('networkidle')
    await page.waitForTimeout(600)
    await page.screenshot({ path: join(OUT, `${name}.png`) })
    await page.close()
    console.log(`docs/screenshots/${name}.png`)
  }
} finally {
  await browser.close()
  child.kill()
  rmSync(data, { recursive: true, force: true })
}
