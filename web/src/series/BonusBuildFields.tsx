import { X } from 'lucide-react'
import { asBonus } from '@outfit/core/made'
import { PACK_LIMITS, type BonusBuild } from '@outfit/core/packs'
import { api } from '../data/api.ts'
import { madeApi } from '../data/madeApi.ts'
import { PartPicker } from '../catalogue/PartPicker.tsx'
import { OneOf } from '../show/ChoicePanel.tsx'
import { Button } from '../ui/Button.tsx'
import { usePartLabel } from './usePartLabel.ts'
import { tellError } from '../ui/tell.ts'
import { NumberField } from './NumberField.tsx'

const BEGUN: BonusBuild = { name: 'Bonus build', pieces: [], spread: 'figures', builds: 1, steps: [] }

/** A small model spread over the series: its pieces, how they are dealt, and how it is built. */
export function BonusBuildFields({
  bonus,
  onChange,
}: {
  bonus: BonusBuild | null
  onChange: (bonus: BonusBuild | null) => void
}) {
  const labelOf = usePartLabel()
  const { data: made } = madeApi.endpoints.made.useQuery()
  const items = made?.items ?? []
  const nameOf = (code: string) => {
    const part = made?.parts.find((one) => one.code === code)
    return part ? labelOf(part) : code
  }
  const [addPhoto] = api.endpoints.addPhoto.useMutation()
  if (!bonus)
    return (
      <div>
        <p className="font-semibold">Bonus build</p>
        <p className="text-[13.5px] text-soft">A small model whose pieces are spread over the packs.</p>
        <Button look="plain" className="px-1 py-0.5" onClick={() => onChange(BEGUN)}>
          Add a bonus build
        </Button>
        {items.length > 0 && (
          <label className="ml-1 inline-flex items-center gap-1.5 text-[13.5px]">
            or
            <select
              value=""
              aria-label="Hand out a made item"
              onChange={({ target }) => {
                const item = items.find(({ id }) => id === target.value)
                if (item) onChange({ ...BEGUN, ...asBonus(item, nameOf) })
              }}
              className="rounded-[8px] border border-rule bg-card px-1 py-1"
            >
              <option value="">hand out a made item …</option>
              {items.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        )}
      </div>
    )
  const set = (next: Partial<BonusBuild>) => onChange({ ...bonus, ...next })
  const setStep = (at: number, next: Partial<BonusBuild['steps'][number]>) =>
    set({ steps: bonus.steps.map((step, i) => (i === at ? { ...step, ...next } : step)) })
  const photograph = async (at: number, file: File | undefined) => {
    if (!file) return
    const answer = await addPhoto(file)
    if (answer.error) return tellError(answer.error)
    setStep(at, { photo: answer.data.hash })
  }
  return (
    <details open={bonus.pieces.length === 0}>
      <summary className="cursor-pointer font-semibold">
        Bonus build: {bonus.name}, {bonus.pieces.reduce((sum, { qty }) => sum + qty, 0)} pieces
      </summary>
      <input
        aria-label="Name of the bonus build"
        value={bonus.name}
        maxLength={80}
        onChange={({ target }) => set({ name: target.value })}
        className="mt-1 w-full rounded-[8px] border border-rule bg-card px-2 py-1"
      />
      {bonus.pieces.map(({ part, name, qty }) => (
        <div key={part} className="mt-1 flex items-center gap-1.5 text-[14px]">
          <NumberField
            hidden
            label={`How many ${name}`}
            value={qty}
            least={1}
            most={1000}
            onChange={(count) =>
              set({ pieces: bonus.pieces.map((one) => (one.part === part ? { ...one, qty: count } : one)) })
            }
          />
          <span className="min-w-0 flex-1 truncate" title={name}>
            {name}
          </span>
          <Button
            look="plain"
            className="px-1.5 py-1"
            aria-label={`Take ${name} out`}
            onClick={() => set({ pieces: bonus.pieces.filter((one) => one.part !== part) })}
          >
            <X aria-hidden className="size-4" />
          </Button>
        </div>
      ))}
      <PartPicker
        title="Which piece?"
        onPick={({ part }) =>
          set({
            pieces: bonus.pieces.some((one) => one.part === part.code)
              ? bonus.pieces.map((one) => (one.part === part.code ? { ...one, qty: one.qty + 1 } : one))
              : [...bonus.pieces, { part: part.code, name: labelOf(part), qty: 1 }],
          })
        }
      >
        <Button look="plain" className="px-1 py-0.5" disabled={bonus.pieces.length >= PACK_LIMITS.pieces}>
          Add a piece
        </Button>
      </PartPicker>
      <OneOf
        label="Its pieces"
        value={bonus.spread}
        options={[
          ['figures', 'come with the figures'],
          ['packs', 'are dealt over all packs'],
        ]}
        onChoose={(spread) => set({ spread })}
      />
      {bonus.spread === 'packs' && (
        <NumberField
          label="Builds in all"
          value={bonus.builds}
          least={1}
          most={PACK_LIMITS.builds}
          onChange={(builds) => set({ builds })}
        />
      )}
      <p className="mt-2 font-semibold">How it is built</p>
      <ol>
        {bonus.steps.map(({ text, photo }, i) => (
          <li key={i} className="mt-1">
            <div className="flex items-start gap-1">
              <span className="w-5 pt-1 text-right tabular-nums">{i + 1}.</span>
              <textarea
                aria-label={`Step ${i + 1}`}
                rows={2}
                value={text}
                maxLength={300}
                onChange={({ target }) => setStep(i, { text: target.value })}
                className="min-w-0 flex-1 resize-none rounded-[8px] border border-rule bg-card px-2 py-1 text-[14px]"
              />
              <Button
                look="plain"
                className="px-1.5 py-1"
                aria-label={`Take step ${i + 1} out`}
                onClick={() => set({ steps: bonus.steps.filter((_, at) => at !== i) })}
              >
                <X aria-hidden className="size-4" />
              </Button>
            </div>
            <div className="ml-6 flex items-center gap-2 text-[13.5px]">
              {photo && (
                <img
                  src={`/api/photos/${photo}`}
                  alt={`Picture of step ${i + 1}`}
                  className="size-10 rounded object-cover"
                />
              )}
              <label className="cursor-pointer text-act focus-within:underline hover:underline">
                {photo ? 'Another picture' : 'Add a picture'}
                <input
                  type="file"
                  accept="image/png,image/jpeg,image/webp"
                  className="sr-only"
                  onChange={({ target }) => void photograph(i, target.files?.[0])}
                />
              </label>
              {photo && (
                <Button look="plain" className="px-1 py-0 text-[13.5px]" onClick={() => setStep(i, { photo: null })}>
                  Without
                </Button>
              )}
            </div>
          </li>
        ))}
      </ol>
      <div className="mt-1 flex flex-wrap gap-x-2">
        <Button
          look="plain"
          className="px-1 py-0.5"
          disabled={bonus.steps.length >= PACK_LIMITS.steps}
          onClick={() => set({ steps: [...bonus.steps, { text: '', photo: null }] })}
        >
          Add a step
        </Button>
        <Button look="plain" className="px-1 py-0.5" onClick={() => onChange(null)}>
          No bonus build
        </Button>
      </div>
    </details>
  )
}
