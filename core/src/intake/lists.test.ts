import { describe, expect, test } from '@jest/globals'
import { STARTER_COLOURS, starterLine, STARTER_MOULDS } from '../starter/index.ts'
import { readList, sheetOf } from './index.ts'

const known = { palette: STARTER_COLOURS, moulds: STARTER_MOULDS, parts: [], bins: [], sellers: [] }

/** Lists as people keep them, and what each says: its kind, then count, mould, colour, place, price and the rest of every row. */
const LISTS: readonly (readonly [about: string, text: string, says: readonly string[]])[] = [
  [
    'rows numbered below headings, heads cut short, a title that says whose it is',
    'Bestand vom Dachboden;;;;\n;;;;\nPos;Bez.;Farbe;Anz.;Preis/Stk\n;KÖPFE;;;\n1;Kopf mit Bart;Haut;3;1,20 €\n2;Kopf Frau;gelb;2 Stk;0,80 €\n;BEINE;;;\n3;Beine;dunkelblau;6;\n4;Beine kurz;beige;2;0,70\n;;Summe;13;\n',
    [
      'owned',
      '3 M-HEAD fawn EUR 120',
      '2 M-HEAD straw EUR 80',
      '6 M-PAIRF midnight',
      '2 M-PAIRS rope EUR 70',
      'left 4 7 10',
    ],
  ],
  [
    'heads that are all cut short, numbers that were sorted by something else since',
    '#,Descr.,Col.,Qty.,Stored\n7,Head,Tan,1,drawer 3\n3,Torso,White,2,drawer 3\n1,Legs,Dk Blue,6,drawer 1\n5,Short legs,Tan,2,drawer 1\n2,Ponytail,Brown,1,drawer 2\n4,Cape,Red,1,drawer 2\n6,Lantern,Gold,3,drawer 4\n8,Backpack,Brown,2,drawer 4\n',
    [
      'owned',
      '1 M-HEAD rope B-drawer-3',
      '2 M-TORSO chalk B-drawer-3',
      '6 M-PAIRF midnight B-drawer-1',
      '2 M-PAIRS rope B-drawer-1',
      '1 M-TAIL chestnut B-drawer-2',
      '1 M-CAPE poppy B-drawer-2',
      '3 M-LANT brass B-drawer-4',
      '2 M-BACKB chestnut B-drawer-4',
    ],
  ],
  [
    'no heads, numbers that begin anew below each heading',
    'Teste\n1;Testa sorridente;giallo;2\n2;Testa con barba;rosa;1\nBusti\n1;Busto giacca;nero;3\n2;Busto rosso;;2\n3;Busto;bianco;1\n',
    ['owned', '2 M-HEAD straw', '1 M-HEAD rosehip', '3 M-TORSO tar', '2 M-TORSO poppy', '1 M-TORSO chalk', 'left 1 4'],
  ],
  [
    'numbers before names that say how many, and one that does not',
    '3 heads - light skin\n12x legs black\ncapes, red\n~20 hands yellow\nca. 5 black legs\n2 tone torso\n',
    [
      'owned',
      '3 M-HEAD oat',
      '12 M-PAIRF tar',
      '1 M-CAPE poppy',
      '20 M-HAND straw (~20 hands yellow)',
      '5 M-PAIRF tar (ca. 5 black legs)',
      '1 M-TORSO c-none',
    ],
  ],
  [
    'what was ordered, with what each row comes to',
    'Item No.\tItem\tColour\tQty\tEach\tTotal\tSupplier\n10023\tHead, smile\tyellow\t3\t£0.45\t£1.35\tLamp Lane\n10077\tTorso\tred\t2\t£1.10\t£2.20\tQuay Parts\n',
    [
      'owned',
      '3 M-HEAD straw GBP 45 (Item No.: 10023; Total: £1.35; Supplier: Lamp Lane)',
      '2 M-TORSO poppy GBP 110 (Item No.: 10077; Total: £2.20; Supplier: Quay Parts)',
    ],
  ],
  [
    'lines below headings, with commas in some of them',
    'HAIR\nlong black x3\nponytail blonde x1\n\nHEADS\nsmile, freckles x4\n\nLEGS\nblack x10\nshort blue x2\n',
    [
      'owned',
      '3 M-LONG tar',
      '1 M-TAIL straw',
      '4 M-HEAD c-none',
      '10 M-PAIRF tar',
      '2 M-PAIRS quay-blue',
      'left 1 5 8',
    ],
  ],
  [
    'counts behind names, a place that is empty',
    'box\tslot\tdescription\n1\ta\t12 hands, yellow\n1\tb\tred torsos, plain - 4\n2\ta\tKopftuch rot (8)\n2\tb\tempty\n',
    [
      'owned',
      '12 M-HAND straw B-1 (slot: a)',
      '4 M-TORSO poppy B-1 (slot: b)',
      '8 M-SCARF poppy B-2 (slot: a)',
      'left 5',
    ],
  ],
  [
    'what is there beside what is wanted, with where it was bought',
    'Part,Qty have,Qty need,Colour,Unit cost,Shop\nHead,2,4,Tan,0.35,Lamp Lane\nLegs,6,6,branco e vermelho,0.25,Quay Parts\n',
    [
      'owned',
      '2 M-HEAD rope EUR 35 (Qty need: 4; Shop: Lamp Lane)',
      '6 M-PAIRF chalk EUR 25 (Qty need: 6; Shop: Quay Parts)',
    ],
  ],
  [
    'heads in a language nobody taught us',
    'Název;Barva;Kusů;Krabice\nTorso;Poppy;3;Box 1\nHead;Fawn;2;Box 2\n',
    ['owned', '3 M-TORSO poppy B-box-1', '2 M-HEAD fawn B-box-2'],
  ],
  [
    'counts first, notes in quotes',
    'Qty,Item,Colour,Location,Notes\n2,Torso with jacket,Dark blue,Tray A,"scratched, left side"\n1,Hair - ponytail,Brown,Tray B,\n3,Legs,Black,Tray A,\n1,Crown,Gold,Tray C,\n',
    [
      'owned',
      '2 M-TORSO midnight B-tray-a (Notes: scratched, left side)',
      '1 M-TAIL chestnut B-tray-b',
      '3 M-PAIRF tar B-tray-a',
      '1 M-FLOWR brass B-tray-c',
    ],
  ],
  [
    'a title above, dollars, months first',
    'My parts\n\nWhat\tHow many\tPaid\tWhen\nred cap\t2\t$0.50\t03/14/2025\nblue torso striped\t1\t$1.25\t12/01/2024\nwhite legs\t4\t$0.30\t\n',
    ['owned', '2 M-DECK poppy USD 50 2025-03-14', '1 M-TORSO quay-blue USD 125 2024-12-01', '4 M-PAIRF chalk USD 30'],
  ],
  [
    'no table at all, counts before names',
    '2x red torso\n3x black legs\n1x straw hat\nlantern\n',
    ['owned', '2 M-TORSO poppy', '3 M-PAIRF tar', '1 M-STRAW straw', '1 M-LANT c-none'],
  ],
  [
    'prices with currency and seller columns',
    'part,price,currency,stock,seller,condition\nHead with beard,0.45,EUR,12,Lamp Lane,new\nSword,1.10,EUR,3,Lamp Lane,used\nShort legs dark red,0.20,EUR,50,Lamp Lane,new\n',
    [
      'prices',
      '12 M-HEAD c-none EUR 45 new s-lamp-lane',
      '3 M-own-sword c-none EUR 110 used s-lamp-lane',
      '50 M-PAIRS wine EUR 20 new s-lamp-lane',
    ],
  ],
  [
    'numbered, dates with points, cents after a comma',
    'Nr;Teil;Farbe;Menge;Lagerort;gekauft am;EK\n1;Kopf mit Bart;hautfarben;2;Fach A1;14.03.2025;0,45\n2;Hose;schwarz;5;Fach A2;01.02.2025;0,20\n3;Haare lang;blond;1;Fach B;;1,00\n',
    [
      'owned',
      '2 M-HEAD fawn B-fach-a1 EUR 45 2025-03-14',
      '5 M-PAIRF tar B-fach-a2 EUR 20 2025-02-01',
      '1 M-LONG straw B-fach-b EUR 100',
    ],
  ],
  [
    'pipes, a total below',
    'Artikel|Anzahl|Preis\nUmhang rot|2|1,50 EUR\nHelm grau|1|2,00 EUR\nSchwert silber|4|0,80 EUR\nSumme|7|\n',
    ['prices', '2 M-CAPE poppy EUR 150', '1 M-LAMPH pewter EUR 200', '4 M-own-schwert tin EUR 80', 'left 5'],
  ],
  [
    'places and conditions in French',
    'Désignation;Coloris;Quantité;Emplacement;Etat\nBras droit;bleu foncé;2;Boîte 3;occasion\nJambes courtes;noir;1;Boîte 3;neuf\nCheveux longs;châtain;1;Boîte 1;neuf\n',
    ['owned', '2 M-ARMR midnight B-boite-3 used', '1 M-PAIRS tar B-boite-3 new', '1 M-LONG chestnut B-boite-1 new'],
  ],
  [
    'Dutch, the sign before the amount',
    'Omschrijving;Kleur;Aantal;Doos;Prijs\nHoofd met bril;huidskleur;3;Doos 1;€ 0,35\nRok;rood;1;Doos 2;€ 0,50\nPet;donkerblauw;2;Doos 2;\n',
    ['owned', '3 M-HEAD fawn B-doos-1 EUR 35', '1 M-SKIRT poppy B-doos-2 EUR 50', '2 M-DECK midnight B-doos-2'],
  ],
  [
    'Spanish with commas',
    'Pieza,Color,Cantidad,Caja\nTorso con chaqueta,verde,2,Caja 1\nSombrero,marrón,1,Caja 2\nPiernas,azul claro,3,Caja 1\n',
    ['owned', '2 M-TORSO moss B-caja-1', '1 M-OILH chestnut B-caja-2', '3 M-PAIRF ice B-caja-1'],
  ],
  [
    'Italian, a colour missing',
    'Descrizione;Colore;Pezzi;Scatola;Prezzo\nBraccio sinistro;giallo;2;Scatola 1;0,30 €\nCappello di paglia;;1;Scatola 2;1,20 €\nGonna;rosso scuro;1;Scatola 2;0,90 €\n',
    [
      'owned',
      '2 M-ARML straw B-scatola-1 EUR 30',
      '1 M-STRAW c-none B-scatola-2 EUR 120',
      '1 M-SKIRT wine B-scatola-2 EUR 90',
    ],
  ],
  [
    'Polish, złoty, counts with a word',
    'Nazwa;Kolor;Ilość;Pudełko;Cena;Stan\nKapelusz słomkowy;;2;Pudełko 1;3,50 zł;nowy\nNogi;czarny;4 szt.;Pudełko 2;1,20 zł;używany\nGłowa z brodą;cielisty;1;Pudełko 1;2,00 zł;nowy\n',
    [
      'owned',
      '2 M-STRAW c-none B-pudelko-1 PLN 350 new',
      '4 M-PAIRF tar B-pudelko-2 PLN 120 used',
      '1 M-HEAD fawn B-pudelko-1 PLN 200 new',
    ],
  ],
  [
    'Portuguese, reais',
    'Peça;Cor;Quantidade;Caixa;Preço\nCabeça;pele;2;Caixa 1;R$ 2,50\nCalças;azul;3;Caixa 2;R$ 1,00\nChapéu;preto;1;Caixa 2;R$ 3,00\n',
    [
      'owned',
      '2 M-HEAD fawn B-caixa-1 BRL 250',
      '3 M-PAIRF quay-blue B-caixa-2 BRL 100',
      '1 M-OILH tar B-caixa-2 BRL 300',
    ],
  ],
  [
    'codes of somebody else',
    'code,name,colour,qty\nX-100,Torso,red,1\nX-101,Head,fawn,2\nX-102,Legs,black,3\n',
    ['owned', '1 M-TORSO poppy (code: X-100)', '2 M-HEAD fawn (code: X-101)', '3 M-PAIRF tar (code: X-102)'],
  ],
  [
    'owned, with the shop and the set they came from, which are kept as remarks',
    'Teil;Farbe;Anzahl;Kiste;Händler;Set\nTorso;rot;2;Kiste 1;Laden Nord;Hafenfest\n',
    ['owned', '2 M-TORSO poppy B-kiste-1 (Händler: Laden Nord; Set: Hafenfest)'],
  ],
  [
    'colour first',
    'Farbe;Teil;Stück\nrot;Torso;2\nblau;Beine;1\n',
    ['owned', '2 M-TORSO poppy', '1 M-PAIRF quay-blue'],
  ],
  [
    'capitals, the currency in the head',
    'PART NAME,COLOR NAME,QUANTITY IN STOCK,UNIT PRICE (USD)\nHAIR BOB,BLACK,4,0.75\nTORSO PLAIN,WHITE,10,0.15\n',
    ['prices', '4 M-BOB tar USD 75', '10 M-TORSO chalk USD 15'],
  ],
  [
    'heads that are questions',
    'Was ist es?;Welche Farbe?;Wie viele?;Wo?\nMütze;rot;3;Schublade 1\nTrompete;gold;1;Schublade 2\n',
    ['owned', '3 M-DECK poppy B-schublade-1', '1 M-CORN brass B-schublade-2'],
  ],
  [
    'name and colour in one cell',
    'Teil;Anzahl\n"Torso, rot";2\n"Beine (schwarz)";1\n"Arm links - blau";4\n',
    ['owned', '2 M-TORSO poppy', '1 M-PAIRF tar', '4 M-ARML quay-blue'],
  ],
  [
    'a title and an empty row above',
    'Preisliste Lampengasse 2026;;;\n;;;\nBezeichnung;Zustand;VK;Bestand\nTorso rot;neu;1,20;5\nKopf hautfarben;gebraucht;0,60;2\n',
    ['prices', '5 M-TORSO poppy EUR 120 new', '2 M-HEAD fawn EUR 60 used'],
  ],
  [
    'points between thousands',
    'name;price;stock\nGolden helmet;1.250,00;1\nTorso red;0,50;10\n',
    ['prices', '1 M-LAMPH brass EUR 125000', '10 M-TORSO poppy EUR 50'],
  ],
  [
    'plurals and two words a colour',
    'Count,Part Name,Colour Name\n1,Heads,Light Brown\n2,Torsos,Dark Green\n',
    ['owned', '1 M-HEAD rope', '2 M-TORSO bottle'],
  ],
  [
    'an empty row, bent words, a total',
    'Teile für Winter;;\n\nStk;Was;Farbton\n3;Köpfe;Haut\n1;Rote Mütze;\n2;Schwert;silbern\n;;\nSumme;6;\n',
    ['owned', '3 M-HEAD fawn', '1 M-DECK poppy', '2 M-own-schwert tin', 'left 8'],
  ],
  [
    'the currency in the head, a seller',
    'Nb;Pièce;Prix (EUR);Vendeur\n4;Torse bleu marine;0,90;Quai Sept\n2;Casquette rouge;1,10;Quai Sept\n',
    ['prices', '4 M-TORSO midnight EUR 90 s-quai-sept', '2 M-DECK poppy EUR 110 s-quai-sept'],
  ],
  [
    'colours within names',
    'Artículo;Precio;Existencias\nCabeza piel;0,45 €;12\nFalda roja;0,80 €;3\n',
    ['prices', '12 M-HEAD fawn EUR 45', '3 M-SKIRT poppy EUR 80'],
  ],
  [
    'Polish, one word colours',
    'Element;Kolor;Szt.\nTors;ciemnozielony;2\nRęce;cielisty;4\n',
    ['owned', '2 M-TORSO bottle', '4 M-HAND fawn'],
  ],
  [
    'Dutch, bent colours, no table',
    '3x zwarte broek\n2x rode pet\n1x gele hoed\n',
    ['owned', '3 M-PAIRF tar', '2 M-DECK poppy', '1 M-OILH straw'],
  ],
  [
    'tabs',
    'Bezeichnung\tFarbe\tAnzahl\nRucksack\tbraun\t1\nSchal\tgelb\t2\n',
    ['owned', '1 M-BACKB chestnut', '2 M-LSCRF straw'],
  ],
]

test.each(LISTS)('%s', (_about, text, says) => {
  const { kind, rows, faults, left } = readList(sheetOf(text), 'list.csv', known)
  const told = rows.map(({ count, part, bin, price, condition, date, seller, remark }) =>
    [
      count,
      part.mould,
      part.colour,
      bin,
      price && `${price.currency} ${price.minor}`,
      condition,
      date,
      seller,
      remark && `(${remark})`,
    ]
      .filter(Boolean)
      .join(' '),
  )
  const wrong = faults.map(({ line, field, reason }) => `${line} ${field} ${reason}`)
  expect([kind, ...told, ...wrong, ...(left.length > 0 ? [`left ${left.join(' ')}`] : [])]).toEqual(says)
})

test('every shape that ships with Outfit, said with any of its colours, is read as itself with nothing to ask', () => {
  const wrong: string[] = []
  for (const [at, mould] of STARTER_MOULDS.entries())
    // Each shape in five colours, each colour on many shapes.
    for (const colour of STARTER_COLOURS.filter((_, i) => i % 10 === at % 10)) {
      const { kind, rows, unknown, open } = readList(sheetOf(starterLine(mould, colour)), 'x', known)
      const { part, count } = rows[0] ?? {}
      const asked = unknown.filter(({ settled }) => !settled).length + open.length
      const read = [kind, rows.length, part?.mould, part?.colour, count, asked].join(' ')
      if (read !== `owned 1 ${mould.code} ${colour.code} 1 0`) wrong.push(`${mould.name}, ${colour.name}: ${read}`)
    }
  expect(wrong).toEqual([])
})

test.each([
  [
    'M-DRESS',
    [
      'Torso mit Armen',
      'Oberkörper inkl. Arme',
      'torse avec bras',
      'torso con brazos',
      'corpo con braccia',
      'torso met armen',
      'tors z ramionami',
      'tronco com braços',
      'body w/ arms',
      'Torso, arms attached',
      'Torso komplett',
      'Jacke mit Armen',
    ],
  ],
  [
    'M-TORSO',
    ['Torso ohne Arme', 'torse sans bras', 'torso zonder armen', 'tors bez ramion', 'torso with coat of arms', 'Torso'],
  ],
])('torsos with arms and without are told apart in all languages: %s', (mould, phrases) => {
  const read = (name: string) =>
    readList(sheetOf(`Part\tColour\tCount\n${name}\tred\t2`), 'x', known).rows[0]?.part.mould
  expect(phrases.map((name) => `${name}: ${read(name)}`)).toEqual(phrases.map((name) => `${name}: ${mould}`))
})

test.each([
  [
    'French, tabs, the figure last',
    'Pièce\tCouleur\tQté\tCoffret\tPersonnage\nTorse\tbleu\t1\tFête du port\tCapitaine\nLanterne\tjaune\t2\tFête du port\t\n',
    ['1 M-TORSO Fête du port / Capitaine', '2 M-LANT Fête du port / -'],
  ],
  [
    'Polish, years, no counts',
    'Zestaw;Rok;Figurka;Nazwa;Kolor\nPort;2018;Kapitan;Głowa;beżowy\nPort;2018;Kapitan;Spodnie;czarny\n',
    ['1 M-HEAD Port / Kapitan 2018', '1 M-PAIRF Port / Kapitan 2018'],
  ],
  [
    'English, a price beside it that is no price list, a year that is none',
    'Set No,Figure,Part,Color,Qty,Price\n4410,Guard,red torso,,1,0.50\n4410,Guard,black legs,,1,0.20\n',
    ['1 M-TORSO 4410 / Guard (Price: 0.50)', '1 M-PAIRF 4410 / Guard (Price: 0.20)'],
  ],
  [
    'German, the price of a set on each of its rows, on the first alone, and one that says two',
    'Set;Figur;Teil;Farbe;Preis\nHafen;Koch;Kopf;hautfarben;12,90 €\nHafen;Koch;Torso;rot;12,90 €\nKai;Koch;Kopf;hautfarben;5 €\nKai;Koch;Torso;rot;\nTor;Koch;Kopf;hautfarben;4 €\nTor;Koch;Torso;rot;6 €\n',
    [
      '1 M-HEAD Hafen / Koch costs 1290 EUR',
      '1 M-TORSO Hafen / Koch costs 1290 EUR',
      '1 M-HEAD Kai / Koch costs 500 EUR',
      '1 M-TORSO Kai / Koch',
      '1 M-HEAD Tor / Koch (Preis: 4 €)',
      '1 M-TORSO Tor / Koch (Preis: 6 €)',
    ],
  ],
  [
    'prices of parts, which one set happens to have alike',
    'set,figure,part,colour,price\nA,Cook,head,beige,1.50\nA,Cook,torso,red,0.40\nB,Cook,head,beige,1.50\nB,Cook,torso,red,0.40\nC,Cook,legs,red,0.40\nC,Cook,torso,red,0.40\n',
    ['head', 'torso', 'head', 'torso', 'legs', 'torso'].map(
      (part, i) =>
        `1 ${{ head: 'M-HEAD', torso: 'M-TORSO', legs: 'M-PAIRF' }[part]} ${'AABBCC'[i]} / Cook (price: ${part === 'head' ? '1.50' : '0.40'})`,
    ),
  ],
])('a set list: %s', (_about, text, says) => {
  const { kind, rows, faults } = readList(sheetOf(text), 'list.csv', known)
  const told = rows.map(({ part, count, set, figure, year, price, remark }) =>
    [
      ...[count, part.mould, `${set} / ${figure ?? '-'}`, year],
      ...[price && `costs ${price.minor} ${price.currency}`, remark && `(${remark})`],
    ]
      .filter(Boolean)
      .join(' '),
  )
  expect([kind, faults, told]).toEqual(['sets', [], says])
})

test('where a shop keeps what it sells is a remark of its price list', () => {
  const text = 'part,price,seller,shelf\nred torso,0.45 EUR,Lamp Lane,B 7\n'
  const { rows } = readList(sheetOf(text), 'x', known, { kind: 'prices' })
  expect(rows[0]).toMatchObject({ bin: null, seller: 's-lamp-lane', remark: 'shelf: B 7' })
})

describe('names that stand by themselves', () => {
  const read = (text: string) => {
    const { rows, left, headings } = readList(sheetOf(text), 'x', known)
    return { rows: rows.map(({ line }) => line), left, headings }
  }

  test('head the parts below them where all others tell more, and are told', () => {
    expect(
      read(
        'Item,Colour,How many,Where\nSmiling head,tan,2,A\nHats & hair,,,\nLong hair,brown,3,B\nBeret,red,1,B\nBodies,,,\nRed torso,,2,C\nBlue jacket,blue,1,C\nGreen coat,green,1,C\nKöpfe,,,\nHead,tan,1,A\nHead,brown,1,A\n',
      ),
    ).toEqual({ rows: [2, 4, 5, 7, 8, 9, 11, 12], left: [3, 6, 10], headings: ['Hats & hair', 'Bodies', 'Köpfe'] })
  })

  test('are parts where they tell their colour, or where many rows tell no more', () => {
    expect(read('naam;aantal;kleur\nzwarte hoed;;\nrode broek;3;rood\njas;2;blauw\nhoed;1;groen\n')).toEqual({
      ...{ rows: [2, 3, 4, 5], left: [], headings: [] },
    })
    expect(read('Teil;Farbe;Anzahl\nHut;;\nHose;blau;3\nKopf;;\nJacke;rot;1\n')).toEqual({
      ...{ rows: [2, 3, 4, 5], left: [], headings: [] },
    })
  })
})
