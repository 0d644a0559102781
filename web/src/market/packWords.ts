import { type AgainstOpened, homeMoney, type PackOdds } from '@outfit/core/market'

const packs = (n: number) => `${n} ${n === 1 ? 'pack' : 'packs'}`

/** How many packs it takes, in a sentence. */
export function oddsInWords({ expected, half, ninety }: PackOdds): string {
  if (expected === 0) return 'Choose the figures you want.'
  return `${expected.toFixed(1)} packs on average; ${packs(half)} in half of all tries, ${packs(ninety)} in nine of ten.`
}

/** Which is cheaper, in a sentence. */
export function verdictInWords({ blind, opened, unsold }: AgainstOpened): string {
  if (blind === null && opened === null) return 'Nobody sells the packs, nor all the figures opened.'
  if (blind === null) return `Opened they cost ${homeMoney(opened!)}; nobody sells the packs.`
  if (opened === null)
    return `Packs cost ${homeMoney(blind)} on average; ${unsold} of the figures ${unsold === 1 ? 'is' : 'are'} not sold opened.`
  const [less, more] = [Math.min(blind, opened), Math.max(blind, opened)]
  if (less === more) return `Both ways cost ${homeMoney(less)}, packs on average.`
  return `${blind < opened ? 'Packs are' : 'Opened they are'} ${homeMoney(more - less)} cheaper: ${homeMoney(opened)} opened, ${homeMoney(blind)} in packs on average.`
}
