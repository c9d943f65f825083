import { useWindowDimensions } from 'react-native';
import { SHORT, WIDE } from '../../../theme/tokens';

/** Below this height a map above the panel would leave no room to read and tap in. */
const LOW = 560;
/** From this width on, a low screen has room for a map beside the panel. */
const ROOM_BESIDE = 600;
/** The panel of the present step, where it stands beside a picture. */
const PANEL = 388;

type JobLayout = {
  /**
   * What the panel of the present step stands beside or below: the whole engine on a wide screen, the
   * map beside it on a phone that lies on its side, the map above it on one that stands, or nothing.
   */
  picture: 'engine' | 'beside' | 'above' | 'none';
  /** How wide the panel is. */
  panel: number;
  /** Whether the screen has little height to give away. */
  isShort: boolean;
  /** Whether it has none. */
  isLow: boolean;
};

/** How a job is laid out on this screen. */
export function useJobLayout(): JobLayout {
  const { width, height } = useWindowDimensions();
  const isLow = height < LOW;
  const isShort = height < SHORT;
  if (width >= WIDE) return { picture: 'engine', panel: PANEL, isShort, isLow };
  if (!isLow) return { picture: 'above', panel: width, isShort, isLow };
  if (width < ROOM_BESIDE) return { picture: 'none', panel: width, isShort, isLow };
  return { picture: 'beside', panel: Math.min(PANEL, Math.round(width * 0.55)), isShort, isLow };
}
