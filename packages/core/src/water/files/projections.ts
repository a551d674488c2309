// Coordinates that are metres instead of degrees.
import proj4 from 'proj4';
import type { ToPlace } from '../course/courseGeoJson';

/** Degrees by other names: the order stays longitude, latitude as GeoJSON has it. */
const DEGREES = new Set([4326, 4258, 4269]);

/** How proj4 writes a projection of an EPSG number; null when it is none of the common ones. */
function definition(epsg: number): string | null {
  if (epsg === 3857 || epsg === 900913) return 'EPSG:3857';
  const zone = epsg % 100;
  if (zone < 1 || zone > 60) return null;
  // UTM on WGS 84, north and south, and on the European and American frames, which lie within a metre of it.
  if (epsg > 32600 && epsg <= 32660) return `+proj=utm +zone=${zone} +datum=WGS84`;
  if (epsg > 32700 && epsg <= 32760) return `+proj=utm +zone=${zone} +south +datum=WGS84`;
  if (epsg >= 25828 && epsg <= 25838) return `+proj=utm +zone=${zone} +ellps=GRS80`;
  if (epsg >= 26901 && epsg <= 26923) return `+proj=utm +zone=${zone} +ellps=GRS80`;
  return null;
}

/**
 * What turns the coordinates of a file into degrees, by the name that the file has for its projection.
 *
 * @param name like `EPSG:32629`, `urn:ogc:def:crs:EPSG::3857` or `urn:ogc:def:crs:OGC:1.3:CRS84`; empty for degrees
 * @returns null when the projection is not one that is known here
 * @example projectionOf('EPSG:3857')!(-4586323.02, 3684285.53) // about 31.4° N, 41.2° W
 */
export function projectionOf(name: string): ToPlace | null {
  const degrees: ToPlace = (lon, lat) => ({ lat, lon });
  if (name === '' || /CRS84h?$/i.test(name)) return degrees;
  const epsg = Number(/EPSG:{1,2}(?:[\d.]*:)?(\d+)$/i.exec(name)?.[1] ?? Number.NaN);
  if (DEGREES.has(epsg)) return degrees;
  const how = definition(epsg);
  if (how === null) return null;
  const { inverse } = proj4(how);
  return (east, north) => {
    const [lon, lat] = Number.isFinite(east) && Number.isFinite(north) ? inverse([east, north]) : [];
    return { lat: lat ?? Number.NaN, lon: lon ?? Number.NaN };
  };
}
