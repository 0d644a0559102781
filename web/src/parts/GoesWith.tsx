import { Link } from 'react-router'
import { mainColour, type Catalogue, type Part } from '@outfit/core/catalogue'
import { api, errorText } from '../data/api.ts'
import { PartPicture } from '../ui/PartPicture.tsx'
import { Swatch } from '../ui/Swatch.tsx'

/** What suits a part best, kind by kind, each with the reason. */
export function GoesWith({ part, catalogue }: { part: Part; catalogue: Catalogue }) {
  const { currentData, error } = api.endpoints.goesWith.useQuery(part.code)
  if (error) return <p className="mt-5 text-problem">{errorText(error)}</p>
  if (!currentData) return <p className="mt-5 text-soft">Holding it against others…</p>
  const groups = currentData.groups.filter(({ matches }) => matches.length > 0)
  if (groups.length === 0) return null
  return (
    <section aria-label="Goes with" className="mt-4">
      <h2 className="text-lg">Goes with</h2>
      {groups.map(({ label, matches }) => (
        <div key={label} className="mt-1">
          {groups.length > 1 && <h3 className="font-sans text-[13px] font-normal text-soft">{label}</h3>}
          <ol className="grid gap-1.5">
            {matches.map(({ code, score, reasons }) => {
              const match = catalogue.parts.get(code)
              if (!match) return null
              const colour = mainColour(catalogue, match)
              return (
                <li key={code}>
                  <Link
                    to={`/parts/${code}`}
                    className="flex h-full items-center gap-1.5 rounded-[10px] border border-rule bg-card p-1.5 hover:border-act"
                  >
                    <PartPicture part={match} catalogue={catalogue} label="" className="h-[54px] w-[56px] shrink-0" />
                    <span className="min-w-0 text-[13px] leading-tight">
                      <span className="block truncate font-semibold" title={match.name}>
                        {match.name}
                      </span>
                      <span className="flex items-center gap-1">
                        <Swatch colour={colour} size={10} /> {colour?.name}
                      </span>
                      <span className="text-soft" title={`${Math.round(score * 100)} of 100`}>
                        {reasons.slice(0, 2).join('; ')}
                      </span>
                    </span>
                  </Link>
                </li>
              )
            })}
          </ol>
        </div>
      ))}
    </section>
  )
}
