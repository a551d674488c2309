// The story of a swimmer as a drawing.
import { dayMs } from '../days';
import { helped } from '../review';
import { formatTime } from '../units';
import { monthWord, numberWord, shortDayWord } from '../words';
import type { ProgressStory, ProgressSwim } from './story';

/** Colours of a picture; those of paper by default. */
export interface PictureColours {
  readonly paper: string;
  readonly ink: string;
  readonly quiet: string;
  readonly line: string;
  readonly accent: string;
  readonly soft: string;
}

export const ON_PAPER: PictureColours = {
  paper: '#FFFFFF',
  ink: '#0F2A2E',
  quiet: '#3F5559',
  line: '#E0D6BE',
  accent: '#0B5D57',
  soft: '#CFE3DD',
};

const MARGIN = { left: 56, right: 20 };
const HEAD = 96;
const CHART = 120;
const GAP = 34;
const ROW = 28;
const FOOT = 36;
/** Letters of 13 px are about this wide, px. */
const LETTER = 7;

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);

interface Type {
  readonly size?: number;
  readonly bold?: boolean;
  readonly fill: string;
  readonly anchor?: 'start' | 'middle' | 'end';
}

const words = (x: number, y: number, text: string, { size = 13, bold, fill, anchor = 'start' }: Type): string =>
  `<text x="${round(x)}" y="${round(y)}" font-size="${size}" fill="${fill}" text-anchor="${anchor}"${bold ? ' font-weight="700"' : ''}>${escaped(text)}</text>`;

const round = (value: number): number => Math.round(value * 10) / 10;

/** A text that is cut where it would leave its room. */
const fitting = (text: string, room: number): string => {
  const letters = [...text];
  const most = Math.max(1, Math.floor(room / LETTER));
  return letters.length <= most ? text : `${letters.slice(0, most - 1).join('')}…`;
};

/** One line of a chart: what it measures, and how a value is said. */
interface Curve {
  readonly title: string;
  readonly of: (swim: ProgressSwim) => number | null;
  readonly said: (value: number) => string;
}

/** Height of the picture of a story, px. */
export const pictureHeight = (story: ProgressStory): number => {
  const charts = story.swims.some((s) => s.strokesPerLength !== null) ? 2 : 1;
  return HEAD + charts * (CHART + GAP) + story.focuses.length * ROW + FOOT;
};

/**
 * The picture of a story as an SVG document: first and last side by side, speed, strokes, focuses and the race on one line
 * of time.
 *
 * @param width px; text keeps its size, so that it is read on a phone and on paper
 */
export function progressSvg(story: ProgressStory, width: number, colours: PictureColours = ON_PAPER): string {
  const { from, to, first, last, focuses, race } = story;
  const { ink, quiet, line, accent, soft, paper } = colours;
  const height = pictureHeight(story);
  const right = width - MARGIN.right;
  const span = Math.max(1, dayMs(to) - dayMs(from));
  const xOf = (day: string) => MARGIN.left + ((dayMs(day) - dayMs(from)) / span) * (right - MARGIN.left);
  const parts: string[] = [`<rect width="${width}" height="${height}" fill="${paper}"/>`];

  // First and last, side by side.
  const half = MARGIN.left + (right - MARGIN.left) / 2;
  parts.push(
    words(16, 24, fitting(`${story.name}, ${story.swum}`, width - 32), {
      bold: true,
      size: 16,
      fill: ink,
    }),
    words(16, 46, shortDayWord(first.on), { fill: quiet }),
    words(16, 76, formatTime(first.timeS, 1), { size: 28, bold: true, fill: ink }),
    words(half, 46, shortDayWord(last.on), { fill: quiet }),
    words(half, 76, formatTime(last.timeS, 1), { size: 28, bold: true, fill: accent }),
  );

  let top = HEAD;
  const curves: readonly Curve[] = [
    { title: 'Speed, m/s', of: (s) => s.distanceM / s.timeS, said: (v) => numberWord(v, 2) },
    { title: 'Strokes a length', of: (s) => s.strokesPerLength, said: (v) => numberWord(v) },
  ];
  for (const { title, of, said } of curves) {
    const points = story.swims.flatMap((swim) => {
      const value = of(swim);
      return value === null ? [] : [{ on: swim.on, value }];
    });
    if (points.length === 0) continue;
    const values = points.map((p) => p.value);
    const [least, most] = [Math.min(...values), Math.max(...values)];
    const room = Math.max(most - least, most * 0.02);
    const yOf = (value: number) => top + CHART - 14 - ((value - least) / room) * (CHART - 40);
    parts.push(words(16, top + 4, title, { fill: quiet }));
    for (const value of new Set([least, most]))
      parts.push(
        `<path d="M${MARGIN.left} ${round(yOf(value))}H${right}" stroke="${line}"/>`,
        words(MARGIN.left - 6, yOf(value) + 4, said(value), { fill: quiet, anchor: 'end' }),
      );
    const way = points.map((p) => `${round(xOf(p.on))} ${round(yOf(p.value))}`).join('L');
    parts.push(`<path d="M${way}" fill="none" stroke="${accent}" stroke-width="2.5"/>`);
    for (const p of points)
      parts.push(`<circle cx="${round(xOf(p.on))}" cy="${round(yOf(p.value))}" r="4" fill="${accent}"/>`);
    top += CHART + GAP;
  }

  for (const { name, from: begun, to: ended, outcome } of focuses) {
    const [x, end] = [xOf(begun), xOf(ended ?? story.to)];
    const said = `${name}: ${outcome ?? 'now'}`;
    const wide = Math.max(6, end - x);
    parts.push(
      `<rect x="${round(x)}" y="${round(top - 14)}" width="${round(wide)}" height="20" rx="4" fill="${outcome !== null && helped(outcome) ? soft : line}"/>`,
      // Beside its bar when it does not fit into it.
      x + wide + said.length * LETTER < right
        ? words(x + 6, top, fitting(said, right - x), { fill: ink })
        : words(right, top, fitting(said, right - MARGIN.left), { fill: ink, anchor: 'end' }),
    );
    top += ROW;
  }

  // The months, and the race at the end of the line.
  const axis = height - FOOT;
  parts.push(`<path d="M${MARGIN.left} ${axis}H${right}" stroke="${quiet}"/>`);
  let free = MARGIN.left;
  for (const month of monthsBetween(from, to)) {
    const x = Math.max(MARGIN.left, xOf(month));
    if (x < free || x + 30 > right - (race ? 20 : 0)) continue;
    parts.push(words(x, axis + 18, monthWord(month), { fill: quiet }));
    free = x + 44;
  }
  if (race)
    parts.push(
      `<path d="M${right} ${axis - 9}l7 9l-7 9l-7-9z" fill="${ink}"/>`,
      words(right, axis + 32, fitting(race.event, right - MARGIN.left), { fill: ink, anchor: 'end' }),
    );
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" font-family="'Atkinson Hyperlegible Next', Verdana, sans-serif" role="img">`,
    `<title>${escaped(story.words.join(' '))}</title>`,
    ...parts,
    '</svg>',
  ].join('\n');
}

/** The first days of the months from one day to another, and the day itself. */
function monthsBetween(from: string, to: string): string[] {
  const days = [from];
  let [year, month] = from.split('-').map(Number) as [number, number];
  for (;;) {
    [year, month] = month === 12 ? [year + 1, 1] : [year, month + 1];
    const day = `${year}-${String(month).padStart(2, '0')}-01`;
    if (day > to) return days;
    days.push(day);
  }
}
