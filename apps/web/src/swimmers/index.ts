export { LaddersOf } from './parts/LadderCard';
export { useSaveSwimmerMutation, useSquadsQuery, useSwimmerQuery, useSwimmersInfiniteQuery } from './api';
export { useSwimmerList, useSwimmers } from './useSwimmers';
