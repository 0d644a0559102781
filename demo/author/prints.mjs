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

/** More faces: "key | name | brow shape and colour | both | front | back | traits"; `>` after a side changes its brows. */
const MORE_FACES = `
steady-straw | Steady / laughing | calm Straw | B | mouth shape=flat | mouth shape=grin>arched | age=adult
cheer-carrot | Cheering / hoarse | arched Carrot | B | mouth shape=shout | mouth shape=puff>worried | age=adult
dimple-peat | Dimpled / singing | soft Peat | B, cheeks | mouth shape=smile | mouth shape=open>arched | age=adult
lashes-copper | Bright / stern | arched Copper | lashes, B | mouth shape=smile | mouth shape=flat>stern | age=adult
lashes-straw | Merry / tearful | arched Straw | lashes, B | mouth shape=grin | mouth shape=frown>worried | age=adult
lashes-pewter | Old and merry / tired | soft Pewter | lashes, wrinkles | eyes shape=bright, mouth shape=grin | eyes shape=closed, mouth shape=flat | age=old
lips-tar | Dark lips / smirk | calm Tar | lashes, B | lips colour=Wine | mouth shape=smirk>arched | age=adult
squint-chestnut | Squinting / sneezing | straight Chestnut | cheeks | eyes shape=narrow, mouth shape=flat | eyes shape=closed, mouth shape=open | age=adult
boy-tar | Gap-toothed / sulking | soft Tar | B | teeth | mouth shape=frown>stern | age=child
girl-cocoa | Giggling / amazed | soft Cocoa | cheeks, lashes | eyes shape=closed, mouth shape=grin | eyes shape=wide, mouth shape=open>arched | age=child
baby-straw | Rosy / asleep | soft Straw | cheeks | eyes shape=bright, mouth shape=smile | eyes shape=closed, mouth shape=flat | age=child
goatee-pewter | Grey goatee / doubtful | straight Pewter | B, beard shape=goatee colour=Pewter | nose | nose>arched | age=old;beard=goatee
beard-tar | Black beard / roaring | bushy Tar | B, beard colour=Tar | nose | mouth shape=shout>stern | age=adult;beard=full
beard-straw | Fair beard / calm | bushy Straw | B, beard colour=Straw | nose | cheeks>soft | age=adult;beard=full
beard-copper | Red beard / laughing | bushy Copper | B, beard shape=chin colour=Copper | mouth shape=smile | mouth shape=grin>arched | age=adult;beard=chin
moustache-tar | Black moustache / grin | bushy Tar | B, moustache colour=Tar | mouth shape=flat | mouth shape=grin>arched | age=adult;beard=moustache
moustache-rain | White moustache / asleep | bushy Rain | wrinkles, moustache colour=Rain | eyes shape=bright | eyes shape=closed | age=old;beard=moustache
stubble-tar | Dark stubble / weary | straight Tar | stubble colour=Tar | eyes shape=bright, mouth shape=smirk | eyes shape=narrow, mouth shape=frown>worried | age=adult
glasses-copper | Brass glasses / laughing | soft Copper | B, glasses colour=Brass, freckles | mouth shape=smile | mouth shape=grin>arched | age=adult;glasses=yes
glasses-pewter | Reading glasses / dozing | soft Pewter | glasses colour=Tin, wrinkles | eyes shape=bright, mouth shape=smile | eyes shape=closed, mouth shape=flat | age=old;glasses=yes
glasses-chestnut | Blue glasses / cross | calm Chestnut | glasses shape=square colour=Canal | eyes shape=bright, mouth shape=flat | eyes shape=narrow, mouth shape=frown>stern | age=adult;glasses=yes
scar-rain | Old scar / grim | stern Rain | scar, wrinkles, B | mouth shape=flat | mouth shape=frown | age=old;scar=yes
paint-blue | Crew paint / shouting | calm Tar | B, face-paint colour=Quay Blue | mouth shape=smile | mouth shape=shout>stern | age=adult;paint=yes
paint-coral | Coral star / laughing | soft Chestnut | lashes, B, face-paint shape=star colour=Coral | mouth shape=smile | mouth shape=grin>arched | age=adult;paint=yes
cat-paint | Painted cat / asleep | soft Peat | whiskers colour=Peat | eyes shape=bright | eyes shape=closed | age=child;paint=yes
smudge-tar | Tarry / whistling | calm Tar | B, smudge | mouth shape=flat | mouth shape=puff | age=adult
nose-chestnut | Long nose / surprised | bushy Chestnut | nose | eyes shape=bright, mouth shape=flat | eyes shape=wide, mouth shape=open>arched | age=adult
sweat-chestnut | Racing / relieved | stern Chestnut | sweat, B | mouth shape=puff | mouth shape=smile>calm | age=adult
sweat-tar | At the limit / triumphant | stern Tar | sweat | eyes shape=narrow, teeth | eyes shape=bright, mouth shape=shout>arched | age=adult
`
for (const line of MORE_FACES.trim().split('\n')) {
  const [key, name, brow, shared, front, back, traits] = line.split(' | ').map((cell) => cell.trim())
  const side = (text) => text.replace('>', '|')
  face(key, name, brow, shared.replace(/\bB\b/, 'eyes shape=bright'), side(front), side(back), traits)
}

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
    'rolled-sleeve skin=Hazel',
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
    'short-sleeve skin=Fawn',
    'garment=shirt;sleeve=short',
  ),
  'lantern-tee': garment(
    'lantern-tee',
    'Lantern night shirt',
    'scoop colour=Tar, lantern colour=Marigold',
    'lantern colour=Marigold',
    'short-sleeve skin=Umber',
    'garment=shirt;sleeve=short',
  ),
  'engine-vest': garment(
    'engine-vest',
    'Engine room shirt',
    'braces colour=Peat, buttons colour=Pewter, patches colour=Rope',
    'crossed-straps colour=Peat',
    'rolled-sleeve skin=Shell',
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

/** More garments: "key | name | front | back | sleeve | traits". */
const MORE_GARMENTS = `
ferry-tunic | Ferry tunic | collar colour=Chalk, double-buttons colour=Brass, belt colour=Peat | seam-back, belt colour=Peat | cuff colour=Brass | garment=tunic;sleeve=long
pilot-coat | Pilot coat | coat colour=Midnight shirt=Chalk buttons=Brass, anchor colour=Brass | seam-back, belt colour=Midnight | cuff colour=Brass | garment=coat;sleeve=long;runsOn=coat
lantern-coat | Lantern coat | coat colour=Wine shirt=Butter buttons=Brass | seam-back, lantern colour=Marigold | cuff colour=Marigold | garment=coat;sleeve=long;runsOn=coat
evening-lapels | Evening lapels | shirt colour=Chalk, lapels colour=Slate, buttons colour=Tar | seam-back | | garment=jacket;sleeve=long
check-shirt | Check shirt | checks colour=Brick Dust second=Butter, collar colour=Chalk | checks colour=Brick Dust second=Butter | rolled-sleeve skin=Shell | garment=shirt;sleeve=rolled
check-moss | Mossy check shirt | checks colour=Bottle second=Reed, collar colour=Oat | checks colour=Bottle second=Reed | | garment=shirt;sleeve=long
wave-jumper | Wave jumper | waves colour=Canal, scoop colour=Oat | waves colour=Canal | cuff colour=Canal | garment=jumper;sleeve=long
tide-blouse | Tide blouse | waves colour=Ice, v-neck colour=Chalk | waves colour=Ice | short-sleeve skin=Hazel | garment=blouse;sleeve=short
sail-harness | Sailing harness | harness colour=Coral, collar colour=Tar | crossed-straps colour=Coral | stripe colour=Coral | garment=harness;sleeve=long
roof-harness | Roof harness | harness colour=Marigold, buttons colour=Tin | crossed-straps colour=Marigold | rolled-sleeve skin=Plum Skin | garment=harness;sleeve=rolled
many-pockets | Pocket vest | pockets colour=Rope, zip colour=Tin | seam-back | short-sleeve skin=Shell | garment=waistcoat;sleeve=short
hood-coral | Hooded jumper | hood colour=Coral second=Oat, fish colour=Oat | hood colour=Coral | | garment=jumper;sleeve=long
hood-slate | Hooded fleece | hood colour=Slate second=Tin, star colour=Marigold | hood colour=Slate | stripe colour=Marigold | garment=fleece;sleeve=long
leaf-smock | Leaf smock | leaves colour=Moss, yoke colour=Bottle second=Butter | leaves colour=Moss | cuff colour=Moss | garment=blouse;sleeve=long
petal-smock | Petal smock | leaves colour=Rosehip, scoop colour=Wine | leaves colour=Rosehip | short-sleeve skin=Fawn | garment=blouse;sleeve=short
fish-tee | Fish shirt | scoop colour=Canal, fish colour=Canal | seam-back | short-sleeve skin=Shell | garment=shirt;sleeve=short
star-tee | Star shirt | scoop colour=Sloe, star colour=Butter | star colour=Butter | short-sleeve skin=Shell | garment=shirt;sleeve=short
gull-jersey | Gull crew jersey | hoops colour=Chalk, v-neck colour=Chalk, number digit=4 colour=Poppy | hoops colour=Chalk, number digit=4 colour=Poppy | hoops colour=Chalk | garment=jersey;sleeve=long;team=gull
otter-jersey | Otter crew jersey | band colour=Marigold, v-neck colour=Oat, number digit=2 colour=Bottle | band colour=Marigold, number digit=2 colour=Bottle | cuff colour=Marigold | garment=jersey;sleeve=long;team=otter
cook-jacket | Cook jacket | double-buttons colour=Tar, collar colour=Chalk, neckerchief colour=Poppy | seam-back | | garment=jacket;sleeve=long
smith-apron | Smith apron | scoop colour=Peat, apron colour=Oak | crossed-straps colour=Oak | rolled-sleeve skin=Umber | garment=apron;sleeve=rolled
clerk-waistcoat | Clerk waistcoat | shirt colour=Chalk, waistcoat colour=Slate buttons=Tin, tie colour=Bottle | seam-back | cuff colour=Chalk | garment=waistcoat;sleeve=long
fiddler-waistcoat | Fiddler waistcoat | shirt colour=Oat, waistcoat colour=Wine buttons=Brass, neckerchief colour=Marigold | seam-back | rolled-sleeve skin=Fawn | garment=waistcoat;sleeve=rolled
sash-tunic | Parade tunic | sash colour=Marigold, buttons colour=Brass, collar colour=Brass | sash colour=Marigold | cuff colour=Brass | garment=tunic;sleeve=long
dive-suit | Diving suit | collar colour=Brass, belt colour=Tar buckle=Brass, patches colour=Peat | seam-back, belt colour=Tar | cuff colour=Brass | garment=suit;sleeve=long
school-tie | School jersey | v-neck colour=Chalk, tie colour=Coral | seam-back | cuff colour=Coral | garment=jersey;sleeve=long
night-cloak | Watch jacket | jacket colour=Midnight, braces colour=Peat | seam-back | armband colour=Glow Lamp | garment=jacket;sleeve=long
`
for (const line of MORE_GARMENTS.trim().split('\n')) {
  const [key, name, front, back, sleeve, traits] = line.split('|').map((cell) => cell.trim())
  garments[key] = garment(key, name, front, back, sleeve, traits)
}

/** More legs: "key | name | layers | traits | hip layers". */
const MORE_LEGS = `
coat-midnight | Pilot coat hem | hem colour=Midnight, shoe colour=Tar | runsOn=coat | hem colour=Midnight
coat-wine | Lantern coat hem | hem colour=Wine, boot colour=Peat | runsOn=coat | hem colour=Wine
red-boots | Red boots | boot colour=Poppy cuff=Wine | boot=tall |
white-shoes | White shoes | seam, shoe colour=Chalk | boot=white |
side-coral | Coral side stripe | stripe colour=Coral, shoe colour=Midnight | boot=black |
side-marigold | Otter crew stripe | stripe colour=Marigold, shoe colour=Tar | boot=black | belt colour=Marigold
gull-hoops | Gull crew hoops | hoops colour=Chalk, shoe colour=Tar | boot=black |
turned-cuffs | Turned-up cuffs | cuff colour=Ice, shoe colour=Oak | boot=brown |
dotted | Dotted trousers | dots colour=Butter, shoe colour=Wine | boot=red |
knee-slate | Knee pads | knee colour=Slate, boot colour=Peat | boot=tall |
shorts-cocoa | Shorts, dark | shorts skin=Cocoa, socks colour=Oat, shoe colour=Coral | bare=cocoa |
shorts-hazel | Shorts, brown | shorts skin=Hazel, socks colour=Chalk, shoe colour=Peat | bare=hazel |
wellingtons | Green boots | boot colour=Bottle cuff=Moss | boot=tall |
dive-legs | Diving boots | seam, boot colour=Tar cuff=Brass | boot=tall | belt colour=Tar
belted | Belted trousers | pocket, shoe colour=Oak | boot=brown | belt colour=Oak
socks-up | Long socks | socks colour=Poppy, shoe colour=Tar | boot=black |
`
for (const line of MORE_LEGS.trim().split('\n')) {
  const [key, name, layersText, traits, hips] = line.split('|').map((cell) => cell.trim())
  legPrints[key] = {
    leg: leg(key, name, layersText, traits),
    hips: hips ? print(`hips-${key}`, `${name}, hips`, 'hips', hips) : null,
  }
}

/** Badges on hats, cloth and things: "key | name | kind | front | back". */
const BADGES = `
cap-anchor | Anchor badge | headgear | mark shape=anchor colour=Brass |
cap-oars | Crossed oars badge | headgear | disc colour=Chalk, mark shape=oars colour=Quay Blue |
cap-heron | Heron badge | headgear | mark shape=heron colour=Oat |
hood-lantern | Lantern badge | headgear | mark shape=lantern colour=Marigold |
cape-star | Star on the back | neck | | mark shape=star colour=Brass
cape-heron | Heron on the back | neck | | shield colour=Oat, mark shape=heron colour=Quay Blue
vest-anchor | Life guard mark | neck | disc colour=Chalk, mark shape=anchor colour=Poppy | disc colour=Chalk, mark shape=anchor colour=Poppy
flag-fish | Fish flag | held | mark shape=fish colour=Chalk |
flag-oars | Finish flag | held | mark shape=oars colour=Tar |
drum-wave | Wave drum | held | shield colour=Oat, mark shape=wave colour=Canal |
lantern-leaf | Leaf lantern | held | mark shape=leaf colour=Bottle |
ledger-anchor | Harbour ledger | held | mark shape=anchor colour=Brass |
barrel-fish | Fish barrel | beside | disc colour=Oat, mark shape=fish colour=Canal |
`
export const badges = Object.fromEntries(
  BADGES.trim()
    .split('\n')
    .map((line) => {
      const [key, name, kind, front, back] = line.split('|').map((cell) => cell.trim())
      return [key, print(`badge-${key}`, name, kind, front, back, 'badge=yes')]
    }),
)
