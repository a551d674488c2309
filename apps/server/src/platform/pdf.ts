// Paper: every PDF is made here.
import { createRequire } from 'node:module';
import type { Font } from 'fontkit';
import type { createPdf } from 'pdfmake';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { tellStructure } from './pdfTags';

/** The colours of paper. */
export const INK = '#0F2A2E';
export const GREEN = '#0B5D57';
export const RED = '#B3361C';
export const QUIET = '#3F5559';

/** Where a package's file lies: from where the server runs, which lies inside the project in every way of starting it. */
const fileOf = (path: string): string => createRequire(`${process.cwd()}/package.json`).resolve(path);

const atkinson = (style: string) =>
  fileOf(`@expo-google-fonts/atkinson-hyperlegible-next/${style}/AtkinsonHyperlegibleNext_${style}.ttf`);
const dejaVu = (style: string) => fileOf(`dejavu-fonts-ttf/ttf/DejaVuSans${style}.ttf`);

/** What writes, and the letters that its first font has. */
interface Press {
  readonly createPdf: typeof createPdf;
  readonly latin: Font;
}

let press: Promise<Press> | null = null;

/** What could not be read once, such as with too many files open, is read again for the next paper. */
const tryAgain = (error: unknown): never => {
  press = null;
  throw error;
};

/**
 * Atkinson Hyperlegible Next with all of Latin, and DejaVu Sans for every other letter; both are embedded in the file.
 * Read when the first paper is wanted: a server starts sooner without.
 */
async function setUp(): Promise<Press> {
  const [{ default: pdfmake }, fontkit] = await Promise.all([import('pdfmake'), import('fontkit')]);
  pdfmake.setFonts({
    Atkinson: {
      normal: atkinson('400Regular'),
      bold: atkinson('700Bold'),
      italics: atkinson('400Regular_Italic'),
      bolditalics: atkinson('700Bold_Italic'),
    },
    DejaVu: {
      normal: dejaVu(''),
      bold: dejaVu('-Bold'),
      italics: dejaVu('-Oblique'),
      bolditalics: dejaVu('-BoldOblique'),
    },
  });
  // Nothing is fetched, and no file but the fonts is read.
  pdfmake.setUrlAccessPolicy(() => false);
  pdfmake.setLocalAccessPolicy((path: string) => /@expo-google-fonts|dejavu-fonts-ttf/.test(path));
  tellStructure();
  return { createPdf: pdfmake.createPdf.bind(pdfmake), latin: fontkit.openSync(atkinson('400Regular')) as Font };
}

/** A text in pieces, each of the font that has its letters; a text of one font stays as it is. */
function inFonts(text: string, latin: Font): string | { readonly text: string; readonly font?: string }[] {
  const letters = [...text];
  const isDrawn = (letter: string) => /\s/.test(letter) || latin.hasGlyphForCodePoint(letter.codePointAt(0)!);
  if (letters.every(isDrawn)) return text;
  const pieces: { text: string; font?: string }[] = [];
  for (const letter of letters) {
    const font = isDrawn(letter) ? undefined : 'DejaVu';
    const last = pieces.at(-1);
    if (last && last.font === font) last.text += letter;
    else pieces.push(font ? { text: letter, font } : { text: letter });
  }
  return pieces;
}

/** The places of a document's content that hold further content. */
const HOLDERS = ['text', 'stack', 'columns', 'ol', 'ul', 'table', 'body'] as const;

/** Content with every text in fonts that have its letters. */
function written(content: unknown, latin: Font): unknown {
  if (typeof content === 'string') {
    const text = inFonts(content, latin);
    return typeof text === 'string' ? text : { text };
  }
  if (Array.isArray(content)) return content.map((part) => written(part, latin));
  if (typeof content !== 'object' || content === null) return content;
  const node = { ...(content as Record<string, unknown>) };
  for (const key of HOLDERS) {
    const held = node[key];
    if (held === undefined) continue;
    node[key] = key === 'text' && typeof held === 'string' ? inFonts(held, latin) : written(held, latin);
  }
  return node;
}

/**
 * A drawing on paper.
 *
 * @param alt what it shows, for those who do not see it; empty where the words beside it say the same
 */
export const picture = (svg: string, alt: string, look: object): Content => ({ svg, alt, ...look }) as Content;

/** A document as {@link makePdf} takes it: what stands below every page does not depend on the page. */
export type PaperDocument = Omit<TDocumentDefinitions, 'footer' | 'header' | 'info'> & {
  readonly info: { readonly title: string };
  readonly footer?: () => Content;
};

/**
 * A document in Upwell's type: PDF 1.7 with its title and language, tagged for screen readers, its fonts embedded. Every
 * letter of Latin, Greek, Cyrillic and what else DejaVu Sans holds is drawn.
 */
export async function makePdf({ content, footer, ...document }: PaperDocument): Promise<Buffer> {
  const { createPdf, latin } = await (press ??= setUp().catch(tryAgain));
  return createPdf({
    ...document,
    ...{ version: '1.7', tagged: true, language: 'en-GB', displayTitle: true },
    content: written(content, latin) as Content,
    ...(footer ? { footer: () => written(footer(), latin) as Content } : {}),
    info: { ...document.info, creator: 'Upwell' },
    defaultStyle: { font: 'Atkinson', fontSize: 10.5, color: INK, lineHeight: 1.12, ...document.defaultStyle },
  }).getBuffer();
}
