/** Where every FIT file says what it is, from its ninth byte on. */
export const FIT_MARK = [0x2e, 0x46, 0x49, 0x54] as const;

/** Whether a file looks like the track of a watch (FIT, GPX, TCX) and not like a list. */
export function looksLikeTrack(bytes: Uint8Array): boolean {
  if (FIT_MARK.every((byte, i) => bytes[8 + i] === byte)) return true;
  // Letters of one byte are enough to find what a file of XML begins with.
  const head = String.fromCharCode(...bytes.subarray(0, 200)).replace(/[\u0000\u00ef\u00bb\u00bf\u00ff\u00fe]/g, '');
  return head.trimStart().startsWith('<');
}
