export { useSaveSwimmerMutation, useSquadsQuery, useSwimmerQuery, useSwimmersInfiniteQuery } from './api';
