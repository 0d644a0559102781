/** The one tone in which everybody's skin was moulded before there were natural ones, by its code. */
export const CLASSIC_SKIN = 'primrose'
