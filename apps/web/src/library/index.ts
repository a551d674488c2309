export { useLibraryQuery } from './api';
export { ModelChangeList } from './parts/ModelChangeList';
