/**
 * Words people head and fill their own lists with, in eight languages. To teach another language or word, add it here: the
 * words are compared without capitals, accents and signs. Compounds need not be listed: "Schirmmütze" is found by "mütze".
 */

/** What a column of a list may hold. */
export const FIELDS = [
  'name',
  'kind',
  'code',
  'colour',
  'count',
  'bin',
  'price',
  'currency',
  'date',
  'condition',
  'seller',
  'pack',
  'set',
  'figure',
  'year',
  'country',
  'minimum',
  'shipping',
  'free',
  'handling',
  'days',
  'rating',
  'hex',
  'finish',
  'remark',
] as const
export type Field = (typeof FIELDS)[number]

export const FIELD_WORDS: Readonly<Record<Field, string>> = {
  name: `name, part, part name, item, description, title, what, piece, bezeichnung, beschreibung, teil, artikel, benennung, was,
    nom, piece, designation, article, libelle, naam, onderdeel, omschrijving, artikel, nombre, pieza, descripcion, articulo,
    nome, pezzo, descrizione, articolo, parte, nazwa, czesc, opis, element, peca, descricao, artigo`,
  kind: `kind, category, part type, type of part, type, kategorie, teileart, teiltyp, typ, art, rubrik, categorie, categoria, tipo, soort,
    onderdeeltype, rodzaj, kategoria, type de piece, tipo de pieza, tipo di pezzo, tipo de peca`,
  code: `code, no, nr, number, id, item no, part no, part number, sku, ref, reference, nummer, artikelnummer, teilenummer, artnr,
    teilenr, bestellnummer, numero, reference, codigo, referencia, codice, riferimento, kod, numer, symbol`,
  colour: `colour, color, farbe, couleur, kleur, colore, kolor, barwa, cor, tint, shade, farbton, coloris, tinta`,
  count: `count, qty, quantity, amount, number of, how many, pieces, pcs, stock, in stock, available, disp, left, remaining, have, owned, vorhanden, habe, tengo, cnt, ct, amt, anzahl, anz, menge,
    stuck, stk, stck, uds, pzas, qta, qtd, bestand, vorrat, lagerbestand, stuckzahl, quantite, nombre de, nb, qte, disponible, aantal, hoeveelheid, voorraad,
    cantidad, unidades, existencias, quantita, pezzi, disponibili, ilosc, sztuk, szt, liczba, stan, quantidade, unidades, estoque`,
  bin: `bin, box, tray, drawer, location, loc, place, where, storage, shelf, compartment, kiste, schachtel, fach, lagerort, lagerplatz,
    ort, kasten, platz, schublade, behalter, wo, boite, emplacement, tiroir, casier, bac, lieu, doos, bak, plaats, lade, vak,
    caja, lugar, ubicacion, cajon, bandeja, scatola, posizione, cassetto, luogo, vaschetta, pudelko, miejsce, szuflada, pojemnik,
    skrzynka, caixa, local, gaveta`,
  price: `price, cost, paid, price paid, unit price, each, value, preis, einzelpreis, stuckpreis, kaufpreis, bezahlt, kosten, wert,
    ek, prix, prix unitaire, paye, cout, valeur, prijs, stukprijs, betaald, waarde, precio, precio unitario, pagado, coste, valor,
    prezzo, prezzo unitario, pagato, costo, valore, cena, cena jednostkowa, koszt, zaplacono, wartosc, preco, preco unitario, pago,
    custo`,
  currency: `currency, cur, wahrung, devise, monnaie, valuta, munt, moneda, divisa, waluta, moeda`,
  date: `date, bought, bought on, purchased, acquired, added, datum, gekauft, gekauft am, kaufdatum, date achat, achete le, achat,
    aankoopdatum, gekocht, fecha, comprado, fecha de compra, data, acquistato, data acquisto, data zakupu, kupiono, comprado em`,
  condition: `condition, state, new or used, used, quality, zustand, neu gebraucht, qualitat, etat, neuf occasion, staat, conditie,
    toestand, estado, condicion, stato, condizione, stan techniczny, stan zachowania, condicao`,
  seller: `seller, supplier, bought from, lieferant, fournisseur, leverancier, proveedor, fornitore, dostawca, fornecedor, shop, store, vendor, from, source, dealer, handler, verkaufer, laden, anbieter, geschaft, von, quelle, vendeur,
    boutique, magasin, marchand, verkoper, winkel, vendedor, tienda, negozio, venditore, sprzedawca, sklep, loja`,
  pack: `pack, pack of, lot, lot size, sold by, multiple, packung, gebinde, verpackungseinheit, ve, lot de, paquet, verpakking,
    paquete, lote, confezione, opakowanie, pacote`,
  set: `set, set name, set no, set nr, set number, setname, setnummer, boxed set, bausatz, kit, coffret, ensemble, bouwset, juego,
    conjunto, zestaw`,
  figure: `figure, figure name, figur, figurname, figurine, personnage, figuurtje, poppetje, figura, figurka, postac, boneco,
    statuetta`,
  year: `year, jahr, annee, jaar, ano, anno, rok, released, release year, erscheinungsjahr, erschienen`,
  country: `country, land, pays, pais, paese, kraj`,
  minimum: `minimum, minimum order, order minimum, minimum order value, bestellwert, ab bestellwert, minimum buy, min order, min buy, min, mindestbestellwert, mindestbestellung, mindestwert,
    mindesteinkauf, minimum de commande, commande minimum, achat minimum, minimale bestelling, minimum bestelling, pedido minimo,
    compra minima, minimo, ordine minimo, minimalne zamowienie, minimum zamowienia, encomenda minima, pedido minimo`,
  shipping: `shipping, shipping cost, shipping costs, postage, p p, delivery, delivery cost, versand, versandkosten, porto, frais de port,
    frais d envoi, port, livraison, verzending, verzendkosten, envio, gastos de envio, spedizione, spese di spedizione, wysylka,
    koszt wysylki, koszty wysylki, przesylka, dostawa, portes, portes de envio, frete, shipping bands`,
  free: `free from, free shipping, free shipping from, free over, free delivery from, free above, versandkostenfrei ab, frei ab,
    portofrei ab, gratis ab, kostenlos ab, franco de port, franco de port des, port offert des, port offert, livraison gratuite,
    livraison gratuite des, gratis vanaf, gratis verzending vanaf, gratis desde, envio gratis desde, envio gratis, gratis da,
    spedizione gratuita da, spedizione gratuita, darmowa wysylka od, darmowa dostawa od, portes gratis, gratis a partir de,
    portes gratis desde`,
  handling: `handling, handling fee, packing, packing fee, service fee, fee, verpackung, verpackungskosten, bearbeitung,
    bearbeitungsgebuhr, gebuhr, emballage, frais de traitement, frais de dossier, behandelingskosten, verpakkingskosten, embalaje,
    gastos de gestion, imballaggio, spese di gestione, pakowanie, oplata, koszt pakowania, embalagem, taxa`,
  days: `days, delivery time, delivery days, arrives in, lead time, transit, takes, dispatch, dispatch time, ships in, lieferzeit, tage, lieferdauer, dauer, versanddauer, laufzeit, delai,
    delai de livraison, jours, levertijd, dagen, plazo, plazo de entrega, dias, tempi di consegna, tempo di consegna, giorni,
    czas dostawy, dni, prazo, prazo de entrega`,
  rating: `rating, stars, my rating, sterne, bewertung, etoiles, evaluation, sterren, beoordeling, estrellas, valoracion, stelle,
    valutazione, gwiazdki, ocena, estrelas, avaliacao`,
  hex: `hex, hex code, hexcode, rgb, srgb, html, web, colour code, color code, colour value, color value, farbcode, farbwert,
    code couleur, kleurcode, codigo de color, codice colore, kod koloru, codigo da cor`,
  finish: `finish, surface, oberflache, finition, afwerking, acabado, finitura, wykonczenie, acabamento`,
  remark: `remark, remarks, note, notes, comment, comments, bemerkung, bemerkungen, notiz, notizen, anmerkung, hinweis, remarque,
    remarques, commentaire, opmerking, opmerkingen, nota, notas, comentario, observaciones, note, commento, osservazioni, uwagi,
    notatka, komentarz, observacoes`,
}

/**
 * Words for parts and garments, each as the English words the guesser of parts knows. Longer words are looked for first. A
 * word after "~" is only a little like it, so that it is asked.
 */
export const PART_WORDS: Readonly<Record<string, string>> = {
  // headgear and hair
  hair: 'haare, haar, frisur, perucke, cheveux, coiffure, perruque, pelo, peluca, cabello, peinado, capelli, parrucca, wlosy, fryzura, peruka, cabelo, peruca, kapsel, pruik',
  'close crop':
    'kurzhaar, haare kurz, hair short, kurzhaarschnitt, kurze haare, cheveux courts, pelo corto, capelli corti, kort haar, krotkie wlosy, cabelo curto, short hair, crew cut',
  'long straight hair':
    'langhaar, lange haare, haare lang, hair long, cheveux longs, pelo largo, capelli lunghi, lang haar, dlugie wlosy, cabelo comprido, long hair',
  'swept pony tail':
    'pony tail, pferdeschwanz, queue de cheval, coleta, coda di cavallo, paardenstaart, kucyk, rabo de cavalo, ponytail',
  'two plaits': 'zopfe, tresses, trenzas, trecce, vlechten, warkocze, trancas, pigtails',
  'side braid': 'zopf, tresse, trenza, treccia, vlecht, warkocz, tranca, braid, plait',
  'high bun': 'dutt, haarknoten, chignon, mono, crocchia, knot, kok, coque, bun, topknot',
  'loose curls':
    'curls, locken, lockig, lockige, boucle, bouclee, rizado, riccioluto, krullend, krecone, cacheado, curly, boucles, rizos, ricci, krullen, loki, cachos, curly hair, curls, afro',
  'blunt bob': 'bob, pagenkopf, carre',
  cap: 'mutze, kappe, berretto, cappellino, pet, czapka, bone',
  'deck cap':
    'schirmmutze, casquette, gorra, czapka z daszkiem, peaked cap, baseball cap, kapitansmutze, seemannsmutze, matrosenmutze, casquette de marin, gorra de capitan, gorra marinera, berretto da capitano, kapiteinspet, czapka kapitanska, captain cap, sailor cap, captains hat',
  'bobble cap':
    'pudelmutze, bommelmutze, strickmutze, wollmutze, bonnet, gorro, berretta, czapka zimowa, gorro de la, beanie, woolly hat, knit cap',
  hat: 'hut, chapeau, sombrero, cappello, hoed, kapelusz, chapeu',
  'straw boater':
    'straw hat, strohhut, chapeau de paille, sombrero de paja, cappello di paglia, strohoed, strooien hoed, slomkowy kapelusz, kapelusz slomkowy, chapeu de palha, boater',
  'flat beret hair': 'flat beret, beret, baskenmutze, beret, barett, boina, basco, baret',
  helmet: 'helm, casque, casco, elmo, kask, capacete',
  'rain hood': 'hood, kapuze, capuche, capucha, cappuccio, capuchon, kaptur, capuz',
  'market scarf headgear': 'headscarf, kopftuch, foulard, panuelo, fazzoletto, hoofddoek, chusta, lenco, bandana',
  'flower ring':
    '~krone, ~couronne, ~corona, ~kroon, ~korona, ~coroa, ~crown, blumenkranz, couronne de fleurs, corona de flores, corona di fiori, bloemenkrans, wianek, coroa de flores, wreath',
  // heads and faces
  head: 'kopf, gesicht, tete, visage, cabeza, cara, testa, viso, faccia, hoofd, gezicht, glowa, twarz, cabeca, rosto, face, heads',
  glasses: 'brille, lunettes, gafas, occhiali, bril, okulary, okularach, okularami, oculos, spectacles',
  beard: 'bart, vollbart, bartig, barbe, barbu, barbue, barba, barbudo, barbuto, baard, broda, broda, brodaty, bearded',
  'spray goggles': 'goggles, schutzbrille, taucherbrille, lunettes de protection, gafas protectoras, gogle',
  mask: 'maske, masque, mascara, maschera, masker, maska',
  // torsos and garments
  torso:
    'torso, oberkorper, rumpf, torse, buste, cuerpo, busto, corpo, romp, tors, tulow, tronco, body, upper body, torsos',
  jacket: 'jacke, veste, blouson, chaqueta, giacca, jas, jasje, kurtka, jaqueta, casaco, blazer',
  coat: 'mantel, manteau, abrigo, cappotto, mantel, plaszcz, sobretudo',
  shirt:
    'hemd, shirt, chemise, camisa, camicia, overhemd, koszula, t-shirt, tshirt, camiseta, maglietta, koszulka, blouse, bluse, blusa',
  jumper: 'pullover, pulli, pull, sueter, jersey de punto, maglione, trui, sweter, camisola, sweater',
  jersey: 'trikot, maillot, maglia, tricot',
  waistcoat: 'weste, gilet, chaleco, panciotto, vest, kamizelka, colete',
  overalls: 'latzhose, overall, salopette, peto, tuta, tuinbroek, ogrodniczki, macacao, dungarees',
  striped:
    'gestreift, ringelshirt, geringelt, raye, rayee, rayures, rayado, rayas, a righe, righe, gestreept, w paski, paski, listrado, listras, stripes, striped',
  checked:
    'kariert, a carreaux, carreaux, a cuadros, cuadros, a quadri, quadri, geruit, w krate, krata, xadrez, checked',
  // arms, hands, legs
  'left arm':
    'linker arm, arm links, bras gauche, brazo izquierdo, braccio sinistro, linkerarm, lewa reka, lewe ramie, braco esquerdo, left arm',
  'right arm':
    'rechter arm, arm rechts, bras droit, brazo derecho, braccio destro, rechterarm, prawa reka, prawe ramie, braco direito, right arm',
  arm: 'arm, arme, bras, brazo, brazos, braccio, braccia, armen, ramie, ramiona, braco, bracos, arms',
  mitt: 'hand, hande, main, mains, mano, manos, mani, handen, dlon, dlonie, rece, mao, maos, hands, mitts, glove, handschuh, handschuhe',
  'legs full':
    'beine, bein, hose, jeans, jambes, pantalon, piernas, pantalones, gambe, pantaloni, benen, broek, nogi, spodnie, pernas, calcas, legs, trousers, pants',
  'legs short':
    'kurze beine, beine kurz, jambes courtes, piernas cortas, gambe corte, korte benen, krotkie nogi, pernas curtas, short legs, legs short, kinderbeine, child legs',
  'legs middle':
    'mittlere beine, beine mittel, jambes moyennes, piernas medianas, gambe medie, middelste benen, srednie nogi, pernas medias, medium legs, mid legs',
  'left leg full':
    'linkes bein, bein links, jambe gauche, pierna izquierda, gamba sinistra, linkerbeen, lewa noga, perna esquerda, left leg',
  'right leg full':
    'rechtes bein, bein rechts, jambe droite, pierna derecha, gamba destra, rechterbeen, prawa noga, perna direita, right leg',
  hips: 'hufte, huften, hanches, bassin, cadera, caderas, fianchi, bacino, heupen, biodra, quadril, hips',
  'flared skirt': 'rock, jupe, falda, gonna, rok, spodnica, saia, skirt',
  'long gown': 'kleid, robe, vestido, vestito, abito, jurk, sukienka, suknia, dress, gown',
  // neck and waist
  'long cape': 'umhang, cape, capa, mantello, peleryna, cloak',
  'fringed shawl': 'stola, schultertuch, chale, chal, scialle, omslagdoek, szal, xale, shawl',
  'long scarf': 'schal, echarpe, bufanda, sciarpa, sjaal, szalik, cachecol, scarf',
  'cork vest':
    'schwimmweste, rettungsweste, gilet de sauvetage, chaleco salvavidas, giubbotto salvagente, zwemvest, kamizelka ratunkowa, colete salva vidas, life vest, life jacket',
  'basket pack': 'rucksack, sac a dos, mochila, zaino, rugzak, plecak, backpack, rucksacks',
  'ticket satchel':
    'umhangetasche, tasche, sacoche, sac, bolsa, bolso, borsa, tas, torba, bag, satchel, handbag, schultertasche',
  'regatta medal': 'medaille, medalla, medaglia, medal, medalha',
  'long beard': 'langer bart, langbart, longue barbe, barba larga, barba lunga, lange baard, dluga broda, long beard',
  'rowing towel': 'handtuch, serviette, toalla, asciugamano, handdoek, recznik, toalha, towel',
  'pouch belt':
    'gurtel mit tasche, gurteltasche, belt with pouch, belt with bag, belt bag, ceinture avec sacoche, cinturon con bolsa, cintura con borsa, riem met tas, pas z torba, cinto com bolsa',
  belt: 'gurtel, ceinture, cinturon, cintura, riem, pas, pasek, cinto, belt',
  'waist apron': 'schurze, tablier, delantal, grembiule, schort, fartuch, avental, apron',
  // what is held or stands beside
  'long oar': 'ruder, riemen, paddel, rame, aviron, remo, roeispaan, wioslo, oar, paddle',
  'hook lantern': 'laterne, lampe, lanterne, linterna, farol, lanterna, lantaarn, latarnia, lantern, lamp',
  ladle: 'schopfkelle, kelle, louche, cucharon, mestolo, soeplepel, chochla, concha, ladle',
  cornet: 'trompete, horn, kornett, trompette, trompeta, tromba, trompet, trabka, trompete, trumpet',
  'coil of rope': 'seil, tau, corde, cuerda, corda, touw, lina, rope',
  umbrella: 'regenschirm, schirm, parapluie, paraguas, ombrello, paraplu, parasol, guarda chuva, umbrella',
  'boat hook':
    'bootshaken, haken, gaffe, gancho, bichero, gancio, haak, bosak, ~eispickel, ~pickel, ~piolet, ~ice axe, ~pickaxe, ~speer, ~lanze, ~spear',
  'paint brush': 'pinsel, pinceau, pincel, pennello, kwast, pedzel, brush',
  telescope:
    'fernrohr, teleskop, longue vue, telescopio, catalejo, cannocchiale, verrekijker, luneta, telescope, spyglass',
  'market basket': 'korb, panier, cesta, cesto, cestino, mand, koszyk, kosz, basket',
  mallet: 'hammer, marteau, martillo, martello, hamer, mlotek, martelo, mallet',
  'regatta flag': 'fahne, flagge, drapeau, bandera, bandiera, vlag, flaga, bandeira, flag',
  mug: 'becher, tasse, krug, tasse, chope, taza, tazza, beker, mok, kubek, caneca, mug, cup',
  'side drum': 'trommel, tambour, tambor, tamburo, trommel, beben, drum',
  fiddle: 'geige, violine, violon, violin, violino, viool, skrzypce, fiddle',
  teapot: 'teekanne, kanne, theiere, tetera, teiera, theepot, czajnik, bule, teapot',
  'fish on a line': 'fisch, poisson, pez, pescado, pesce, vis, ryba, peixe, fish',
  'quay cat': 'katze, chat, gato, gatto, kat, poes, kot, cat',
  otter: 'otter, loutre, nutria, lontra, wydra',
  gull: 'mowe, mouette, gaviota, gabbiano, meeuw, mewa, gaivota, seagull, gull, bird, vogel, oiseau',
  crate: 'kiste, caisse, caja, cassa, krat, skrzynia, caixote, crate',
  barrel: 'fass, tonneau, barril, botte, ton, vat, beczka, barrel',
  // words that only qualify
  with: 'mit, avec, con, met, z, ze, com',
  complete: 'komplett, vollstandig, complet, complete, completo, completa, compleet, kompletny, kompletna',
  boots: 'stiefel, stiefeln, bottes, botas, stivali, laarzen, kozaki, boots',
  without: 'ohne, sans, sin, senza, zonder, bez, sem, w o',
  short: 'kurz, court, courte, corto, corta, kort, krotki, krotkie, curto, curta',
  long: 'lang, lange, longue, largo, larga, lungo, lunga, dlugi, dlugie, comprido',
  left: 'links, linker, linke, gauche, izquierdo, izquierda, sinistro, sinistra, linker, lewy, lewa, esquerdo, esquerda',
  right: 'rechts, rechter, rechte, droit, droite, derecho, derecha, destro, destra, prawy, prawa, direito, direita',
  smile:
    'lachelnd, lacheln, sourire, souriant, sonrisa, sonriente, sorriso, sorridente, glimlach, usmiech, smiling, happy, frohlich, freundlich',
  grin: 'grinsend, grinsen, lachend, riant, riendo, ridente, smiejaca sie, rindo, laughing, toothy smile',
  sad: 'traurig, triste, verdrietig, smutny, smutna',
  surprised:
    'uberrascht, erstaunt, surpris, surprise, etonne, etonnee, sorprendido, sorprendida, sorpreso, sorpresa, verbaasd, zdziwiony, surpreso',
  wink: 'zwinkernd, clin d oeil, guino, occhiolino, knipoog, mrugajacy, piscando, winking',
  old: 'alt, alter, alte, opa, oma, vieux, vieille, viejo, vieja, vecchio, vecchia, oud, oude, stary, stara, velho, velha',
  stubble: 'stoppeln, stoppelbart, dreitagebart, barbe de trois jours, barba de tres dias, stoppels, zarost',
  goatee: 'ziegenbart, kinnbart, bouc, perilla, pizzetto, sik, kozia brodka, cavanhaque',
  wrinkles: 'falten, runzeln, rides, arrugas, rughe, rimpels, zmarszczki, rugas',
  scar: 'narbe, cicatrice, cicatriz, litteken, blizna',
  'eye patch': 'augenklappe, cache oeil, parche, ooglapje, opaska na oko, tapa olho',
  lips: 'lippen, lippenstift, levres, rouge a levres, labios, labbra, rossetto, usta, szminka, batom, lipstick',
  lashes: 'wimpern, cils, pestanas, ciglia, wimpers, rzesy, cilios, eyelashes',
  'hooded jumper': 'kapuzenpulli, kapuzenpullover, hoodie, sweat a capuche, sudadera, felpa, bluza z kapturem, moletom',
  'short sleeve':
    'kurzarm, kurzarmlig, manches courtes, manga corta, maniche corte, korte mouwen, krotki rekaw, manga curta, short sleeves',
  tie: 'krawatte, schlips, cravate, corbata, cravatta, stropdas, krawat, gravata, necktie',
  zip: 'reissverschluss, fermeture eclair, cremallera, cerniera, rits, zamek, ziper, zipper',
  collar: 'kragen, col, cuello, colletto, kraag, kolnierz, gola',
  'anchor print': 'anker, ancre, ancla, ancora, kotwica',
  freckles: 'sommersprossen, taches de rousseur, pecas, lentiggini, sproeten, piegi, piegami, sardas',
  moustache:
    'schnurrbart, schnauzer, moustache, moustachu, bigote, baffi, snor, wasy, wasami, wasaty, bigode, mustache',
  angry:
    'wutend, bose, grimmig, en colere, enfadado, enfadada, arrabbiato, arrabbiata, boos, zly, zla, zangado, zangada',
  button: 'knopfe, boutons, botones, bottoni, knopen, guziki, botoes, buttons',
}

/**
 * How things are worn that no mould is known for, by what they are called: a top hat on the head, a dog beside. What is not
 * among them is held in the hand.
 */
export const WORN_WORDS: Readonly<Record<'headgear' | 'neck' | 'waist' | 'beside', string>> = {
  headgear: `cowboy, cow boy, zylinder, top hat, haut de forme, sombrero de copa, cilindro, hoge hoed, cartola, chistera, kochmutze, chef hat, chefs hat,
    toque, koksmuts, gorro de cocinero, cappello da cuoco, czapka kucharska, chapeu de cozinheiro, turban, turbante, diadem, tiara,
    diademe, krone, crown, couronne, corona, kroon, korona, coroa, haarreif, haarband, headband, stirnband, schleier, veil, voile,
    velo, sluier, welon, veu, fez, kopfhorer, headphones, ohrenschutzer, earmuffs, antlers, geweih, horner, horns, cornes`,
  neck: `halstuch, neckerchief, kerchief, flugel, wings, wing, ailes, alas, ali, vleugels, skrzydla, asas, kocher, quiver, carquois,
    carcaj, faretra, pijlkoker, kolczan, aljava, fliege, bow tie, noeud papillon, pajarita, papillon, strik, muszka, kette, necklace,
    collier, collar, collana, ketting, naszyjnik, colar, brustpanzer, armour, armor, rustung, armure, armadura, armatura, harnas,
    zbroja, poncho, cummerbund, jetpack, tank, sauerstoffflasche, air tank, bouteille de plongee`,
  waist: `holster, halfter, pistolengurtel, fondina, pistolera, kabura, coldre, scharpe, sash, tutu, bauchtasche, hip bag, fanny pack,
    schwimmring, swim ring, bouee, flotador, salvagente, zwemband, boia`,
  beside: `hund, dog, chien, perro, cane, hond, pies, cao, cachorro, welpe, puppy, pferd, horse, cheval, caballo, cavallo, paard, kon, cavalo,
    pony, esel, donkey, ane, burro, asino, ezel, osiol, huhn, henne, hahn, chicken, hen, rooster, poule, coq, gallina, gallo, kip, haan,
    kura, kogut, galinha, galo, ente, duck, canard, pato, anatra, eend, kaczka, gans, goose, oie, oca, schaf, sheep, mouton, oveja,
    pecora, schaap, owca, ovelha, ziege, goat, chevre, cabra, capra, geit, koza, kuh, cow, vache, vaca, mucca, koe, krowa, schwein, pig,
    cochon, cerdo, maiale, varken, swinia, porco, affe, monkey, singe, mono, scimmia, aap, malpa, macaco, wolf, loup, lobo, lupo, wilk,
    bar, bear, ours, oso, orso, beer, niedzwiedz, urso, fuchs, fox, renard, zorro, volpe, vos, lis, raposa, lowe, lion, leon, leone,
    leeuw, lew, leao, tiger, tigre, hase, kaninchen, rabbit, bunny, lapin, conejo, coniglio, konijn, krolik, coelho, maus, ratte, mouse,
    rat, souris, raton, topo, muis, mysz, schlange, snake, serpent, serpiente, serpente, slang, waz, cobra, frosch, frog, grenouille,
    rana, kikker, zaba, sapo, spinne, spider, araignee, arana, ragno, spin, pajak, aranha, papagei, parrot, perroquet, loro,
    pappagallo, papegaai, papuga, papagaio, eule, owl, hibou, buho, gufo, uil, sowa, coruja, drache, dragon, drago, draak, smok, dragao,
    stuhl, chair, chaise, silla, sedia, stoel, krzeslo, cadeira, hocker, stool, tisch, table, mesa, tavolo, tafel, stol, bank, bench,
    leiter, ladder, echelle, escalera, scala, drabina, escada, fahrrad, bicycle, bike, velo, bicicleta, bicicletta, fiets, rower,
    schubkarre, wheelbarrow, brouette, carretilla, carriola, kruiwagen, taczka, koffer auf rollen, tree, baum, arbre, arbol, albero`,
}

/** Words that make a colour lighter or darker, or say how light meets it. */
export const TONE_WORDS = {
  light:
    'light, lt, pale, bright, hell, helles, clair, claire, claro, clara, chiaro, chiara, licht, jasny, jasno, jasna, pastel, pastell',
  dark: 'dark, deep, dunkel, dunkles, dkl, dk, fonce, foncee, oscuro, oscura, scuro, scura, donker, ciemny, ciemno, ciemna, escuro, escura, tief',
  clear:
    'clear, transparent, trans, durchsichtig, transparente, trasparente, doorzichtig, przezroczysty, transparentne, translucide',
  metal: 'metal, metallic, chrome, chrom, metallisch, metallise, metalico, metallizzato, metaal, metaliczny, verchromt',
  pearl: 'pearl, perl, perlmutt, nacre, perla, perlato, parelmoer, perlowy, perola',
  glow: 'glow, glow in the dark, nachtleuchtend, phosphorescent, luminiscente, fluorescente, lichtgevend, swiecacy',
} as const

export const CONDITION_WORDS = {
  new: 'new, neu, neuf, neuve, nuevo, nueva, nuovo, nuova, nieuw, nowy, nowa, nowe, novo, nova, unused, unbenutzt, mint, n, ungebraucht, ovp',
  used: 'used, gebraucht, occasion, usage, utilise, usado, usada, usato, usata, tweedehands, gebruikt, uzywany, uzywana, uzywane, second hand, benutzt, u, g, bespielt, good, gut, bon, like new, as new, not new, wie neu, neuwertig, nicht neu, fast neu, comme neuf, pas neuf, como nuevo, come nuovo, als nieuw, zo goed als nieuw, jak nowy, jak nowa, como novo, como nova',
} as const

/** Words after or before a count. */
export const PIECE_WORDS =
  'x, pcs, pc, piece, pieces, stk, stck, st, stuck, st, pce, piece, pieces, pzs, pza, ud, uds, unidades, pz, pezzi, pezzo, stuks, stuk, szt, sztuk, sztuki, un, mal, ea, times'

/** Words files are called by that name nobody. */
export const NO_NAME_WORDS = `price, prices, pricelist, list, lists, preis, preise, preisliste, liste, prix, tarif, tarifs, prijs, prijzen,
  prijslijst, lijst, precio, precios, lista, prezzo, prezzi, listino, cena, ceny, cennik, preco, precos, offer, offers, angebot, angebote,
  offre, offres, aanbod, oferta, ofertas, oferty, offerta, offerte, stock, bestand, lager, lagerliste, voorraad, inventar, inventory,
  inventaire, inventario, katalog, catalogue, catalog, catalogo, catalogus, export, import, download, table, tabelle, tableau, tabel,
  tabla, tabella, tabela, sheet, blatt, file, datei, data, daten, donnees, datos, dati, dane, dados, copy, kopie, copie, copia, kopia,
  final, new, neu, neue, nouveau, nieuw, nuevo, nuova, nowy, novo, aktuell, current, stand, state, parts, teile, pieces,
  onderdelen, piezas, pezzi, czesci, pecas, figures, figuren, figurines, figurenteile, from, von, vom, bei, aus, for, fur, the, and, und,
  der, die, das, les, des, chez, van, eur, euro, euros, usd, gbp, januar, februar, marz, april, mai, juni, juli, august, september, oktober,
  november, dezember, jan, feb, mar, mrz, apr, jun, jul, aug, sep, sept, okt, oct, nov, dez, dec, january, february, march, may, june, july, october, december, untitled, unbenannt, mappe, workbook, shop, seller,
  sellers, test, pasted, eingefugt`

/** Counts written out, by what they count to. */
export const COUNT_WORDS: Readonly<Record<string, string>> = {
  1: 'one, single, ein, eine, einer, eines, einen, eins, un, une, een, uno, una, jeden, jedna, jedno, um, uma',
  2: 'two, zwei, zwo, deux, twee, dos, due, dwa, dwie, dois, duas',
  3: 'three, drei, trois, drie, tres, tre, trzy',
  4: 'four, vier, quatre, cuatro, quattro, cztery, quatro',
  5: 'five, fünf, fuenf, cinq, vijf, cinco, cinque, pięć',
  6: 'six, sechs, zes, seis, sei, sześć',
  7: 'seven, sieben, sept, zeven, siete, sette, siedem, sete',
  8: 'eight, acht, huit, ocho, otto, osiem, oito',
  9: 'nine, neun, neuf, negen, nueve, nove, dziewięć',
  10: 'ten, zehn, dix, tien, diez, dieci, dziesięć, dez',
  11: 'eleven, elf, onze, once, undici, jedenaście',
  12: 'twelve, zwölf, zwoelf, douze, twaalf, doce, dodici, dwanaście, doze, dozen, a dozen, dutzend, ein dutzend, douzaine, une douzaine, dozijn, een dozijn, docena, una docena, dozzina, una dozzina, tuzin, dúzia, uma dúzia',
}

/** Words of a row that adds others up, which is no part. */
export const TOTAL_WORDS =
  'total, sum, summe, gesamt, gesamtsumme, gesamtpreis, line total, sous total, montant, betrag, importe, wartosc, zusammen, somme, totaal, totale, suma, razem, soma, subtotal, zwischensumme'

/** Words of a place parts lie in, as a cell names it. */
export const BIN_WORDS =
  'kiste, box, schachtel, fach, kasten, schublade, dose, boite, tiroir, casier, bac, doos, bak, lade, vak, caja, cajon, bandeja, scatola, cassetto, pudelko, szuflada, pojemnik, caixa, gaveta, tray, drawer, bin, case, tin, bag, beutel, tute, regal, shelf'

/** What stands before a count that is not exact. */
export const ABOUT_WORDS =
  'ca, circa, approx, approximately, about, around, etwa, ungefahr, rund, env, environ, ongeveer, aprox, cerca de, ok, okolo, mniej wiecej'

/** That there is none of something, or nothing to pay. */
export const NONE_WORDS =
  'none, no, nil, sold out, out of stock, kein, keine, keiner, keines, ausverkauft, vergriffen, nicht verfugbar, aucun, aucune, epuise, rupture, rupture de stock, geen, uitverkocht, niet op voorraad, ninguno, ninguna, agotado, sin stock, nessuno, nessuna, esaurito, brak, wyprzedane, nenhum, nenhuma, esgotado'

/** What is written where nothing lies, in place of a part. */
export const EMPTY_WORDS =
  'empty, leer, frei, unbenutzt, vide, libre, vacio, vacia, leeg, vuoto, vuota, pusty, pusta, puste, vazio, vazia, unused, nothing, nichts, rien, nada, niente, niets, nic'

/** What heads a column of counts that are owned. */
export const OWNED_WORDS =
  'have, owned, own, in stock at home, vorhanden, habe, besitz, besitze, tengo, possede, j ai, heb, ho, possiedo, mam, posiadam, tenho, possuo'

/** What heads a column of counts that are for sale rather than owned. */
export const FOR_SALE_WORDS =
  'avail, available, disp, left, remaining, ubrig, restant, overig, rimasti, pozostalo, qty avail, qty available, verfugbar, lieferbar, disponible, disponibles, disponibile, disponibili, beschikbaar, dostepne, dostepnych, disponivel, disponiveis'

/** What stands beside a word for prices and names no seller: "price paid", "Preis max". */
export const PRICE_KINDS =
  'max, maximum, min, minimum, limit, target, avg, average, mean, total, sum, paid, old, new, used, list, rrp, unit, piece, pc, each, last, lowest, highest, schnitt, durchschnitt, summe, gesamt, gezahlt, bezahlt, alt, neu, gebraucht, stuck, stk, ziel, medio, media, maximo, minimo, massimo, moyen, moyenne, neuf, occasion, unite, srednia, nowy, uzywany'

/** What parts a price of shipping from the one for all else: "free from 30, otherwise 3.90". */
export const ELSE_WORDS =
  'otherwise, else, sonst, ansonsten, sinon, autrement, anders, altrimenti, en otro caso, si no, inaczej, w innym razie, senao, caso contrario'

/** Words between two colours: "white and red". */
export const AND_WORDS = 'and, und, et, y, e, en, i, u'

/** Words between a thing and what is on it: "torso with a lion". */
export const WITH_WORDS = 'with, w, mit, avec, met, con, com, z, ze'

/** English words for how something is shaped, which by themselves say of no thing what it is. */
export const SHAPE_WORDS =
  'long, short, small, large, big, little, tall, high, low, wide, narrow, thick, thin, round, square, straight, wavy, curly, plain, full, half, middle, double, twin, single, left, right, pointed, flat, broad, side, old, new'

/** What tells of shipping besides amounts: that there is none to pay, from how much on, up to how much, and what it goes by. */
export const SHIPPING_WORDS = {
  free: 'free, frei, versandkostenfrei, portofrei, kostenlos, gratis, gratuit, gratuite, offert, offerte, franco, gratuito, gratuita, darmowa, darmowy, darmo, za darmo',
  from: 'from, over, above, ab, uber, des, a partir de, plus de, vanaf, boven, desde, mas de, da, oltre, od, powyzej, a partir, acima de',
  upTo: 'up to, until, under, below, bis, bis zu, unter, jusqu a, moins de, tot, onder, hasta, menos de, fino a, sotto, do, ponizej, ate, abaixo de',
  per: 'per, each, je, pro, par, por, al, za, pr, elke, ogni, kazdy',
  grams: 'g, gr, gram, grams, gramm, gramme, grammes, gramos, gramo, grammi, grammo, gramow, gramy, gramas, grama',
  kilos:
    'kg, kgs, kilo, kilos, kilogram, kilograms, kilogramm, kilogramme, kilogrammes, kilogramos, kilogrammi, kilogramow, quilo, quilos',
  parts:
    'part, parts, piece, pieces, pc, pcs, item, items, teil, teile, teilen, stk, stuck, artikel, piece, stuks, stuk, onderdelen, pieza, piezas, pza, pzas, pezzi, pezzo, pz, sztuk, szt, sztuki, czesci, peca, pecas',
} as const

/** A week, where times of delivery are told. */
export const WEEK_WORDS =
  'week, weeks, wk, wks, woche, wochen, semaine, semaines, weken, semana, semanas, settimana, settimane, tydzien, tygodni, tygodnie'
