import { formatDay } from '@outfit/core/base'
import { ClipboardPaste } from 'lucide-react'
import { lazy, Suspense, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { errorText } from '../data/api.ts'
import { intakeApi } from '../data/intakeApi.ts'
import type { Recipe } from '@outfit/core/show'
import { Button } from '../ui/Button.tsx'
import { DropZone } from '../ui/DropZone.tsx'
import { Waiting } from '../ui/Notes.tsx'
import { warn } from '../ui/tell.ts'
import { listsIn } from './listsIn.ts'
import { ListTalk } from './ListTalk.tsx'
import { TakenLists } from './TakenLists.tsx'

const RecipeTalk = lazy(async () => ({ default: (await import('../show/RecipeTalk.tsx')).RecipeTalk }))

/** Most of a file that is looked at as a recipe; the server says what else is too much. */
const LONGEST_RECIPE = 60_000_000

/** The recipe a file or pasted text is; null where it is something else, which lists are for. */
async function recipeIn(name: string, body: Blob): Promise<Recipe | 'broken' | null> {
  const isJson = /\.json$/i.test(name)
  if (!isJson && !(await body.slice(0, 64).text()).trimStart().startsWith('{')) return null
  if (body.size > LONGEST_RECIPE) return null
  try {
    // Whether it is in order the server says, by the field.
    return JSON.parse(await body.text()) as Recipe
  } catch {
    return isJson ? 'broken' : null
  }
}

/** The one door: drop a list of any layout, or paste it. */
export function BringInView() {
  const [params, setParams] = useSearchParams()
  const [keep, keeping] = intakeApi.endpoints.keepList.useMutation()
  const [problem, setProblem] = useState<string | null>(null)
  const [pasted, setPasted] = useState('')
  const [waiting, setWaiting] = useState<File[]>([])
  const [recipe, setRecipe] = useState<{ name: string; value: Recipe } | null>(null)
  const id = params.get('list')

  const begin = async (name: string, body: Blob) => {
    setProblem(null)
    const found = await recipeIn(name, body)
    if (found === 'broken') return setProblem(`${name}: this is no JSON that can be read. Nothing was written.`)
    if (found) return setRecipe({ name, value: found })
    const answer = await keep({ name, body })
    if (answer.error) return setProblem(`${name}: ${errorText(answer.error)}`)
    setParams({ list: answer.data.id })
  }
  const take = async (given: readonly File[]) => {
    const { files, left, refused } = await listsIn(given)
    next(files)
    const none =
      left.length > 0
        ? [`${left.slice(0, 5).join(', ')}${left.length > 5 ? ` and ${left.length - 5} more` : ''}: no list, left out.`]
        : []
    const words = [...refused, ...none].join(' ')
    if (words === '') return
    if (files.length > 0) warn(words)
    else setProblem(words)
  }
  const next = (files: readonly File[]) => {
    const [first, ...rest] = files
    setWaiting(rest)
    if (first) void begin(first.name, first)
  }
  /** The next file of those dropped together, or the way back. */
  const leave = () => {
    setParams({})
    if (waiting.length > 0) next(waiting)
  }
  if (recipe)
    return (
      <Suspense fallback={<Waiting>Opening the recipe…</Waiting>}>
        <RecipeTalk name={recipe.name} recipe={recipe.value} onLeave={() => setRecipe(null)} />
      </Suspense>
    )
  if (id) return <ListTalk key={id} id={id} more={waiting.length} onLeave={leave} />
  return (
    <div className="mx-auto max-w-[980px] px-5 py-6">
      <h1 className="text-3xl">Bring a list in</h1>
      <p className="mt-1 max-w-[640px] text-soft">
        Your own spreadsheet will do, as it is: any language, any columns. Outfit says how it reads it and asks what it
        does not know; nothing is written before you say so.
      </p>
      <DropZone
        title={keeping.isLoading ? 'Reading it…' : 'Drop a list here, or choose one'}
        hint="One or many files, a folder or a ZIP. XLSX, ODS, CSV or text: what you own, what somebody asks for parts, sets, sellers, colours. A recipe (JSON): figures somebody made"
        label="Lists to bring in"
        accept=".xlsx,.ods,.csv,.tsv,.txt,.json,.zip,text/csv,text/plain,application/json,application/zip"
        multiple
        disabled={keeping.isLoading}
        onFiles={(files) => void take(files)}
      />
      {problem && (
        <p role="alert" className="mt-3 rounded-[10px] border border-problem bg-card px-3 py-2 text-problem">
          {problem}
        </p>
      )}
      <form
        className="mt-6"
        onSubmit={(event) => {
          event.preventDefault()
          // Each is a list of its own: what is pasted later is not a newer form of it.
          void begin(
            `Pasted ${formatDay(new Date().toISOString(), { dateStyle: 'short', timeStyle: 'medium' })}`,
            new Blob([pasted], { type: 'text/plain' }),
          )
        }}
      >
        <label className="block font-semibold">
          Or paste rows from a spreadsheet
          <textarea
            value={pasted}
            onChange={(event) => setPasted(event.target.value)}
            rows={5}
            className="mt-1 block w-full rounded-[8px] border border-rule bg-card px-2.5 py-1.5 font-normal"
            placeholder={'Torso, striped\tblue\t2\tBox 3'}
          />
        </label>
        <Button type="submit" className="mt-2" disabled={pasted.trim() === '' || keeping.isLoading}>
          <ClipboardPaste aria-hidden className="size-4" /> Read what I pasted
        </Button>
      </form>
      <TakenLists />
      <p className="mt-8 border-t border-rule pt-3 text-[14px] text-soft">
        Tables in Outfit’s own columns, and very large markets, go through{' '}
        <Link to="/tables" className="font-semibold text-act underline">
          tables
        </Link>
        . A single box or figure is brought in from the{' '}
        <Link to="/drawer" className="font-semibold text-act underline">
          drawer
        </Link>
        .
      </p>
    </div>
  )
}
