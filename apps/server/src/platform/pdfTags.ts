// What pdfmake draws, told to the structure of the PDF: a screen reader then knows paragraphs, headings and pictures.
import { createRequire } from 'node:module';

/** The parts of pdfkit that tell a page's structure. */
interface Structured {
  readonly options: { readonly tagged?: boolean };
  struct(tag: string, options?: { readonly alt?: string }): StructureElement;
  addStructure(element: StructureElement): unknown;
  markContent(tag: string, options?: object): unknown;
  markStructureContent(tag: string): unknown;
  endMarkedContent(): unknown;
}
interface StructureElement {
  add(content: unknown): unknown;
  end(): unknown;
}
interface Line {
  readonly lastLineInParagraph?: boolean;
  readonly inlines: readonly { readonly fontSize: number; readonly font: { readonly name: string } }[];
}
interface Renderer {
  readonly pdfDocument: Structured;
  /** What everything that is drawn belongs to. */
  root?: StructureElement;
  /** The paragraph whose lines are being drawn. */
  open?: StructureElement | undefined;
}
interface Draws extends Renderer {
  renderPages: (this: Renderer, pages: unknown) => void;
  renderLine: (this: Renderer, line: Line, x: number, y: number) => void;
  renderVector: (this: Renderer, vector: unknown) => void;
  renderSVG: (this: Renderer, svg: { readonly alt?: string }) => void;
}

/** Bold type of this size and more is a heading, points. */
const HEADING_PT = 12;

let told = false;

/**
 * Makes pdfmake tell what it draws, once for this process. It has no tags of its own (0.3.11), though the pdfkit below it
 * has; the functions that draw are wrapped.
 */
export function tellStructure(): void {
  if (told) return;
  told = true;
  const { resolve } = createRequire(`${process.cwd()}/package.json`);
  const load = createRequire(resolve('pdfmake'));
  const { prototype } = (load('./Renderer.js') as { default: { prototype: Draws } }).default;
  const { renderPages, renderLine, renderVector, renderSVG } = prototype;

  prototype.renderPages = function (pages) {
    this.root = this.pdfDocument.struct('Document');
    this.pdfDocument.addStructure(this.root);
    renderPages.call(this, pages);
    this.root.end();
  };

  prototype.renderLine = function (line, x, y) {
    const doc = this.pdfDocument;
    const [first] = line.inlines;
    const tag = first && first.font.name.endsWith('Bold') && first.fontSize >= HEADING_PT ? 'H' : 'P';
    const element = this.open ?? doc.struct(tag);
    const content = doc.markStructureContent(tag);
    renderLine.call(this, line, x, y);
    doc.endMarkedContent();
    element.add(content);
    this.open = line.lastLineInParagraph ? undefined : element;
    if (this.open) return;
    this.root!.add(element);
    element.end();
  };
  const artifact = (doc: Structured, draw: () => void) => {
    doc.markContent('Artifact', { type: 'Layout' });
    draw();
    doc.endMarkedContent();
  };
  // Rules, boxes and pictures that repeat the words beside them say nothing.
  prototype.renderVector = function (vector) {
    artifact(this.pdfDocument, () => renderVector.call(this, vector));
  };
  prototype.renderSVG = function (svg) {
    const doc = this.pdfDocument;
    if (!svg.alt) return artifact(doc, () => renderSVG.call(this, svg));
    const figure = doc.struct('Figure', { alt: svg.alt });
    const content = doc.markStructureContent('Figure');
    renderSVG.call(this, svg);
    doc.endMarkedContent();
    figure.add(content);
    this.root!.add(figure);
    figure.end();
  };
}
