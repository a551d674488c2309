import { laterFrom } from '@/ui/later';

export { useLoadQuery, useProposalQuery, useSaveSessionMutation, useSessionPeopleQuery, useSessionQuery } from './api';
export { WhoSwimsIt } from './parts/WhoSwimsIt';
export { SessionLine } from './parts/SessionLine';
export { newWish } from './wish';
export { HiddenGuests } from './parts/HiddenGuests';

const later = laterFrom(() => import('./screens'), 'Opening the sessions');

export const LoadScreen = later('LoadScreen');
export const NewSessionScreen = later('NewSessionScreen');
export const SessionScreen = later('SessionScreen');
export const SessionsScreen = later('SessionsScreen');
export const WriteSessionScreen = later('WriteSessionScreen');
