/** How a refresh behaves towards the market. Times are in milliseconds. */
export interface Patience {
  /** A page is waited for so long. */
  page: number
  /** Times it is asked for. */
  tries: number
  /** Pause before it is asked for again, twice as long each time; up to a quarter more or less, so that not all ask at once. */
  pause: number
  /** The longest pause the market is granted. */
  longest: number
  /** Sellers asked at a time. */
  abreast: number
  /** Pages of one list; a list that goes on beyond them does not end. */
  pages: number
}

export const USUAL_PATIENCE: Patience = { page: 2500, tries: 3, pause: 300, longest: 5000, abreast: 3, pages: 1000 }

/** Names the patience of a running application. */
export const PATIENCE = Symbol('patience')
