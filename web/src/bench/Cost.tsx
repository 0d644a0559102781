import type { Catalogue, Placement } from '@outfit/core/catalogue'
import type { OutfitDetail } from '@outfit/core/roster'
import type { SoldWhole } from '@outfit/core/prices'
import { useAppSelector } from '../data/hooks.ts'
import { useBenchSelector } from './hooks.ts'
import { usePlan } from '../sourcing/usePlan.ts'
import { CostTape } from './CostTape.tsx'

interface CostProps {
  outfit: OutfitDetail
  placements: readonly Placement[]
  /** Placements that are to be bought. */
  missing: readonly Placement[]
  /** What is sold as one and brings some of them. */
  wholes: readonly SoldWhole[]
  /** How many are on the way in parcels. */
  coming: number
  catalogue: Catalogue
  label: string
}

/** Keeps a real plan of the saved take under the bench; apart from the bench, which need not be redrawn for it. */
export function Cost({ outfit, placements, missing, wholes, coming, catalogue, label }: CostProps) {
  const saved = useBenchSelector(({ bench }) => bench.save === 'saved')
  const version = useBenchSelector(({ bench }) => bench.version)
  const take = useBenchSelector(({ bench }) => bench.take)
  const lowest = useAppSelector((state) => state.catalogue.lowest)
  const plan = usePlan(saved && take && missing.length > 0 ? { outfit: outfit.id, take } : null, String(version))
  return (
    <CostTape
      placements={placements}
      catalogue={catalogue}
      plan={plan}
      report={saved ? plan.report : undefined}
      lowest={lowest}
      missing={missing.map((p) => p.part)}
      wholes={wholes}
      coming={coming}
      currency={outfit.roster.currency}
      to={`/outfits/${outfit.id}/sourcing?take=${encodeURIComponent(label)}`}
    />
  )
}
