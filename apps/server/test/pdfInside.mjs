// Reads a PDF from standard input and prints what is in it, as JSON. Its own process: Jest does not load this library.
import { buffer } from 'node:stream/consumers';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

const pdf = await getDocument({ data: new Uint8Array(await buffer(process.stdin)), useSystemFonts: false }).promise;
const pages = await Promise.all(Array.from({ length: pdf.numPages }, (_, i) => pdf.getPage(i + 1)));
const texts = await Promise.all(pages.map((page) => page.getTextContent()));
const trees = await Promise.all(pages.map((page) => page.getStructTree()));
const roles = (node) => [node.role, ...(node.children ?? []).flatMap(roles)].filter(Boolean);
const alts = (node) => [node.alt, ...(node.children ?? []).flatMap(alts)].filter(Boolean);
const { info } = await pdf.getMetadata();
process.stdout.write(
  JSON.stringify({
    pages: texts.map(({ items }) =>
      items
        .map((item) => item.str)
        .join(' ')
        .replace(/\s+/g, ' '),
    ),
    title: info.Title,
    language: info.Language,
    version: info.PDFFormatVersion,
    marked: (await pdf.getMarkInfo())?.Marked ?? false,
    roles: trees.filter(Boolean).flatMap(roles),
    alts: trees.filter(Boolean).flatMap(alts),
  }),
);
