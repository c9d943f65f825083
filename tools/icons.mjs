// `npm run icons`: writes the paths of the icons in use, so that the application ships these and
// not the thousands of the whole set.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format } from 'prettier';
import * as all from '@mdi/js';
import { root } from './prepare.mjs';

/** The application's own name of each icon, and its name in the set. */
const ICONS = {
  back: 'mdiArrowLeft',
  next: 'mdiArrowRight',
  check: 'mdiCheck',
  open: 'mdiChevronRight',
  close: 'mdiClose',
  caution: 'mdiAlertOutline',
  unreachable: 'mdiCloudOffOutline',
  yard: 'mdiEngineOutline',
  shop: 'mdiToolboxOutline',
  sheets: 'mdiFileDocumentOutline',
  hand: 'mdiHandBackLeftOutline',
  help: 'mdiHelp',
  add: 'mdiPlus',
  print: 'mdiPrinterOutline',
  grip: 'mdiDragVertical',
  change: 'mdiPencilOutline',
  revisions: 'mdiHistory',
  drift: 'mdiChartLine',
  photo: 'mdiCameraOutline',
  day: 'mdiWhiteBalanceSunny',
  night: 'mdiWeatherNight',
  save: 'mdiTrayArrowDown',
  unsent: 'mdiTrayArrowUp',
  undo: 'mdiUndoVariant',
  unfold: 'mdiChevronDown',
  fold: 'mdiChevronUp',
  label: 'mdiQrcode',
  bench: 'mdiCalculatorVariantOutline',
  microphone: 'mdiMicrophoneOutline',
};

const lines = Object.entries(ICONS).map(([name, icon]) => `  ${name}: '${all[icon]}',`);
const text = `// Written by \`npm run icons\` from the set of @mdi/js; not to be changed by hand.

/** The icons in use, each a single path in a square of 24. */
export const ICON_PATHS = {
${lines.join('\n')}
} as const;
`;
const pretty = await format(text, { parser: 'typescript', singleQuote: true, printWidth: 100 });
writeFileSync(join(root, 'app/ui/iconPaths.ts'), pretty);
