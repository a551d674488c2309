import { bundleServer } from './work/bundle';

/** `npm run build`: the server as plain JavaScript under `dist/`; packages stay in `node_modules/`. */
await bundleServer('dist');
