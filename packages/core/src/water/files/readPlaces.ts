// What is in a course file of any kind.
import { kml } from '@tmcw/togeojson';
import { DOMParser } from '@xmldom/xmldom';
import { unzipSync } from 'fflate';
import { LARGEST_COURSE } from '../course/assembleCourse';
import { foundInGeoJson, parseJson } from '../course/courseGeoJson';
import { foundInGpx } from '../course/courseGpx';
import type { Found } from '../course/foundPlaces';
import { projectionOf } from './projections';

const KINDS = 'GPX, GeoJSON, KML or KMZ';

/**
 * What is in a file: GPX 1.0 and 1.1, GeoJSON in degrees or a common projection, KML and KMZ.
 *
 * @param bytes of the file
 * @returns a sentence when nothing can be read
 */
export function readPlaces(bytes: Uint8Array): Found | string {
  if (bytes.length > LARGEST_COURSE) return 'This file is too large for a course.';
  if (bytes.length === 0) return 'This file is empty.';
  // Every zip begins like this.
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) return inKmz(bytes);
  const text = textOf(bytes).trimStart();
  if (/^[[{]/.test(text)) return inJson(text);
  if (!text.startsWith('<')) return `This is not a course file: ${KINDS} can be read.`;
  return /<kml[\s>]/i.test(text.slice(0, 4000)) ? inKml(text) : foundInGpx(text);
}

/** Text in UTF-8, or UTF-16 where the file begins with its mark. */
function textOf(bytes: Uint8Array): string {
  const utf16 =
    bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : null;
  return new TextDecoder(utf16 ?? 'utf-8').decode(bytes);
}

function inJson(text: string): Found | string {
  const parsed = parseJson(text);
  if (typeof parsed === 'string') return parsed;
  const crs = (parsed.root as { crs?: { properties?: { name?: unknown } } } | null)?.crs?.properties?.name;
  const name = typeof crs === 'string' ? crs : '';
  const place = projectionOf(name);
  if (!place)
    return `The positions are in “${name.slice(0, 80)}”, which is not known here. Save it in degrees (WGS 84).`;
  const things = foundInGeoJson(parsed.root, place);
  const metres = typeof things !== 'string' && things.things.length === 0 && things.leftOut.length > 0 && name === '';
  return metres && /"coordinates"\s*:\s*\[[\s[]*-?\d{4,}/.test(text)
    ? 'The positions are no degrees, and the file does not say what they are. Save it in degrees (WGS 84).'
    : things;
}

function inKml(text: string): Found | string {
  // Entities could make a small file enormous; maps have none.
  if (/<!(DOCTYPE|ENTITY)/i.test(text.slice(0, 2000))) return 'This file declares entities and is not read.';
  let wrong = '';
  const document = new DOMParser({
    errorHandler: (level, message: unknown) => {
      if (level !== 'warning') wrong ||= String(message).split('\n')[0]!.slice(0, 160);
    },
  }).parseFromString(text, 'text/xml');
  if (wrong || !document?.documentElement) return `This is not valid XML. ${wrong}`.trim();
  const root: unknown = kml(document as never);
  const things = foundInGeoJson(root);
  if (typeof things === 'string') return things;
  const title = document.getElementsByTagName('Document')[0] ?? document.getElementsByTagName('Folder')[0];
  const name = Array.from(title?.childNodes ?? []).find(({ nodeName }) => nodeName === 'name')?.textContent ?? '';
  return { ...things, name: name.trim().slice(0, 60) || things.name };
}

/** A map in a zip: the first KML of it. What it would unpack to is asked before it is unpacked. */
function inKmz(bytes: Uint8Array): Found | string {
  let tooLarge = false;
  let seen = false;
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (seen || !/\.kml$/i.test(name)) return false;
        tooLarge = originalSize > LARGEST_COURSE;
        seen = !tooLarge;
        return seen;
      },
    });
    const [map] = Object.values(files);
    if (tooLarge) return 'The map in this file is too large for a course.';
    return map ? inKml(textOf(map).trimStart()) : 'There is no map in this file: a KMZ holds a KML.';
  } catch (error) {
    return `This zip cannot be opened: ${(error as Error).message}.`;
  }
}
