import type { EntityManager } from 'typeorm'
import type { Colour, Mould } from '@outfit/core/catalogue'
import { STARTER_COLOURS, starterMoulds } from '@outfit/core/starter'
import { ColourEntity, MouldEntity } from '../schema/catalogue.ts'

/** Colours and moulds of the workspace by code, and what the starter shelf has besides. */
export async function ownAndStarter(db: EntityManager): Promise<{ palette: Colour[]; moulds: Mould[] }> {
  const [colours, moulds] = await Promise.all([
    db.find(ColourEntity, { order: { code: 'ASC' } }),
    db.find(MouldEntity, { order: { code: 'ASC' } }),
  ])
  return { palette: besides(colours, STARTER_COLOURS), moulds: besides(moulds, starterMoulds()) }
}

function besides<T extends { code: string }>(own: readonly T[], starter: readonly T[]): T[] {
  const known = new Set(own.map(({ code }) => code))
  return [...own, ...starter.filter(({ code }) => !known.has(code))]
}
