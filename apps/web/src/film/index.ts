import { lazy } from 'react';

export { filmOf, films, noteLookedAt, pictures, type Film } from './filmStore';
export { lookAtSent, useSentClipsQuery } from './sent/api';
export { AnswerCard } from './sent/AnswerCard';
export { sentFilm } from './sent/sentFilm';
export { useForgetUnasked } from './sent/unasked';
export { useFilms } from './useFilms';
export { VIEW_WORD } from './words';
/** Loaded for those who were asked for a clip. */
export const MySent = lazy(() => import('./sent/MySent'));
