// The film of a clip that was sent in, from the server.

/**
 * Loads a film that was sent in.
 *
 * @throws Error when it is not there, or there is no network
 */
export async function sentFilm(id: string): Promise<Blob> {
  const response = await fetch(`/api/v1/sent-clips/${id}/film`, { credentials: 'same-origin' });
  if (!response.ok) throw new Error(`The film did not come: ${response.status}.`);
  return response.blob();
}
