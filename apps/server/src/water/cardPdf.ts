// The race card as a PDF that fits into a hand.
import { CAUTION } from '@upwell/core/safety';
import { formatTime } from '@upwell/core/units';
import { legSketch, SKETCH_BOX, type CardLeg, type RaceCard } from '@upwell/core/water';
import type { Content } from 'pdfmake/interfaces';
import { GREEN, makePdf, picture, QUIET } from '../platform/pdf';

const SIDE = { left: 'breathe left', right: 'breathe right', either: 'both sides' } as const;

/** The sketch of a leg, black on white. */
function sketchSvg(leg: CardLeg): string {
  const { lines, mark, aim, breaths } = legSketch(leg);
  const { width, height } = SKETCH_BOX;
  const path = (d: string, look: string) => (d === '' ? '' : `<path d="${d}" ${look}/>`);
  const ink = 'fill="#000000"';
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}">`,
    ...lines.map((d) => path(d, 'fill="none" stroke="#000000" stroke-width="3"')),
    path(mark, ink),
    ...(aim === null ? [] : [path(aim, `fill="${GREEN}"`)]),
    ...breaths.map((d) => path(d, ink)),
    '</svg>',
  ].join('');
}

/** The race card: A6, to be printed on waterproof paper; its fonts embedded. */
export function raceCardPdf(card: RaceCard): Promise<Buffer> {
  const small = { fontSize: 7, color: QUIET };
  const part = (title: string, lines: readonly string[]): Content => ({
    unbreakable: true,
    margin: [0, 5, 0, 0],
    stack: [{ text: title, bold: true, color: GREEN, margin: [0, 0, 0, 1] }, ...lines],
  });
  const leg = (l: CardLeg, i: number): Content => ({
    unbreakable: true,
    margin: [0, 4, 0, 0],
    columnGap: 6,
    columns: [
      picture(sketchSvg(l), '', { width: 30 }),
      {
        stack: [
          {
            columns: [
              { text: `${i + 1}  ${l.name}`, bold: true, fontSize: 9.5 },
              {
                text: `${Math.round(l.metres)} m   ${formatTime(l.timeS)}`,
                bold: true,
                alignment: 'right',
                width: 'auto',
              },
            ],
          },
          { text: `Aim: ${l.aim}`, fontSize: 9 },
          ...(l.mixedUp === null ? [] : [l.mixedUp]),
          ...(l.turnWhen === null ? [] : [l.turnWhen]),
          {
            text: [
              { text: `look every ${l.every}`, bold: true, fontSize: 9.5 },
              l.good[0] < l.good[1] ? ` (${l.good[0]} to ${l.good[1]} is as good)` : '',
              ` · ${SIDE[l.side]} · ${Math.round(l.rateSpm)} a minute · hold ${Math.round(l.headingDeg)}°`,
              l.turn ? ` · mark at the ${l.turn} shoulder` : '',
            ],
          },
        ],
      },
    ],
  });
  return makePdf({
    pageSize: 'A6',
    pageMargins: [18, 16, 18, 20],
    info: { title: `${card.course}: race card` },
    defaultStyle: { fontSize: 8, lineHeight: 1.1 },
    content: [
      { text: card.course, fontSize: 14, bold: true },
      {
        text: [card.swimmer, `${Math.round(card.metres)} m in about ${formatTime(card.timeS)}`]
          .filter(Boolean)
          .join(' · '),
      },
      { text: card.day, ...small },
      ...card.legs.map(leg),
      ...(card.exits.length > 0 ? [part('Ways out', card.exits)] : []),
      part('Start', card.start),
      part('Turns', card.turns),
      part('Feet', card.feet),
      ...(card.feeds.length > 0 ? [part('Feeds', card.feeds)] : []),
      part(
        'If … then …',
        card.ifs.map(({ when, then }) => `If ${when}: ${then}`),
      ),
      part('With you', [card.kit.join(', ')]),
      { text: CAUTION, ...small, margin: [0, 6, 0, 0] },
    ],
  });
}
