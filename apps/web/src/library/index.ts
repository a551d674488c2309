export { ModelChangeList } from './parts/ModelChangeList';
