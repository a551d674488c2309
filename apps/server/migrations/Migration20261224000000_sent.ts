import { Migration } from '@mikro-orm/migrations';

/** Clips that swimmers send on being asked, in pieces, with the answer of the coach. */
export class Migration20261224000000_sent extends Migration {
  override up(): void {
    this.addSql(`
      create table sent_clip (
        id uuid primary key,
        club_id uuid not null references club,
        swimmer_id uuid not null references swimmer on delete cascade,
        asked_by uuid not null references account,
        asked_at timestamptz not null default now(),
        wish text not null,
        view text not null,
        type text,
        seconds double precision,
        bytes integer,
        sent_at timestamptz,
        answered_at timestamptz,
        words text not null default '',
        voice bytea,
        voice_type text
      );
      create index sent_clip_of_swimmer on sent_clip (swimmer_id, asked_at desc, id);
      create index sent_clip_of_club on sent_clip (club_id, asked_at desc, id);
      create table sent_piece (
        clip_id uuid not null references sent_clip on delete cascade,
        club_id uuid not null references club,
        n smallint not null check (n >= 0),
        data bytea not null,
        primary key (clip_id, n)
      );
    `);
    const inClub = 'club_id = (select app_club())';
    const ofSwimmer = `${inClub} and exists (select from swimmer s where s.id = sent_clip.swimmer_id)`;
    const ofClip = `${inClub} and exists (select from sent_clip c where c.id = sent_piece.clip_id)`;
    for (const [table, see, add] of [
      ['sent_clip', ofSwimmer, `${ofSwimmer} and (select app_coaches())`],
      ['sent_piece', ofClip, ofClip],
    ] as const) {
      this.addSql(`alter table ${table} enable row level security`);
      this.addSql(`grant select, insert, update, delete on ${table} to upwell_app`);
      this.addSql(`create policy see on ${table} for select using (${see})`);
      this.addSql(`create policy add on ${table} for insert with check (${add})`);
      this.addSql(`create policy change on ${table} for update using (${see}) with check (${see})`);
      this.addSql(`create policy remove on ${table} for delete using (${see})`);
    }
  }

  override down(): void {
    this.addSql('drop table sent_piece, sent_clip');
  }
}
