import { fold, groupBy } from '../base/index.ts'
import type { Colour, Mould, Part } from '../catalogue/index.ts'
import type { Questions } from './asking.ts'
import { newCode } from './made.ts'
import { matchColour, matchPart, type ColourMatch, type PartMatch } from './match.ts'
import { COLOUR_PHRASES, knownIn } from './words.ts'

/** What is known already, that words of a list may mean. */
export interface KnownThings {
  palette: readonly Colour[]
  moulds: readonly Mould[]
  parts: readonly Part[]
  bins: readonly { code: string; name: string }[]
  sellers: readonly { code: string; name: string; currency: string }[]
}

/** A part a row speaks of: one there is, or one to be made of a mould, a colour and the words of the row. */
export interface ListedPart {
  /** null for a part to be made. */
  code: string | null
  name: string
  mould: string
  colour: string
  printed: boolean
  /** Further colours its colour is told with ("white/red"): what is printed on it is in these. */
  inks: string[]
}

/** Different names whose likest moulds are looked for; in a list with more, the others have the first guess alone. */
const MOST_RANKED = 3000

/** What words that name no colour are made as, until somebody says better: a grey that is taken for none in particular. */
const UNSAID = '#8A8D91'

interface PartWords {
  line: number
  name: string
  code: string
  colour: string
}

/** Finds the parts rows speak of. Rows that say the same are looked up once. */
export class PartFinder {
  private readonly byCode: Map<string, Part>
  private readonly byName: Map<string, Part[]>
  /** Parts without a print, by mould and colour. */
  private readonly plain = new Map<string, Part>()
  private readonly shapes: Map<string, Mould[]>
  private readonly matched = new Map<string, PartMatch>()
  private readonly colours = new Map<string, ColourMatch>()

  constructor(
    private readonly known: KnownThings,
    private readonly asking: Questions,
  ) {
    this.byCode = new Map(known.parts.map((part) => [fold(part.code), part]))
    this.shapes = groupBy(known.moulds, ({ name }) => fold(name))
    this.byName = new Map()
    for (const part of known.parts) {
      const look = `${part.mould} ${part.colours[0]}`
      if (part.print === null && !this.plain.has(look)) this.plain.set(look, part)
      const name = fold(part.name)
      this.byName.set(name, [...(this.byName.get(name) ?? []), part])
    }
  }

  /** The part, or "left" where its rows are left out. */
  find(row: PartWords): ListedPart | 'left' {
    const coded = row.code === '' ? undefined : this.byCode.get(fold(row.code))
    if (coded) return asListed(coded)
    const name = row.name === '' ? row.code : row.name
    const match = this.match(name)
    const words = row.colour !== '' ? row.colour : (match.colourWords ?? '')
    const colour = words === '' ? null : this.colour(words, row.line)
    if (colour === 'left') return 'left'
    // The same name in the same colour is the same part; without a colour, a name that only one part has.
    const alike = this.byName.get(fold(name)) ?? []
    const same =
      colour === null ? (alike.length === 1 ? alike[0] : undefined) : alike.find(({ colours }) => colours[0] === colour)
    if (same) return asListed(same)
    const mould = this.mould(name, match, row.line)
    if (mould === 'left') return 'left'
    const inColour = colour ?? this.colour('', row.line)
    if (inColour === 'left') return 'left'
    const plain = match.printed ? undefined : this.plain.get(`${mould} ${inColour}`)
    if (plain) return asListed(plain)
    return { code: null, name, mould, colour: inColour, printed: match.printed, inks: this.inks(words) }
  }

  /** The colours words name after the first. */
  private inks(words: string): string[] {
    const [, ...others] = knownIn(fold(words), COLOUR_PHRASES).filter(({ meaning }) => meaning !== '')
    return others.flatMap((one) => matchColour(one.words, this.known.palette).code ?? [])
  }

  /** A name with the kind of part beside it, where the name alone says of no shape what it is: hair that is "long, wavy". */
  nameOf(name: string, kind: string): string {
    if (kind === '' || name === '') return name
    const own = this.match(name)
    if (own.sure) return name
    // "With beard" alone is a beard, of a head it is a head; what is only headed by several things says less than the name.
    if (own.mould !== null && !this.match(kind).sure) return name
    const both = `${kind.replace(/:\s*$/, '')} ${name}`
    return this.match(both).mould === null ? name : both
  }

  private match(name: string): PartMatch {
    const key = fold(name)
    const found =
      this.matched.get(key) ??
      this.named(key) ??
      matchPart(name, this.known.palette, this.known.moulds, { ranked: this.matched.size < MOST_RANKED })
    this.matched.set(key, found)
    return found
  }

  /** Who says the very name of a shape means it, whatever else its words may be: a paper lantern, a hook hand. */
  private named(key: string): PartMatch | null {
    const [mould, ...others] = this.shapes.get(key) ?? []
    if (!mould || others.length > 0) return null
    const { code, name } = mould
    return {
      mould: code,
      candidates: [code],
      sure: true,
      colourWords: null,
      printed: false,
      english: name,
      worn: 'held',
    }
  }

  private colour(words: string, line: number): string | 'left' {
    const match = this.colours.get(words) ?? matchColour(words, this.known.palette)
    this.colours.set(words, match)
    if (match.sure) return match.code!
    const answer = this.asking.ask('colour', { words }, line, () => {
      const { code, candidates, hex } = match
      return {
        candidates: candidates.map((one) => one.code),
        answer: code !== null ? { take: code } : { make: hex ?? UNSAID },
        hex,
      }
    })
    if ('leave' in answer) return 'left'
    return 'take' in answer ? answer.take : newCode('colour', words)
  }

  private mould(name: string, match: PartMatch, line: number): string | 'left' {
    if (match.sure) return match.mould!
    // Words for the colour say nothing of the shape, so that one answer goes for all colours of it.
    const shape =
      fold(name)
        .replace(match.colourWords ?? '\u0000', '')
        .trim() || fold(name)
    const answer = this.asking.ask('part', { words: name, shape }, line, () => ({
      candidates: match.candidates,
      answer: match.mould !== null ? { take: match.mould } : { make: match.worn },
    }))
    if ('leave' in answer) return 'left'
    return 'take' in answer ? answer.take : newCode('mould', shape)
  }
}

const asListed = ({ code, name, mould, colours, print }: Part): ListedPart => ({
  code,
  name,
  mould,
  colour: colours[0]!,
  printed: print !== null,
  inks: [],
})
