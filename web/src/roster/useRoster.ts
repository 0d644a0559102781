import { useParams } from 'react-router'
import type { RosterShelf } from '@outfit/core/shelf'
import { api } from '../data/api.ts'

/** The roster of the address, with all there is about shelves. */
export function useRoster() {
  const { roster: id } = useParams()
  const answer = api.endpoints.shelves.useQuery(undefined, { refetchOnFocus: true })
  const roster: RosterShelf | undefined = answer.data?.rosters.find((one) => one.id === id)
  return { ...answer, roster, parcels: answer.data?.parcels ?? [], rosters: answer.data?.rosters ?? [] }
}
