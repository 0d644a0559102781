import type { Brief, Stature, WishTemplate } from '@outfit/core/brief'
import type { Drawables, Placement } from '@outfit/core/catalogue'
import {
  arrange,
  type Collision,
  type HeadOfAge,
  type Move,
  type Removed,
  type School,
  type Switches,
  type Uniformed,
  type Worn,
} from '@outfit/core/roster'
import { type Choice } from '@outfit/core/shelf'
import { type TeamMember } from '@outfit/core/teams'
import { api } from './api.ts'

interface NewRoster {
  name: string
  note: string
  school: School
  /** Home currency, minor units. */
  budget: number | null
  dueOn: string | null
}

export interface PlannedCharacter {
  name: string
  faction: string
  years: number | null
  notes: string
  brief?: Brief
  placements?: Placement[]
}

/** What can be changed of outfits in a roster, many at once. */
export interface OutfitFacts {
  name?: string
  faction?: string
  stature?: Stature
  base?: string | null
  switches?: Switches
  switchesReason?: string
}

export interface OutfitChange {
  id: string
  set: OutfitFacts
  /** What was there when the change was made; where it is another thing by now, the change is not made. */
  was: OutfitFacts
}

export interface RosterChange {
  name?: string
  note?: string
  budget?: number | null
  dueOn?: string | null
}

export type Bases = { figures: { code: string; name: string; year: number; worn: Placement[] }[] } & Drawables

const PLANNED = ['Outfit', 'Shelves'] as const

/** What is asked and told about rosters; loaded with the rooms that need it. */
export const rosterApi = api.injectEndpoints({
  endpoints: (build) => ({
    beginRoster: build.mutation<{ id: string }, NewRoster>({
      query: (body) => ({ url: 'rosters', method: 'POST', body }),
      invalidatesTags: ['Shelves'],
    }),
    changeRoster: build.mutation<{ collided: Collision[] }, { roster: string; set: RosterChange; was: RosterChange }>({
      query: ({ roster, ...body }) => ({ url: `rosters/${roster}`, method: 'PUT', body }),
      invalidatesTags: PLANNED,
    }),
    takeDownRoster: build.mutation<{ removed: string }, string>({
      query: (roster) => ({ url: `rosters/${roster}`, method: 'DELETE' }),
      invalidatesTags: PLANNED,
    }),
    removed: build.query<Removed[], void>({ query: () => 'removed', providesTags: ['Shelves'] }),
    putBack: build.mutation<{ roster: string | null }, string>({
      query: (id) => ({ url: `removed/${id}`, method: 'POST' }),
      invalidatesTags: PLANNED,
    }),
    addCharacters: build.mutation<
      { version: number; outfits: string[] },
      { roster: string; version: number; characters: PlannedCharacter[] }
    >({
      query: ({ roster, ...body }) => ({ url: `rosters/${roster}/characters`, method: 'POST', body }),
      invalidatesTags: PLANNED,
    }),
    anotherOutfit: build.mutation<
      { id: string; changed: string[]; stays: string[] },
      { roster: string; character: string; name: string; from?: string; years?: number; aged?: boolean }
    >({
      query: ({ roster, ...body }) => ({ url: `rosters/${roster}/outfits`, method: 'POST', body }),
      invalidatesTags: PLANNED,
    }),
    changeOutfits: build.mutation<{ collided: Collision[] }, { roster: string; outfits: OutfitChange[] }>({
      query: ({ roster, ...body }) => ({ url: `rosters/${roster}/outfits`, method: 'PUT', body }),
      invalidatesTags: PLANNED,
    }),
    removeOutfits: build.mutation<{ removed: string }, { roster: string; outfits: string[] }>({
      query: ({ roster, ...body }) => ({ url: `rosters/${roster}/outfits`, method: 'DELETE', body }),
      invalidatesTags: PLANNED,
    }),
    arrangeOutfits: build.mutation<void, { roster: string; moves: Move[] }>({
      query: ({ roster, ...body }) => ({ url: `rosters/${roster}/order`, method: 'PUT', body }),
      invalidatesTags: PLANNED,
      // Who is put down stays there at once; the server says so later, or it goes back.
      async onQueryStarted({ roster, moves }, { dispatch, queryFulfilled }) {
        const shown = dispatch(
          api.util.updateQueryData('shelves', undefined, (cached) => {
            const own = cached.rosters.find(({ id }) => id === roster)
            if (own) own.outfits = arrange(own.outfits, moves)
          }),
        )
        await queryFulfilled.catch(() => shown.undo())
      },
    }),
    moveOver: build.mutation<void, { roster: string; outfits: string[]; to: string }>({
      query: ({ roster, ...body }) => ({ url: `rosters/${roster}/moved`, method: 'POST', body }),
      invalidatesTags: PLANNED,
    }),
    members: build.query<
      { members: TeamMember[]; spare: Record<string, number>; lowest: Record<string, number | null> },
      { roster: string; cast: string[] }
    >({
      query: ({ roster, cast }) => ({ url: `rosters/${roster}/members`, params: { cast: cast.join(',') } }),
      providesTags: ['Outfit', 'Shelves', 'Catalogue'],
    }),
    saveBriefs: build.mutation<
      { briefs: { outfit: string; version: number }[] },
      { roster: string; briefs: { outfit: string; version: number; brief: Brief }[] }
    >({
      query: ({ roster, briefs }) => ({ url: `rosters/${roster}/briefs`, method: 'PUT', body: { briefs } }),
      invalidatesTags: PLANNED,
    }),
    templates: build.query<WishTemplate[], void>({ query: () => 'wish-templates', providesTags: ['Templates'] }),
    saveTemplate: build.mutation<WishTemplate, Pick<WishTemplate, 'name' | 'wishes'>>({
      query: (body) => ({ url: 'wish-templates', method: 'POST', body }),
      invalidatesTags: ['Templates'],
    }),
    removeTemplate: build.mutation<void, string>({
      query: (id) => ({ url: `wish-templates/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Templates'],
    }),
    bases: build.query<Bases, string>({
      query: (roster) => `rosters/${roster}/bases`,
      providesTags: ['Shelves', 'Catalogue'],
    }),
    makeUniform: build.mutation<{ id: string }, { roster: string; name: string; placements: Placement[] }>({
      query: ({ roster, ...body }) => ({ url: `rosters/${roster}/uniforms`, method: 'POST', body }),
      invalidatesTags: PLANNED,
    }),
    saveUniform: build.mutation<
      { version: number; before: Worn[]; deviating: { outfit: string; slots: string[] }[] },
      { uniform: string; version: number; placements: Placement[]; restore?: Worn[] }
    >({
      query: ({ uniform, ...body }) => ({ url: `uniforms/${uniform}`, method: 'PUT', body }),
      invalidatesTags: PLANNED,
    }),
    removeUniform: build.mutation<{ removed: string }, string>({
      query: (uniform) => ({ url: `uniforms/${uniform}`, method: 'DELETE' }),
      invalidatesTags: PLANNED,
    }),
    joinUniform: build.mutation<{ before: Uniformed[] }, { roster: string; outfits: Uniformed[]; dressed: boolean }>({
      query: ({ roster, ...body }) => ({ url: `rosters/${roster}/uniformed`, method: 'PUT', body }),
      invalidatesTags: PLANNED,
    }),
    saveHeads: build.mutation<void, { character: string; heads: HeadOfAge[] }>({
      query: ({ character, ...body }) => ({ url: `characters/${character}/heads`, method: 'PUT', body }),
      invalidatesTags: PLANNED,
    }),
    wearHeads: build.mutation<{ before: Worn[] }, { roster: string; outfits: Worn[] }>({
      query: ({ roster, ...body }) => ({ url: `rosters/${roster}/heads`, method: 'PUT', body }),
      invalidatesTags: PLANNED,
    }),
    preferences: build.query<(Choice & { at: string })[], string>({
      query: (roster) => `rosters/${roster}/preferences`,
      providesTags: ['Preferences'],
    }),
    prefer: build.mutation<void, { roster: string } & Choice>({
      query: ({ roster, ...body }) => ({ url: `rosters/${roster}/preferences`, method: 'POST', body }),
      invalidatesTags: ['Preferences'],
    }),
    forgetPreference: build.mutation<void, { roster: string } & Choice>({
      query: ({ roster, ...body }) => ({ url: `rosters/${roster}/preferences`, method: 'DELETE', body }),
      invalidatesTags: ['Preferences'],
    }),
    buildOutfit: build.mutation<{ moved: number }, string>({
      query: (outfit) => ({ url: `outfits/${outfit}/built`, method: 'POST' }),
      invalidatesTags: PLANNED,
    }),
    takeApart: build.mutation<{ moved: number }, string>({
      query: (outfit) => ({ url: `outfits/${outfit}/built`, method: 'DELETE' }),
      invalidatesTags: PLANNED,
    }),
    markShown: build.mutation<void, { outfits: string[]; how: 'card' | 'line-up' | 'comparison' }>({
      query: (body) => ({ url: 'shown', method: 'POST', body }),
      invalidatesTags: ['Shelves'],
    }),
  }),
})
