import { USUAL_SETTINGS, type WorkspaceSettings } from '@outfit/core/settings'
import { api } from './api.ts'

/** What the workspace has otherwise than usual. */
export const settingsApi = api.injectEndpoints({
  endpoints: (build) => ({
    settings: build.query<WorkspaceSettings, void>({ query: () => 'settings', providesTags: ['Settings'] }),
    changeSettings: build.mutation<WorkspaceSettings, Partial<Omit<WorkspaceSettings, 'home'>>>({
      query: (body) => ({ url: 'settings', method: 'PUT', body }),
      // Another market may be asked, by another name.
      invalidatesTags: (_settings, _error, set) => (set.marketService === undefined ? [] : [{ type: 'Sellers' as never }]),
      // It shows at once, and goes back where it could not be kept.
      onQueryStarted: (set, { dispatch, queryFulfilled }) => {
        const patch = dispatch(settingsApi.util.updateQueryData('settings', undefined, (now) => ({ ...now, ...set })))
        void queryFulfilled.catch(() => patch.undo())
      },
    }),
    moveHome: build.mutation<WorkspaceSettings, { currency: string; rate?: number }>({
      query: (body) => ({ url: 'settings/home', method: 'PUT', body }),
    }),
  }),
})

/** Settings as they stand; what is usual until they are known. */
export const useSettings = (): WorkspaceSettings => settingsApi.endpoints.settings.useQuery().data ?? USUAL_SETTINGS
