import { Migration } from '@mikro-orm/migrations';

const SAFE = 'security definer set search_path = pg_catalog, public, pg_temp';
const ZONE = `coalesce(c.settings->>'timeZone', 'UTC')`;

/** Anyone who holds the secret sees when and where a squad swims and its races, and nobody's name; or one swimmer's own. */
const calendar = (where: string, races: string) => `
  create or replace function calendar_by_token(asked_hash bytea)
    returns table (name text, level text, sessions jsonb, races jsonb, tests jsonb, time_zone text)
    language sql stable ${SAFE}
    as $$
      select coalesce(s.given_name, q.name), s.level,
        coalesce((select jsonb_agg(x order by x.date) from (
          select t.id, t.title, t.date::text as date, t.start_time as "startTime", t.theme, t.minutes,
            t.summary as groups, t.version, w.course->'start' as spot${where}
          from training_session t left join course w on w.id = t.course_id
          where not t.template and t.club_id = l.club_id
            and coalesce(s.squad_id, l.squad_id) = any(t.squad_ids) and t.date >= current_date - 60
          order by t.date limit 500) x), '[]'),
        coalesce((${races}), '[]'),
        coalesce((select jsonb_agg(w.monday::text order by w.monday) from plan_week w
          where w.swimmer_id = s.id and w.test and w.monday >= current_date - 7), '[]'), ${ZONE}
      from calendar_link l join squad q on q.id = l.squad_id join club c on c.id = l.club_id
        left join swimmer s on s.id = l.swimmer_id
      where l.token_hash = asked_hash and l.revoked_at is null and not q.archived
        and (l.swimmer_id is null or not s.archived)
    $$`;

const RACING = `from swimmer r where r.club_id = l.club_id and not r.archived and r.goal is not null
  and case when s.id is null then r.squad_id = l.squad_id else r.id = s.id end`;

/** Calendars know the place, and a race by something that stays when it is called otherwise. */
export class Migration20261218000000_calendar extends Migration {
  override up(): void {
    this.addSql(
      calendar(
        `, w.name as course, t.plan->'place' as place, t.plan->'pool' as pool`,
        // The same race of several is one entry; its id tells nobody's.
        `select jsonb_agg(to_jsonb(f)) from (
           select md5(min(r.id::text)) as id, r.goal->>'event' as event, r.goal->>'date' as date ${RACING}
           group by r.goal->>'event', r.goal->>'date' order by 3, 2) f`,
      ),
    );
  }

  override down(): void {
    this.addSql(
      calendar(
        '',
        `select jsonb_agg(distinct jsonb_build_object('event', r.goal->>'event', 'date', r.goal->>'date')) ${RACING}`,
      ),
    );
  }
}
