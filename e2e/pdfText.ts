import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** The text of a PDF, page by page. */
export async function pdfText(bytes: Buffer): Promise<string[]> {
  const document = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: false }).promise;
  const pages: string[] = [];
  for (let n = 1; n <= document.numPages; n++) {
    const { items } = await (await document.getPage(n)).getTextContent();
    pages.push(
      items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' ')
        .replace(/\s+/g, ' ')
        .replaceAll('- ', '-'),
    );
  }
  return pages;
}
