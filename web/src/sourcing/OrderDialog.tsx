import { useNavigate } from 'react-router'
import { formatMoney } from '@outfit/core/market'
import type { Basket } from '@outfit/core/sourcing'
import { errorText } from '../data/api.ts'
import { parcelsApi } from '../data/parcelsApi.ts'
import { FormDialog } from '../ui/FormDialog.tsx'
import { tell } from '../ui/tell.ts'

interface OrderDialogProps {
  ask: { job: string; variant?: string; sellers: string[] }
  baskets: readonly Basket[]
  currency: string
  sellerName: (id: string) => string
  onLeave: () => void
}

/** Baskets become parcels: kept as ordered here; the order itself goes to the seller as a list. */
export function OrderDialog({ ask, baskets, currency, sellerName, onLeave }: OrderDialogProps) {
  const [order, { error, isLoading }] = parcelsApi.endpoints.orderParcels.useMutation()
  const navigate = useNavigate()
  const cost = ({ goods, shipping, handling }: Basket) => goods + shipping + handling
  const total = baskets.reduce((sum, basket) => sum + cost(basket), 0)
  const keep = async () => {
    const answer = await order(ask)
    if (answer.error) return
    const { parcels } = answer.data
    tell(parcels.length === 1 ? 'One parcel is kept as ordered.' : `${parcels.length} parcels are kept as ordered.`)
    void navigate(`/parcels/${parcels[0]}`)
  }
  return (
    <FormDialog
      title={baskets.length === 1 ? 'Order this parcel' : `Order ${baskets.length} parcels`}
      about="Nothing is sent from here: each parcel gets an order list to give to its seller, and is awaited from now on."
      keep={baskets.length === 1 ? 'Keep it as ordered' : 'Keep them as ordered'}
      ready={!isLoading}
      problem={error ? errorText(error) : ''}
      onKeep={() => void keep()}
      onLeave={onLeave}
    >
      <ul>
        {baskets.map((basket) => (
          <li key={basket.seller} className="flex justify-between border-t border-rule py-1 first:border-0">
            <span>
              {sellerName(basket.seller)}, {basket.lines.length} {basket.lines.length === 1 ? 'line' : 'lines'}
            </span>
            <span>{formatMoney(cost(basket), currency)}</span>
          </li>
        ))}
        <li className="flex justify-between border-t border-rule py-1 font-bold">
          <span>in all</span>
          <span>{formatMoney(total, currency)}</span>
        </li>
      </ul>
    </FormDialog>
  )
}
