import { ARCHIVE_PARTS, type ArchivePart } from '@upwell/contract/archive';

/** Where the rows of a part live. Fields are columns in camel case, except for those renamed here. */
interface PartTable {
  readonly table: string;
  readonly columns: readonly string[];
  readonly renamed?: Readonly<Record<string, string>>;
  /** The column that names an account: of this club, or else the one who imports the archive. */
  readonly account?: string;
  /** What makes a row one of its kind, where the table has no column `id`. */
  readonly id?: string;
  /** Rows that are part of the archive; all of them when left out. */
  readonly only?: string;
  /** Days are written without a time. */
  readonly days?: readonly string[];
}

/** Parts that are rows of one table each; squads' coaches and the events of the deck have ways of their own. */
export const PART_TABLES: Readonly<Record<Exclude<ArchivePart, 'deckEvents'>, PartTable>> = {
  accounts: { table: 'account', columns: ['name'], only: `role <> 'swimmer'` },
  library: {
    table: 'library_entry',
    columns: ['kind', 'key', 'body', 'changed_by', 'changed_at'],
    account: 'changed_by',
    only: 'body is not null',
  },
  squads: { table: 'squad', columns: ['name', 'pool_times', 'archived'] },
  swimmers: {
    table: 'swimmer',
    columns: [
      ...['squad_id', 'given_name', 'family_name', 'level', 'birth_year', 'stroke_model', 'breathing_side'],
      ...[
        'health_flags',
        'health_consent',
        'clip_consent',
        'kit',
        'ladder_steps',
        'ladder_log',
        'goal',
        'best_times',
        'stroke_times',
        'archived',
      ],
    ],
  },
  reviews: {
    table: 'review',
    columns: [
      'swimmer_id',
      'coach_id',
      'looked_at',
      'stroke',
      'model',
      'level',
      'signs',
      'measured',
      'noted',
      'good',
      'ranking',
    ],
    account: 'coach_id',
  },
  focuses: {
    table: 'focus',
    columns: [
      ...['swimmer_id', 'review_id', 'cause', 'drill', 'cue', 'tries', 'since', 'relook_on', 'outcome', 'closed_at'],
      ...['said_back', 'felt'],
    ],
    days: ['relook_on'],
  },
  tries: { table: 'focus_try', columns: ['swimmer_id', 'focus_id', 'drill', 'verdict', 'note', 'at'] },
  clips: {
    table: 'clip',
    columns: [
      ...['swimmer_id', 'coach_id', 'title', 'recorded_on', 'duration_s', 'aspect', 'distance_m', 'taps', 'lines'],
      'notes',
    ],
    account: 'coach_id',
    days: ['recorded_on'],
  },
  sessions: {
    table: 'training_session',
    columns: [
      'created_by',
      'title',
      'date',
      'start_time',
      'squad_ids',
      'template',
      'series_id',
      'course_id',
      'breathe_freely',
      'tonight',
      'plan',
      'done',
    ],
    account: 'created_by',
    days: ['date'],
  },
  results: {
    table: 'result',
    columns: ['swimmer_id', 'held_on', 'distance_m', 'time_s', 'strokes_per_length', 'kind', 'details'],
    renamed: { held_on: 'on' },
    days: ['held_on'],
  },
  tests: {
    table: 'test_result',
    columns: ['swimmer_id', 'noted_by', 'held_on', 'input', 'note'],
    account: 'noted_by',
    days: ['held_on'],
  },
  courses: { table: 'course', columns: ['name', 'place', 'course'] },
  readings: { table: 'water_reading', columns: ['course_id', 'date', 'hour', 'read'], days: ['date'] },
  waterDays: {
    table: 'water_day',
    columns: [
      'course_id',
      'signed_by',
      'signed_at',
      'starts_at',
      'readings',
      'people',
      'decision',
      'reasons',
      'overruled',
    ],
    renamed: { people: 'group' },
    account: 'signed_by',
  },
  racePlans: { table: 'race_plan', columns: ['choices'] },
  weeks: {
    table: 'plan_week',
    columns: ['swimmer_id', 'monday', 'phase', 'kind', 'load', 'theme', 'step', 'test', 'notes'],
    id: 'md5(swimmer_id::text || monday)::uuid',
    // Over somewhere on the Earth: one that is not over here is worked out again.
    only: `monday < date_trunc('week', now() at time zone 'UTC' + interval '14 hours')::date`,
    days: ['monday'],
  },
  ratings: { table: 'session_rating', columns: ['session_id', 'swimmer_id', 'value', 'rated_at'] },
  tracks: {
    table: 'swum_track',
    columns: ['swimmer_id', 'course_id', 'noted_by', 'course_name', 'course', 'habits', 'points'],
    account: 'noted_by',
  },
};

const camel = (column: string) => column.replace(/_([a-z])/g, (_, letter: string) => letter.toUpperCase());

/** The name of a column in the archive. */
export const fieldOf = (part: PartTable, column: string): string => part.renamed?.[column] ?? camel(column);

/** Parts that are rows of one table each, in the order in which they are taken in. */
export type RowPart = Exclude<ArchivePart, 'deckEvents'>;
export const ROW_PARTS = ARCHIVE_PARTS.filter((part): part is RowPart => part !== 'deckEvents');
