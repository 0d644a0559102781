/** Descriptions, the wishes in them, and what they say besides. */
export const DESCRIBED: readonly (readonly [text: string, wishes: string, besides: string])[] = [
  [
    'old man, grey beard, yellow oilskin, black boots, lantern (must)',
    'head age old; head beard full; head brows Pewter; torso garment coat; torso colour Marigold; legs boot ankle; legs bootColour Tar; held item lantern !must',
    '',
  ],
  [
    'A girl with long red hair in a ponytail, freckles, green dress',
    'head age child; headgear hairLength long; headgear colour Copper; headgear tied yes; head freckles yes; legs below gown; legs colour Moss',
    'stature middle',
  ],
  ['bald, no glasses', 'headgear hairLength none; head glasses no', ''],
  ['rather short hair', 'headgear hairLength short !nice', ''],
  [
    'Young woman, curly black hair, glasses, blue and white striped shirt, jeans',
    'headgear texture curly; headgear colour Tar; head glasses yes; torso garment shirt; torso colour Quay Blue; torso pattern striped; legs below trousers; legs colour Quay Blue',
    '? white',
  ],
  ['must have a beard; maybe a hat', 'head beard full !must; headgear hat yes !nice', ''],
  [
    'captain with white beard and navy blue coat, telescope',
    'head beard full; head brows Chalk; torso garment coat; torso colour Midnight; held item telescope',
    '',
  ],
  [
    'Tall, dark-haired, red scarf, brown trousers',
    'headgear colour Peat; neck shape M-LSCRF; neck colour Poppy; legs below trousers; legs colour Chestnut',
    'stature raised',
  ],
  [
    '8 years old, blond hair, striped jumper',
    'head age child; headgear colour Straw; torso garment jumper; torso pattern striped',
    'stature middle; years 8',
  ],
  ['greybeard with a pipe', 'head beard full; head brows Pewter', '? pipe'],
  ['no hat or gloves', 'headgear hat no; hands glove no', ''],
  [
    'woman in her sixties, silver bun, purple cardigan, black skirt',
    'head age old; headgear tied yes; headgear colour Rain; torso garment cardigan; torso colour Sloe; legs below skirt; legs colour Tar',
    'stature full; years 65',
  ],
  ['dressed all in black', 'torso colour Tar; legs colour Tar', ''],
  ['hair: black, curly', 'headgear colour Tar; headgear texture curly', ''],
  ['boots black', 'legs boot ankle; legs bootColour Tar', ''],
  ['light blue jacket with gold buttons', 'torso garment jacket; torso colour Ice', '? gold buttons'],
  ['pale skin, dark hair, smiling', 'head skin Shell; headgear colour Peat; head expression smile', ''],
  ['short-sleeved white shirt', 'torso sleeve short; torso garment shirt; torso colour Chalk', ''],
  ['fisherman, yellow rubber boots, net', 'legs boot tall; legs bootColour Marigold; held item net', 'fishes'],
  ['a small boy holding flowers', 'head age child; held item flowers', 'stature short'],
  [
    'clean shaven, brown beret, umbrella',
    'head beard none; headgear shape M-BERET; headgear colour Chestnut; held item umbrella',
    '',
  ],
  ['red hair, red hat', 'headgear colour Copper; headgear hat yes', '? red'],
  [
    'orange life jacket over a grey jumper',
    'neck shape M-VEST; neck colour Carrot; torso garment jumper; torso colour Pewter',
    '',
  ],
  [
    'she wears a long blue gown and a flower crown',
    'legs below gown; legs colour Quay Blue; headgear shape M-FLOWR',
    '? long',
  ],
  ['checked shirt, rolled up sleeves, dungarees', 'torso sleeve rolled; torso garment overalls', '? checked shirt'],
  ['jaket blue, mustashe', 'torso garment jacket; torso colour Quay Blue; head beard moustache', ''],
  [
    'angry blacksmith with mallet, leather apron',
    'head expression frown; held item mallet; torso garment apron',
    '? leather',
  ],
  ['with a cat', 'beside companion cat', ''],
  ['white beard must, hat nice', 'head beard full !must; head brows Chalk !must; headgear hat yes !nice', ''],
  ['definitely red trousers', 'legs below trousers !must; legs colour Poppy !must', ''],
  [
    'dark skin, white dreadlocks, satchel',
    'head skin Cocoa; headgear texture locs; headgear colour Chalk; neck shape M-SATCH',
    '',
  ],
  [
    'A stout harbour pilot with a bushy white moustache, navy cap and a dark blue jacket, brass telescope in hand.',
    'head beard moustache; head brows Chalk; headgear shape M-DECK; headgear colour Midnight; torso garment jacket; torso colour Midnight; held item telescope; held colour Straw',
    '? stout harbour; ? bushy',
  ],
  [
    'teenage girl, two red plaits, freckles, yellow raincoat, green wellies, carrying a fishing net',
    'head age child; headgear tied yes; headgear colour Copper; head freckles yes; torso garment coat; torso colour Marigold; legs boot tall; legs bootColour Moss; held item net',
    '',
  ],
  [
    'Elderly woman, grey bun, round glasses, purple shawl, long black skirt, teapot',
    'head age old; headgear tied yes; headgear colour Pewter; head glasses yes; neck shape M-SHAWL; neck colour Sloe; legs below skirt; legs colour Tar; held item teapot',
    '? long',
  ],
  [
    'He must wear a red scarf. Brown coat, no hat.',
    'neck shape M-LSCRF !must; neck colour Poppy !must; torso garment coat; torso colour Chestnut; headgear hat no',
    '',
  ],
  [
    'tall thin man, bald, black goatee, stern look, black suit, umbrella',
    'headgear hairLength none; head beard goatee; head brows Tar; head expression flat; torso garment suit; torso colour Tar; held item umbrella',
    'stature raised; ? thin',
  ],
  [
    'Baker: white apron, rolled sleeves, basket of bread, smiling',
    'torso garment apron; torso colour Chalk; torso sleeve rolled; held item basket; head expression smile',
    '? bread',
  ],
  [
    'little boy, messy blond hair, striped shirt, short legs, toy drum',
    'head age child; headgear colour Straw; torso garment shirt; torso pattern striped; legs length short; held item drum',
    'stature short; ? messy; ? toy',
  ],
  [
    'Woman with shoulder-length wavy brown hair, cream blouse, blue trousers, perhaps a satchel',
    'headgear texture wavy; headgear hairLength middle; headgear colour Chestnut; torso garment blouse; torso colour Oat; legs below trousers; legs colour Quay Blue; neck shape M-SATCH !nice',
    '',
  ],
  [
    'grizzled sailor, full beard (grey), knitted jumper, boots, rope over his shoulder, parrot',
    'head beard full; head brows Pewter; torso garment jumper; torso pattern knitted; legs boot ankle; held item rope',
    '? grizzled; ? shoulder; ? parrot',
  ],
  [
    'The singer has long dark hair, red lips, a purple gown and no gloves',
    'headgear hairLength long; headgear colour Peat; head expression lips; legs below gown; legs colour Sloe; hands glove no',
    '? red',
  ],
  [
    'white-haired fisherman in his seventies; orange oilskin; crab pot; must have the pipe',
    'head age old; headgear colour Chalk; torso garment coat; torso colour Carrot; held item crab pot',
    'stature full; years 75; fishes; ? pipe',
  ],
  [
    'dark skinned mechanic with short black hair, blue dungarees, goggles, hammer',
    'head skin Cocoa; headgear hairLength short; headgear colour Tar; torso garment overalls; torso colour Quay Blue; face shape M-GOGG; held item mallet',
    'mends',
  ],
  [
    'Girl, 7 years old, brown pigtails, green cardigan, pink dress, holding flowers',
    'head age child; headgear tied yes; headgear colour Chestnut; torso garment cardigan; torso colour Moss; legs below gown; legs colour Rosehip; held item flowers',
    'stature middle; years 7',
  ],
  [
    'young man with stubble, side parting, checked shirt, jeans, brown shoes',
    'head beard stubble; headgear parting side; torso garment shirt; torso pattern checked; legs below trousers; legs colour Quay Blue; legs boot shoe; legs bootColour Chestnut',
    '',
  ],
  [
    'a coach with a megaphone and a whistle, red cap (must), white polo shirt',
    'held item megaphone; headgear shape M-DECK !must; headgear colour Poppy !must; torso garment shirt; torso colour Chalk',
    'calls; ? whistle; ? polo',
  ],
  [
    'shaven headed woman, scar, olive jacket, black gloves',
    'headgear hairLength none; head scar yes; torso garment jacket; torso colour Moss; hands glove yes; hands colour Tar',
    '',
  ],
  [
    'smirking pirate, black hat, gold earring, white shirt, brown waistcoat, black trousers',
    'head expression smirk; headgear hat yes; headgear colour Tar; torso garment waistcoat; torso colour Chestnut; legs below trousers; legs colour Tar',
    '? pirate; ? gold earring; ? white shirt',
  ],
  [
    'cheerful postwoman, ginger curls, blue uniform, backpack',
    'head expression smile; headgear texture curly; headgear colour Copper; neck shape M-BACKB',
    '? postwoman; ? blue uniform',
  ],
  [
    'old lady with a cat, green headscarf, brown coat',
    'head age old; beside companion cat; headgear shape M-SCARF; headgear colour Moss; torso garment coat; torso colour Chestnut',
    '',
  ],
  [
    'lifeguard, red shorts, yellow top, whistle, tanned',
    'legs below trousers; legs colour Poppy; torso colour Marigold; head skin Fawn',
    'rescues; ? whistle',
  ],
  [
    'ferry captain, dark blue coat, white beard, pipe',
    'torso garment coat; torso colour Midnight; head beard full; head brows Chalk',
    '? ferry; ? pipe',
  ],
  [
    'long curly red hair, green eyes',
    'headgear texture curly; headgear hairLength long; headgear colour Copper',
    '? green eyes',
  ],
  [
    'black cap, black gloves, black boots',
    'headgear shape M-DECK; headgear colour Tar; hands glove yes; hands colour Tar; legs boot ankle; legs bootColour Tar',
    '',
  ],
  [
    'woman, hair tied back, orange life vest, oar',
    'headgear tied yes; neck shape M-VEST; neck colour Carrot; held item oar',
    '',
  ],
  [
    'grey haired old man with glasses and a brown cardigan',
    'headgear colour Pewter; head age old; head glasses yes; torso garment cardigan; torso colour Chestnut',
    '',
  ],
  ['no beard, no hat, no gloves', 'head beard none; headgear hat no; hands glove no', ''],
  ['without glasses', 'head glasses no', ''],
  [
    'a cook in white, moustache, ladle',
    'torso colour Chalk; legs colour Chalk; head beard moustache; held item ladle',
    'cooks',
  ],
  ['smiling, freckled, red-headed', 'head expression smile; head freckles yes; headgear colour Copper', ''],
  ['short blonde hair with a fringe', 'headgear hairLength short; headgear colour Straw; headgear fringe yes', ''],
  [
    'green jersey, short sleeves, white shorts',
    'torso garment jersey; torso colour Moss; torso sleeve short; legs below trousers; legs colour Chalk',
    '',
  ],
  [
    'long-sleeved striped top, red scarf',
    'torso sleeve long; torso pattern striped; neck shape M-LSCRF; neck colour Poppy',
    '',
  ],
  [
    'plain grey trousers, black shoes',
    'legs below trousers; legs pattern plain; legs colour Pewter; legs boot shoe; legs bootColour Tar',
    '',
  ],
  [
    'dotted blue dress, straw hat',
    'legs below gown; legs pattern dotted; legs colour Quay Blue; headgear shape M-STRAW',
    '',
  ],
  [
    'tartan skirt, knitted jumper in cream',
    'legs below skirt; legs pattern checked; torso garment jumper; torso pattern knitted; torso colour Oat',
    '',
  ],
  [
    'navy overalls, hammer, grumpy',
    'torso garment overalls; torso colour Midnight; held item mallet; head expression frown',
    '',
  ],
  ['violet cape, mask', 'neck shape M-CAPE; neck colour Sloe; face shape M-MASK', ''],
  ['must be bald', 'headgear hairLength none !must', ''],
  ['must have glasses, maybe freckles', 'head glasses yes !must; head freckles yes !nice', ''],
  ['a red hat, ideally', 'headgear hat yes !nice; headgear colour Poppy !nice', ''],
  ['red scarf if possible', 'neck shape M-LSCRF !nice; neck colour Poppy !nice', ''],
  ['hat (nice)', 'headgear hat yes !nice', ''],
  [
    'green coat (must), lantern (must), otter',
    'torso garment coat !must; torso colour Moss !must; held item lantern !must; beside companion otter',
    '',
  ],
  ['perhaps a drum or a flag', 'held item drum !nice; held item flag !nice', ''],
  ['tall woman in a purple gown', 'legs below gown; legs colour Sloe', 'stature raised'],
  ['small man with a big beard', 'head beard full', 'stature middle'],
  ['aged 70', 'head age old', 'stature full; years 70'],
  ['34 years old', '', 'stature full; years 34'],
  ['a 12-year-old girl with plaits', 'head age child; headgear tied yes', 'stature middle; years 12'],
  ['in his forties, stubble', 'head beard stubble', 'stature full; years 45'],
  ['black hat with a red feather', 'headgear hat yes; headgear colour Tar', '? red feather'],
  ['coat: green; boots: brown', 'torso garment coat; torso colour Moss; legs boot ankle; legs bootColour Chestnut', ''],
  ['hair black and curly, skin pale', 'headgear texture curly; headgear colour Tar; head skin Shell', ''],
  [
    'brown skin, black locs, white shirt',
    'head skin Umber; headgear texture locs; headgear colour Tar; torso garment shirt; torso colour Chalk',
    '',
  ],
  ['light green jacket', 'torso garment jacket; torso colour Mint', ''],
  ['dark red coat', 'torso garment coat; torso colour Wine', ''],
  ['pale blue shirt, checked', 'torso garment shirt; torso colour Ice; torso pattern checked', ''],
  ['rolled up sleeves, apron, mallet', 'torso sleeve rolled; torso garment apron; held item mallet', ''],
  [
    'yellow hood, yellow cape',
    'headgear shape M-HOOD; headgear colour Marigold; neck shape M-CAPE; neck colour Marigold',
    '',
  ],
  ['Beanie (grey), hoodie', 'headgear shape M-BOBL; headgear colour Pewter; torso garment fleece', ''],
  ['sunglasses, backpack', 'head glasses yes; neck shape M-BACKB', ''],
  ['rower with oar', 'held item oar', 'rows'],
  ['lamplighter with two lanterns', 'held item lantern', 'lights'],
  ['musician with fiddle and accordion', 'held item fiddle; neck shape M-ACCO', 'plays'],
  ['seagull on her shoulder', 'beside companion gull', '? shoulder'],
  ['grey stubble, scar, frowning', 'head beard stubble; head brows Pewter; head scar yes; head expression frown', ''],
  ['mustach, glases, umbrela', 'head beard moustache; head glasses yes; held item umbrella', ''],
  ['dungares, chekced shirt', 'torso garment overalls', '? chekced shirt'],
  ['longhaired man', 'headgear hairLength long', ''],
  ['blackhaired woman', 'headgear colour Tar', ''],
  ['hair: silver, in a low bun', 'headgear colour Rain; headgear tied yes', '? low'],
  ['bob, brunette, lipstick', 'headgear hairLength middle; headgear colour Chestnut; head expression lips', ''],
  ['wears a tuxedo and a bell', 'torso garment suit; held item bell', ''],
  ['high boots, waders', 'legs boot tall', ''],
  ['raincoat, wellies and a net', 'torso garment coat; legs boot tall; held item net', ''],
  [
    'turquoise headscarf; coral shawl',
    'headgear shape M-SCARF; headgear colour Lagoon; neck shape M-SHAWL; neck colour Coral',
    '',
  ],
  ['brass buttons on a black coat', 'torso garment coat; torso colour Tar', '? brass buttons'],
  ['he has a goatee and a mug', 'head beard goatee; held item mug', ''],
  ['crate and a barrel beside him', 'beside companion crate; beside companion barrel', ''],
  ['bare hands, bare feet', 'hands glove no; legs boot plain', ''],
]

/**
 * Descriptions the reader was not made with, and what somebody would take them as: "place trait target", colours by the names
 * of the starter palette, where several would do parted by "|"; "!" before a weight other than matters.
 */
export const UNSEEN: readonly (readonly [text: string, wishes: string])[] = [
  [
    'Retired lighthouse keeper: long white beard, knitted navy jumper, brown cap, lantern in hand, kind smile.',
    `head beard full; head brows Chalk; torso garment jumper; torso colour Midnight; torso pattern knitted;
     headgear shape M-DECK; headgear colour Chestnut|Oak; held item lantern; head expression smile`,
  ],
  [
    'boy of 9 in a red and white striped jersey, blue shorts, cap on backwards',
    `head age child; torso garment jersey; torso pattern striped; torso colour Poppy; legs below trousers;
     legs colour Quay Blue; headgear shape M-DECK`,
  ],
  [
    'Mrs Poole, librarian. Tight grey bun, spectacles, cardigan in moss green, long skirt',
    'headgear tied yes; headgear colour Pewter; head glasses yes; torso garment cardigan; torso colour Moss; legs below skirt',
  ],
  [
    'ginger beard, no moustache, checked lumberjack shirt, jeans, mallet',
    `head beard full; head brows Copper; torso garment shirt; torso pattern checked; legs below trousers;
     legs colour Quay Blue; held item mallet`,
  ],
  [
    "She's always in a yellow mac and red wellingtons, brown hair in two braids; must have the umbrella",
    `torso garment coat; torso colour Marigold|Straw; legs boot tall; legs bootColour Poppy; headgear colour Chestnut|Oak;
     headgear tied yes; held item umbrella !must`,
  ],
  [
    'dark-skinned woman, big afro, gold blouse, white trousers, fiddle',
    `head skin Cocoa|Umber; headgear texture curly; torso garment blouse; torso colour Straw|Marigold|Brass;
     legs below trousers; legs colour Chalk; held item fiddle`,
  ],
  [
    'Bald bloke. Goatee. Tattoo. Black vest, grey trousers.',
    `headgear hairLength none; head beard goatee; torso garment waistcoat; torso colour Tar; legs below trousers;
     legs colour Pewter`,
  ],
  [
    'tiny old lady in lavender, straw hat, cat on a lead',
    'head age old; torso colour Heather|Lilac; legs colour Heather|Lilac; headgear shape M-STRAW; beside companion cat',
  ],
  [
    'Punk: green hair, shaved sides, black jacket, red tartan trousers, boots, sneering',
    `headgear colour Moss; torso garment jacket; torso colour Tar; legs below trousers; legs pattern checked;
     legs colour Poppy; legs boot ankle`,
  ],
  [
    'nurse - white dress, white cap, blue cardigan, brown hair tied back, clipboard',
    `legs below gown; legs colour Chalk; headgear shape M-DECK; headgear colour Chalk; torso garment cardigan;
     torso colour Quay Blue; headgear tied yes`,
  ],
  [
    'toddler with curly blond hair and a red jumper',
    'head age child; headgear texture curly; headgear colour Straw; torso garment jumper; torso colour Poppy',
  ],
  [
    'a chef, moustache (must), white hat, white jacket, checked trousers, ladle maybe',
    `head beard moustache !must; headgear hat yes; headgear colour Chalk; torso garment jacket; torso colour Chalk;
     legs below trousers; legs pattern checked; held item ladle !nice`,
  ],
  [
    'short black hair, almond eyes, pale face, navy suit, red tie',
    'headgear hairLength short; headgear colour Tar; head skin Shell; torso garment suit; torso colour Midnight',
  ],
  [
    'rower in the blue club jersey with white shorts, barefoot, oar, hair tied up',
    `torso garment jersey; torso colour Quay Blue; legs below trousers; legs colour Chalk; legs boot plain; held item oar;
     headgear tied yes`,
  ],
  [
    'grandpa, flat cap, grey moustache, tweed jacket, brown waistcoat, walking stick',
    'head age old; headgear shape M-DECK; head beard moustache; head brows Pewter; torso garment jacket',
  ],
  [
    'Woman, 45, auburn hair to the shoulders, green raincoat, basket of apples',
    'headgear colour Copper; torso garment coat; torso colour Moss|Bottle; held item basket',
  ],
  [
    'mermaid: long turquoise hair, fish tail in teal, shell necklace',
    'headgear hairLength long; headgear colour Lagoon; legs below tail; legs colour Lagoon',
  ],
  [
    'young sailor with freckles and ginger hair, white shirt, blue neckerchief, navy trousers, no beard',
    `head freckles yes; headgear colour Copper; torso garment shirt; torso colour Chalk; legs below trousers;
     legs colour Midnight; head beard none`,
  ],
  [
    'ballroom singer, black gloves, ruby dress, hair up in a chignon, smirk',
    'hands glove yes; hands colour Tar; legs below gown; headgear tied yes; head expression smirk',
  ],
  [
    'farmer. straw hat! Blue dungarees over a red checked shirt, brown boots, mud',
    `headgear shape M-STRAW; torso garment overalls; torso colour Quay Blue; legs boot ankle;
     legs bootColour Chestnut|Oak`,
  ],
]
