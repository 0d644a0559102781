import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { RosterShelf, ShelfOutfit } from '@outfit/core/shelf'
import { api, errorText } from '../data/api.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { FIELD, FormDialog } from '../ui/FormDialog.tsx'
import { tell } from '../ui/tell.ts'
import { useChangeOutfits } from './useChangeOutfits.ts'

interface OutfitDialogProps {
  outfit: ShelfOutfit
  roster: RosterShelf
  what: 'change' | 'another'
  onDone: () => void
}

/** What an outfit is called, where it stands and what it began with; or one more outfit of its character. */
export function OutfitDialog({ what, ...props }: OutfitDialogProps) {
  return what === 'change' ? <ChangeForm {...props} /> : <AnotherForm {...props} />
}

function ChangeForm({ outfit, roster, onDone }: Omit<OutfitDialogProps, 'what'>) {
  const [change] = useChangeOutfits(roster.id)
  const [name, setName] = useState(outfit.name)
  const [faction, setFaction] = useState(outfit.faction)
  const { data: begun } = api.endpoints.figure.useQuery(outfit.base ?? '', { skip: outfit.base === null })
  const [words, setWords] = useState<string | null>(null)
  const text = words ?? begun?.name ?? ''
  const { data: figures } = api.endpoints.figures.useQuery(text.trim())
  const found = figures?.find(({ name: figure }) => figure.toLowerCase() === text.trim().toLowerCase())
  // Until its words are touched the figure stays as it is.
  const base = words === null ? outfit.base : (found?.code ?? null)
  const unknown = text.trim() !== '' && base === null
  const keep = () => {
    onDone()
    const set = { name: name.trim(), faction: faction.trim(), base }
    void change(
      [outfit],
      () => set,
      () => ({ name: outfit.name, faction: outfit.faction, base: outfit.base }),
    )
  }
  return (
    <FormDialog
      title={outfit.name}
      keep="Keep it so"
      ready={name.trim() !== '' && !unknown}
      onKeep={keep}
      onLeave={onDone}
    >
      <label className="block font-semibold">
        Name
        <input value={name} maxLength={120} onChange={(event) => setName(event.target.value)} className={FIELD} />
      </label>
      <label className="block font-semibold">
        Faction
        <input
          value={faction}
          maxLength={80}
          list="shelf-factions"
          onChange={(event) => setFaction(event.target.value)}
          className={FIELD}
        />
        <datalist id="shelf-factions">
          {[...new Set(roster.outfits.map((one) => one.faction))].map((one) => (
            <option key={one} value={one} />
          ))}
        </datalist>
      </label>
      <label className="block font-semibold">
        It begins with the released figure
        <input
          value={text}
          maxLength={120}
          list="released-figures"
          placeholder="none; write words of its name"
          onChange={(event) => setWords(event.target.value)}
          className={FIELD}
        />
        <datalist id="released-figures">
          {figures?.map(({ code, name: figure }) => (
            <option key={code} value={figure} />
          ))}
        </datalist>
        <span className={`mt-1 block text-[13.5px] font-normal ${unknown ? 'text-problem' : 'text-soft'}`}>
          {unknown
            ? 'No released figure is called so.'
            : 'The audit shows it as it was released beside what it became.'}
        </span>
      </label>
    </FormDialog>
  )
}

function AnotherForm({ outfit, roster, onDone }: Omit<OutfitDialogProps, 'what'>) {
  const [add, { isLoading }] = rosterApi.endpoints.anotherOutfit.useMutation()
  const [remove] = rosterApi.endpoints.removeOutfits.useMutation()
  const navigate = useNavigate()
  const [name, setName] = useState('')
  const [years, setYears] = useState('')
  const [dressed, setDressed] = useState(true)
  const [aged, setAged] = useState(true)
  const [problem, setProblem] = useState('')
  const keep = async () => {
    const answer = await add({
      roster: roster.id,
      character: outfit.characterId,
      name: name.trim(),
      ...(dressed ? { from: outfit.id } : {}),
      ...(years ? { years: Number(years), aged: dressed && aged } : {}),
    })
    if (answer.error) return setProblem(errorText(answer.error))
    onDone()
    const { id, changed, stays } = answer.data
    const told = [...changed, ...stays].map((one) => ` ${one}.`).join('')
    tell(`${name.trim()} stands beside ${outfit.name}.${told}`, () => remove({ roster: roster.id, outfits: [id] }))
    void navigate(`/rosters/${roster.id}`)
  }
  return (
    <FormDialog
      title={`Another outfit of ${outfit.character}`}
      keep="Stand it beside"
      ready={name.trim() !== '' && !isLoading}
      problem={problem}
      onKeep={() => void keep()}
      onLeave={onDone}
    >
      <label className="block font-semibold">
        Name
        <input
          autoFocus
          value={name}
          maxLength={120}
          placeholder={`${outfit.character} at another age, or for a ceremony`}
          onChange={(event) => setName(event.target.value)}
          className={FIELD}
        />
      </label>
      <label className="block font-semibold">
        Age in years
        <input
          type="number"
          min={0}
          max={150}
          value={years}
          placeholder="as the other"
          onChange={(event) => setYears(event.target.value)}
          className={FIELD}
        />
      </label>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          checked={dressed}
          onChange={(event) => setDressed(event.target.checked)}
          className="size-4 accent-[var(--act)]"
        />
        Dressed and briefed as {outfit.name}
      </label>
      {dressed && years !== '' && (
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={aged}
            onChange={(event) => setAged(event.target.checked)}
            className="size-4 accent-[var(--act)]"
          />
          As at that age: face, brows, hair and legs
        </label>
      )}
    </FormDialog>
  )
}
