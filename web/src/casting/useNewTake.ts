import { useNavigate } from 'react-router'
import { toast } from 'sonner'
import type { Placement } from '@outfit/core/catalogue'
import type { OutfitDetail } from '@outfit/core/roster'
import { api, errorText } from '../data/api.ts'

/** Makes a take of placements that were worked out, and offers to go there; answers its label, or null where it was refused. */
export function useNewTake(outfit: Pick<OutfitDetail, 'id' | 'version'>) {
  const [addTake, { isLoading }] = api.endpoints.addTake.useMutation()
  const navigate = useNavigate()
  const make = async (placements: Placement[], words: string): Promise<string | null> => {
    const answer = await addTake({ outfit: outfit.id, version: outfit.version, placements })
    if (answer.error) {
      toast.error(errorText(answer.error))
      return null
    }
    const { label } = answer.data
    toast(`Take ${label} ${words}.`, {
      action: {
        label: 'To the bench',
        onClick: () => void navigate(`/outfits/${outfit.id}/bench?take=${encodeURIComponent(label)}`),
      },
    })
    return label
  }
  return { make, busy: isLoading }
}
