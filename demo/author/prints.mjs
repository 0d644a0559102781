import { colour } from './palette.mjs'

const slug = (name) => name.toLowerCase().replace(/[^a-z0-9]+/g, '-')
export const prints = []
const byKey = new Map()

/** Layers are written "kind key=value key=value"; values that start with a capital are palette colours. */
export function layers(text) {
  return text
    .split(',')
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line) => {
      const [kind, ...settings] = line.match(/(?:[^\s=]+(?:=[A-Z][\w]*(?: [A-Z]\w*)*|=\S+)?)/g)
      const layer = { kind }
      for (const setting of settings) {
        const [key, value] = setting.split('=')
        layer[key] = /^[A-Z]/.test(value) ? colour(value) : value
      }
      return layer
    })
}

export function print(key, name, kind, front, back = '', traits = '') {
  const entry = { code: `D-${slug(key).toUpperCase()}`, name, kind, front: layers(front), back: layers(back), traits }
  if (byKey.has(entry.code)) throw new Error(`print ${entry.code} twice`)
  byKey.set(entry.code, entry)
  prints.push(entry)
  return entry
}

/** A two-sided face: what both sides share, then each side. Brows are named by shape and colour. */
function face(key, name, brow, shared, front, back, traits = '') {
  const [shape, ...hair] = brow.split(' ')
  const hairName = hair.join(' ')
  const side = (own, browShape) => `${shared}, brows shape=${browShape} colour=${hairName}, ${own}`
  const [frontLayers, frontBrow] = front.split('|')
  const [backLayers, backBrow] = back ? back.split('|') : ['']
  return print(
    `face-${key}`,
    name,
    'head',
    side(frontLayers, frontBrow ?? shape),
    back ? side(backLayers, backBrow ?? shape) : '',
    `brows=${slug(hairName)};expression=${(frontLayers.match(/mouth shape=(\w+)/) ?? [])[1] ?? ''}${traits ? ';' + traits : ''}`,
  )
}

const B = 'eyes shape=bright'
face(
  'calm-chestnut',
  'Calm / out of breath',
  'calm Chestnut',
  B,
  'mouth shape=smile',
  'sweat, mouth shape=open|worried',
  'age=adult',
)
face(
  'calm-copper',
  'Calm / laughing',
  'soft Copper',
  `${B}, freckles`,
  'mouth shape=smile',
  'mouth shape=grin|arched',
  'age=adult',
)
face('calm-tar', 'Steady / shouting', 'calm Tar', B, 'mouth shape=flat', 'mouth shape=shout|stern', 'age=adult')
face('grin-tar', 'Grin / puffed', 'arched Tar', B, 'mouth shape=grin', 'mouth shape=puff|straight', 'age=adult')
face(
  'lashes-tar',
  'Warm smile / asleep',
  'arched Tar',
  'lashes, eyes shape=bright',
  'mouth shape=smile, cheeks',
  'mouth shape=flat',
  'age=adult',
)
face(
  'lashes-chestnut',
  'Red lips / cross',
  'arched Chestnut',
  'lashes, eyes shape=bright',
  'lips',
  'mouth shape=frown|stern',
  'age=adult',
)
face(
  'freckled-straw',
  'Freckled / amazed',
  'soft Straw',
  'freckles',
  'eyes shape=bright, mouth shape=grin',
  'eyes shape=wide, mouth shape=open|arched',
  'age=child',
)
face(
  'freckled-copper',
  'Freckled / sulking',
  'soft Copper',
  'freckles',
  'eyes shape=bright, mouth shape=smile',
  'eyes shape=narrow, mouth shape=frown|stern',
  'age=child',
)
face(
  'old-pewter',
  'Old and kind / dozing',
  'bushy Pewter',
  'wrinkles',
  'eyes shape=bright, mouth shape=smile',
  'eyes shape=closed, mouth shape=open',
  'age=old',
)
face(
  'beard-pewter',
  'White beard / stern',
  'bushy Rain',
  'wrinkles, eyes shape=bright',
  'beard colour=Rain, moustache colour=Rain',
  'beard colour=Rain, moustache colour=Rain|stern',
  'age=old;beard=full',
)
face(
  'beard-chestnut',
  'Full beard / grim',
  'bushy Chestnut',
  B,
  'beard colour=Chestnut',
  'beard colour=Chestnut|stern',
  'age=adult;beard=full',
)
face(
  'goatee-tar',
  'Goatee / smirk',
  'straight Tar',
  B,
  'beard shape=goatee colour=Tar',
  'beard shape=goatee colour=Tar|arched',
  'age=adult;beard=goatee',
)
face(
  'glasses-peat',
  'Round glasses / startled',
  'soft Peat',
  'glasses colour=Brass',
  'eyes shape=bright, mouth shape=smile',
  'eyes shape=wide, mouth shape=open|arched',
  'age=adult;glasses=yes',
)
face(
  'glasses-tar',
  'Square glasses / doubtful',
  'calm Tar',
  'glasses shape=square colour=Tar',
  'eyes shape=bright, mouth shape=flat',
  'eyes shape=narrow, mouth shape=smirk|stern',
  'age=adult;glasses=yes',
)
face(
  'scar-tar',
  'Scar / scowl',
  'stern Tar',
  'scar, eyes shape=narrow',
  'mouth shape=smirk',
  'mouth shape=frown',
  'age=adult;scar=yes',
)
face(
  'stubble-peat',
  'Stubble / yawning',
  'straight Peat',
  `${B}, stubble colour=Peat`,
  'mouth shape=smirk',
  'mouth shape=open|worried',
  'age=adult',
)
face(
  'wink-chestnut',
  'Wink / singing',
  'arched Chestnut',
  'cheeks',
  'eyes shape=wink, mouth shape=grin',
  'eyes shape=closed, mouth shape=open',
  'age=adult',
)
face(
  'moustache-chestnut',
  'Moustache / whistling',
  'bushy Chestnut',
  B,
  'moustache colour=Chestnut, mouth shape=flat',
  'moustache colour=Chestnut, mouth shape=puff',
  'age=adult;beard=moustache',
)
face('patch-peat', 'Eye patch', 'straight Peat', B, 'eye-patch, mouth shape=smirk', '', 'age=adult;style=old')
face('plain-old', 'Two dots and a smile', 'straight Tar', B, 'mouth shape=smile', '', 'age=adult;style=old')
face(
  'chin-carrot',
  'Chin beard / roaring',
  'bushy Carrot',
  B,
  'beard shape=chin colour=Carrot, mouth shape=smile',
  'beard shape=chin colour=Carrot, mouth shape=shout|stern',
  'age=adult;beard=chin',
)
face(
  'smudge-copper',
  'Sooty / tired',
  'calm Copper',
  `${B}, smudge`,
  'mouth shape=smile',
  'mouth shape=frown|worried',
  'age=adult',
)

// Garments: torso front and back with sleeves; the plain colour is the part's own.
const garment = (key, name, front, back, arm = '', traits = '') => {
  const torso = print(`torso-${key}`, name, 'torso', front, back, traits)
  const sleeve = arm ? print(`arm-${key}`, `${name}, sleeve`, 'arm-left', arm) : null
  return { torso, sleeve }
}
export const garments = {
  'quay-jacket': garment(
    'quay-jacket',
    'Quay jacket',
    'shirt colour=Oat, jacket colour=Quay Blue',
    'seam-back',
    'cuff colour=Midnight',
    'garment=jacket;sleeve=long',
  ),
  'moss-jacket': garment(
    'moss-jacket',
    'Field jacket',
    'shirt colour=Butter, jacket colour=Bottle',
    'seam-back',
    '',
    'garment=jacket;sleeve=long',
  ),
  'wine-jacket': garment(
    'wine-jacket',
    'Evening jacket',
    'shirt colour=Oat, jacket colour=Wine',
    'seam-back',
    '',
    'garment=jacket;sleeve=long',
  ),
  'net-overalls': garment(
    'net-overalls',
    'Net loft overalls',
    'overalls colour=Slate',
    'crossed-straps colour=Slate',
    '',
    'garment=overalls;sleeve=long',
  ),
  'cook-overalls': garment(
    'cook-overalls',
    'Cook overalls',
    'overalls colour=Poppy buttons=Brass',
    'crossed-straps colour=Poppy',
    'rolled-sleeve skin=Fawn',
    'garment=overalls;sleeve=rolled',
  ),
  'boat-stripes': garment(
    'boat-stripes',
    'Boat stripes',
    'stripes colour=Brick Dust, scoop colour=Oat',
    'stripes colour=Brick Dust',
    '',
    'garment=jersey;sleeve=long',
  ),
  'gold-stripes': garment(
    'gold-stripes',
    'Gold stripes',
    'stripes colour=Marigold, scoop colour=Chalk',
    'stripes colour=Marigold',
    '',
    'garment=jersey;sleeve=long',
  ),
  'heron-jersey': garment(
    'heron-jersey',
    'Heron jersey',
    'band colour=Oat, v-neck colour=Oat, heron colour=Quay Blue',
    'band colour=Oat, number digit=8 colour=Quay Blue',
    'cuff colour=Oat',
    'garment=jersey;sleeve=long;team=heron',
  ),
  'cox-jersey': garment(
    'cox-jersey',
    'Heron cox jersey',
    'band colour=Coral, v-neck colour=Oat, heron colour=Oat',
    'band colour=Coral',
    'cuff colour=Coral',
    'garment=jersey;sleeve=long;team=heron',
  ),
  'oilskin-coat': garment(
    'oilskin-coat',
    'Oilskin coat',
    'coat colour=Marigold shirt=Slate buttons=Tar',
    'seam-back',
    '',
    'garment=coat;sleeve=long;runsOn=coat',
  ),
  'warden-coat': garment(
    'warden-coat',
    'Warden coat',
    'coat colour=Slate shirt=Chalk buttons=Brass, badge colour=Brass',
    'seam-back, belt colour=Peat',
    'armband colour=Marigold',
    'garment=coat;sleeve=long;runsOn=coat',
  ),
  purser: garment(
    'purser',
    'Purser waistcoat',
    'waistcoat colour=Lagoon buttons=Brass, collar colour=Chalk, tie colour=Wine',
    'seam-back',
    '',
    'garment=waistcoat;sleeve=long',
  ),
  'brass-band': garment(
    'brass-band',
    'Band tunic',
    'double-buttons colour=Brass, sash colour=Oat, collar colour=Brass',
    'seam-back, belt colour=Oat',
    'cuff colour=Brass',
    'garment=tunic;sleeve=long',
  ),
  'apron-baker': garment(
    'apron-baker',
    'Baker apron',
    'collar colour=Oat, apron colour=Chalk',
    'crossed-straps colour=Chalk',
    'rolled-sleeve skin=Fawn',
    'garment=apron;sleeve=rolled',
  ),
  'knit-yoke': garment(
    'knit-yoke',
    'Yoke jumper',
    'cable, yoke colour=Brick Dust second=Oat',
    'yoke colour=Brick Dust second=Oat',
    'cuff colour=Brick Dust',
    'garment=jumper;sleeve=long',
  ),
  'cable-knit': garment(
    'cable-knit',
    'Cable jumper',
    'cable, scoop colour=Peat',
    'cable',
    '',
    'garment=jumper;sleeve=long',
  ),
  'cardigan-heather': garment(
    'cardigan-heather',
    'Heather cardigan',
    'v-neck colour=Butter, cardigan colour=Heather',
    'seam-back',
    '',
    'garment=cardigan;sleeve=long',
  ),
  deckhand: garment(
    'deckhand',
    'Deckhand shirt',
    'sailor-collar colour=Quay Blue second=Chalk knot=Brick Dust',
    'seam-back, sailor-collar colour=Quay Blue',
    'cuff colour=Quay Blue',
    'garment=shirt;sleeve=long',
  ),
  'anchor-tee': garment(
    'anchor-tee',
    'Anchor shirt',
    'scoop colour=Midnight, anchor colour=Midnight',
    'seam-back',
    'short-sleeve skin=Hazel',
    'garment=shirt;sleeve=short',
  ),
  'lantern-tee': garment(
    'lantern-tee',
    'Lantern night shirt',
    'scoop colour=Tar, lantern colour=Marigold',
    'lantern colour=Marigold',
    'short-sleeve skin=Fawn',
    'garment=shirt;sleeve=short',
  ),
  'engine-vest': garment(
    'engine-vest',
    'Engine room shirt',
    'braces colour=Peat, buttons colour=Pewter, patches colour=Rope',
    'crossed-straps colour=Peat',
    'rolled-sleeve skin=Hazel',
    'garment=shirt;sleeve=rolled',
  ),
  ruffled: garment(
    'ruffled',
    'Ruffled blouse',
    'ruffle colour=Chalk, belt colour=Wine',
    'seam-back',
    'cuff colour=Chalk',
    'garment=blouse;sleeve=long',
  ),
  'zip-fleece': garment(
    'zip-fleece',
    'Dock fleece',
    'collar colour=Tar, zip colour=Tin',
    'seam-back',
    'stripe colour=Coral',
    'garment=fleece;sleeve=long',
  ),
  'market-shirt': garment(
    'market-shirt',
    'Market shirt',
    'buttons colour=Oak, neckerchief colour=Poppy',
    'seam-back',
    '',
    'garment=shirt;sleeve=long',
  ),
}

const leg = (key, name, layersText, traits = '') => print(`leg-${key}`, name, 'leg-left', layersText, '', traits)
export const legPrints = {
  work: { leg: leg('work', 'Work trousers', 'pocket, shoe colour=Chestnut', 'boot=brown'), hips: null },
  dark: { leg: leg('dark', 'Trousers, dark shoes', 'seam, shoe colour=Tar', 'boot=black'), hips: null },
  boots: { leg: leg('boots', 'Sea boots', 'boot colour=Tar cuff=Brick Dust', 'boot=tall'), hips: null },
  'yellow-boots': {
    leg: leg('yellow-boots', 'Rain boots', 'boot colour=Marigold cuff=Amber', 'boot=tall'),
    hips: null,
  },
  piped: { leg: leg('piped', 'Piped trousers', 'stripe colour=Brass, shoe colour=Tar', 'boot=black'), hips: null },
  patched: {
    leg: leg('patched', 'Patched trousers', 'knee colour=Rope, cuff colour=Oat, shoe colour=Peat', 'boot=brown'),
    hips: null,
  },
  'shorts-fawn': {
    leg: leg('shorts-fawn', 'Shorts', 'shorts skin=Fawn, socks colour=Chalk, shoe colour=Quay Blue', 'bare=fawn'),
    hips: null,
  },
  'shorts-shell': {
    leg: leg(
      'shorts-shell',
      'Shorts, light',
      'shorts skin=Shell, socks colour=Chalk, shoe colour=Brick Dust',
      'bare=shell',
    ),
    hips: null,
  },
  'coat-yellow': {
    leg: leg('coat-yellow', 'Oilskin hem and boots', 'hem colour=Marigold, boot colour=Tar', 'runsOn=coat'),
    hips: print('hips-coat-yellow', 'Oilskin hem', 'hips', 'hem colour=Marigold'),
  },
  'coat-slate': {
    leg: leg('coat-slate', 'Warden coat hem', 'hem colour=Slate, shoe colour=Tar', 'runsOn=coat'),
    hips: print('hips-coat-slate', 'Warden coat hem', 'hips', 'hem colour=Slate, belt colour=Peat'),
  },
  waders: {
    leg: leg('waders', 'Waders', 'waders colour=Moss, shoe colour=Bottle', 'boot=tall'),
    hips: print('hips-waders', 'Wader tops', 'hips', 'waders colour=Moss'),
  },
  rower: {
    leg: leg('rower', 'Rowing trousers', 'stripe colour=Quay Blue, shoe colour=Chestnut', 'boot=brown'),
    hips: print('hips-rower', 'Rowing belt', 'hips', 'belt colour=Quay Blue'),
  },
  plain: { leg: leg('plain', 'Plain trousers', 'shoe colour=Peat', 'boot=brown'), hips: null },
}
