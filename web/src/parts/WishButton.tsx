import { formatDay } from '@outfit/core/base'
import { toast } from 'sonner'
import type { Colour, Part, Wish } from '@outfit/core/catalogue'
import { api, errorText } from '../data/api.ts'
import { Button } from '../ui/Button.tsx'

/** Keep a wish for a colour that was never made, or drop it. */
export function WishButton({ part, colour, wish }: { part: Part; colour: Colour; wish: Wish | undefined }) {
  const [make, making] = api.endpoints.makeWish.useMutation()
  const [drop, dropping] = api.endpoints.dropWish.useMutation()
  const busy = making.isLoading || dropping.isLoading
  const keep = async () => {
    const answer = await make({ part: part.code, colour: colour.code })
    if (answer.error) toast.error(errorText(answer.error))
    else toast(`${part.name} in ${colour.name} is wished for. You are told when a table brings it.`)
  }
  const forget = async (id: string) => {
    const answer = await drop(id)
    if (answer.error) return toast.error(errorText(answer.error))
    return toast('The wish is dropped.', { action: { label: 'Undo', onClick: () => void keep() } })
  }
  return wish ? (
    <p className="mt-2 flex items-center gap-3">
      <span className="text-good">✶ Wished for since {formatDay(wish.at.slice(0, 10), { dateStyle: 'short' })}.</span>
      <Button look="plain" disabled={busy} onClick={() => void forget(wish.id)}>
        Drop the wish
      </Button>
    </p>
  ) : (
    <Button className="mt-2" disabled={busy} onClick={() => void keep()}>
      ✶ Wish for it in {colour.name}
    </Button>
  )
}
