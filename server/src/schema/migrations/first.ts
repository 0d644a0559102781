import type { MigrationInterface, QueryRunner } from 'typeorm'

/** The first schema: catalogue, drawer, market, rosters and finished jobs. */
export class First1763900000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const statement of [
      `CREATE TABLE colour (code TEXT PRIMARY KEY, name TEXT NOT NULL, hex TEXT NOT NULL CHECK (hex GLOB '#[0-9A-F][0-9A-F][0-9A-F][0-9A-F][0-9A-F][0-9A-F]'), family TEXT NOT NULL, finish TEXT NOT NULL)`,
      `CREATE TABLE mould (code TEXT PRIMARY KEY, name TEXT NOT NULL, kind TEXT NOT NULL, silhouette TEXT NOT NULL, neckThickness REAL NOT NULL CHECK (neckThickness >= 0), height REAL NOT NULL CHECK (height >= 0), mass REAL NOT NULL CHECK (mass >= 0), traits TEXT NOT NULL)`,
      `CREATE TABLE print (code TEXT PRIMARY KEY, name TEXT NOT NULL, kind TEXT NOT NULL, front TEXT NOT NULL, back TEXT NOT NULL, traits TEXT NOT NULL)`,
      `CREATE TABLE part (code TEXT PRIMARY KEY, name TEXT NOT NULL, mould TEXT NOT NULL REFERENCES mould, kind TEXT NOT NULL, colours TEXT NOT NULL, print TEXT REFERENCES print, year INTEGER)`,
      `CREATE INDEX part_by_kind ON part (kind, code)`,
      `CREATE TABLE component (assembly TEXT NOT NULL REFERENCES part, slot TEXT NOT NULL, part TEXT NOT NULL REFERENCES part, PRIMARY KEY (assembly, slot), CHECK (assembly <> part))`,
      `CREATE INDEX component_by_part ON component (part)`,
      `CREATE TABLE figure (code TEXT PRIMARY KEY, name TEXT NOT NULL, year INTEGER NOT NULL)`,
      `CREATE TABLE figure_part (figure TEXT NOT NULL REFERENCES figure, slot TEXT NOT NULL, "order" INTEGER NOT NULL, part TEXT NOT NULL REFERENCES part, PRIMARY KEY (figure, slot, "order"))`,
      `CREATE INDEX figure_part_by_part ON figure_part (part)`,
      `CREATE TABLE "release" (code TEXT PRIMARY KEY, name TEXT NOT NULL, kind TEXT NOT NULL, year INTEGER NOT NULL, price INTEGER NOT NULL CHECK (price >= 0), currency TEXT NOT NULL, inProduction INTEGER NOT NULL)`,
      `CREATE TABLE release_content ("release" TEXT NOT NULL REFERENCES "release", kind TEXT NOT NULL CHECK (kind IN ('part', 'figure')), code TEXT NOT NULL, qty INTEGER NOT NULL CHECK (qty > 0), PRIMARY KEY ("release", kind, code))`,
      `CREATE INDEX release_content_by_code ON release_content (kind, code)`,
      `CREATE TABLE bin (code TEXT PRIMARY KEY, name TEXT NOT NULL)`,
      `CREATE TABLE movement (id TEXT PRIMARY KEY, at TEXT NOT NULL, part TEXT NOT NULL REFERENCES part, from_bin TEXT REFERENCES bin, to_bin TEXT REFERENCES bin, qty INTEGER NOT NULL CHECK (qty > 0), reason TEXT NOT NULL, CHECK (from_bin IS NOT NULL OR to_bin IS NOT NULL))`,
      `CREATE INDEX movement_by_part ON movement (part)`,
      `CREATE TABLE seller (code TEXT PRIMARY KEY, name TEXT NOT NULL, country TEXT NOT NULL, currency TEXT NOT NULL, minimum INTEGER NOT NULL CHECK (minimum >= 0), handling INTEGER NOT NULL CHECK (handling >= 0), arrivesInDays INTEGER NOT NULL CHECK (arrivesInDays >= 0), rating INTEGER, shippingBasis TEXT NOT NULL, shippingBands TEXT NOT NULL)`,
      `CREATE TABLE rate (date TEXT NOT NULL, from_currency TEXT NOT NULL, to_currency TEXT NOT NULL, rate REAL NOT NULL CHECK (rate > 0), PRIMARY KEY (date, from_currency, to_currency))`,
      `CREATE TABLE offer (id TEXT PRIMARY KEY, date TEXT NOT NULL, seller TEXT NOT NULL REFERENCES seller, kind TEXT NOT NULL CHECK (kind IN ('part', 'figure', 'release')), code TEXT NOT NULL, condition TEXT NOT NULL CHECK (condition IN ('new', 'used')), price INTEGER NOT NULL CHECK (price >= 0), currency TEXT NOT NULL, stock INTEGER NOT NULL CHECK (stock >= 0), multiple INTEGER NOT NULL CHECK (multiple >= 1))`,
      `CREATE INDEX offer_by_code ON offer (kind, code)`,
      `CREATE TABLE roster (id TEXT PRIMARY KEY, name TEXT NOT NULL, note TEXT NOT NULL, rules TEXT NOT NULL, budget INTEGER CHECK (budget >= 0), currency TEXT NOT NULL, dueOn TEXT, position INTEGER NOT NULL)`,
      `CREATE TABLE person (id TEXT PRIMARY KEY, roster TEXT NOT NULL REFERENCES roster ON DELETE CASCADE, name TEXT NOT NULL, position INTEGER NOT NULL)`,
      `CREATE TABLE outfit (id TEXT PRIMARY KEY, person TEXT NOT NULL REFERENCES person ON DELETE CASCADE, name TEXT NOT NULL, faction TEXT NOT NULL, stature TEXT NOT NULL, position INTEGER NOT NULL, version INTEGER NOT NULL CHECK (version > 0))`,
      `CREATE TABLE take (id TEXT PRIMARY KEY, outfit TEXT NOT NULL REFERENCES outfit ON DELETE CASCADE, label TEXT NOT NULL, chosen INTEGER NOT NULL, UNIQUE (outfit, label))`,
      `CREATE UNIQUE INDEX take_one_chosen ON take (outfit) WHERE chosen = 1`,
      `CREATE TABLE placement (take TEXT NOT NULL REFERENCES take ON DELETE CASCADE, slot TEXT NOT NULL, "order" INTEGER NOT NULL CHECK ("order" >= 0), part TEXT NOT NULL REFERENCES part, turned INTEGER NOT NULL, PRIMARY KEY (take, slot, "order"))`,
      `CREATE INDEX placement_by_part ON placement (part)`,
      `CREATE TABLE job (id TEXT PRIMARY KEY, kind TEXT NOT NULL, state TEXT NOT NULL, at TEXT NOT NULL, input TEXT NOT NULL, result TEXT)`,
    ])
      await db.query(statement)
  }

  async down(db: QueryRunner): Promise<void> {
    const newestFirst = [
      'job',
      'placement',
      'take',
      'outfit',
      'person',
      'roster',
      'offer',
      'rate',
      'seller',
      'movement',
      'bin',
      'release_content',
      'release',
      'figure_part',
      'figure',
      'component',
      'part',
      'print',
      'mould',
      'colour',
    ]
    for (const table of newestFirst) await db.query(`DROP TABLE "${table}"`)
  }
}
