import { fold } from '../base/index.ts'
import { newCode } from './made.ts'
import { alikeness } from './words.ts'

/**
 * What is to be done with words that are not known: take them as something there is, make it new (a colour as #RRGGBB, a
 * part by how it is worn, a bin or seller under a name, a condition as a remark), or leave their rows out.
 */
export type Answer = { take: string } | { make: string } | { leave: true }

/** Words to be settled once for all rows that say them. */
export interface Unknown {
  /** What they are asked and remembered by, such as "colour lawinenweiss". */
  key: string
  what: 'colour' | 'part' | 'bin' | 'seller' | 'condition'
  /** As they stand in the first row. */
  words: string
  rows: number
  lines: number[]
  /** What they may mean, the likeliest first: codes of colours, moulds, bins or sellers; new and used. */
  candidates: string[]
  /** What is done unless something else is said; of colours that are made new, "make" is their sRGB. */
  answer: Answer
  /** The words that are compared: without the colour, for parts. */
  shape: string
  /** Of colours: what the words say it is, as sRGB; null where they say none. */
  hex: string | null
  /** Whether a person said so. */
  settled: boolean
  /** Not to be asked, only told: all that is new, such as bins of a first list. */
  plain: boolean
}

/** Lines told of each. */
const EXAMPLES = 3

/** Words that are not known, each asked once. */
export class Questions {
  private readonly found = new Map<string, Unknown>()
  /** Codes of bins and sellers there are, by what they are called in the list; null for none of that name. */
  private readonly there = new Map<string, string | null>()

  constructor(
    private readonly answers: Readonly<Record<string, Answer>>,
    private readonly known: Readonly<Record<Unknown['what'], ReadonlySet<string>>>,
  ) {}

  /** What somebody said of it; not what names a thing that is gone since. */
  private said(what: Unknown['what'], key: string): Answer | undefined {
    const said = this.answers[key]
    return said && 'take' in said && !this.known[what].has(said.take) ? undefined : said
  }

  /** What is to be done with some words; `make` says what comes of them unless somebody says otherwise. */
  ask(
    what: Unknown['what'],
    { words, shape = fold(words) }: { words: string; shape?: string },
    line: number,
    make: () => { candidates: string[]; answer: Answer; plain?: boolean; hex?: string | null },
  ): Answer {
    const key = `${what} ${shape}`
    const known = this.found.get(key)
    if (known) {
      known.rows += 1
      if (known.lines.length < EXAMPLES) known.lines.push(line)
      return known.answer
    }
    const { candidates, answer, plain = false, hex = null } = make()
    const said = this.said(what, key)
    const asked = {
      key,
      what,
      words,
      shape,
      rows: 1,
      lines: [line],
      candidates,
      answer: said ?? answer,
      hex,
      settled: said !== undefined,
      plain,
    }
    this.found.set(key, asked)
    return asked.answer
  }

  /** A bin or seller by its name or code; "left" where its rows are left out. One there is not is made. */
  named(
    what: 'bin' | 'seller',
    words: string,
    line: number,
    known: readonly { code: string; name: string }[],
  ): { code: string | null } | 'left' {
    if (words === '') return { code: null }
    const folded = fold(words)
    const asked = `${what} ${folded}`
    if (!this.there.has(asked)) {
      const found = known.find(({ code, name }) => fold(name) === folded || fold(code) === folded)
      this.there.set(asked, found?.code ?? null)
    }
    const exact = this.there.get(asked)
    if (exact) return { code: exact }
    const answer = this.ask(what, { words }, line, () => ({
      candidates: known
        .map(({ code, name }) => ({ code, like: alikeness(fold(name), folded) }))
        .filter(({ like }) => like > 0.4)
        .sort((a, b) => b.like - a.like)
        .slice(0, EXAMPLES)
        .map(({ code }) => code),
      answer: { make: words },
      plain: true,
    }))
    if ('leave' in answer) return 'left'
    return { code: 'take' in answer ? answer.take : newCode(what, answer.make) }
  }

  /** All that was asked: what needs a look first, then by how many rows say it. */
  all(): Unknown[] {
    return [...this.found.values()].sort(
      (a, b) =>
        Number(a.plain) - Number(b.plain) ||
        (a.plain ? 0 : b.rows - a.rows) ||
        a.key.localeCompare(b.key, 'en', { numeric: true }),
    )
  }
}
