import { Migration } from '@mikro-orm/migrations';
import { dayIn, isoOf } from '@upwell/core/days';
import { zoneAt } from '@upwell/core/days/place';

const SAFE = 'security definer set search_path = pg_catalog, public, pg_temp';

/** Who is signed in, by the secret of a cookie; from here on with the clock and the units of the club. */
const identity = (columns: string, values: string) => `
  drop function sign_in_identity(bytea);
  create function sign_in_identity(asked_hash bytea)
    returns table (account_id uuid, club_id uuid, role text, swimmer_id uuid, squad_ids uuid[], name text, club_name text${columns})
    language sql volatile ${SAFE}
  as $$
    update sign_in_session set used_at = now()
      where token_hash = asked_hash and used_at between now() - interval '30 days' and now() - interval '1 hour';
    select a.id, a.club_id, a.role, a.swimmer_id,
      case a.role
        when 'coach' then array(select sc.squad_id from squad_coach sc where sc.account_id = a.id)
        when 'swimmer' then array(select s.squad_id from swimmer s where s.id = a.swimmer_id)
        else '{}'::uuid[]
      end,
      a.name, c.name${values}
    from sign_in_session i join account a on a.id = i.account_id join club c on c.id = a.club_id
    where i.token_hash = asked_hash and i.expires_at > now() and i.used_at > now() - interval '30 days'
      and not a.disabled;
  $$;
  revoke execute on function sign_in_identity(bytea) from public;
  grant execute on function sign_in_identity(bytea) to upwell_app;`;

const ZONE = `coalesce(c.settings->>'timeZone', 'UTC')`;

/** Anyone who holds the secret sees when a squad swims and its races, and nobody's name; or one swimmer's own. */
const calendar = (columns: string, values: string, spot: string) => `
  drop function calendar_by_token(bytea);
  create function calendar_by_token(asked_hash bytea)
    returns table (name text, level text, sessions jsonb, races jsonb, tests jsonb${columns})
    language sql stable ${SAFE}
    as $$
      select coalesce(s.given_name, q.name), s.level,
        coalesce((select jsonb_agg(x order by x.date) from (
          select t.id, t.title, t.date::text as date, t.start_time as "startTime", t.theme, t.minutes,
            t.summary as groups, t.version${spot}
          from training_session t where not t.template and t.club_id = l.club_id
            and coalesce(s.squad_id, l.squad_id) = any(t.squad_ids) and t.date >= current_date - 60
          order by t.date limit 500) x), '[]'),
        coalesce((select jsonb_agg(distinct jsonb_build_object('event', r.goal->>'event', 'date', r.goal->>'date'))
          from swimmer r where r.club_id = l.club_id and not r.archived and r.goal is not null
            and case when s.id is null then r.squad_id = l.squad_id else r.id = s.id end), '[]'),
        coalesce((select jsonb_agg(w.monday::text order by w.monday) from plan_week w
          where w.swimmer_id = s.id and w.test and w.monday >= current_date - 7), '[]')${values}
      from calendar_link l join squad q on q.id = l.squad_id join club c on c.id = l.club_id
        left join swimmer s on s.id = l.swimmer_id
      where l.token_hash = asked_hash and l.revoked_at is null and not q.archived
        and (l.swimmer_id is null or not s.archived)
    $$;
  revoke execute on function calendar_by_token(bytea) from public;
  grant execute on function calendar_by_token(bytea) to upwell_app;`;

/** For the night: which clubs have races ahead. Ids and clocks only. */
const racing = (columns: string, select: string) => `
  drop function clubs_with_races();
  create function clubs_with_races() returns table (id uuid${columns})
    language sql stable ${SAFE}
    as $$ select ${select} $$;
  revoke execute on function clubs_with_races() from public;
  grant execute on function clubs_with_races() to upwell_app;`;

interface Track {
  readonly id: string;
  readonly start: { readonly lat: number; readonly lon: number };
  readonly at_ms: string;
}

/** Days are those of the club's clock, or of the course's. */
export class Migration20261210000000_place extends Migration {
  /** The day under which each track stands. */
  private async days(of: (track: Track) => string): Promise<void> {
    const tracks = (await this.execute(
      `select id, course->'start' as start, points->0->>2 as at_ms from swum_track where points->0->>2 is not null`,
    )) as unknown as readonly Track[];
    for (const track of tracks)
      await this.execute(`update swum_track set summary = jsonb_set(summary, '{on}', to_jsonb(?::text)) where id = ?`, [
        of(track),
        track.id,
      ]);
  }

  override async up(): Promise<void> {
    await this.days(({ start, at_ms }) => dayIn(zoneAt(start), Number(at_ms)));
    this.addSql(identity(', time_zone text, units text', `, ${ZONE}, coalesce(c.settings->>'units', 'm')`));
    this.addSql(
      calendar(
        ', time_zone text',
        `, ${ZONE}`,
        `, (select w.course->'start' from course w where w.id = t.course_id) as spot`,
      ),
    );
    this.addSql(
      racing(
        ', time_zone text',
        `c.id, ${ZONE} from club c
           where exists (select from swimmer s where s.club_id = c.id and not s.archived and s.goal is not null)`,
      ),
    );
  }

  override async down(): Promise<void> {
    await this.days(({ at_ms }) => isoOf(Number(at_ms)));
    this.addSql(identity('', ''));
    this.addSql(calendar('', '', ''));
    this.addSql(racing('', 'distinct s.club_id from swimmer s where not s.archived and s.goal is not null'));
  }
}
