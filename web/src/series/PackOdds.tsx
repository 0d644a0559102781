import { useMemo } from 'react'
import { openingOdds, type PackPlan } from '@outfit/core/packs'

/** More packs than this take longer to work out than somebody who types may be kept. */
const MOST = 200

const percent = (chance: number) =>
  chance <= 0
    ? '–'
    : chance >= 1
      ? 'surely'
      : chance > 0.995
        ? '> 99 %'
        : chance < 0.005
          ? '< 1 %'
          : `${Math.round(chance * 100)} %`

/** How often each figure comes. */
function countsIn({ packs }: PackPlan): number[] {
  const counts = new Map<string, number>()
  for (const { figure } of packs) counts.set(figure, (counts.get(figure) ?? 0) + 1)
  return [...counts.values()]
}

/** What whoever opens so many packs may hope for. */
export function PackOdds({ plan }: { plan: PackPlan }) {
  const odds = useMemo(() => (plan.packs.length <= MOST ? openingOdds(plan) : null), [plan])
  /** Where all come equally often nobody is rare. */
  const someRare = new Set(countsIn(plan)).size > 1
  const withBonus = plan.packs.some(({ items }) => items.length > 0)
  return (
    <section aria-labelledby="odds" className="mt-5">
      <h2 id="odds" className="text-xl">
        Whoever opens some of them
      </h2>
      {!odds ? (
        <p className="text-soft">Of more than {MOST} packs the odds are not worked out here.</p>
      ) : (
        <table className="mt-1 w-full max-w-[640px] text-left tabular-nums">
          <thead>
            <tr className="border-b border-rule text-soft">
              <th className="py-1 font-normal">Packs</th>
              <th className="font-normal">Different figures</th>
              <th className="font-normal">Everybody</th>
              {someRare && <th className="font-normal">One of the rarest</th>}
              {withBonus && <th className="font-normal">A bonus item</th>}
            </tr>
          </thead>
          <tbody>
            {odds.map(({ packs, all, different, rarest, bonus }) => (
              <tr key={packs} className="border-b border-rule">
                <td className="py-1 font-semibold">{packs}</td>
                <td>{different.toFixed(1)}</td>
                <td>{percent(all)}</td>
                {someRare && <td>{percent(rarest)}</td>}
                {withBonus && <td>{percent(bonus)}</td>}
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  )
}
