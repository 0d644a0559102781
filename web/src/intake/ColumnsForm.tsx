import { FIELDS, type Choices, type Field, type LookedAt } from '@outfit/core/intake'
import { FIELD_NAMES } from './listWords.ts'

const PICK = 'rounded-[8px] border border-rule bg-paper px-2 py-1'

interface ColumnsFormProps {
  list: LookedAt
  choices: Choices
  onChange: (more: Partial<Choices>) => void
}

/** Which column is which, and how cells are written. */
export function ColumnsForm({ list, choices, onChange }: ColumnsFormProps) {
  const { columns, headed, style, sample } = list
  return (
    <div className="mt-3 border-t border-rule pt-3 text-[14px]">
      <table className="w-full">
        <thead className="text-left text-soft">
          <tr>
            <th className="pr-3 font-normal">column</th>
            <th className="pr-3 font-normal">is</th>
            <th className="font-normal">for instance</th>
          </tr>
        </thead>
        <tbody>
          {columns.map(({ index, head, field }) => (
            <tr key={index} className="border-t border-rule">
              <td className="py-1 pr-3 font-semibold">{head || `column ${index + 1}`}</td>
              <td className="py-1 pr-3">
                <select
                  aria-label={`What ${head || `column ${index + 1}`} is`}
                  className={PICK}
                  value={field ?? ''}
                  onChange={({ target }) => {
                    const said = (target.value || null) as Field | null
                    // A field is in one column; the one that had it becomes a remark.
                    const former = columns.find((one) => one.field === said && said !== null && said !== 'remark')
                    onChange({
                      columns: { ...choices.columns, ...(former ? { [former.index]: null } : {}), [index]: said },
                    })
                  }}
                >
                  <option value="">kept as a remark</option>
                  {FIELDS.filter((one) => one !== 'remark').map((one) => (
                    <option key={one} value={one}>
                      {FIELD_NAMES[one]}
                    </option>
                  ))}
                </select>
              </td>
              <td className="py-1 text-soft">
                {sample
                  .map(({ cells }) => cells[index])
                  .filter(Boolean)
                  .slice(0, 3)
                  .join(' · ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-3 flex flex-wrap gap-4">
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={headed} onChange={({ target }) => onChange({ headed: target.checked })} />
          the first row has heads
        </label>
        <label>
          Cents after{' '}
          <select
            className={PICK}
            value={style.decimal}
            onChange={({ target }) => onChange({ style: { ...choices.style, decimal: target.value as ',' | '.' } })}
          >
            <option value=",">a comma: 1,20</option>
            <option value=".">a point: 1.20</option>
          </select>
        </label>
        <label>
          Dates{' '}
          <select
            className={PICK}
            value={style.dayFirst ? 'day' : 'month'}
            onChange={({ target }) => onChange({ style: { ...choices.style, dayFirst: target.value === 'day' } })}
          >
            <option value="day">day first: 3.11.26</option>
            <option value="month">month first: 11/3/26</option>
          </select>
        </label>
        <label>
          Money without a sign{' '}
          <input
            className={`${PICK} w-16 uppercase`}
            maxLength={3}
            defaultValue={style.currency}
            onBlur={({ target }) =>
              /^[a-z]{3}$/i.test(target.value) &&
              onChange({ style: { ...choices.style, currency: target.value.toUpperCase() } })
            }
          />
        </label>
        <label>
          Where nothing is said, parts are{' '}
          <select
            className={PICK}
            value={choices.same?.condition ?? ''}
            onChange={({ target }) => {
              const { condition: _condition, ...same } = choices.same ?? {}
              onChange({ same: target.value === '' ? same : { ...same, condition: target.value as 'new' | 'used' } })
            }}
          >
            <option value="">{list.kind === 'prices' ? 'new' : 'used'}</option>
            <option value={list.kind === 'prices' ? 'used' : 'new'}>{list.kind === 'prices' ? 'used' : 'new'}</option>
          </select>
        </label>
      </div>
    </div>
  )
}
