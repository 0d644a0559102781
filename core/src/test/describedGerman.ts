/** German descriptions the reader was made with, the wishes in them, and what they say besides. */
export const DESCRIBED_GERMAN: readonly (readonly [text: string, wishes: string, besides: string])[] = [
  [
    'alter Mann, grauer Bart, schwarzer Hut, Laterne',
    'head age old; head beard full; head brows Pewter; headgear hat yes; headgear colour Tar; held item lantern',
    '',
  ],
  [
    'rote Mütze, Zöpfe, gelber Schal',
    'headgear shape M-DECK; headgear colour Poppy; headgear tied yes; neck shape M-LSCRF; neck colour Marigold',
    '',
  ],
  [
    'Brille, blaue Jacke, keine Mütze',
    'head glasses yes; torso garment jacket; torso colour Quay Blue; headgear hat no',
    '',
  ],
  [
    'Junge, 9 Jahre, rote Pudelmütze, gestreifter Pullover, Trommel',
    'head age child; headgear shape M-BOBL; headgear colour Poppy; torso garment jumper; torso pattern striped; held item drum',
    'stature middle; years 9',
  ],
  [
    'Köchin, weiße Schürze, hochgekrempelte Ärmel, Kelle (unbedingt)',
    'torso garment apron; torso colour Chalk; torso sleeve rolled; held item ladle !must',
    'cooks',
  ],
  [
    'dunkle Haut, kurze schwarze Locken, grüne Regenjacke, Gummistiefel',
    'head skin Cocoa; headgear texture curly; headgear hairLength short; headgear colour Tar; torso garment coat; torso colour Moss; legs boot tall',
    '',
  ],
  [
    'blonde Frau im roten Kleid, ohne Hut, lächelnd',
    'headgear colour Straw; legs below gown; legs colour Poppy; headgear hat no; head expression smile',
    '',
  ],
  [
    'dunkelblauer Mantel, vielleicht ein Fernrohr, Tätowierung',
    'torso garment coat; torso colour Midnight; held item telescope !nice',
    '? Tätowierung',
  ],
  [
    'kahl, Sommersprossen, karierte Hose, barfuß',
    'headgear hairLength none; head freckles yes; legs below trousers; legs pattern checked; legs boot plain',
    '',
  ],
]

/** German descriptions the reader was not made with, and what a person takes them to wish for. */
export const UNSEEN_GERMAN: readonly (readonly [text: string, wishes: string])[] = [
  [
    'Alte Fischerin mit grünem Kopftuch, blauer Strickjacke und einem Korb',
    'head age old; headgear shape M-SCARF; headgear colour Moss; torso garment cardigan; torso colour Quay Blue; held item basket',
  ],
  [
    'Leuchtturmwärter, weißer Vollbart, dunkelblaue Kapitänsmütze, Laterne in der Hand',
    'head beard full; head brows Chalk; headgear shape M-DECK; headgear colour Midnight; held item lantern',
  ],
  [
    'Mädchen mit roten Zöpfen, Sommersprossen und gelbem Regenmantel',
    'head age child; headgear colour Poppy|Copper; headgear tied yes; head freckles yes; torso garment coat; torso colour Marigold',
  ],
  [
    'Bäcker, kahl, Schnurrbart, weißes Hemd, weiße Schürze',
    'headgear hairLength none; head beard moustache; torso garment apron; torso colour Chalk',
  ],
  [
    'strenger Lehrer, Brille, brauner Anzug, Buch unterm Arm',
    'head expression flat; head glasses yes; torso garment suit; torso colour Chestnut|Oak; held item ledger',
  ],
  ['Strohhut (muss), Weste, keine Handschuhe', 'headgear shape M-STRAW !must; torso garment waistcoat; hands glove no'],
  [
    'junge Frau, langes schwarzes Haar, lila Bluse, schwarzer Rock',
    'headgear hairLength long; headgear colour Tar; torso garment blouse; torso colour Heather|Sloe|#6F4A94; legs below skirt; legs colour Tar',
  ],
  [
    'Mechaniker im Blaumann, ölverschmiert, Schutzbrille, Hammer',
    'torso garment overalls; face shape M-GOGG; held item mallet',
  ],
  [
    'Opa mit Spitzbart, karierter Weste, Regenschirm; evtl. eine Katze',
    'head age old; head beard goatee; torso garment waistcoat; torso pattern checked; held item umbrella; beside companion cat !nice',
  ],
  [
    '8-jähriger Junge, orange Schwimmweste, kurze Hose',
    'head age child; neck shape M-VEST; neck colour Carrot; legs below trousers',
  ],
  [
    'grimmiger Seemann, Narbe, gestreiftes Hemd, hohe Stiefel, Seil',
    'head expression frown; head scar yes; torso garment shirt; torso pattern striped; legs boot tall; held item rope',
  ],
  [
    'Geigerin: rothaarig, grünes Kleid, Geige',
    'headgear colour Copper; legs below gown; legs colour Moss; held item fiddle',
  ],
  [
    'Postbote, gelbe Jacke, Umhängetasche, graue Hose, freundlich',
    'torso garment jacket; torso colour Marigold; neck shape M-SATCH; legs below trousers; legs colour Pewter; head expression smile',
  ],
  [
    'Taucher ohne Bart, mit Taucherbrille und schwarzem Overall',
    'head beard none; face shape M-GOGG; torso garment overalls; torso colour Tar',
  ],
  [
    'Marktfrau, brauner Dutt, rote Schürze über weißer Bluse, Blumenstrauß',
    'headgear colour Chestnut|Oak; headgear tied yes; torso garment apron; torso colour Poppy; held item flowers',
  ],
  [
    'Sie trägt ein hellblaues T-Shirt, Jeans und weiße Turnschuhe',
    'torso garment shirt; torso colour Canal|Ice; legs below trousers; legs colour Quay Blue; legs boot shoe; legs bootColour Chalk',
  ],
  ['blasse Haut, schwarze Augenbrauen, rote Lippen', 'head skin Shell; head brows Tar; head expression lips'],
  [
    'Trompeter in roter Uniformjacke, goldene Trompete, weißer Gürtel',
    'torso garment jacket; torso colour Poppy; held item cornet; held colour Brass; waist shape M-BELT; waist colour Chalk',
  ],
  ['möglichst ein Umhang in Dunkelgrün, sonst nichts', 'neck shape M-CAPE !nice; neck colour Bottle !nice'],
  [
    'Kind mit Mütze und Schal, beides rot',
    'head age child; headgear shape M-DECK; neck shape M-LSCRF; neck colour Poppy',
  ],
]
