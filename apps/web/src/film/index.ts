export { filmOf, films, noteLookedAt, pictures, type Film } from './filmStore';
export { useFilms } from './useFilms';
export { VIEW_WORD } from './words';
