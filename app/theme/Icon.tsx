import {
  mdiAlertOutline,
  mdiArrowLeft,
  mdiArrowRight,
  mdiCameraOutline,
  mdiCheck,
  mdiChevronRight,
  mdiClose,
  mdiCloudOffOutline,
  mdiEngineOutline,
  mdiFileDocumentOutline,
  mdiHandBackLeftOutline,
  mdiHelp,
  mdiHistory,
  mdiPencilOutline,
  mdiPlus,
  mdiPrinterOutline,
  mdiToolboxOutline,
  mdiTrayArrowDown,
  mdiTrayArrowUp,
  mdiUndoVariant,
  mdiWeatherNight,
  mdiWhiteBalanceSunny,
} from '@mdi/js';
import Svg, { Path } from 'react-native-svg';

/** The icons in use, each a single path: no icon font is loaded. */
const paths = {
  back: mdiArrowLeft,
  next: mdiArrowRight,
  check: mdiCheck,
  open: mdiChevronRight,
  close: mdiClose,
  caution: mdiAlertOutline,
  unreachable: mdiCloudOffOutline,
  yard: mdiEngineOutline,
  shop: mdiToolboxOutline,
  sheets: mdiFileDocumentOutline,
  hand: mdiHandBackLeftOutline,
  help: mdiHelp,
  add: mdiPlus,
  print: mdiPrinterOutline,
  change: mdiPencilOutline,
  revisions: mdiHistory,
  photo: mdiCameraOutline,
  day: mdiWhiteBalanceSunny,
  night: mdiWeatherNight,
  save: mdiTrayArrowDown,
  unsent: mdiTrayArrowUp,
  undo: mdiUndoVariant,
} as const;

export type IconName = keyof typeof paths;

export function Icon({ name, color, size = 24 }: { name: IconName; color: string; size?: number }) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <Path d={paths[name]} fill={color} />
    </Svg>
  );
}

/** What Paper draws icons with; names it asks for itself that are not ours stay empty. */
export function PaperIcon({ name, color, size }: { name?: unknown; color?: string; size: number }) {
  if (typeof name !== 'string' || !(name in paths)) return null;
  return <Icon name={name as IconName} color={color ?? 'currentColor'} size={size} />;
}
