import { homeCurrency } from '@outfit/core/market'
import type { ReactNode } from 'react'
import { Link, useNavigate } from 'react-router'
import { catalogueOf, plainPart, type Part, type Placement, type Print } from '@outfit/core/catalogue'
import { STARTER_COLOURS, STARTER_MOULDS } from '@outfit/core/starter'
import { rosterApi } from '../data/rosterApi.ts'
import { LookRound } from '../sample/LookRound.tsx'
import { Button } from '../ui/Button.tsx'
import { Figure } from '../ui/Figure.tsx'
import { tellError } from '../ui/tell.ts'

/** A doll out of the starter shelf: slot, mould and colour of each part. */
type Doll = readonly (readonly [Placement['slot'], string, string])[]

const BODY = (skin: string, cloth: string, legs: string): Doll => [
  ['head', 'M-HEAD', skin],
  ['torso', 'M-TORSO', cloth],
  ['armRight', 'M-ARMR', cloth],
  ['armLeft', 'M-ARML', cloth],
  ['handRight', 'M-HAND', skin],
  ['handLeft', 'M-HAND', skin],
  ['hips', 'M-HIPS', legs],
  ['legRight', 'M-LEGRF', legs],
  ['legLeft', 'M-LEGLF', legs],
]
const DOLLS: readonly Doll[] = [
  [...BODY('hazel', 'quay-blue', 'slate'), ['headgear', 'M-DECK', 'midnight'], ['heldRight', 'M-LANT', 'marigold']],
  [...BODY('fawn', 'marigold', 'tar'), ['headgear', 'M-STRAW', 'straw'], ['heldRight', 'M-BASK', 'rope']],
  [...BODY('cocoa', 'poppy', 'oat'), ['headgear', 'M-CLOUD', 'peat'], ['neck', 'M-LSCRF', 'moss']],
]

const FACE: Print = { code: 'face', name: 'Warm smile', kind: 'head', front: [], back: [], traits: {} }

const parts = new Map(
  DOLLS.flat().map(([, mould, colour]): [string, Part] => [
    `${mould} ${colour}`,
    {
      ...plainPart({ code: mould, name: mould }, colour, `${mould} ${colour}`),
      print: mould === 'M-HEAD' ? FACE.code : null,
    },
  ]),
)
const catalogue = catalogueOf({
  colours: STARTER_COLOURS,
  moulds: STARTER_MOULDS,
  prints: [FACE],
  parts: [...parts.values()],
})
const placements = DOLLS.map((doll) =>
  doll.map(([slot, mould, colour]): Placement => ({ slot, part: `${mould} ${colour}`, order: 0, turned: false })),
)

const leaveTo = (address: string) => window.location.assign(address)

/** The first screen: three ways in, and nothing else. */
export function EmptyWorkspace({ onBegin, children }: { onBegin: () => void; children: ReactNode }) {
  const [begin, { isLoading: beginning }] = rosterApi.endpoints.beginRoster.useMutation()
  const [add, { isLoading: adding }] = rosterApi.endpoints.addCharacters.useMutation()
  const navigate = useNavigate()
  /** A roster and an outfit under plain names, and straight to the bench. */
  const dress = async () => {
    const roster = { name: 'First roster', note: '', school: 'exchange-only' as const, budget: null, dueOn: null }
    const begun = await begin(roster)
    if (begun.error) return tellError(begun.error)
    const characters = [{ name: 'First figure', faction: '', years: null, notes: '' }]
    const added = await add({ roster: begun.data.id, version: 1, characters })
    if (added.error) return tellError(added.error)
    return navigate(`/outfits/${added.data.outfits[0]}/bench`)
  }
  const ways: [title: string, words: ReactNode, act: ReactNode][] = [
    [
      'Bring in what I own',
      'A list of your parts or somebody’s prices, as it is: a spreadsheet of any language and layout.',
      <Link
        key="way"
        to="/bring-in"
        className="inline-flex rounded-[10px] border border-act bg-act px-3 py-1.5 font-semibold text-act-ink hover:brightness-110"
      >
        Bring a list in
      </Link>,
    ],
    [
      'Begin with a doll',
      'A bare doll on the bench, to be dressed out of what there is. Names and rosters can follow.',
      <span key="way" className="flex flex-wrap justify-center gap-2">
        <Button onClick={() => void dress()} disabled={beginning || adding}>
          Dress a doll
        </Button>
        <Button look="plain" onClick={onBegin}>
          Begin a roster
        </Button>
      </span>,
    ],
    [
      'Look round the sample world',
      'Lantern Quay, with rosters, prices and parcels under way. It stands beside yours, which stays as it is, and goes in one press.',
      <LookRound key="way" onLeave={leaveTo} />,
    ],
  ]
  return (
    <div className="mx-auto max-w-[1080px] px-5 py-10 text-center">
      <h1 className="text-3xl">Nothing here yet</h1>
      <p className="text-soft">Three ways in.</p>
      <div className="mt-6 grid gap-8 md:grid-cols-3">
        {ways.map(([title, words, act], i) => (
          <section key={title} aria-label={title} className="flex flex-col items-center">
            <Figure placements={placements[i]!} from={catalogue} label="" className="h-[260px]" />
            <h2 className="mt-3 text-xl">{title}</h2>
            <p className="mt-1 mb-3 flex-1 text-soft">{words}</p>
            {act}
          </section>
        ))}
      </div>
      <p className="mt-8 text-soft">
        You worked with Outfit before?{' '}
        <Link to="/settings/copies" className="font-semibold text-act underline">
          Bring a copy back
        </Link>
        .
      </p>
      <p className="mt-1 text-soft">
        Everything is counted in {homeCurrency()}.{' '}
        <Link to="/settings" className="font-semibold text-act underline">
          Take another currency
        </Link>
      </p>
      {children}
    </div>
  )
}
