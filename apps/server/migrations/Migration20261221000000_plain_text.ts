import { Migration } from '@mikro-orm/migrations';

/** Text as it is searched: lower case, without accents, as `plainName` of the core has it. */
export class Migration20261221000000_plain_text extends Migration {
  override up(): void {
    this.addSql(`create function plain_text(said text) returns text language sql immutable strict parallel safe as $$
      select btrim(regexp_replace(
        replace(replace(replace(replace(replace(replace(
          translate(
            regexp_replace(lower(normalize(said, nfd)), '[\u0300-\u036f]', '', 'g'),
            'ðøđħıĸŀłŋŧſ', 'dodhikllnts'),
          'æ', 'ae'), 'œ', 'oe'), 'þ', 'th'), 'ß', 'ss'), 'ĳ', 'ij'), 'ŉ', '''n'),
        '\\s+', ' ', 'g'))
    $$`);
  }

  override down(): void {
    this.addSql('drop function plain_text(text)');
  }
}
