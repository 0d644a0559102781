import { useId, useState, type FormEvent } from 'react'
import { useSearchParams } from 'react-router'
import { PLACE_FACTS, PLACES } from '@outfit/core/brief'
import { api, errorText } from '../data/api.ts'
import { lastOutfit } from '../head/lately.ts'
import { Button } from '../ui/Button.tsx'
import { MoneyField } from '../ui/MoneyField.tsx'

const WAITS = {
  nothing: 'just a note',
  colour: 'waits for a colour',
  offer: 'waits for an offer',
} as const

/** Put something on the list: a note, a mould in a colour it was never made in, or a part at a price. */
export function NewEntry() {
  const { data: shelves } = api.endpoints.shelves.useQuery()
  const { data: basics } = api.endpoints.basics.useQuery()
  const [make, { isLoading }] = api.endpoints.makeLater.useMutation()
  const [note, setNote] = useState('')
  const [search] = useSearchParams()
  const [outfit, setOutfit] = useState(() => search.get('outfit') ?? lastOutfit() ?? '')
  const [place, setPlace] = useState(search.get('place') ?? '')
  const [waits, setWaits] = useState<keyof typeof WAITS>('nothing')
  const [text, setText] = useState('')
  const [part, setPart] = useState('')
  const [colour, setColour] = useState('')
  const [atMost, setAtMost] = useState<number | null>(null)
  const [problem, setProblem] = useState('')
  const listId = useId()
  const { data: found } = api.endpoints.findParts.useQuery(
    { text, limit: 12 },
    { skip: waits === 'nothing' || text.length < 2 },
  )
  const colourName = (code: string | undefined) => basics?.colours.find((c) => c.code === code)?.name ?? ''
  const outfits = shelves?.rosters.flatMap((roster) => roster.outfits) ?? []

  const pick = (value: string) => {
    setText(value)
    setPart(/^(\S+) · /.exec(value)?.[1] ?? '')
  }
  const add = async (event: FormEvent) => {
    event.preventDefault()
    if (!note.trim()) return setProblem('Say in a few words what is put off.')
    if (waits !== 'nothing' && !part) return setProblem('Choose a part from the list that opens while you type.')
    if (waits === 'colour' && !colour) return setProblem('Choose the colour that is waited for.')
    const answer = await make({
      note: note.trim(),
      ...(outfits.some(({ id }) => id === outfit) && { outfit }),
      ...(place && { place }),
      ...(waits === 'colour' && { like: part, colour }),
      ...(waits === 'offer' && { part, ...(atMost !== null && { atMost }) }),
    })
    if (answer.error) return setProblem(errorText(answer.error))
    setProblem('')
    setNote('')
    pick('')
  }
  const field = 'rounded-[8px] border border-rule bg-card px-2 py-1'
  return (
    <form
      onSubmit={(event) => void add(event)}
      aria-label="Put off"
      className="mt-3 rounded-[12px] border border-rule bg-card/60 p-3"
    >
      <div className="flex gap-2">
        <input
          value={note}
          maxLength={300}
          onChange={(event) => setNote(event.target.value)}
          placeholder="Hair tied back; a smaller lantern; try the shawl over the vest …"
          aria-label="What is put off"
          className={`${field} min-w-0 flex-1 placeholder:text-soft`}
        />
        <Button type="submit" look="act" disabled={isLoading}>
          Put it off
        </Button>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2 text-[13.5px]">
        <select
          aria-label="Outfit"
          value={outfit}
          onChange={(event) => setOutfit(event.target.value)}
          className={field}
        >
          <option value="">no outfit</option>
          {outfits.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
        <select aria-label="Place" value={place} onChange={(event) => setPlace(event.target.value)} className={field}>
          <option value="">the whole outfit</option>
          {PLACES.map((key) => (
            <option key={key} value={key}>
              {PLACE_FACTS[key].label}
            </option>
          ))}
        </select>
        <select
          aria-label="Waits for"
          value={waits}
          onChange={(event) => setWaits(event.target.value as keyof typeof WAITS)}
          className={field}
        >
          {Object.entries(WAITS).map(([key, label]) => (
            <option key={key} value={key}>
              {label}
            </option>
          ))}
        </select>
        {waits !== 'nothing' && (
          <>
            <input
              list={listId}
              value={text}
              onChange={(event) => pick(event.target.value)}
              placeholder={waits === 'colour' ? 'a part in the right shape' : 'the part'}
              aria-label="Part"
              className={`${field} w-[220px] placeholder:text-soft`}
            />
            <datalist id={listId}>
              {found?.items.map(({ part: { code, name, colours } }) => (
                <option key={code} value={`${code} · ${name}, ${colourName(colours[0])}`} />
              ))}
            </datalist>
          </>
        )}
        {waits === 'colour' && (
          <select
            aria-label="Colour"
            value={colour}
            onChange={(event) => setColour(event.target.value)}
            className={field}
          >
            <option value="">in which colour?</option>
            {[...(basics?.colours ?? [])]
              .sort((a, b) => a.name.localeCompare(b.name))
              .map(({ code, name }) => (
                <option key={code} value={code}>
                  {name}
                </option>
              ))}
          </select>
        )}
        {waits === 'offer' && (
          <label className="flex items-center gap-1.5">
            for at most <MoneyField value={atMost} onChange={setAtMost} label="At most" className="w-[80px] py-1" />
          </label>
        )}
      </div>
      {problem && (
        <p role="alert" className="mt-1.5 text-[13.5px] text-problem">
          {problem}
        </p>
      )}
    </form>
  )
}
