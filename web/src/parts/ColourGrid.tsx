import { useNavigate } from 'react-router'
import type { Colour, Mould, Part } from '@outfit/core/catalogue'
import type { GridFamily } from '@outfit/core/parts'
import { readableOn } from '@outfit/core/colour'
import { homeSign, homeMoney } from '@outfit/core/market'
import { isComplete } from '@outfit/core/settings'
import type { Candidate } from '../data/api.ts'
import { useSettings } from '../data/settingsApi.ts'
import { WholeMould } from './WholeMould.tsx'

interface ColourGridProps {
  part: Part
  mould: Mould
  grid: readonly GridFamily[]
  family: readonly Candidate[]
  wished: Colour | null
  /** Codes of colours it is wished for in. */
  wishes: ReadonlySet<string>
  /** Look at a colour the part was never made in. */
  onWish: (colour: Colour | null) => void
}

/** The mould and print in every colour of the palette: made, owned, for sale, or only to be wished for. */
export function ColourGrid({ part, mould, grid, family, wished, wishes, onWish }: ColourGridProps) {
  const navigate = useNavigate()
  const complete = isComplete(useSettings(), part.mould)
  const lacking = complete ? 'never made' : 'not in your catalogue'
  const known = new Map(family.map((candidate) => [candidate.part.code, candidate]))
  const cells = grid.flatMap((row) => row.cells)
  const made = cells.filter((cell) => cell.part).length
  const stateOf = (other: Part | null, colour: Colour) => {
    const candidate = other && known.get(other.code)
    if (!candidate)
      return wishes.has(colour.code) ? { mark: '✶', words: `${lacking}, wished for` } : { mark: '', words: lacking }
    if (candidate.owned > 0) return { mark: String(candidate.owned), words: `owned ${candidate.owned}` }
    if (candidate.lowest !== null) return { mark: homeSign(), words: `from ${homeMoney(candidate.lowest)}` }
    return { mark: '', words: `${complete ? 'made' : 'known'}, not for sale singly` }
  }
  return (
    <section aria-label="Colours">
      <h2 className="text-lg">
        Colours
        <span className="ml-2 font-sans text-sm font-normal tracking-normal text-soft">
          {complete ? 'made' : 'known'} in {made} of {cells.length}
        </span>
      </h2>
      <p className="mt-0.5 text-[13px] text-soft">
        A number: owned. {homeSign()}: for sale. Large and blank: {complete ? 'made' : 'known'}, not for sale singly.
        Small and struck through: {lacking}; press to see it all the same. ✶: wished for.
      </p>
      <WholeMould mould={mould} />
      <div className="mt-3 space-y-2.5">
        {grid.map(({ family: name, cells: row }) => (
          <div key={name} className="flex items-start gap-1">
            <h3 className="w-[64px] shrink-0 pt-1 font-sans text-[13px] font-normal tracking-normal text-soft">
              {name}
            </h3>
            <ul className="flex flex-wrap gap-x-1 gap-y-1.5">
              {row.map(({ colour, part: other }) => {
                const { mark, words } = stateOf(other, colour)
                const isHere = other?.code === part.code && !wished
                const isWished = wished?.code === colour.code
                return (
                  <li key={colour.code} className="w-[60px] text-center text-[11.5px] leading-tight">
                    <button
                      type="button"
                      aria-label={`${colour.name}: ${words}`}
                      aria-current={isHere || isWished ? 'true' : undefined}
                      title={`${colour.name}: ${words}`}
                      onClick={() => {
                        if (!other) return onWish(isWished ? null : colour)
                        onWish(null)
                        if (other.code !== part.code) void navigate(`/parts/${other.code}`)
                      }}
                      style={{ background: colour.hex, color: readableOn(colour.hex) }}
                      className={`relative mx-auto block overflow-hidden rounded-[7px] text-[13px] font-bold ${isHere || isWished ? 'border-act outline-2 outline-offset-1 outline-act' : other ? 'border-ink' : 'border-ink/40'} ${other ? 'h-[30px] w-[46px] border-2' : 'mt-[5px] mb-[3px] h-[22px] w-[32px] border'}`}
                    >
                      {mark}
                      {!other && !mark && (
                        <svg aria-hidden viewBox="0 0 44 30" className="absolute inset-0 h-full w-full">
                          <path d="M2 28 42 2" stroke="currentColor" strokeWidth="2" />
                        </svg>
                      )}
                    </button>
                    <span className={other ? '' : 'text-soft'}>{colour.name}</span>
                  </li>
                )
              })}
            </ul>
          </div>
        ))}
      </div>
    </section>
  )
}
