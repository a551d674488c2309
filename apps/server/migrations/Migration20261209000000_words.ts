import { Migration } from '@mikro-orm/migrations';

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

/** Results that are stored keep codes and numbers; sentences are made of them where they are shown. */
export class Migration20261209000000_words extends Migration {
  override up(): void {
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

  override down(): void {
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
