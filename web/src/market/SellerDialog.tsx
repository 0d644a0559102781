import { Plus, X } from 'lucide-react'
import { useState } from 'react'
import { SHIPPING_BASES, type Standing, STANDINGS } from '@outfit/core/market'
import { type Shipping } from '@outfit/core/sourcing'
import { changedMeanwhile, errorText, type Changed } from '../data/api.ts'
import { marketApi, type SellerTerms, type ToldSeller } from '../data/marketApi.ts'
import { Button } from '../ui/Button.tsx'
import { ConflictNote } from '../ui/ConflictNote.tsx'
import { FIELD, FormDialog } from '../ui/FormDialog.tsx'
import { tell } from '../ui/tell.ts'
import { useTyped } from '../ui/useTyped.ts'
import { WentOn } from '../ui/WentOn.tsx'
import { codeFor, newSeller, termsIn, termsOf, typed, type TypedSeller } from './sellerForm.ts'

const BASIS: Record<Shipping['basis'], string> = {
  value: 'value',
  count: 'number of pieces',
  weight: 'weight in grams',
}
const STANDING: Record<Standing, string> = {
  none: 'neither',
  favoured: 'I like to buy there',
  blocked: 'I never buy there',
}

interface SellerDialogProps {
  /** null for a new one. */
  seller: ToldSeller | null
  taken: readonly string[]
  onLeave: () => void
}

/** A seller's terms, made or changed. */
export function SellerDialog({ seller, taken, onLeave }: SellerDialogProps) {
  const [changed, setValues] = useState<TypedSeller>(() => (seller ? typed(termsIn(seller)) : newSeller()))
  // What is typed of a new one is there again when the dialog was left; of a known one the terms are.
  const begun = useTyped('new seller', newSeller, (kept) => typeof kept.name === 'string' && Array.isArray(kept.bands))
  const values = seller ? changed : begun.values
  const [was, setWas] = useState(() => (seller ? termsIn(seller) : undefined))
  const [problem, setProblem] = useState('')
  const [theirs, setTheirs] = useState<Changed<SellerTerms> | null>(null)
  const [keep, { isLoading }] = marketApi.endpoints.keepSeller.useMutation()
  const [remove] = marketApi.endpoints.removeSeller.useMutation()
  const set = (change: Partial<TypedSeller>) => {
    const next = (before: TypedSeller) => ({ ...before, ...change })
    if (seller) setValues(next)
    else begun.set(next)
  }
  const setBand = (at: number, change: Partial<TypedSeller['bands'][number]>) =>
    set({ bands: values.bands.map((band, i) => (i === at ? { ...band, ...change } : band)) })
  const save = async (read = was) => {
    setProblem('')
    setTheirs(null)
    try {
      const terms = termsOf(values)
      const answer = await keep({
        code: seller?.code ?? codeFor(terms.name, taken),
        terms,
        ...(read ? { was: read } : {}),
      })
      const changed = changedMeanwhile<SellerTerms>(answer.error)
      if (changed) return setTheirs({ ...changed, current: termsIn(changed.current) })
      if (answer.error) return setProblem(errorText(answer.error))
      if (!seller) begun.forget()
      tell(seller ? `${terms.name} is kept as changed.` : `${terms.name} sells now.`)
      return onLeave()
    } catch (error) {
      return setProblem((error as Error).message)
    }
  }
  const takeTheirs = () => {
    setValues(typed(theirs!.current))
    setWas(theirs!.current)
    setTheirs(null)
  }
  const takeOut = async () => {
    const answer = await remove(seller!.code)
    if (answer.error) return setProblem(errorText(answer.error))
    tell(`${seller!.name} was taken out.`)
    return onLeave()
  }
  const text = (label: string, field: 'name' | 'country' | 'currency' | 'minimum' | 'handling' | 'arrivesInDays') => (
    <label className="block font-semibold">
      {label}
      <input
        value={values[field]}
        onChange={({ target }) =>
          set({ [field]: field === 'currency' ? target.value.toUpperCase() : target.value } as Partial<TypedSeller>)
        }
        className={FIELD}
      />
    </label>
  )
  return (
    <FormDialog
      title={seller ? seller.name : 'New seller'}
      keep="Keep it"
      ready={!isLoading}
      problem={problem}
      onKeep={() => void save()}
      onLeave={onLeave}
    >
      {!seller && begun.isBack && <WentOn onBeginAnew={begun.beginAnew} />}
      <div className="grid grid-cols-[1fr_150px_80px] gap-3">
        {text('Name', 'name')}
        {text('Country', 'country')}
        {text('Currency', 'currency')}
      </div>
      <div className="grid grid-cols-4 gap-3">
        {text('Minimum', 'minimum')}
        {text('Handling', 'handling')}
        {text('Days', 'arrivesInDays')}
        <label className="block font-semibold">
          Your rating
          <select
            value={values.rating ?? ''}
            onChange={({ target }) => set({ rating: target.value === '' ? null : Number(target.value) })}
            className={FIELD}
          >
            <option value="">none</option>
            {[1, 2, 3, 4, 5].map((n) => (
              <option key={n} value={n}>
                {n} of 5
              </option>
            ))}
          </select>
        </label>
      </div>
      <fieldset>
        <legend className="font-semibold">
          Shipping by{' '}
          <select
            aria-label="Shipping by"
            value={values.shippingBasis}
            onChange={({ target }) => set({ shippingBasis: target.value as Shipping['basis'] })}
            className="rounded-[8px] border border-rule bg-paper px-1.5 py-0.5 font-normal"
          >
            {SHIPPING_BASES.map((basis) => (
              <option key={basis} value={basis}>
                {BASIS[basis]}
              </option>
            ))}
          </select>
        </legend>
        <ul>
          {values.bands.map((band, i) => (
            <li key={i} className="mt-1 flex items-center gap-2">
              up to
              <input
                aria-label={`Band ${i + 1}, up to`}
                placeholder="any"
                value={band.upTo}
                onChange={({ target }) => setBand(i, { upTo: target.value })}
                className={`${FIELD} !mt-0 !w-[100px]`}
              />
              for
              <input
                aria-label={`Band ${i + 1}, price`}
                value={band.price}
                onChange={({ target }) => setBand(i, { price: target.value })}
                className={`${FIELD} !mt-0 !w-[100px]`}
              />
              <Button
                look="plain"
                aria-label={`Take band ${i + 1} out`}
                onClick={() => set({ bands: values.bands.filter((_, n) => n !== i) })}
              >
                <X aria-hidden className="size-4" />
              </Button>
            </li>
          ))}
        </ul>
        <Button
          look="plain"
          className="mt-1"
          onClick={() => set({ bands: [...values.bands, { upTo: '', price: '' }] })}
        >
          <Plus aria-hidden className="size-4" /> Another band
        </Button>
      </fieldset>
      <label className="block font-semibold">
        What you think of it
        <select
          value={values.standing}
          onChange={({ target }) => set({ standing: target.value as Standing })}
          className={FIELD}
        >
          {STANDINGS.map((standing) => (
            <option key={standing} value={standing}>
              {STANDING[standing]}
            </option>
          ))}
        </select>
      </label>
      <label className="block font-semibold">
        Notes
        <textarea
          rows={2}
          maxLength={2000}
          value={values.notes ?? ''}
          onChange={({ target }) => set({ notes: target.value })}
          className={FIELD}
        />
      </label>
      {theirs && (
        <ConflictNote
          what="This seller"
          fields={theirs.fields}
          onTheirs={takeTheirs}
          onMine={() => void save(theirs.current)}
        />
      )}
      {seller && seller.offers === 0 && (
        <Button look="plain" onClick={() => void takeOut()}>
          Take this seller out
        </Button>
      )}
    </FormDialog>
  )
}
