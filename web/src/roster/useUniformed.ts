import type { Uniformed } from '@outfit/core/roster'
import { rosterApi } from '../data/rosterApi.ts'
import { tell, tellError } from '../ui/tell.ts'

/** Put outfits of a roster into uniforms or out of them, with a way back to what each was in and wore. */
export function useUniformed(roster: string) {
  const [join] = rosterApi.endpoints.joinUniform.useMutation()
  return async (outfits: readonly string[], uniform: string | null, dressed: boolean, words: string) => {
    const asked: Uniformed[] = outfits.map((outfit) => ({ outfit, uniform }))
    const answer = await join({ roster, outfits: asked, dressed })
    if (answer.error) return tellError(answer.error)
    const { before } = answer.data
    tell(words, () => join({ roster, outfits: before, dressed: false }))
  }
}
