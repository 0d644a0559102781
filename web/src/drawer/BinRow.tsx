import { Link } from 'react-router'
import { isAssembled, mouldOf, type Catalogue } from '@outfit/core/catalogue'
import { piecesIn, type Counted, type Remark } from '@outfit/core/drawer'
import { drawerApi } from '../data/drawerApi.ts'
import { Button } from '../ui/Button.tsx'
import { PartPicture } from '../ui/PartPicture.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { Remarks } from './RemarkForm.tsx'

interface BinRowProps {
  one: Counted
  catalogue: Catalogue
  label: string
  picked: number
  /** null where nothing can be picked. */
  onPick: ((qty: number) => void) | null
  onRemark: () => void
  /** Show an assembly as its pieces. */
  onApart: () => void
  remarks: readonly Remark[]
}

/** So many of a part in a bin, an assembly as one thing: how many to take, and what is remarked of it. */
export function BinRow({ one, catalogue, label, picked, onPick, onRemark, onApart, remarks }: BinRowProps) {
  const part = catalogue.parts.get(one.part)
  const [takeApart, { isLoading }] = drawerApi.endpoints.takePartApart.useMutation()
  const untold = part !== undefined && part.components.length === 0 && isAssembled(mouldOf(catalogue, part).kind)
  const pieces = part ? [...piecesIn(part)] : []
  const nameOf = (code: string) => catalogue.parts.get(code)?.name ?? code
  const apart = async () => {
    if (!untold) return onApart()
    const answer = await takeApart(one.part)
    if (answer.error) return tellError(answer.error)
    onApart()
    tell(`${label} lies here as its pieces now. Change what it is made of on its page.`)
  }
  return (
    <li className="border-b border-rule py-1">
      <div className="flex flex-wrap items-center gap-x-3 sm:flex-nowrap">
        {onPick && (
          <input
            type="number"
            min={0}
            max={one.qty}
            value={picked}
            aria-label={`How many of ${label}, ${one.condition}`}
            onChange={({ target }) => onPick(Math.max(0, Math.min(one.qty, Math.round(Number(target.value)))))}
            className="w-[56px] rounded-[8px] border border-rule bg-card px-2 py-0.5 text-right"
          />
        )}
        <span className="-ml-1 w-[44px]">
          {onPick && <span className="text-soft">of </span>}
          <strong>{one.qty}</strong>
        </span>
        <span aria-hidden className="h-11 w-11 shrink-0">
          {part && <PartPicture part={part} catalogue={catalogue} label="" className="h-full w-full" />}
        </span>
        <span className="min-w-0 flex-1 basis-[130px]">
          <Link to={`/parts/${one.part}`} className="font-semibold hover:text-act hover:underline">
            {label}
          </Link>{' '}
          <span className="whitespace-nowrap text-soft">{one.condition}</span>
          {pieces.length > 0 && (
            <span className="block text-[13px] text-soft">
              {pieces.map(([code, times]) => (times > 1 ? `${times} × ${nameOf(code)}` : nameOf(code))).join(' · ')}
            </span>
          )}
        </span>
        <span className="ml-auto flex shrink-0">
          {onPick && (pieces.length > 0 || untold) && (
            <Button
              look="plain"
              className="text-[13px]"
              disabled={isLoading}
              aria-label={`Take ${label} apart`}
              onClick={() => void apart()}
            >
              Take apart
            </Button>
          )}
          <Button look="plain" className="text-[13px]" onClick={onRemark}>
            Remark…
          </Button>
        </span>
      </div>
      <div className="ml-[150px]">
        <Remarks remarks={remarks} />
      </div>
    </li>
  )
}
