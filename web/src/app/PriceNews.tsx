import { homeMoney } from '@outfit/core/market'
import { News } from '../ui/News.tsx'
import { pricePage, pricesApi } from '../data/pricesApi.ts'

/** Prices that were waited for, are met, and were not looked at yet. */
export function PriceNews() {
  const { data } = pricesApi.endpoints.targets.useQuery()
  const [markSeen] = pricesApi.endpoints.seenTargets.useMutation()
  const news = (data?.targets ?? []).filter(({ metOn, seen }) => metOn !== null && !seen)
  if (news.length === 0) return null
  return (
    <News
      label={news.length === 1 ? 'A price is met' : `${news.length} prices are met`}
      title="As cheap as you waited for"
      onSeen={() => void markSeen()}
      items={news.map(({ id, kind, code, name, price, metPrice }) => ({
        id,
        to: pricePage(kind, code),
        name,
        about: `from ${homeMoney(metPrice ?? 0)}, you waited for ${homeMoney(price)}`,
      }))}
    />
  )
}
