export { useLoadQuery, useProposalQuery, useSaveSessionMutation, useSessionPeopleQuery, useSessionQuery } from './api';
export { WhoSwimsIt } from './parts/WhoSwimsIt';
export { SessionLine } from './parts/SessionLine';
export { newWish } from './wish';
export { HiddenGuests } from './parts/HiddenGuests';
