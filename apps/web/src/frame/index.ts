export { AppProviders } from './AppProviders';
export { Shell } from './Shell';
