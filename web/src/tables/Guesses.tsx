import { formatCount } from '@outfit/core/base'
import type { Corrections, GuessGroup } from '@outfit/core/tables'
import { api } from '../data/api.ts'
import { box, ColourOptions, MouldOptions } from '../catalogue/fields.tsx'
import { Swatch } from '../ui/Swatch.tsx'

interface GuessesProps {
  groups: readonly GuessGroup[]
  corrections: Corrections
  onChange: (corrections: Corrections) => void
}

/** What was guessed from names, rows guessed alike together; a correction goes for all of them. */
export function Guesses({ groups, corrections, onChange }: GuessesProps) {
  const { data } = api.endpoints.basics.useQuery()
  const colours = data?.colours ?? []
  const moulds = data?.moulds ?? []
  return (
    <section aria-label="Guesses">
      <h2 className="mt-4 text-base">
        Guessed from names{' '}
        <span className="font-sans text-[13px] font-normal text-soft">
          change one and all rows with these words follow
        </span>
      </h2>
      <div
        className="mt-1 max-h-[250px] overflow-y-auto rounded-[8px] border border-rule bg-card"
        tabIndex={0}
        role="region"
        aria-label="Guessed groups"
      >
        <table className="w-full text-left text-[13px]">
          <thead className="text-soft">
            <tr>
              <th className="px-2 font-normal">words</th>
              <th className="px-2 font-normal">taken as</th>
              <th className="px-2 text-right font-normal">rows</th>
              <th className="px-2 font-normal">such as</th>
            </tr>
          </thead>
          <tbody>
            {groups.map(({ what, words, code, count, examples }) => {
              const key = what === 'mould' ? 'moulds' : 'colours'
              return (
                <tr key={`${what} ${words}`} className="border-t border-rule align-middle">
                  <td className="px-2 py-0.5">
                    {words || <span className="text-soft">no known word</span>}{' '}
                    <span className="text-soft">{what}</span>
                  </td>
                  <td className="px-2 py-0.5">
                    <span className="flex items-center gap-1.5">
                      {what === 'colour' && (
                        <Swatch colour={colours.find((colour) => colour.code === code)} size={14} />
                      )}
                      <select
                        aria-label={`${what} for ${words || 'no known word'}`}
                        aria-invalid={code === null}
                        value={code ?? ''}
                        onChange={(event) =>
                          onChange({ ...corrections, [key]: { ...corrections[key], [words]: event.target.value } })
                        }
                        className={`${box} !w-[170px] !py-0.5`}
                      >
                        {code === null && <option value="">say which</option>}
                        {what === 'colour' ? <ColourOptions colours={colours} /> : <MouldOptions moulds={moulds} />}
                      </select>
                    </span>
                  </td>
                  <td className="px-2 py-0.5 text-right">{formatCount(count)}</td>
                  <td className="max-w-[260px] truncate px-2 py-0.5 text-soft">
                    {examples.map(({ name }) => name).join('; ')}
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </div>
    </section>
  )
}
