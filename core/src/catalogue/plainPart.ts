import type { Mould, Part } from './types.ts'

/** A part of a mould in one colour, without a print: what a shape is drawn as where no part of it is known. */
export const plainPart = ({ code: mould, name }: Pick<Mould, 'code' | 'name'>, colour: string, code = mould): Part => ({
  code,
  name,
  mould,
  colours: [colour],
  print: null,
  year: null,
  photo: null,
  components: [],
})
