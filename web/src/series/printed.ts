/** Files of something printed of a series; the last is the one most wanted. What is asked for is what was kept last. */
export const printed = (roster: string, file: string) =>
  (['SVG', 'PNG', 'PDF'] as const).map((name) => ({
    name,
    href: `/api/rosters/${roster}/series/print/${file}.${name.toLowerCase()}`,
    hint: name === 'PDF' ? 'True millimetres, in layers where there are any' : 'All pages as one long picture',
  }))
