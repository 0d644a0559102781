const KEY = 'outfit.last'

/** The outfit last worked on, so that the rooms lead back to it. */
export const lastOutfit = () => localStorage.getItem(KEY)
export const rememberOutfit = (id: string) => localStorage.setItem(KEY, id)
