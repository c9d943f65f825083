import { useWindowDimensions } from 'react-native';
import { space, WIDE } from '../../theme/tokens';

/** The room for a drawing inside a question. */
export function useMapWidth(): number {
  const { width } = useWindowDimensions();
  return Math.min(width >= WIDE ? 480 : 640, width - 4 * space.large);
}
