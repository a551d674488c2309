// The hand-out as a PDF.
import { CAUTION } from '@upwell/core/safety';
import {
  drawnFigure,
  FRAME,
  figureLayers,
  ghostPath,
  NEUTRAL,
  posedBy,
  TURN_FRAME,
  type LayerRole,
} from '@upwell/core/figure';
import type { Handout } from '@upwell/core/handout';
import { longDayWord } from '@upwell/core/words';
import type { Content } from 'pdfmake/interfaces';
import { GREEN, INK, makePdf, picture, QUIET, RED } from '../platform/pdf';

const WATER = '#DCE8E1';

/** The printed colours of the figure: [fill, stroke, width]. */
const PAINT: Readonly<Record<LayerRole, readonly [fill: string, stroke: string, width: number]>> = {
  wall: ['none', '#5C7074', 8],
  wake: [GREEN, 'none', 0],
  rails: ['none', GREEN, 1.5],
  board: ['#66763A', 'none', 0],
  far: ['#6F898A', 'none', 0],
  body: [INK, 'none', 0],
  'mark-under': ['none', 'none', 0],
  skin: [INK, 'none', 0],
  cap: ['#66763A', 'none', 0],
  goggles: ['#CFE0D8', 'none', 0],
  mouth: [RED, 'none', 0],
  'near-edge': ['none', WATER, 3],
  near: [INK, 'none', 0],
  mark: ['none', 'none', 0],
  bubbles: ['#FFFFFF', 'none', 0],
  splash: ['none', GREEN, 2.5],
  strain: ['none', RED, 4],
};

/** The page for the swimmer as a PDF: A5, its fonts embedded. */
export async function handoutPdf(page: Handout): Promise<Buffer> {
  const day = longDayWord(page.relookOn);
  const small = { fontSize: 9.5, color: QUIET };
  const [before, moment, after] = page.figure.phases;
  const pose = (phase: number, fit: [number, number], alt = ''): Content =>
    picture(poseSvg(page, phase), alt, { fit, alignment: 'center' });
  const content: Content[] = [
    { text: `For ${page.givenName}`, fontSize: 20, bold: true },
    { text: `What is good: ${page.good}`, margin: [0, 4, 0, 8] },
    { text: `The one thing: ${page.focus}`, fontSize: 14, bold: true },
    { text: page.why, ...small, margin: [0, 2, 0, 4] },
    pose(moment, [359, 96], 'The stroke as it looks now, with the wanted line dotted'),
    { columns: [pose(before, [176, 48]), pose(after, [176, 48])], columnGap: 4, margin: [0, 3, 0, 0] },
    { text: 'Dark: how it looks now. Dotted: the wanted line.', ...small, margin: [0, 2, 0, 8] },
    { text: `“${page.cue}”`, fontSize: 17, bold: true, color: GREEN, margin: [0, 0, 0, 8] },
    { text: `${page.drill.name}, ${page.drill.dose}`, fontSize: 13, bold: true },
    { ol: [...page.drill.steps], margin: [0, 3, 0, 3] },
    { text: `It feels like: ${page.drill.feel}` },
    { text: `Watch for: ${page.drill.mistakes.join(', ')}.` },
    { text: `Kit: ${page.kit.join(', ') || 'none'}.` },
    ...page.cautions.map((text): Content => ({ text, bold: true, color: RED, margin: [0, 3, 0, 0] })),
    { text: `We look again on ${day}.`, bold: true, margin: [0, 8, 0, 0] },
    ...stillsOn(page),
  ];
  return makePdf({
    pageSize: 'A5',
    pageMargins: [30, 28, 30, 34],
    info: { title: `For ${page.givenName}` },
    content,
    footer: () => ({ text: CAUTION, fontSize: 7.5, color: QUIET, margin: [30, 6, 30, 0] }),
  });
}

/** The stills, on a page of their own. */
const stillsOn = ({ stills }: Handout): Content[] =>
  stills.flatMap(({ on, sentence, image }, i): Content[] => [
    {
      ...{ image: `data:image/jpeg;base64,${image}`, fit: [359, 150], alignment: 'center' },
      ...(i === 0 ? { pageBreak: 'before' as const } : { margin: [0, 10, 0, 0] as [number, number, number, number] }),
    },
    { text: `${sentence} (${longDayWord(on)})`, margin: [0, 4, 0, 0] },
  ]);

/** One moment of the figure with the wanted line behind it. */
function poseSvg({ figure }: Handout, phase: number): string {
  const { stroke, view, signs } = figure;
  const box = stroke === 'turn' && view === 'side' ? TURN_FRAME : FRAME[view];
  const shown = figureLayers(drawnFigure(stroke, view, posedBy(signs), phase));
  const paths = shown
    .filter(({ d }) => d !== '')
    .map(({ role, d }) => {
      const [fill, line, width] = PAINT[role];
      return `<path d="${d}" fill="${fill}" stroke="${line}" stroke-width="${width}"/>`;
    });
  const ghost = ghostPath(drawnFigure(stroke, view, NEUTRAL, phase));
  const top = view === 'top' ? box.y : 0;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box.x} ${box.y} ${box.width} ${box.height}">`,
    `<rect x="${box.x}" y="${top}" width="${box.width}" height="${box.y + box.height - top}" fill="${WATER}"/>`,
    `<path d="${ghost}" fill="none" stroke="${GREEN}" stroke-width="2.5" stroke-dasharray="3 6"/>`,
    ...paths,
    '</svg>',
  ].join('');
}
