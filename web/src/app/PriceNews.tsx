import { Popover } from 'radix-ui'
import { Link } from 'react-router'
import { formatMoney, HOME_CURRENCY } from '@outfit/core/market'
import { pricePage, pricesApi } from './pricesApi.ts'

/** Prices that were waited for, are met, and were not looked at yet. */
export function PriceNews() {
  const { data } = pricesApi.endpoints.targets.useQuery()
  const [markSeen] = pricesApi.endpoints.seenTargets.useMutation()
  const news = (data?.targets ?? []).filter(({ metOn, seen }) => metOn !== null && !seen)
  if (news.length === 0) return null
  const money = (minor: number) => formatMoney(minor, HOME_CURRENCY)
  return (
    <Popover.Root onOpenChange={(open) => !open && void markSeen()}>
      <Popover.Trigger className="shrink-0 rounded-full border border-good bg-card px-3 py-1 font-semibold whitespace-nowrap text-good">
        ✶ {news.length === 1 ? 'A price is met' : `${news.length} prices are met`}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={8}
          className="z-20 w-[320px] rounded-[12px] border border-rule bg-card p-4 shadow-lg"
        >
          <h2 className="text-lg">As cheap as you waited for</h2>
          <ul className="mt-1">
            {news.map(({ id, kind, code, name, price, metPrice }) => (
              <li key={id} className="border-t border-rule py-1 first:border-0">
                <Popover.Close asChild>
                  <Link to={pricePage(kind, code)} className="font-semibold text-act hover:underline">
                    {name}
                  </Link>
                </Popover.Close>{' '}
                <span className="text-soft">
                  from {money(metPrice ?? 0)}, you waited for {money(price)}
                </span>
              </li>
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
