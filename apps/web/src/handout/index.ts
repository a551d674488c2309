export { useHandoutQuery } from './api';
export { HandoutPage } from './parts/HandoutPage';
