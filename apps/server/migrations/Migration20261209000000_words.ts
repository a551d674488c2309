import { Migration } from '@mikro-orm/migrations';
import { dayReasonWords, type DayReason } from '@upwell/core/water';
import { reasonOfOlder } from '../src/archive/olderReasons';

/**
 * Steps of the ladder to open water as weeks named them until now, in their order. From here on a week keeps the number of
 * its step.
 */
const STEPS: readonly string[] = [
  'In the pool: star float and calm breathing.',
  'Head-up swimming and treading water.',
  '200 m without the wall: turn before it.',
  'Wetsuit, or cool water in short dips.',
  'Along the shore within standing depth.',
  'Out to a mark and back.',
  'In a group.',
  'Race rehearsal: start, feet, turns round a mark.',
];
const NAMED = `array[${STEPS.map((step) => `'${step}'`).join(', ')}]`;

/** How each note began until now, and its code. */
const NOTES: readonly (readonly [string, string])[] = [
  ['Ill:', 'ill'],
  ['Away:', 'away'],
  ['Race week', 'race'],
  ['Metres down', 'taper'],
  ['Fewer metres', 'taper'],
  ['A lighter week', 'lighter'],
];
const CODE = `case ${NOTES.map(([begins, note]) => `when said like '${begins}%' then '{"note": "${note}"}'::jsonb`).join(' ')}
  when said like 'Another race on %' then
    jsonb_build_object('note', 'other-race', 'on', substring(said from '[0-9]{4}-[0-9]{2}-[0-9]{2}')) end`;

/** Reasons of outlooks, by how they began; their numbers follow in their order. Worked out again every night as well. */
const N = (place: number) => `(n.numbers[${place}])::numeric`;
const OUTLOOK = `
  update race_outlook set outlook = case
    when outlook->>'kind' = 'gap' then jsonb_set(outlook, '{gap,reason}', case
      when outlook#>>'{gap,verdict}' = 'there' then '{"why": "there"}'::jsonb
      when outlook#>>'{gap,verdict}' = 'beyond-anybody' then jsonb_build_object('why', 'beyond-anybody',
        'neededMps', ${N(1)}, 'courseM', ${N(2)})
      when n.said like 'A straighter line%' then jsonb_build_object('why', 'todays-speed',
        'allOnTheDay', outlook#>>'{gap,verdict}' = 'hopeful')
      when outlook#>>'{gap,verdict}' = 'not-yet' or n.said like '%stroke length%' then jsonb_build_object(
        'why', case when outlook#>>'{gap,verdict}' = 'not-yet' then 'not-yet' else 'stroke-length' end,
        'more', ${N(1)} / 100, 'weeks', ${N(2)}, 'brought', ${N(3)} / 100)
      else jsonb_build_object('why', 'weeks', 'more', ${N(1)} / 100, 'weeks', ${N(2)},
        'allOnTheDay', outlook#>>'{gap,verdict}' = 'hopeful') end)
    else jsonb_build_object('kind', 'none', 'reason', case
      when n.said like 'No target%' then '{"why": "no-target"}'::jsonb
      when n.said like 'The target is shorter%' then '{"why": "lost-time"}'::jsonb
      when n.said like 'The current is%' then '{"why": "current"}'::jsonb
      else '{"why": "over"}'::jsonb end) end
  from (select swimmer_id as id, coalesce(outlook#>>'{gap,reason}', outlook->>'reason') as said,
      array(select m[1] from regexp_matches(coalesce(outlook#>>'{gap,reason}', outlook->>'reason'),
        '([0-9]+(?:\\.[0-9]+)?)', 'g') m) as numbers from race_outlook) n
  where n.id = swimmer_id`;
/** Those that name more than a code can: they are worked out in the next night. */
const NO_CODE = `delete from race_outlook where outlook->>'kind' = 'none' and not (outlook->>'reason' ~
  '^(The race is over|No target|The target is shorter|The current is)')`;

interface Day {
  readonly id: string;
  readonly reasons: readonly (string | DayReason)[];
}

/** Results that are stored keep codes and numbers; sentences are made of them where they are shown. */
export class Migration20261209000000_words extends Migration {
  private async reasons(of: (reason: string | DayReason) => string | DayReason): Promise<void> {
    const days = (await this.execute('select id, reasons from water_day')) as unknown as readonly Day[];
    for (const { id, reasons } of days)
      if (reasons.length > 0)
        await this.execute('update water_day set reasons = ?::jsonb where id = ?', [
          JSON.stringify(reasons.map(of)),
          id,
        ]);
  }

  override async up(): Promise<void> {
    // What was signed is read as it was said; a sentence that no code says stays a sentence.
    await this.reasons((reason) => (typeof reason === 'string' ? reasonOfOlder(reason) : reason));
    this.addSql(NO_CODE);
    this.addSql(OUTLOOK);
    this.addSql('alter table race_outlook drop column problems');
    this.addSql(`update test_result set outcome = (outcome - 'words' - 'method') #- '{ramp,reason}'`);
    this.addSql(`
      alter table plan_week add column notes jsonb not null default '[]';
      update plan_week set notes = (select coalesce(jsonb_agg(note order by place) filter (where note is not null), '[]')
        from (select ${CODE} as note, place from jsonb_array_elements_text(words) with ordinality as x (said, place)) n);
      alter table plan_week drop column words;
      alter table plan_week alter column notes drop default;
      alter table plan_week alter column step type smallint using array_position(${NAMED}, step) - 1;
    `);
  }

  override async down(): Promise<void> {
    await this.reasons((reason) => (typeof reason === 'string' ? reason : dayReasonWords(reason)));
    this.addSql('delete from race_outlook');
    this.addSql('alter table race_outlook add column problems jsonb not null');
    // The words were made of the input, which is still there: nothing that was entered is lost.
    this.addSql(`
      alter table plan_week alter column step type text using (${NAMED})[step + 1];
      alter table plan_week add column words jsonb not null default '[]';
      alter table plan_week drop column notes;
      alter table plan_week alter column words drop default;
    `);
    this.addSql(`update test_result set outcome = outcome || '{"words": "", "method": ""}'`);
  }
}
