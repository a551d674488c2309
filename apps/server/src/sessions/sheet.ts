import { dayWord, zoneWord } from '@upwell/core/words';
import type { SessionPerson, SessionView, SheetQuery } from '@upwell/contract/sessions';
import { lanesOut } from '@upwell/core/deck';
import { KIT } from '@upwell/core/library';
import { causeCard } from '@upwell/core/review';
import { CAUTION } from '@upwell/core/safety';
import {
  type AnySet,
  blockWord,
  blockLengths,
  cautionsOf,
  describeSet,
  distanceWord,
  freelyIn,
  groupClock,
  groupFor,
  type GroupPlan,
  groupTotals,
  hasFew,
  isOneSided,
  isSet,
  weakSideWords,
  pauseWord,
  type Item,
  type LaneSheet,
  laneSheets,
  placeWord,
  setHow,
  timingWord,
  totalWord,
} from '@upwell/core/sessions';
import { sentenceCase } from '@upwell/core/text';
import { clockAfter, formatTime } from '@upwell/core/units';
import type { Content } from 'pdfmake/interfaces';
import { GREEN, makePdf, QUIET, RED } from '../platform/pdf';

/** Type that is read through a wet sleeve at arm's length; A4 is one size larger. */
const SCALE = { A5: 1, A4: 1.35 } as const;

/** The sheet for the pool side: one page for each level, or for each lane with its own send-offs. */
export async function sessionSheet({
  session,
  people,
  query,
  capacity,
}: {
  readonly session: SessionView;
  readonly people: readonly SessionPerson[];
  readonly query: SheetQuery;
  readonly capacity: number | undefined;
}): Promise<Buffer> {
  const { plan } = session;
  const scale = SCALE[query.size];
  const lanes = query.per === 'level' ? [] : lanesOut(plan, people, capacity);
  const pages = plan.groups.flatMap((group): Content[][] => {
    const here = people.filter((person) => groupFor(plan, person) === group);
    const { totalS, blocks } = groupClock(group, plan.pool);
    const blocksS = blocks.map(({ startS }) => startS);
    const whole: Printed = { session, group, sheet: null, people: here, outS: totalS, blocksS };
    if (query.per === 'level') return [page(whole, scale)];
    const sheets = laneSheets(group, plan.pool, here, capacity);
    if (sheets.length === 0) return [page(whole, scale)];
    return sheets.map((sheet) => {
      const ids = new Set(sheet.people.map((p) => p.id));
      const { outS, blocksS } = lanes.find((lane) => lane.groupId === group.id && lane.lane === sheet.lane)!;
      return page({ ...whole, sheet, people: here.filter((p) => ids.has(p.id)), outS, blocksS }, scale);
    });
  });
  return makePdf({
    pageSize: query.size,
    pageMargins: [24 * scale, 16 * scale, 24 * scale, 24 * scale],
    info: { title: session.title },
    defaultStyle: { fontSize: 12 * scale, lineHeight: 1.06 },
    content: pages.map((content, i): Content => (i === 0 ? content : [{ text: '', pageBreak: 'before' }, ...content])),
    footer: () => ({
      text: CAUTION,
      fontSize: 7.5 * scale,
      color: QUIET,
      margin: [24 * scale, 4 * scale, 24 * scale, 0],
    }),
  });
}

/** What one page is about: a level, or one of its lanes, and who swims there. */
interface Printed {
  readonly session: SessionView;
  readonly group: GroupPlan;
  readonly sheet: LaneSheet | null;
  readonly people: readonly SessionPerson[];
  /** When they are out, seconds after the start: a lane by its slowest, as on the deck. */
  readonly outS: number;
  /** When each block begins for them, likewise. */
  readonly blocksS: readonly number[];
}

function page(printed: Printed, scale: number): Content[] {
  const { session, group, sheet } = printed;
  const { plan, startTime, timeZone } = session;
  const totals = groupTotals(group, plan.pool);
  const kit = totals.kit.map((item) => KIT[item]).join(', ');
  const small = { fontSize: 10 * scale, color: QUIET };
  const weaker = isOneSided(plan.theme) ? weakSideWords(printed.people) : null;
  return [
    {
      columns: [
        { text: sheet ? `${group.name}, lane ${sheet.lane}` : group.name, bold: true, fontSize: 21 * scale },
        {
          text: totalWord(totals, plan.pool),
          bold: true,
          fontSize: 21 * scale,
          alignment: 'right',
        },
      ],
    },
    {
      text: `${session.title} · ${dayWord(session.date)} ${startTime}${session.courseId ? ` ${zoneWord(timeZone)}` : ''} · ${placeWord(plan)} · out ${clockAfter(startTime, printed.outS)}`,
      ...small,
    },
    {
      text: `Theme: ${causeCard(plan.theme).name}. ${kit ? `Bring ${kit}.` : 'No kit.'}`,
      margin: [0, 3 * scale, 0, 0],
    },
    ...(group.note ? [{ text: group.note, ...small }] : []),
    ...(weaker ? [{ text: onPaper(weaker), bold: true }] : []),
    ...(sheet
      ? [
          {
            text: `Leaving: ${sheet.people.map((person, i) => `${i + 1} ${onPaper(person.name)}`).join(', ')}`,
            margin: [0, 3 * scale, 0, 0] as [number, number, number, number],
          },
        ]
      : []),
    ...group.blocks.flatMap((block, i): Content[] => {
      const lengths = blockLengths(block);
      const size =
        block.landMinutes > 0 ? `${block.landMinutes} min` : lengths > 0 ? distanceWord(plan.pool, lengths) : '';
      return [
        {
          columns: [
            { text: blockWord(block), bold: true, fontSize: 15 * scale, color: GREEN },
            { text: `${size} · ${clockAfter(startTime, printed.blocksS[i]!)}`, alignment: 'right', bold: true },
          ],
          margin: [0, 5 * scale, 0, 1 * scale],
        },
        ...(block.note ? [{ text: block.note, ...small }] : []),
        ...items(block.items, printed, scale, 0),
      ];
    }),
  ];
}

function items(list: readonly Item[], printed: Printed, scale: number, depth: number): Content[] {
  const { session, sheet } = printed;
  const indent: [number, number, number, number] = [depth * 14 * scale, 1 * scale, 0, 0];
  return list.flatMap((item): Content[] => {
    if (item.kind === 'pause')
      return [
        { text: [sentenceCase(pauseWord(item)), item.note].filter(Boolean).join('. '), bold: true, margin: indent },
      ];
    if (!isSet(item)) {
      return [
        { text: `${item.rounds} times through:`, bold: true, margin: indent },
        ...items(item.items, printed, scale, depth + 1),
      ];
    }
    // In one paragraph that no page break cuts: what is swum large, how it is swum behind it.
    return [
      {
        unbreakable: true,
        margin: indent,
        stack: [
          {
            text: [
              { text: describeSet(item, session.plan.pool, session.plan.place), bold: true, fontSize: 14.5 * scale },
              { text: `  ${details(item, sheet)}`, fontSize: 11 * scale },
            ],
          },
          ...cautions(item, printed).map((text): Content => ({
            text,
            bold: true,
            color: RED,
            fontSize: 11 * scale,
          })),
        ],
      },
    ];
  });
}

/** The cautions of a set, and by name those who breathe freely where others have few breaths. */
function cautions(set: AnySet, { session, group, people }: Printed): string[] {
  const { pool } = session.plan;
  const texts = cautionsOf(set, group, pool);
  if (!hasFew(set, group, pool)) return texts;
  const freely = freelyIn(set, group, pool, people, session.breatheFreely);
  return freely.length > 0 ? [...texts, `Breathing freely: ${freely.map((f) => onPaper(f.name)).join(', ')}.`] : texts;
}

/** A sheet lies about at the pool: the given name and an initial are enough there. */
const onPaper = (name: string): string => name.replace(/^(\S+) (\S).*$/, '$1 $2.');

function details(set: AnySet, sheet: LaneSheet | null): string {
  const line = sheet?.lines.find((l) => l.set.id === set.id);
  return [
    ...setHow(set),
    line?.sendOffS
      ? `leave every ${formatTime(line.sendOffS)}, ${line.gapS} s apart`
      : set.timing.seconds > 0
        ? timingWord(set.timing)
        : '',
    set.kit.map((item) => KIT[item]).join(' + '),
    set.note,
  ]
    .filter(Boolean)
    .join(' · ');
}
