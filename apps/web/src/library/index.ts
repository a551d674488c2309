export { useLibraryQuery } from './api';
export { DrillCard } from './parts/Details';
export { ModelChangeList } from './parts/ModelChangeList';
