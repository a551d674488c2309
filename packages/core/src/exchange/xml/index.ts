// GPX as XML, apart from what measures tracks: courses are read on a screen, tracks in a worker.
import { XMLParser, XMLValidator } from 'fast-xml-parser';

/** Largest track file that is read, characters. */
export const LARGEST_GPX = 120_000_000;
/** An element of a parsed file: attributes with an @, children by name. */
export interface XmlNode {
  readonly [name: string]: string | XmlNode | readonly XmlNode[] | undefined;
}

const LISTS = ['trk', 'trkseg', 'trkpt', 'wpt', 'rte', 'rtept'];

/**
 * The root of a GPX 1.1 file, prefixes of extensions left out.
 *
 * @returns a sentence instead when the file cannot be used: too large, entities of its own, not whole, not GPX
 */
export function openGpx(text: string): XmlNode | string {
  if (text.length > LARGEST_GPX) return 'This file is too large.';
  // Entities could make a small file enormous; tracks have none.
  if (/<!(DOCTYPE|ENTITY)/i.test(text.slice(0, 2000))) return 'This file declares entities and is not read.';
  const valid = XMLValidator.validate(text);
  if (valid !== true) return `Line ${valid.err.line}: this is not valid XML. ${valid.err.msg}`;
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    removeNSPrefix: true,
    parseTagValue: false,
    isArray: (name) => LISTS.includes(name),
  });
  const parsed = parser.parse(text) as { gpx?: '' | XmlNode };
  return parsed.gpx === undefined ? 'This is not a GPX file.' : parsed.gpx || {};
}
