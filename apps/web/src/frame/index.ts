export { AppProviders } from './AppProviders';
export { Shell } from './Shell';
export { NotFoundScreen } from './NotFoundScreen';
