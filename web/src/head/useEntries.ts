import { useMemo } from 'react'
import { useMatch } from 'react-router'
import { partLabel } from '@outfit/core/catalogue'
import { api } from '../data/api.ts'
import { selectCatalogue } from '../data/catalogueSlice.ts'
import { drawerApi } from '../data/drawerApi.ts'
import { useAppSelector } from '../data/hooks.ts'
import { marketApi } from '../data/marketApi.ts'
import { parcelsApi } from '../data/parcelsApi.ts'
import { standInWords } from '../parcels/parcelWords.ts'
import { useSettled } from '../ui/useSettled.ts'
import { outfitEntry, type Entry, type Group } from './entries.ts'
import { ROOMS, SETTINGS, stepsOf } from './rooms.ts'

const ACTS: readonly Entry[] = [
  { to: '/bring-in', name: 'Bring a list in', about: 'what you own, or what a seller asks' },
  { to: '/settings/done', name: 'What was done', about: 'history, undo, take back' },
  { to: '/settings/devices', name: 'Let a phone in', about: 'other devices, passphrase, network' },
  { to: '/settings/copies', name: 'Write a copy of everything', about: 'archive, bring back' },
  { to: '/settings/begin-anew', name: 'Begin anew', about: 'clear prices, rosters, the drawer, or everything' },
  { to: '/drawer/buildable', name: 'What can be built', about: 'out of what lies loose' },
  { to: '/drawer/allotment', name: 'Who gets which part', about: 'the drawer among all outfits' },
  { to: '/drawer/leftovers', name: 'What is left over', about: 'parts no outfit wears' },
  { to: '/drawer/history', name: 'Undo something in the drawer', about: 'every act, to be taken back' },
  { to: '/parcels/spending', name: 'What was spent', about: 'by day and by roster' },
  { to: '/moulds', name: 'All moulds', about: 'drawn on one sheet' },
  { to: '/tables', name: 'Tables in and out', about: 'as CSV' },
  { to: '/catalogue/parts/new', name: 'A new part', about: 'of your own' },
  { to: '/catalogue/prints/new', name: 'A new print', about: 'drawn layer by layer' },
  { to: '/catalogue/colours/new', name: 'A new colour', about: 'of your own' },
]

const ROSTER_VIEWS = [
  ['table', 'Table'],
  ['briefs', 'Briefs'],
  ['facts', 'Facts'],
  ['cast', 'Cast the roster'],
  ['line-up', 'Line-up'],
  ['sheet', 'Sheet'],
  ['buying', 'Buying'],
  ['rules', 'House rules'],
] as const

const roomEntry = ({ to, name }: { to: string; name: string }): Entry => ({ to, name, about: 'room' })

/** Everything the palette can lead to; parts, figures and releases are asked of the server by what is typed. */
export function useEntries(text: string, outfit: string | null): { groups: Group[]; waiting: boolean } {
  const settled = useSettled(text.trim())
  const skip = settled === ''
  const { data: shelves } = api.endpoints.shelves.useQuery()
  const { data: basics } = api.endpoints.basics.useQuery()
  const { data: market } = marketApi.endpoints.market.useQuery()
  const { data: box } = drawerApi.endpoints.box.useQuery()
  const { data: told } = parcelsApi.endpoints.parcels.useQuery()
  const parts = api.endpoints.findParts.useQuery({ text: settled, limit: 6 }, { skip })
  const figures = api.endpoints.figures.useQuery(settled, { skip })
  const releases = api.endpoints.releases.useQuery(settled, { skip })
  const catalogue = useAppSelector(selectCatalogue)
  const openRoster = useMatch('/rosters/:roster/*')?.params.roster
  const known = useMemo((): Group[] => {
    const rosters = shelves?.rosters ?? []
    const roster = rosters.find(({ id }) => id === openRoster)
    const here = rosters.flatMap(({ outfits }) => outfits).find(({ id }) => id === outfit)
    return [
      {
        title: 'Outfits',
        entries: rosters.flatMap(({ name, outfits }) =>
          outfits.map((one) =>
            outfitEntry(one.id, one.name, one.character === one.name ? name : `${one.character}, ${name}`),
          ),
        ),
      },
      {
        title: 'Rosters',
        entries: rosters.map(({ id, name, outfits }) => ({
          to: `/rosters/${id}`,
          name,
          about: `roster of ${outfits.length}`,
        })),
      },
      ...(here
        ? [{ title: here.name, entries: stepsOf(here.id, '').map(({ to, name }) => ({ to, name, about: here.name })) }]
        : []),
      ...(roster
        ? [
            {
              title: roster.name,
              entries: ROSTER_VIEWS.map(([path, name]) => ({
                to: `/rosters/${roster.id}/${path}`,
                name,
                about: roster.name,
              })),
            },
          ]
        : []),
      { title: 'Rooms', entries: [...ROOMS, SETTINGS].map(roomEntry) },
      { title: 'To do', entries: ACTS },
      {
        title: 'Sellers',
        entries: (market?.sellers ?? []).map(({ code, name, country }) => ({
          to: `/market/sellers/${code}`,
          name,
          about: `seller, ${country}`,
        })),
      },
      {
        title: 'Bins',
        entries: (box?.bins ?? []).map(({ code, name, units }) => ({
          to: `/drawer/bins/${code}`,
          name,
          about: `bin, ${units} parts`,
        })),
      },
      {
        title: 'Parcels',
        entries: (told?.parcels ?? []).map((parcel) => ({
          to: `/parcels/${parcel.id}`,
          name: parcel.seller.name,
          about: `parcel, ${standInWords(parcel)}`,
        })),
      },
      {
        title: 'Moulds',
        entries: (basics?.moulds ?? []).map(({ code, name }) => ({
          to: `/parts?find=${encodeURIComponent(name)}`,
          name,
          about: `mould ${code}`,
        })),
      },
    ]
  }, [shelves, basics, market, box, told, openRoster, outfit])
  // What was found for the letters before stays until the next is found, so that what is selected is not taken away from
  // under who presses Enter.
  const [foundParts, foundReleases, foundFigures] = skip ? [] : [parts.data, releases.data, figures.data]
  const found = useMemo(
    () => [
      {
        title: 'Parts',
        entries: (foundParts?.items ?? []).map(({ part }) => ({
          to: `/parts/${part.code}`,
          name: catalogue ? partLabel(catalogue, part) : part.name,
          about: part.code,
        })),
      },
      {
        title: 'Releases',
        entries: (foundReleases ?? []).map(({ code, name, kind, year }) => ({
          to: `/releases/${code}`,
          name,
          about: `${kind}, ${year}, ${code}`,
        })),
      },
      {
        title: 'Figures',
        entries: (foundFigures ?? []).map(({ code, name, year }) => ({
          to: `/catalogue/figures/${code}`,
          name,
          about: `figure, ${year}, ${code}`,
        })),
      },
    ],
    [foundParts, foundReleases, foundFigures, catalogue],
  )
  return {
    groups: useMemo(() => [...known, ...found], [known, found]),
    waiting: [parts, figures, releases].some(({ isFetching }) => isFetching),
  }
}
