// Name, hex, family, finish. Codes are the names as slugs.
const COLOURS = `
Primrose #F6D33C skin solid
Fawn #EBB98E skin solid
Shell #F5CFAE skin solid
Plum Skin #9B5E5A skin solid
Umber #7A4A2E skin solid
Hazel #C58A5C skin solid
Cocoa #54321F skin solid
Chalk #F6F3EA white solid
Oat #E9DEC3 white solid
Rain #AEB9BF grey solid
Pewter #757C85 grey solid
Slate #414B57 grey solid
Tar #232126 black solid
Peat #46362C brown solid
Rope #C4A274 brown solid
Oak #8A5E38 brown solid
Chestnut #63341F brown solid
Copper #A64E2A brown solid
Straw #DDB863 yellow solid
Marigold #F0AE24 yellow solid
Butter #F5DF94 yellow solid
Amber #DD8A2B orange solid
Carrot #E26A24 orange solid
Brick Dust #A9423C red solid
Coral #E4573B red solid
Poppy #C92B33 red solid
Wine #70233A red solid
Rosehip #D77F8C pink solid
Foxglove #B0568F pink solid
Heather #83739F purple solid
Sloe #474064 purple solid
Quay Blue #24527F blue solid
Canal #3A7CA5 blue solid
Ice #B8DBE4 blue solid
Midnight #1E2B47 blue solid
Lagoon #2F8F8B green solid
Moss #5B7F4C green solid
Bottle #27523F green solid
Reed #A3AE5B green solid
Mint #B5DBC0 green solid
Clear Glass #DCEBEE white clear
Clear Honey #F7BC4A yellow clear
Clear Tide #63AFCB blue clear
Clear Berry #CB4F68 red clear
Brass #C8A13C yellow metal
Tin #A8AEB4 grey metal
Gunmetal #595D64 grey metal
Pearl Oyster #E6DFD2 white pearl
Pearl Bronze #94703F brown pearl
Glow Lamp #E6F2B0 yellow glow
`

const slug = (name) => name.toLowerCase().replace(/[^a-z0-9]+/g, '-')
export const colours = COLOURS.trim()
  .split('\n')
  .map((line) => {
    const [, name, hex, family, finish] = line.match(/^(.+?) (#\w{6}) (\w+) (\w+)$/)
    return { code: slug(name), name, hex, finish, family }
  })
const known = new Set(colours.map((c) => c.name))
/** Colour code by name; refuses names that are not in the palette. */
export const colour = (name) => {
  if (!known.has(name)) throw new Error(`no colour "${name}"`)
  return slug(name)
}
