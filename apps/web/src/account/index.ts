export { useClubRulesQuery, useMeQuery } from './api';
export { ROLE_WORD } from './roles';
