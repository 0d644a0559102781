/** A column of the row that was changed, as it is, or was where it is gone. */
const of = (column: string) => `json_extract(COALESCE(j.now, j.was), '$.${column}')`

/** The name of an entry of another table, also of one that went at the same time. */
const named = (table: string, key: string, column = 'name', by = 'id') =>
  `COALESCE((SELECT "${column}" FROM "${table}" WHERE "${by}" = ${key}),
    (SELECT json_extract(r.was, '$.${column}') FROM journal_row r WHERE r.entry = j.entry AND r."table" = '${table}' AND r.key = json_array(${key})))`

const OUTFIT = named('outfit', of('outfit'))
const OUTFIT_OF_TAKE = named('outfit', named('take', of('take'), 'outfit'))
const OWN = of('name')

/** What a row of a table is called, as SQL over a row `j` of the journal. */
const NAMES: Readonly<Record<string, string>> = {
  intake: OWN,
  removed: OWN,
  parcel: named('seller', of('seller'), 'name', 'code'),
  roster: OWN,
  person: OWN,
  outfit: OWN,
  take: OUTFIT,
  placement: OUTFIT_OF_TAKE,
  uniform: OWN,
  uniform_placement: named('uniform', of('uniform')),
  brief: OUTFIT,
  reference: `COALESCE(${OUTFIT}, ${named('person', of('person'))})`,
  preference: named('roster', of('roster')),
  ballot: of('title'),
  ballot_answer: named('ballot', of('ballot'), 'title'),
  vote: OUTFIT,
  accepted_pin: OUTFIT_OF_TAKE,
  promise: OUTFIT,
  release: OWN,
  release_content: named('release', of('release'), 'name', 'code'),
  case_content: named('release', of('release'), 'name', 'code'),
  figure: OWN,
  figure_part: named('figure', of('figure'), 'name', 'code'),
  part: OWN,
  component: named('part', of('assembly'), 'name', 'code'),
  mould: OWN,
  print: OWN,
  colour: OWN,
  seller: OWN,
  bin: OWN,
  remark: of('text'),
  later: of('note'),
  wish_template: OWN,
  made_item: OWN,
  made_piece: named('made_item', of('item')),
  setting: OWN,
}

/** The names of what rows of an entry (`:entry`) in a table (`:table`) belong to, each once; null where they have none. */
export function namesSql(table: string): string | null {
  const name = NAMES[table]
  return name === undefined
    ? null
    : `SELECT DISTINCT name FROM (SELECT ${name} AS name FROM journal_row j WHERE entry = :entry AND "table" = :table ORDER BY key)
       WHERE name IS NOT NULL AND name <> ''`
}
