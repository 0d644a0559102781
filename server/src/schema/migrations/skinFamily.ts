import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Colours of skin are of one family, whatever somebody had called it: rules, casting and likeness ask for that. */
export class SkinFamily1765500000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(
      `UPDATE colour SET family = 'skin' WHERE lower(trim(family)) IN ('skins', 'skin tone', 'skin tones', 'flesh', 'flesh tones',
        'haut', 'hautfarbe', 'hautfarben', 'hautton', 'hauttöne', 'fleisch', 'fleischton', 'fleischfarben', 'peau', 'chair', 'carnation',
        'piel', 'carne', 'pelle', 'incarnato', 'huid', 'huidskleur', 'skóra', 'cielisty', 'pele')`,
    )
  }

  async down(): Promise<void> {
    // What a family was called before is not known any more.
  }
}
