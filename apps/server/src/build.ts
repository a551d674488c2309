import { bundle } from './work/bundle';

/** `npm run build`: the server as plain JavaScript under `dist/`; packages stay in `node_modules/`. */
await bundle({ main: 'src/main.ts', club: 'src/club.ts', worker: 'src/work/worker.ts' }, 'dist');
