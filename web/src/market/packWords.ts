import { formatMoney, HOME_CURRENCY, type AgainstOpened, type PackOdds } from '@outfit/core/market'

const money = (minor: number) => formatMoney(minor, HOME_CURRENCY)
const packs = (n: number) => `${n} ${n === 1 ? 'pack' : 'packs'}`

/** How many packs it takes, in a sentence. */
export function oddsInWords({ expected, half, ninety }: PackOdds): string {
  if (expected === 0) return 'Choose the figures you want.'
  return `${expected.toFixed(1)} packs on average; ${packs(half)} in half of all tries, ${packs(ninety)} in nine of ten.`
}

/** Which is cheaper, in a sentence. */
export function verdictInWords({ blind, opened, unsold }: AgainstOpened): string {
  if (blind === null && opened === null) return 'Nobody sells the packs, nor all the figures opened.'
  if (blind === null) return `Opened they cost ${money(opened!)}; nobody sells the packs.`
  if (opened === null)
    return `Packs cost ${money(blind)} on average; ${unsold} of the figures ${unsold === 1 ? 'is' : 'are'} not sold opened.`
  const [less, more] = [Math.min(blind, opened), Math.max(blind, opened)]
  if (less === more) return `Both ways cost ${money(less)}, packs on average.`
  return `${blind < opened ? 'Packs are' : 'Opened they are'} ${money(more - less)} cheaper: ${money(opened)} opened, ${money(blind)} in packs on average.`
}
