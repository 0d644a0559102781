import { slotsFor } from '../anatomy/index.ts'
import { placeOf, statureAt, THINGS, type BriefWish, type Place, type Stature, type Weight } from '../brief/index.ts'
import type { Colour, Mould } from '../catalogue/index.ts'
import { nearestColours, toned } from '../colour/index.ts'
import { matchPart } from '../intake/index.ts'
import { ENGLISH } from './english.ts'
import { GERMAN } from './german.ts'
import type { Language, Noun } from './language.ts'
import { Phrases, type Token } from './phrases.ts'
import { TakenWords } from './takenWords.ts'
import { vocabularyOf, type Meaning } from './vocabulary.ts'

/** A stretch of a description and what it was taken as. */
export interface Taken {
  from: number
  to: number
  /** Which of the wishes it says; empty for what it says besides, or where it is not understood. */
  wishes: number[]
  /** Whether it says something: a wish, an age, a height, an ability. */
  understood: boolean
  /** A slip of typing was mended. */
  mended?: string
}

/** What a description says of a character. */
export interface Description {
  wishes: BriefWish[]
  /** null where it is not said. */
  stature: Stature | null
  years: number | null
  /** Keys of abilities. */
  abilities: string[]
  /** Stretches in the order of the text; words that only join others are in none. */
  taken: Taken[]
  /** What was not understood, in the words of the text. */
  rest: string[]
}

/** What a description may speak of. */
export interface Known {
  /** Colours are taken as the nearest of these, by name or as they look; as they are said where there are none. */
  palette: readonly Colour[]
  moulds: readonly Mould[]
}

/** Languages descriptions are read in. */
const LANGUAGES: readonly Language[] = [ENGLISH, GERMAN]
/** Beyond this a palette has nothing like it (CIEDE2000). */
const FAR_COLOUR = 20
/** From and below which years say the face is old or a child's. */
const AGES = { old: 60, child: 13 }
/** How many things of a place can be worn at once, where that is more than one. */
const SEVERAL: Readonly<Partial<Record<Place, number>>> = { held: 2, neck: 3, beside: 2 }
const OPPOSITE: Readonly<Record<string, string>> = { yes: 'no', no: 'yes' }

/**
 * What words say of a character: "old man, grey beard, yellow oilskin, black boots, lantern (must)". Words are read clause by
 * clause; colours, sizes and patterns belong to the thing behind them, or to the one before where none follows. What is not
 * understood is never guessed: it is told. O(words × phrase length), slips O(words × vocabulary).
 */
export function readDescription(text: string, known: Known, language?: Language): Description {
  if (language) return new Reader(text, known, language).read()
  // Of the languages the one that leaves least of it open, and English where they leave as much.
  const strange = ({ rest }: Description) => rest.reduce((sum, words) => sum + words.length, 0)
  return LANGUAGES.map((one) => new Reader(text, known, one).read()).reduce((best, one) =>
    strange(one) < strange(best) ? one : best,
  )
}

interface Adjective {
  token: number
  meanings: readonly Meaning[]
  word: string
}

class Reader {
  private readonly phrases: Phrases
  private readonly tokens: readonly Token[]
  private readonly words: TakenWords
  private readonly result: Description = { wishes: [], stature: null, years: null, abilities: [], taken: [], rest: [] }
  private pending: Adjective[] = []
  private not: number | null = null
  /** Weight said in this clause, and whether something came after it. */
  private weight: { weight: Weight; used: boolean } | null = null
  /** The thing said last in this clause, with its wishes. */
  private last: { noun: Noun | null; wishes: number[]; token: number } | null = null
  /** The wishes of the clause before, which a weight in brackets is of. */
  private before: number[] = []
  private allIn = false
  /** Places of which the outermost was said. */
  private readonly outer = new Set<Place>()
  /** Whether a word of this clause is not known. */
  private strange = false
  /** What was said last in the clause before, for what stands in brackets behind it. */
  private lastBefore: Reader['last'] = null

  constructor(
    private readonly text: string,
    private readonly known: Known,
    private readonly language: Language,
  ) {
    this.phrases = new Phrases(text, vocabularyOf(language), known.palette, language)
    this.tokens = this.phrases.tokens
    this.words = new TakenWords(this.tokens)
  }

  read(): Description {
    const consumed = this.readYears()
    for (let i = 0; i < this.tokens.length;) {
      let next = i + 1
      if (!consumed.has(i)) {
        const { length, meanings, mended } = this.phrases.meaningAt(i)
        for (const meaning of meanings) this.take(meaning, i, length)
        if (meanings.length === 0) this.stranger(i)
        if (mended !== undefined) for (const taken of this.words.entriesOf(i, length)) taken.mended = mended
        next = i + length
      }
      if (this.tokens[next - 1]!.ends) this.endClause()
      i = next
    }
    const { result } = this
    if (result.years !== null) result.stature ??= statureAt(result.years)
    result.taken = this.words.joined()
    result.rest = result.taken.filter(({ understood }) => !understood).map(({ from, to }) => this.text.slice(from, to))
    return result
  }

  private readYears(): Set<number> {
    const consumed = new Set<number>()
    for (const pattern of this.language.years)
      for (const match of this.text.matchAll(pattern)) {
        const years = this.language.decades[match[1]!.toLowerCase()] ?? Number(match[1])
        const own = [...this.tokens.keys()].filter(
          (i) => this.tokens[i]!.from >= match.index && this.tokens[i]!.to <= match.index + match[0].length,
        )
        if (this.result.years !== null || years > 150 || own.some((i) => consumed.has(i))) continue
        this.result.years = years
        const face = years >= AGES.old ? 'old' : years < AGES.child ? 'child' : null
        const wishes = face ? this.wish('head', 'age', face, 'matters') : []
        for (const i of own) {
          consumed.add(i)
          this.words.mark(i, wishes)
        }
      }
    return consumed
  }

  private take(meanings: readonly Meaning[], i: number, length: number): void {
    const [first] = meanings
    const tokens = [...Array(length).keys()].map((n) => i + n)
    const noun = meanings.find((one) => one.is === 'noun')
    if (noun) return this.takeNoun(noun.noun, tokens)
    switch (first!.is) {
      case 'quality': {
        // "Ginger beard": a colour of hair that stands before another thing is of that.
        const [trait, hex] = first!.quality.says
        if (trait === 'colour' && this.not === null && this.phrases.thingAt(i + length, true)) {
          for (const token of tokens) this.words.mark(token, [])
          this.pending.push({ token: i, meanings: [{ is: 'colour', hex }], word: this.tokens[i]!.word })
          return
        }
        return this.takeQuality(first!.quality.place, first!.quality.says, tokens)
      }
      case 'colour':
      case 'tone':
      case 'size':
      case 'pattern':
      case 'tall':
      case 'old':
      case 'young':
        for (const token of tokens) this.words.mark(token, [])
        this.pending.push({ token: i, meanings, word: this.tokens[i]!.word })
        return
      case 'weight':
        for (const token of tokens) this.words.mark(token, [])
        this.weight = { weight: first!.weight, used: false }
        return
      case 'not':
        this.not = i
        this.words.mark(i, [])
        return
      case 'person':
        return this.takePerson(first!, tokens)
      case 'ability':
        if (!this.result.abilities.includes(first!.key)) this.result.abilities.push(first!.key)
        for (const token of tokens) this.words.mark(token, [])
        return this.settle()
      case 'allIn':
        this.allIn = true
        return
      case 'or':
      case 'joining':
        return
    }
  }

  private takeNoun(noun: Noun, tokens: number[]): void {
    const adjectives = this.pending
    this.pending = []
    for (const token of tokens) this.words.mark(token, [])
    if (this.not !== null) {
      const wishes = noun.none ? this.wish(noun.place, ...noun.none) : []
      for (const token of [...tokens, this.not]) this.words.mark(token, wishes, noun.none !== undefined)
      for (const { token } of adjectives) this.words.fail(token)
      this.last = { noun: null, wishes, token: tokens[0]! }
      // "No hat or gloves": what comes after "or" is not there either.
      const next = this.tokens[tokens.at(-1)! + 1]
      if (
        !next ||
        this.tokens[tokens.at(-1)!]!.ends ||
        !this.phrases.lookUp([next.word])?.some(({ is }) => is === 'or')
      )
        this.not = null
      return
    }
    const wishes: number[] = []
    const mould = noun.shape === undefined ? null : this.mouldCalled(noun.shape, noun.place)
    if (mould !== null) wishes.push(...this.wish(noun.place, 'shape', mould))
    else if (noun.says) wishes.push(...this.sayOf(noun, noun.says))
    // There is no room for it: what is said of it is of nothing that is seen.
    if (noun.says && wishes.length === 0) {
      for (const token of [...tokens, ...adjectives.map((one) => one.token)]) this.words.fail(token)
      this.last = { noun: null, wishes, token: tokens[0]! }
      return
    }
    this.last = { noun, wishes, token: tokens[0]! }
    this.attach(adjectives)
    if (noun.usual && !this.hasColour(wishes))
      wishes.push(...this.wish(noun.place, 'colour', this.near(noun.usual, false)))
    // A thing with nothing to wish for, such as "hair" alone, waits for what is said behind it.
    const said = wishes.length > 0 || (noun.shape === undefined && noun.says === undefined)
    for (const token of tokens) this.words.mark(token, wishes, said)
  }

  /** What a thing says; worn over another of its place it is seen instead of that, whose colour and pattern go with it. */
  private sayOf(noun: Noun, [trait, target]: readonly [string, string]): number[] {
    const { wishes } = this.result
    const there = wishes.findIndex((one) => one.place === noun.place && one.trait === trait)
    if (there < 0 || !noun.over || this.outer.has(noun.place)) {
      if (there < 0 && noun.over) this.outer.add(noun.place)
      return this.wish(noun.place, trait, target)
    }
    this.outer.add(noun.place)
    const gone = new Set(
      wishes.flatMap((one, i) =>
        one.place === noun.place && ['colour', 'pattern', trait].includes(one.trait) ? [i] : [],
      ),
    )
    this.forget(gone)
    return this.wish(noun.place, trait, target)
  }

  /** Take wishes away again; who said them is not understood any more. */
  private forget(gone: ReadonlySet<number>): void {
    const moved = new Map<number, number>()
    this.result.wishes = this.result.wishes.filter((_, i) => {
      if (gone.has(i)) return false
      moved.set(i, moved.size)
      return true
    })
    const kept = (list: readonly number[]) => list.flatMap((one) => moved.get(one) ?? [])
    this.words.renumber(gone, kept)
    this.before = kept(this.before)
    for (const one of [this.last, this.lastBefore]) if (one) one.wishes = kept(one.wishes)
  }

  /** Give adjectives to the thing said last; those that say nothing of it are told. */
  private attach(adjectives: readonly Adjective[]): void {
    const { noun, wishes } = this.last!
    if (!noun) return adjectives.forEach(({ token }) => this.words.fail(token))
    const colour = this.hasColour(wishes) ? null : this.colourOf(adjectives, noun)
    let coloured: number[] | null = null
    for (const adjective of adjectives) {
      const { token, meanings } = adjective
      const size = meanings.find((one) => one.is === 'size')
      const pattern = meanings.find((one) => one.is === 'pattern')
      const step = size && noun.sizes?.[size.size]
      let own: number[] | null = null
      // A tone beside a colour says the same wish again.
      if (colour?.from.includes(adjective)) own = someOf(coloured ? coloured : (coloured = colour.wish()))
      else if (step !== undefined) own = someOf(this.wish(noun.place, noun.sizes!.trait, step, undefined, true))
      else if (pattern && noun.patterned) own = someOf(this.wish(noun.place, 'pattern', pattern.value))
      if (own === null) this.words.fail(token)
      else {
        wishes.push(...own.filter((one) => !wishes.includes(one)))
        this.words.mark(token, own)
      }
    }
  }

  /** The colour adjectives say of a thing: a colour with its tone, or what is called otherwise of such things. */
  private colourOf(adjectives: readonly Adjective[], noun: Noun): { from: Adjective[]; wish: () => number[] } | null {
    const trait = noun.colour === undefined ? 'colour' : noun.colour
    if (trait === null) return null
    const skin = trait === 'skin'
    const made = (hex: string, from: Adjective[]) => ({
      from,
      wish: () => this.wish(noun.place, trait, this.near(hex, skin)),
    })
    const tone = adjectives.find(({ meanings }) => meanings.some(({ is }) => is === 'tone'))
    const hued = adjectives.find(({ meanings }) => meanings.some(({ is }) => is === 'colour'))
    const called = [hued, tone].find((one) => one && noun.calls?.[one.word] !== undefined)
    if (called && (called === hued || !hued))
      return made(noun.calls![called.word]!, tone && hued ? [hued, tone] : [called])
    if (!hued) return null
    const { hex } = hued.meanings.find((one) => one.is === 'colour')!
    if (!tone) return made(hex, [hued])
    const { lighter } = tone.meanings.find((one) => one.is === 'tone')!
    return made(toned(hex, lighter ? 'light' : 'dark'), [hued, tone])
  }

  private takeQuality(place: Place, [trait, target]: readonly [string, string], tokens: number[]): void {
    const denied = this.not !== null
    const says = denied ? OPPOSITE[target] : target
    const value = says === undefined ? null : target.startsWith('#') ? this.near(target, trait === 'skin') : says
    const wishes = value === null ? [] : this.wish(place, trait, value)
    for (const token of [...tokens, ...(denied ? [this.not!] : [])]) this.words.mark(token, wishes, value !== null)
    this.not = null
    this.last = { noun: this.last?.noun ?? null, wishes, token: tokens[0]! }
  }

  private takePerson({ age, stature }: { age?: 'child' | 'old'; stature?: Stature }, tokens: number[]): void {
    for (const token of tokens) this.words.mark(token, [])
    if (age) for (const token of tokens) this.words.mark(token, this.wish('head', 'age', age))
    if (stature) this.result.stature ??= stature
    this.settle()
  }

  /** What is said of the person: age and height; anything else of it waits for a thing. */
  private settle(): void {
    this.pending = this.pending.filter(({ token, meanings }) => {
      const tall = meanings.find((one) => one.is === 'tall')
      if (meanings.some(({ is }) => is === 'old')) this.words.mark(token, this.wish('head', 'age', 'old'))
      else if (tall) this.result.stature = tall.stature
      else if (!meanings.some(({ is }) => is === 'young')) return true
      return false
    })
  }

  /** A word nobody knows: what stood before it was of that, and is not understood either. */
  private stranger(i: number): void {
    this.words.fail(i)
    this.strange = true
    // "White polo shirt": it only says more of what comes behind it.
    if (this.phrases.thingAt(i + 1)) return
    for (const { token } of this.pending) this.words.fail(token)
    if (this.not !== null) this.words.fail(this.not)
    this.pending = []
    this.not = null
  }

  private endClause(): void {
    this.settleRest()
    if (this.weight && !this.weight.used) {
      const { weight } = this.weight
      for (const wish of this.last?.wishes ?? (this.strange ? [] : this.before))
        this.result.wishes[wish]!.weight = weight
    }
    if (this.not !== null) this.words.fail(this.not)
    if (this.last) {
      this.before = this.last.wishes
      this.lastBefore = this.last
    }
    this.strange = false
    this.last = null
    this.weight = null
    this.not = null
    this.allIn = false
  }

  /** Adjectives nothing came behind: of the thing before them, of the person, or of all that is worn. */
  private settleRest(): void {
    const [first] = this.pending
    if (!this.last && first && /\(\s*$/.test(this.text.slice(0, this.tokens[first.token]!.from)))
      this.last = this.lastBefore
    if (this.last?.noun && this.pending.length > 0) {
      const { noun } = this.last
      const fits = ({ meanings }: Adjective) =>
        meanings.some(
          (one) =>
            ((one.is === 'colour' || one.is === 'tone') && noun.colour !== null) ||
            (one.is === 'size' && noun.sizes?.[one.size] !== undefined) ||
            (one.is === 'pattern' && noun.patterned),
        )
      const own = this.pending.filter(fits)
      this.pending = this.pending.filter((one) => !own.includes(one))
      this.attach(own)
      for (const { token } of own) this.words.mark(this.last.token, this.words.wishesOf(token))
    }
    this.settle()
    for (const { token, meanings } of this.pending) {
      const colour = meanings.find((one) => one.is === 'colour')
      const pattern = meanings.find((one) => one.is === 'pattern')
      if (colour && this.allIn) {
        const hex = this.near(colour.hex, false)
        this.words.mark(token, [...this.wish('torso', 'colour', hex), ...this.wish('legs', 'colour', hex)])
      } else if (pattern && !this.last) this.words.mark(token, this.wish('torso', 'pattern', pattern.value))
      else this.words.fail(token)
    }
    this.pending = []
  }

  private hasColour(wishes: readonly number[]): boolean {
    return wishes.some((one) => ['colour', 'skin', 'brows', 'bootColour'].includes(this.result.wishes[one]!.trait))
  }

  /** Make a wish; the ones there are stay, unless `instead`. Empty where there is no room for another. */
  private wish(place: Place, trait: string, target: string, weight?: Weight, instead = false): number[] {
    const { wishes } = this.result
    const own = weight ?? this.weight?.weight ?? 'matters'
    if (this.weight) this.weight.used = true
    const same = wishes.findIndex((one) => one.place === place && one.trait === trait && one.target === target)
    if (same >= 0) return [same]
    const alike = wishes.flatMap((one, i) => (one.place === place && one.trait === trait ? [i] : []))
    const most = THINGS.includes(trait) ? (SEVERAL[place] ?? 1) : place === 'held' ? 2 : 1
    if (alike.length >= most) {
      if (instead) wishes[alike[0]!] = { place, trait, target, weight: own }
      return instead ? alike.slice(0, 1) : []
    }
    return [wishes.push({ place, trait, target, weight: own }) - 1]
  }

  /** The colour of the palette that is meant. */
  private near(hex: string, skin: boolean): string {
    const kin = this.known.palette.filter(({ finish, family }) => finish === 'solid' && (family === 'skin') === skin)
    const [first] = nearestColours(hex, kin)
    return first && (skin || first.deltaE <= FAR_COLOUR) ? first.colour.hex : hex
  }

  /** Code of the mould some words of part names mean, if it is worn there. */
  private mouldCalled(words: string, place: Place): string | null {
    const { mould } = matchPart(words, [], this.known.moulds, { ranked: false })
    const found = this.known.moulds.find(({ code }) => code === mould)
    const [slot] = found ? slotsFor(found.kind) : []
    return found && slot && placeOf(slot) === place ? found.code : null
  }
}

/** A list, or null for an empty one: there was no room for the wish. */
const someOf = (wishes: number[]): number[] | null => (wishes.length > 0 ? wishes : null)
