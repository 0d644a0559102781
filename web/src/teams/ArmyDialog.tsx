import { useState } from 'react'
import { partLabel } from '@outfit/core/catalogue'
import { homeMoney } from '@outfit/core/market'
import type { ShelfOutfit } from '@outfit/core/shelf'
import { errorText } from '../data/api.ts'
import { drawerApi } from '../data/drawerApi.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { Figure } from '../ui/Figure.tsx'
import { FIELD, FormDialog } from '../ui/FormDialog.tsx'
import { tell } from '../ui/tell.ts'

/** Figures drawn of an army before the rest is only counted. */
const DRAWN = 9
const MOST = 200

/** Many of the same outfit with a rule for faces: what that needs and costs, then making them. */
export function ArmyDialog({ outfit, roster, onDone }: { outfit: ShelfOutfit; roster: string; onDone: () => void }) {
  const [count, setCount] = useState(6)
  const [alike, setAlike] = useState(1)
  const question = { outfit: outfit.id, count: within(count, 2, MOST), alike: within(alike, 1, MOST) }
  const { currentData: army, error } = drawerApi.endpoints.army.useQuery(question)
  const catalogue = useKnownCatalogue(army)
  const [make, { error: refused, isLoading }] = drawerApi.endpoints.makeArmy.useMutation()
  const [remove] = rosterApi.endpoints.removeOutfits.useMutation()
  const keep = async () => {
    const answer = await make(question)
    if (answer.error) return
    const { outfits } = answer.data
    tell(`${outfit.name} is an army of ${question.count}.`, () => remove({ roster, outfits }))
    onDone()
  }
  const owned = army?.needs.reduce((sum, one) => sum + one.owned, 0) ?? 0
  const toBuy = army?.needs.reduce((sum, one) => sum + one.toBuy, 0) ?? 0
  const heads = army?.faces?.filter(({ from }) => from === 'buy').length ?? 0
  const problem = error ?? refused
  return (
    <FormDialog
      title={`An army of ${outfit.name}`}
      about="The same outfit many times, told apart by their faces."
      keep={`Make ${question.count - 1} more`}
      ready={Boolean(army?.faces) && !isLoading}
      problem={problem ? errorText(problem) : ''}
      onKeep={() => void keep()}
      onLeave={onDone}
    >
      <div className="grid grid-cols-2 gap-3">
        <label className="block font-semibold">
          How many in all
          <input
            type="number"
            min={2}
            max={MOST}
            value={count}
            onChange={({ target }) => setCount(Number(target.value))}
            className={FIELD}
          />
        </label>
        <label className="block font-semibold">
          At most so many of one face
          <input
            type="number"
            min={1}
            max={MOST}
            value={alike}
            onChange={({ target }) => setAlike(Number(target.value))}
            className={FIELD}
          />
        </label>
      </div>
      <div className="min-h-[150px]">
        {army && !army.faces && (
          <p className="text-problem">
            There are faces of that skin for {army.most} at most under this rule. Allow more of one face, or make fewer.
          </p>
        )}
        {army?.faces && catalogue && (
          <>
            <div aria-hidden className="flex h-[80px] overflow-hidden">
              {army.faces.slice(0, DRAWN).map((face, i) => (
                <Figure
                  key={i}
                  label=""
                  plinth={false}
                  from={catalogue}
                  placements={outfit.placements.map((placement) =>
                    placement.slot === 'head' ? { ...placement, part: face.part } : placement,
                  )}
                  className="h-full w-[48px]"
                />
              ))}
            </div>
            <p className="mt-2">
              The other {army.count - 1} need <strong>{owned + toBuy + army.faces.length}</strong> parts:{' '}
              <strong>{owned + army.faces.length - heads}</strong> are owned and spare, <strong>{toBuy + heads}</strong>{' '}
              to buy, from <strong>{homeMoney(army.price)}</strong> before shipping.{' '}
              {army.complete > 0
                ? `${army.complete} could be built today.`
                : 'None of them could be built from what is spare today.'}
            </p>
            {army.unoffered.length > 0 && (
              <p className="text-[13px] text-notice">
                Nobody sells singly:{' '}
                {army.unoffered
                  .map((code) => {
                    const part = catalogue.parts.get(code)
                    return part ? partLabel(catalogue, part) : code
                  })
                  .join(', ')}
              </p>
            )}
          </>
        )}
      </div>
    </FormDialog>
  )
}

const within = (value: number, least: number, most: number) =>
  Number.isFinite(value) ? Math.min(most, Math.max(least, Math.round(value))) : least
