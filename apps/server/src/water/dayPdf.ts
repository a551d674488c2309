/** A signed day on one card of A5: what was decided, the plan, a head count to tick, and the kit. */
import { CAUTION } from '@upwell/core/safety';
import { kitList, swimOutLines, type Decision, dayReasonWords } from '@upwell/core/water';
import type { SessionPlan } from '@upwell/core/sessions';
import { numberWord, placeMomentWord } from '@upwell/core/words';
import type { WaterDayView } from '@upwell/contract/water';
import type { Content } from 'pdfmake/interfaces';
import { GREEN, makePdf, QUIET, RED } from '../platform/pdf';

const WORD: Readonly<Record<Decision, string>> = { go: 'Go', change: 'Change the plan', stop: 'Do not go' };

/** The session that is swum on the course that day. */
export interface DayPlan {
  readonly title: string;
  readonly plan: SessionPlan;
}

export function dayPdf({
  day,
  courseName,
  timeZone,
  plans,
}: {
  readonly day: WaterDayView;
  readonly courseName: string;
  /** Whose clock the times are of. */
  readonly timeZone: string;
  readonly plans: readonly DayPlan[];
}): Promise<Buffer> {
  const { readings: r, group: g } = day;
  const head = (text: string): Content => ({ text, bold: true, fontSize: 12, color: GREEN, margin: [0, 8, 0, 2] });
  const small = { fontSize: 8.5, color: QUIET };
  const read = [
    r.waterC === null ? '' : `water ${r.waterC} °C`,
    r.windMps === null ? '' : `wind ${r.windMps} m/s`,
    r.waveHeightM === null ? '' : `waves ${numberWord(r.waveHeightM, 1)} m`,
    r.currentMps === null ? '' : `current ${numberWord(r.currentMps, 2)} m/s`,
    r.depthM === null ? '' : `depth ${numberWord(r.depthM, 1)} m`,
  ].filter(Boolean);
  const levels = plans.flatMap(({ title, plan }) =>
    swimOutLines(plan).map(
      (l) => `${title}, ${l.name}: ${l.loops} loops and skills, about ${l.metres} m, ${l.minutes} min in the water`,
    ),
  );
  const count = Array.from({ length: g.swimmers }, (_, i) => [String(i + 1), '', '', '']);
  return makePdf({
    pageSize: 'A5',
    pageMargins: [28, 24, 28, 28],
    info: { title: `${courseName}: the day on one card` },
    defaultStyle: { fontSize: 9.5 },
    content: [
      { text: WORD[day.decision], fontSize: 24, bold: true, color: day.decision === 'stop' ? RED : GREEN },
      { text: `${courseName} · ${placeMomentWord(day.startsAt, timeZone)} · ${read.join(', ')}`, ...small },
      ...day.reasons.map((reason): Content => ({ text: `– ${dayReasonWords(reason)}` })),
      ...(day.overruled ? [{ text: `Overruled: ${day.overruled}`, color: RED, margin: [0, 3, 0, 0] } as Content] : []),
      { text: `Signed by ${day.signedBy}, ${placeMomentWord(day.signedAt, timeZone)}`, ...small },
      head('Plan'),
      ...(levels.length > 0 ? levels : [`${g.minutes} minutes in the water at most.`]).map((text): Content => ({
        text,
      })),
      {
        text: `${g.health.length > 0 ? `Health notes: ${g.health.length}, each answered before the start. ` : ''}Calls for help: ${g.caller || 'nobody named'} · stop signal ${g.stopSignal ? 'agreed' : 'not agreed'} · ${g.watching} watch${g.craft ? ', with a craft' : ''}`,
        margin: [0, 2, 0, 0],
      },
      head(`Head count: ${g.swimmers} in, ${g.swimmers} out`),
      {
        columns: [count.slice(0, Math.ceil(count.length / 2)), count.slice(Math.ceil(count.length / 2))].map(
          (half) => ({
            table: {
              widths: [14, '*', 22, 22],
              body: [['', 'name', 'in', 'out'].map((text) => ({ text, ...small })), ...half],
            },
            layout: 'lightHorizontalLines',
          }),
        ),
        columnGap: 14,
      },
      head('Kit'),
      { text: kitList(r.waterC, true).join(', ') },
      { text: CAUTION, ...small, margin: [0, 8, 0, 0] },
    ],
  });
}
