import { useState } from 'react'
import { decimalMoney, readMoney } from '@outfit/core/market'
import { errorText } from '../data/api.ts'
import { marketApi, type ListedOffer, type NewOffer, type SellerTerms } from '../data/marketApi.ts'
import { FIELD, FormDialog } from '../ui/FormDialog.tsx'
import { tell } from '../ui/tell.ts'

interface OfferDialogProps {
  seller: SellerTerms & { code: string }
  /** null for one that is not on the list yet. */
  offer: ListedOffer | null
  onLeave: () => void
}

const readCount = (text: string, what: string, least: number): number => {
  const n = Number(text)
  if (text.trim() === '' || !Number.isInteger(n) || n < least)
    throw new Error(`${what}: "${text}" is no whole number from ${least}.`)
  return n
}

/** What a seller asks for one thing, as told today. */
export function OfferDialog({ seller, offer, onLeave }: OfferDialogProps) {
  const [values, setValues] = useState({
    kind: offer?.kind ?? ('part' as NewOffer['kind']),
    thing: offer?.code ?? '',
    condition: offer?.condition ?? ('used' as NewOffer['condition']),
    price: offer ? decimalMoney(offer.price, seller.currency) : '',
    stock: String(offer?.stock ?? 1),
    multiple: String(offer?.multiple ?? 1),
  })
  const [problem, setProblem] = useState('')
  const [quote, { isLoading }] = marketApi.endpoints.quote.useMutation()
  const set = (change: Partial<typeof values>) => setValues((before) => ({ ...before, ...change }))
  const save = async () => {
    setProblem('')
    let told: NewOffer
    try {
      told = {
        ...values,
        thing: values.thing.trim(),
        price: readMoney(values.price, seller.currency),
        stock: readCount(values.stock, 'How many there are', 0),
        multiple: readCount(values.multiple, 'Pack', 1),
      }
    } catch (error) {
      return setProblem((error as Error).message)
    }
    const answer = await quote({ code: seller.code, offer: told })
    if (answer.error) return setProblem(errorText(answer.error))
    const former = offer && { ...told, price: offer.price, stock: offer.stock }
    tell(
      told.stock === 0 ? `${told.thing} is gone from ${seller.name}.` : `${seller.name} asks as you said.`,
      ...(former ? [() => quote({ code: seller.code, offer: former })] : []),
    )
    return onLeave()
  }
  const field = (label: string, name: 'thing' | 'price' | 'stock' | 'multiple', hint = '') => (
    <label className="block font-semibold">
      {label} <span className="font-normal text-soft">{hint}</span>
      <input
        value={values[name]}
        disabled={offer !== null && (name === 'thing' || name === 'multiple')}
        inputMode={name === 'thing' ? 'text' : 'decimal'}
        onChange={({ target }) => set({ [name]: target.value })}
        className={FIELD}
      />
    </label>
  )
  return (
    <FormDialog
      title={offer ? offer.name : `An offer of ${seller.name}`}
      about={
        offer
          ? `${seller.name}, ${offer.kind} ${offer.code}, ${offer.condition}`
          : 'As it is told today; the former price stays in the history.'
      }
      keep="Keep it"
      ready={!isLoading}
      problem={problem}
      onKeep={() => void save()}
      onLeave={onLeave}
    >
      {!offer && (
        <div className="grid grid-cols-2 gap-3">
          <label className="block font-semibold">
            What
            <select
              value={values.kind}
              onChange={({ target }) => set({ kind: target.value as NewOffer['kind'] })}
              className={FIELD}
            >
              <option value="part">part</option>
              <option value="figure">figure</option>
              <option value="release">release</option>
            </select>
          </label>
          {field('Code', 'thing', 'such as P-00012')}
          <label className="block font-semibold">
            Condition
            <select
              value={values.condition}
              onChange={({ target }) => set({ condition: target.value as NewOffer['condition'] })}
              className={FIELD}
            >
              <option value="new">new</option>
              <option value="used">used</option>
            </select>
          </label>
          {field('In packs of', 'multiple')}
        </div>
      )}
      <div className="grid grid-cols-2 gap-3">
        {field('Price of one', 'price', `in ${seller.currency}`)}
        {field('How many there are', 'stock', '0: it is gone')}
      </div>
    </FormDialog>
  )
}
