import { Shuffle, X } from 'lucide-react'
import { PACK_LIMITS, SPREADS, type BonusItem, type PackChoices, type Spread } from '@outfit/core/packs'
import type { SeriesMember } from '@outfit/core/series'
import { newName } from '../data/newName.ts'
import { PartPicker } from '../catalogue/PartPicker.tsx'
import { OneOf } from '../show/ChoicePanel.tsx'
import { Button } from '../ui/Button.tsx'
import { usePartLabel } from './usePartLabel.ts'
import { NumberField } from './NumberField.tsx'

const SPREAD_WORDS: Readonly<Record<Spread, string>> = {
  equal: 'equally often',
  weighted: 'by weight',
  chase: 'some rarely',
}

/** How packs are mixed: how many, how often each figure comes, and what is spread over them. */
export function PackFields({
  packs,
  members,
  onChange,
}: {
  packs: PackChoices
  members: readonly SeriesMember[]
  onChange: (next: Partial<PackChoices>) => void
}) {
  const { spread, weights, chase, items } = packs
  const labelOf = usePartLabel()
  const setItem = (id: string, next: Partial<BonusItem>) =>
    onChange({ items: items.map((item) => (item.id === id ? { ...item, ...next } : item)) })
  return (
    <>
      <NumberField
        label="Packs"
        value={packs.packs}
        least={0}
        most={PACK_LIMITS.packs}
        onChange={(count) => onChange({ packs: count })}
      />
      <OneOf
        label="Each figure comes"
        value={spread}
        options={SPREADS.map((one) => [one, SPREAD_WORDS[one]] as const)}
        onChoose={(next) => onChange({ spread: next })}
      />
      {spread === 'weighted' && (
        <fieldset>
          <legend className="text-[14px] text-soft">How often against the others</legend>
          {members.map(({ id, name }) => (
            <NumberField
              key={id}
              label={name}
              value={weights.find(({ outfit }) => outfit === id)?.weight ?? 1}
              least={0}
              most={PACK_LIMITS.weight}
              step={0.1}
              onChange={(weight) =>
                onChange({ weights: [...weights.filter(({ outfit }) => outfit !== id), { outfit: id, weight }] })
              }
            />
          ))}
        </fieldset>
      )}
      {spread === 'chase' && (
        <fieldset>
          <legend className="text-[14px] text-soft">Rare ones, each in so many packs; the others share the rest</legend>
          {members.map(({ id, name }) => {
            const rare = chase.find(({ outfit }) => outfit === id)
            return (
              <div key={id} className="flex min-h-8 items-center gap-2">
                <label className="flex min-w-0 flex-1 items-center gap-1.5">
                  <input
                    type="checkbox"
                    checked={rare !== undefined}
                    onChange={({ target }) =>
                      onChange({
                        chase: target.checked
                          ? [...chase, { outfit: id, count: 1 }]
                          : chase.filter(({ outfit }) => outfit !== id),
                      })
                    }
                  />
                  <span className="truncate">{name}</span>
                </label>
                {rare && (
                  <NumberField
                    hidden
                    label={`Packs with ${name}`}
                    value={rare.count}
                    least={0}
                    most={PACK_LIMITS.packs}
                    onChange={(count) =>
                      onChange({ chase: chase.map((one) => (one.outfit === id ? { ...one, count } : one)) })
                    }
                  />
                )}
              </div>
            )
          })}
        </fieldset>
      )}
      <fieldset>
        <legend className="font-semibold">Bonus items</legend>
        {items.map((item) => (
          <div key={item.id} className="mt-1 rounded-[8px] border border-rule bg-card p-2">
            <div className="flex items-center gap-1">
              <input
                aria-label="Name of the bonus item"
                value={item.name}
                maxLength={80}
                onChange={({ target }) => setItem(item.id, { name: target.value })}
                className="min-w-0 flex-1 rounded-[8px] border border-rule bg-paper px-2 py-0.5"
              />
              <Button
                look="plain"
                className="px-1.5 py-1"
                aria-label={`Take ${item.name || 'this item'} off the list`}
                onClick={() => onChange({ items: items.filter(({ id }) => id !== item.id) })}
              >
                <X aria-hidden className="size-4" />
              </Button>
            </div>
            <div className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1 text-[14px]">
              <NumberField
                label="how many"
                value={item.count}
                least={0}
                most={PACK_LIMITS.count}
                onChange={(count) => setItem(item.id, { count })}
              />
              <label className="flex items-center gap-1.5">
                with
                <select
                  value={item.tiedTo ?? ''}
                  onChange={({ target }) => setItem(item.id, { tiedTo: target.value || null })}
                  className="max-w-[150px] rounded-[8px] border border-rule bg-paper px-1 py-0.5"
                >
                  <option value="">anybody</option>
                  {members.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </select>
              </label>
            </div>
          </div>
        ))}
        <div className="mt-1 flex flex-wrap gap-x-2">
          <PartPicker
            title="Which part is the bonus?"
            onPick={({ part }) =>
              onChange({
                items: [...items, { id: newName(), name: labelOf(part), part: part.code, count: 1, tiedTo: null }],
              })
            }
          >
            <Button look="plain" className="px-1 py-0.5" disabled={items.length >= PACK_LIMITS.items}>
              Add a part
            </Button>
          </PartPicker>
          <Button
            look="plain"
            className="px-1 py-0.5"
            disabled={items.length >= PACK_LIMITS.items}
            onClick={() =>
              onChange({ items: [...items, { id: newName(), name: 'A note', part: null, count: 1, tiedTo: null }] })
            }
          >
            Add something else
          </Button>
        </div>
        {items.length > 0 && (
          <>
            <label className="mt-1 flex min-h-6 items-center gap-1.5">
              <input
                type="checkbox"
                checked={packs.atMostOne}
                onChange={({ target }) => onChange({ atMostOne: target.checked })}
              />
              at most one a pack
            </label>
            <label className="mt-0.5 flex min-h-6 items-center gap-1.5">
              <input
                type="checkbox"
                checked={packs.every !== null}
                onChange={({ target }) => onChange({ every: target.checked ? 6 : null })}
              />
              of some packs in a row at least one
            </label>
            {packs.every !== null && (
              <NumberField
                label="of every"
                value={packs.every}
                least={1}
                most={PACK_LIMITS.packs}
                unit="packs"
                onChange={(every) => onChange({ every })}
              />
            )}
          </>
        )}
      </fieldset>
      <Button className="self-start" onClick={() => onChange({ seed: Math.floor(Math.random() * 2 ** 31) })}>
        <Shuffle aria-hidden className="size-4" /> Mix anew
      </Button>
    </>
  )
}
