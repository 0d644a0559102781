import { useEffect, type RefObject } from 'react'

const NAME = 'Outfit'

/** Own words of an element, without what stands beside them in pieces of their own, such as counts. */
const wordsOf = (element: Element | null | undefined): string =>
  [...(element?.childNodes ?? [])]
    .filter((node) => node.nodeType === Node.TEXT_NODE)
    .map((node) => node.textContent)
    .join('')
    .trim()

/** What a page is called by what it shows: the step and the outfit it is about, or the tab and the heading of its view. */
function titleOf(page: ParentNode): string {
  const outfit = wordsOf(page.querySelector('header [data-outfit]'))
  const current = (of: string) => wordsOf(page.querySelector(`${of} nav a[aria-current=page]`))
  const heading = wordsOf(page.querySelector('main h1'))
  const told = outfit ? [current('[data-steps]') || heading, outfit] : [current('main'), heading]
  return [...told, NAME]
    .filter((piece, i, all) => piece && !all.slice(0, i).some((one) => one.includes(piece)))
    .join(' · ')
}

/**
 * Calls the page after what it shows, so that tabs, history, bookmarks and those who hear the page tell rooms and things
 * apart.
 */
export function useTitle(shell: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const read = () => {
      const title = titleOf(shell.current!)
      if (document.title !== title) document.title = title
    }
    read()
    const watch = new MutationObserver(read)
    watch.observe(shell.current!, {
      childList: true,
      characterData: true,
      attributeFilter: ['aria-current'],
      subtree: true,
    })
    return () => watch.disconnect()
  }, [shell])
}
