import { useId, useState, type ReactNode } from 'react'
import { LENGTHS, LOCALES, type Length, type Locale } from '@outfit/core/base'
import { LEVEL_WORDS, SCHOOL_WORDS, SCHOOLS } from '@outfit/core/roster'
import {
  LABEL_SHEETS,
  LABEL_SHEET_NAMES,
  PAPER_NAMES,
  THEMES,
  type Theme,
  type WorkspaceSettings,
} from '@outfit/core/settings'
import type { Level } from '@outfit/core/catalogue'
import { homeMoney } from '@outfit/core/market'
import { errorText } from '../data/api.ts'
import { sampleApi } from '../data/sampleApi.ts'
import { settingsApi } from '../data/settingsApi.ts'
import { LookRound } from '../sample/LookRound.tsx'
import { FIELD } from '../ui/FormDialog.tsx'
import { ErrorNote, Waiting } from '../ui/Notes.tsx'
import { Switched } from '../ui/Switched.tsx'
import { tell, tellError } from '../ui/tell.ts'
import { Choice, Labelled } from './Choice.tsx'
import { FullSize } from './FullSize.tsx'
import { HomeCurrency } from './HomeCurrency.tsx'
import { Rhythm } from './Rhythm.tsx'
import { WorthField } from './WorthField.tsx'
import { SettingsFrame } from './SettingsFrame.tsx'

const LOOK_WORDS: Record<Theme, string> = { system: 'As the system', light: 'Light', dark: 'Dark' }

/** "1.234,56 · 31.12.2026": what a way of writing looks like. */
const exampleOf = (locale: Locale): string =>
  `${(1234.56).toLocaleString(locale, { minimumFractionDigits: 2, useGrouping: 'always' })} · ${new Date(2026, 11, 31).toLocaleDateString(locale)}`

/** How far things come apart in new rosters: as their house rules have it, or so far. */
const APART: readonly (readonly [Level | null, string])[] = [
  [null, 'as their house rules have it'],
  ...([0, 1, 2, 3, 4] as const).map((level) => [level, LEVEL_WORDS[level]] as const),
]

const LENGTH_WORDS: Record<Length, string> = { mm: 'millimetres', in: 'inches' }

type Changeable = Omit<WorkspaceSettings, 'home'>

const leaveTo = (address: string) => window.location.assign(address)

/** What is set for the whole workspace; each of it is kept at once. */
export function SettingsView() {
  const { data: settings, error, refetch } = settingsApi.endpoints.settings.useQuery()
  const [change] = settingsApi.endpoints.changeSettings.useMutation()
  const { data: sample } = sampleApi.endpoints.sampleWorld.useQuery()
  if (error) return <ErrorNote onRetry={() => void refetch()}>{errorText(error)}</ErrorNote>
  if (!settings) return <Waiting>Looking up what is set…</Waiting>
  const set = async <K extends keyof Changeable>(name: K, value: Changeable[K], words: string) => {
    const before = settings[name]
    if (value === before) return
    const answer = await change({ [name]: value })
    if (answer.error) return tellError(answer.error)
    tell(words, () => change({ [name]: before }))
  }
  const on =
    (name: 'singleKeys' | 'lessMotion' | 'dailyCopies' | 'wholeCatalogue', words: string) => (value: boolean) =>
      void set(name, value, `${words} ${value ? 'on' : 'off'}.`)
  /** Everything is drawn again with it: what stands on the page was written before. */
  const anew = async (forms: Partial<Changeable>) => {
    const answer = await change(forms)
    if (answer.error) return tellError(answer.error)
    window.location.reload()
  }
  return (
    <SettingsFrame>
      <p className="mt-3 text-soft">
        Each holds for this workspace in every browser, is kept at once, and goes along in copies.
      </p>
      <Section title="Money">
        <HomeCurrency key={settings.home} home={settings.home} />
      </Section>
      <Section title="Looks">
        <fieldset>
          <legend className="font-semibold">Light or dark</legend>
          <div className="mt-1 flex flex-wrap gap-2">
            {THEMES.map((look) => (
              <label
                key={look}
                className={`cursor-pointer rounded-[10px] border px-3 py-1.5 has-focus-visible:outline-3 has-focus-visible:outline-act ${settings.look === look ? 'border-act bg-card font-bold' : 'border-rule bg-card text-soft hover:text-ink'}`}
              >
                <input
                  type="radio"
                  name="look"
                  className="sr-only"
                  checked={settings.look === look}
                  onChange={() => void set('look', look, `${LOOK_WORDS[look]}.`)}
                />
                {LOOK_WORDS[look]}
              </label>
            ))}
          </div>
        </fieldset>
        <Switched
          on={settings.lessMotion}
          onChange={on('lessMotion', 'Less motion is')}
          about="Nothing fades or slides. What the system asks for is kept in any case."
        >
          Less motion
        </Switched>
      </Section>
      <Section title="Keys">
        <Switched
          on={settings.singleKeys}
          onChange={on('singleKeys', 'Single-letter keys are')}
          about="Letters alone do something, such as g and b for the bench. Switch them off where they get in the way of dictation or a screen reader."
        >
          Single-letter keys
        </Switched>
      </Section>
      <Section title="Numbers, days and lengths">
        <Choice
          words="Written"
          about="Money, counts and days everywhere, also on cards and sheets. What you type is read either way."
          value={settings.locale}
          options={LOCALES.map((locale) => [locale, exampleOf(locale)])}
          onPick={(locale) => void anew({ locale })}
        />
        <Choice
          words="Lengths"
          about="How tall figures are, and what lifts a head. What is printed to scale stays in millimetres."
          value={settings.length}
          options={LENGTHS.map((length) => [length, LENGTH_WORDS[length]])}
          onPick={(length) => void anew({ length })}
        />
        <Labelled
          words="A full-size figure is"
          about="From the ground to the top of its hair. Heights, sheets printed to scale and how much fits on a neck follow it; what you typed of your own moulds stays."
        >
          {(id) => <FullSize id={id} mm={settings.fullSize} onKeep={(fullSize) => void anew({ fullSize })} />}
        </Labelled>
      </Section>
      <Section title="Market">
        <Labelled
          words="Market service"
          about="An address that answers as the description of formats says. Left empty, the market Outfit was started with is asked, if any."
        >
          {(id) => (
            <KeptField
              key={settings.marketService}
              id={id}
              value={settings.marketService}
              longest={300}
              placeholder="https://…"
              onKeep={(marketService) =>
                void set(
                  'marketService',
                  marketService,
                  marketService
                    ? `${marketService} is asked for prices.`
                    : 'The market Outfit was started with is asked.',
                )
              }
            />
          )}
        </Labelled>
        <Rhythm asks={settings.asks} onKeep={(asks, words) => void set('asks', asks, words)} />
      </Section>
      <Section title="New rosters">
        <Choice
          words="House rules they begin with"
          about={SCHOOL_WORDS[settings.school].allows}
          value={settings.school}
          options={SCHOOLS.map((school) => [school, SCHOOL_WORDS[school].label])}
          onPick={(school, words) => void set('school', school, `New rosters begin as “${words}”.`)}
        />
        <Choice
          words="Things come apart"
          about="How far what is bought or owned is taken apart for a figure."
          value={settings.takingApart}
          options={APART}
          onPick={(level, words) => void set('takingApart', level, `In new rosters things come apart: ${words}.`)}
        />
        <Labelled
          words="A point of likeness is worth"
          about="Where a roster is cast, likeness is weighed against money so, to begin with."
        >
          {(id) => (
            <WorthField
              key={settings.worth}
              id={id}
              worth={settings.worth}
              onKeep={(worth) => void set('worth', worth, `A point of likeness is worth ${homeMoney(worth)}.`)}
            />
          )}
        </Labelled>
      </Section>
      <Section title="Paper">
        <Choice
          words="The printer holds"
          about="Orders, and sheets of rosters that have no choice of their own yet."
          value={settings.paper}
          options={PAPER_NAMES.map((paper) => [paper, paper])}
          onPick={(paper) => void set('paper', paper, `The printer holds ${paper}.`)}
        />
        <Choice
          words="Labels of bins"
          about="Print one sheet on plain paper first, and hold it against the labels."
          value={settings.labels}
          options={LABEL_SHEET_NAMES.map((name) => [name, LABEL_SHEETS[name].label])}
          onPick={(labels, words) => void set('labels', labels, `Labels are ${words}.`)}
        />
      </Section>
      <Section title="Catalogue">
        <Switched
          on={settings.wholeCatalogue}
          onChange={on('wholeCatalogue', 'Saying what was never made is')}
          about="Your catalogue has every colour and print its moulds were ever made in. Only then does Outfit say that something was never made, and pins it on a figure."
        >
          The catalogue is complete
        </Switched>
      </Section>
      <Section title="You">
        <Labelled
          words="Your name"
          about="Stands in the credits of cards and sheets that name nobody else, and where you vote for a take. May be left out."
        >
          {(id) => (
            <KeptField
              key={settings.maker}
              id={id}
              value={settings.maker}
              longest={80}
              placeholder="none"
              onKeep={(maker) =>
                void set('maker', maker, maker === '' ? 'No name is put down.' : `You are ${maker} from now on.`)
              }
            />
          )}
        </Labelled>
      </Section>
      <Section title="Copies">
        <Switched
          on={settings.dailyCopies}
          onChange={on('dailyCopies', 'The copy of each day is')}
          about="One file with everything, beside the data of this machine: seven days, four weeks and twelve months of them are kept."
        >
          A copy each day
        </Switched>
      </Section>
      {sample?.offered && (
        <Section title="The sample world">
          <p className="text-soft">
            Lantern Quay, to look round in. It stands beside this workspace, which stays as it is, and goes in one
            press.
          </p>
          <div className="flex">
            <LookRound onLeave={leaveTo} />
          </div>
        </Section>
      )}
    </SettingsFrame>
  )
}

function Section({ title, children }: { title: string; children: ReactNode }) {
  const id = useId()
  return (
    <section
      aria-labelledby={id}
      className="mt-4 grid gap-x-6 gap-y-3 border-t border-rule pt-4 md:grid-cols-[180px_1fr]"
    >
      <h2 id={id} className="text-lg">
        {title}
      </h2>
      <div className="space-y-4">{children}</div>
    </section>
  )
}

interface KeptFieldProps {
  id: string
  value: string
  longest: number
  placeholder: string
  onKeep: (value: string) => void
}

/** A text that is kept on leaving the field or with Enter. */
function KeptField({ id, value, longest, placeholder, onKeep }: KeptFieldProps) {
  const [text, setText] = useState(value)
  const keep = () => onKeep(text.trim())
  return (
    <input
      id={id}
      value={text}
      maxLength={longest}
      placeholder={placeholder}
      onChange={({ target }) => setText(target.value)}
      onBlur={keep}
      onKeyDown={({ key }) => key === 'Enter' && keep()}
      className={`${FIELD} max-w-[420px]`}
    />
  )
}
