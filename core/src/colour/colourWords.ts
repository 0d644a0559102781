/** Colours by what people call them: sRGB, and the word in the languages. Tones such as light and dark come on top. */
export const COLOUR_WORDS: Readonly<Record<string, string>> = {
  '#FFFFFF':
    'white, weiss, blanc, blanche, blanco, blanca, bianco, bianca, wit, witte, bialy, biala, biale, bialo, branco, branca, schneeweiss, lawinenweiss, snow white',
  '#F1EAD7': 'cream, creme, ivory, elfenbein, ivoire, marfil, avorio, ivoor, kremowy, marfim, off white',
  '#232126':
    'black, schwarz, noir, noire, negro, negra, nero, nera, zwart, czarny, czarna, czarne, czarno, preto, preta',
  '#8A8D91': 'grey, gray, grau, gris, grigio, grigia, grijs, szary, szara, szare, szaro, cinza, cinzento',
  '#B5BAC0': 'silver, silber, silbern, argent, plata, plateado, argento, zilver, srebrny, prata',
  '#C92B33':
    'red, rot, rouge, rojo, roja, rosso, rossa, rood, rode, czerwony, czerwona, czerwone, czerwono, vermelho, vermelha',
  '#70233A': 'wine, wine red, burgundy, maroon, weinrot, bordeaux, burdeos, granate, bordo, wijnrood, bordowy, vinho',
  '#E26A24': 'orange, naranja, arancione, oranje, pomaranczowy, laranja',
  '#F5CB2E':
    'yellow, gelb, jaune, amarillo, amarilla, giallo, gialla, geel, gele, zolty, zolta, zolte, zolto, amarelo, amarela',
  '#C8A13C': 'gold, golden, messing, brass, laiton, dore, or, dorado, oro, goud, zloty, dourado',
  '#3F8A45': 'green, grun, vert, verte, verde, groen, zielony, zielona, zielone, zielono',
  '#6B7A3A': 'olive, oliv, olivgrun, oliva, oliwkowy, khaki, khakigrun, kaki',
  '#2F8F8B': 'teal, turquoise, turkis, petrol, turquesa, turchese, turkoois, turkusowy, cyan',
  '#A5D86E': 'lime, limette, citron vert, lima, limoen, limonkowy, lime green, hellgrun',
  '#2D5FA3': 'blue, blau, bleu, bleue, azul, blu, blauw, niebieski, niebieska, niebieskie, niebiesko, azul',
  '#1E2B47':
    'navy, navy blue, marineblau, nachtblau, bleu marine, azul marino, blu marino, marineblauw, granatowy, azul marinho',
  '#8CC3E2':
    'sky blue, himmelblau, bleu ciel, celeste, azzurro, hemelsblauw, blekitny, azul claro, hellblau, light blue',
  '#6F4A94': 'purple, violet, lila, violett, mauve, morado, violeta, viola, paars, fioletowy, roxo',
  '#B7A3CF': 'lavender, lavendel, lavande, lavanda, lawendowy',
  '#E88BA6': 'pink, rosa, rose, rosado, roze, rozowy, cor de rosa',
  '#B0568F': 'magenta, fuchsia, fucsia, magenta',
  '#6B4226': 'brown, braun, marron, brun, marrone, bruin, brazowy, castanho, marrom',
  '#C4A274': 'tan, beige, sand, sandfarben, sable, arena, sabbia, zand, bezowy, bege, camel, hellbraun',
  '#A64E2A': 'copper, kupfer, cuivre, cobre, rame, koper, miedziany, rust, rostrot, rouille',
  '#EBB98E':
    'skin, flesh, skin tone, haut, hautton, fleischton, hautfarben, hautfarbe, chair, peau, couleur chair, couleur peau, piel, carne, pelle, huid, huidskleur, cielisty, pele, nude, fleischfarben',
  '#54321F': 'dark skin, dunkle haut, peau foncee, piel oscura, pelle scura, donkere huid, ciemna skora',
  '#DDB863':
    'blond, blonde, hellblond, dunkelblond, rubio, rubia, biondo, bionda, jasny blond, loiro, loira, straw, stroh, paille',
  '#63341F': 'chestnut, chatain, kastanie, kastanienbraun, castano, castana, kasztanowy, kastanje, acaju',
  '#A9522B': 'ginger, rothaarig, roux, rousse, pelirrojo, pelirroja, rudy, ruivo, auburn',
  '#E4573B': 'coral, koralle, corail, coralo, koraal, koralowy, lachs, salmon',
}
