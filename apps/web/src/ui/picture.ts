/** A drawing as an address that an image shows. */
export const svgAddress = (svg: string): string => `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;

/** Dots for each point of a drawing: sharp on paper. */
const DENSITY = 2;

/**
 * A drawing as a picture of dots (PNG), as the browser draws it.
 *
 * @throws when the browser cannot draw it
 */
export async function pngOf(svg: string, width: number, height: number): Promise<Blob> {
  const image = new Image();
  image.src = svgAddress(svg);
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = width * DENSITY;
  canvas.height = height * DENSITY;
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be drawn.'))), 'image/png'),
  );
}
