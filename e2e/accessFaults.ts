import type { Page } from '@playwright/test'
import axe, { type RunOnly, type RunOptions } from 'axe-core'
import { IS_LONG } from './fixtures.ts'

const GUIDELINES: RunOnly = { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] }
/** The guidelines, and what is good practice beyond them. */
export const GOOD_PRACTICE: RunOnly = { type: 'tag', values: [...GUIDELINES.values, 'best-practice'] }
/** Rows alike beyond the first dozen of a list say nothing new; all of them are looked at in the long form. */
const BEYOND = IS_LONG ? [] : ['li', 'tr', 'option'].map((tag) => [`${tag}:nth-child(n+13)`])
const CONTRAST: RunOnly = { type: 'rule', values: ['color-contrast'] }

/**
 * Faults against rules, as a rule WCAG 2.2 A and AA, in one theme, as "rule: element". The pages have no frames, so axe runs in the page
 * itself and tells faults alone: what passes is by far the most, and costs as much to tell.
 */
export async function faultsIn(page: Page, colorScheme: 'light' | 'dark', runOnly = GUIDELINES): Promise<string[]> {
  await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' })
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source)
  const violations = await page.evaluate(
    async ({ exclude, ...options }) => {
      // Shapes of drawings are most of a page and hold nothing a rule looks at: they are aside meanwhile.
      const drawings = [...document.querySelectorAll('svg')].filter(
        (svg) => !svg.querySelector('text, title, a, image, foreignObject, [role], [tabindex], [aria-label]'),
      )
      const aside = drawings.map((svg) => {
        const shapes = document.createDocumentFragment()
        shapes.append(...svg.childNodes)
        return [svg, shapes] as const
      })
      const { violations } = await (window as unknown as { axe: typeof axe }).axe.run(
        { include: [['html']], exclude },
        options,
      )
      for (const [svg, shapes] of aside) svg.append(shapes)
      return violations
    },
    { runOnly, resultTypes: ['violations'], exclude: BEYOND } as RunOptions & { exclude: string[][] },
  )
  return violations.flatMap(({ id, nodes }) =>
    nodes.map(({ target, failureSummary }) => `${colorScheme}: ${id}: ${target.join(' ')} ${failureSummary ?? ''}`),
  )
}

/**
 * Faults in both themes. What a theme changes is contrast, so that the dark one is looked at by that rule alone, except in
 * the long form.
 */
export async function faults(page: Page): Promise<string[]> {
  const dark = await faultsIn(page, 'dark', IS_LONG ? GUIDELINES : CONTRAST)
  return [...(await faultsIn(page, 'light')), ...dark]
}
