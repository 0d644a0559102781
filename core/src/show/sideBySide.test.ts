import { expect, test } from '@jest/globals'
import { drawFigure } from '../mannequin/index.ts'
import { takeOf, worldCatalogue } from '../test/world.ts'
import { pageSvg } from './page.ts'
import { sideBySidePage, type SideBySide } from './sideBySide.ts'

const catalogue = worldCatalogue()
const column = (outfit: string, label: string, lines: string[] = []) => ({
  label,
  lines,
  front: drawFigure(takeOf(outfit), catalogue),
  back: drawFigure(takeOf(outfit), catalogue, { view: 'back' }),
})
const sideBySideSvg = (content: SideBySide) => pageSvg(sideBySidePage(content))
const numbers = (svg: string, pattern: RegExp) => [...svg.matchAll(pattern)].map((match) => Number(match[1]))

test('every outfit stands on one ground at one scale, inside the picture, from both sides', () => {
  const columns = [column('Bram', 'Take A'), column('Odile at twelve', 'Take B'), column('Teo', 'Take C')]
  const svg = sideBySideSvg({ title: 'Ferry people', footer: 'Made with Outfit.', columns })
  const scales = numbers(svg, /scale\(([\d.]+)\)">/g)
  expect(scales).toHaveLength(6)
  expect(new Set(scales).size).toBe(1)
  const grounds = numbers(svg, /translate\([\d.]+ ([\d.]+)\) scale\([\d.]+\)">/g)
  expect(new Set(grounds).size).toBe(1)
  for (const x of numbers(svg, /translate\(([\d.]+) [\d.]+\) scale\([\d.]+\)">/g)) {
    expect(x).toBeGreaterThan(0)
    expect(x).toBeLessThan(numbers(svg, /width="([\d.]+)mm"/g)[0]!)
  }
})

test('what is said under them is inside the picture, however much it is, and safe in XML', () => {
  const lines = Array.from({ length: 9 }, (_, i) => `Line ${i} <of> "many" & more`)
  const svg = sideBySideSvg({
    title: 'A & B',
    footer: 'foot',
    columns: [column('Teo', 'Take A', lines), column('Teo', 'B')],
  })
  const [height] = numbers(svg, /height="([\d.]+)mm"/g)
  for (const y of numbers(svg, /<text x="[\d.]+" y="([\d.]+)"/g)) expect(y).toBeLessThan(height!)
  expect(svg).toContain('Line 8 &lt;of> &quot;many&quot; &amp; more')
  expect(svg).toContain('<title>A &amp; B: Take A, B side by side</title>')
})
