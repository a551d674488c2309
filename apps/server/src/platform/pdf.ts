import { createRequire } from 'node:module';
import pdfmake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';

/** The colours of paper. */
export const INK = '#0F2A2E';
export const GREEN = '#0B5D57';
export const RED = '#B3361C';
export const QUIET = '#3F5559';

let fontsSet = false;

/** Atkinson Hyperlegible Next, shipped with the packages and embedded in the file. */
function setFonts(): void {
  if (fontsSet) return;
  // From where the server runs, which lies inside the project in every way of starting it.
  const { resolve } = createRequire(`${process.cwd()}/package.json`);
  const file = (weight: number, style: 'normal' | 'italic') =>
    resolve(`@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-${weight}-${style}.woff`);
  pdfmake.setFonts({
    Atkinson: {
      normal: file(400, 'normal'),
      bold: file(700, 'normal'),
      italics: file(400, 'italic'),
      bolditalics: file(700, 'italic'),
    },
  });
  // Nothing is fetched, and no file but the fonts is read.
  pdfmake.setUrlAccessPolicy(() => false);
  pdfmake.setLocalAccessPolicy((path: string) => path.includes('@fontsource'));
  fontsSet = true;
}

/** A document in Upwell's type, its fonts embedded. */
export async function makePdf(document: TDocumentDefinitions): Promise<Buffer> {
  setFonts();
  return pdfmake
    .createPdf({
      ...document,
      info: { ...document.info, creator: 'Upwell' },
      defaultStyle: { font: 'Atkinson', fontSize: 10.5, color: INK, lineHeight: 1.12, ...document.defaultStyle },
    })
    .getBuffer();
}
