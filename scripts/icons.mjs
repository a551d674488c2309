// Writes the few icon outlines the app uses out of @mdi/js, so that no icon font is shipped.
// Run after changing the list: node scripts/icons.mjs
import { writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const icons = createRequire(import.meta.url)('@mdi/js');

const USED = [
  'account',
  'account-multiple',
  'arrow-left',
  'arrow-right',
  'arrow-up',
  'calendar',
  'check',
  'chevron-down',
  'chevron-left',
  'chevron-right',
  'chevron-up',
  'clock-outline',
  'close',
  'dice-multiple',
  'eye',
  'eye-off',
  'magnify',
  'menu-down',
  'minus',
  'pause',
  'pencil',
  'play',
  'plus',
  'redo',
  'undo',
  'book-open-variant',
  'pool',
  'swim',
  'fit-to-page-outline',
  'weather-night',
  'white-balance-sunny',
  'alert-circle-outline',
  'logout',
  'trash-can-outline',
  'archive-outline',
  'whistle',
  'drag',
  'content-copy',
  'repeat',
  'lock',
  'lock-open-variant',
  'printer',
  'download',
  'upload',
  'text-box-outline',
  'chart-bar',
  'link-variant',
  'waves',
  'star-outline',
  'crosshairs-gps',
  'video',
  'stop',
  'record-circle-outline',
];
const name = (id) =>
  `mdi${id
    .split('-')
    .map((part) => part[0].toUpperCase() + part.slice(1))
    .join('')}`;
const lines = USED.map((id) => {
  const path = icons[name(id)];
  if (!path) throw new Error(`no icon ${id}`);
  return `  '${id}': '${path}',`;
});
writeFileSync(
  new URL('../apps/web/src/ui/iconPaths.ts', import.meta.url),
  `/** Outlines on a 24 × 24 grid (Material Design Icons, Apache 2.0). Made by scripts/icons.mjs. */\nexport const ICON_PATHS: Readonly<Record<string, string>> = {\n${lines.join('\n')}\n};\n`,
);
