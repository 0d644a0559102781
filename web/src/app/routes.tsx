import type { ComponentType } from 'react'
import { createBrowserRouter } from 'react-router'
import { RostersView } from '../shelf/RostersView.tsx'
import { Waiting } from '../ui/Notes.tsx'
import { Broken } from './Broken.tsx'
import { Lost } from './Lost.tsx'
import { Shell } from './Shell.tsx'

/** The views of the drawer. */
const DRAWER: readonly (readonly [string, () => Promise<ComponentType>])[] = [
  ['drawer', async () => (await import('../drawer/BoxView.tsx')).BoxView],
  ['drawer/bins/:bin', async () => (await import('../drawer/BinView.tsx')).BinView],
  ['drawer/history', async () => (await import('../drawer/HistoryView.tsx')).HistoryView],
  ['drawer/buildable', async () => (await import('../workbench/BuildableView.tsx')).BuildableView],
  ['drawer/allotment', async () => (await import('../workbench/AllotmentView.tsx')).AllotmentView],
  ['drawer/leftovers', async () => (await import('../workbench/LeftoversView.tsx')).LeftoversView],
]

/** The steps of a series. */
const SERIES: readonly (readonly [string, () => Promise<ComponentType>])[] = [
  ['', async () => (await import('../series/SeriesView.tsx')).SeriesView],
  ['/leaflet', async () => (await import('../series/LeafletView.tsx')).LeafletView],
  ['/carton', async () => (await import('../series/CartonView.tsx')).CartonView],
  ['/packs', async () => (await import('../series/PacksView.tsx')).PacksView],
  ['/opening', async () => (await import('../series/OpeningView.tsx')).OpeningView],
  ['/buying', async () => (await import('../series/PacksBuyingView.tsx')).PacksBuyingView],
]

/** Every view has its address; all but the first are loaded when they are first opened. */
export const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <Broken />,
    hydrateFallbackElement: <Waiting>Opening…</Waiting>,
    children: [
      { index: true, element: <RostersView /> },
      {
        path: 'rosters/:roster',
        lazy: async () => ({ Component: (await import('../shelf/RosterView.tsx')).RosterView }),
      },
      {
        path: 'rosters/:roster/table',
        lazy: async () => ({ Component: (await import('../shelf/RosterTable.tsx')).RosterTableView }),
      },
      {
        path: 'rosters/:roster/facts',
        lazy: async () => ({ Component: (await import('../shelf/FactsView.tsx')).FactsView }),
      },
      {
        path: 'rosters/:roster/uniforms',
        lazy: async () => ({ Component: (await import('../roster/UniformsView.tsx')).UniformsView }),
      },
      {
        path: 'rosters/:roster/exchange',
        lazy: async () => ({ Component: (await import('../uses/ExchangeView.tsx')).ExchangeView }),
      },
      {
        path: 'rosters/:roster/casting',
        lazy: async () => ({ Component: (await import('../teams/TeamCastingView.tsx')).TeamCastingView }),
      },
      {
        path: 'rosters/:roster/briefs',
        lazy: async () => ({ Component: (await import('../brief/BriefsView.tsx')).BriefsView }),
      },
      {
        path: 'rosters/:roster/cast',
        lazy: async () => ({ Component: (await import('../wardrobe/CastRosterView.tsx')).CastRosterView }),
      },
      {
        path: 'rosters/:roster/line-up',
        lazy: async () => ({ Component: (await import('../show/LineUpView.tsx')).LineUpView }),
      },
      {
        path: 'rosters/:roster/sheet',
        lazy: async () => ({ Component: (await import('../show/SheetView.tsx')).SheetView }),
      },
      ...SERIES.map(([path, load]) => ({
        path: `rosters/:roster/series${path}`,
        lazy: async () => ({ Component: await load() }),
      })),
      {
        path: 'rosters/:roster/audit',
        lazy: async () => ({ Component: (await import('../shelf/AuditView.tsx')).AuditView }),
      },
      {
        path: 'rosters/:roster/ranking',
        lazy: async () => ({ Component: (await import('../shelf/RankingView.tsx')).RankingView }),
      },
      {
        path: 'rosters/:roster/ranking/ballots',
        lazy: async () => ({ Component: (await import('../ballot/BallotsView.tsx')).BallotsView }),
      },
      {
        path: 'rosters/:roster/buying',
        lazy: async () => ({ Component: (await import('../sourcing/RosterBuyingView.tsx')).RosterBuyingView }),
      },
      {
        path: 'rosters/:roster/take-along',
        lazy: async () => ({ Component: (await import('../errands/ErrandsView.tsx')).ErrandsView }),
      },
      {
        path: 'plans/:plan/take-along',
        lazy: async () => ({ Component: (await import('../errands/ErrandsView.tsx')).ErrandsView }),
      },
      {
        path: 'rosters/:roster/rules',
        lazy: async () => ({ Component: (await import('../roster/RulesView.tsx')).RosterRulesView }),
      },
      {
        path: 'settings',
        lazy: async () => ({ Component: (await import('../settings/SettingsView.tsx')).SettingsView }),
      },
      {
        path: 'settings/devices',
        lazy: async () => ({ Component: (await import('../access/DevicesView.tsx')).DevicesView }),
      },
      {
        path: 'settings/done',
        lazy: async () => ({ Component: (await import('../journal/DoneView.tsx')).DoneView }),
      },
      {
        path: 'settings/copies',
        lazy: async () => ({ Component: (await import('../archive/CopiesView.tsx')).CopiesView }),
      },
      {
        path: 'settings/begin-anew',
        lazy: async () => ({ Component: (await import('../archive/ClearView.tsx')).ClearView }),
      },
      {
        path: 'market',
        lazy: async () => ({ Component: (await import('../market/MarketView.tsx')).MarketView }),
      },
      {
        path: 'market/sellers/:seller/news',
        lazy: async () => ({ Component: (await import('../uses/SellerNewsView.tsx')).SellerNewsView }),
      },
      {
        path: 'market/sellers/:seller',
        lazy: async () => ({ Component: (await import('../market/SellerView.tsx')).SellerView }),
      },
      {
        path: 'prices/:kind/:code',
        lazy: async () => ({ Component: (await import('../prices/ThingPricesView.tsx')).ThingPricesView }),
      },
      {
        path: 'outfits/:outfit/prices',
        lazy: async () => ({ Component: (await import('../prices/OutfitPricesView.tsx')).OutfitPricesView }),
      },
      {
        path: 'rosters/:roster/prices',
        lazy: async () => ({ Component: (await import('../prices/OutfitPricesView.tsx')).RosterPricesView }),
      },
      {
        path: 'packs/:release',
        lazy: async () => ({ Component: (await import('../market/PacksView.tsx')).PacksView }),
      },
      {
        path: 'parcels/spending',
        lazy: async () => ({ Component: (await import('../parcels/SpendingView.tsx')).SpendingView }),
      },
      ...['parcels', 'parcels/:parcel'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../parcels/ParcelsView.tsx')).ParcelsView }),
      })),
      ...DRAWER.map(([path, load]) => ({ path, lazy: async () => ({ Component: await load() }) })),
      {
        path: 'outfits/:outfit/workbench',
        lazy: async () => ({ Component: (await import('../workbench/WorkbenchView.tsx')).WorkbenchView }),
      },
      {
        path: 'outfits/:outfit/rules',
        lazy: async () => ({ Component: (await import('../roster/RulesView.tsx')).OutfitRulesView }),
      },
      {
        path: 'outfits/:outfit/bench',
        lazy: async () => ({ Component: (await import('../bench/BenchView.tsx')).BenchView }),
      },
      {
        path: 'outfits/:outfit/brief',
        lazy: async () => ({ Component: (await import('../brief/BriefView.tsx')).BriefView }),
      },
      {
        path: 'outfits/:outfit/casting',
        lazy: async () => ({ Component: (await import('../casting/CastingView.tsx')).CastingView }),
      },
      {
        path: 'outfits/:outfit/takes',
        lazy: async () => ({ Component: (await import('../show/TakesView.tsx')).TakesView }),
      },
      {
        path: 'show',
        lazy: async () => ({ Component: (await import('../show/ShowView.tsx')).ShowView }),
      },
      {
        path: 'later',
        lazy: async () => ({ Component: (await import('../later/LaterView.tsx')).LaterView }),
      },
      {
        path: 'outfits/:outfit/sourcing',
        lazy: async () => ({ Component: (await import('../sourcing/SourcingView.tsx')).SourcingView }),
      },
      {
        path: 'outfits/:outfit/card',
        lazy: async () => ({ Component: (await import('../show/CardView.tsx')).CardView }),
      },
      {
        path: 'parts',
        lazy: async () => ({ Component: (await import('../parts/FinderView.tsx')).FinderView }),
      },
      {
        path: 'moulds',
        lazy: async () => ({ Component: (await import('../parts/MouldSheet.tsx')).MouldSheet }),
      },
      ...(['colours', 'moulds', 'prints', 'parts', 'figures', 'releases'] as const).map((table) => ({
        path: `catalogue/${table}/:code`,
        lazy: async () => ({ Component: (await import('../catalogue/editors.ts')).EDITORS[table] }),
      })),
      {
        path: 'bring-in',
        lazy: async () => ({ Component: (await import('../intake/BringInView.tsx')).BringInView }),
      },
      {
        path: 'tables',
        lazy: async () => ({ Component: (await import('../tables/TablesView.tsx')).TablesView }),
      },
      {
        path: 'parts/:part',
        lazy: async () => ({ Component: (await import('../parts/PartView.tsx')).PartView }),
      },
      {
        path: 'releases/:release',
        lazy: async () => ({ Component: (await import('../uses/MineView.tsx')).MineView }),
      },
      {
        path: 'made',
        lazy: async () => ({ Component: (await import('../made/MadeView.tsx')).MadeView }),
      },
      {
        path: 'made/:made',
        lazy: async () => ({ Component: (await import('../made/MadeEditor.tsx')).MadeEditor }),
      },
      {
        path: 'parts/:part/uses',
        lazy: async () => ({ Component: (await import('../uses/UsesView.tsx')).UsesView }),
      },
      { path: '*', element: <Lost /> },
    ],
  },
])
