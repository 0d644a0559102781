import { useState } from 'react'
import { Link } from 'react-router'
import { SLOT_FACTS, SPINE } from '@outfit/core/anatomy'
import { partLabel, type Catalogue, type Placement, type Slot } from '@outfit/core/catalogue'
import { deviationsOf, follow, wornAlike, type Uniform } from '@outfit/core/roster'
import { type RosterShelf, type ShelfOutfit } from '@outfit/core/shelf'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { rosterApi } from '../data/rosterApi.ts'
import { useAppSelector } from '../data/hooks.ts'
import { errorText } from '../data/api.ts'
import { Button } from '../ui/Button.tsx'
import { Figure } from '../ui/Figure.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { Persons } from './Persons.tsx'
import { RosterFrame } from './RosterFrame.tsx'
import { useUniformed } from './useUniformed.ts'

/** What outfits of a roster share: uniforms, and the heads of characters with several outfits. */
export function UniformsView() {
  return (
    <RosterFrame>
      {({ roster }) => (
        <>
          <p className="mt-3 max-w-3xl text-soft">
            A uniform is what outfits wear alike: torso, legs, vest. Change it once, and all who did not deviate change
            with it; who deviates is named.{' '}
            <Link to={`/rosters/${roster.id}/exchange`} className="font-semibold text-act underline">
              Try one part on everybody
            </Link>
          </p>
          {roster.uniforms.map((uniform) => (
            <OneUniform key={uniform.id} uniform={uniform} roster={roster} />
          ))}
          <NewUniform roster={roster} />
          <Persons roster={roster} />
        </>
      )}
    </RosterFrame>
  )
}

const select = 'rounded-[8px] border border-rule bg-card px-2 py-1'

function OneUniform({ uniform, roster }: { uniform: Uniform; roster: RosterShelf }) {
  const catalogue = useAppSelector(selectCatalogue)
  const [save] = rosterApi.endpoints.saveUniform.useMutation()
  const [remove] = rosterApi.endpoints.removeUniform.useMutation()
  const [putBack] = rosterApi.endpoints.putBack.useMutation()
  const uniformed = useUniformed(roster.id)
  const [model, setModel] = useState('')
  const members = roster.outfits.filter((outfit) => outfit.uniform === uniform.id)
  const others = roster.outfits.filter((outfit) => outfit.uniform !== uniform.id)
  const slots = new Set(uniform.placements.map(({ slot }) => slot))
  const asModel = (outfit: ShelfOutfit): Placement[] =>
    outfit.placements.filter(
      ({ slot, part }) =>
        slots.has(slot) && (!SLOT_FACTS[slot].stack || uniform.placements.some((p) => p.part === part)),
    )
  const chosen = roster.outfits.find(({ id }) => id === model)
  const change = async (placements: Placement[], words: string) => {
    const answer = await save({ uniform: uniform.id, version: uniform.version, placements })
    if (answer.error) return tellError(answer.error)
    setModel('')
    const { before, version } = answer.data
    tell(`${words} ${before.length === 1 ? '1 outfit changed' : `${before.length} outfits changed`} with it.`, () =>
      save({ uniform: uniform.id, version, placements: uniform.placements, restore: before }),
    )
  }
  const drop = async () => {
    const answer = await remove(uniform.id)
    if (answer.error) return tellError(answer.error)
    tell(`${uniform.name} is no uniform any more; nobody was undressed.`, () => putBack(answer.data.removed))
  }
  const put = (outfit: ShelfOutfit, into: boolean) =>
    uniformed(
      [outfit.id],
      into ? uniform.id : null,
      into,
      into ? `${outfit.name} wears ${uniform.name}.` : `${outfit.name} is out of ${uniform.name}.`,
    )
  const wouldChange = chosen
    ? members.filter((one) => !wornAlike(follow(one.placements, uniform.placements, asModel(chosen)), one.placements))
    : []
  return (
    <section
      aria-label={`Uniform ${uniform.name}`}
      className="mt-5 grid grid-cols-[170px_minmax(0,1fr)] gap-6 border-t border-rule pt-4"
    >
      <Figure placements={uniform.placements} label={uniform.name} className="h-[220px] w-[170px]" />
      <div>
        <div className="flex items-baseline gap-3">
          <h2 className="text-xl">{uniform.name}</h2>
          <span className="text-soft">
            {members.length} {members.length === 1 ? 'outfit' : 'outfits'}
          </span>
          <Button look="plain" className="ml-auto px-2 py-0.5" onClick={() => void drop()}>
            No uniform any more
          </Button>
        </div>
        {catalogue && <p className="text-[13.5px] text-soft">{piecesInWords(uniform.placements, catalogue)}</p>}
        <ul className="mt-2 flex flex-wrap gap-x-2 gap-y-1">
          {members.map((outfit) => {
            const away = deviationsOf(outfit.placements, uniform.placements)
            return (
              <li key={outfit.id} className="rounded-full border border-rule bg-card py-0.5 pr-1 pl-3">
                <Link to={`/outfits/${outfit.id}/bench`} className="font-semibold hover:text-act hover:underline">
                  {outfit.name}
                </Link>{' '}
                <span className={`text-[13.5px] ${away.length > 0 ? 'text-notice' : 'text-good'}`}>
                  {away.length > 0 ? `deviates: ${rowsInWords(away)}` : 'as the uniform'}
                </span>
                <button
                  type="button"
                  aria-label={`Take ${outfit.name} out of ${uniform.name}`}
                  onClick={() => void put(outfit, false)}
                  className="ml-1 rounded-full px-1.5 text-soft hover:bg-band hover:text-ink"
                >
                  ×
                </button>
              </li>
            )
          })}
        </ul>
        <div className="mt-3 flex flex-wrap items-center gap-3">
          {others.length > 0 && (
            <select
              aria-label={`Put somebody into ${uniform.name}`}
              value=""
              onChange={(event) => {
                const outfit = others.find(({ id }) => id === event.target.value)
                if (outfit) void put(outfit, true)
              }}
              className={select}
            >
              <option value="">Put somebody into it…</option>
              {others.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          )}
          <label className="flex items-center gap-2">
            Change it to what
            <select value={model} onChange={(event) => setModel(event.target.value)} className={select}>
              <option value="">nobody yet</option>
              {roster.outfits
                .filter(
                  (outfit) =>
                    deviationsOf(outfit.placements, uniform.placements).length > 0 && asModel(outfit).length > 0,
                )
                .map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
            </select>
            wears
          </label>
          {chosen && (
            <Button
              look="act"
              className="px-2.5 py-1"
              onClick={() => void change(asModel(chosen), `${uniform.name} is what ${chosen.name} wears.`)}
            >
              Change it for {wouldChange.length === 0 ? 'nobody else' : wouldChange.map(({ name }) => name).join(', ')}
            </Button>
          )}
        </div>
      </div>
    </section>
  )
}

/** Slots as rows of the spine: "torso, arms, legs". */
const rowsInWords = (slots: readonly Slot[]) =>
  SPINE.filter((row) => row.slots.some((slot) => slots.includes(slot)))
    .map(({ label }) => label.toLowerCase().replace(', ', ' '))
    .join(', ')

function piecesInWords(placements: readonly Placement[], catalogue: Catalogue): string {
  const words = placements.flatMap(({ part: code }) => {
    const part = catalogue.parts.get(code)
    return part ? [partLabel(catalogue, part)] : []
  })
  return [...new Set(words)].join(', ')
}

/** Rows of the spine a uniform commonly has; heads and headgear stay with the person. */
const COMMON = new Set(['torso', 'arms', 'legs', 'neck'])

function NewUniform({ roster }: { roster: RosterShelf }) {
  const dressed = roster.outfits.filter(({ placements }) => placements.length > 0)
  const [make, { isLoading }] = rosterApi.endpoints.makeUniform.useMutation()
  const [join] = rosterApi.endpoints.joinUniform.useMutation()
  const [remove] = rosterApi.endpoints.removeUniform.useMutation()
  const [model, setModel] = useState('')
  const [name, setName] = useState('')
  const [rows, setRows] = useState<ReadonlySet<string>>(COMMON)
  const [problem, setProblem] = useState('')
  const outfit = dressed.find(({ id }) => id === model) ?? dressed[0]
  if (!outfit) return null
  const worn = SPINE.filter(({ slots }) => outfit.placements.some(({ slot }) => slots.includes(slot)))
  const slots = worn.filter(({ key }) => rows.has(key)).flatMap((row) => row.slots)
  const placements = outfit.placements.filter(({ slot }) => slots.includes(slot))
  const alike = roster.outfits.filter(
    (one) => one.uniform === null && one.placements.length > 0 && deviationsOf(one.placements, placements).length === 0,
  )
  const save = async () => {
    const answer = await make({ roster: roster.id, name: name.trim(), placements })
    if (answer.error) return setProblem(errorText(answer.error))
    const { id } = answer.data
    if (alike.length > 0) {
      const joined = await join({
        roster: roster.id,
        outfits: alike.map((one) => ({ outfit: one.id, uniform: id })),
        dressed: false,
      })
      if (joined.error) return tellError(joined.error)
    }
    setName('')
    setProblem('')
    tell(`${name.trim()} is a uniform of ${alike.length}.`, () => remove(id))
  }
  return (
    <section aria-labelledby="new-uniform" className="mt-6 border-t border-rule pt-4">
      <h2 id="new-uniform" className="text-xl">
        Make a uniform
      </h2>
      <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        <label className="flex items-center gap-2">
          Of what
          <select value={outfit.id} onChange={(event) => setModel(event.target.value)} className={select}>
            {dressed.map(({ id, name: own }) => (
              <option key={id} value={id}>
                {own}
              </option>
            ))}
          </select>
          wears:
        </label>
        {worn.map(({ key, label }) => (
          <label key={key} className="flex items-center gap-1.5">
            <input
              type="checkbox"
              checked={rows.has(key)}
              onChange={() => {
                const next = new Set(rows)
                if (!next.delete(key)) next.add(key)
                setRows(next)
              }}
              className="size-4 accent-[var(--act)]"
            />
            {label}
          </label>
        ))}
      </div>
      <div className="mt-2 flex items-center gap-3">
        <input
          value={name}
          maxLength={80}
          placeholder="What it is called"
          aria-label="Name of the uniform"
          onChange={(event) => setName(event.target.value)}
          className={`w-[220px] ${select}`}
        />
        <Button disabled={isLoading || name.trim() === '' || placements.length === 0} onClick={() => void save()}>
          {alike.length === 0
            ? 'Make it'
            : `Make it for ${alike.length === 1 ? alike[0]!.name : `the ${alike.length} who wear it so`}`}
        </Button>
        {problem && (
          <p role="alert" className="text-problem">
            {problem}
          </p>
        )}
      </div>
    </section>
  )
}
