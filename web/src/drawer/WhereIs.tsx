import { useState } from 'react'
import { Link } from 'react-router'
import { partLabel } from '@outfit/core/catalogue'
import { api } from '../data/api.ts'
import { drawerApi } from '../data/drawerApi.ts'
import { useKnownCatalogue } from '../data/useKnownCatalogue.ts'
import { useSettled } from '../ui/useSettled.ts'

/** So many parts are told at once. */
const SHOWN = 8

/** Where does it lie? Parts by words or code, with the bins that have them. */
export function WhereIs() {
  const [text, setText] = useState('')
  const settled = useSettled(text.trim())
  const { currentData: found } = api.endpoints.findParts.useQuery(
    { text: settled, owned: true, limit: SHOWN },
    { skip: settled === '' },
  )
  const codes = found?.items.filter(({ owned }) => owned > 0).map(({ part }) => part.code) ?? []
  const { currentData: places } = drawerApi.endpoints.where.useQuery(codes, { skip: codes.length === 0 })
  const catalogue = useKnownCatalogue(
    found && { parts: [...found.items, ...found.parts].map(({ part }) => part), prints: found.prints },
  )
  return (
    <div className="relative w-full sm:w-[360px]">
      <input
        type="search"
        value={text}
        onChange={(event) => setText(event.target.value)}
        placeholder="Where is … (words or code)"
        aria-label="Where is a part"
        className="w-full rounded-[10px] border border-rule bg-card px-3 py-1.5"
      />
      {settled !== '' && found && (
        <div className="absolute inset-x-0 top-full z-10 mt-1 rounded-[10px] border border-rule bg-card p-2 shadow-lg">
          {codes.length === 0 && <p className="text-soft">None of that is owned.</p>}
          <ul aria-label="Where it lies">
            {codes.map((code) => {
              const part = catalogue?.parts.get(code)
              const here = places?.filter((place) => place.part === code) ?? []
              return (
                <li key={code} className="py-1">
                  <Link to={`/parts/${code}`} className="font-semibold hover:text-act hover:underline">
                    {part && catalogue ? partLabel(catalogue, part) : code}
                  </Link>
                  <span className="block text-[13px]">
                    {here.map(({ bin, name, qty }, i) => (
                      <span key={bin}>
                        {i > 0 && ', '}
                        {qty} in{' '}
                        <Link to={`/drawer/bins/${bin}`} className="text-act hover:underline">
                          {name}
                        </Link>
                      </span>
                    ))}
                  </span>
                </li>
              )
            })}
          </ul>
        </div>
      )}
    </div>
  )
}
