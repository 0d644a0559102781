import type { ReactElement } from 'react'
import { catalogueOf, plainPart, type Placement } from '@outfit/core/catalogue'
import { COLOUR_LIMITS, colourDifference, differenceInWords } from '@outfit/core/colour'
import { STARTER_COLOURS, STARTER_MOULDS } from '@outfit/core/starter'
import { Figure } from './Figure.tsx'
import { PartPicture } from './PartPicture.tsx'
import { PinMark } from './PinMark.tsx'

const COLOURS_SHOWN = ['quay-blue', 'poppy', 'moss', 'fawn', 'tar', 'marigold']
/** What ships with Outfit, so that the pictures are the same in an empty workspace. */
const catalogue = catalogueOf({
  colours: [...STARTER_COLOURS],
  moulds: [...STARTER_MOULDS],
  prints: [],
  parts: STARTER_MOULDS.flatMap((mould) =>
    COLOURS_SHOWN.map((colour) => plainPart(mould, colour, `${mould.code} ${colour}`)),
  ),
})
const worn = (slot: Placement['slot'], mould: string, colour: string): Placement => ({
  slot,
  part: `${mould} ${colour}`,
  order: 0,
  turned: false,
})
const DOLL: Placement[] = [
  worn('head', 'M-HEAD', 'fawn'),
  worn('torso', 'M-TORSO', 'quay-blue'),
  worn('armRight', 'M-ARMR', 'quay-blue'),
  worn('armLeft', 'M-ARML', 'quay-blue'),
  worn('handRight', 'M-HAND', 'fawn'),
  worn('handLeft', 'M-HAND', 'fawn'),
  worn('hips', 'M-HIPS', 'tar'),
  worn('legRight', 'M-LEGRF', 'tar'),
  worn('legLeft', 'M-LEGLF', 'tar'),
]

const Picture = ({ mould, colour }: { mould: string; colour: string }) => (
  <PartPicture
    part={catalogue.parts.get(`${mould} ${colour}`)!}
    catalogue={catalogue}
    label=""
    className="h-full min-w-0 flex-1"
  />
)
const Swatches = ({ a, b }: { a: string; b: string }) => (
  <span className="flex flex-1 flex-col items-center text-[11.5px] leading-tight">
    <span className="flex overflow-hidden rounded-[5px] border border-ink/40">
      <span className="size-5" style={{ background: a }} />
      <span className="size-5" style={{ background: b }} />
    </span>
    ΔE {Math.round(colourDifference(a, b))}
  </span>
)
const hexOf = (code: string) => STARTER_COLOURS.find((colour) => colour.code === code)!.hex

interface Word {
  term: string
  /** What it is, in a line. */
  line: string
  picture: () => ReactElement
}

/** The words of the work that somebody new to it meets, each in a line and a picture. */
export const WORDS = {
  slot: {
    term: 'Slot',
    line: 'A place on the doll that wears something: headgear, torso, left hand.',
    picture: () => <Picture mould="M-HEAD" colour="fawn" />,
  },
  mould: {
    term: 'Mould',
    line: 'The shape of a part, whatever its colour and print. These three are one mould.',
    picture: () => (
      <>
        <Picture mould="M-DECK" colour="quay-blue" />
        <Picture mould="M-DECK" colour="poppy" />
        <Picture mould="M-DECK" colour="moss" />
      </>
    ),
  },
  mitt: {
    term: 'Mitt',
    line: 'A hand of a figure. It turns in the wrist, grips what is held, and comes off.',
    picture: () => <Picture mould="M-HAND" colour="fawn" />,
  },
  assembly: {
    term: 'Assembly',
    line: 'Pieces sold as one: a torso with its arms and mitts, legs with their hips. Owning it is owning its pieces.',
    picture: () => (
      <Figure placements={DOLL.slice(1)} from={catalogue} label="" crop="torso" className="h-full flex-1" />
    ),
  },
  take: {
    term: 'Take',
    line: 'One way to dress a character. Try several beside each other; the chosen one is shown and bought.',
    picture: () => (
      <>
        {(['quay-blue', 'marigold'] as const).map((colour) => (
          <Figure
            key={colour}
            placements={[...DOLL, worn('headgear', colour === 'marigold' ? 'M-QUIFF' : 'M-DECK', colour)]}
            from={catalogue}
            label=""
            plinth={false}
            className="h-full min-w-0 flex-1"
          />
        ))}
      </>
    ),
  },
  tray: {
    term: 'Tray',
    line: 'What there is to choose from for the slot that is picked, the likest to the brief first.',
    picture: () => (
      <span className="grid h-full flex-1 grid-cols-3 gap-0.5">
        {['M-DECK', 'M-QUIFF', 'M-SIDE'].map((mould) => (
          <span key={mould} className="flex overflow-hidden rounded-[4px] border border-rule bg-paper">
            <Picture mould={mould} colour={mould === 'M-DECK' ? 'poppy' : 'marigold'} />
          </span>
        ))}
      </span>
    ),
  },
  pin: {
    term: 'Pin',
    line: 'Something wrong or worth knowing, stuck to the doll where it is: a problem, a notice, a hint. Put it right in a press, or leave it with a reason.',
    picture: () => (
      <span className="flex flex-1 justify-center gap-2">
        <PinMark severity="problem" size={16} />
        <PinMark severity="notice" size={16} />
        <PinMark severity="hint" size={16} />
      </span>
    ),
  },
  likeness: {
    term: 'Likeness',
    line: 'How much of its brief an outfit shows, from 0 to 100, weighed by how much each wish matters.',
    picture: () => (
      <span className="mx-1 h-2.5 flex-1 overflow-hidden rounded-full border border-rule bg-band">
        <span className="block h-full w-[72%] bg-good" />
      </span>
    ),
  },
  difference: {
    term: 'ΔE',
    line: `How far apart two colours are for the eye. Up to ${COLOUR_LIMITS.same} is ${differenceInWords(COLOUR_LIMITS.same)}, up to ${COLOUR_LIMITS.near} ${differenceInWords(COLOUR_LIMITS.near)}, over ${COLOUR_LIMITS.different} ${differenceInWords(COLOUR_LIMITS.different + 1)}.`,
    picture: () => (
      <>
        <Swatches a={hexOf('fawn')} b={hexOf('shell')} />
        <Swatches a={hexOf('canal')} b={hexOf('poppy')} />
      </>
    ),
  },
  quotes: {
    term: 'Quote sheet',
    line: 'What one seller asks for parts on one day. Outfit keeps them all, so that prices have a history.',
    picture: () => (
      <span className="flex-1 px-1 text-[11px] leading-[14px]">
        {[
          ['Deck cap', '0.40'],
          ['Mitt', '0.15'],
          ['Torso', '1.20'],
        ].map(([name, price]) => (
          <span key={name} className="flex justify-between border-b border-rule">
            <span>{name}</span>
            <span className="tabular-nums">{price}</span>
          </span>
        ))}
      </span>
    ),
  },
} as const satisfies Record<string, Word>

export type WordKey = keyof typeof WORDS

/** A word with its line and picture. */
export function WordNote({ word }: { word: WordKey }) {
  const { term, line, picture } = WORDS[word]
  return (
    <div className="flex items-center gap-3">
      <span aria-hidden className="flex h-[64px] w-[104px] shrink-0 items-center rounded-[8px] bg-band p-1.5">
        {picture()}
      </span>
      <p className="min-w-0 text-[14px] leading-snug">
        <strong className="block text-[15px]">{term}</strong>
        {line}
      </p>
    </div>
  )
}
