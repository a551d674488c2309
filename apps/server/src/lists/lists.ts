// What stands in the lists that are taken to meetings.
import type { Me } from '@upwell/contract/account';
import type { ClubList, ListQuery, SwimmerList } from '@upwell/contract/lists';
import type { ClubResult } from '@upwell/contract/records';
import { addDays, dayIn, weekOf } from '@upwell/core/days';
import { bestsOf, poolWord, splitsText, swumWord, type SwimDetails } from '@upwell/core/measures';
import { openWaterStep, weekNoteWords } from '@upwell/core/race';
import { causeCard } from '@upwell/core/review';
import { LOAD_LIMITS } from '@upwell/core/sessions';
import { SWIM_TEST } from '@upwell/core/swimtests';
import { summaryWord } from '@upwell/core/units';
import { counted, dayWord, longDayWord, shortDayWord } from '@upwell/core/words';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound } from '../platform/problem';
import { keptWeeks, seasonWhole } from '../race';
import { recordsOf, resultsForFile } from '../records';
import { listSessions, loadView } from '../sessions';
import { swimmerName } from '../swimmers';
import { SquadEntity } from '../swimmers/entities';
import type { Column, List, MadeTable, Row } from './tableFile';

const text = (head: string): Column => ({ head, kind: 'text' });
const day = (head: string): Column => ({ head, kind: 'day' });
const time = (head: string): Column => ({ head, kind: 'time' });
const figure = (head: string, decimals = 0): Column => ({ head, kind: { decimals } });

const KIND_WORD = { trial: 'all-out', training: 'training', track: 'outside' } as const;

/** What is known of a swim beside its time, as the import of such a list reads it. */
const SWUM_AT = [text('Pool'), text('Splits'), text('Meet')];
const swumAt = ({ pool, splitsS, meet }: SwimDetails = {}): string[] => [
  ...[pool ? poolWord(pool) : '', splitsText(splitsS ?? []), meet ?? ''],
];

const THERE_WORD = { in: 'there', out: 'there', absent: 'absent' } as const;

/** A list with those it is about. */
export interface MadeList {
  readonly list: List<MadeTable>;
  readonly swimmerIds: readonly string[];
}

interface Asked {
  readonly em: EntityManager;
  readonly me: Me;
  readonly query: ListQuery;
  readonly today: string;
}
interface AskedOf {
  readonly em: EntityManager;
  readonly id: string;
  readonly name: string;
  readonly today: string;
}

const todayOf = (me: Me): string => dayIn(me.timeZone, Date.now());

/** A list of the club; only what one may see is in it. */
export const clubList = (em: EntityManager, me: Me, list: ClubList, query: ListQuery): Promise<MadeList> =>
  OF_CLUB[list]({ em, me, query, today: todayOf(me) });

/** A list of one swimmer. @throws a 404 when one may not see them */
export const swimmerList = async (em: EntityManager, me: Me, id: string, list: SwimmerList): Promise<MadeList> =>
  OF_SWIMMER[list]({ em, id, name: await swimmerName(em, id), today: todayOf(me) });

function* newestFirst(rows: readonly ClubResult[]): Generator<Row> {
  for (let i = rows.length - 1; i >= 0; i--) {
    const r = rows[i]!;
    yield [
      ...[r.name, r.on, r.distanceM, r.timeS, r.distanceM / r.timeS],
      ...[r.strokesPerLength, KIND_WORD[r.kind], ...swumAt(r.details)],
    ];
  }
}

const OF_CLUB: Readonly<Record<ClubList, (asked: Asked) => Promise<MadeList>>> = {
  results: async ({ em, me, query, today }) => {
    const rows = await resultsForFile(em, query.squadId ?? null);
    const whose = await whoseWord(em, me, query);
    return {
      swimmerIds: rows.map((r) => r.swimmerId),
      list: {
        fileName: `results ${whose}`,
        ...{ title: `Results, ${whose}`, under: `${counted(rows.length, 'result')}, as of ${longDayWord(today)}` },
        tables: [
          {
            title: 'Results, newest first',
            columns: [
              ...[text('Swimmer'), day('Date'), figure('Distance m'), time('Time')],
              ...[figure('m/s', 2), figure('Strokes per length'), text('Kind'), ...SWUM_AT],
            ],
            rows: newestFirst(rows),
          },
        ],
      },
    };
  },

  load: async ({ em, me, query, today }) => {
    const { date, swimmers, groups } = await loadView(em, query.date ?? today);
    const ours = query.squadId ? swimmers.filter((s) => s.squadId === query.squadId) : swimmers;
    const columns = [
      ...[text('Who'), figure('Last 7 days'), figure('Four-week average'), figure('Ratio', 2)],
      ...[figure('Monotony', 1), figure('Felt'), text('To talk about')],
    ];
    const rowsOf = (rows: typeof swimmers) =>
      rows.map(({ name, summary: s, feltWeek, prompts }) => [
        ...[name, s.week, s.fourWeekMean, s.ratio, s.monotony, feltWeek, prompts.join(' ')],
      ]);
    return {
      swimmerIds: ours.map((s) => s.id),
      list: {
        fileName: `load ${date}`,
        ...{ title: `Load, ${await whoseWord(em, me, query)}`, under: `Up to ${longDayWord(date)}. ${LOAD_LIMITS}` },
        tables: [
          {
            title: 'Groups',
            columns,
            rows: rowsOf(groups.filter((g) => !query.squadId || g.squadId === query.squadId)),
          },
          { title: 'Swimmers', columns, rows: rowsOf(ours) },
        ],
      },
    };
  },

  season: async ({ em, me, query, today }) => {
    const page = await seasonWhole(em, { from: query.date ?? today, ...(query.squadId && { squadId: query.squadId }) });
    const last = page.rows.reduce((d, row) => (row.raceOn > d ? row.raceOn : d), page.from);
    const mondays: string[] = [];
    for (let monday = page.from; monday <= weekOf(last); monday = addDays(monday, 7)) mondays.push(monday);
    const shown = mondays.slice(0, SEASON_COLUMNS);
    return {
      swimmerIds: page.rows.map((row) => row.id),
      list: {
        fileName: `season ${page.from}`,
        ...{ title: `Season, ${await whoseWord(em, me, query)}`, under: `From the week of ${longDayWord(page.from)}` },
        tables: [
          {
            title: 'Weeks to the races',
            note: 'L learn, B build up, S sharpen, r a lighter week, t taper, with • a test, R the race.',
            columns: [text('Swimmer'), text('Race'), day('On'), ...shown.map((m) => text(shortDayWord(m)))],
            rows: page.rows.map((row) => [
              ...[row.name, row.event, row.raceOn],
              ...shown.map((monday) => {
                if (monday === weekOf(row.raceOn)) return 'R';
                const week = row.weeks.find((w) => w.monday === monday);
                if (!week) return '';
                const letter = WEEK_LETTER[week.kind === 'normal' ? week.phase : week.kind];
                return week.test ? `${letter} •` : letter;
              }),
            ]),
          },
          {
            title: 'Planned load of the squads',
            columns: [text('Squad'), figure('Swimmers'), ...shown.map((m) => figure(shortDayWord(m)))],
            rows: page.squads.map((squad) => [
              ...[squad.name, squad.swimmers],
              ...shown.map((monday) => squad.weeks.find((w) => w.monday === monday)?.load ?? null),
            ]),
          },
        ],
      },
    };
  },

  week: async ({ em, me, query, today }) => {
    const monday = weekOf(query.date ?? today);
    const to = addDays(monday, 6);
    const squadId = query.squadId && { squadId: query.squadId };
    const sessions = await listSessions(em, me, { from: monday, to, limit: 200, ...squadId });
    const squads = new Map((await em.find(SquadEntity, {})).map((s) => [s.id, s.name]));
    return {
      swimmerIds: [],
      list: {
        fileName: `week ${monday}`,
        ...{ title: `Week of ${longDayWord(monday)}`, under: await whoseWord(em, me, query) },
        tables: [
          {
            title: 'Sessions',
            columns: [
              ...[text('Day'), text('Starts'), text('Session'), text('Theme'), text('Squads')],
              ...[figure('Minutes'), text('Distance by group')],
            ],
            rows: [...sessions]
              .sort((a, b) => `${a.date} ${a.startTime}`.localeCompare(`${b.date} ${b.startTime}`))
              .map((s) => [
                ...[dayWord(s.date), s.startTime, s.title, causeCard(s.theme).name],
                ...[
                  s.squadIds
                    .map((id) => squads.get(id) ?? '')
                    .filter(Boolean)
                    .join(', '),
                  s.minutes,
                ],
                s.groups.map((g) => `${g.name} ${summaryWord(g)}`).join(', '),
              ]),
          },
        ],
      },
    };
  },
};

const OF_SWIMMER: Readonly<Record<SwimmerList, (asked: AskedOf) => Promise<MadeList>>> = {
  records: async ({ em, id, name, today }) => {
    const { results, tests, attended } = await recordsOf(em, id);
    const came = attended.filter((a) => a.as !== 'absent').length;
    return {
      swimmerIds: [id],
      list: {
        fileName: `records ${name}`,
        ...{ title: `Records of ${name}`, under: `As of ${longDayWord(today)}` },
        tables: [
          {
            title: 'Bests',
            columns: [
              ...[text('Swum'), text('Where'), time('Time'), day('Date'), ...SWUM_AT],
              ...[figure('Faster by s', 1), time('Best of twelve months'), figure('Swims')],
            ],
            rows: bestsOf(results, today).map((b) => [
              ...[swumWord(b), b.place, b.timeS, b.on, ...swumAt(b.details)],
              ...[b.gainS, b.year?.timeS ?? null, b.swims],
            ]),
          },
          {
            title: 'Results, newest first',
            columns: [
              ...[day('Date'), figure('Distance m'), time('Time'), figure('m/s', 2)],
              ...[figure('Strokes per length'), text('Kind'), ...SWUM_AT],
            ],
            rows: results.map((r) => [
              ...[r.on, r.distanceM, r.timeS, r.distanceM / r.timeS, r.strokesPerLength, KIND_WORD[r.kind]],
              ...swumAt(r.details),
            ]),
          },
          {
            title: 'Tests, newest first',
            columns: [day('Date'), text('Test'), text('What it says')],
            rows: tests.map((t) => [t.heldOn, SWIM_TEST[t.kind].name, t.outcome.words]),
          },
          {
            title: 'Sessions',
            note: attended.length > 0 ? `There at ${came} of ${attended.length} sessions on record.` : '',
            columns: [day('Date'), text('Session'), text('There')],
            rows: attended.map((a) => [a.on, a.title, THERE_WORD[a.as]]),
          },
        ],
      },
    };
  },

  weeks: async ({ em, id, name }) => {
    const weeks = await keptWeeks(em, id);
    return {
      swimmerIds: [id],
      list: {
        fileName: `weeks ${name}`,
        ...{ title: `Weeks of ${name}`, under: counted(weeks.length, 'week') },
        tables: [
          {
            title: 'Weeks to the race',
            columns: [
              ...[day('Week of'), text('Phase'), text('Kind'), figure('Load'), text('Theme'), text('Step')],
              ...[text('Test'), text('What to know')],
            ],
            rows: weeks.map((w) => [
              ...[w.monday, w.phase, w.kind, w.load, causeCard(w.theme).name],
              ...[
                w.step === null ? '' : openWaterStep(w.step),
                w.test ? 'yes' : '',
                w.notes.map(weekNoteWords).join(' '),
              ],
            ]),
          },
        ],
      },
    };
  },
};

/** As many weeks as a page on its side holds. */
const SEASON_COLUMNS = 16;

const WEEK_LETTER = { learn: 'L', build: 'B', sharpen: 'S', recovery: 'r', taper: 't' } as const;

/** The squad that was asked for, or the club. */
async function whoseWord(em: EntityManager, me: Me, { squadId }: ListQuery): Promise<string> {
  if (squadId === undefined) return me.clubName;
  const squad = await em.findOne(SquadEntity, { id: squadId });
  if (!squad) throw notFound();
  return squad.name;
}
